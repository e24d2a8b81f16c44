<script setup lang="ts">
import type { CaseFile } from "#core/model";
import { buildModel } from "#core/model";
import { formatInput, formatQuantity } from "#core/explain";
import { roundStep, type Picture, type View } from "#core/graph";
import { markAt, toX, toY, type Rect } from "~/charts/deskLayout";
import { deskOption } from "~/charts/deskOption";
import { lookOf } from "~/charts/look";
import { graphSheet } from "~/utils/pictureFile";

const props = defineProps<{
  picture: Picture | null;
  document: CaseFile;
  lit: ReadonlySet<string> | null;
  stale: boolean;
  /** nothing is worked out yet */
  waiting: boolean;
}>();
const view = defineModel<View>("view", { required: true });
const emit = defineEmits<{ point: [key: string | null] }>();
const store = useCaseStore();

/** Dialogs come when they are first asked for. */
const TableDialog = later(() => import("./TableDialog.vue"));
const PictureDialog = later(() => import("~/components/common/PictureDialog.vue"));
const tableDialog = ref(false);
const tableWanted = useWanted(tableDialog);
const pictureDialog = ref(false);
const pictureWanted = useWanted(pictureDialog);
const home = useTemplateRef<HTMLElement>("home");
const rects = shallowRef<Rect[]>([]);
const { size, redraw } = useChart(
  home,
  () => import("~/charts/chart").then((m) => m.openChart),
  (chart, width, height) => {
    if (!props.picture) return;
    const made = deskOption(props.picture, width, height, lookOf(), props.lit);
    rects.value = shareParts(rects.value, made.rects);
    chart.show(made.option);
  },
);
watch(() => [props.picture, props.lit], redraw);

// ---- the reading line ---------------------------------------------------------------------------------------
const at = ref<number | null>(null);
const model = computed(() => (at.value === null ? null : buildModel(props.document)));
const stops = computed(() => [...new Set((props.picture?.points ?? []).map((p) => p.x))].sort((a, b) => a - b));
const readings = computed(() => {
  const p = props.picture;
  const m = model.value;
  if (!p || !m || at.value === null) return [];
  return p.curves.map((c) => {
    const y = m.table.number(c.name)(at.value!);
    const rect = rects.value[c.pane];
    return {
      name: c.name,
      colour: c.colour,
      text: Number.isFinite(y) ? formatQuantity(y, m.functions.get(c.name)?.unit ?? null) : "no value",
      x: rect ? toX(p, rect, at.value!) : 0,
      y: rect && Number.isFinite(y) ? toY(p, c.pane, rect, y) : null,
      top: rect?.top ?? 0,
      bottom: rect ? rect.top + rect.height : 0,
    };
  });
});
const lineX = computed(() => {
  const p = props.picture;
  const r = rects.value[0];
  return p && r && at.value !== null ? toX(p, r, at.value) : null;
});
const atText = computed(() =>
  props.picture && at.value !== null
    ? `${props.picture.variable} = ${formatInput(at.value, props.picture.xUnit, 5)}`
    : "",
);

function inputAt(clientX: number): number | null {
  const p = props.picture;
  const r = rects.value[0];
  if (!p || !r || !home.value) return null;
  const px = clientX - home.value.getBoundingClientRect().left;
  if (px < r.left - 6 || px > r.left + r.width + 6) return null;
  const x = p.x.min + ((px - r.left) / r.width) * (p.x.max - p.x.min);
  const near = stops.value.find((s) => Math.abs(toX(p, r, s) - px) < 7);
  if (near !== undefined) return near;
  const whole = props.document.variables?.find((v) => v.name === p.variable)?.whole;
  const step = (p.x.max - p.x.min) / r.width;
  return whole && step < 1.5
    ? Math.round(x)
    : Number(x.toPrecision(Math.max(3, Math.ceil(Math.log10(Math.abs(x) / step + 1)) + 1)));
}
// ---- the trail from the graph: an answer, a threshold or a curve that is pointed at
/** A curve that is only crossed lights nothing; the pointer must rest on it this long, in ms. */
const REST = 90;
let pointedAt: string | null = null;
let resting: ReturnType<typeof setTimeout> | undefined;
function pointAt(key: string | null): void {
  clearTimeout(resting);
  if (key !== pointedAt) {
    pointedAt = key;
    emit("point", key);
  }
}
function restAt(key: string | null): void {
  if (key === null) pointAt(null);
  else if (key !== pointedAt) {
    clearTimeout(resting);
    resting = setTimeout(pointAt, REST, key);
  }
}
onBeforeUnmount(() => clearTimeout(resting));
function keyAt(event: PointerEvent): string | null {
  const p = props.picture;
  if (!p || !home.value) return null;
  const box = home.value.getBoundingClientRect();
  return markAt(p, rects.value, event.clientX - box.left, event.clientY - box.top);
}
/** The answer the reading line stands on, if it stands on one. */
const answerHere = () => {
  const p = props.picture?.points.find((q) => q.x === at.value && q.question !== null);
  return p ? `question:${p.question}` : null;
};
// ---- dragging: the ground moves the view, a threshold moves its value, two fingers look closer
type Hold =
  { kind: "ground"; x: number; from: number; to: number } | { kind: "threshold"; index: number; moved: boolean };
