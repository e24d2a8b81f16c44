import {
  computed,
  effectScope,
  nextTick,
  onScopeDispose,
  reactive,
  ref,
  shallowRef,
  watch,
  type EffectScope,
} from "vue";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { cardKey } from "../../app/utils/cardKey";
import type { RankedCard } from "#core/choice";

// Split data on the page; models are made by a stand-in for the worker: the mean, and the line through the first and
// the last row.
type Asked = { x: readonly number[]; y: readonly number[] };
let asked: Asked[];
let scope: EffectScope;
const card = (family: string, a: number, b: number, x: readonly number[], reason: string | null = null) =>
  ({
    family,
    method: "direct",
    reason,
    constants: [
      { name: "a", value: a },
      { name: "b", value: b },
    ],
    curve: [...x, (x.at(-1) ?? 0) + 5].flatMap((v) => [v, a + b * v]),
  }) as unknown as RankedCard;
function models({ x, y }: Asked): RankedCard[] {
  if (x.length < 2) return [card("linear", 0, 0, x, "A line needs two readings.")];
  const b = (y.at(-1)! - y[0]!) / (x.at(-1)! - x[0]!);
  return [card("linear", y[0]! - b * x[0]!, b, x), card("proportional", 0, y.at(-1)! / x.at(-1)!, x)];
}
beforeEach(() => {
  vi.useFakeTimers();
  asked = [];
  const useDataWorker = () => ({
    ask: async (request: Asked) => {
      asked.push(request);
      await Promise.resolve();
      return { cards: models(request) };
    },
  });
  for (const [name, value] of Object.entries({
    computed,
    onScopeDispose,
    reactive,
    ref,
    shallowRef,
    watch,
    cardKey,
    useDataWorker,
  }))
    vi.stubGlobal(name, value);
});
afterEach(() => {
  scope.stop();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** 1 + 3t up to t = 3, 21 − 2t from t = 4 on; the two meet at 4. */
const tent = { x: [0, 1, 2, 3, 4, 5, 6, 7], y: [1, 4, 7, 10, 13, 11, 9, 7] };
async function open(rows = tent, suggested: readonly number[] = []) {
  const { useSplit } = await import("../../app/composables/useSplit");
  scope = effectScope();
  const s = scope.run(() => useSplit(ref(rows), ref(suggested), ref("t"), ref([])))!;
  const at = async (place: number | null) => {
    s.at.value = place;
    await nextTick();
    await vi.advanceTimersByTimeAsync(200);
  };
  return { ...s, place: at };
}

describe("data split at a place", () => {
  it("each side has its rows, its models and the first of them", async () => {
    const s = await open();
    await s.place(3.5);
    expect(asked.map((r) => r.x)).toEqual([
      [0, 1, 2, 3],
      [4, 5, 6, 7],
    ]);
    expect([s.cardOf("left")!.family, s.cardOf("right")!.family]).toEqual(["linear", "linear"]);
    expect([s.valueOf("left", 3.5), s.valueOf("right", 3.5)]).toEqual([11.5, 14]);
    expect(s.jump.value).toBeCloseTo(2.5, 9);
    expect(s.meeting.value).toBeCloseTo(4, 9);
  });
  it("joined where they meet, nothing jumps", async () => {
    const s = await open();
    await s.place(3.5);
    await s.place(s.meeting.value!);
    expect(Math.abs(s.jump.value!)).toBeLessThan(1e-9);
  });
  it("the break belongs to the side that owns it", async () => {
    const s = await open();
    await s.place(4);
    expect(s.parts.value!.map((p) => p.x.length)).toEqual([4, 4]);
    s.owner.value = "left";
    await nextTick();
    expect(s.parts.value!.map((p) => p.x)).toEqual([
      [0, 1, 2, 3, 4],
      [5, 6, 7],
    ]);
  });
  it("a break that is still moving is worked out once, where it comes to rest", async () => {
    const s = await open();
    for (const p of [1.5, 2.5, 3.5, 4.5]) {
      s.at.value = p;
      await nextTick();
      await vi.advanceTimersByTimeAsync(20);
    }
    await vi.advanceTimersByTimeAsync(200);
    expect(asked.map((r) => r.x.length)).toEqual([5, 3]);
  });
  it("a model that was chosen stays chosen while the break moves; without it the first one stands", async () => {
    const s = await open();
    await s.place(3.5);
    s.chosen.right = "proportional direct";
    await s.place(2.5);
    expect([s.cardOf("left")!.family, s.cardOf("right")!.family]).toEqual(["linear", "proportional"]);
    // One row alone has no line.
    await s.place(0.5);
    expect([s.cardOf("left"), s.jump.value, s.meeting.value]).toEqual([null, null, null]);
    expect(s.cardOf("right")!.family).toBe("proportional");
  });
  it("curves end at the break", async () => {
    const s = await open();
    await s.place(3.5);
    const [left, right] = [s.curveOf("left"), s.curveOf("right")];
    expect([left.slice(-2), right.slice(0, 2)]).toEqual([
      [3.5, 11.5],
      [3.5, 14],
    ]);
    expect([Math.max(...left.filter((_, i) => i % 2 === 0)), Math.min(...right.filter((_, i) => i % 2 === 0))]).toEqual(
      [3.5, 3.5],
    );
  });
  it("begins where the rows turn, else in the middle, and never without rows", async () => {
    const turned = await open(tent, [4]);
    turned.begin();
    expect(turned.at.value).toBe(4);
    scope.stop();
    const plain = await open();
    plain.begin();
    expect(plain.at.value).toBe(3.5);
    scope.stop();
    const empty = await open({ x: [], y: [] });
    empty.begin();
    expect(empty.at.value).toBeNull();
  });
  it("one piece again: nothing of the sides is left", async () => {
    const s = await open();
    await s.place(3.5);
    await s.place(null);
    expect([s.cards.value, s.parts.value, s.jump.value, s.curveOf("left")]).toEqual([null, null, null, []]);
  });
  it("three stretches between two breaks", async () => {
    const s = await open();
    expect(s.stretches([2, 5], "right").map((p) => p.x)).toEqual([
      [0, 1],
      [2, 3, 4],
      [5, 6, 7],
    ]);
    expect(s.stretches([2, 5], "left").map((p) => p.y)).toEqual([
      [1, 4, 7],
      [10, 13, 11],
      [9, 7],
    ]);
  });
});
