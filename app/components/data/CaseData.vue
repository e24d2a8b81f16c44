<script setup lang="ts">
import { isSince, readIso, sinceWords } from "#core/calendar";
import { freeConstants, type Context } from "#core/fit";
import {
  freeName,
  nameTrouble,
  namesTaken,
  offeredName,
  rowRange,
  type CountUnit,
  type Counting,
  type Model,
  type Source,
} from "#core/data";
import type { Edit } from "#core/edit";
import { formatNumber, formatQuantity } from "#core/explain";
import { buildModel, readingOf, rowsOf, type CaseFile } from "#core/model";
import { thinnedRows } from "#core/graph";
import { parseUnit } from "#core/units";
import { useDataWorker } from "~/composables/useData";
import type { DataPicture } from "~/charts/dataOption";
import type { Side } from "~/composables/useSplit";
import type { RankedCard, RoundingLine } from "~/workers/dataProtocol";
import type ImportDialog from "./ImportDialog.vue";

const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ used: [name: string] }>();
const store = useCaseStore();
const toast = useToast();
const importDialog = ref(false);
const importer = useTemplateRef<InstanceType<typeof ImportDialog>>("importer");

// ---- which table, which columns
const tables = computed(() => props.document.data ?? []);
const tableName = ref("");
const index = computed(() =>
  Math.max(
    0,
    tables.value.findIndex((t) => t.name === tableName.value),
  ),
);
const table = computed(() => tables.value[index.value] ?? null);
const xName = ref("");
const yName = ref("");
watch(
  table,
  (t) => {
    if (!t) return;
    if (!t.columns.some((c) => c.name === xName.value)) xName.value = t.columns[0]?.name ?? "";
    if (!t.columns.some((c) => c.name === yName.value) || yName.value === xName.value)
      yName.value = t.columns.find((c) => c.name !== xName.value)?.name ?? "";
  },
  { immediate: true },
);
const column = (name: string) => table.value?.columns.find((c) => c.name === name);
const unitOf = (name: string) => {
  const u = column(name)?.unit;
  return u ? parseUnit(u).unit : null;
};
const rows = computed(() =>
  table.value && xName.value && yName.value ? rowsOf({ x: xName.value, y: yName.value }, table.value) : null,
);
const variable = computed(() => props.document.variables?.find((v) => v.name === xName.value) ?? null);
const modelVariable = computed(() =>
  variable.value
    ? buildModel({ ...props.document, functions: [], questions: [] }).variables.get(variable.value.name)
    : undefined,
);
const reads = (x: number): string | null => (modelVariable.value ? readingOf(x, modelVariable.value) : null);

// ---- models
const ranking = useDataWorker();
const cards = shallowRef<readonly RankedCard[]>([]);
const suggested = shallowRef<readonly number[]>([]);
const failure = ref<string | null>(null);
const chosen = ref("");
const pointed = ref<string | null>(null);
const own = ref("");
const ownKept = ref("");
const ownProblem = ref<string | null>(null);
const notNegative = ref(true);
const limit = ref("");
const context = computed((): Context => ({
  notNegative: notNegative.value,
  limit:
    limit.value.trim() !== "" && Number.isFinite(Number(limit.value.replaceAll(",", "")))
      ? Number(limit.value.replaceAll(",", ""))
      : null,
}));
const givens = computed(() => (props.document.givens ?? []).map((g) => [g.name, g.value] as const));
watch(
  () => rows.value?.y.every((v) => v >= 0),
  (all) => {
    if (all !== undefined) notNegative.value = all;
  },
  { immediate: true },
);
// Models of other columns are not shown for these.
watch([index, () => tables.value.length, xName, yName], () => {
  cards.value = [];
  suggested.value = [];
  split.at.value = null;
});
let timer: ReturnType<typeof setTimeout> | undefined;
watch(
  [rows, context, ownKept],
  () => {
    clearTimeout(timer);
    timer = setTimeout(() => void rank(), cards.value.length === 0 ? 0 : 150);
  },
  { immediate: true },
);
onScopeDispose(() => clearTimeout(timer));
async function rank(): Promise<void> {
  const r = rows.value;
  if (!r || r.x.length === 0) {
    cards.value = [];
    suggested.value = [];
    return;
  }
  failure.value = null;
  try {
    const reply = await ranking.ask<"rank">({
      kind: "rank",
      x: r.x,
      y: r.y,
      variable: xName.value,
      context: context.value,
      own: ownKept.value.trim() || null,
      givens: givens.value,
    });
    if (!reply) return;
    cards.value = reply.cards;
    suggested.value = reply.split?.breaks ?? [];
    ownProblem.value = reply.cards.find((c) => c.family === "own")?.reason ?? null;
    if (!reply.cards.some((c) => cardKey(c) === chosen.value && c.reason === null))
      chosen.value = cardKey(reply.cards[0]);
  } catch (reason) {
    failure.value = reason instanceof Error ? reason.message : String(reason);
  }
}
const card = computed(() => cards.value.find((c) => cardKey(c) === chosen.value && c.reason === null) ?? null);
function keepOwn(): void {
  const names = {
    variable: xName.value,
    givens: new Map(givens.value.map(([n]) => [n, {} as never])),
    functions: new Map(),
    variables: new Set<string>(),
  };
  if (own.value.trim() && freeConstants(own.value, names).length === 0) {
    ownProblem.value = `The formula has no free constant to fit, as in a (1 - exp(-b ${xName.value})).`;
    return;
  }
  ownProblem.value = null;
  ownKept.value = own.value;
  if (own.value.trim()) chosen.value = "own direct";
}