const hold = shallowRef<Hold | null>(null);
const overThreshold = ref(false);
const fingers = new Map<number, number>();
let pinch: { apart: number; middle: number; from: number; to: number } | null = null;

function thresholdAt(event: PointerEvent): number | null {
  const p = props.picture;
  if (!p || !home.value) return null;
  const box = home.value.getBoundingClientRect();
  const [x, y] = [event.clientX - box.left, event.clientY - box.top];
  const i = p.thresholds.findIndex((t) => {
    const r = rects.value[t.pane];
    return (
      t.moves !== null &&
      r !== undefined &&
      x > r.left - 12 &&
      x < r.left + r.width &&
      Math.abs(toY(p, t.pane, r, t.y) - y) < 6
    );
  });
  return i < 0 ? null : i;
}
/** Sets the value a threshold stands for, in steps that fit the axis; the question (or the given it names) follows. */
function setThreshold(index: number, clientY: number): void {
  const p = props.picture;
  const t = p?.thresholds[index];
  const r = t && rects.value[t.pane];
  if (!p || !t?.moves || !r || !home.value) return;
  const axis = p.panes[t.pane]!.y;
  const share = 1 - (clientY - home.value.getBoundingClientRect().top - r.top) / r.height;
  const raw = axis.min + Math.min(1, Math.max(0, share)) * (axis.max - axis.min);
  const step = roundStep(axis.max - axis.min, 120);
  const value = Number((Math.round(raw / step) * step).toPrecision(12));
  const given = t.moves.kind === "given" ? t.moves.name : null;
  store.apply({ kind: "moveThreshold", id: t.question, value, given });
}
function move(event: PointerEvent): void {
  if (fingers.has(event.pointerId)) fingers.set(event.pointerId, event.clientX);
  if (pinch && fingers.size === 2) {
    const [a, b] = [...fingers.values()] as [number, number];
    const factor = pinch.apart / Math.max(20, Math.abs(a - b));
    view.value = {
      ...view.value,
      from: pinch.middle - (pinch.middle - pinch.from) * factor,
      to: pinch.middle + (pinch.to - pinch.middle) * factor,
    };
    return;
  }
  const h = hold.value;
  if (h?.kind === "threshold") {
    h.moved = true;
    setThreshold(h.index, event.clientY);
    return;
  }
  if (h) {
    const by = ((h.x - event.clientX) / rects.value[0]!.width) * (h.to - h.from);
    if (Math.abs(event.clientX - h.x) > 3) {
      view.value = { ...view.value, from: h.from + by, to: h.to + by };
      at.value = null;
    }
    return;
  }
  overThreshold.value = thresholdAt(event) !== null;
  at.value = overThreshold.value ? null : inputAt(event.clientX);
  restAt(keyAt(event));
}
function press(event: PointerEvent): void {
  if (!props.picture || event.button !== 0) return;
  fingers.set(event.pointerId, event.clientX);
  const index = thresholdAt(event);
  if (fingers.size === 2) {
    const [a, b] = [...fingers.values()] as [number, number];
    const middle = inputAt((a + b) / 2);
    hold.value = null;
    if (middle !== null)
      pinch = { apart: Math.max(20, Math.abs(a - b)), middle, from: props.picture.x.min, to: props.picture.x.max };
    return;
  }
  if (index !== null) hold.value = { kind: "threshold", index, moved: false };
  else if (inputAt(event.clientX) !== null)
    hold.value = { kind: "ground", x: event.clientX, from: props.picture.x.min, to: props.picture.x.max };
  else return;
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
}
function release(event: PointerEvent): void {
  fingers.delete(event.pointerId);
  pinch = null;
  hold.value = null;
}
function closer(factor: number, around: number): void {
  const p = props.picture;
  if (!p) return;
  view.value = { ...view.value, from: around - (around - p.x.min) * factor, to: around + (p.x.max - around) * factor };
}
function wheel(event: WheelEvent): void {
  const x = inputAt(event.clientX);
  if (x === null || (!event.ctrlKey && !event.metaKey && Math.abs(event.deltaX) > Math.abs(event.deltaY))) return;
  event.preventDefault();
  closer(event.deltaY > 0 ? 1.2 : 1 / 1.2, x);
}
function reframe(): void {
  const { from: _from, to: _to, ...rest } = view.value;
  view.value = rest;
}
function key(event: KeyboardEvent): void {
  const p = props.picture;
  if (!p) return;
  const width = p.x.max - p.x.min;
  const whole = props.document.variables?.find((v) => v.name === p.variable)?.whole;
  if (event.key === "ArrowRight" || event.key === "ArrowLeft") {
    const side = event.key === "ArrowRight" ? 1 : -1;
    const now = at.value ?? (side > 0 ? p.x.min : p.x.max);
    if (event.shiftKey) {
      const eps = width * 1e-9;
      at.value =
        (side > 0 ? stops.value.find((s) => s > now + eps) : [...stops.value].reverse().find((s) => s < now - eps)) ??
        now;
    } else {
      const step = whole && width < 4000 ? Math.max(1, Math.round(width / 200)) : width / 200;
      const next = now + side * step;
      at.value = Math.min(p.x.max, Math.max(p.x.min, whole ? Math.round(next) : next));
    }
  } else if (event.key === "+" || event.key === "=") closer(1 / 1.4, at.value ?? (p.x.min + p.x.max) / 2);
  else if (event.key === "-") closer(1.4, at.value ?? (p.x.min + p.x.max) / 2);
  else if (event.key === "0") reframe();
  else if (event.key === "Escape") at.value = null;
  else return;
  pointAt(answerHere());
  event.preventDefault();
  event.stopPropagation();
}
const spoken = computed(() =>
  at.value === null ? "" : `${atText.value}: ${readings.value.map((r) => `${r.name} ${r.text}`).join(", ")}`,
);
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
        <Button v-if="picture && !picture.framed" link @click="reframe">Reframe</Button>
        <Button v-if="picture" link @click="tableDialog = true">Table</Button>
        <Button v-if="picture" link @click="pictureDialog = true">Picture file</Button>
      </div>
    </div>
    <div
      class="stage"
      :class="{ stale, level: overThreshold || hold?.kind === 'threshold' }"
      tabindex="0"
      role="application"
      :aria-label="picture?.described ?? 'No graph yet'"
      aria-roledescription="graph"
      aria-keyshortcuts="ArrowLeft ArrowRight Shift+ArrowRight + - 0"
      @pointermove="move"
      @pointerdown="press"
      @pointerup="release"
      @pointercancel="release"
      @pointerleave="
        at = null;
        pointAt(null);
      "
      @wheel="wheel"
      @keydown="key"
      @blur="
        at = null;
        pointAt(null);
      "
    >
      <div v-show="picture" ref="home" class="canvas" aria-hidden="true" />
      <p v-if="!picture && waiting" class="quiet empty">The graph is being worked out …</p>
      <p v-else-if="!picture" class="quiet empty">
        A graph appears with the first function. Write one on the entry line, for example <code>f(x) = 3x + 2</code>.
      </p>
      <svg v-if="picture && lineX !== null" class="over" aria-hidden="true">
        <line
          :x1="lineX"
          :x2="lineX"
          :y1="rects[0]?.top"
          :y2="(rects.at(-1)?.top ?? 0) + (rects.at(-1)?.height ?? 0)"
          class="reading"
        />
        <template v-for="r in readings" :key="r.name">
          <circle
            v-if="r.y !== null && r.y >= r.top - 1 && r.y <= r.bottom + 1"
            :cx="lineX"
            :cy="r.y"
            r="4"
            :style="{ fill: `var(--curve-${r.colour})` }"
          />
        </template>
      </svg>
      <div
        v-if="at !== null && picture && lineX !== null"
        class="readout"
        :style="lineX > size.width / 2 ? { left: `${68}px` } : { right: '50px' }"
        aria-hidden="true"
      >
        <strong>{{ atText }}</strong><span v-for="r in readings" :key="r.name"
          ><b :style="{ color: `var(--curve-${r.colour})` }">{{ r.name }}</b> {{ r.text }}</span
        >
      </div>
      <p class="sr-only" role="status">{{ spoken }}</p>
    </div>
    <TableDialog
      v-if="picture && tableWanted"
      v-model:visible="tableDialog"
      :document="document"
      :variable="picture.variable"
      :rows="view.rows ?? []"
      @rows="view = { ...view, rows: $event }"
    />
    <PictureDialog
      v-if="picture && pictureWanted"
      v-model:visible="pictureDialog"
      :sheet="() => graphSheet(picture!)"
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
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.reading {
  stroke: var(--ink-2);
  stroke-width: 1;
}
.readout {
  position: absolute;
  top: 26px;
  display: grid;
  gap: 1px;
  padding: 0.4rem 0.6rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 6px;
  font-size: 0.85rem;
  pointer-events: none;
}
.empty {
  padding: 2rem 1rem;
}
</style>
