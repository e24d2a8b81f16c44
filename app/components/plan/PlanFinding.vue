<script setup lang="ts">
import {
  coefficientRows,
  formatNumber,
  formatQuantity,
  rangeText,
  rateText,
  worthSentences,
  type PlanWords,
} from "#core/explain";
import { buildModel, type CaseFile, type Plan } from "#core/model";
import type { PlanResult } from "#core/plan";
import { parseUnit } from "#core/units";
import { separated } from "#core/data";

/**
 * The answer of a plan: its sentence, all corners, what one more of each is worth, and for which objectives it stays.
 */
const props = defineProps<{ document: CaseFile; plan: Plan; result: PlanResult; words: PlanWords }>();
const toast = useToast();
const unit = computed(() => (props.plan.objective?.unit ? parseUnit(props.plan.objective.unit).unit : null));
const variables = computed(() => props.plan.variables.map((v) => v.name));
const labels = computed(() => new Map(props.plan.constraints.map((c) => [c.id, c.label ?? c.id])));
const labelOf = (id: string) => labels.value.get(id) ?? id;
const names = computed(() => buildModel({ ...props.document, functions: [], questions: [] }).names);
const sentences = computed(() => worthSentences(props.plan, props.result));
const coefficients = computed(() => coefficientRows(props.plan, props.result, names.value));
/** Rows of a table shown before the rest is asked for. */
const FIRST = 60;
const all = ref(false);
const cut = <T,>(list: readonly T[]): readonly T[] => (all.value ? list : list.slice(0, FIRST));
const multipliers = computed(() => Object.entries(props.result.multipliers));
const longest = computed(() => Math.max(multipliers.value.length, props.plan.variables.length));

async function copy(rows: readonly (readonly string[])[], what: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(separated(rows, ","));
    toast.add({ severity: "info", summary: `${what} copied as CSV.`, life: 2500 });
  } catch {
    toast.add({ severity: "warn", summary: "The browser does not allow copying here.", life: 4000 });
  }
}
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
  <ul v-if="words.chips.length > 0" class="chips">
    <li v-for="(c, i) in words.chips" :key="i" :class="c.tone">{{ c.text }}</li>
  </ul>
  <template v-if="result.corners.length > 0">
    <div class="panel-head second">
      <h2 class="panel-title">
        Corners <span class="caption">all {{ result.corners.length }}, tested</span>
      </h2>
      <button type="button" class="word-button" @click="copyCorners">Copy as CSV</button>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">where</th>
          <th v-for="v in variables" :key="v" scope="col">{{ v }}</th>
          <th v-if="plan.objective" scope="col">value</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(c, i) in result.corners"
          :key="i"
          :class="{
            best: moved
              ? c.at.join() === result.whole!.at.join()
              : result.best.some((b) => b.at.join() === c.at.join()),
          }"
        >
          <th scope="row">{{ c.on.map(labelOf).join(", ") }}</th>
          <td v-for="(v, j) in c.at" :key="j" :title="c.exact[j]">{{ formatNumber(v) }}</td>
          <td v-if="plan.objective">{{ c.value === null ? "" : formatQuantity(c.value, unit) }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <template v-else-if="result.best.length > 0">
    <div class="panel-head second">
      <h2 class="panel-title">Best values</h2>
      <button type="button" class="word-button" @click="copyBest">Copy as CSV</button>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">variable</th>
          <th scope="col">best</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ v, value } in cut(inUse)" :key="v.name">
          <th scope="row">
            {{ v.name }}<span v-if="v.label" class="quiet meaning">{{ v.label }}</span>
          </th>
          <td>{{ formatNumber(value) }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <template v-if="multipliers.length > 0">
    <div class="panel-head second"><h2 class="panel-title">One more of each</h2></div>
    <ul class="sentences">
      <li v-for="s in sentences" :key="s">{{ s }}</li>
    </ul>
    <table>
      <thead>
        <tr>
          <th scope="col">constraint</th>
          <th scope="col">worth</th>
          <th scope="col">holds for</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[id, worth] in cut(multipliers)" :key="id">
          <th scope="row">{{ labelOf(id) }}</th>
          <td>{{ worth === null ? "not one number" : rateText(worth, unit) }}</td>
          <td>{{ rangeText(result.ranges[id]) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="moved" class="quiet">These worths are those of the plan without regard to whole values.</p>
  </template>
  <template v-if="coefficients.length > 0">
    <div class="panel-head second"><h2 class="panel-title">How firm the plan is</h2></div>
    <ul v-if="coefficients.length <= 12" class="sentences">
      <li v-for="c in coefficients.filter((r) => r.says)" :key="c.name">{{ c.says }}</li>
    </ul>
    <table>
      <thead>
        <tr>
          <th scope="col">variable</th>
          <th scope="col">now</th>
          <th scope="col">same plan for</th>
          <th scope="col">reduced cost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in cut(coefficients)" :key="c.name">
          <th scope="row">{{ c.name }}</th>
          <td>{{ formatNumber(c.now) }}</td>
          <td>{{ c.stays ? rangeText(c.stays) : "" }}</td>
          <td>{{ c.reduced === null ? "not one number" : formatNumber(c.reduced, 6) }}</td>
        </tr>
      </tbody>
    </table>
  </template>
  <button v-if="longest > FIRST" type="button" class="word-button rest" @click="all = !all">
    {{ all ? `Show the first ${FIRST} rows only` : `Show all ${longest} rows` }}
  </button>
</template>

<style scoped>
.says {
  font-family: var(--book);
  font-size: 1.2rem;
  font-weight: 650;
  line-height: 1.35;
}
.caption {
  font-weight: 400;
  letter-spacing: 0;
  text-transform: none;
  margin-left: 0.5rem;
}
.second {
  margin: 0.6rem 0 0;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
.chips li {
  font-size: 0.8rem;
  padding: 2px 9px;
  border-radius: 10px;
  background: var(--jade-soft);
  color: var(--jade);
}
.chips .open {
  background: var(--amber-soft);
  color: var(--amber-deep);
}
.sentences {
  display: grid;
  gap: 0.25rem;
  font-size: 0.92rem;
  line-height: 1.45;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.92rem;
}
th,
td {
  text-align: right;
  padding: 5px 8px;
  border-bottom: 1px solid var(--hairline);
  font-weight: 400;
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
td {
  white-space: nowrap;
}
thead th {
  color: var(--ink-2);
  font-weight: 600;
  font-size: 0.85rem;
}
.best th,
.best td {
  background: var(--amber-soft);
  font-weight: 700;
}
.meaning {
  margin-left: 0.6rem;
}
.rest {
  justify-self: start;
  align-self: start;
}
</style>
