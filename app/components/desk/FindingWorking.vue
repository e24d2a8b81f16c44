<script setup lang="ts">
import type { DeskFinding } from "#core/desk";

/** The steps that lead to an answer; they are typeset only while they are open. */
defineProps<{ steps: DeskFinding["working"] }>();
const open = defineModel<boolean>("open", { required: true });
</script>

<template>
  <details class="working" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>working</summary>
    <ol v-if="open" tabindex="0" aria-label="Steps">
      <li v-for="(step, i) in steps" :key="i">
        <span>{{ step.says }}</span><MathText :latex="step.latex" :text="step.text" />
      </li>
    </ol>
  </details>
</template>

<style scoped>
ol {
  overflow-x: auto;
  overflow-y: hidden;
  display: grid;
  gap: 0.35rem;
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
