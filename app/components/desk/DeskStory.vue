<script setup lang="ts">
import { readAmountText } from "#core/units";
import { interpret, storyRuns, type Entry } from "#core/story";
import type { CaseFile, Mark, MarkRole } from "#core/model";
import type { Slip } from "#core/slips";
import type { ComponentPublicInstance } from "vue";

const props = defineProps<{ document: CaseFile; lit: ReadonlySet<string> | null; slips: readonly Slip[] }>();
const emit = defineEmits<{ point: [key: string | null] }>();
const store = useCaseStore();
const ROLES: { role: MarkRole; text: string }[] = [
  { role: "given", text: "given" },
  { role: "relation", text: "relation" },
  { role: "limit", text: "limit" },
  { role: "question", text: "question" },
];

const text = computed(() => props.document.story?.text ?? "");
const runs = computed(() => storyRuns(text.value, props.document.story?.marks ?? []));

// ---- the text edited in place
const editing = ref(false);
const draft = ref("");
const area = useTemplateRef<ComponentPublicInstance>("area");
async function edit(): Promise<void> {
  draft.value = text.value;
  editing.value = true;
  choice.value = null;
  await nextTick();
  (area.value?.$el as HTMLElement | undefined)?.focus();
}
function typed(now: string | undefined): void {
  draft.value = now ?? "";
  store.apply({ kind: "editStory", text: draft.value });
}
function done(): void {
  editing.value = false;
}

// ---- a phrase selected becomes a mark
interface Choice {
  start: number;
  end: number;
  phrase: string;
  x: number;
  y: number;
  existing: number | null;
}
const choice = ref<Choice | null>(null);
const role = ref<MarkRole>("given");
const name = ref("");
const problem = ref<string | null>(null);
const page = useTemplateRef<HTMLElement>("page");
const nameField = useTemplateRef<ComponentPublicInstance>("nameField");

function offsetOf(node: Node, offset: number): number | null {
  const run = (node.nodeType === 3 ? node.parentElement : (node as Element))?.closest<HTMLElement>("[data-start]");
  return run ? Number(run.dataset.start) + (node.nodeType === 3 ? offset : 0) : null;
}
function selected(): void {
  const s = window.getSelection();
  if (!s || s.isCollapsed || !page.value?.contains(s.anchorNode)) return;
  const range = s.getRangeAt(0);
  let start = offsetOf(range.startContainer, range.startOffset);
  let end = offsetOf(range.endContainer, range.endOffset);
  if (start === null || end === null || end <= start) return;
  while (start < end && /\s/.test(text.value[start]!)) start++;
  while (end > start && /[\s]/.test(text.value[end - 1]!)) end--;
  if (end <= start) return;
  const place = range.getBoundingClientRect();
  begin(start, end, place, null);
}
function begin(start: number, end: number, place: DOMRect, existing: number | null): void {
  const home = page.value!.getBoundingClientRect();
  const phrase = text.value.slice(start, end);
  const mark = existing === null ? null : props.document.story!.marks![existing]!;
  role.value = mark?.role ?? guessRole(phrase);
  name.value = mark?.of ?? "";
  problem.value = null;
  choice.value = {
    start,
    end,
    phrase,
    existing,
    x: Math.max(0, Math.min(place.left - home.left, home.width - 300)),
    y: place.bottom - home.top + 6,
  };
  void nextTick(() => (nameField.value?.$el as HTMLElement | undefined)?.focus());
}
function guessRole(phrase: string): MarkRole {
  if (/\b(at most|at least|no more|up to|not more|only|maximum|minimum)\b/i.test(phrase)) return "limit";
  if (/\b(how|which|when|what|where)\b|\?/i.test(phrase)) return "question";
  return (phrase.match(/\d+/g) ?? []).length > 1 && !/\d,\d{3}/.test(phrase) ? "relation" : "given";
}
const amount = computed(() => (choice.value ? readAmountText(choice.value.phrase) : null));
const known = computed(() => {
  const d = props.document;
  if (role.value === "question") return (d.questions ?? []).map((q) => q.id);
  return [...(d.givens ?? []), ...(d.variables ?? []), ...(d.functions ?? [])].map((r) => r.name);
});
const hint = computed(() => {
  if (!choice.value) return "";
  if (role.value === "question") return "Number of a question it asks, such as q1; or leave it empty.";
  if (known.value.includes(name.value.trim())) return `Belongs to ${name.value.trim()}.`;
  if ((role.value === "given" || role.value === "limit") && amount.value) {
    const { value, unit } = amount.value;
    return `A new name becomes a given with the value ${value}${unit ? ` ${unit}` : ""}.`;
  }
  return "Name of the given, variable or function it became.";
});
function keepMark(): void {
  const c = choice.value;
  if (!c) return;
  const of = name.value.trim();
  let entry: Entry | undefined;
  if (of && !known.value.includes(of)) {
    if (role.value === "question" || !amount.value || role.value === "relation") {
      const there = known.value.length > 0 ? `Known: ${known.value.join(", ")}.` : "Write it on the entry line first.";
      problem.value = `${of} is not known in this case. ${there}`;
      return;
    }
    const { value, unit } = amount.value;
    const written = unit?.startsWith("%") ? `${value * 100} ${unit.replace("/", " per ")}` : `${value} ${unit ?? ""}`;
    const made = interpret(`${of} = ${written}`, props.document);
    if (!made.ok) {
      problem.value = made.message;
      return;
    }
    entry = made.entry;
  }
  const mark: Mark = { start: c.start, end: c.end, role: role.value, ...(of ? { of } : {}) };
  store.apply({ kind: "mark", mark, existing: c.existing, entry });
  leave();
}
function removeMark(): void {
  const c = choice.value;
  if (!c || c.existing === null) return;
  store.apply({ kind: "unmark", index: c.existing });
  leave();
}
function leave(): void {
  choice.value = null;
  window.getSelection()?.removeAllRanges();
}

