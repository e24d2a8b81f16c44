import { roundStep, type Picture, type View } from "#core/graph";
import { markAt, toY, type Rect } from "~/charts/deskLayout";
import type { ReadingLineState } from "./useReadingLine";

/** A curve that is only crossed lights nothing; the pointer must rest on it this long, in ms. */
const REST = 90;
/** A threshold is taken hold of this near, and beside its pane, in pixels. */
const REACH = { up: 6, left: 12 } as const;
/** The ground moves once the pointer has, in pixels: a click is no drag. */
const STILL = 3;
/** Fingers count as this far apart at the least, in pixels. */
const APART = 20;
/** Stops of a threshold along its axis, at the most. */
const STOPS = 120;

type Hold =
  { readonly kind: "ground"; x: number; from: number; to: number } | { readonly kind: "threshold"; index: number };

/** The hand on the graph: ground moves the view, a threshold moves its value, two fingers and a wheel look closer. */
export function useGraphHand(
  picture: () => Picture | null,
  view: Ref<View>,
  home: Readonly<Ref<HTMLElement | null>>,
  rects: Readonly<Ref<readonly Rect[]>>,
  line: ReadingLineState,
  point: (key: string | null) => void,
) {
  const store = useCaseStore();
  const hold = shallowRef<Hold | null>(null);
  const isOverThreshold = ref(false);
  const fingers = new Map<number, number>();
  let pinch: { apart: number; middle: number; from: number; to: number } | null = null;

  // ---- what is pointed at
  let pointedAt: string | null = null;
  let resting: ReturnType<typeof setTimeout> | undefined;
  function pointAt(key: string | null): void {
    clearTimeout(resting);
    if (key === pointedAt) return;
    pointedAt = key;
    point(key);
  }
  function restAt(key: string | null): void {
    if (key === null) pointAt(null);
    else if (key !== pointedAt) {
      clearTimeout(resting);
      resting = setTimeout(pointAt, REST, key);
    }
  }
  onBeforeUnmount(() => clearTimeout(resting));
  /** Where the pointer is, in pixels from the corner of the graph. */
  function placeOf(event: { clientX: number; clientY: number }): readonly [number, number] {
    const box = home.value?.getBoundingClientRect();
    return box ? [event.clientX - box.left, event.clientY - box.top] : [NaN, NaN];
  }
  const inputAt = (clientX: number): number | null => line.inputAt(placeOf({ clientX, clientY: 0 })[0]);

  // ---- thresholds
  function thresholdAt(event: PointerEvent): number | null {
    const p = picture();
    if (!p) return null;
    const [x, y] = placeOf(event);
    const i = p.thresholds.findIndex((t) => {
      const r = rects.value[t.pane];
      if (!r || t.moves === null || x <= r.left - REACH.left || x >= r.left + r.width) return false;
      return Math.abs(toY(p, t.pane, r, t.y) - y) < REACH.up;
    });
    return i < 0 ? null : i;
  }
  /** Sets what a threshold stands for, in steps that fit the axis; the question (or the given it names) follows. */
  function setThreshold(index: number, event: PointerEvent): void {
    const p = picture();
    const t = p?.thresholds[index];
    const r = t && rects.value[t.pane];
    if (!p || !t?.moves || !r) return;
    const axis = p.panes[t.pane]!.y;
    const share = 1 - (placeOf(event)[1] - r.top) / r.height;
    const raw = axis.min + Math.min(1, Math.max(0, share)) * (axis.max - axis.min);
    const step = roundStep(axis.max - axis.min, STOPS);
    const value = Number((Math.round(raw / step) * step).toPrecision(12));
    const given = t.moves.kind === "given" ? t.moves.name : null;
    store.apply({ kind: "moveThreshold", id: t.question, value, given });
  }

  // ---- the view
  function look(from: number, to: number): void {
    view.value = { ...view.value, from, to };
  }
  /** Less of the range in sight by a factor below 1, around an input that stays where it is. */
  function closer(factor: number, around = line.at.value): void {
    const p = picture();
    if (!p) return;
    const middle = around ?? (p.x.min + p.x.max) / 2;
    look(middle - (middle - p.x.min) * factor, middle + (p.x.max - middle) * factor);
  }
  function reframe(): void {
    const { from: _from, to: _to, ...rest } = view.value;
    view.value = rest;
  }
  function pinchBy(): void {
    const [a, b] = [...fingers.values()] as [number, number];
    const factor = pinch!.apart / Math.max(APART, Math.abs(a - b));
    const { middle, from, to } = pinch!;
    look(middle - (middle - from) * factor, middle + (to - middle) * factor);
  }
  function dragGround(from: Extract<Hold, { kind: "ground" }>, event: PointerEvent): void {
    if (Math.abs(event.clientX - from.x) <= STILL) return;
    const by = ((from.x - event.clientX) / rects.value[0]!.width) * (from.to - from.from);
    look(from.from + by, from.to + by);
    line.at.value = null;
  }

  // ---- events
  function move(event: PointerEvent): void {
    if (fingers.has(event.pointerId)) fingers.set(event.pointerId, event.clientX);
    const held = hold.value;
    if (pinch && fingers.size === 2) pinchBy();
    else if (held?.kind === "threshold") setThreshold(held.index, event);
    else if (held) dragGround(held, event);
    else {
      const p = picture();
      isOverThreshold.value = thresholdAt(event) !== null;
      line.at.value = isOverThreshold.value ? null : inputAt(event.clientX);
      restAt(p ? markAt(p, rects.value, ...placeOf(event)) : null);
    }
  }
  function press(event: PointerEvent): void {
    const p = picture();
    if (!p || event.button !== 0) return;
    fingers.set(event.pointerId, event.clientX);
    if (fingers.size === 2) {
      const [a, b] = [...fingers.values()] as [number, number];
      const middle = inputAt((a + b) / 2);
      hold.value = null;
      if (middle !== null) pinch = { apart: Math.max(APART, Math.abs(a - b)), middle, from: p.x.min, to: p.x.max };
      return;
    }
    const index = thresholdAt(event);
    if (index !== null) hold.value = { kind: "threshold", index };
    else if (inputAt(event.clientX) !== null)
      hold.value = { kind: "ground", x: event.clientX, from: p.x.min, to: p.x.max };
    else return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
  function release(event: PointerEvent): void {
    fingers.delete(event.pointerId);
    pinch = null;
    hold.value = null;
  }
  function wheel(event: WheelEvent): void {
    const x = inputAt(event.clientX);
    const isSideways = Math.abs(event.deltaX) > Math.abs(event.deltaY) && !event.ctrlKey && !event.metaKey;
    if (x === null || isSideways) return;
    event.preventDefault();
    closer(event.deltaY > 0 ? 1.2 : 1 / 1.2, x);
  }
  function key(event: KeyboardEvent): void {
    if (!picture()) return;
    if (event.key === "ArrowRight") line.step(1, event.shiftKey);
    else if (event.key === "ArrowLeft") line.step(-1, event.shiftKey);
    else if (event.key === "+" || event.key === "=") closer(1 / 1.4);
    else if (event.key === "-") closer(1.4);
    else if (event.key === "0") reframe();
    else if (event.key === "Escape") line.at.value = null;
    else return;
    pointAt(line.answer());
    event.preventDefault();
    event.stopPropagation();
  }
  function leave(): void {
    line.at.value = null;
    pointAt(null);
  }
  const isOnThreshold = computed(() => isOverThreshold.value || hold.value?.kind === "threshold");
  return { isOnThreshold, move, press, release, wheel, key, leave, reframe };
}
