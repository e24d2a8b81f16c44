<script setup lang="ts">
import { freeName, namesTaken } from "#core/data";
import type { CaseFile } from "#core/model";
import type ImportDialog from "./ImportDialog.vue";

/** The Data view: a table, its graph and its models side by side. */
const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ used: [name: string] }>();
const store = useCaseStore();
const source = computed(() => props.document);
const givens = computed(() => (props.document.givens ?? []).map((g) => [g.name, g.value] as const));

const columns = reactive(useColumns(source));
const models = reactive(useModels(columns, givens));
const split = useSplit(
  computed(() => columns.rows),
  computed(() => models.suggested),
  computed(() => columns.x),
  givens,
);
watch([() => columns.index, () => columns.tables.length, () => columns.x, () => columns.y], () => {
  split.at.value = null;
});
const made = reactive(useFunctionOfData(source, columns, models, split, (name) => emit("used", name)));

// ---- from elsewhere, and by hand
const importDialog = ref(false);
const importer = useTemplateRef<InstanceType<typeof ImportDialog>>("importer");
function blank(): void {
  const name = freeName("readings", props.document);
  const isVariable = (props.document.variables ?? []).some((v) => v.name === "x");
  const input = namesTaken(props.document).has("x") && !isVariable ? "u" : "x";
  store.apply({ kind: "beginTable", name, columns: [input, "y"] });
  columns.tableName = name;
}
/** A table from elsewhere: what was understood of it is shown before it is kept. */
async function take(from: string | File): Promise<void> {
  importDialog.value = true;
  await nextTick();
  if (typeof from === "string") importer.value?.take(from);
  else importer.value?.takeFile(from);
}
/** The split among the models: one break is opened, to be moved and joined; three pieces are used at once. */
function takeSplit(): void {
  if (models.suggested.length > 1) made.useThree();
  else split.at.value = models.suggested[0] ?? null;
}
function show(table: string): void {
  columns.tableName = table;
}
defineExpose({ take, show });
</script>

<template>
  <main class="columns data">
    <ImportDialog
      ref="importer"
      v-model:visible="importDialog"
      :document="document"
      @kept="columns.tableName = $event"
    />
    <div v-if="!columns.table" class="empty">
      <h2>No data yet</h2>
      <p>
        Paste a table anywhere on this page, choose a file, or write rows by hand. A function fitted to it goes to the
        desk with all its digits.
      </p>
      <p class="ways">
        <Button label="Paste or choose a file" @click="importDialog = true" /><Button
          label="Write rows"
          severity="secondary"
          outlined
          @click="blank"
        />
      </p>
    </div>
    <template v-else>
      <RowsPanel :document="document" :columns="columns" @import="importDialog = true" @blank="blank" />
      <DataMiddle :columns="columns" :models="models" :split="split" :made="made" />
      <ModelsPanel :document="document" :columns="columns" :models="models" :made="made" @split="takeSplit" />
    </template>
  </main>
</template>

<style scoped>
.data {
  --columns: 268px minmax(0, 1fr) 372px;
}
.table,
.models {
  overflow-y: auto;
}
.empty {
  grid-column: 1 / -1;
  padding: 4rem 1.5rem;
  display: grid;
  gap: 0.8rem;
  justify-items: center;
  align-content: start;
  text-align: center;
}
.empty p {
  max-width: 34rem;
}
.ways {
  display: flex;
  gap: 0.7rem;
  flex-wrap: wrap;
  justify-content: center;
}
@media (max-width: 1050px) {
  .table,
  .models {
    overflow: visible;
  }
  .middle {
    min-height: 460px;
    order: -1;
  }
}
</style>
