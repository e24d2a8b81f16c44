<script setup lang="ts">
import { cornerTrail } from "#core/desk";
import { buildModel, type CaseFile, type Plan } from "#core/model";
import { parseUnit } from "#core/units";
import { constraintColours } from "~/charts/regionView";
import type { Pair } from "~/composables/useSlicePair";

/** The Plan view: the plan as it is written, its region, and what is found. */
const props = defineProps<{ document: CaseFile }>();
const store = useCaseStore();
const toast = useToast();
/** Two of many variables that are pictured as a slice. */
const pair = shallowRef<Pair | null>(null);
const solver = usePlan(
  computed(() => props.document),
  pair,
);
const { reading, picture, slice, result, solved, words, failure, solving, where, progress } = solver;
const plan = computed(() => props.document.plan ?? null);
const variables = computed(() => plan.value?.variables.map((v) => v.name) ?? []);
const slicing = useSlicePair(pair, variables, result);
const unit = computed(() => (plan.value?.objective?.unit ? parseUnit(plan.value.objective.unit).unit : null));
const names = computed(() => buildModel({ ...props.document, functions: [], questions: [] }).names);
// ---- what is pointed at, a constraint or a corner, and what it rests on
const { rested, point } = usePointing(() => false);
/** A corner is pointed at by its place in the table. */
const CORNER = "corner ";
const corner = computed(() =>
  rested.value?.startsWith(CORNER) ? result.value?.corners[Number(rested.value.slice(CORNER.length))] : undefined,
);
const trail = computed(() => corner.value && cornerTrail(corner.value.on, props.document));
const lit = computed(() => trail.value?.constraints ?? (rested.value ? [rested.value] : []));
const filesDialog = ref(false);

const colours = computed(() => constraintColours(plan.value));
/** What the region shows: the plan itself, or a slice of it. */
const drawn = computed(() => {
  if (slice.value && pair.value) return slice.value;
  const ready = picture.value && result.value && solved.value;
  return ready ? { plan: solved.value!, result: result.value!, picture: picture.value! } : null;
});
const canSlice = computed(() => variables.value.length > 2 && (result.value?.best.length ?? 0) > 0);
function usePlanFile(next: Plan, from: string): void {
  store.apply({ kind: "readPlan", plan: next, from });
  toast.add({ severity: "info", summary: `The plan of ${from} stands here.`, life: 3000 });
}
</script>

<template>
  <main class="columns plan">
    <PlanWritten
      :document="document"
      :names="names"
      :reading="reading"
      :result="result"
      :colours="colours"
      @files="filesDialog = true"
      :trail="trail ?? null"
      @point="point"
    />
    <PlanPictured
      :case-title="document.title"
      :names="names"
      :variables="variables"
      :drawn="drawn"
      :pair="pair"
      :is-slice="pair !== null && slice !== null"
      :can-slice="canSlice"
      :colours="colours"
      :lit="lit"
      @begin="slicing.begin"
      @end="slicing.end"
      @pick="slicing.pick"
    />
    <section class="panel right" aria-labelledby="plan-finding-title" tabindex="0">
      <h2 id="plan-finding-title" class="panel-title">Finding</h2>
      <ProblemNote v-if="failure" role="alert" :text="failure" />
      <PlanSolving
        :solving="solving"
        :where="where"
        :progress="progress"
        :unit="unit"
        @cancel="solver.cancel"
        @go-on="solver.goOn"
      />
      <div v-if="words && result && solved" class="finding" :class="{ dim: solving.state === 'working' }">
        <PlanFinding
          :document="document"
          :plan="solved"
          :result="result"
          :words="words"
          :trail="trail ?? null"
          @corner="point($event === null ? null : CORNER + $event)"
        />
      </div>
      <p v-if="result && result.gap !== null && solving.state !== 'working'" class="quiet">
        The time here is over.
        <Button link @click="solver.goOn">Go on for two minutes on the server</Button>
      </p>
    </section>
    <PlanFilesDialog
      v-model:visible="filesDialog"
      :document="document"
      :program="solver.currentProgram"
      @read="usePlanFile"
    />
  </main>
</template>

<style scoped>
.plan {
  --columns: 330px minmax(0, 1fr) 372px;
}
.panel {
  gap: 0.45rem;
  overflow-y: auto;
}
.middle {
  overflow: hidden;
}
.right {
  background: var(--panel);
}
.finding {
  display: flex;
  flex-direction: column;
  gap: 0.45rem;
}
@media (max-width: 1050px) {
  .panel {
    overflow: visible;
  }
  .middle {
    height: 460px;
  }
}
</style>
