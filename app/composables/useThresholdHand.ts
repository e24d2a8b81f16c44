import { roundStep, type Picture } from "#core/graph";
import { toY, type Rect } from "~/charts/deskLayout";

/** A threshold is taken hold of this near, and beside its pane, in pixels. */
const REACH = { up: 6, left: 12 } as const;
/** Stops of a threshold along its axis, at the most. */
const STOPS = 120;

/** Thresholds on the graph: which one is under the pointer, and what it is set to by dragging. */
export function useThresholdHand(picture: () => Picture | null, rects: Readonly<Ref<readonly Rect[]>>) {
  const store = useCaseStore();

  /** The index of the threshold at a place of the graph, in pixels; null where there is none that moves. */
  function at([x, y]: readonly [number, number]): number | null {
    const p = picture();
    if (!p) return null;
    const i = p.thresholds.findIndex((t) => {
      const r = rects.value[t.pane];
      if (!r || t.moves === null || x <= r.left - REACH.left || x >= r.left + r.width) return false;
      return Math.abs(toY(p, t.pane, r, t.y) - y) < REACH.up;
    });
    return i < 0 ? null : i;
  }
  /** Sets what a threshold stands for, in steps that fit the axis; the question (or the given it names) follows. */
  function set(index: number, y: number): void {
    const p = picture();
    const t = p?.thresholds[index];
    const r = t && rects.value[t.pane];
    if (!p || !t?.moves || !r) return;
    const axis = p.panes[t.pane]!.y;
    const share = 1 - (y - r.top) / r.height;
    const raw = axis.min + Math.min(1, Math.max(0, share)) * (axis.max - axis.min);
    const step = roundStep(axis.max - axis.min, STOPS);
    const value = Number((Math.round(raw / step) * step).toPrecision(12));
    const given = t.moves.kind === "given" ? t.moves.name : null;
    store.apply({ kind: "moveThreshold", id: t.question, value, given });
  }
  return { at, set };
}
