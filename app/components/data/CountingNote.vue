<script setup lang="ts">
import { sinceWords } from "#core/calendar";
import { COUNT_UNITS, countsFromDate, startTrouble, type CountUnit, type Counting } from "#core/data";
import { formatNumber } from "#core/explain";
import type { Columns } from "~/composables/useColumns";

/** In what the inputs count, and since when; both are changed in place. */
const props = defineProps<{ columns: Columns; counting: Counting }>();
const store = useCaseStore();
const isDate = computed(() => countsFromDate(props.counting));
const units = computed(() =>
  isDate.value ? COUNT_UNITS.map((u) => ({ value: u, text: `${u}s` })) : [{ value: "year", text: "years" }],
);
/** From the least input to the greatest. */
const span = computed(() => {
  const x = props.columns.rows?.x ?? [];
  const least = x.reduce((m, v) => Math.min(m, v), Infinity);
  const greatest = x.reduce((m, v) => Math.max(m, v), -Infinity);
  return x.length === 0 ? "" : `${formatNumber(least)} … ${formatNumber(greatest)}`;
});
function recount(change: Partial<Counting>): void {
  const { table, x } = props.columns;
  const from = props.counting;
  if (table) store.apply({ kind: "recount", table: table.name, column: x, from, to: { ...from, ...change } });
}
</script>

<template>
  <p class="counting">
    {{ columns.x }} counts
    <EditText
      :value="counting.unit"
      label="Unit of counting"
      :options="units"
      @keep="recount({ unit: $event as CountUnit })"
      >{{ counting.unit }}s</EditText
    >
    since
    <EditText
      :value="counting.since"
      label="Start of counting"
      :check="(text) => startTrouble(text, counting)"
      @keep="recount({ since: $event.trim() })"
      >{{ sinceWords(counting.since) }}</EditText>. {{ isDate ? "Dates" : "Years" }} were turned into {{ columns.x }} =
    {{ span }}.
  </p>
</template>

<style scoped>
.counting {
  background: var(--ground);
  border-radius: 6px;
  padding: 0.5rem 0.7rem;
  font-size: 0.9rem;
  margin-top: 0.7rem;
  line-height: 1.5;
}
</style>