const keyOf = (m: Mark): string | null => {
  if (!m.of) return null;
  const d = props.document;
  if (m.role === "question" || d.questions?.some((q) => q.id === m.of)) return `question:${m.of}`;
  return d.givens?.some((g) => g.name === m.of)
    ? `given:${m.of}`
    : d.functions?.some((f) => f.name === m.of)
      ? `function:${m.of}`
      : `variable:${m.of}`;
};
const dimmed = (m: Mark) => props.lit !== null && !(keyOf(m) && props.lit.has(keyOf(m)!));
function openMark(event: MouseEvent | KeyboardEvent, index: number): void {
  const m = props.document.story!.marks![index]!;
  begin(m.start, m.end, (event.currentTarget as HTMLElement).getBoundingClientRect(), index);
}
defineExpose({ focus: () => page.value?.focus(), edit });
</script>

<template>
  <section class="story" aria-labelledby="story-title">
    <div class="panel-head">
      <h2 id="story-title" class="panel-title">Story</h2>
      <Button v-if="!editing" link @click="edit">Edit</Button>
      <Button v-else link @click="done">Done</Button>
    </div>
    <Textarea
      v-if="editing"
      ref="area"
      class="draft"
      aria-label="Text of the story"
      :model-value="draft"
      @update:model-value="typed"
      @keydown.esc.stop="done"
    />
    <div
      v-else
      ref="page"
      class="page"
      tabindex="0"
      role="group"
      aria-label="Story; select a phrase to mark it"
      @mouseup="selected"
      @keyup.shift="selected"
    >
      <p v-if="!text" class="quiet">
        No story yet. <Button link @click="edit">Write or paste one</Button>, then select phrases to say what they are.
      </p>
      <p v-else v-memo="[text, document.story?.marks, lit]" class="text">
        <template v-for="run in runs" :key="run.start"
          ><!--
        --><span
            v-if="run.mark"
            role="button"
            tabindex="0"
            class="mark"
            :class="[run.mark.role, { dim: dimmed(run.mark) }]"
            :data-start="run.start"
            :aria-label="`${run.text}, ${run.mark.role}${run.mark.of ? ` ${run.mark.of}` : ''}`"
            @mouseenter="emit('point', keyOf(run.mark))"
            @mouseleave="emit('point', null)"
            @focus="emit('point', keyOf(run.mark))"
            @blur="emit('point', null)"
            @click="openMark($event, run.index)"
            @keydown.enter.prevent="openMark($event, run.index)"
            @keydown.space.prevent="openMark($event, run.index)"
            >{{ run.text }}</span
          ><!--
        --><span v-else :data-start="run.start">{{ run.text }}</span></template
        >
      </p>
      <form
        v-if="choice"
        class="choose"
        :style="{ left: `${choice.x}px`, top: `${choice.y}px` }"
        aria-label="Mark this phrase"
        @submit.prevent="keepMark"
        @keydown.esc.stop="leave"
        @mouseup.stop
      >
        <div class="roles" role="radiogroup" aria-label="What the phrase is">
          <label v-for="r in ROLES" :key="r.role" :class="['mark', r.role, { off: role !== r.role }]"
            ><RadioButton v-model="role" name="role" :value="r.role" class="sr-only" />{{ r.text }}</label
          >
        </div>
        <label class="naming"
          >name
          <InputText
            ref="nameField"
            v-model="name"
            size="small"
            list="known-names"
            spellcheck="false"
            autocomplete="off"
            @input="problem = null"
        /></label>
        <datalist id="known-names"><option v-for="k in known" :key="k" :value="k" /></datalist>
        <p v-if="problem" class="problem" role="alert"><PlainText :text="problem" /></p>
        <p v-else class="quiet">{{ hint }}</p>
        <div class="row">
          <Button type="submit" size="small" label="Mark" /><Button
            v-if="choice.existing !== null"
            link
            @click="removeMark"
          >
            Remove mark</Button
          ><Button link @click="leave">Leave</Button>
        </div>
      </form>
    </div>
    <div v-if="!editing && slips.length > 0" class="unused">
      <SlipNote v-for="s in slips" :key="s.message" :slip="s" />
    </div>
    <ul class="legend" aria-label="Kinds of marks">
      <li v-for="r in ROLES" :key="r.role"><i :class="r.role" />{{ r.text }}</li>
    </ul>
  </section>
