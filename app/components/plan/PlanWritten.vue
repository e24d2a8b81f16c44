<script setup lang="ts">
import type { CornerTrail } from "#core/desk";
import type { LimitPhrase } from "#core/story";
import type { Names } from "#core/formula";
import type { CaseFile } from "#core/model";
import { wordsOf, type PlanReading, type PlanResult } from "#core/plan";
import type PlanLine from "./PlanLine.vue";

/** The plan as it is written: objective, constraints, variables, and the givens they use. */
const props = defineProps<{
  document: CaseFile;
  names: Names;
  reading: PlanReading | null;
  result: PlanResult | null;
  colours: Readonly<Record<string, number>>;
  /** of the corner that is pointed at: what it does not rest on fades */
  trail: CornerTrail | null;
}>();
const emit = defineEmits<{ files: []; point: [id: string | null] }>();
const store = useCaseStore();
const plan = computed(() => props.document.plan ?? null);
const objectiveErrors = computed(() =>
  (props.reading?.errors ?? []).filter((e) => e.path.startsWith("plan.objective")).map((e) => e.message),
);
const used = computed(() => {
  const texts = [...(plan.value?.constraints ?? []).map((c) => c.text), plan.value?.objective?.text ?? ""];
  const words = new Set(texts.flatMap(wordsOf));
  return (props.document.givens ?? []).filter((g) => words.has(g.name));
});

const { copyRows } = useCopying();
function copyConstraints(): void {
  const rows = (plan.value?.constraints ?? []).map((c) => [c.id, c.text, c.label ?? "", c.off ? "no" : "yes"]);
  void copyRows([["id", "constraint", "meaning", "in force"], ...rows], "The constraints are");
}
const line = useTemplateRef<InstanceType<typeof PlanLine>>("line");
function addPhrase(p: LimitPhrase): void {
  const { constraint: text, start, end } = p;
  if (text) store.apply({ kind: "addPhrase", text, label: p.label || undefined, start, end });
}
</script>

<template>
  <section class="panel" aria-labelledby="objective-title">
    <div class="panel-head">
      <h2 id="objective-title" class="panel-title">Objective</h2>
      <Button link @click="emit('files')">Files</Button>
    </div>
    <PlanObjective v-if="plan?.objective" :plan="plan" :names="names" :errors="objectiveErrors" />
    <p v-else class="quiet">None yet. Write <code>greatest 3.5x + 4y in $</code> below.</p>
    <div class="panel-head second">
      <h2 class="panel-title">
        Constraints<span class="panel-count">{{ plan?.constraints.length ?? 0 }}</span>
      </h2>
      <Button v-if="(plan?.constraints.length ?? 0) > 0" link @click="copyConstraints"> Copy constraints </Button>
    </div>
    <PlanLine ref="line" :plan="plan" :names="names" />
    <PlanPhrases :document="document" :names="names" @add="addPhrase" @begin="line?.begin($event)" />
    <PlanConstraints
      v-if="plan"
      :plan="plan"
      :names="names"
      :reading="reading"
      :result="result"
      :colours="colours"
      :trail="trail"
      @point="emit('point', $event)"
    />
    <template v-if="plan && plan.variables.length > 0">
      <div class="panel-head second"><h2 class="panel-title">Variables</h2></div>
      <PlanVariables :plan="plan" />
      <PlanOffers :plan="plan" :names="names" :result="result" />
    </template>
    <template v-if="used.length > 0">
      <div class="panel-head second"><h2 class="panel-title">Givens</h2></div>
      <PlanGivens :givens="used" :trail="trail" />
    </template>
  </section>
</template>

<style scoped>
.second {
  margin: 0.6rem 0 0;
}
</style>

<style>
/* An objective or a constraint: three lines of it, and all of it while it is changed. */
.plan-formula {
  font-family: var(--book);
  font-size: 1.05rem;
}
.plan-formula .shown {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.plan-formula:focus-within .shown {
  -webkit-line-clamp: unset;
}
</style>