// ---- use as f
const functionName = ref("");
const taken = computed(() => namesTaken(props.document));
watch(
  [yName, xName, () => props.document.functions],
  () => {
    functionName.value = offeredName(yName.value, xName.value, props.document);
  },
  { immediate: true },
);
const name = computed(() => functionName.value.trim());
const nameProblem = computed(() => nameTrouble(name.value, props.document));
const from = computed((): Source | null =>
  table.value ? { table: table.value, x: xName.value, y: yName.value } : null,
);
const modelOf = (c: RankedCard): Model => ({
  family: c.family,
  method: c.method,
  ...(c.family === "own" ? { text: ownKept.value } : {}),
});
/** Puts what was made into the case, in one step, and goes to the desk. */
function keepFunction(edit: Edit & { name: string }, said: string): void {
  store.apply(edit);
  toast.add({ severity: "info", summary: `${edit.name}(${xName.value}) stands on the desk${said}.`, life: 3500 });
  split.at.value = null;
  emit("used", edit.name);
}
function use(): void {
  if (card.value && from.value && !nameProblem.value)
    keepFunction(
      { kind: "useModel", from: from.value, model: modelOf(card.value), name: name.value },
      " with all its digits",
    );
}

// ---- split
const split = useSplit(rows, suggested, xName, givens);
const splitAt = split.at;
function usePieces(): void {
  const [l, r, at] = [split.cardOf("left"), split.cardOf("right"), splitAt.value];
  if (l && r && at !== null && from.value && !nameProblem.value)
    keepFunction(
      {
        kind: "usePieces",
        from: from.value,
        models: [modelOf(l), modelOf(r)],
        breaks: [at],
        owner: split.owner.value,
        name: name.value,
      },
      " in two pieces",
    );
}
/** One side alone as a function: the early growth, the part after a change. */
function useSide(side: Side): void {
  const [c, parts] = [split.cardOf(side), split.parts.value];
  if (!c || !parts || !from.value || nameProblem.value) return;
  const range = rowRange(parts[side === "left" ? 0 : 1].x, side === "right", side === "left");
  keepFunction(
    { kind: "useModel", from: from.value, model: modelOf(c), name: name.value, rows: range, side },
    `, from the rows ${side} of the break`,
  );
}
/** Two breaks at once: three stretches, each with the model that misses least on rows it did not see. */
async function useThree(): Promise<void> {
  const breaks = [...suggested.value];
  if (!from.value || nameProblem.value) return;
  const models: Model[] = [];
  for (const part of split.stretches(breaks, "right")) {
    const best = (await split.rank(part))?.find((c) => c.reason === null);
    if (!best) {
      toast.add({ severity: "warn", summary: `The rows of piece ${models.length + 1} cannot be fitted.`, life: 4000 });
      return;
    }
    models.push(modelOf(best));
  }
  keepFunction(
    { kind: "usePieces", from: from.value, models, breaks, owner: "right", name: name.value },
    " in three pieces",
  );
}

