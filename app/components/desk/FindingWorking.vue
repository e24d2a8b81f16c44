<script setup lang="ts">
import type { DeskFinding } from "#core/desk";
import type { Question } from "#core/model";

/** The steps that lead to an answer, and the lines somebody wrote themselves; worked out only while they are open. */
const props = defineProps<{ q: Question; steps: DeskFinding["working"] }>();
const open = defineModel<boolean>("open", { required: true });

const LENGTHS = [
  { id: "short", text: "short" },
  { id: "full", text: "full" },
  { id: "next", text: "one step at a time" },
] as const;
const length = ref<(typeof LENGTHS)[number]["id"]>("full");
/** steps that are uncovered, one at a time */
const uncovered = ref(1);
const shown = computed(() => {
  const all = props.steps ?? [];
  if (length.value === "short") return all.filter((s) => s.isKey);
  return length.value === "next" ? all.slice(0, uncovered.value) : all;
});
const left = computed(() => (length.value === "next" ? Math.max(0, (props.steps?.length ?? 0) - uncovered.value) : 0));

const isOwn = ref((props.q.working?.length ?? 0) > 0);
/** Whoever writes lines of their own finds the steps covered again: one at a time they are a hint. */
function writeOwn(): void {
  isOwn.value = true;
  length.value = "next";
  uncovered.value = 1;
}
</script>

<script lang="ts">
// Comes when somebody writes lines of their own.
const OwnWorking = later(() => import("./OwnWorking.vue"));
</script>

<template>
  <details class="working" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>working</summary>
    <template v-if="open">
      <p v-if="steps === null" class="quiet" role="status">Working it out …</p>
      <p v-else-if="steps.length === 0" class="quiet">
        No way by hand leads to this answer with every step proven; it was found by enclosures.
      </p>
      <template v-else>
        <p class="lengths" role="group" aria-label="Length of the working">
          <Button v-for="l in LENGTHS" :key="l.id" link :aria-pressed="length === l.id" @click="length = l.id">
            {{ l.text }}
          </Button>
        </p>
        <WorkingSteps :steps="shown" :chained="length !== 'short'" />
        <p v-if="length === 'next'" class="lengths">
          <Button v-if="left > 0" link @click="uncovered++">next step</Button>
          <span class="quiet" role="status">{{ left === 0 ? "that was all" : `${left} to come` }}</span>
          <Button v-if="uncovered > 1" link @click="uncovered = 1">cover them again</Button>
        </p>
      </template>
      <OwnWorking v-if="isOwn" :q="q" />
      <Button v-else link class="own" @click="writeOwn">write my own working</Button>
    </template>
  </details>
</template>

<style scoped>
.lengths {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.1rem 0.9rem;
  padding: 0.3rem 0;
}
.lengths :deep(.p-button-link) {
  font-size: 0.85rem;
  font-weight: 400;
}
.lengths :deep(.p-button-link[aria-pressed="true"]) {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
.own {
  font-size: 0.85rem;
  font-weight: 400;
  margin-top: 0.3rem;
}
</style>
