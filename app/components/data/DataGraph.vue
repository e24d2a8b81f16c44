<script setup lang="ts">
import { dataOption, type DataPicture, type DataRects } from "~/charts/dataOption";
import { lookOf } from "~/charts/look";

const props = defineProps<{ picture: DataPicture | null; described: string }>();
const emit = defineEmits<{ split: [at: number]; point: [x: number | null] }>();
const home = useTemplateRef<HTMLElement>("home");
const rects = shallowRef<DataRects | null>(null);
const { redraw } = useChart(
  home,
  () => import("~/charts/dataChart").then((m) => m.openChart),
  (chart, width, height) => {
    if (!props.picture) return;
    const made = dataOption(props.picture, width, height, lookOf());
    rects.value = made.rects;
    chart.show(made.option);
  },
);
watch(() => props.picture, redraw);

// ---- the break is dragged by its line
const holding = ref(false);
function inputAt(event: PointerEvent): number | null {
  const r = rects.value;
  if (!r || !home.value) return null;
  const share = (event.clientX - home.value.getBoundingClientRect().left - r.main.left) / r.main.width;
  return share < 0 || share > 1 ? null : r.min + share * (r.max - r.min);
}
function near(event: PointerEvent): boolean {
  const r = rects.value;
  const at = inputAt(event);
  return (
    props.picture?.split !== null &&
    props.picture !== null &&
    r !== null &&
    at !== null &&
    Math.abs(at - props.picture.split!) < ((r.max - r.min) / r.main.width) * 7
  );
}
function press(event: PointerEvent): void {
  if (!near(event)) return;
  holding.value = true;
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
}
const over = ref(false);
function move(event: PointerEvent): void {
  over.value = near(event);
  const at = inputAt(event);
  if (!holding.value || at === null || !rects.value) return;
  const step = 10 ** Math.floor(Math.log10((rects.value.max - rects.value.min) / 100));
  emit("split", Number((Math.round(at / step) * step).toPrecision(12)));
}
</script>

<template>
  <div
    class="stage"
    role="img"
    :aria-label="described"
    :class="{ over: over || holding }"
    @pointerdown="press"
    @pointermove="move"
    @pointerup="holding = false"
    @pointercancel="holding = false"
  >
    <div ref="home" class="canvas" aria-hidden="true" />
  </div>
</template>

<style scoped>
.stage {
  position: relative;
  flex: 1;
  min-height: 320px;
}
.stage.over {
  cursor: ew-resize;
}
.canvas {
  position: absolute;
  inset: 0;
}
</style>
