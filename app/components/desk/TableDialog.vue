<script setup lang="ts">
import { buildModel, readAmount, type CaseFile } from "#core/model";
import { MAX_ROWS, listedInputs, roundStep, steppedInputs, tableText, valueTable } from "#core/graph";
import { formatInput, formatQuantity, isPercent } from "#core/explain";
import { toDouble } from "#core/numeric";

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

watch(visible, (now) => {
  if (!now) return;
  chosen.value = functions.value.map((f) => f.name);
  const v = model.value.variables.get(props.variable);
  const [lo, hi] = [v?.from ? toDouble(v.from) : 0, v?.to ? toDouble(v.to) : (v?.from ? toDouble(v.from) : 0) + 10];
  // A rate or a share is written as it was typed, in percent.
  const written = (x: number) => (isPercent(input.value) ? `${Number((x * 100).toPrecision(12))}%` : String(x));
  from.value = written(lo);
  to.value = written(hi);
  step.value = written(v?.whole ? Math.max(1, roundStep(hi - lo, 16)) : roundStep(hi - lo, 16));
});
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
          ><input v-model="chosen" type="checkbox" :value="f.name" /> {{ f.name
          }}<span v-if="f.label" class="quiet"> {{ f.label }}</span></label
        >
      </fieldset>
      <fieldset>
        <legend class="panel-title">Inputs</legend>
        <label
          ><input v-model="way" type="radio" value="step" name="way" /> from
          <input v-model="from" type="text" aria-label="Start" size="6" /> to
          <input v-model="to" type="text" aria-label="End" size="6" /> by
          <input v-model="step" type="text" aria-label="Step" size="6"
        /></label>
        <label
          ><input v-model="way" type="radio" value="own" name="way" /> my own
          <input
            v-model="own"
            type="text"
            aria-label="Own inputs"
            placeholder="1; 7/3; 12.5"
            size="26"
            @focus="way = 'own'"
        /></label>
        <p v-if="inputs.wrong" class="problem" role="alert"><PlainText :text="inputs.wrong" /></p>
        <p v-else-if="inputs.inputs.length >= MAX_ROWS" class="problem">
          Only the first {{ MAX_ROWS }} rows are shown.
        </p>
      </fieldset>
    </div>
    <div class="scroll" tabindex="0" role="group" aria-label="Table of values">
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="sr-only">on the graph</span></th>
            <th v-for="h in header" :key="h" scope="col">{{ h }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in listed" :key="i">
            <td class="pick">
              <input
                type="checkbox"
                :checked="onGraph(r.input)"
                :aria-label="`Show the row ${formatInput(r.input, input, 8)} on the graph`"
                @change="toggle(r.input)"
              />
            </td>
            <th scope="row">{{ formatInput(r.input, input, 8) }}</th>
            <td v-for="(y, k) in r.values" :key="k" :class="{ best: r.greatest[k], change: r.changes[k] }">
              {{ y === null ? "no value" : formatQuantity(y, unitOf(chosen[k]!), 8)
              }}<span v-if="r.greatest[k]" class="tag">greatest row</span
              ><span v-if="r.changes[k]" class="tag">sign changes below</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
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
input[type="text"] {
  font: inherit;
  color: inherit;
  background: var(--paper);
  border: 1px solid var(--ink-3);
  border-radius: 4px;
  padding: 1px 5px;
}
.scroll {
  max-height: 24rem;
  overflow: auto;
  border: 1px solid var(--hairline);
  border-radius: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--ground);
  font-weight: 600;
}
th,
td {
  text-align: right;
  padding: 4px 12px;
  border-bottom: 1px solid var(--hairline);
  white-space: nowrap;
}
tbody th {
  font-weight: 600;
}
.best {
  background: var(--jade-soft);
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
  width: 2rem;
  text-align: center;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.7rem;
  margin-top: 0.9rem;
}
</style>
