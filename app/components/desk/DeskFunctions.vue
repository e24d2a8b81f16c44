<script setup lang="ts">
import { Eye, EyeOff, GripVertical, SplitSquareVertical } from "@lucide/vue";
import { interpret } from "#core/story";
import { parseUnit } from "#core/units";
import type { CaseFile, FunctionRow, PieceRow } from "#core/model";
import type { Desk } from "#core/desk";
import type { Slip } from "#core/slips";
import { dashOf } from "~/charts/look";

const props = defineProps<{
  document: CaseFile;
  desk: Desk | null;
  lit: ReadonlySet<string> | null;
  colours: Readonly<Record<string, number>>;
  slips: readonly Slip[];
}>();
const emit = defineEmits<{ point: [key: string | null]; begin: [text: string] }>();
const store = useCaseStore();
const takeOff = useTakeOff();

/** Dialogs come when they are first asked for. */
const FormsDialog = later(() => import("./FormsDialog.vue"));
const PiecesDialog = later(() => import("./PiecesDialog.vue"));
const formsDialog = ref(false);
const formsWanted = useWanted(formsDialog);
const formWanted = ref<string | null>(null);
const piecesDialog = ref(false);
const piecesWanted = useWanted(piecesDialog);
const piecesOf = ref<string | null>(null);
const mapShown = ref(false);
const rows = computed(() => props.document.functions ?? []);
const shown = (name: string) => props.desk?.functions.find((f) => f.name === name);
const NONE: readonly Slip[] = [];
const slipsBy = computed(() => new Map(props.slips.map((s) => [s.key, props.slips.filter((r) => r.key === s.key)])));
const slipsOf = (name: string) => slipsBy.value.get(`function:${name}`) ?? NONE;
/** A warning that has a mend is shown with it, not twice. */
const isSlip = (name: string, message: string) => slipsOf(name).some((s) => s.message === message);
const dim = (name: string) => props.lit !== null && !props.lit.has(`function:${name}`);
const dash = (i: number) => dashOf(i)?.join(" ");

/** The function as it would be written on the entry line. */
function written(f: FunctionRow): string {
  if (f.by.kind === "line")
    return `${f.name}(${f.of}) = line ${f.by.through.map(([x, y]) => `(${x}, ${y})`).join(", ")}`;
  const head = `${f.name}(${f.of}) = `;
  switch (f.by.kind) {
    case "formula":
      return head + f.by.text;
    case "pieces":
      return head + f.by.pieces.map((p) => `${p.text} for ${pieceRange(p, f.of)}`).join("; ");
    case "total":
      return `${head}total of ${f.by.function} from ${f.by.from ?? 0}`;
    case "slope":
      return `${head}slope of ${f.by.function}`;
    default:
      return "";
  }
}
function pieceRange(p: PieceRow, of: string): string {
  const ends = p.ends ?? "[]";
  if (p.from !== undefined && p.to === undefined) return `${of} ${ends.startsWith("[") ? ">=" : ">"} ${p.from}`;
  const before = p.from === undefined ? "" : `${p.from} ${ends.startsWith("[") ? "<=" : "<"} `;
  const after = p.to === undefined ? "" : ` ${ends.endsWith("]") ? "<=" : "<"} ${p.to}`;
  return `${before}${of}${after}`;
}
const checkFormula =
  (f: FunctionRow) =>
  (text: string): string | null => {
    const read = interpret(text, props.document);
    if (!read.ok) return read.message;
    return read.entry.kind === "function" ? null : `A function should stand here, as in ${f.name}(${f.of}) = …`;
  };
