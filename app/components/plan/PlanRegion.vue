<script setup lang="ts">
import { formatNumber, formatQuantity, regionWords } from "#core/explain";
import { parseUnit } from "#core/units";
import type { PlanPicture, PlanResult } from "#core/plan";
import type { Plan } from "#core/model";
import { groundOf } from "~/charts/regionLayout";
import { regionOption, type RegionView } from "~/charts/regionOption";
import { objectiveConstant, objectiveLine } from "~/charts/regionView";
import { lookOf } from "~/charts/look";

/**
 * The region of two variables: what is allowed, the lines that bound it, its corners, and the objective's line, which
 * can be slid.
 */
const props = defineProps<{
  plan: Plan;
  result: PlanResult;
  picture: PlanPicture;
  colours: Readonly<Record<string, number>>;
  lit: readonly string[];
  ruledOut: boolean;
}>();
const home = useTemplateRef<HTMLElement>("home");
const unit = computed(() => (props.plan.objective?.unit ? parseUnit(props.plan.objective.unit).unit : null));

// ---- the objective's line: slid by hand and by key; it snaps to corners
const level = ref<number | null>(null);
const bestLevel = computed(() => (props.result.whole ?? props.result.best[0])?.value ?? null);
const shown = computed(() => level.value ?? bestLevel.value);
const constant = computed(() => objectiveConstant(props));
const line = computed(() => objectiveLine(props, shown.value));
const levels = computed(() =>
  [...new Set(props.result.corners.flatMap((c) => (c.value === null ? [] : [c.value])))].sort((a, b) => a - b),
);
// The second way brings a new result that says the same: a line that was slid stays where it is.
watch(
  () => [bestLevel.value, ...levels.value].join(),
  () => (level.value = null),
);
function slide(to: number): void {
  const all = levels.value;
  const reach = (all.at(-1) ?? 1) - (all[0] ?? 0) || 1;
  const near = all.find((v) => Math.abs(v - to) < reach * 0.015);
  level.value = near ?? to;
}
function key(event: KeyboardEvent): void {
  const all = levels.value;
  if (shown.value === null || all.length === 0) return;
  const reach = all.at(-1)! - all[0]! || 1;
  if (event.key === "ArrowRight" || event.key === "ArrowUp") {
    event.preventDefault();
    level.value = event.shiftKey
      ? (all.find((v) => v > shown.value! + reach * 1e-9) ?? shown.value)
      : shown.value + reach / 50;
  } else if (event.key === "ArrowLeft" || event.key === "ArrowDown") {
    event.preventDefault();
    level.value = event.shiftKey
      ? ([...all].reverse().find((v) => v < shown.value! - reach * 1e-9) ?? shown.value)
      : shown.value - reach / 50;
  } else if (event.key === "Home" || event.key === "Escape") level.value = null;
  else return;
  event.stopPropagation();
}
const view = computed((): RegionView => ({ ...props, line: line.value }));
const { size, redraw } = useChart(
  home,
  () => import("~/charts/chart").then((m) => m.openChart),
  (chart, width, height) => chart.show(regionOption(view.value, width, height, lookOf())),
);
watch(view, redraw);
defineExpose({ view: () => view.value });

// ---- a point read off: every constraint with what is left there
const at = ref<[number, number] | null>(null);
let sliding = false;
/** How near the pointer must come to a corner to be at it; in px. */
const NEAR = 10;
/** How far from the objective's line it may be taken hold of, as a share of what the objective runs over. */
const HOLD = 0.03;
function placed(event: PointerEvent): [number, number] | null {
  const ground = groundOf(props.picture, size.width, size.height);
  const box = home.value!.getBoundingClientRect();
  const [px, py] = [event.clientX - box.left, event.clientY - box.top];
  if (!ground.holds(px, py)) return null;
  const corner = props.result.corners.find((c) => Math.hypot(ground.x(c.at[0]!) - px, ground.y(c.at[1]!) - py) < NEAR);
  if (corner) return [corner.at[0]!, corner.at[1]!];
  const [x, y] = ground.at(px, py);
  return [Number(x.toPrecision(4)), Number(y.toPrecision(4))];
}
function move(event: PointerEvent): void {
  const p = placed(event);
  at.value = p;
  const o = props.picture.objective;
  if (sliding && p && o) slide(o[0] * p[0] + o[1] * p[1] + constant.value);
}
function press(event: PointerEvent): void {
  const p = placed(event);
  const o = props.picture.objective;
  if (!p || !o || shown.value === null) return;
  const { x0, x1, y0, y1 } = props.picture.frame;
  const off = Math.abs(o[0] * p[0] + o[1] * p[1] + constant.value - shown.value);
  if (off >= HOLD * (Math.abs(o[0]) * (x1 - x0) + Math.abs(o[1]) * (y1 - y0))) return;
  sliding = true;
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
}
const described = computed(() => regionWords(props.plan, props.result));
</script>

<template>
  <div
    class="region"
    tabindex="0"
    role="application"
    aria-roledescription="region"
    :aria-label="described"
    aria-keyshortcuts="ArrowUp ArrowDown Shift+ArrowUp Shift+ArrowDown"
    @pointermove="move"
    @pointerdown="press"
    @pointerup="sliding = false"
    @pointercancel="sliding = false"
    @pointerleave="at = null"
    @keydown="key"
  >
    <div ref="home" class="canvas" aria-hidden="true" />
    <div v-if="at" class="readout read-off" aria-hidden="true">
      <strong>({{ at.map((v) => formatNumber(v, 5)).join(", ") }})</strong><slot name="left" :at="at" />
    </div>
    <p class="sr-only" role="status">
      {{ level !== null && shown !== null ? `objective line at ${formatQuantity(shown, unit)}` : "" }}
    </p>
    <p v-if="level !== null && shown !== null" class="level">
      objective at {{ formatQuantity(shown, unit) }}
      <Button link @click="level = null">back to the best</Button>
    </p>
  </div>
</template>

<style scoped>
.region {
  position: relative;
  flex: 1;
  min-height: 340px;
  overflow: hidden;
  touch-action: pan-y;
  cursor: crosshair;
}
.canvas {
  position: absolute;
  inset: 0;
  contain: strict;
  font-variant-numeric: normal;
}
.readout {
  position: absolute;
  top: 30px;
  right: 36px;
  max-width: 60%;
}
.level {
  position: absolute;
  left: 60px;
  bottom: 46px;
  background: var(--paper);
  font-size: 0.87rem;
  padding: 1px 6px;
  border-radius: 4px;
}
</style>
