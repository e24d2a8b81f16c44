<script setup lang="ts">
import { cellShown } from "#core/explain";
import type { DataTable } from "#core/model";

/**
 * The rows of a table, written by keys as in a sheet: arrows move, typing replaces, Enter goes down, Tab to the right,
 * Delete empties. The library's table draws only the rows in sight.
 */
const props = defineProps<{ table: DataTable; index: number; reads: (x: number) => string | null }>();
const store = useCaseStore();
const HEIGHT = 32;
/** Room for the heading. */
const HEAD = 33;
/** Frames to wait for a row that comes into sight. */
const PATIENCE = 30;
const home = useTemplateRef<HTMLElement>("home");
const asked = ref<number | null>(null);
const { at, count, editing, wrong, go, edit, keep, key, paste } = useGrid(() => props.table, stand);

interface GridRow {
  readonly i: number;
}
const lines = computed((): GridRow[] => Array.from({ length: count.value }, (_, i) => ({ i })));
const height = computed(() => `min(58vh, 520px, ${Math.max(4, count.value) * HEIGHT + HEAD}px)`);
const left = computed(() => new Map((props.table.left ?? []).map((l) => [l.row, l.reason ?? ""])));
const shown = (row: number, j: number) => cellShown(props.table.rows[row]?.[j], props.table.columns[j]?.unit);
/** The date that an input in the first column stands for, after `before`; empty where it stands for none. */
function dateAt(row: number, j: number, before = ""): string {
  const v = j === 0 ? props.table.rows[row]?.[0] : null;
  const date = v === null || v === undefined ? null : props.reads(v);
  return date === null ? "" : `${before}${date}`;
}
const isHere = (row: number, j: number) => at.row === row && at.column === j;

/** What a cell is to those who do not see it, and to the keys. */
const cellParts = (j: number) => ({
  bodyCell: ({ parent }: { parent: { props: { rowData: GridRow } } }) => {
    const { i } = parent.props.rowData;
    return {
      role: "gridcell",
      class: ["box", { here: isHere(i, j) }],
      "data-cell": `${i}:${j}`,
      tabindex: isHere(i, j) ? 0 : -1,
      "aria-label": `${props.table.columns[j]!.name} of row ${i + 1}: ${shown(i, j) || "empty"}${dateAt(i, j, ", ")}`,
      title: dateAt(i, j) || undefined,
      onClick: () => !(editing.value !== null && isHere(i, j)) && go(i, j),
      onDblclick: () => edit(),
    };
  },
});

/** Brings a row into sight, and the focus to its cell, which may not be drawn yet. */
async function stand(row: number, column: number): Promise<void> {
  const box = home.value?.querySelector<HTMLElement>(".p-virtualscroller");
  if (box) {
    const [top, room] = [row * HEIGHT, box.clientHeight - HEAD];
    box.scrollTop = Math.max(top + HEIGHT - room, Math.min(top, box.scrollTop));
  }
  for (let frame = 0; frame < PATIENCE && isHere(row, column); frame++) {
    await nextTick();
    const cell = home.value?.querySelector<HTMLElement>(`[data-cell="${row}:${column}"]`);
    if (cell) return cell.focus();
    // Keys that are pressed meanwhile are still the table's.
    home.value?.focus();
    await new Promise(requestAnimationFrame);
  }
}
watch(editing, async (now, before) => {
  if (now === null || before !== null) return;
  await nextTick();
  const field = home.value?.querySelector<HTMLInputElement>("input.cell");
  field?.focus();
  field?.setSelectionRange(now.length, now.length);
});
function pick(row: number): void {
  if (left.value.has(row)) store.apply({ kind: "useRow", table: props.table.name, row });
  else asked.value = row;
}
const dotTitle = (i: number) =>
  left.value.has(i)
    ? `Left out${left.value.get(i) ? `: ${left.value.get(i)}` : ""}. Use it again`
    : "Leave this row out";
defineExpose({ focus: () => go(0, 0) });
</script>

<template>
  <div class="holder">
    <div ref="home" class="grid" tabindex="-1" @keydown="key" @paste="paste">
      <DataTable
        class="data-grid"
        size="small"
        data-key="i"
        scrollable
        :value="lines"
        :scroll-height="height"
        :virtual-scroller-options="{ itemSize: HEIGHT, numToleratedItems: 12 }"
        :row-class="({ i }: GridRow) => ({ left: left.has(i) })"
        :table-props="{
          role: 'grid',
          'aria-label': `Rows of ${table.name}`,
          'aria-rowcount': count,
          'aria-colcount': table.columns.length + 1,
        }"
        :pt="{ virtualScroller: { root: { tabindex: '-1' } } }"
      >
        <Column header-class="use" :pt="{ bodyCell: { role: 'gridcell', class: 'use' } }">
          <template #header><span class="sr-only">Used</span></template>
          <template #body="{ data: { i } }: { data: GridRow }">
            <Button
              v-if="i < table.rows.length"
              text
              class="dot"
              :class="{ off: left.has(i) }"
              :title="dotTitle(i)"
              :aria-label="left.has(i) ? `Use row ${i + 1} again` : `Leave out row ${i + 1}`"
              tabindex="-1"
              @click="pick(i)"
            />
          </template>
        </Column>
        <Column v-for="(c, j) in table.columns" :key="`${j} ${c.name}`" :pt="cellParts(j)">
          <template #header
            ><slot name="head" :column="c" :place="j">{{ c.name }}</slot></template
          >
          <template #body="{ data: { i } }: { data: GridRow }">
            <InputText
              v-if="editing !== null && isHere(i, j)"
              v-model="editing"
              class="cell"
              :aria-label="`${c.name} of row ${i + 1}`"
              :aria-invalid="wrong !== null"
              @blur="keep()"
            />
            <template v-else>{{ shown(i, j) }}</template>
          </template>
        </Column>
      </DataTable>
    </div>
    <ProblemNote v-if="wrong" role="alert" :text="wrong" />
    <LeftRows v-model:asked="asked" :table="table" />
  </div>
</template>

<style src="./dataGrid.css" />
