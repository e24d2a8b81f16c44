<script setup lang="ts">
import { isoOf } from "#core/calendar";
import { headShown, type ReadTable } from "#core/data";
import { formatNumber } from "#core/explain";

/** What was understood of a pasted table: its columns, what is no number in it, and its first rows. */
const props = defineProps<{ read: ReadTable }>();
const shown = (value: number | null, j: number) => {
  if (value === null) return "–";
  const c = props.read.columns[j]!;
  if (c.kind === "date") return isoOf(value);
  return c.kind === "year"
    ? String(value)
    : c.unit?.startsWith("%")
      ? `${formatNumber(value * 100)} %`
      : formatNumber(value, 10);
};
const heads = computed(() => props.read.columns.map((c) => headShown(c.name, c.unit)));
/** So many rows tell how a table was understood. */
const FIRST = 6;
const firstRows = computed(() =>
  props.read.rows.slice(0, FIRST).map((r, i) => ({ key: String(i), cells: r.map((v, j) => ({ text: shown(v, j) })) })),
);
const isOdd = (i: number, j: number) => props.read.odd.some((o) => o.row === i && o.column === j);
const KINDS = { number: "numbers", date: "dates", year: "years", text: "words, left out" } as const;
</script>

<template>
  <p class="what" role="status">
    {{ read.rows.length.toLocaleString("en") }} rows{{ read.header ? " under a header" : ", no header" }}:
    {{ read.columns.map((c) => `${headShown(c.name, c.unit).replace(",", " in")} (${KINDS[c.kind]})`).join(", ") }}.{{
      read.missing > 0 ? ` ${read.missing} empty cell${read.missing === 1 ? "" : "s"}.` : ""
    }}
  </p>
  <p v-for="n in read.notes" :key="n" class="quiet">{{ n }}</p>
  <ProblemNote v-if="read.odd.length > 0">
    Not a number, and left empty:
    {{
      read.odd
        .slice(0, 8)
        .map((o) => `“${o.text}” in row ${o.row + 1}, ${read.columns[o.column]!.name}`)
        .join("; ")
    }}{{ read.odd.length > 8 ? ` and ${read.odd.length - 8} more` : "" }}.
  </ProblemNote>
  <RowsTable label="How it was understood" height="12rem" :sorts="false" :columns="heads" :rows="firstRows">
    <template #cell="{ row, column }">
      <span :class="{ odd: isOdd(Number(row.key), column) }">{{ row.cells[column]!.text }}</span>
    </template>
  </RowsTable>
  <p v-if="read.rows.length > FIRST" class="quiet">and {{ (read.rows.length - FIRST).toLocaleString("en") }} more</p>
</template>

<style scoped>
.odd {
  background: var(--brick-soft);
}
</style>
