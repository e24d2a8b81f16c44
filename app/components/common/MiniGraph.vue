<script setup lang="ts">
import { formatInput } from "#core/explain";
import type { Picture } from "#core/graph";
import { DASHES } from "~/utils/graphMarks";
import { tickText } from "~/utils/tickText";

/** A small drawing of one pane of a picture: some curves with their ends, and the answers of one question. */
const props = withDefaults(
  defineProps<{
    picture: Picture;
    names: readonly string[];
    question?: string | null;
    label: string;
    height?: number;
  }>(),
  { question: null, height: 130 },
);
const WIDTH = 320;
const pane = computed(() => props.picture.curves.find((c) => props.names.includes(c.name))?.pane ?? 0);
const drawing = computed(() => {
  const p = props.picture;
  const y = p.panes[pane.value]?.y;
  if (!y) return null;
  const box = { left: 46, right: WIDTH - 8, top: 8, bottom: props.height - 20 };
  const px = (x: number) => box.left + ((x - p.x.min) / (p.x.max - p.x.min)) * (box.right - box.left);
  const py = (v: number) => box.bottom - ((v - y.min) / (y.max - y.min)) * (box.bottom - box.top);
  const clip = (v: number) => Math.max(box.top - 40, Math.min(box.bottom + 40, py(v)));
  const curves = p.curves.filter((c) => props.names.includes(c.name) && c.pane === pane.value);
  const dash = (i: number) => {
    const d = DASHES[i % DASHES.length]!;
    return d === "solid" ? undefined : d.join(" ");
  };
  return {
    box,
    unit: p.panes[pane.value]!.unit,
    xTicks: p.x.ticks
      .filter((_, i) => p.x.ticks.length < 5 || i % 2 === 0)
      .map((t) => ({ at: px(t), text: formatInput(t, p.xUnit) })),
    yTicks: y.ticks.map((t) => ({ at: py(t), text: tickText(t, p.panes[pane.value]!.unit) })),
    curves: curves.map((c) => ({
      name: c.name,
      colour: c.colour % 7,
      dash: dash(c.colour),
      paths: c.runs.map((run) => {
        let d = "";
        for (let i = 0; i < run.length; i += 2)
          d += `${i === 0 ? "M" : "L"}${px(run[i]!).toFixed(1)} ${clip(run[i + 1]!).toFixed(1)}`;
        return d;
      }),
    })),
    ends: curves.flatMap((c) =>
      c.ends.map((e) => ({ x: px(e.x), y: py(e.y), closed: e.closed, colour: c.colour % 7 })),
    ),
    levels: p.thresholds.filter((t) => t.pane === pane.value && t.question === props.question).map((t) => py(t.y)),
    answers: p.points
      .filter(
        (q) =>
          q.kind === "answer" &&
          q.question === props.question &&
          q.pane === pane.value &&
          q.x >= p.x.min &&
          q.x <= p.x.max,
      )
      .map((q) => ({ x: px(q.x), y: py(q.y) })),
  };
});
const clipId = useId();
</script>

<template>
  <svg v-if="drawing" :viewBox="`0 0 ${WIDTH} ${height}`" class="mini" role="img" :aria-label="label">
    <clipPath :id="clipId">
      <rect
        :x="drawing.box.left"
        :y="drawing.box.top - 2"
        :width="drawing.box.right - drawing.box.left"
        :height="drawing.box.bottom - drawing.box.top + 4"
      />
    </clipPath>
    <g v-for="t in drawing.yTicks" :key="`y${t.text}`">
      <line :x1="drawing.box.left" :x2="drawing.box.right" :y1="t.at" :y2="t.at" class="grid" />
      <text :x="drawing.box.left - 5" :y="t.at + 3.5" text-anchor="end">{{ t.text }}</text>
    </g>
    <text v-for="t in drawing.xTicks" :key="`x${t.text}`" :x="t.at" :y="height - 5" text-anchor="middle">
      {{ t.text }}
    </text>
    <line
      v-for="(l, i) in drawing.levels"
      :key="`l${i}`"
      :x1="drawing.box.left"
      :x2="drawing.box.right"
      :y1="l"
      :y2="l"
      class="level"
    />
    <g :clip-path="`url(#${clipId})`">
      <g v-for="c in drawing.curves" :key="c.name">
        <path
          v-for="(d, i) in c.paths"
          :key="i"
          :d="d"
          class="curve"
          :stroke-dasharray="c.dash"
          :style="{ stroke: `var(--curve-${c.colour})` }"
        />
      </g>
    </g>
    <circle
      v-for="(e, i) in drawing.ends"
      :key="`e${i}`"
      :cx="e.x"
      :cy="e.y"
      r="3.5"
      :style="{ stroke: `var(--curve-${e.colour})`, fill: e.closed ? `var(--curve-${e.colour})` : 'var(--paper)' }"
      class="end"
    />
    <circle v-for="(a, i) in drawing.answers" :key="`a${i}`" :cx="a.x" :cy="a.y" r="5" class="answer" />
  </svg>
</template>

<style scoped>
.mini {
  width: 100%;
  max-width: 26rem;
  height: auto;
  display: block;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--paper);
}
text {
  font-size: 10.5px;
  fill: var(--ink-2);
}
.grid {
  stroke: var(--hairline);
}
.level {
  stroke: var(--amber-deep);
  stroke-dasharray: 2 3;
}
.curve {
  fill: none;
  stroke-width: 2;
}
.end {
  stroke-width: 1.6;
}
.answer {
  fill: var(--paper);
  stroke: var(--amber);
  stroke-width: 3;
}
</style>
