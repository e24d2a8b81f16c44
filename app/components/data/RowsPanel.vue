<script setup lang="ts">
import { headShown, headTrouble, readHead } from "#core/data";
import type { CaseFile } from "#core/model";
import type { Columns } from "~/composables/useColumns";
import type { TableFileKind } from "~/composables/useTableFile";

/** The rows of the table that is shown, its name and columns, and what counts time in it. */
const props = defineProps<{ document: CaseFile; columns: Columns }>();
const emit = defineEmits<{ import: []; blank: [] }>();
const columns = props.columns;
const store = useCaseStore();
const toast = useToast();
const table = computed(() => columns.table!);

function rename(typed: string): void {
  const to = typed.trim();
  store.apply({ kind: "renameTable", from: table.value.name, to });
  columns.tableName = to;
}
function setColumn(j: number, text: string): void {
  const { name, unit } = readHead(text)!;
  const old = table.value.columns[j]!.name;
  store.apply({ kind: "setColumn", table: table.value.name, from: old, name, unit });
  if (columns.x === old) columns.x = name;
  if (columns.y === old) columns.y = name;
}
function remove(): void {
  const { name } = table.value;
  const needed = (props.document.functions ?? [])
    .filter((f) => f.by.kind === "fit" && f.by.data === name)
    .map((f) => f.name);
  store.apply({ kind: "removeTable", name });
  const broken = needed.length > 0 ? `${needed.join(", ")} needed it and cannot be worked out now. ` : "";
  toast.add({
    severity: broken ? "warn" : "info",
    summary: `${name} is deleted.`,
    detail: `${broken}Undo brings it back.`,
    life: 6000,
  });
}
const menu = useTemplateRef<{ toggle: (event: Event) => void }>("menu");
const kinds = [
  { label: "As CSV", command: () => save("csv") },
  { label: "As XLSX", command: () => save("xlsx") },
];
const files = useTableFile();
/** The rows as they are kept, with all digits, under their names and units. */
function save(kind: TableFileKind): Promise<void> {
  const { name, columns: heads, rows } = table.value;
  return files.save(name, [heads.map((c) => headShown(c.name, c.unit)), ...rows], kind);
}
</script>

<template>
  <section class="panel table" aria-labelledby="rows-title">
    <div class="panel-head">
      <h2 id="rows-title" class="panel-title">
        <EditText
          plain
          :value="table.name"
          label="Name of the data"
          :check="(t) => (t.trim() ? null : 'Data need a name.')"
          @keep="rename"
        /><span class="panel-count">{{ table.rows.length.toLocaleString("en") }} rows</span>
      </h2>
      <Button link @click="emit('import')">Paste · File</Button>
    </div>
    <div v-if="columns.tables.length > 1" class="pick">
      Table
      <Select
        :model-value="table.name"
        size="small"
        aria-label="Table shown"
        :options="columns.tables.map((t) => t.name)"
        @update:model-value="columns.tableName = $event"
      />
    </div>
    <DataGrid :table="table" :index="columns.index" :reads="columns.reads"
      ><template #head="{ column: c, place: j }"
        ><EditText
          plain
          :value="c.unit ? `${c.name}, ${c.unit}` : c.name"
          :label="`Name and unit of column ${j + 1}`"
          :check="headTrouble"
          @keep="setColumn(j, $event)"
          >{{ headShown(c.name, c.unit) }}</EditText
        ></template
      ></DataGrid
    >
    <CountingNote v-if="columns.counting" :columns="columns" :counting="columns.counting" />
    <p v-if="columns.rows && columns.rows.skipped > 0" class="quiet">
      {{ columns.rows.skipped }} row{{ columns.rows.skipped === 1 ? " has" : "s have" }} no part in the fits.
    </p>
    <p class="foot">
      <Button link @click="emit('blank')">+ Table</Button
      ><Button link aria-haspopup="true" @click="menu?.toggle($event)">Save</Button
      ><Button link @click="remove">Delete</Button>
    </p>
    <Menu ref="menu" popup :model="kinds" />
  </section>
</template>

<style scoped>
.panel-count {
  text-transform: none;
}
.foot {
  display: flex;
  justify-content: space-between;
  margin-top: 0.7rem;
}
</style>
