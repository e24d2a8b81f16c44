import type { Picture, View } from "#core/graph";
import { markAt, type Rect } from "~/charts/deskLayout";
import type { ReadingLineState } from "./useReadingLine";

/** A curve that is only crossed lights nothing; the pointer must rest on it this long, in ms. */
const REST = 90;
/** The ground moves once the pointer has, in pixels: a click is no drag. */
const STILL = 3;
/** How much closer a turn of the wheel and a press of a key look. */
const CLOSER = { wheel: 1.2, key: 1.4 } as const;

type Hold =
  | { readonly kind: "ground"; readonly x: number; readonly from: number; readonly to: number }
  | { readonly kind: "threshold"; readonly index: number };

/** The graph under the hand: what is drawn, where, and the line that reads values off it. */
export interface GraphInHand {
  readonly picture: () => Picture | null;
  readonly view: Ref<View>;
  readonly home: Readonly<Ref<HTMLElement | null>>;
  readonly rects: Readonly<Ref<readonly Rect[]>>;
  readonly line: ReadingLineState;
  readonly point: (key: string | null) => void;
}

/** The hand on the graph: ground moves the view, a threshold moves its value, two fingers and a wheel look closer. */
export function useGraphHand(graph: GraphInHand) {
  const { picture, line } = graph;
  const look = useGraphLook(picture, graph.view);
  const rest = useRest(REST, graph.point);
  const pointer = usePointerOnGraph(graph, look, rest);

  function wheel(event: WheelEvent): void {
    const x = pointer.inputAt(event.clientX);
    const isSideways = Math.abs(event.deltaX) > Math.abs(event.deltaY) && !event.ctrlKey && !event.metaKey;
    if (x === null || isSideways) return;
    event.preventDefault();
    look.closer(event.deltaY > 0 ? CLOSER.wheel : 1 / CLOSER.wheel, x);
  }
  function key(event: KeyboardEvent): void {
    if (!picture()) return;
    if (event.key === "ArrowRight") line.step(1, event.shiftKey);
    else if (event.key === "ArrowLeft") line.step(-1, event.shiftKey);
    else if (event.key === "+" || event.key === "=") look.closer(1 / CLOSER.key, line.at.value);
    else if (event.key === "-") look.closer(CLOSER.key, line.at.value);
    else if (event.key === "0") look.reframe();
    else if (event.key === "Escape") line.at.value = null;
    else return;
    rest.pointAt(line.answer());
    event.preventDefault();
    event.stopPropagation();
  }
  function leave(): void {
    line.at.value = null;
    rest.pointAt(null);
  }
  const { isOnThreshold, move, press, release } = pointer;
  return { isOnThreshold, move, press, release, wheel, key, leave, reframe: look.reframe };
}

/** Mouse, pen and fingers on the graph. */
function usePointerOnGraph(
  { picture, home, rects, line }: GraphInHand,
  look: ReturnType<typeof useGraphLook>,
  rest: ReturnType<typeof useRest>,
) {
  const thresholds = useThresholdHand(picture, rects);
  const hold = shallowRef<Hold | null>(null);
  const isOverThreshold = ref(false);
  const fingers = new Map<number, number>();

  const placeOf = (event: { clientX: number; clientY: number }) => placeIn(home.value, event);
  const inputAt = (clientX: number): number | null => line.inputAt(placeOf({ clientX, clientY: 0 })[0]);

  function dragGround(held: Extract<Hold, { kind: "ground" }>, event: PointerEvent): void {
    if (Math.abs(event.clientX - held.x) <= STILL) return;
    const by = ((held.x - event.clientX) / rects.value[0]!.width) * (held.to - held.from);
    look.look(held.from + by, held.to + by);
    line.at.value = null;
  }
  function move(event: PointerEvent): void {
    if (fingers.has(event.pointerId)) fingers.set(event.pointerId, event.clientX);
    const held = hold.value;
    const place = placeOf(event);
    if (look.isPinched() && fingers.size === 2) look.pinchTo(apart(fingers));
    else if (held?.kind === "threshold") thresholds.set(held.index, place[1]);
    else if (held) dragGround(held, event);
    else {
      const p = picture();
      isOverThreshold.value = thresholds.at(place) !== null;
      line.at.value = isOverThreshold.value ? null : inputAt(event.clientX);
      rest.restAt(p ? markAt(p, rects.value, ...place) : null);
    }
  }
  function press(event: PointerEvent): void {
    const p = picture();
    if (!p || event.button !== 0) return;
    fingers.set(event.pointerId, event.clientX);
    if (fingers.size === 2) {
      hold.value = null;
      const middle = inputAt([...fingers.values()].reduce((a, b) => a + b) / 2);
      if (middle !== null) look.beginPinch(apart(fingers), middle);
      return;
    }
    const index = thresholds.at(placeOf(event));
    if (index !== null) hold.value = { kind: "threshold", index };
    else if (inputAt(event.clientX) !== null)
      hold.value = { kind: "ground", x: event.clientX, from: p.x.min, to: p.x.max };
    else return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
  function release(event: PointerEvent): void {
    fingers.delete(event.pointerId);
    look.endPinch();
    hold.value = null;
  }
  const isOnThreshold = computed(() => isOverThreshold.value || hold.value?.kind === "threshold");
  return { inputAt, isOnThreshold, move, press, release };
}

/** Where the pointer is, in pixels from the corner of the graph. */
function placeIn(home: HTMLElement | null, at: { clientX: number; clientY: number }): readonly [number, number] {
  const box = home?.getBoundingClientRect();
  return box ? [at.clientX - box.left, at.clientY - box.top] : [NaN, NaN];
}
/** How far two fingers are apart along the axis, in pixels. */
function apart(fingers: ReadonlyMap<number, number>): number {
  const [a, b] = [...fingers.values()] as [number, number];
  return Math.abs(a - b);
}