// ---- the graph
const picture = computed((): DataPicture | null => {
  const r = rows.value;
  const t = table.value;
  if (!r || !t || r.x.length === 0) return null;
  const [i, j] = [
    t.columns.findIndex((c) => c.name === xName.value),
    t.columns.findIndex((c) => c.name === yName.value),
  ];
  const out = (t.left ?? []).flatMap((l) => {
    const [x, y] = [t.rows[l.row]?.[i], t.rows[l.row]?.[j]];
    return x != null && y != null ? [[x, y] as const] : [];
  });
  const [lo, hi] = [r.x.reduce((m, v) => Math.min(m, v), Infinity), r.x.reduce((m, v) => Math.max(m, v), -Infinity)];
  const drawn = cards.value.filter((c) => c.reason === null);
  const at = splitAt.value;
  const halves =
    at === null
      ? []
      : SIDES.map((side) => ({ key: `side ${side}`, points: split.curveOf(side), weight: "chosen" as const })).filter(
          (c) => c.points.length > 0,
        );
  return {
    rows: thinnedRows(r.x, r.y),
    leftOut: out,
    residuals: at === null ? (card.value?.residuals ?? []) : [],
    from: lo,
    to: hi,
    split: at,
    curves:
      halves.length > 0
        ? halves
        : drawn
            .map((c, k) => ({
              key: cardKey(c),
              points: c.curve,
              weight:
                cardKey(c) === chosen.value
                  ? ("chosen" as const)
                  : cardKey(c) === pointed.value
                    ? ("pointed" as const)
                    : ("other" as const),
              k,
            }))
            .filter((c) => c.weight !== "other" || c.k < 4),
    x: {
      name: xName.value,
      unit: counting.value
        ? `${counting.value.unit}s since ${sinceWords(counting.value.since)}`
        : (column(xName.value)?.unit ?? ""),
    },
    y: { name: yName.value, unit: column(yName.value)?.unit ?? "" },
  };
});
const described = computed(() => {
  if (!rows.value) return "No data";
  const model = card.value ? `, with the ${card.value.family} model` : "";
  const split = splitAt.value === null ? "" : `, split at ${splitAt.value}`;
  return `${yName.value} over ${xName.value}: ${rows.value.x.length} rows${model}${split}.`;
});
/** From the least input to the greatest. */
const inputSpan = computed(() => {
  const x = rows.value?.x ?? [];
  const least = x.reduce((m, v) => Math.min(m, v), Infinity);
  const greatest = x.reduce((m, v) => Math.max(m, v), -Infinity);
  return x.length === 0 ? "" : `${formatNumber(least)} … ${formatNumber(greatest)}`;
});

// ---- counting from
const UNITS: CountUnit[] = ["day", "week", "month", "year"];
const counting = computed((): Counting | null =>
  variable.value?.since !== undefined && column(xName.value)
    ? {
        unit: UNITS.find((u) => u === variable.value!.unit?.replace(/s$/, "")) ?? "year",
        since: String(variable.value.since),
      }
    : null,
);
const isDate = computed(() => counting.value !== null && /-/.test(counting.value.since));
function recount(to: Counting): void {
  const from = counting.value;
  if (!from || !table.value) return;
  store.apply({ kind: "recount", table: table.value.name, column: xName.value, from, to });
}
const checkStart = (text: string): string | null =>
  isDate.value
    ? readIso(text.trim()) !== null
      ? null
      : "A date should stand here, as in 2031-01-06."
    : isSince(text.trim()) && readIso(text.trim()) === null
      ? null
      : "A year should stand here, as in 2031.";

// ---- rounding made visible
const rounding = useDataWorker();
const digits = ref(3);
const roundingOpen = ref(false);
const lines = shallowRef<readonly RoundingLine[]>([]);
const usedAs = computed(
  () =>
    (props.document.functions ?? []).find(
      (f) =>
        f.by.kind === "fit" &&
        f.by.data === table.value?.name &&
        f.by.y === yName.value &&
        f.by.model === card.value?.family &&
        (f.by.method ?? "direct") === card.value?.method,
    ) ?? null,
);
const roundedNow = computed(() => card.value?.rounded.find((r) => r.digits === digits.value) ?? null);
watch([roundingOpen, digits, usedAs, () => props.document], async () => {
  if (!roundingOpen.value || !usedAs.value) {
    lines.value = [];
    return;
  }
  try {
    lines.value =
      (
        await rounding.ask<"rounding">({
          kind: "rounding",
          source: toRaw(props.document),
          name: usedAs.value.name,
          digits: digits.value,
        })
      )?.lines ?? lines.value;
  } catch {
    lines.value = [];
  }
});

