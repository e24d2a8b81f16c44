<script setup lang="ts">
import type { CaseFile } from "#core/model";
import type { Picture, View } from "#core/graph";
import type { Rect } from "~/charts/deskLayout";
import { deskOption } from "~/charts/deskOption";
import { lookOf } from "~/charts/look";

/** The graph of the case: curves, answers and thresholds, read off, moved and looked at closer. */
const props = defineProps<{
  picture: Picture | null;
  document: CaseFile;
  lit: ReadonlySet<string> | null;
  stale: boolean;
  /** nothing is worked out yet */
  waiting: boolean;
  /** it fills the desk */
  large: boolean;
}>();
const view = defineModel<View>("view", { required: true });
const emit = defineEmits<{ point: [key: string | null]; table: []; large: [] }>();

/** The dialog comes when it is first asked for. */
const PictureDialog = later(() => import("~/components/common/PictureDialog.vue"));
const pictureDialog = ref(false);
const pictureWanted = useWanted(pictureDialog);
const home = useTemplateRef<HTMLElement>("home");
const rects = shallowRef<Rect[]>([]);
if ((props.document.functions ?? []).length > 0) graphIsComing();
// A case of which nothing can be drawn has no graph to wait for.
watch(
  () => !props.waiting && !props.picture,
  (isNone) => isNone && graphIsThere(),
  { immediate: true },
);
onBeforeUnmount(graphIsThere);
const { size, redraw } = useChart(
  home,
  () => import("~/charts/chart").then((m) => m.openChart),
  (chart, width, height) => {
    if (!props.picture) return;
    const made = deskOption(props.picture, width, height, lookOf(), { lit: props.lit });
    rects.value = shareParts(rects.value, made.rects);
    chart.show(made.option);
    graphIsThere();
  },
);
watch(() => [props.picture, props.lit], redraw);

const line = useReadingLine(
  () => props.picture,
  () => props.document,
  rects,
);
const hand = useGraphHand({
  picture: () => props.picture,
  view,
  home,
  rects,
  line,
  point: (key) => emit("point", key),
});
const { x: lineX, text: atText, readings, spoken } = line;
const { isOnThreshold } = hand;
const variables = computed(() => (props.picture?.variables ?? []).map((v) => ({ value: v, text: `over ${v}` })));
</script>

<template>
  <section class="graph" aria-labelledby="graph-title">
    <div class="panel-head">
      <h2 id="graph-title" class="panel-title">
        Graph <span class="caption">{{ picture?.caption ?? "" }}</span>
      </h2>
      <div class="tools">
        <EditText
          v-if="variables.length > 1 && picture"
          :value="picture.variable"
          label="Variable of the graph"
          :options="variables"
          @keep="view = { ...view, variable: $event, from: undefined, to: undefined }"
          >over {{ picture.variable }}</EditText
        >
        <Button v-if="picture && !picture.framed" link @click="hand.reframe">Reframe</Button>
        <Button v-if="picture" id="to-table" link @click="emit('table')">Table</Button>
        <Button v-if="picture" link @click="pictureDialog = true">For a document</Button>
        <Button v-if="picture" link aria-keyshortcuts="l" @click="emit('large')">{{ large ? "Back" : "Large" }}</Button>
      </div>
    </div>
    <div
      class="stage"
      :class="{ stale, level: isOnThreshold }"
      tabindex="0"
      role="application"
      :aria-label="picture?.described ?? 'No graph yet'"
      aria-roledescription="graph"
      aria-keyshortcuts="ArrowLeft ArrowRight Shift+ArrowRight + - 0"
      @pointermove="hand.move"
      @pointerdown="hand.press"
      @pointerup="hand.release"
      @pointercancel="hand.release"
      @pointerleave="hand.leave"
      @wheel="hand.wheel"
      @keydown="hand.key"
      @blur="hand.leave"
    >
      <div v-show="picture" ref="home" class="canvas" aria-hidden="true" />
      <p v-if="!picture && waiting" class="quiet empty">The graph is being worked out …</p>
      <p v-else-if="!picture" class="quiet empty">
        A graph appears with the first function. Write one on the entry line, for example <code>f(x) = 3x + 2</code>.
      </p>
      <ReadingLine
        v-if="picture && lineX !== null"
        :x="lineX"
        :text="atText"
        :readings="readings"
        :rects="rects"
        :width="size.width"
      />
      <p class="sr-only" role="status">{{ spoken }}</p>
    </div>
    <PictureDialog
      v-if="picture && pictureWanted"
      v-model:visible="pictureDialog"
      :of="() => ({ graph: picture! })"
      :case-title="document.title"
    />
  </section>
</template>

<style scoped>
.graph {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  padding: 0.85rem 0.5rem 0.4rem 0.95rem;
  background: var(--paper);
}
.panel-head {
  margin-bottom: 0;
  padding-right: 0.6rem;
}
.caption {
  font-weight: 400;
  letter-spacing: 0;
  text-transform: none;
  color: var(--ink-2);
  margin-left: 0.6rem;
  font-size: 0.87rem;
}
.tools {
  display: flex;
  gap: 1rem;
  align-items: baseline;
  font-size: 0.87rem;
  white-space: nowrap;
}
.stage {
  position: relative;
  flex: 1;
  min-height: 220px;
  touch-action: pan-y;
  cursor: crosshair;
}
.stage.level {
  cursor: ns-resize;
}
.stage.stale .canvas {
  opacity: 0.45;
}
.canvas {
  position: absolute;
  inset: 0;
  contain: strict;
  font-variant-numeric: normal;
}
.empty {
  padding: 2rem 1rem;
}
</style>
