<script lang="ts">
type Typesetter = typeof import("katex").default;
/** The typesetter is loaded apart from the page, once. */
let typesetter: Typesetter | null = null;
/**
 * Mathematics that changes again within this time stands as plain text until it is calm, in ms: typesetting is slow
 * beside a drag.
 */
const CALM = 220;
</script>

<script setup lang="ts">
const props = defineProps<{ latex: string; text?: string }>();
const html = ref("");
const home = useTemplateRef<HTMLElement>("home");
/** Height of the last typeset mathematics, kept while it stands as text so that nothing below it moves; in px. */
const room = ref(0);
let last = -Infinity;
let timer: ReturnType<typeof setTimeout> | undefined;

function typeset(): void {
  if (!typesetter) return;
  html.value = typesetter.renderToString(props.latex, {
    output: "htmlAndMathml",
    throwOnError: false,
    trust: false,
    maxSize: 20,
    maxExpand: 200,
  });
  room.value = 0;
}
watch(
  () => props.latex,
  async () => {
    const now = performance.now();
    const hurried = now - last < CALM;
    last = now;
    clearTimeout(timer);
    if (!typesetter) {
      await afterGraph();
      typesetter ??= await import("katex").then(
        (m) => m.default,
        () => null,
      );
      typeset();
    } else if (hurried && props.text) {
      if (html.value) {
        room.value = home.value?.offsetHeight ?? 0;
        html.value = "";
      }
      timer = setTimeout(typeset, CALM);
    } else typeset();
  },
  { immediate: true },
);
onBeforeUnmount(() => clearTimeout(timer));
</script>

<template>
  <!-- Made by the typesetter from our own LaTeX, never from what somebody typed as HTML. -->
  <!-- eslint-disable-next-line vue/no-v-html -->
  <span v-if="html" ref="home" class="math" v-html="html" />
  <span v-else class="math" :style="room > 0 ? { display: 'inline-block', minHeight: `${room}px` } : undefined">{{
    text ?? ""
  }}</span>
</template>

<style>
@import "katex/dist/katex.min.css";
.math .katex {
  font-size: 1.12em;
}
</style>
