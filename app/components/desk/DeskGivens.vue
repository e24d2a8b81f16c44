<script setup lang="ts">
import { readAmountText, retypedAmount, parseUnit } from "#core/units";
import { formatQuantity } from "#core/explain";
import type { CaseFile, Given } from "#core/model";
import { trackOf, type Desk } from "#core/desk";
import type { Slip } from "#core/slips";

const props = defineProps<{
  document: CaseFile;
  desk: Desk | null;
  lit: ReadonlySet<string> | null;
  slips: readonly Slip[];
  ghostName: string | null;
}>();
const emit = defineEmits<{ point: [key: string | null]; begin: [text: string]; ghost: [] }>();
const store = useCaseStore();
const takeOff = useTakeOff();

const rows = computed(() => props.document.givens ?? []);
const variables = computed(() => props.document.variables ?? []);
const deskOf = (name: string) => props.desk?.givens.find((g) => g.name === name);
const shownVariable = (name: string) => props.desk?.variables.find((v) => v.name === name);
const unitOf = (g: Given) => (g.unit ? parseUnit(g.unit).unit : null);
const shown = (g: Given) => formatQuantity(g.value, unitOf(g), 12);
const NONE: readonly Slip[] = [];
const slipsBy = computed(() => new Map(props.slips.map((s) => [s.key, props.slips.filter((r) => r.key === s.key)])));
const slipsOf = (key: string) => slipsBy.value.get(key) ?? NONE;
const isSlip = (name: string, message: string) => slipsOf(`given:${name}`).some((s) => s.message === message);
const dim = (key: string) => props.lit !== null && !props.lit.has(key);

