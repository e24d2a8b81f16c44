<script setup lang="ts">
import { formatQuantity, leftAt, spareWords, worthAt } from "#core/explain";
import type { LimitPhrase } from "#core/story";
import { trackOf } from "#core/desk";
import { roundStep } from "#core/graph";
import { buildModel, type CaseFile, type Given, type Plan } from "#core/model";
import { readConstraint, readForm, readPlanLine, wordsOf, yesOrNo } from "#core/plan";
import { parseUnit } from "#core/units";
import { separated } from "#core/data";
import { regionSheet } from "~/utils/pictureFile";
import type PlanRegion from "./PlanRegion.vue";

/** Colours of the lines of constraints, in turn. */
const LINES = [1, 3, 2, 6, 4, 5, 0] as const;

const props = defineProps<{ document: CaseFile }>();
const store = useCaseStore();
const toast = useToast();
/** Two of many variables that are pictured as a slice. */
const pair = shallowRef<readonly [number, number] | null>(null);
const document_ = computed(() => props.document);
const {
  reading,
  picture,
  slice,
  result,
  solved,
  words,
  failure,
  solving,
  where,
  progress,
  cancel,
  goOn,
  currentProgram,
} = usePlan(document_, pair);
const plan = computed(() => props.document.plan ?? null);
const pointed = ref<string | null>(null);
const ruledOut = ref(false);
const filesDialog = ref(false);
const pictureDialog = ref(false);
const region = useTemplateRef<InstanceType<typeof PlanRegion>>("region");

const errorsOf = (path: string) =>
  (reading.value?.errors ?? []).filter((e) => e.path.startsWith(path)).map((e) => e.message);
const notesOf = (path: string) =>
  (reading.value?.warnings ?? []).filter((e) => e.path.startsWith(path)).map((e) => e.message);
const colours = computed(() =>
  Object.fromEntries(
    (plan.value?.constraints ?? []).flatMap((c, i) => [
      [c.id, LINES[i % 7]!],
      [`${c.id} `, LINES[i % 7]!],
    ]),
  ),
);
const unit = computed(() => (plan.value?.objective?.unit ? parseUnit(plan.value.objective.unit).unit : null));
const names = computed(() => buildModel({ ...props.document, functions: [], questions: [] }).names);
const variables = computed(() => plan.value?.variables.map((v) => v.name) ?? []);
/** What the region shows: the plan itself, or a slice of it. */
const drawn = computed(() =>
  slice.value && pair.value
    ? slice.value
    : picture.value && result.value && solved.value
      ? { plan: solved.value, result: result.value, picture: picture.value }
      : null,
);

// ---- writing
const line = ref("");
const problem = ref<string | null>(null);
/** Adds what a line says; what is wrong with it otherwise. */
function add(text: string): string | null {
  if (text.trim() === "") return null;
  const read = readPlanLine(text, plan.value, names.value);
  if (!read.ok) return read.message;
  store.apply({ kind: "addPlanLine", line: read.line });
  return null;
}
function enter(): void {
  problem.value = add(line.value);
  if (!problem.value) line.value = "";
}
function pasted(event: ClipboardEvent): void {
  const lines = (event.clipboardData?.getData("text") ?? "")
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter((l) => l);
  if (lines.length < 2) return;
  event.preventDefault();
  for (const [i, l] of lines.entries()) {
    const wrong = add(l);
    if (wrong) {
      problem.value = wrong;
      line.value = lines.slice(i).join("\n").split("\n")[0]!;
      return;
    }
  }
  problem.value = null;
}
/** Rows of a long plan shown before the rest is asked for. */
const MANY = 40;
const allVariables = ref(false);
const allConstraints = ref(false);
const checkConstraint = (text: string): string | null => {
  const r = readConstraint(text, variables.value, names.value);
  return r.ok ? null : r.problem.message;
};
const checkObjective = (text: string): string | null => {
  const r = readForm(text, variables.value, names.value);
  return r.ok ? null : r.problem.message;
};
function removeConstraint(id: string): void {
  store.apply({ kind: "removeConstraint", id });
  toast.add({
    severity: "info",
    summary: `The constraint ${id} is deleted.`,
    detail: "Undo brings it back.",
    life: 4000,
  });
}
function removeVariable(name: string): void {
  const needed = (plan.value?.constraints ?? []).filter((c) => wordsOf(c.text).includes(name)).map((c) => c.id);
  store.apply({ kind: "removePlanVariable", name });
  if (needed.length > 0)
    toast.add({
      severity: "warn",
      summary: `${name} is deleted.`,
      detail: `${needed.join(", ")} needed it. Undo brings it back.`,
      life: 6000,
    });
}
const checkUnit = (text: string): string | null => {
  if (text.trim() === "") return null;
  const r = parseUnit(text);
  return r.unit ? null : `${r.reason}. Examples: $, lantern, kg.`;
};

