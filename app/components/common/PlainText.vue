<script setup lang="ts">
/** A sentence in which `backticks` set off what was typed or could be typed. */
const props = defineProps<{ text: string }>();
const parts = computed(() => props.text.split("`"));
</script>

<template>
  <template v-for="(part, i) in parts" :key="i"
    ><code v-if="i % 2 === 1">{{ part }}</code
    ><template v-else>{{ part }}</template></template
  >
</template>

<style scoped>
code {
  font-weight: 600;
  white-space: pre-wrap;
}
</style>