function checkValue(text: string): string | null {
  const read = readAmountText(text);
  return read && read.rest.trim() === ""
    ? null
    : "A number should stand here, with its unit if it changes: 180, $180, 4.2 %.";
}
function setValue(g: Given, text: string): void {
  const read = readAmountText(text);
  if (!read) return;
  store.apply({ kind: "setGiven", name: g.name, ...retypedAmount(read, g.unit) });
}
/** A step that a track of this length moves by: round, and about 200 to the track. */
function stepOf(g: Given): number {
  const width = g.vary!.to - g.vary!.from;
  const raw = width / 200;
  const power = 10 ** Math.floor(Math.log10(raw || 1));
  return [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? raw;
}
function slide(g: Given, value: number | number[]): void {
  const v = Number((Array.isArray(value) ? value[0]! : value).toPrecision(12));
  store.apply({ kind: "slideGiven", name: g.name, value: v, in: "desk" });
}
/** Where the hand is now; while it drags, the rest of the row waits for its answers. */
const here = (g: Given) => store.document?.givens?.find((r) => r.name === g.name)?.value ?? g.value;
/**
 * A handle that is held keeps the pointer: what lies under a hand that strays from the track neither answers nor lights
 * up.
 */
function hold(event: PointerEvent): void {
  const handle = (event.target as Element).closest('[role="slider"]');
  if (handle && event.button === 0) handle.setPointerCapture(event.pointerId);
}
function vary(g: Given): void {
  store.apply({ kind: "setTrack", name: g.name, track: g.vary ? null : trackOf(g.value) });
}
function setLabel(list: "givens" | "variables", name: string, label: string): void {
  store.apply({ kind: list === "givens" ? "describeGiven" : "describeVariable", name, label });
}
function checkRange(text: string): string | null {
  return text.split(/\s*(?:…|\.\.\.?|\bto\b)\s*/).length === 2
    ? null
    : "A range has two ends, as in 0 … 320; ∞ leaves an end open.";
}
function setRange(name: string, text: string): void {
  const [from, to] = text.split(/\s*(?:…|\.\.\.?|\bto\b)\s*/);
  const bound = (t: string) => {
    const s = t.trim();
    if (s === "" || /∞/.test(s)) return undefined;
    if (rows.value.some((g) => g.name === s)) return s;
    const read = readAmountText(s);
    return read && /^[\s−\-\d.$€£]/.test(s) && read.rest.trim() === "" ? read.value : s;
  };
  store.apply({ kind: "setRange", name, from: bound(from ?? ""), to: bound(to ?? "") });
}
function toggleWhole(name: string): void {
  const isWhole = store.document?.variables?.find((v) => v.name === name)?.whole === true;
  store.apply({ kind: "setWhole", name, whole: !isWhole });
}
const rangeText = (v: { from?: number | string | undefined; to?: number | string | undefined }) =>
  `${v.from ?? "−∞"} … ${v.to ?? "∞"}`;
const remove = (list: "givens" | "variables", name: string): void =>
  takeOff({ kind: list === "givens" ? "given" : "variable", name }, props.desk?.links ?? []);
</script>

<template>
  <section class="panel" aria-labelledby="givens-title">
    <div class="panel-head">
      <h2 id="givens-title" class="panel-title" tabindex="-1">
        Givens<span class="panel-count">{{ rows.length + variables.length }}</span>
      </h2>
      <Button
        v-if="rows.length > 0"
        link
        class="compare"
        :title="ghostName ? `Compared with ${ghostName}` : 'Keep these numbers as a faint curve to compare with'"
        @click="emit('ghost')"
      >
        {{ ghostName ? "End comparing" : "Compare" }}
      </Button>
      <Button link @click="emit('begin', '')">+ Given</Button>
    </div>
    <p v-if="rows.length + variables.length === 0" class="quiet">
      Nothing is given yet. Write a variable (<code>q = 0 … 320 lanterns, whole</code>) or a number (<code
        >F = 180 $</code
      >) on the entry line, or select a number in the story.
    </p>
    <ul>
      <li
        v-for="v in variables"
        :key="`v:${v.name}`"
        v-memo="[v, shownVariable(v.name), slipsOf(`variable:${v.name}`), dim(`variable:${v.name}`)]"
        class="row"
        :class="{ dim: dim(`variable:${v.name}`) }"
        tabindex="-1"
        data-row
        :data-variable="v.name"
        @mouseenter="emit('point', `variable:${v.name}`)"
        @mouseleave="emit('point', null)"
        @focusin="emit('point', `variable:${v.name}`)"
        @focusout="emit('point', null)"
      >
        <span class="name">{{ v.name }}</span>
        <span class="what"
          ><EditText
            plain
            :value="v.label ?? ''"
            placeholder="what it is"
            :label="`Meaning of ${v.name}`"
            @keep="setLabel('variables', v.name, $event)"
          />
          <Button
            text
            class="tag"
            :class="{ off: !v.whole }"
            :aria-pressed="v.whole === true"
            :title="v.whole ? 'Only whole numbers count' : 'Any number counts'"
            @click="toggleWhole(v.name)"
          >
            whole
          </Button></span
        >
        <span class="value"
          ><EditText
            plain
            :value="rangeText(v)"
            :label="`Range of ${v.name}`"
            :check="checkRange"
            @keep="setRange(v.name, $event)"
            ><b>{{ shownVariable(v.name)?.range ?? rangeText(v).replaceAll("-", "−") }}</b></EditText
          ></span
        >
        <Button text class="icon-button" :aria-label="`Delete ${v.name}`" @click="remove('variables', v.name)">
          <IconBin />
        </Button>
        <SlipNote v-for="s in slipsOf(`variable:${v.name}`)" :key="s.message" class="wide" :slip="s" />
      </li>
      <li
        v-for="g in rows"
        :key="`g:${g.name}`"
        v-memo="[g, deskOf(g.name)?.warnings, slipsOf(`given:${g.name}`), dim(`given:${g.name}`)]"
        class="row"
        :class="{ dim: dim(`given:${g.name}`) }"
        tabindex="-1"
        data-row
        :data-given="g.name"
        @mouseenter="emit('point', `given:${g.name}`)"
        @mouseleave="emit('point', null)"
        @focusin="emit('point', `given:${g.name}`)"
        @focusout="emit('point', null)"
      >
        <span class="name">{{ g.name }}</span>
        <span class="what"
          ><EditText
            plain
            :value="g.label ?? ''"
            placeholder="what it is"
            :label="`Meaning of ${g.name}`"
            @keep="setLabel('givens', g.name, $event)"
        /></span>
        <span class="value"
          ><EditText
            plain
            :value="shown(g)"
            :label="`Value of ${g.name}`"
            :check="checkValue"
            @keep="setValue(g, $event)"
            ><b>{{ shown(g) }}</b></EditText
          ></span
        >
        <Button text class="icon-button" :aria-label="`Delete ${g.name}`" @click="remove('givens', g.name)">
          <IconBin />
        </Button>
        <div v-if="g.vary" class="track" @pointerdown="hold">
          <Slider
            :model-value="here(g)"
            :min="g.vary.from"
            :max="g.vary.to"
            :step="stepOf(g)"
            :pt="{ handle: { 'aria-label': `Vary ${g.name}` } }"
            @update:model-value="slide(g, $event)"
          />
          <Button link class="small" :aria-label="`Stop varying ${g.name}`" @click="vary(g)"> fix </Button>
        </div>
        <div v-else class="track bare">
          <Button link class="small" :aria-label="`Vary ${g.name}`" @click="vary(g)">vary</Button>
        </div>
        <template v-for="w in deskOf(g.name)?.warnings ?? []" :key="w"
          ><p v-if="!isSlip(g.name, w)" class="problem wide"><PlainText :text="w" /></p
        ></template>
        <SlipNote v-for="s in slipsOf(`given:${g.name}`)" :key="s.message" class="wide" :slip="s" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.compare {
  margin-left: auto;
}
.row {
  display: grid;
  grid-template-columns: 2.2rem minmax(0, 1fr) auto 1.4rem;
  column-gap: 0.5rem;
  align-items: baseline;
  padding: 0.45rem 0;
  border-bottom: 1px solid var(--hairline);
}
.row .icon-button {
  opacity: 0;
}
.row:hover .icon-button,
.row:focus-within .icon-button {
  opacity: 1;
}
.name {
  font-family: var(--book);
  font-style: italic;
  font-size: 1.1rem;
  overflow-wrap: anywhere;
}
.what {
  color: var(--ink-2);
  min-width: 0;
}
.value {
  text-align: right;
}
.tag {
  border: 0;
  border-radius: 9px;
  padding: 1px 8px;
  margin-left: 0.4rem;
  background: var(--hairline);
  color: var(--ink);
  font-size: 0.78rem;
  cursor: pointer;
}
.tag.off {
  background: none;
  color: var(--ink-2);
  text-decoration: line-through;
  opacity: 0;
}
.row:hover .tag.off,
.row:focus-within .tag.off {
  opacity: 1;
}
.track {
  grid-column: 2 / -1;
  display: flex;
  align-items: center;
  gap: 0.9rem;
  padding: 0.35rem 0 0.1rem 0.5rem;
}
.track .p-slider {
  flex: 1;
}
.bare {
  justify-content: flex-end;
  padding: 0;
  height: 0;
  opacity: 0;
}
.row:hover .bare,
.row:focus-within .bare {
  opacity: 1;
  height: auto;
}
.small {
  font-size: 0.8rem;
  font-weight: 400;
}
.wide {
  grid-column: 1 / -1;
}
.icon-button {
  align-self: center;
}
</style>