// ---- givens that the plan uses are varied here too
const used = computed(() => {
  const texts = [...(plan.value?.constraints ?? []).map((c) => c.text), plan.value?.objective?.text ?? ""];
  const words = new Set(texts.flatMap(wordsOf));
  return (props.document.givens ?? []).filter((g) => words.has(g.name));
});
const givenText = (g: { value: number; unit?: string | undefined }) =>
  formatQuantity(g.value, g.unit ? parseUnit(g.unit).unit : null, 12);
const vary = ({ name, value, vary: track }: Given): void =>
  store.apply({ kind: "setTrack", name, track: track ? null : trackOf(value) });
function slide(name: string, value: number | number[]): void {
  if (typeof value === "number") store.apply({ kind: "slideGiven", name, value, in: "plan" });
}
const stepOf = (g: { vary?: { from: number; to: number } | undefined }) => roundStep(g.vary!.to - g.vary!.from, 200);
async function copyConstraints(): Promise<void> {
  const rows = [
    ["id", "constraint", "meaning", "in force"],
    ...(plan.value?.constraints ?? []).map((c) => [c.id, c.text, c.label ?? "", c.off ? "no" : "yes"]),
  ];
  try {
    await navigator.clipboard.writeText(separated(rows, ","));
    toast.add({ severity: "info", summary: "The constraints are copied as CSV.", life: 2500 });
  } catch {
    toast.add({ severity: "warn", summary: "The browser does not allow copying here.", life: 4000 });
  }
}

// ---- kinds of variables: any number, whole, or yes or no (whole, from 0 to 1)
const isYesNo = (v: Plan["variables"][number]): boolean => v.whole === true && yesOrNo(plan.value!, v.name) >= 0;

// ---- from the story, and from files
const lineField = useTemplateRef<{ $el: HTMLInputElement }>("lineField");
function addPhrase(p: LimitPhrase): void {
  if (!p.constraint) return;
  store.apply({ kind: "addPhrase", text: p.constraint, label: p.label || undefined });
}
function begin(text: string): void {
  line.value = text;
  void nextTick(() => {
    const field = lineField.value?.$el;
    const at = text.search(/[<>=]/);
    field?.focus();
    field?.setSelectionRange(at < 0 ? text.length : at, at < 0 ? text.length : at);
  });
}
function usePlanFile(next: Plan, from: string): void {
  store.apply({ kind: "readPlan", plan: next, from });
  toast.add({ severity: "info", summary: `The plan of ${from} stands here.`, life: 3000 });
}
/** The two variables that weigh most in the best value; a slice through zeros would show little. */
function firstPair(): [number, number] {
  const at = (result.value?.whole ?? result.value?.best[0])?.at ?? [];
  const order = variables.value.map((_, j) => j).sort((a, b) => Math.abs(at[b] ?? 0) - Math.abs(at[a] ?? 0));
  return [Math.min(order[0]!, order[1]!), Math.max(order[0]!, order[1]!)];
}
/** Of more than two variables the weightiest two are pictured at once; whoever wants no slice has none. */
const noSlice = ref(false);
watch(
  () => [variables.value.length, result.value?.best.length] as const,
  ([count, found]) => {
    if (count <= 2) pair.value = null;
    else if (found && pair.value === null && !noSlice.value) pair.value = firstPair();
    else if (pair.value && pair.value.some((j) => j >= count)) pair.value = null;
  },
);
function endSlice(): void {
  noSlice.value = true;
  pair.value = null;
}
function pickPair(k: 0 | 1, name: string): void {
  const j = variables.value.indexOf(name);
  const [a, b] = pair.value ?? [0, 1];
  pair.value = k === 0 ? [j, b === j ? a : b] : [a === j ? b : a, j];
}

// ---- reading
const spare = (id: string): string => (result.value ? spareWords(result.value, id) : "");
const left = (at: readonly number[]) => (drawn.value ? leftAt(drawn.value.plan, at, names.value) : []);
const worth = (at: readonly number[]) => (drawn.value ? worthAt(drawn.value.plan, at, names.value) : "");
/** Said by itself, so that no blank of the template stands before it. */
const cancelled = computed(() => {
  const best = solving.value.state === "cancelled" ? solving.value.best : null;
  return best === null ? "Cancelled." : `Cancelled; the best so far was ${formatQuantity(best, unit.value, 6)}.`;
});
const spoken = computed(() => {
  if (!progress.value) return "";
  const { best, bound } = progress.value;
  const found = best === null ? "No whole point yet" : `best so far ${formatQuantity(best, unit.value, 6)}`;
  return bound === null ? found : `${found}, at most ${formatQuantity(bound, unit.value, 6)} possible`;
});
</script>

