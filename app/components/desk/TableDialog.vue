<script setup lang="ts">
import { buildModel, readAmount, type CaseFile } from "#core/model";
import { MAX_ROWS, listedInputs, roundStep, steppedInputs, tableText, valueTable } from "#core/graph";
import { formatInput, formatQuantity, isPercent } from "#core/explain";
import { toDouble } from "#core/numeric";
import type { RowsTableRow } from "~/components/common/RowsTable.vue";

const props = defineProps<{ document: CaseFile; variable: string; rows: readonly number[] }>();
const emit = defineEmits<{ rows: [inputs: number[]] }>();
const visible = defineModel<boolean>("visible", { required: true });
const toast = useToast();

const model = computed(() => buildModel(props.document));
const functions = computed(() =>
  [...model.value.functions.values()].filter((f) => f.of === props.variable && !f.trouble),
);
const input = computed(() => model.value.variables.get(props.variable)?.unit ?? null);
const chosen = ref<string[]>([]);
const way = ref<"step" | "own">("step");
const from = ref("0");
const to = ref("10");
const step = ref("1");
const own = ref("");

function opened(): void {
  chosen.value = functions.value.map((f) => f.name);
  const v = model.value.variables.get(props.variable);
  const [lo, hi] = [v?.from ? toDouble(v.from) : 0, v?.to ? toDouble(v.to) : (v?.from ? toDouble(v.from) : 0) + 10];
  // A rate or a share is written as it was typed, in percent.
  const written = (x: number) => (isPercent(input.value) ? `${Number((x * 100).toPrecision(12))}%` : String(x));
  from.value = written(lo);
  to.value = written(hi);
  step.value = written(v?.whole ? Math.max(1, roundStep(hi - lo, 16)) : roundStep(hi - lo, 16));
}
watch(
  visible,
  (now) => {
    if (now) opened();
  },
  { immediate: true },
);
const inputs = computed((): { inputs: ReturnType<typeof steppedInputs>; wrong: string | null } => {
  if (way.value === "own") {
    const r = listedInputs(own.value, model.value);
    return {
      inputs: r.inputs,
      wrong: r.wrong === null ? null : `“${r.wrong}” is no number; fractions such as 7/3 are.`,
    };
  }
  const read = [from, to, step].map((r) => readAmount(r.value.trim(), model.value.names));
  const bad = read.find((r) => !r.ok);
  if (bad && !bad.ok) return { inputs: [], wrong: bad.problem.message };
  const [a, b, s] = read.map((r) => (r.ok ? r.exact : null)) as [
    ReturnType<typeof steppedInputs>[number],
    ReturnType<typeof steppedInputs>[number],
    ReturnType<typeof steppedInputs>[number],
  ];
  if (s.compare(0) <= 0) return { inputs: [], wrong: "The step should be above 0." };
  if (a.compare(b) > 0) return { inputs: [], wrong: "The start lies after the end." };
  return { inputs: steppedInputs(a, b, s), wrong: null };
});
const listed = computed(() => (visible.value ? valueTable(model.value, chosen.value, inputs.value.inputs) : []));
const unitOf = (name: string) => model.value.functions.get(name)?.unit ?? null;
const inputUnit = computed(() => model.value.variables.get(props.variable)?.unit?.text ?? "");
const header = computed(() => [
  `${props.variable}${inputUnit.value ? ` (${inputUnit.value})` : ""}`,
  ...chosen.value.map((n) => `${n}${unitOf(n)?.text ? ` (${unitOf(n)!.text})` : ""}`),
]);
interface Line extends RowsTableRow {
  readonly line: (typeof listed.value)[number];
}
const tableRows = computed(() =>
  listed.value.map((r, i): Line => ({
    key: String(i),
    line: r,
    cells: [
      { text: formatInput(r.input, input.value, 8), by: r.input },
      ...r.values.map((y, k) => ({
        text: y === null ? "no value" : formatQuantity(y, unitOf(chosen.value[k]!), 8),
        by: y,
      })),
    ],
  })),
);
const lineOf = (row: RowsTableRow) => (row as Line).line;
const onGraph = (input: number) => props.rows.includes(input);
function toggle(input: number): void {
  emit("rows", onGraph(input) ? props.rows.filter((x) => x !== input) : [...props.rows, input]);
}
async function copy(separator: "\t" | ","): Promise<void> {
  try {
    await navigator.clipboard.writeText(tableText(header.value, listed.value, separator));
    toast.add({ severity: "info", summary: `${listed.value.length} rows are copied.`, life: 2500 });
  } catch {
    toast.add({ severity: "warn", summary: "The browser does not allow copying here.", life: 4000 });
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Table of values" :style="{ width: '68rem', maxWidth: '96vw' }">
    <div class="choose">
      <fieldset>
        <legend class="panel-title">Functions</legend>
        <label v-for="f in functions" :key="f.name"
          ><Checkbox v-model="chosen" size="small" :value="f.name" /> {{ f.name
          }}<span v-if="f.label" class="quiet"> {{ f.label }}</span></label
        >
      </fieldset>
      <fieldset>
        <legend class="panel-title">Inputs</legend>
        <label
          ><RadioButton v-model="way" size="small" value="step" name="way" /> from
          <InputText v-model="from" size="small" class="short" aria-label="Start" /> to
          <InputText v-model="to" size="small" class="short" aria-label="End" /> by
          <InputText v-model="step" size="small" class="short" aria-label="Step"
        /></label>
        <label
          ><RadioButton v-model="way" size="small" value="own" name="way" /> my own
          <InputText
            v-model="own"
            size="small"
            class="long"
            aria-label="Own inputs"
            placeholder="1; 7/3; 12.5"
            @focus="way = 'own'"
        /></label>
        <p v-if="inputs.wrong" class="problem" role="alert"><PlainText :text="inputs.wrong" /></p>
        <p v-else-if="inputs.inputs.length >= MAX_ROWS" class="problem">
          Only the first {{ MAX_ROWS }} rows are shown.
        </p>
      </fieldset>
    </div>
    <RowsTable label="Table of values" height="24rem" :page="MAX_ROWS" :columns="header" :rows="tableRows">
      <template #cell="{ row, column }">
        <template v-if="column === 0">
          <Checkbox
            binary
            size="small"
            class="pick"
            :model-value="onGraph(lineOf(row).input)"
            :aria-label="`Show the row ${row.cells[0]!.text} on the graph`"
            @update:model-value="toggle(lineOf(row).input)"
          /><b>{{ row.cells[0]!.text }}</b>
        </template>
        <span v-else :class="{ greatest: lineOf(row).greatest[column - 1], change: lineOf(row).changes[column - 1] }">
          {{ row.cells[column]!.text }}<span v-if="lineOf(row).greatest[column - 1]" class="tag">greatest row</span
          ><span v-if="lineOf(row).changes[column - 1]" class="tag">sign changes below</span>
        </span>
      </template>
    </RowsTable>
    <div class="ways">
      <Button
        v-if="listed.length > 0 && listed.length <= 60"
        label="All rows on the graph"
        size="small"
        severity="secondary"
        outlined
        @click="
          emit(
            'rows',
            listed.map((r) => r.input),
          )
        "
      /><Button
        v-if="rows.length > 0"
        label="No rows on the graph"
        size="small"
        severity="secondary"
        outlined
        @click="emit('rows', [])"
      /><Button label="Copy with tabs" size="small" @click="copy('\t')" /><Button
        label="Copy as CSV"
        size="small"
        severity="secondary"
        @click="copy(',')"
      />
    </div>
  </Dialog>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 1.2rem;
  margin-bottom: 0.8rem;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.35rem;
  align-content: start;
}
legend {
  margin-bottom: 0.3rem;
}
.short {
  width: 5.5rem;
}
.long {
  width: 16rem;
}
.greatest {
  background: var(--jade-soft);
  padding: 3px 6px;
  border-radius: 4px;
}
label .quiet {
  margin-left: 0.35rem;
}
.change {
  border-bottom: 2px solid var(--jade);
}
.tag {
  font-size: 0.75rem;
  color: var(--ink-2);
  margin-left: 0.6rem;
}
.pick {
  margin-right: 0.7rem;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.7rem;
  margin-top: 0.9rem;
}
</style>
