<script setup lang="ts">
import type { ComponentPublicInstance } from "vue";
import type { CaseFile } from "#core/model";
import type { Slip } from "#core/slips";
import type { StoryReading } from "~/composables/useReading";
import { MARK_ROLES, selectedStretch, type ChosenPhrase } from "~/utils/storyMarks";

/** It comes with the first phrase that is chosen. */
const MarkForm = later(() => import("./MarkForm.vue"));

/** The story: read with its marks, written in place; a phrase that is selected becomes a mark. */
const props = defineProps<{
  document: CaseFile;
  lit: ReadonlySet<string> | null;
  slips: readonly Slip[];
  reading: StoryReading;
}>();
const emit = defineEmits<{ point: [key: string | null] }>();
const store = useCaseStore();
const text = computed(() => props.document.story?.text ?? "");

// ---- the text edited in place
const isEditing = ref(false);
const draft = ref("");
const area = useTemplateRef<ComponentPublicInstance>("area");
async function edit(): Promise<void> {
  draft.value = text.value;
  isEditing.value = true;
  chosen.value = null;
  await nextTick();
  (area.value?.$el as HTMLElement | undefined)?.focus();
}
function typed(now: string | undefined): void {
  draft.value = now ?? "";
  store.apply({ kind: "editStory", text: draft.value });
  if (isPasted) void nextTick(() => props.reading.begin());
  isPasted = false;
}
/** A text that is pasted is read as soon as it stands there; one that is typed when it is left. */
let isPasted = false;
function done(): void {
  isEditing.value = false;
  if (text.value.trim() !== "") props.reading.begin();
}

/** A story that arrives in another way, pasted beside its field or brought back, is read as well. */
watch(text, (now) => {
  if (!isEditing.value && now.trim() !== "") props.reading.begin();
});
defineExpose({ edit });

// ---- a phrase selected becomes a mark
const page = useTemplateRef<HTMLElement>("page");
const chosen = shallowRef<ChosenPhrase | null>(null);
/** Width of the form, so that it stays within the story, in pixels; and its distance below the phrase. */
const FORM = { width: 300, below: 6 } as const;
function choose(start: number, end: number, place: DOMRect, existing: number | null): void {
  const home = page.value!.getBoundingClientRect();
  const x = Math.max(0, Math.min(place.left - home.left, home.width - FORM.width));
  const y = place.bottom - home.top + FORM.below;
  chosen.value = { start, end, phrase: text.value.slice(start, end), existing, x, y };
}
function selected(): void {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || !page.value?.contains(selection.anchorNode)) return;
  const range = selection.getRangeAt(0);
  const stretch = selectedStretch(range, text.value);
  if (stretch) choose(stretch.start, stretch.end, range.getBoundingClientRect(), null);
}
function open(place: DOMRect, index: number): void {
  const { start, end } = props.document.story!.marks![index]!;
  choose(start, end, place, index);
}
function leave(): void {
  chosen.value = null;
  window.getSelection()?.removeAllRanges();
}
</script>

<template>
  <section class="story" aria-labelledby="story-title">
    <div class="panel-head">
      <h2 id="story-title" class="panel-title">Story</h2>
      <p v-if="reading.isReading" class="quiet" role="status">Reading …</p>
      <Button v-else-if="reading.waiting > 0" link class="read" @click="reading.putOff(false)">
        {{ reading.waiting }} {{ reading.waiting === 1 ? "offer" : "offers" }}
      </Button>
      <Button v-if="!isEditing" link @click="edit">Edit</Button>
      <Button v-else link @click="done">Done</Button>
    </div>
    <Textarea
      v-if="isEditing"
      ref="area"
      class="draft"
      aria-label="Text of the story"
      :model-value="draft"
      @update:model-value="typed"
      @keydown.esc.stop="done"
      @paste="isPasted = true"
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
        No story yet. <Button link @click="edit">Write or paste one</Button>: it is read, and what it offers can be
        taken. Or select phrases to say what they are.
      </p>
      <StoryText
        v-else
        :document="document"
        :lit="lit"
        :offers="reading.shown"
        :pointed="reading.pointed"
        @point="emit('point', $event)"
        @point-offer="reading.point($event)"
        @open="open"
      />
      <MarkForm v-if="chosen" :document="document" :chosen="chosen" @leave="leave" />
    </div>
    <ProblemNote v-if="reading.failure" :text="`The story could not be read: ${reading.failure}`" />
    <div v-if="!isEditing && slips.length > 0" class="unused">
      <SlipNote v-for="s in slips" :key="s.message" :slip="s" />
    </div>
    <ul v-if="text" class="legend" aria-label="Kinds of marks">
      <li v-for="r in MARK_ROLES" :key="r"><i class="story-mark" :class="r" />{{ r }}</li>
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
  padding: 0;
  background: none;
}
</style>
