<script setup lang="ts">
import type { WorkingStep } from "#core/question";

/** The steps of a working, each with its reason. */
defineProps<{ steps: readonly WorkingStep[] }>();
</script>

<template>
  <ol tabindex="0" aria-label="Steps">
    <li v-for="(step, i) in steps" :key="i">
      <span>{{ step.says }}</span>
      <MathText v-if="step.latex" :latex="step.latex" :text="step.text" /><PlainText v-else :text="step.text" />
    </li>
  </ol>
</template>

<style scoped>
ol {
  overflow-x: auto;
  overflow-y: hidden;
  display: grid;
  gap: 0.45rem;
  padding: 0.4rem 0 0.2rem 0.6rem;
  border-left: 2px solid var(--hairline);
}
li {
  display: grid;
  gap: 0.1rem;
  font-size: 0.87rem;
  color: var(--ink-2);
}
</style>