</template>

<style scoped>
.story {
  display: flex;
  flex-direction: column;
  padding: 0.85rem 1.1rem;
  background: var(--paper);
  min-height: 0;
}
.page {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.text {
  font-family: var(--book);
  font-size: 1.03rem;
  line-height: 1.66;
  white-space: pre-wrap;
}
.draft {
  flex: 1;
  min-height: 12rem;
  resize: none;
  font-family: var(--book);
  font-size: 1.03rem;
  line-height: 1.66;
  color: inherit;
  background: var(--paper);
  border: 1px solid var(--jade);
  border-radius: 6px;
  padding: 0.4rem 0.6rem;
}
.mark {
  padding: 1px 2px 0;
  box-decoration-break: clone;
  -webkit-box-decoration-break: clone;
  cursor: pointer;
  color: inherit;
  border-radius: 3px 3px 0 0;
  white-space: pre-wrap;
}
.mark.given {
  background: var(--amber-soft);
  border-bottom: 2px solid var(--amber);
}
.mark.relation {
  background: var(--violet-soft);
  border-bottom: 2px dashed var(--violet);
}
.mark.limit {
  background: var(--brick-soft);
  border-bottom: 3px double var(--brick);
}
.mark.question {
  background: var(--jade-soft);
  border-bottom: 2px dotted var(--jade);
}
.mark.dim {
  background: none;
}
.unused {
  max-height: 6rem;
  overflow: auto;
  padding-top: 0.4rem;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  padding-top: 0.6rem;
  font-size: 0.8rem;
  color: var(--ink-2);
}
.legend li {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.legend i {
  width: 16px;
  height: 0;
}
.legend .given {
  border-bottom: 2px solid var(--amber);
}
.legend .relation {
  border-bottom: 2px dashed var(--violet);
}
.legend .limit {
  border-bottom: 3px double var(--brick);
}
.legend .question {
  border-bottom: 2px dotted var(--jade);
}
.choose {
  position: absolute;
  z-index: 5;
  width: 300px;
  padding: 0.7rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
  box-shadow: var(--float);
  display: grid;
  gap: 0.5rem;
  font-size: 0.9rem;
}
.roles {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
}
.roles .mark {
  padding: 2px 7px;
}
.roles .off {
  opacity: 0.6;
}
.roles label:has(:focus-visible) {
  outline: 2px solid var(--jade);
  outline-offset: 2px;
}
.roles label:not(.off) {
  font-weight: 700;
}
.naming {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.naming input {
  flex: 1;
  min-width: 0;
}
.row {
  display: flex;
  gap: 0.8rem;
  align-items: center;
}
</style>
