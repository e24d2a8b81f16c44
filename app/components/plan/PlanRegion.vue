<script setup lang="ts">
import { axis } from "#core/graph";
import { formatNumber, formatQuantity } from "#core/explain";
import { parseUnit } from "#core/units";
import { segment, type PlanPicture, type PlanResult } from "#core/plan";
import type { Plan } from "#core/model";

/**
 * The region of two variables: what is allowed, the lines that bound it, its corners, and the objective's line, which
 * can be slid.
 */
const props = defineProps<{
  plan: Plan;
  result: PlanResult;
  picture: PlanPicture;
  colours: Readonly<Record<string, number>>;
  pointed: string | null;
  ruledOut: boolean;
}>();
const [LEFT, RIGHT, TOP, BOTTOM] = [52, 26, 22, 44];
const home = useTemplateRef<HTMLElement>("home");
const size = reactive({ width: 560, height: 560 });
onMounted(() => {
  const measure = () => {
    if (home.value) {
      size.width = Math.max(260, home.value.clientWidth);
      size.height = Math.max(280, home.value.clientHeight);
    }
  };
  measure();
  const watcher = new ResizeObserver(measure);
  watcher.observe(home.value!);
  onScopeDispose(() => watcher.disconnect());
});
const xs = computed(() =>
  axis(props.picture.frame.x0, props.picture.frame.x1, Math.max(3, Math.round(size.width / 90)), false),
);
const ys = computed(() =>
  axis(props.picture.frame.y0, props.picture.frame.y1, Math.max(3, Math.round(size.height / 70)), false),
);
const inner = computed(() => ({ width: size.width - LEFT - RIGHT, height: size.height - TOP - BOTTOM }));
const X = (x: number) =>
  LEFT + ((x - props.picture.frame.x0) / (props.picture.frame.x1 - props.picture.frame.x0)) * inner.value.width;
const Y = (y: number) =>
  TOP +
  inner.value.height -
  ((y - props.picture.frame.y0) / (props.picture.frame.y1 - props.picture.frame.y0)) * inner.value.height;
const polygon = computed(() => props.picture.region.map(([x, y]) => `${X(x)},${Y(y)}`).join(" "));
const unit = computed(() => (props.plan.objective?.unit ? parseUnit(props.plan.objective.unit).unit : null));
/** The answer: the best whole point where whole values are asked for, otherwise the best corners. */
const wholeAnswer = computed(() => {
  const w = props.result.whole;
  return w && !props.result.best.some((b) => b.at.join(",") === w.at.join(",")) ? w : null;
});
const bestKeys = computed(() => new Set(wholeAnswer.value ? [] : props.result.best.map((b) => b.at.join(","))));
/** A region without area: a segment or a point. */
const flat = computed(() => {
  const p = props.picture.region;
  const f = props.picture.frame;
  return (
    p.length > 0 &&
    Math.abs(
      p.reduce((s, [x, y], i) => {
        const [u, v] = p[(i + 1) % p.length]!;
        return s + x * v - u * y;
      }, 0),
    ) <
      1e-7 * (f.x1 - f.x0) * (f.y1 - f.y0)
  );
});
const cornerText = (c: PlanResult["corners"][number]) => {
  const worth = c.value === null ? "" : ` ${formatQuantity(c.value, unit.value, 6)}`;
  return `(${c.at.map((v) => formatNumber(v, 5)).join(", ")})${worth}`;
};
const name = (k: 0 | 1) => {
  const v = props.plan.variables[k]!;
  return `${v.name}${v.label ? `, ${v.label}` : v.unit ? `, ${v.unit}` : ""}`;
};

