<script setup lang="ts">
import type { Rect } from "~/charts/deskLayout";
import type { CurveReading } from "~/composables/useReadingLine";

/** The line across all panes with a dot on each curve, and what is read off beside it. */
const props = defineProps<{
  x: number;
  text: string;
  readings: readonly CurveReading[];
  rects: readonly Rect[];
  width: number;
}>();
/** Beside the line stands what it reads, at the side with more room; clear of the axes, in pixels. */
const side = computed(() => (props.x > props.width / 2 ? { left: "68px" } : { right: "50px" }));
const bottom = computed(() => {
  const last = props.rects.at(-1);
  return last ? last.top + last.height : 0;
});
</script>

<template>
  <svg class="over" aria-hidden="true">
    <line :x1="x" :x2="x" :y1="rects[0]?.top" :y2="bottom" class="reading" />
    <template v-for="r in readings" :key="r.name">
      <circle v-if="r.y !== null" :cx="x" :cy="r.y" r="4" :style="{ fill: `var(--curve-${r.colour})` }" />
    </template>
  </svg>
  <div class="readout read-off" :style="side" aria-hidden="true">
    <strong>{{ text }}</strong><span v-for="r in readings" :key="r.name"
      ><b :style="{ color: `var(--curve-${r.colour})` }">{{ r.name }}</b> {{ r.text }}</span
    >
  </div>
</template>

<style scoped>
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
}
</style>
