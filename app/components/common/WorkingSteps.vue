<script setup lang="ts">
import type { WorkingStep } from "#core/question";

/** The steps of a working, each with its reason; `chained` where none is left out, so that each rests on the last. */
const props = defineProps<{ steps: readonly WorkingStep[]; chained?: boolean }>();

/** Of equations; a slope, and a function with a slope, say in words what they are of. */
const FOLLOWS = {
  same: { sign: "⇔", says: "holds at the same inputs as the line before" },
  brings: { sign: "⇒", says: "follows from the line before, and may hold at more inputs: see the check" },
} as const;
/** What is proven of a line: "⇔ holds at the same inputs as the line before, for 0 ≤ q ≤ 250". */
const proven = ({ says }: { says: string }, on: string | null): string => `${says}${on === null ? "" : `, for ${on}`}`;
const ofEquations = ({ follows }: WorkingStep) =>
  follows && (follows.how === "same" || follows.how === "brings") ? FOLLOWS[follows.how] : null;
const signs = computed(() => props.steps.map((step) => (props.chained ? ofEquations(step) : null)));
</script>

<template>
  <ol tabindex="0" aria-label="Steps">
    <li v-for="(step, i) in steps" :key="i">
      <span>{{ step.says }}</span>
      <span class="line">
        <span
          v-if="signs[i]"
          class="follows"
          role="img"
          :aria-label="proven(signs[i]!, step.follows!.on)"
          :title="proven(signs[i]!, step.follows!.on)"
        >
          {{ signs[i]!.sign }}
        </span>
        <MathText v-if="step.latex" :latex="step.latex" :text="step.text" /><PlainText v-else :text="step.text" />
      </span>
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
.line {
  display: flex;
  align-items: baseline;
  gap: 0.5rem;
}
.follows {
  width: 1.1rem;
  flex: none;
}
li {
  display: grid;
  gap: 0.1rem;
  font-size: 0.87rem;
  color: var(--ink-2);
}
</style>
