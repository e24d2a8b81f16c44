import { formatInput, unitFor } from "#core/explain";
import type { Picture } from "#core/graph";
import type { Rect } from "./deskLayout";
import type { Look } from "./look";
import { tickText } from "./tickText";

/** What the graph of the desk is drawn of. */
export interface Art {
  readonly picture: Picture;
  readonly rects: readonly Rect[];
  readonly look: Look;
  readonly lit: ReadonlySet<string> | null;
  /** a small graph has neither names nor labels */
  readonly isSmall: boolean;
  /** no names at the ends of its curves */
  readonly isUnnamed: boolean;
}

const axisOf = (pane: number, { min, max }: { min: number; max: number }, { look }: Art) => ({
  gridIndex: pane,
  type: "value",
  min,
  max,
  silent: true,
  axisLine: { show: true, onZero: false, lineStyle: { color: look.axis, width: 1 } },
  axisTick: { show: false },
  nameTextStyle: { color: look.quiet, fontSize: 12 },
});
const labelsOf = ({ look, isSmall }: Art, text: (value: number) => string) => ({
  formatter: text,
  color: look.quiet,
  fontSize: isSmall ? 10.5 : 12,
});

/** One and the same function for one unit: an axis is compared with the one before it. */
function kept<K>(make: (of: K) => (value: number) => string, keyOf: (of: K) => string) {
  const made = new Map<string, (value: number) => string>();
  return (of: K) => made.get(keyOf(of)) ?? made.set(keyOf(of), make(of)).get(keyOf(of))!;
}
const inputText = kept(
  (unit: Picture["xUnit"]) => (t) => formatInput(t, unit),
  (unit) => unit?.text ?? "",
);
const valueText = kept(
  (unit: string) => (t) => tickText(t, unit),
  (unit) => unit,
);

/**
 * Only the lowest pane has numbers and a name at its foot: all panes share them. Both are said of every pane, since
 * the library keeps what an axis was before wherever nothing is said.
 */
export function xAxis(pane: number, art: Art) {
  const { picture, rects, isSmall } = art;
  const common = { ...axisOf(pane, picture.x, art), id: `x:${pane}`, splitLine: { show: false } };
  if (pane < rects.length - 1) return { ...common, name: "", axisLabel: { show: false } };
  const labels = { show: true, ...labelsOf(art, inputText(picture.xUnit)), customValues: [...picture.x.ticks] };
  const name = { name: isSmall ? "" : picture.xLabel, nameLocation: "middle", nameGap: 26 };
  return { ...common, ...name, axisLabel: { ...labels, margin: isSmall ? 5 : 8, hideOverlap: true } };
}

export function yAxis(pane: number, art: Art) {
  const { picture, rects, look, isSmall } = art;
  const { y, unit, title } = picture.panes[pane]!;
  const name = title ?? (unit.startsWith("$") ? "" : unitFor(2, unit));
  const isNamed = !isSmall && name !== "";
  return {
    ...axisOf(pane, y, art),
    id: `y:${pane}`,
    // The ends of an axis of values lie on its ticks.
    interval: y.ticks.length > 1 ? y.ticks[1]! - y.ticks[0]! : y.max - y.min,
    splitLine: { show: true, lineStyle: { color: look.hairline } },
    axisLabel: { ...labelsOf(art, valueText(unit)), margin: isSmall ? 5 : 8 },
    ...(isNamed
      ? {
          name,
          nameLocation: "end",
          nameGap: 8,
          nameTextStyle: {
            color: look.quiet,
            fontSize: 12,
            align: "left",
            padding: [0, 0, 0, 8 - rects[pane]!.left],
          },
        }
      : { name: "" }),
  };
}