function setFormula(f: FunctionRow, text: string): void {
  const read = interpret(text, props.document);
  if (!read.ok || read.entry.kind !== "function") return;
  store.apply({ kind: "retype", name: f.name, row: read.entry.row });
}
const checkUnit = (text: string): string | null => {
  if (text.trim() === "") return null;
  const r = parseUnit(text);
  return r.unit ? null : `${r.reason}. Examples: $, $/lantern, m/s^2.`;
};
function setField({ name }: FunctionRow, field: "unit" | "label", text: string): void {
  if (field === "unit") store.apply({ kind: "setFunctionUnit", name, unit: text });
  else store.apply({ kind: "describeFunction", name, label: text });
}
// ---- order: dragged by the handle, or moved by Alt and an arrow
const list = useTemplateRef<HTMLElement>("list");
function moveTo(name: string, to: number): void {
  const from = rows.value.findIndex((r) => r.name === name);
  if (from < 0 || to < 0 || to >= rows.value.length || from === to) return;
  store.apply({ kind: "moveFunction", name, to, looks: rows.value.map(lookOf) });
}
// ---- colour and dash
const LOOKS = ["jade", "sky", "brick", "plum", "violet", "ochre", "slate"];
const lookOf = (f: FunctionRow, i: number) => (f.look ?? i) % LOOKS.length;
/** The next colour that no other function has; with all taken, simply the next. */
function recolour(f: FunctionRow, i: number): void {
  const taken = new Set(rows.value.flatMap((r, k) => (r.name === f.name ? [] : [lookOf(r, k)])));
  const turns = LOOKS.map((_, k) => (lookOf(f, i) + 1 + k) % LOOKS.length);
  const next = turns.find((k) => !taken.has(k) && k !== lookOf(f, i)) ?? turns[0]!;
  store.apply({ kind: "colour", name: f.name, look: next, as: LOOKS[next]! });
}
async function moveByKey(f: FunctionRow, step: number, event: KeyboardEvent): Promise<void> {
  event.preventDefault();
  moveTo(f.name, rows.value.findIndex((r) => r.name === f.name) + step);
  await nextTick();
  list.value?.querySelector<HTMLElement>(`[data-name="${CSS.escape(f.name)}"]`)?.focus();
}
let endSorting = () => {};
onBeforeUnmount(() => endSorting());
onMounted(async () => {
  const { default: Sortable } = await import("sortablejs").catch(() => ({ default: null }));
  if (!list.value || !Sortable) return;
  const sorting = Sortable.create(list.value, {
    handle: ".handle",
    animation: 120,
    onEnd: (event) => {
      if (event.oldIndex === undefined || event.newIndex === undefined) return;
      // The list is drawn from the case; the row goes back where it was and the case is changed.
      const { item, from } = event;
      from.insertBefore(item, from.children[event.oldIndex + (event.oldIndex > event.newIndex ? 1 : 0)] ?? null);
      moveTo(rows.value[event.oldIndex]!.name, event.newIndex);
    },
  });
  endSorting = () => sorting.destroy();
});
function openForm(id: string | null): void {
  formWanted.value = id;
  formsDialog.value = true;
}
function openPieces(name: string | null): void {
  piecesOf.value = name;
  piecesDialog.value = true;
}
defineExpose({ openForm });
function show(f: FunctionRow): void {
  store.apply({ kind: "showFunction", name: f.name, shown: f.shown === false });
}
const remove = (f: FunctionRow): void => takeOff({ kind: "function", name: f.name }, props.desk?.links ?? []);
</script>

