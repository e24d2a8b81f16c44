<script setup lang="ts">
import { analyse } from "#core/question";
import { buildModel, type CaseFile, type Ends, type FunctionRow, type PieceRow, type Question } from "#core/model";
import { picture } from "#core/graph";
import { stepForm } from "#core/story";
import { freshId } from "#core/entry";
import { resolve } from "#core/formula";

/**
 * A function by pieces: each row its formula and its ends, who owns each break, a small picture, and the same written
 * with unit steps.
 */
const props = defineProps<{ document: CaseFile; edited: string | null }>();
const visible = defineModel<boolean>("visible", { required: true });
const store = useCaseStore();
interface Row {
  text: string;
  from: string;
  to: string;
  low: boolean;
  high: boolean;
}
const rows = ref<Row[]>([]);
const name = ref("");
const of = ref("");
const before = computed(() => props.document.functions?.find((f) => f.name === props.edited) ?? null);

watch(
  visible,
  (now) => {
    if (!now) return;
    const f = before.value;
    name.value = f?.name ?? freeName();
    of.value = f?.of ?? props.document.variables?.[0]?.name ?? "x";
    const v = props.document.variables?.find((r) => r.name === of.value);
    const pieces: PieceRow[] =
      f?.by.kind === "pieces"
        ? [...f.by.pieces]
        : f?.by.kind === "formula"
          ? [{ text: f.by.text }]
          : [
              { text: "", from: v?.from, to: "" },
              { text: "", from: "", to: v?.to },
            ];
    rows.value = pieces.map(rowOf);
  },
  { immediate: true },
);
function freeName(): string {
  const taken = new Set(
    [...(props.document.functions ?? []), ...(props.document.givens ?? []), ...(props.document.variables ?? [])].map(
      (r) => r.name,
    ),
  );
  return ["v", "f", "g", "h", "u", "w"].find((n) => !taken.has(n)) ?? "f_2";
}
function rowOf(p: PieceRow): Row {
  const ends = p.ends ?? "[]";
  return {
    text: p.text,
    from: p.from === undefined ? "" : String(p.from),
    to: p.to === undefined ? "" : String(p.to),
    low: ends.startsWith("["),
    high: ends.endsWith("]"),
  };
}
const number = (t: string) => (/^-?\d+(?:\.\d+)?$/.test(t.trim()) ? Number(t) : t.trim());
const pieces = computed((): PieceRow[] =>
  rows.value.map((r) => ({
    text: r.text.trim(),
    ...(r.from.trim() === "" ? {} : { from: number(r.from) }),
    ...(r.to.trim() === "" ? {} : { to: number(r.to) }),
    ...(r.low && r.high ? {} : { ends: `${r.low ? "[" : "("}${r.high ? "]" : ")"}` as Ends }),
  })),
);
const row = computed((): FunctionRow => ({
  ...(before.value ?? {}),
  name: name.value.trim(),
  of: of.value,
  by: { kind: "pieces", pieces: pieces.value },
}));
const tried = computed((): CaseFile => {
  const others = (props.document.functions ?? []).filter((f) => f.name !== props.edited);
  const at = props.document.functions?.findIndex((f) => f.name === props.edited) ?? -1;
  return {
    ...props.document,
    functions: at < 0 ? [...others, row.value] : [...others.slice(0, at), row.value, ...others.slice(at)],
    questions: [],
  };
});
const index = computed(() => tried.value.functions!.findIndex((f) => f.name === row.value.name));
const problems = computed(() => {
  if (!visible.value) return [];
  if (rows.value.length === 0) return ["Add a piece."];
  const empty = rows.value.findIndex((r) => r.text.trim() === "");
  if (empty >= 0) return [`Piece ${empty + 1} has no formula yet.`];
  return [
    ...new Set(
      buildModel(tried.value)
        .errors.filter((e) => e.path.startsWith(`functions[${index.value}]`))
        .map((e) => e.message),
    ),
  ];
});
const notes = computed(() =>
  visible.value && problems.value.length === 0
    ? buildModel(tried.value)
        .warnings.filter((w) => w.path.startsWith(`functions[${index.value}]`))
        .map((w) => w.message)
    : [],
);
const step = computed(() => stepForm(pieces.value, of.value));

const drawing = computed(() =>
  visible.value && problems.value.length === 0
    ? picture(
        analyse({
          ...tried.value,
          functions: tried.value.functions!.map((f) => ({ ...f, shown: f.name === row.value.name })),
        }),
        { variable: of.value },
      )
    : null,
);