// ---- from elsewhere, and by hand
function blank(): void {
  const name = freeName("readings", props.document);
  const isTaken = taken.value.has("x") && !(props.document.variables ?? []).some((v) => v.name === "x");
  store.apply({ kind: "beginTable", name, columns: [isTaken ? "u" : "x", "y"] });
  tableName.value = name;
}
function renameTable(name: string): void {
  store.apply({ kind: "renameTable", from: table.value!.name, to: name.trim() });
  tableName.value = name.trim();
}
function setColumn(j: number, text: string): void {
  const m = /^\s*(\p{L}[\p{L}\p{Nd}_]*)\s*(?:,\s*(\S.*))?$/u.exec(text)!;
  const old = table.value!.columns[j]!.name;
  store.apply({ kind: "setColumn", table: table.value!.name, from: old, name: m[1]!, unit: m[2]?.trim() });
  if (xName.value === old) xName.value = m[1]!;
  if (yName.value === old) yName.value = m[1]!;
}
function checkColumn(text: string): string | null {
  const m = /^\s*(\p{L}[\p{L}\p{Nd}_]*)\s*(?:,\s*(\S.*))?$/u.exec(text);
  if (!m) return "A name and, after a comma, a unit should stand here: people, person.";
  if (m[2] && !parseUnit(m[2]).unit) return `“${m[2]}” is no unit. Examples: $, $/lantern, week.`;
  return null;
}
function removeTable(): void {
  const name = table.value!.name;
  const needed = (props.document.functions ?? [])
    .filter((f) => f.by.kind === "fit" && f.by.data === name)
    .map((f) => f.name);
  store.apply({ kind: "removeTable", name });
  toast.add({
    severity: needed.length > 0 ? "warn" : "info",
    summary: `${name} is deleted.`,
    detail:
      needed.length > 0
        ? `${needed.join(", ")} needed it and cannot be worked out now. Undo brings it back.`
        : "Undo brings it back.",
    life: 6000,
  });
}
async function pasted(event: ClipboardEvent): Promise<void> {
  const text = event.clipboardData?.getData("text") ?? "";
  if (
    (event.target as HTMLElement).closest("input, textarea, [contenteditable], .grid") ||
    !/[\n\t;]/.test(text.trim())
  )
    return;
  event.preventDefault();
  importDialog.value = true;
  await nextTick();
  importer.value?.take(text);
}
onMounted(() => window.addEventListener("paste", pasted));
onBeforeUnmount(() => window.removeEventListener("paste", pasted));
const jumpWords = computed(() => {
  const j = split.jump.value;
  return j === null
    ? null
    : Math.abs(j) < 1e-6 * Math.abs(split.valueOf("left", splitAt.value!))
      ? "The sides are joined at the break."
      : `It ${j > 0 ? "jumps up" : "drops"} by ${yOut(Math.abs(j))} there.`;
});
const yOut = (v: number) => formatQuantity(v, unitOf(yName.value), 4);
</script>