<template>
  <section class="panel" aria-labelledby="functions-title">
    <div class="panel-head">
      <h2 id="functions-title" class="panel-title" tabindex="-1">
        Functions<span class="panel-count">{{ rows.length }}</span>
      </h2>
      <Button v-if="rows.length > 3" link class="forms" :aria-expanded="mapShown" @click="mapShown = !mapShown">
        Map
      </Button>
      <Button link :class="{ forms: rows.length <= 3 }" @click="openForm(null)"> Forms </Button>
      <Button link @click="openPieces(null)">Pieces</Button>
      <Button
        link
        @click="emit('begin', document.variables?.[0] ? `f(${document.variables[0].name}) = ` : 'x = 0 … 10')"
      >
        + Function
      </Button>
    </div>
    <p v-if="rows.length === 0" class="quiet">
      No function yet. Write one on the entry line: <code>C(q) = 90 + 7 q</code>, or a line through two readings:
      <code>p(q) = line (240, 6), (150, 9)</code>.
    </p>
    <FormsDialog v-if="formsWanted" v-model:visible="formsDialog" :wanted="formWanted" />
    <PiecesDialog v-if="piecesWanted" v-model:visible="piecesDialog" :document="document" :edited="piecesOf" />
    <FunctionMap
      v-if="mapShown && rows.length > 3"
      :names="rows.map((f) => f.name)"
      :links="desk?.links ?? []"
      :lit="lit"
      :colours="colours"
      @point="emit('point', $event)"
      @choose="list?.querySelector<HTMLElement>(`[data-name='${$event}']`)?.focus()"
    />
    <ul ref="list">
      <li
        v-for="(f, i) in rows"
        :key="f.name"
        v-memo="[f, i, shown(f.name), slipsOf(f.name), dim(f.name)]"
        class="row"
        :class="{ dim: dim(f.name), hidden: f.shown === false }"
        tabindex="-1"
        data-row
        :data-name="f.name"
        @keydown.alt.up="moveByKey(f, -1, $event)"
        @keydown.alt.down="moveByKey(f, 1, $event)"
        @mouseenter="emit('point', `function:${f.name}`)"
        @mouseleave="emit('point', null)"
        @focusin="emit('point', `function:${f.name}`)"
        @focusout="emit('point', null)"
      >
        <span class="handle" title="Drag to reorder; Alt and an arrow key move it too" aria-hidden="true"
          ><GripVertical :size="14"
        /></span>
        <Button
          text
          class="swatch"
          :aria-label="`Line of ${f.name}: ${LOOKS[lookOf(f, i)]}. Next colour`"
          title="Next colour"
          @click="recolour(f, i)"
        >
          <svg width="26" height="12" aria-hidden="true">
            <line
              x1="0"
              y1="6"
              x2="26"
              y2="6"
              stroke-width="3"
              :stroke="`var(--curve-${lookOf(f, i)})`"
              :stroke-dasharray="dash(lookOf(f, i))"
            />
          </svg>
        </Button>
        <div class="formula">
          <EditText
            v-if="f.by.kind !== 'fit'"
            plain
            :value="written(f)"
            :label="`Formula of ${f.name}`"
            :check="checkFormula(f)"
            @keep="setFormula(f, $event)"
          >
            <template #field="line">
              <CodeLine
                :model-value="line.text"
                :document="document"
                :label="`Formula of ${f.name}`"
                :described-by="line.describedBy"
                opens
                @update:model-value="line.typed"
                @enter="line.keep"
                @leave="line.leave"
                @focused="line.focused"
              />
            </template>
            <MathText v-if="shown(f.name)?.latex" :latex="shown(f.name)!.latex" :text="written(f)" /><code v-else>{{
              written(f)
            }}</code>
          </EditText>
          <MathText v-else-if="shown(f.name)?.latex" :latex="shown(f.name)!.latex" :text="shown(f.name)!.text" />
          <span v-else>{{ f.name }}({{ f.of }})</span>
        </div>
        <span class="unit"
          ><EditText
            plain
            :value="f.unit ?? ''"
            :placeholder="shown(f.name)?.unit || 'unit'"
            :label="`Unit of ${f.name}`"
            :check="checkUnit"
            @keep="setField(f, 'unit', $event)"
        /></span>
        <span class="tools">
          <Button
            v-if="f.by.kind === 'pieces' || f.by.kind === 'formula'"
            text
            class="icon-button"
            :aria-label="`Pieces of ${f.name}`"
            title="By pieces"
            @click="openPieces(f.name)"
          >
            <SplitSquareVertical :size="15" aria-hidden="true" />
          </Button>
          <Button
            text
            class="icon-button"
            :aria-pressed="f.shown !== false"
            :aria-label="`Draw ${f.name}`"
            @click="show(f)"
          >
            <EyeOff v-if="f.shown === false" :size="15" aria-hidden="true" /><Eye
              v-else
              :size="15"
              aria-hidden="true"
            />
          </Button>
          <Button text class="icon-button" :aria-label="`Delete ${f.name}`" @click="remove(f)">
            <IconBin />
          </Button>
        </span>
        <p class="note">
          <EditText
            plain
            :value="f.label ?? ''"
            placeholder="name it in words"
            :label="`Meaning of ${f.name}`"
            @keep="setField(f, 'label', $event)"
          />
          <template v-if="shown(f.name)?.note"> · {{ shown(f.name)!.note }}</template>
          <template v-if="shown(f.name)?.unitsAgree === true"> · <span class="agree">units agree</span></template>
        </p>
        <p v-if="shown(f.name)?.trouble" class="problem wide"><PlainText :text="shown(f.name)!.trouble!" /></p>
        <p v-else-if="shown(f.name)?.unitMessage && !isSlip(f.name, shown(f.name)!.unitMessage!)" class="problem wide">
          <PlainText :text="shown(f.name)!.unitMessage!" />
        </p>
        <template v-for="w in shown(f.name)?.warnings ?? []" :key="w"
          ><p v-if="!isSlip(f.name, w)" class="problem wide"><PlainText :text="w" /></p
        ></template>
        <SlipNote v-for="s in slipsOf(f.name)" :key="s.message" class="wide" :slip="s" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.forms {
  margin-left: auto;
}
.row {
  position: relative;
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto;
  column-gap: 0.75rem;
  align-items: center;
  padding: 0.4rem 0 0.5rem;
  border-bottom: 1px solid var(--hairline);
}
.handle {
  position: absolute;
  left: -0.95rem;
  top: 0.8rem;
  color: var(--ink-3);
  cursor: grab;
  opacity: 0;
}
.row:hover .handle {
  opacity: 1;
}
.swatch {
  border: 0;
  padding: 6px 0;
  background: none;
  cursor: pointer;
  line-height: 0;
}
.hidden .swatch {
  opacity: 0.3;
}
.formula {
  overflow-x: auto;
  overflow-y: hidden;
  padding: 2px 0;
}
.unit {
  color: var(--ink-2);
  font-size: 0.9rem;
}
.tools {
  display: flex;
  opacity: 0;
}
.row:hover .tools,
.row:focus-within .tools,
.hidden .tools {
  opacity: 1;
}
.note {
  grid-column: 2 / -1;
  color: var(--ink-2);
  font-size: 0.87rem;
}
.agree {
  color: var(--jade);
}
.wide {
  grid-column: 2 / -1;
}
code {
  font-family: inherit;
}
</style>
