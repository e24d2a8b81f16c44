<script setup lang="ts">
import { formatQuantity } from "#core/explain";
import type { Unit } from "#core/units";
import type { PlanProgress } from "#shared/compiledPlan";
import type { SolverState } from "~/composables/usePlanSolving";

/** How far the compiled solver is, what it has so far, and how to end it or go on. */
const props = defineProps<{
  solving: SolverState;
  where: "here" | "server";
  progress: PlanProgress | null;
  unit: Unit | null;
}>();
const emit = defineEmits<{ cancel: []; goOn: [] }>();
const inUnit = (v: number) => formatQuantity(v, props.unit, 6);
/** Said by itself, so that no blank of the template stands before it. */
const cancelled = computed(() => {
  const best = props.solving.state === "cancelled" ? props.solving.best : null;
  return best === null ? "Cancelled." : `Cancelled; the best so far was ${inUnit(best)}.`;
});
const soFar = computed(() => {
  if (!props.progress) return "";
  const { best, bound } = props.progress;
  const found = best === null ? "No whole point yet" : `best so far ${inUnit(best)}`;
  return bound === null ? found : `${found}, at most ${inUnit(bound)} possible`;
});
</script>

<template>
  <div v-if="solving.state === 'working'" class="work" role="status">
    <p>
      Working it out {{ where === "server" ? "on the server" : "with the compiled solver"
      }}<template v-if="progress"> · {{ progress.seconds.toFixed(1) }} s</template> …
      <Button link @click="emit('cancel')">Cancel</Button>
    </p>
    <p v-if="soFar" class="quiet">{{ soFar }}</p>
  </div>
  <p v-else-if="solving.state === 'cancelled'" class="quiet">
    <span>{{ cancelled }}</span>
    <Button link @click="emit('goOn')">Work it out on the server</Button>
  </p>
  <ProblemNote v-else-if="solving.state === 'failed'" role="alert" :text="solving.message" />
</template>

<style scoped>
.work {
  background: var(--amber-soft);
  border-radius: 8px;
  padding: 0.5rem 0.8rem;
  font-size: 0.92rem;
}
</style>