<template>
  <main class="data">
    <ImportDialog ref="importer" v-model:visible="importDialog" :document="document" @kept="tableName = $event" />
    <div v-if="!table" class="empty">
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
      <section class="panel table" aria-labelledby="rows-title">
        <div class="panel-head">
          <h2 id="rows-title" class="panel-title">
            <EditText
              plain
              :value="table.name"
              label="Name of the data"
              :check="(t) => (t.trim() ? null : 'Data need a name.')"
              @keep="renameTable"
            /><span class="panel-count">{{ table.rows.length.toLocaleString("en") }} rows</span>
          </h2>
          <Button link @click="importDialog = true">Paste · File</Button>
        </div>
        <div v-if="tables.length > 1" class="pick">
          Table
          <Select v-model="tableName" size="small" aria-label="Table shown" :options="tables.map((t) => t.name)" />
        </div>
        <DataGrid :table="table" :index="index" :reads="reads"
          ><template #head="{ column: c, place: j }"
            ><EditText
              plain
              :value="c.unit ? `${c.name}, ${c.unit}` : c.name"
              :label="`Name and unit of column ${j + 1}`"
              :check="checkColumn"
              @keep="setColumn(j, $event)" /></template
        ></DataGrid>
        <p v-if="counting" class="counting">
          {{ xName }} counts
          <EditText
            :value="counting.unit"
            label="Unit of counting"
            :options="isDate ? UNITS.map((u) => ({ value: u, text: `${u}s` })) : [{ value: 'year', text: 'years' }]"
            @keep="recount({ ...counting, unit: $event as CountUnit })"
            >{{ counting.unit }}s</EditText
          >
          since
          <EditText
            :value="counting.since"
            label="Start of counting"
            :check="checkStart"
            @keep="recount({ ...counting, since: $event.trim() })"
            >{{ sinceWords(counting.since) }}</EditText>. {{ isDate ? "Dates" : "Years" }} were turned into
          {{ xName }} = {{ inputSpan }}.
        </p>
        <p v-if="rows && rows.skipped > 0" class="quiet">
          {{ rows.skipped }} row{{ rows.skipped === 1 ? " has" : "s have" }} no part in the fits.
        </p>
        <p class="foot">
          <Button link @click="blank">+ Table</Button><Button link @click="removeTable">Delete</Button>
        </p>
      </section>
      <section class="panel middle" aria-labelledby="data-graph-title">
        <div class="panel-head">
          <h2 id="data-graph-title" class="panel-title">Graph <span class="caption">shaded: beyond the data</span></h2>
          <span class="tools"
            ><Select
              v-model="yName"
              size="small"
              aria-label="Column read off"
              :options="table.columns"
              option-label="name"
              option-value="name"
              :option-disabled="(c: { name: string }) => c.name === xName"
            />
            over
            <Select
              v-model="xName"
              size="small"
              aria-label="Column of inputs"
              :options="table.columns"
              option-label="name"
              option-value="name"
              :option-disabled="(c: { name: string }) => c.name === yName"
            /><Button v-if="splitAt === null" link :disabled="!rows || rows.x.length < 4" @click="split.begin()">
              Split here</Button
            ><Button v-else link @click="splitAt = null">One piece</Button></span
          >
        </div>
        <p v-if="suggested.length > 0 && splitAt === null" class="hint">
          The rows turn near {{ xName }} = {{ suggested.map((b) => formatNumber(b)).join(" and ") }}.
          <Button link @click="splitAt = suggested[0]!"> Split at {{ formatNumber(suggested[0]!) }} </Button>
          <Button v-if="suggested.length === 2" link :disabled="nameProblem !== null" @click="useThree">
            Use {{ functionName }}({{ xName }}) in three pieces
          </Button>
        </p>
        <DataGraph v-if="picture" :picture="picture" :described="described" @split="splitAt = $event" />
        <p v-else class="quiet nothing">Rows with a number in both columns appear here.</p>
        <SplitPanel
          v-if="splitAt !== null"
          v-model:at="splitAt"
          v-model:owner="split.owner.value"
          v-model:left="split.chosen.left"
          v-model:right="split.chosen.right"
          :x="xName"
          :name="functionName"
          :cards="split.cards.value"
          :jump="jumpWords"
          :meeting="split.meeting.value"
          :can-use="{
            left: split.cardOf('left') !== null && nameProblem === null,
            right: split.cardOf('right') !== null && nameProblem === null,
          }"
          @use="usePieces"
          @use-side="useSide"
        />
      </section>
      <section class="panel models" aria-labelledby="models-title">
        <div class="panel-head">
          <h2 id="models-title" class="panel-title">
            Models, best first <span class="caption">judged on rows they did not see</span>
          </h2>
        </div>
        <p v-if="ranking.busy.value" class="quiet" role="status">
          Fitting … {{ Math.round(ranking.progress.value * 100) }} %
          <Button link @click="ranking.cancel()">cancel</Button>
        </p>
        <p v-if="failure" class="problem" role="alert">{{ failure }}</p>
        <ModelCards
          :cards="cards"
          :chosen="chosen"
          :x="xName"
          :name="functionName || 'N'"
          :input="unitOf(xName)"
          :output="unitOf(yName)"
          @choose="chosen = $event"
          @point="pointed = $event"
        />
        <form v-if="card" class="use" @submit.prevent="use">
          <label class="as"
            >name
            <InputText
              v-model="functionName"
              size="small"
              aria-label="Name of the function"
              :invalid="nameProblem !== null"
          /></label>
          <Button type="submit" :label="`Use as ${functionName || '…'}(${xName})`" :disabled="nameProblem !== null" />
          <span class="quiet">{{ nameProblem ?? "all digits go with it; nothing to copy" }}</span>
        </form>
        <form class="own" @submit.prevent="keepOwn">
          <label
            >Own formula with free constants
            <InputText v-model="own" size="small" :placeholder="`a (1 - exp(-b ${xName}))`" spellcheck="false" /></label
          ><Button type="submit" label="Fit it" size="small" severity="secondary" outlined />
          <p v-if="ownProblem" class="problem" role="alert"><PlainText :text="ownProblem" /></p>
        </form>
        <fieldset class="context">
          <legend class="panel-title">Context</legend>
          <label><Checkbox v-model="notNegative" binary size="small" /> never below 0</label>
          <label
            >never above
            <InputText
              v-model="limit"
              size="small"
              class="limit"
              aria-label="Readings are never above"
              placeholder="no limit"
          /></label>
        </fieldset>
        <details
          v-if="card && card.rounded.length > 0"
          @toggle="roundingOpen = ($event.target as HTMLDetailsElement).open"
        >
          <summary>What rounding would do</summary>
          <div class="rounding">
            constants to
            <Select v-model="digits" size="small" aria-label="Digits" :options="card.rounded.map((r) => r.digits)" />
            digits
          </div>
          <p v-if="roundedNow" class="quiet">{{ functionName }}({{ xName }}) = {{ roundedNow.text }}</p>
          <p v-if="roundedNow" :class="roundedNow.off > (card.residualSd ?? 0) ? 'problem' : 'quiet'">
            On the rows it would be off by up to {{ yOut(roundedNow.off)
            }}{{
              card.residualSd !== null && roundedNow.off > card.residualSd ? ", more than the model itself misses" : ""
            }}.
          </p>
          <ul v-if="lines.length > 0">
            <li v-for="l in lines" :key="l.id" :class="l.full === l.rounded ? 'quiet' : 'problem'">
              {{ l.id }}: <PlainText :text="l.full" /><template v-if="l.full !== l.rounded">
                Rounded: <PlainText :text="l.rounded" /></template
              ><template v-else> The same when rounded.</template>
            </li>
          </ul>
          <p v-else class="quiet">Once it is used and asked about on the desk, its answers are compared here.</p>
        </details>
      </section>
    </template>
  </main>
