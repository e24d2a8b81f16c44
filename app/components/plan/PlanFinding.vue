<script setup lang="ts">
import {
  coefficientRows,
  formatNumber,
  formatQuantity,
  formatRate,
  rangeText,
  worthSentences,
  type PlanWords,
} from "#core/explain";
import type { CornerTrail } from "#core/desk";
import { buildModel, type CaseFile, type Plan } from "#core/model";
import type { PlanResult } from "#core/plan";
import { parseUnit } from "#core/units";
import type { RowsTableRow } from "~/components/common/RowsTable.vue";

/** The answer of a plan: its sentence, all corners, what one more of each is worth, for which objectives it stays. */
const props = defineProps<{
  document: CaseFile;
  plan: Plan;
  result: PlanResult;
  words: PlanWords;
  /** of the corner that is pointed at */
  trail: CornerTrail | null;
}>();
const emit = defineEmits<{ corner: [key: string | null] }>();
const { copyRows: copy } = useCopying();
const unit = computed(() => (props.plan.objective?.unit ? parseUnit(props.plan.objective.unit).unit : null));
const variables = computed(() => props.plan.variables.map((v) => v.name));
const labels = computed(() => new Map(props.plan.constraints.map((c) => [c.id, c.label ?? c.id])));
const labelOf = (id: string) => labels.value.get(id) ?? id;
const names = computed(() => buildModel({ ...props.document, functions: [], questions: [] }).names);
const sentences = computed(() => worthSentences(props.plan, props.result));
const coefficients = computed(() => coefficientRows(props.plan, props.result, names.value));
const multipliers = computed(() => Object.entries(props.result.multipliers));

/** Of many variables those that are not 0 come first. */
const inUse = computed(() => {
  const { at } = props.result.whole ?? props.result.best[0] ?? { at: [] };
  const rows = props.plan.variables.map((v, j) => ({ v, value: at[j] ?? 0 }));
  return rows.length > 12 ? [...rows.filter((r) => r.value !== 0), ...rows.filter((r) => r.value === 0)] : rows;
});
/** The best whole point is no corner. */
const moved = computed(
  () => props.result.whole !== null && !props.result.best.some((b) => b.at.join() === props.result.whole!.at.join()),
);
// ---- the tables
const isBest = (at: readonly number[]) =>
  moved.value ? at.join() === props.result.whole!.at.join() : props.result.best.some((b) => b.at.join() === at.join());
const cornerColumns = computed(() => ["where", ...variables.value, ...(props.plan.objective ? ["value"] : [])]);
const cornerRows = computed(() =>
  props.result.corners.map((c, i): RowsTableRow => {
    const value = { text: c.value === null ? "" : formatQuantity(c.value, unit.value), by: c.value };
    const places = c.at.map((v, j) => ({ text: formatNumber(v), by: v, title: c.exact[j] }));
    const where = { text: c.on.map(labelOf).join(", ") };
    return {
      key: String(i),
      cells: [where, ...places, ...(props.plan.objective ? [value] : [])],
      isBest: isBest(c.at),
    };
  }),
);
const meanings = computed(() => new Map(props.plan.variables.map((v) => [v.name, v.label])));
const bestRows = computed(() =>
  inUse.value.map(({ v, value }): RowsTableRow => ({
    key: v.name,
    cells: [{ text: v.name }, { text: formatNumber(value), by: value }],
  })),
);
const worthRows = computed(() =>
  multipliers.value.map(([id, worth]): RowsTableRow => ({
    key: id,
    cells: [
      { text: labelOf(id) },
      { text: worth === null ? "not one number" : formatRate(worth, unit.value), by: worth },
      { text: rangeText(props.result.ranges[id]) },
    ],
  })),
);
const firmRows = computed(() =>
  coefficients.value.map((c): RowsTableRow => ({
    key: c.name,
    cells: [
      { text: c.name },
      { text: formatRate(c.now, unit.value), by: c.now },
      { text: c.stays ? rangeText(c.stays, (end) => formatRate(end, unit.value)) : "" },
      { text: c.reduced === null ? "not one number" : formatRate(c.reduced, unit.value), by: c.reduced },
    ],
  })),
);