// ---- the objective's line: slid by hand and by key; it snaps to corners
const level = ref<number | null>(null);
const bestLevel = computed(() => (props.result.whole ?? props.result.best[0])?.value ?? null);
watch(
  () => props.result,
  () => {
    level.value = null;
  },
);
const shown = computed(() => level.value ?? bestLevel.value);
const constant = computed(() => {
  const b = props.result.best[0] ?? props.result.corners[0];
  const o = props.picture.objective;
  return b && o && b.value !== null ? b.value - o[0] * b.at[0]! - o[1] * b.at[1]! : 0;
});
const line = computed(() => {
  const o = props.picture.objective;
  return o && shown.value !== null && (o[0] !== 0 || o[1] !== 0)
    ? segment({ a: o[0], b: o[1], c: shown.value - constant.value }, props.picture.frame)
    : null;
});
const levels = computed(() =>
  [...new Set(props.result.corners.flatMap((c) => (c.value === null ? [] : [c.value])))].sort((a, b) => a - b),
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
// ---- a point read off: every constraint with what is left there
const at = ref<[number, number] | null>(null);
let sliding = false;
function placed(event: PointerEvent): [number, number] | null {
  const box = home.value!.getBoundingClientRect();
  const [px, py] = [event.clientX - box.left, event.clientY - box.top];
  const f = props.picture.frame;
  if (px < LEFT || px > LEFT + inner.value.width || py < TOP || py > TOP + inner.value.height) return null;
  const p: [number, number] = [
    f.x0 + ((px - LEFT) / inner.value.width) * (f.x1 - f.x0),
    f.y1 - ((py - TOP) / inner.value.height) * (f.y1 - f.y0),
  ];
  const corner = props.result.corners.find((c) => Math.hypot(X(c.at[0]!) - px, Y(c.at[1]!) - py) < 10);
  return corner
    ? [corner.at[0]!, corner.at[1]!]
    : (p.map((v, k) => Number(v.toPrecision(3 + (k >= 0 ? 1 : 0)))) as [number, number]);
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
  const off =
    Math.abs(o[0] * p[0] + o[1] * p[1] + constant.value - shown.value) /
    (Math.abs(o[0]) * (props.picture.frame.x1 - props.picture.frame.x0) +
      Math.abs(o[1]) * (props.picture.frame.y1 - props.picture.frame.y0));
  if (off < 0.03) {
    sliding = true;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
}
// ---- labels of corners: beside their corner, on the surface, none on another
const LETTER = 6.6;
const labels = computed(() => {
  const taken: { x0: number; x1: number; y0: number; y1: number }[] = props.result.corners.map((c) => ({
    x0: X(c.at[0]!) - 7,
    x1: X(c.at[0]!) + 7,
    y0: Y(c.at[1]!) - 7,
    y1: Y(c.at[1]!) + 7,
  }));
  // The best corners come first: their labels are the ones to be read.
  const answer = wholeAnswer.value ? [{ ...wholeAnswer.value, on: [] }] : [];
  for (const a of answer)
    taken.push({ x0: X(a.at[0]!) - 7, x1: X(a.at[0]!) + 7, y0: Y(a.at[1]!) - 7, y1: Y(a.at[1]!) + 7 });
  const order = [
    ...answer,
    ...props.result.corners.filter((c) => c.at.join(",") !== wholeAnswer.value?.at.join(",")),
  ].sort((a, b) => Number(bestKeys.value.has(b.at.join(","))) - Number(bestKeys.value.has(a.at.join(","))));
  return order.flatMap((c) => {
    const strong = bestKeys.value.has(c.at.join(",")) || answer.includes(c as (typeof answer)[number]);
    const text = cornerText(c);
    const wide = text.length * LETTER * (strong ? 1.16 : 1);
    const [px, py] = [X(c.at[0]!), Y(c.at[1]!)];
    for (const [dx, dy] of [
      [11, -9],
      [-11, -9],
      [11, 17],
      [-11, 17],
      [11, -25],
      [-11, -25],
      [11, 33],
      [-11, 33],
    ] as const) {
      const box = {
        x0: dx > 0 ? px + dx : px + dx - wide,
        x1: dx > 0 ? px + dx + wide : px + dx,
        y0: py + dy - 11,
        y1: py + dy + 4,
      };
      if (
        box.x0 < LEFT + 2 ||
        box.x1 > LEFT + inner.value.width + RIGHT - 2 ||
        box.y0 < 2 ||
        box.y1 > TOP + inner.value.height - 2
      )
        continue;
      if (taken.some((t) => t.x0 < box.x1 && box.x0 < t.x1 && t.y0 < box.y1 && box.y0 < t.y1)) continue;
      taken.push(box);
      return [{ text, strong, x: px + dx, y: py + dy, anchor: dx > 0 ? ("start" as const) : ("end" as const) }];
    }
    return [];
  });
});
// ---- where the region goes on for ever: an open edge with arrows along its directions
const arrows = computed(() => {
  const { region } = props.picture;
  if (region.length === 0 || props.result.regionBounded !== false) return [];
  const middle = [0, 1].map((k) => region.reduce((s, p) => s + p[k]!, 0) / region.length) as [number, number];
  const [cx, cy] = [X(middle[0]), Y(middle[1])];
  const ways = props.result.directions.map((d) => {
    const [u, v] = [X(middle[0] + d[0]!) - cx, Y(middle[1] + d[1]!) - cy];
    const long = Math.hypot(u, v) || 1;
    return [u / long, v / long] as [number, number];
  });
  // Between two directions the region goes on as well.
  const [first, second] = ways;
  const all =
    first && second && Math.hypot(first[0] + second[0], first[1] + second[1]) > 0.1
      ? [
          ...ways,
          [
            (first[0] + second[0]) / Math.hypot(first[0] + second[0], first[1] + second[1]),
            (first[1] + second[1]) / Math.hypot(first[0] + second[0], first[1] + second[1]),
          ] as [number, number],
        ]
      : ways;
  return all.map(([u, v]) => {
    const reach =
      Math.min(
        u > 0 ? (LEFT + inner.value.width - cx) / u : u < 0 ? (LEFT - cx) / u : Infinity,
        v > 0 ? (TOP + inner.value.height - cy) / v : v < 0 ? (TOP - cy) / v : Infinity,
      ) - 4;
    const [tx, ty] = [cx + u * reach, cy + v * reach];
    const [bx, by] = [tx - u * 10, ty - v * 10];
    return {
      line: `M${tx - u * 34},${ty - v * 34}L${bx},${by}`,
      head: `M${tx},${ty}L${bx - v * 5},${by + u * 5}L${bx + v * 5},${by - u * 5}Z`,
    };
  });
});
/** Edges of the frame over which the region goes on: drawn open, as a fringe of dashes instead of a line. */
const open = computed(() => {
  const { region, frame } = props.picture;
  if (props.result.regionBounded !== false) return [];
  const on = (p: readonly [number, number], q: readonly [number, number]) =>
    [frame.x0, frame.x1].some((x) => p[0] === x && q[0] === x) ||
    [frame.y0, frame.y1].some((y) => p[1] === y && q[1] === y);
  // An edge of the frame that is a constraint's own line is no open edge.
  const bound = (p: readonly [number, number], q: readonly [number, number]) =>
    props.picture.lines.some(
      (l) =>
        on(l.from, l.to) &&
        ((l.from[0] === l.to[0] && p[0] === q[0] && p[0] === l.from[0]) ||
          (l.from[1] === l.to[1] && p[1] === q[1] && p[1] === l.from[1])),
    );
  return region.flatMap((p, i) => {
    const q = region[(i + 1) % region.length]!;
    return on(p, q) && !bound(p, q) && (p[0] !== q[0] || p[1] !== q[1])
      ? [{ x1: X(p[0]), y1: Y(p[1]), x2: X(q[0]), y2: Y(q[1]) }]
      : [];
  });
});
const drawing = useTemplateRef<SVGSVGElement>("drawing");
defineExpose({ svg: () => drawing.value });
/** All of the frame but the region. */
const outerPath = computed(() => {
  const { width, height } = inner.value;
  const hole = props.picture.region.length > 0 ? `M${polygon.value.split(" ").join("L")}Z` : "";
  return `M${LEFT},${TOP}h${width}v${height}h${-width}Z ${hole}`;
});
const described = computed(() => {
  const { corners, directions, regionBounded } = props.result;
  const ways = directions.map((d) => `(${d.map((v) => formatNumber(v)).join(", ")})`).join(" and ");
  const end = regionBounded === false ? `, without end along ${ways}` : "";
  const all = corners.map((c) => `; ${cornerText(c)}`).join("");
  return `Region of ${name(0)} and ${name(1)}: ${corners.length} corners${end}${all}.`;
});
</script>

<template>
  <div
    ref="home"
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
    <svg ref="drawing" :width="size.width" :height="size.height" aria-hidden="true">
      <defs>
        <clipPath id="plan-frame"><rect :x="LEFT" :y="TOP" :width="inner.width" :height="inner.height" /></clipPath>
      </defs>
      <g class="grid">
        <line v-for="t in xs.ticks" :key="`x${t}`" :x1="X(t)" :x2="X(t)" :y1="TOP" :y2="TOP + inner.height" />
        <line v-for="t in ys.ticks" :key="`y${t}`" :x1="LEFT" :x2="LEFT + inner.width" :y1="Y(t)" :y2="Y(t)" />
      </g>
      <g clip-path="url(#plan-frame)">
        <path v-if="ruledOut" class="out" fill-rule="evenodd" :d="outerPath" />
        <polygon v-else-if="!flat" class="in" :points="polygon" />
        <polyline v-else class="thin" :points="polygon" />
        <circle
          v-for="[x, y] in picture.lattice"
          :key="`${x} ${y}`"
          class="whole"
          :cx="X(x)"
          :cy="Y(y)"
          :r="picture.lattice.length > 250 ? 1.7 : 2.8"
        />
        <circle v-for="p in result.outside" :key="p.join()" class="faint" :cx="X(p[0])" :cy="Y(p[1])" r="3" />
        <line
          v-for="(l, i) in picture.lines"
          :key="i"
          :x1="X(l.from[0])"
          :y1="Y(l.from[1])"
          :x2="X(l.to[0])"
          :y2="Y(l.to[1])"
          :stroke="`var(--curve-${colours[l.id] ?? 6})`"
          :stroke-width="pointed === l.id ? 3.4 : 2"
          :opacity="pointed && pointed !== l.id ? 0.3 : 1"
        />
        <line v-for="(e, i) in open" :key="`o${i}`" class="open" v-bind="e" />
        <g v-for="(a, i) in arrows" :key="`a${i}`" class="arrow">
          <path :d="a.line" />
          <path class="head" :d="a.head" />
        </g>
        <line
          v-if="line"
          class="objective"
          :x1="X(line[0][0])"
          :y1="Y(line[0][1])"
          :x2="X(line[1][0])"
          :y2="Y(line[1][1])"
        />
      </g>
      <g v-for="(l, i) in picture.lines" :key="`n${i}`">
        <text
          class="name"
          :text-anchor="l.id.trim().length > 2 && X(l.to[0]) > LEFT + 70 ? 'end' : 'start'"
          :x="
            X(l.to[0]) +
            (l.id.trim().length > 2 ? (X(l.to[0]) > LEFT + 70 ? -4 : 4) : l.to[0] >= picture.frame.x1 - 1e-9 ? 5 : -4)
          "
          :y="
            Math.max(
              TOP + 10,
              Math.min(
                TOP + inner.height - 4,
                Y(l.to[1]) + (l.id.trim().length > 2 ? -5 : l.to[0] >= picture.frame.x1 - 1e-9 ? 4 : 14),
              ),
            )
          "
          :style="{ fill: `var(--curve-${colours[l.id] ?? 6})` }"
        >
          {{ l.id }}
        </text>
      </g>
      <g v-for="c in result.corners" :key="c.at.join()">
        <circle
          :cx="X(c.at[0]!)"
          :cy="Y(c.at[1]!)"
          :r="bestKeys.has(c.at.join(',')) ? 7 : 5"
          :class="bestKeys.has(c.at.join(',')) ? 'best' : 'corner'"
        />
      </g>
      <circle v-if="wholeAnswer" class="best" :cx="X(wholeAnswer.at[0]!)" :cy="Y(wholeAnswer.at[1]!)" r="7" />
      <text
        v-for="(l, i) in labels"
        :key="`l${i}`"
        class="label"
        :class="{ strong: l.strong }"
        :x="l.x"
        :y="l.y"
        :text-anchor="l.anchor"
      >
        {{ l.text }}
      </text>
      <g class="ticks">
        <text v-for="t in xs.ticks" :key="`tx${t}`" :x="X(t)" :y="TOP + inner.height + 16" text-anchor="middle">
          {{ formatNumber(t) }}
        </text>
        <text v-for="t in ys.ticks" :key="`ty${t}`" :x="LEFT - 7" :y="Y(t) + 4" text-anchor="end">
          {{ formatNumber(t) }}
        </text>
        <text :x="LEFT + inner.width / 2" :y="size.height - 8" text-anchor="middle">{{ name(0) }}</text>
        <text :x="6" :y="12">{{ name(1) }}</text>
      </g>
    </svg>
    <div v-if="at" class="readout" aria-hidden="true">
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
svg {
  position: absolute;
  inset: 0;
  display: block;
}
.grid line {
  stroke: var(--hairline);
}
.in {
  fill: var(--jade);
  opacity: 0.15;
}
.out {
  fill: var(--brick);
  opacity: 0.14;
}
.thin {
  fill: none;
  stroke: var(--jade);
  stroke-width: 6;
  opacity: 0.4;
}
.whole {
  fill: var(--jade);
}
.faint {
  fill: none;
  stroke: var(--ink-3);
  opacity: 0.55;
}
.open {
  stroke: var(--paper);
  stroke-width: 7;
  stroke-dasharray: 6 7;
}
.arrow path {
  fill: none;
  stroke: var(--jade);
  stroke-width: 2.2;
}
.arrow .head {
  fill: var(--jade);
  stroke: none;
}
.objective {
  stroke: var(--amber);
  stroke-width: 2.6;
  stroke-dasharray: 9 5;
  cursor: grab;
}
.corner {
  fill: var(--paper);
  stroke: var(--jade);
  stroke-width: 2.4;
}
.best {
  fill: var(--amber);
  stroke: var(--paper);
  stroke-width: 2;
}
.label,
.name,
.ticks text {
  font-family: var(--face);
  font-size: 12px;
  fill: var(--ink-2);
}
.label {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}
.strong {
  font-weight: 700;
  font-size: 14px;
}
.name {
  font-weight: 700;
  font-size: 13px;
}
.readout {
  position: absolute;
  top: 30px;
  right: 36px;
  display: grid;
  gap: 1px;
  padding: 0.4rem 0.6rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 6px;
  font-size: 0.85rem;
  pointer-events: none;
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
