<script setup lang="ts">
import { keyOfMark, storyRuns } from "#core/story";
import type { CaseFile, Mark } from "#core/model";

/** The text of the story with its marks; what is pointed at lights up. */
const props = defineProps<{ document: CaseFile; lit: ReadonlySet<string> | null }>();
const emit = defineEmits<{ point: [key: string | null]; open: [place: DOMRect, index: number] }>();
const text = computed(() => props.document.story?.text ?? "");
const runs = computed(() => storyRuns(text.value, props.document.story?.marks ?? []));
const keyOf = (m: Mark) => keyOfMark(m, props.document);
function isDim(m: Mark): boolean {
  const key = keyOf(m);
  return props.lit !== null && !(key !== null && props.lit.has(key));
}
const labelOf = (phrase: string, { role, of }: Mark) => `${phrase}, ${role}${of ? ` ${of}` : ""}`;
const open = (event: Event, index: number): void =>
  emit("open", (event.currentTarget as HTMLElement).getBoundingClientRect(), index);
</script>

<template>
  <p v-memo="[text, document.story?.marks, lit]" class="text">
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
        @mouseenter="emit('point', keyOf(run.mark))"
        @mouseleave="emit('point', null)"
        @focus="emit('point', keyOf(run.mark))"
        @blur="emit('point', null)"
        @click="open($event, run.index)"
        @keydown.enter.prevent="open($event, run.index)"
        @keydown.space.prevent="open($event, run.index)"
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
