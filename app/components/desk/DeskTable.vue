<script setup lang="ts">
import { cellsText } from "#core/data";
import { MAX_ROWS } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { RowsTableRow } from "~/components/common/RowsTable.vue";
import type { TableFileKind } from "~/composables/useTableFile";
import type { ValueLine } from "~/composables/useValueTable";

/** The table of values beside the graph: its rows can be put on the graph, and opened where a sign changes. */
const props = defineProps<{
  document: CaseFile;
  variable: string;
  /** inputs whose rows stand on the graph */
  shown: readonly number[];
}>();
const emit = defineEmits<{ show: [inputs: number[]]; close: [] }>();
/** It is opened by a press elsewhere, and its keys are at hand at once. */
const home = useTemplateRef<HTMLElement>("home");
onActivated(() => home.value?.focus());
const columns = useTemplateRef<{ toggle: (event: Event) => void }>("columns");
const more = useTemplateRef<{ toggle: (event: Event) => void }>("more");
const table = useValueTable(
  () => props.document,
  () => props.variable,
);
const { functions, chosen, way, step, own, opened, asked, rows, header, lines } = table;

const lineOf = (row: RowsTableRow) => row as ValueLine;
const isShown = (row: RowsTableRow) => props.shown.includes(lineOf(row).line.input);
function turnShown(row: RowsTableRow): void {
  const { input } = lineOf(row).line;
  emit("show", isShown(row) ? props.shown.filter((x) => x !== input) : [...props.shown, input]);
}
const changes = (row: RowsTableRow, column: number) => lineOf(row).line.changes[column - 1];

/** More rows than this would cover the curves. */
const MOST_SHOWN = 60;
const ways = computed(() => [
  {
    label: "All rows on the graph",
    disabled: rows.value.length === 0 || rows.value.length > MOST_SHOWN,
    command: () => {
      emit(
        "show",
        rows.value.map((r) => r.input),
      );
    },
  },
  {
    label: "No rows on the graph",
    disabled: props.shown.length === 0,
    command: () => {
      emit("show", []);
    },
  },
  { label: "Copy with tabs", command: () => copy("\t") },
  { label: "Copy as CSV", command: () => copy(",") },
  { label: "Save as CSV", command: () => save("csv") },
  { label: "Save as XLSX", command: () => save("xlsx") },
]);
const copying = useCopying();
const copy = (separator: "\t" | ",") =>
  copying.copy(cellsText(table.cells(), separator), `${rows.value.length} rows are copied.`);
const files = useTableFile();
const save = (kind: TableFileKind) => files.save(`${props.document.title} values`, table.cells(), kind);
</script>

<template>
  <section ref="home" class="values" tabindex="-1" aria-labelledby="table-title" @keydown.esc.stop="emit('close')">
    <div class="panel-head">
      <h2 id="table-title" class="panel-title">Table of values</h2>
      <div class="tools">
        <Button link aria-haspopup="true" @click="columns?.toggle($event)">Columns</Button>
        <Button link aria-haspopup="true" @click="more?.toggle($event)">Rows</Button>
        <Button link @click="emit('close')">Close</Button>
      </div>
    </div>
    <p v-if="way === 'step'" class="inputs">
      {{ variable }} from <InputText v-model="step.from" size="small" aria-label="Start" /> to
      <InputText v-model="step.to" size="small" aria-label="End" /> by
      <InputText v-model="step.by" size="small" aria-label="Step" />
      <Button link @click="way = 'own'">own inputs</Button>
    </p>
    <p v-else class="inputs">
      {{ variable }} at
      <InputText v-model="own" size="small" class="long" aria-label="Own inputs" placeholder="1; 7/3" />
      <Button link @click="way = 'step'">by steps</Button>
    </p>
    <ProblemNote v-if="asked.wrong" role="alert" :text="asked.wrong" />
    <ProblemNote v-else-if="rows.length >= MAX_ROWS">Only the first {{ MAX_ROWS }} rows are shown.</ProblemNote>
    <p v-if="opened.length > 0" class="quiet">
      Rows in between are shown. <Button link @click="opened = []">Without them</Button>
    </p>
    <RowsTable label="Table of values" height="flex" freezes :page="MAX_ROWS" :columns="header" :rows="lines">
      <template #cell="{ row, column }">
        <span v-if="column === 0" class="name">
          <Checkbox
            binary
            size="small"
            :model-value="isShown(row)"
            :aria-label="`Show the row ${row.cells[0]!.text} on the graph`"
            @update:model-value="turnShown(row)"
          /><b>{{ row.cells[0]!.text }}</b>
        </span>
        <span v-else :class="{ greatest: lineOf(row).line.greatest[column - 1], change: changes(row, column) }">
          {{ row.cells[column]!.text
          }}<span v-if="lineOf(row).line.greatest[column - 1]" class="tag">greatest row</span>
          <Button
            v-if="changes(row, column) && lineOf(row).opens"
            link
            class="open"
            title="Shows the rows between this one and the next"
            @click="table.open(lineOf(row))"
            >sign changes below: open</Button
          ><span v-else-if="changes(row, column)" class="tag">sign changes below</span>
        </span>
      </template>
    </RowsTable>
    <Popover ref="columns" aria-label="Columns of the table">
      <label v-for="f in functions" :key="f.name" class="column"
        ><Checkbox
          binary
          size="small"
          :model-value="chosen.includes(f.name)"
          @update:model-value="table.turn(f.name)"
        />
        <NameShown :name="f.name" /> <span v-if="f.label" class="quiet">{{ f.label }}</span></label
      >
    </Popover>
    <Menu ref="more" popup :model="ways" />
  </section>
</template>

<style scoped>
.values {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  padding: 0.85rem 0.6rem 0.4rem 0.95rem;
  background: var(--paper);
}
.values:focus-visible {
  outline-offset: -2px;
}
.panel-head {
  margin-bottom: 0.3rem;
}
.tools {
  display: flex;
  gap: 1rem;
}
.inputs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: baseline;
  margin-bottom: 0.4rem;
  font-size: 0.92rem;
}
.inputs input {
  width: 4.2rem;
}
.inputs .long {
  flex: 1;
  min-width: 8rem;
}
.values :deep(.rows-table) {
  flex: 1;
  min-height: 8rem;
}
.name {
  display: inline-flex;
  gap: 0.6rem;
  align-items: center;
}
.column {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  padding: 2px 0;
}
.greatest {
  background: var(--jade-soft);
  padding: 3px 6px;
  border-radius: 4px;
}
.change {
  border-bottom: 2px solid var(--jade);
}
.open {
  margin-left: 0.6rem;
}
.tag {
  font-size: 0.75rem;
  color: var(--ink-2);
  margin-left: 0.6rem;
}
</style>
