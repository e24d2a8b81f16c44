<script setup lang="ts">
import { refDebounced } from "@vueuse/core";

/** A table of what was worked out; the first column names its rows, and a press on a heading sorts by it. */
export interface RowsTableRow {
  readonly key: string;
  /** `by` is what the cell is sorted by; without it its text */
  readonly cells: readonly { readonly text: string; readonly by?: number | string | null; readonly title?: string }[];
  readonly isBest?: boolean;
}
const props = withDefaults(
  defineProps<{
    columns: readonly string[];
    rows: readonly RowsTableRow[];
    /** said of the table to those who do not see it */
    label: string;
    sorts?: boolean;
    /** more rows than this are turned over page by page */
    page?: number;
    /** how high it may be before it scrolls by itself; "flex": as high as its place */
    height?: string;
    /** so many columns hold words, and begin at the left */
    words?: number;
    /** its first column stays where the others scroll */
    freezes?: boolean;
    /** its rows can be pointed at, and walked through by keys */
    points?: boolean;
  }>(),
  { sorts: true, page: 60, height: undefined, words: 1, freezes: false, points: false },
);
const emit = defineEmits<{ point: [key: string | null] }>();
/** Under a hand that drags the table waits until it rests, in ms: its cells cost more than all else in a frame. */
const REST = 120;
const calm = refDebounced(
  computed(() => ({ columns: props.columns, rows: props.rows })),
  REST,
);
const value = computed(() =>
  calm.value.rows.map((r) => ({ ...r, cells: r.cells.map((c) => ({ ...c, by: c.by === undefined ? c.text : c.by })) })),
);
/** A column that names its row is read out with every cell of it. */
const part = (j: number) => (j === 0 ? { bodyCell: { role: "rowheader" } } : {});
function pointable({ props: row }: { props: { rowData?: RowsTableRow } }) {
  if (!props.points || !row.rowData) return {};
  const { key } = row.rowData;
  const [on, off] = [() => emit("point", key), () => emit("point", null)];
  return { tabindex: 0, onMouseenter: on, onFocus: on, onMouseleave: off, onBlur: off };
}
</script>

<template>
  <DataTable
    class="rows-table"
    size="small"
    data-key="key"
    removable-sort
    :value="value"
    :row-class="(r: RowsTableRow) => ({ best: r.isBest })"
    :paginator="value.length > page"
    :rows="page"
    :scrollable="height !== undefined"
    :scroll-height="height"
    :table-props="{ 'aria-label': label }"
    :pt="{ tableContainer: { tabindex: '0', role: 'group', 'aria-label': label }, bodyRow: pointable }"
  >
    <Column
      v-for="(c, j) in calm.columns"
      :key="j"
      :header="c"
      :sort-field="`cells.${j}.by`"
      :sortable="sorts"
      :frozen="freezes && j === 0"
      :header-class="j < words ? 'word' : undefined"
      :body-class="j < words ? 'word' : undefined"
      :pt="part(j)"
    >
      <template #body="{ data }: { data: RowsTableRow }">
        <slot name="cell" :row="data" :column="j">
          <span :title="data.cells[j]!.title">{{ data.cells[j]!.text }}</span>
        </slot>
      </template>
    </Column>
  </DataTable>
</template>

<style>
.rows-table {
  font-size: 0.92rem;
}
.rows-table :is(th, td) {
  text-align: right;
  padding: 5px 8px;
  border-width: 0 0 1px;
  background: none;
}
.rows-table td {
  white-space: nowrap;
}
.rows-table .p-datatable-sort-icon {
  margin-left: 0.3rem;
}
.rows-table :is(th, td).word {
  text-align: left;
  white-space: normal;
}
.rows-table :is(th, td):first-child {
  padding-left: 2px;
}
.rows-table th {
  font-size: 0.85rem;
}
.rows-table .p-datatable-column-header-content {
  justify-content: flex-end;
  gap: 0;
  color: var(--ink-2);
  font-weight: 600;
}
.rows-table th.word .p-datatable-column-header-content {
  justify-content: flex-start;
}
.rows-table .p-datatable-frozen-column {
  background: var(--paper);
}
/* The sign of sorting is there when it says something, or when somebody is about to sort. */
.rows-table th[aria-sort="none"]:not(:hover, :focus-visible) .p-datatable-sort-icon {
  display: none;
}
.rows-table .best td {
  background: var(--amber-soft);
  font-weight: 700;
}
</style>
