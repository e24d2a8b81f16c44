<script setup lang="ts">
import { keyOfMark, storyRuns } from "#core/story";
import type { CaseFile, Mark } from "#core/model";
import type { Offer } from "#core/reading";
import { offeredMarks, type OfferedMark } from "~/utils/offeredMarks";

/** The text of the story with its marks, and the words of what it offers; what is pointed at lights up. */
const props = defineProps<{
  document: CaseFile;
  lit: ReadonlySet<string> | null;
  offers: readonly Offer[];
  pointed: string | null;
}>();
const emit = defineEmits<{
  point: [key: string | null];
  pointOffer: [key: string | null];
  open: [place: DOMRect, index: number];
}>();
const text = computed(() => props.document.story?.text ?? "");
const marks = computed(() => props.document.story?.marks ?? []);
const runs = computed(() => storyRuns(text.value, [...marks.value, ...offeredMarks(props.offers, marks.value)]));
const offerOf = (m: Mark): string | null => (m as OfferedMark).offer ?? null;
const keyOf = (m: Mark) => keyOfMark(m, props.document);
function isDim(m: Mark): boolean {
  const offer = offerOf(m);
  if (props.pointed !== null || offer !== null) return props.pointed !== null && props.pointed !== offer;
  const key = keyOf(m);
  return props.lit !== null && !(key !== null && props.lit.has(key));
}
const labelOf = (phrase: string, m: Mark) =>
  offerOf(m) === null ? `${phrase}, ${m.role}${m.of ? ` ${m.of}` : ""}` : `${phrase}, offered as ${m.role}`;
function point(m: Mark | null): void {
  const offer = m && offerOf(m);
  if (m === null || offer !== null) emit("pointOffer", offer);
  if (m === null || offer === null) emit("point", m && keyOf(m));
}
function open(event: Event, m: Mark, index: number): void {
  const offer = offerOf(m);
  if (offer === null) emit("open", (event.currentTarget as HTMLElement).getBoundingClientRect(), index);
  else document.querySelectorAll<HTMLElement>("[data-offer]")[props.offers.findIndex((o) => o.key === offer)]?.focus();
}
</script>

<template>
  <p v-memo="[text, marks, lit, offers, pointed]" class="text">
    <template v-for="run in runs" :key="run.start"
      ><!--
    --><span
        v-if="run.mark"
        role="button"
        tabindex="0"
        class="story-mark"
        :class="[run.mark.role, { dim: isDim(run.mark) }]"
        :data-start="run.start"
        :aria-label="labelOf(run.text, run.mark)"
        @mouseenter="point(run.mark)"
        @mouseleave="point(null)"
        @focus="point(run.mark)"
        @blur="point(null)"
        @click="open($event, run.mark, run.index)"
        @keydown.enter.prevent="open($event, run.mark, run.index)"
        @keydown.space.prevent="open($event, run.mark, run.index)"
        >{{ run.text }}</span
      ><!--
    --><span v-else :data-start="run.start">{{ run.text }}</span></template
    >
  </p>
</template>

<style scoped>
.text {
  font-family: var(--book);
  font-size: 1.03rem;
  line-height: 1.66;
  white-space: pre-wrap;
}
</style>

<style>
/* How a marked phrase looks: in the story, and where its kind is chosen. */
.story-mark {
  padding: 1px 2px 0;
  box-decoration-break: clone;
  -webkit-box-decoration-break: clone;
  cursor: pointer;
  color: inherit;
  border-radius: 3px 3px 0 0;
  white-space: pre-wrap;
}
.story-mark.given {
  background: var(--amber-soft);
  border-bottom: 2px solid var(--amber);
}
.story-mark.relation {
  background: var(--violet-soft);
  border-bottom: 2px dashed var(--violet);
}
.story-mark.limit {
  background: var(--brick-soft);
  border-bottom: 3px double var(--brick);
}
.story-mark.question {
  background: var(--jade-soft);
  border-bottom: 2px dotted var(--jade);
}
.story-mark.dim {
  background: none;
}
</style>