function add(): void {
  const last = rows.value.at(-1);
  rows.value.push({ text: "", from: last?.to ?? "", to: "", low: true, high: true });
  if (last && last.to !== "") last.high = false;
}
/** A break has one owner: giving it to one side takes it from the other. */
function own(i: number, side: "low" | "high"): void {
  const r = rows.value[i]!;
  r[side] = !r[side];
  const other = side === "low" ? rows.value[i - 1] : rows.value[i + 1];
  if (!other) return;
  if (side === "low" && other.to.trim() === r.from.trim()) other.high = !r.low;
  if (side === "high" && other.from.trim() === r.to.trim()) other.low = !r.high;
}
function keep(): void {
  if (problems.value.length > 0) return;
  store.apply({ kind: "putFunction", row: row.value, before: before.value?.name ?? null });
  visible.value = false;
}
function asSteps(): void {
  if (!step.value.ok || problems.value.length > 0) return;
  const taken = new Set(tried.value.functions!.map((f) => f.name));
  const other = [`${row.value.name}_s`, `${row.value.name}_step`].find((n) => !taken.has(n)) ?? `${row.value.name}_s2`;
  const twin: FunctionRow = {
    name: other,
    of: of.value,
    ...(before.value?.unit ? { unit: before.value.unit } : {}),
    label: `${row.value.name} with unit steps`,
    by: { kind: "formula", text: step.value.text },
  };
  const question: Question = { id: freshId(props.document), ask: "meet", functions: [row.value.name, other] };
  store.apply({ kind: "putTwin", row: row.value, before: before.value?.name ?? null, twin, question });
  visible.value = false;
}
const bad = (text: string) =>
  text.trim() !== "" && resolve(text, { ...buildModel(tried.value).names, variable: of.value }).expression === null;
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="before ? `Pieces of ${before.name}` : 'A function by pieces'"
    :style="{ width: '44rem', maxWidth: '96vw' }"
  >
    <div class="pieces">
      <div class="line">
        <label
          >Name
          <InputText
            v-model="name"
            :disabled="before !== null"
            size="small"
            aria-label="Name of the function"
            class="short"
        /></label>
        <span
          >of
          <Select
            v-model="of"
            size="small"
            aria-label="Variable"
            :disabled="before !== null"
            :options="(document.variables ?? []).map((v) => v.name)"
        /></span>
      </div>
      <ol>
        <li v-for="(r, i) in rows" :key="i">
          <InputText
            v-model="r.text"
            size="small"
            class="formula"
            :autofocus="i === 0"
            :aria-label="`Formula of piece ${i + 1}`"
            :invalid="bad(r.text)"
            placeholder="formula"
          />
          <InputText
            v-model="r.from"
            size="small"
            class="short"
            :aria-label="`Start of piece ${i + 1}`"
            placeholder="−∞"
          />
          <Button
            text
            class="owner"
            :aria-pressed="r.low"
            :aria-label="`Piece ${i + 1} owns its start`"
            :title="r.low ? 'owns its start' : 'does not own its start'"
            @click="own(i, 'low')"
          >
            {{ r.low ? "≤" : "<" }}
          </Button>
          <span class="var">{{ of }}</span>
          <Button
            text
            class="owner"
            :aria-pressed="r.high"
            :aria-label="`Piece ${i + 1} owns its end`"
            :title="r.high ? 'owns its end' : 'does not own its end'"
            @click="own(i, 'high')"
          >
            {{ r.high ? "≤" : "<" }}
          </Button>
          <InputText
            v-model="r.to"
            size="small"
            class="short"
            :aria-label="`End of piece ${i + 1}`"
            placeholder="&infin;"
          />
          <Button text class="icon-button" :aria-label="`Remove piece ${i + 1}`" @click="rows.splice(i, 1)">
            <IconBin />
          </Button>
        </li>
      </ol>
      <Button link @click="add">+ Piece</Button>
      <MiniGraph v-if="drawing" :picture="drawing" :names="[row.name]" label="Small picture of the pieces" />
      <p v-for="p in problems" :key="p" class="problem"><PlainText :text="p" /></p>
      <p v-for="n in notes" :key="n" class="quiet"><PlainText :text="n" /></p>
      <p v-if="problems.length === 0" class="quiet">
        <template v-if="step.ok"
          >With unit steps: <code>{{ name }}({{ of }}) = {{ step.text }}</code></template
        ><PlainText v-else :text="step.message" />
      </p>
    </div>
    <template #footer>
      <Button label="Leave" severity="secondary" text @click="visible = false" />
      <Button
        v-if="step.ok"
        label="Also write it with unit steps"
        severity="secondary"
        outlined
        :disabled="problems.length > 0"
        @click="asSteps"
      />
      <Button label="Keep the pieces" :disabled="problems.length > 0" @click="keep" />
    </template>
  </Dialog>
</template>

<style scoped>
.pieces {
  display: grid;
  gap: 0.7rem;
  justify-items: start;
}
.line {
  display: flex;
  gap: 1.2rem;
  align-items: center;
}
ol {
  display: grid;
  gap: 0.4rem;
  width: 100%;
}
li {
  display: flex;
  gap: 0.4rem;
  align-items: center;
  flex-wrap: wrap;
}
.formula {
  flex: 1 1 10rem;
  min-width: 8rem;
}
.short {
  width: 5.5rem;
}
.owner {
  width: 2rem;
  height: 2rem;
  border: 1px solid var(--ink-3);
  border-radius: 6px;
  background: var(--paper);
  cursor: pointer;
  font-size: 1.05rem;
}
.owner:hover {
  border-color: var(--jade);
  color: var(--jade);
}
.var {
  font-family: var(--book);
  font-style: italic;
}
code {
  font-family: inherit;
  color: var(--ink);
}
</style>