const copyCorners = () =>
  copy(
    [
      ["where", ...variables.value, "value"],
      ...props.result.corners.map((c) => [c.on.map(labelOf).join(" and "), ...c.exact, String(c.value ?? "")]),
    ],
    "The corners are",
  );
const copyBest = () =>
  copy(
    [
      ["variable", "best", "meaning"],
      ...props.plan.variables.map((v, j) => [
        v.name,
        String((props.result.whole ?? props.result.best[0]!).at[j]),
        v.label ?? "",
      ]),
    ],
    "The best values are",
  );
</script>

<template>
  <p class="says" role="status">{{ words.says }}</p>
  <p v-for="(m, i) in words.more" :key="i" class="quiet">{{ m }}</p>
  <ChipList :chips="words.chips" />
  <template v-if="result.corners.length > 0">
    <div class="panel-head second">
      <h2 class="panel-title">
        Corners <span class="caption">all {{ result.corners.length }}, tested</span>
      </h2>
      <Button link @click="copyCorners">Copy as CSV</Button>
    </div>
    <RowsTable label="Corners" points :columns="cornerColumns" :rows="cornerRows" @point="emit('corner', $event)" />
    <p class="quiet from" role="status">
      <template v-if="trail && trail.phrases.length > 0"
        >From the story:
        <template v-for="(p, i) in trail.phrases" :key="i"
          ><q>{{ p }}</q
          >{{ i < trail.phrases.length - 1 ? ", " : "" }}</template
        ></template
      >
    </p>
  </template>
  <template v-else-if="result.best.length > 0">
    <div class="panel-head second">
      <h2 class="panel-title">Best values</h2>
      <Button link @click="copyBest">Copy as CSV</Button>
    </div>
    <RowsTable label="Best values" :columns="['variable', 'best']" :rows="bestRows">
      <template #cell="{ row, column }">
        {{ row.cells[column]!.text
        }}<span v-if="column === 0 && meanings.get(row.key)" class="quiet meaning">{{ meanings.get(row.key) }}</span>
      </template>
    </RowsTable>
  </template>
  <PlanWorking
    v-if="variables.length === 2 ? result.corners.length > 0 : (result.best[0]?.exact.length ?? 0) > 2"
    :plan="plan"
    :result="result"
    :names="names"
  />
  <template v-if="multipliers.length > 0">
    <div class="panel-head second"><h2 class="panel-title">One more of each</h2></div>
    <ul class="sentences">
      <li v-for="s in sentences" :key="s">{{ s }}</li>
    </ul>
    <RowsTable label="One more of each" :columns="['constraint', 'worth', 'holds for']" :rows="worthRows" />
  </template>
  <template v-if="coefficients.length > 0">
    <div class="panel-head second"><h2 class="panel-title">How firm the plan is</h2></div>
    <ul v-if="coefficients.length <= 12" class="sentences">
      <li v-for="c in coefficients.filter((r) => r.says)" :key="c.name">{{ c.says }}</li>
      <li v-if="moved">“The same plan” is the one without regard to whole values.</li>
    </ul>
    <RowsTable
      label="How firm the plan is"
      :columns="['variable', 'now', 'same plan for', 'reduced cost']"
      :rows="firmRows"
    />
  </template>
</template>

<style scoped>
.says {
  font-family: var(--book);
  font-size: 1.2rem;
  font-weight: 650;
  line-height: 1.35;
}
.second {
  margin: 0.6rem 0 0;
}
.sentences {
  display: grid;
  gap: 0.25rem;
  font-size: 0.92rem;
  line-height: 1.45;
}
/* Its place is kept, so that nothing moves when it comes. */
.from {
  min-height: 1.4em;
}
.meaning {
  margin-left: 0.6rem;
}
</style>