<template>
  <main class="plan">
    <section class="panel" aria-labelledby="objective-title">
      <div class="panel-head">
        <h2 id="objective-title" class="panel-title">Objective</h2>
        <Button link @click="filesDialog = true">Files</Button>
      </div>
      <div v-if="plan?.objective" class="goal">
        <p>
          Make
          <EditText
            :value="plan.objective.sense"
            label="Greatest or least"
            :options="[
              { value: 'greatest', text: 'greatest' },
              { value: 'least', text: 'least' },
            ]"
            @keep="store.apply({ kind: 'setObjective', sense: $event as 'greatest' })"
          />, in
          <EditText
            :value="plan.objective.unit ?? ''"
            placeholder="unit"
            label="Unit of the objective"
            :check="checkUnit"
            @keep="store.apply({ kind: 'setObjectiveUnit', unit: $event })"
          />
        </p>
        <p class="formula">
          <EditText
            :value="plan.objective.text"
            label="Objective"
            :check="checkObjective"
            @keep="store.apply({ kind: 'setObjective', text: $event })"
          />
        </p>
        <p v-for="e in errorsOf('plan.objective')" :key="e" class="problem"><PlainText :text="e" /></p>
      </div>
      <p v-else class="quiet">None yet. Write <code>greatest 3.5x + 4y in $</code> below.</p>
      <div class="panel-head second">
        <h2 class="panel-title">
          Constraints<span class="panel-count">{{ plan?.constraints.length ?? 0 }}</span>
        </h2>
        <Button v-if="(plan?.constraints.length ?? 0) > 0" link @click="copyConstraints"> Copy constraints </Button>
      </div>
      <form class="add" @submit.prevent="enter">
        <label
          ><span class="sr-only">A constraint or the objective</span
          ><InputText
            ref="lineField"
            v-model="line"
            fluid
            size="small"
            spellcheck="false"
            autocomplete="off"
            placeholder="paper: 2x + 3y <= 240"
            aria-label="A constraint or the objective"
            :invalid="problem !== null"
            @paste="pasted"
            @input="problem = null"
        /></label>
        <p v-if="problem" class="problem" role="alert"><PlainText :text="problem" /></p>
      </form>
      <PlanPhrases :document="document" @add="addPhrase" @begin="begin" />
      <ul>
        <li
          v-for="(c, i) in (plan?.constraints ?? []).slice(0, allConstraints ? undefined : MANY)"
          :key="c.id"
          class="row"
          :class="{ off: c.off }"
          @mouseenter="pointed = c.id"
          @mouseleave="pointed = null"
          @focusin="pointed = c.id"
          @focusout="pointed = null"
        >
          <span
            class="id"
            :style="{ borderColor: `var(--curve-${colours[c.id]})`, color: `var(--curve-${colours[c.id]})` }"
            >{{ c.id }}</span
          >
          <span class="formula"
            ><EditText
              :value="c.text"
              :label="`Constraint ${c.id}`"
              :check="checkConstraint"
              @keep="store.apply({ kind: 'setConstraint', id: c.id, text: $event })"
          /></span>
          <span class="quiet spare">{{ c.off ? "off" : spare(c.id) }}</span>
          <span class="tools"
            ><Button
              link
              :aria-pressed="!c.off"
              :aria-label="`Constraint ${c.id} in force`"
              @click="store.apply({ kind: 'forceConstraint', id: c.id, inForce: c.off === true })"
            >
              {{ c.off ? "use" : "off" }}</Button
            ><Button text class="icon-button" :aria-label="`Delete constraint ${c.id}`" @click="removeConstraint(c.id)">
              <IconBin /></Button
          ></span>
          <p class="note">
            <EditText
              plain
              :value="c.label ?? ''"
              placeholder="name it in words"
              :label="`Meaning of ${c.id}`"
              @keep="store.apply({ kind: 'describeConstraint', id: c.id, label: $event })"
            />
          </p>
          <p
            v-for="e in [...errorsOf(`plan.constraints[${i}]`), ...notesOf(`plan.constraints[${i}]`)]"
            :key="e"
            class="problem note"
          >
            <PlainText :text="e" />
          </p>
        </li>
      </ul>
      <Button v-if="(plan?.constraints.length ?? 0) > MANY" link class="more" @click="allConstraints = !allConstraints">
        {{ allConstraints ? "Fewer" : `All ${plan!.constraints.length} constraints` }}
      </Button>
      <template v-if="plan && plan.variables.length > 0">
        <div class="panel-head second"><h2 class="panel-title">Variables</h2></div>
        <ul>
          <li v-for="v in plan.variables.slice(0, allVariables ? undefined : MANY)" :key="v.name" class="variable">
            <i>{{ v.name }}</i>
            <EditText
              plain
              :value="v.label ?? ''"
              placeholder="what it counts"
              :label="`Meaning of ${v.name}`"
              @keep="store.apply({ kind: 'describePlanVariable', name: v.name, label: $event })"
            />
            <label
              ><Checkbox
                binary
                size="small"
                :model-value="v.whole === true"
                @update:model-value="store.apply({ kind: 'setPlanWhole', name: v.name, whole: !v.whole })"
              />
              whole</label
            >
            <Button
              link
              class="kind"
              :aria-pressed="isYesNo(v)"
              :title="`Only 0 or 1: it is done or not`"
              @click="store.apply({ kind: 'setYesNo', name: v.name, yesNo: !isYesNo(v) })"
            >
              {{ isYesNo(v) ? "yes or no ✓" : "yes or no" }}
            </Button>
            <Button text class="icon-button" :aria-label="`Delete variable ${v.name}`" @click="removeVariable(v.name)">
              <IconBin />
            </Button>
          </li>
        </ul>
        <Button v-if="plan.variables.length > MANY" link class="more" @click="allVariables = !allVariables">
          {{ allVariables ? "Fewer" : `All ${plan.variables.length} variables` }}
        </Button>
      </template>
      <template v-if="used.length > 0">
        <div class="panel-head second"><h2 class="panel-title">Givens</h2></div>
        <ul>
          <li v-for="g in used" :key="g.name" class="given">
            <i>{{ g.name }}</i><span class="quiet">{{ g.label ?? "" }}</span
            ><b
              >{{ givenText(g) }}
              <Button
                link
                class="kind"
                :aria-label="g.vary ? `Stop varying ${g.name}` : `Vary ${g.name}`"
                @click="vary(g)"
              >
                {{ g.vary ? "fix" : "vary" }}
              </Button></b
            ><Slider
              v-if="g.vary"
              class="track"
              :model-value="g.value"
              :min="g.vary.from"
              :max="g.vary.to"
              :step="stepOf(g)"
              :pt="{ handle: { 'aria-label': `Vary ${g.name}` } }"
              @update:model-value="slide(g.name, $event)"
            />
          </li>
        </ul>
      </template>
    </section>
    <section class="panel middle" aria-labelledby="region-title">
      <div class="panel-head">
        <h2 id="region-title" class="panel-title">
          {{ pair && slice ? "Slice" : "Region" }}
          <span v-if="drawn" class="caption">{{
            pair && slice
              ? "all other variables at their best values"
              : drawn.result.status === "infeasible"
                ? "no point keeps all constraints"
                : "every point here keeps all constraints"
          }}</span>
        </h2>
        <span v-if="drawn" class="tools"
          ><Button link :aria-pressed="ruledOut" @click="ruledOut = !ruledOut">
            {{ ruledOut ? "Shade what is allowed" : "Shade what is ruled out" }}</Button
          ><Button link @click="pictureDialog = true">Picture file</Button></span
        >
      </div>
      <div v-if="variables.length > 2 && result && result.best.length > 0" class="pick">
        <Button v-if="!pair" link @click="pair = firstPair()"> Picture two of the variables as a slice </Button>
        <template v-else
          ><Select
            size="small"
            aria-label="Variable across"
            :options="variables"
            :model-value="variables[pair[0]]"
            @update:model-value="pickPair(0, $event)"
          />
          across,
          <Select
            size="small"
            aria-label="Variable upwards"
            :options="variables"
            :model-value="variables[pair[1]]"
            @update:model-value="pickPair(1, $event)"
          />
          upwards <Button link @click="endSlice">No slice</Button></template
        >
      </div>
      <PlanRegion
        v-if="drawn"
        ref="region"
        :plan="drawn.plan"
        :result="drawn.result"
        :picture="drawn.picture"
        :colours="colours"
        :pointed="pointed"
        :ruled-out="ruledOut"
        ><template #left="{ at }"
          ><span v-if="worth(at)">{{ worth(at) }}</span
          ><span v-for="l in left(at)" :key="l.id" :class="{ problem: l.broken }"
            >{{ l.id }}: {{ l.text }}</span
          ></template
        ></PlanRegion
      >
      <p v-else-if="plan && plan.variables.length > 2" class="quiet nothing">
        With {{ plan.variables.length }} variables the finding stands at the right.
      </p>
      <p v-else class="quiet nothing">
        Two variables and a constraint draw a region: write <code>2x + 3y &lt;= 240</code>.
      </p>
    </section>
    <section class="panel right" aria-labelledby="plan-finding-title" tabindex="0">
      <h2 id="plan-finding-title" class="panel-title">Finding</h2>
      <p v-if="failure" class="problem" role="alert">{{ failure }}</p>
      <div v-if="solving.state === 'working'" class="work" role="status">
        <p>
          Working it out {{ where === "server" ? "on the server" : "with the compiled solver"
          }}<template v-if="progress"> · {{ progress.seconds.toFixed(1) }} s</template> …
          <Button link @click="cancel">Cancel</Button>
        </p>
        <p v-if="spoken" class="quiet">{{ spoken }}</p>
      </div>
      <p v-else-if="solving.state === 'cancelled'" class="quiet">
        <span>{{ cancelled }}</span>
        <Button link @click="goOn">Work it out on the server</Button>
      </p>
      <p v-else-if="solving.state === 'failed'" class="problem" role="alert">{{ solving.message }}</p>
      <div v-if="words && result && solved" class="finding" :class="{ dim: solving.state === 'working' }">
        <PlanFinding :document="document" :plan="solved" :result="result" :words="words" />
      </div>
      <p v-if="result && result.gap !== null && solving.state !== 'working'" class="quiet">
        The time here is over.
        <Button link @click="goOn">Go on for two minutes on the server</Button>
      </p>
    </section>
    <PlanFilesDialog v-model:visible="filesDialog" :document="document" :program="currentProgram" @read="usePlanFile" />
    <PictureDialog
      v-if="drawn"
      v-model:visible="pictureDialog"
      :sheet="() => regionSheet(region!.view())"
      :case-title="document.title"
    />
  </main>
