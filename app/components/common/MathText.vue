<script setup lang="ts">
const props = defineProps<{ latex: string; text?: string }>()
const html = ref('')

// The typesetter is loaded apart from the page; until it is there, the plain text stands in its place.
watch(() => props.latex, async (latex) => {
  const katex = await import('katex').then((m) => m.default, () => null)
  if (!katex) return
  if (latex === props.latex) html.value = katex.renderToString(latex, { output: 'htmlAndMathml', throwOnError: false, trust: false, maxSize: 20, maxExpand: 200 })
}, { immediate: true })
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- made by the typesetter from our own LaTeX, never from what somebody typed as HTML -->
  <span v-if="html" class="math" v-html="html" />
  <span v-else class="math">{{ text ?? '' }}</span>
</template>

<style>
@import 'katex/dist/katex.min.css';
.math .katex { font-size: 1.12em; }
</style>
