<script setup lang="ts">
import type { CaseFile } from "#core/model";
import type { Slip } from "#core/slips";
import type DeskEntry from "./DeskEntry.vue";
import type DeskFunctions from "./DeskFunctions.vue";
import type DeskStory from "./DeskStory.vue";
import { until } from "@vueuse/core";
import { isBlank } from "#core/edit";
import { showLastFinding } from "~/utils/showLastFinding";

/** Ways to begin come with the first case that has nothing in it, the table of values when it is asked for. */
const DeskBeginning = later(() => import("./DeskBeginning.vue"));
const DeskTable = later(() => import("./DeskTable.vue"));
/** What a story offers comes with the first story that is read. */
const ReadBar = later(() => import("./ReadBar.vue"));
const OfferList = later(() => import("./OfferList.vue"));

/** The Desk: story, graph and entry line, and under them the lists of givens, functions and findings. */
const props = defineProps<{
  shown: CaseFile;
  /** keys that what is pointed at came from, or leads to */
  lit: ReadonlySet<string> | null;
}>();
const analysis = useAnalysisStore();
// What waits for the graph is on the page before the graph is.
if ((props.shown.functions ?? []).length > 0) graphIsComing();
onBeforeUnmount(graphIsThere);
const emit = defineEmits<{ point: [key: string | null]; compare: []; data: []; foreign: [text: string] }>();
const entry = useTemplateRef<InstanceType<typeof DeskEntry>>("entry");
const functionsPanel = useTemplateRef<InstanceType<typeof DeskFunctions>>("functionsPanel");
const story = useTemplateRef<InstanceType<typeof DeskStory>>("story");
const { desk } = storeToRefs(analysis);

const storySlips = computed((before: Slip[] | undefined) =>
  shareParts(
    before,
    analysis.slips.filter((x) => x.key === "story"),
  ),
);
const colours = computed((before: Record<string, number> | undefined) =>
  shareParts(before, Object.fromEntries((analysis.picture?.curves ?? []).map((c) => [c.name, c.colour]))),
);
/** An unfinished or broken formula keeps the last good picture, dimmed. */
const isBroken = computed(
  () => (desk.value?.functions ?? []).some((f) => f.trouble !== null) || analysis.failure !== null,
);

const { isVeiled, has } = useVeil();

async function added(key: string): Promise<void> {
  changed();
  await nextTick();
  if (key.startsWith("question:")) showLastFinding();
}
/** Somebody who writes wants the line; what is offered waits. */
async function write(text?: string): Promise<void> {
  if (isOffering.value) reading.putOff(true);
  await until(entry).toBeTruthy();
  await nextTick();
  if (text === undefined) entry.value?.focus();
  else entry.value?.begin(text);
}
const begin = (text: string): void => void write(text);

const { isTable, isLarge, large, close: closeTable } = useDeskTable(() => isBlank(props.shown));
const hasTable = computed(() => isTable.value && analysis.picture !== null && !isBlank(props.shown));

// ---- what the story offers
const reading = useReading(() => props.shown);
const { isOffering, isDrawn, drawn, change, changed, goThrough } = useOffering(
  () => props.shown,
  reading,
  () => analysis.picture,
  begin,
);
defineExpose({ write: () => write(), begin, large, accept: () => isOffering.value && reading.takeAll() });
</script>

<template>
  <DeskLayout v-if="has('line')" :has-table="hasTable" :large="isLarge" :veiled="isVeiled">
    <template #head><FirstSteps :document="shown" @try="begin" /></template>
    <template #story>
      <DeskStory
        v-if="has('story')"
        ref="story"
        :document="shown"
        :lit="lit"
        :slips="storySlips"
        :reading="reading"
        @point="emit('point', $event)"
      />
    </template>
    <template #graph>
      <DeskBeginning v-if="isBlank(shown)" @story="story?.edit()" @data="emit('data')" @write="entry?.focus()" />
      <DeskGraph
        v-else-if="has('graph')"
        v-model:view="analysis.view"
        :picture="drawn"
        :document="shown"
        :lit="lit"
        :stale="isBroken || isDrawn"
        :waiting="desk === null && (shown.functions ?? []).length > 0"
        :large="isLarge"
        @point="emit('point', $event)"
        @table="isTable = !isTable"
        @large="large"
      />
    </template>
    <template #table>
      <!-- What was written in it is there again when it is opened again. -->
      <KeepAlive>
        <DeskTable
          v-if="hasTable"
          :document="shown"
          :variable="analysis.picture!.variable"
          :shown="analysis.view.rows ?? []"
          @show="analysis.view = { ...analysis.view, rows: $event }"
          @close="closeTable"
        />
      </KeepAlive>
    </template>
    <template #entry>
      <ReadBar v-if="isOffering" :reading="reading" @each="goThrough" />
      <DeskEntry
        v-show="!isOffering"
        ref="entry"
        :document="shown"
        @added="added"
        @form="functionsPanel?.openForm($event)"
        @foreign="emit('foreign', $event)"
      />
    </template>
    <template #givens>
      <DeskGivens
        v-if="has('givens')"
        :document="shown"
        :desk="desk"
        :lit="lit"
        :slips="analysis.slips"
        :ghost-name="analysis.ghost?.name ?? null"
        @ghost="emit('compare')"
        @point="emit('point', $event)"
        @begin="begin"
      >
        <template v-if="isOffering" #default><OfferList :reading="reading" place="givens" @change="change" /></template>
      </DeskGivens>
    </template>
    <template #functions>
      <DeskFunctions
        v-if="has('functions')"
        ref="functionsPanel"
        :slips="analysis.slips"
        :document="shown"
        :desk="desk"
        :lit="lit"
        :colours="colours"
        @point="emit('point', $event)"
        @begin="begin"
      >
        <template v-if="isOffering" #default
          ><OfferList :reading="reading" place="functions" @change="change"
        /></template>
      </DeskFunctions>
    </template>
    <template #findings>
      <DeskFindings
        v-if="has('findings')"
        :document="shown"
        :desk="desk"
        :lit="lit"
        :stale="isBroken && analysis.working"
        :slips="analysis.slips"
        :ghost="analysis.ghostAnswers"
        :ghost-name="analysis.ghost?.name ?? null"
        :progress="analysis.progress"
        :stopped="analysis.stopped"
        :failed="analysis.failure !== null"
        @longer="analysis.lookLonger"
        @stop="analysis.stop"
        @resume="analysis.lookLonger(null)"
        @look="analysis.view = { ...analysis.view, ...$event }"
        @point="emit('point', $event)"
        @begin="begin"
      >
        <template v-if="isOffering" #default
          ><OfferList :reading="reading" place="findings" @change="change"
        /></template>
      </DeskFindings>
    </template>
    <ProblemNote v-if="analysis.failure" class="failure" role="alert">
      The calculation stopped: {{ analysis.failure }}. What you typed is kept.
    </ProblemNote>
  </DeskLayout>
</template>

<style scoped>
.failure {
  padding: 0.8rem 1.1rem;
}
</style>