</template>

<style scoped>
.plan {
  flex: none;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr) 372px;
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
  gap: 0.45rem;
  overflow-y: auto;
}
.panel + .panel {
  border-left: 1px solid var(--hairline);
}
.middle {
  overflow: hidden;
}
.right {
  background: var(--panel);
}
.caption {
  font-weight: 400;
  letter-spacing: 0;
  text-transform: none;
  margin-left: 0.5rem;
}
.goal {
  background: var(--amber-soft);
  border: 1px solid var(--amber);
  border-radius: 8px;
  padding: 0.5rem 0.8rem;
  display: grid;
  gap: 0.2rem;
}
.formula {
  font-family: var(--book);
  font-size: 1.05rem;
}
.formula :deep(.shown) {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.formula:focus-within :deep(.shown) {
  -webkit-line-clamp: unset;
}
.second {
  margin: 0.6rem 0 0;
}
.row {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto auto;
  column-gap: 0.6rem;
  align-items: center;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--hairline);
}
.off .formula,
.off .note {
  opacity: 0.55;
}
.id {
  border: 1.5px solid;
  border-radius: 5px;
  min-width: 1.5rem;
  text-align: center;
  font-weight: 700;
  font-size: 0.85rem;
}
.note {
  grid-column: 2 / -1;
  font-size: 0.87rem;
  color: var(--ink-2);
}
.problem.note {
  color: var(--brick);
}
.tools {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
.variable {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  flex-wrap: wrap;
  font-size: 0.93rem;
  padding: 0.15rem 0;
}
.variable i {
  font-family: var(--book);
}
.given {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0.2rem 0.6rem;
  align-items: baseline;
  padding: 0.25rem 0 0.6rem;
}
.given i {
  font-family: var(--book);
}
.track {
  grid-column: 1 / -1;
  margin: 0.3rem 0.6rem;
}
.nothing {
  padding: 2rem 0;
}

.middle .tools {
  gap: 1rem;
}
.pick {
  font-size: 0.9rem;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}
.kind {
  font-weight: 400;
  font-size: 0.85rem;
}
.more {
  align-self: start;
}
.finding {
  display: flex;
  flex-direction: column;
  gap: 0.45rem;
}
.work {
  background: var(--amber-soft);
  border-radius: 8px;
  padding: 0.5rem 0.8rem;
  font-size: 0.92rem;
}
@media (max-width: 1050px) {
  .plan {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
    height: auto;
  }
  .panel {
    overflow: visible;
  }
  .panel + .panel {
    border-left: 0;
    border-top: 1px solid var(--hairline);
  }
  .middle {
    height: 460px;
  }
}
</style>