</template>

<style scoped>
.data {
  flex: none;
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr) 372px;
  grid-template-rows: minmax(0, 1fr);
  background: var(--paper);
  height: calc(100vh - 48px);
  min-height: 460px;
}
.panel {
  padding: 0.85rem 1rem;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.panel + .panel {
  border-left: 1px solid var(--hairline);
}
.models {
  background: var(--panel);
  gap: 0.7rem;
}
.table,
.models {
  overflow-y: auto;
}
.panel-count {
  text-transform: none;
}
.caption {
  font-weight: 400;
  letter-spacing: 0;
  text-transform: none;
  margin-left: 0.5rem;
}
.tools {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  font-size: 0.87rem;
  color: var(--ink-2);
}
.counting {
  background: var(--ground);
  border-radius: 6px;
  padding: 0.5rem 0.7rem;
  font-size: 0.9rem;
  margin-top: 0.7rem;
  line-height: 1.5;
}
.foot {
  display: flex;
  justify-content: space-between;
  margin-top: 0.7rem;
}
.hint {
  font-size: 0.9rem;
  padding: 0.2rem 0;
}
.nothing {
  padding: 2rem 0;
}
.limit {
  width: 6rem;
}
.use {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}
.as :deep(input),
.as input {
  width: 4.5rem;
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: end;
  border-top: 1px solid var(--hairline);
  padding-top: 0.6rem;
  font-size: 0.9rem;
}
.own label {
  display: grid;
  gap: 2px;
  flex: 1 1 10rem;
}
.own .problem {
  flex-basis: 100%;
}
.context {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  font-size: 0.9rem;
}
.context legend {
  padding: 0;
  margin-bottom: 0.2rem;
}
summary {
  cursor: pointer;
  color: var(--jade);
  font-weight: 600;
  font-size: 0.87rem;
  width: fit-content;
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
  .data {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
    height: auto;
  }
  .table,
  .models {
    overflow: visible;
  }
  .panel + .panel {
    border-left: 0;
    border-top: 1px solid var(--hairline);
  }
  .middle {
    min-height: 460px;
  }
  .middle {
    order: -1;
  }
}
</style>
