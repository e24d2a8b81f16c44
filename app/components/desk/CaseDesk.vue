<script setup lang="ts">
import { useTimeoutFn } from "@vueuse/core";
import type { View } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { Slip } from "#core/slips";
import type { Analysis } from "~/composables/useAnalysis";
import type DeskEntry from "./DeskEntry.vue";
import type DeskFunctions from "./DeskFunctions.vue";
import type DeskStory from "./DeskStory.vue";
import { isBlank } from "#core/edit";

/** Ways to begin come with the first case that has nothing in it. */
const DeskBeginning = later(() => import("./DeskBeginning.vue"));

/** The Desk: story, graph and entry line, and under them the lists of givens, functions and findings. */
const props = defineProps<{
  analysis: Analysis;
  shown: CaseFile;
  /** keys that what is pointed at came from, or leads to */
  lit: ReadonlySet<string> | null;
  /** what is drawn faintly to compare with */
  ghostName: string | null;
}>();
const view = defineModel<View>("view", { required: true });
const emit = defineEmits<{ point: [key: string | null]; compare: []; data: []; foreign: [text: string] }>();
const entry = useTemplateRef<InstanceType<typeof DeskEntry>>("entry");
const functionsPanel = useTemplateRef<InstanceType<typeof DeskFunctions>>("functionsPanel");
const story = useTemplateRef<InstanceType<typeof DeskStory>>("story");
const desk = computed(() => props.analysis.desk);

const storySlips = computed((before: Slip[] | undefined) =>
  shareParts(
    before,
    props.analysis.slips.filter((x) => x.key === "story"),
  ),
);
const colours = computed((before: Record<string, number> | undefined) =>
  shareParts(before, Object.fromEntries((props.analysis.picture?.curves ?? []).map((c) => [c.name, c.colour]))),
);
/** An unfinished or broken formula keeps the last good picture, dimmed. */
const isBroken = computed(
  () => (desk.value?.functions ?? []).some((f) => f.trouble !== null) || props.analysis.failure !== null,
);

/** The lists wait for what is worked out of them, or for word that it takes long; and never longer than this, in ms. */
const MOMENT = 3000;
const isLate = ref(false);
useTimeoutFn(() => {
  isLate.value = true;
}, MOMENT);
const isVeiled = computed(() => {
  const { progress, failure, stopped } = props.analysis;
  return !isLate.value && desk.value === null && progress === null && failure === null && !stopped;
});

/** A new finding is put in sight once it is drawn, which takes about this long, in ms. */
const DRAWN = 60;
async function added(key: string): Promise<void> {
  await nextTick();
  if (key.startsWith("question:")) setTimeout(showLastFinding, DRAWN);
}
function showLastFinding(): void {
  const list = document.querySelector("#findings-title")?.closest("section");
  list?.querySelector("ol > li:last-child")?.scrollIntoView({ block: "nearest" });
}
const begin = (text: string): void => entry.value?.begin(text);
defineExpose({ write: () => entry.value?.focus(), begin });
</script>

<template>
  <main class="desk">
    <DeskStory ref="story" :document="shown" :lit="lit" :slips="storySlips" @point="emit('point', $event)" />
    <DeskBeginning v-if="isBlank(shown)" @story="story?.edit()" @data="emit('data')" @write="entry?.focus()" />
    <DeskGraph
      v-else
      v-model:view="view"
      :picture="analysis.picture"
      :document="shown"
      :lit="lit"
      :stale="isBroken"
      :waiting="desk === null && (shown.functions ?? []).length > 0"
      @point="emit('point', $event)"
    />
    <DeskEntry
      ref="entry"
      :document="shown"
      @added="added"
      @form="functionsPanel?.openForm($event)"
      @foreign="emit('foreign', $event)"
    />
    <div class="lower" :class="{ veiled: isVeiled }">
      <DeskGivens
        :document="shown"
        :desk="desk"
        :lit="lit"
        :slips="analysis.slips"
        :ghost-name="ghostName"
        @ghost="emit('compare')"
        @point="emit('point', $event)"
        @begin="begin"
      />
      <DeskFunctions
        ref="functionsPanel"
        :slips="analysis.slips"
        :document="shown"
        :desk="desk"
        :lit="lit"
        :colours="colours"
        @point="emit('point', $event)"
        @begin="begin"
      />
      <DeskFindings
        :document="shown"
        :desk="desk"
        :lit="lit"
        :stale="isBroken && analysis.working"
        :slips="analysis.slips"
        :ghost="analysis.ghostAnswers"
        :ghost-name="ghostName"
        :progress="analysis.progress"
        :stopped="analysis.stopped"
        :failed="analysis.failure !== null"
        @longer="analysis.lookLonger"
        @stop="analysis.stop"
        @resume="analysis.lookLonger(null)"
        @look="view = { ...view, ...$event }"
        @point="emit('point', $event)"
        @begin="begin"
      />
    </div>
    <p v-if="analysis.failure" class="problem failure" role="alert">
      The calculation stopped: {{ analysis.failure }}. What you typed is kept.
    </p>
  </main>
</template>

<style scoped>
/* What is worked out in a moment appears with all its lines, and moves nothing. */
.veiled {
  visibility: hidden;
}
.desk {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 29fr) minmax(0, 71fr);
  grid-template-rows: minmax(300px, 355px) auto minmax(0, 1fr);
}
/* The desk fits the window: head, story, graph and entry line stay in sight, and what grows scrolls by itself. */
@media (min-width: 901px) and (min-height: 620px) {
  .desk {
    flex: none;
    height: calc(100dvh - var(--head-height));
    grid-template-rows: minmax(250px, 46fr) auto minmax(180px, 54fr);
  }
  .desk .lower {
    min-height: 0;
  }
  .desk .lower > * {
    overflow-y: auto;
    padding-top: 0;
  }
  .desk .lower :deep(.panel-head) {
    position: sticky;
    top: 0;
    z-index: 1;
    padding-top: 0.85rem;
    background: inherit;
  }
}
.desk > :nth-child(1) {
  border-right: 1px solid var(--hairline);
}
/* Each part is painted by itself, so that one that moves leaves the others as they are; what opens within one lies over
   its neighbours. */
.desk > :not(.lower),
.lower > * {
  isolation: isolate;
}
.desk > :nth-child(1),
.desk > :not(.lower):focus-within {
  z-index: 3;
}
.lower > :focus-within {
  z-index: 2;
}
.entry,
.lower,
.failure {
  grid-column: 1 / -1;
}
.lower {
  display: grid;
  grid-template-columns: 29fr 34fr 37fr;
  background: var(--paper);
}
.lower > * {
  padding: 0.85rem 1.1rem;
  min-width: 0;
}
.lower > * + * {
  border-left: 1px solid var(--hairline);
}
.failure {
  padding: 0.8rem 1.1rem;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }
  .desk > :nth-child(1) {
    border-right: 0;
    border-bottom: 1px solid var(--hairline);
  }
  /* The graph stays in sight; ways to begin are as long as they are. */
  .desk > :nth-child(2):not(.beginning) {
    position: sticky;
    top: 0;
    z-index: 4;
    height: 300px;
  }
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
  .lower > * + * {
    border-left: 0;
    border-top: 1px solid var(--hairline);
  }
}
</style>
