import { computed, effectScope, nextTick, onScopeDispose, ref, shallowRef, toRaw, watch, type EffectScope } from "vue";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";
import type { View } from "#core/graph";
import type { AnalysisReply, AnalysisRequest } from "../../app/workers/protocol";

// The page's side of the analysis, with a worker that answers when the test says so.
class HeldWorker {
  static made: HeldWorker[] = [];
  asked: AnalysisRequest[] = [];
  ended = false;
  onmessage: ((e: { data: AnalysisReply }) => void) | null = null;
  onerror: ((e: { message: string }) => void) | null = null;
  constructor() {
    HeldWorker.made.push(this);
  }
  postMessage(request: AnalysisRequest): void {
    this.asked.push(structuredClone(request));
  }
  terminate(): void {
    this.ended = true;
  }
  /** Answers what was asked last, or a part of it, with the value of the given as its caption. */
  answer(isPart = false): void {
    const { job, source } = this.asked.at(-1)!;
    this.onmessage!({
      data: {
        job,
        ok: true,
        isPart,
        desk: { findings: [] } as never,
        picture: { caption: String(valueOf(source)) } as never,
        slips: [],
        ghost: [],
        ms: 1,
      },
    });
  }
  fail(message: string): void {
    this.onmessage!({ data: { job: this.asked.at(-1)!.job, ok: false, message } });
  }
}
const valueOf = (c: CaseFile | null) => c?.givens?.[0]?.value;
const withValue = (value: number): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  givens: [{ name: "a", value }],
});
let scope: EffectScope;
/** What waits for the next frame; null where frames come at once. */
let waiting: (() => void)[] | null;
const afterFrame = (run: () => void) => {
  if (waiting) waiting.push(run);
  else run();
};
const frame = () => {
  for (const run of waiting!.splice(0)) run();
};

beforeEach(() => {
  vi.useFakeTimers();
  HeldWorker.made = [];
  waiting = null;
  for (const [name, value] of Object.entries({
    computed,
    onScopeDispose,
    ref,
    shallowRef,
    toRaw,
    watch,
    afterFrame,
    Worker: HeldWorker,
  }))
    vi.stubGlobal(name, value);
});
afterEach(() => {
  scope.stop();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function open(first: number) {
  const { CaseAnalysis } = await import("../../app/utils/caseAnalysis");
  const source = shallowRef<CaseFile | null>(withValue(first));
  const view = shallowRef<View>({});
  const ghost = shallowRef<CaseFile | null>(null);
  let dragged = false;
  scope = effectScope();
  const a = new CaseAnalysis({ of: source, view, ghost, isDragged: () => dragged, worked: ref([]) });
  scope.run(() => a.follow());
  const worker = () => HeldWorker.made.at(-1)!;
  const set = async (value: number, byHand = false) => {
    dragged = byHand;
    source.value = withValue(value);
    await nextTick();
  };
  const { of: shown } = a.shown;
  return {
    ...a,
    shown,
    progress: a.progress.shown,
    stop: () => a.stop(),
    lookLonger: (id: string | null) => a.lookLonger(id),
    source,
    view,
    ghost,
    worker,
    set,
    here: () => [valueOf(shown.value), a.picture.value?.caption],
  };
}

describe("the case on the page and its answers", () => {
  it("what is typed stands at once, its answers follow", async () => {
    const a = await open(1);
    a.worker().answer();
    await a.set(2);
    expect(a.here()).toEqual([2, "1"]);
    expect(a.working.value).toBe(true);
    a.worker().answer();
    expect(a.here()).toEqual([2, "2"]);
    expect(a.working.value).toBe(false);
  });
  it("a part of the answers stands as soon as it is there, and the work goes on", async () => {
    const a = await open(1);
    a.worker().answer(true);
    expect(a.here()).toEqual([1, "1"]);
    expect(a.working.value).toBe(true);
    await a.set(2);
    // Of a case that has changed since, no part is shown.
    a.worker().answer(true);
    expect(a.here()).toEqual([2, "1"]);
    a.worker().answer();
    a.worker().answer(true);
    expect(a.here()).toEqual([2, "2"]);
    expect(a.working.value).toBe(true);
  });
  it("what is dragged stands together with its answers, however far the hand is already", async () => {
    const a = await open(1);
    a.worker().answer();
    await a.set(2, true);
    expect(a.here()).toEqual([1, "1"]);
    await a.set(3, true);
    await a.set(4, true);
    a.worker().answer();
    expect(a.here()).toEqual([2, "2"]);
    // 3 was never asked about: 4 had come meanwhile.
    a.worker().answer();
    expect(a.here()).toEqual([4, "4"]);
    expect(a.worker().asked.map((r) => valueOf(r.source))).toEqual([1, 2, 4]);
  });
  it("answers that take too long are not waited for, and nothing goes back when they come", async () => {
    const a = await open(1);
    a.worker().answer();
    await a.set(2, true);
    await a.set(3, true);
    await vi.advanceTimersByTimeAsync(600);
    expect(a.here()).toEqual([3, "1"]);
    a.worker().answer();
    expect(a.here()).toEqual([3, "2"]);
    a.worker().answer();
    expect(a.here()).toEqual([3, "3"]);
  });
  it("a change that is no drag ends the waiting", async () => {
    const a = await open(1);
    a.worker().answer();
    await a.set(2, true);
    await a.set(9);
    expect(a.here()).toEqual([9, "1"]);
    a.worker().answer();
    expect(a.here()).toEqual([9, "2"]);
    a.worker().answer();
    expect(a.here()).toEqual([9, "9"]);
  });
  it("while a hand drags, answers wait for the gap between two frames; only the last of them is shown", async () => {
    const a = await open(1);
    a.worker().answer();
    waiting = [];
    await a.set(2, true);
    await a.set(3, true);
    a.worker().answer();
    expect(a.here()).toEqual([1, "1"]);
    a.worker().answer();
    frame();
    expect(a.here()).toEqual([3, "3"]);
    // Nothing is left for the frame after.
    expect(waiting).toEqual([]);
  });
  it("what is typed does not wait for a frame, nor is it taken back by a drag that came before", async () => {
    const a = await open(1);
    a.worker().answer();
    waiting = [];
    await a.set(2, true);
    a.worker().answer();
    await a.set(9);
    a.worker().answer();
    expect(a.here()).toEqual([9, "9"]);
    frame();
    expect(a.here()).toEqual([9, "9"]);
  });
  it("a hand that rests leaves nothing behind", async () => {
    const a = await open(1);
    a.worker().answer();
    for (const v of [2, 3, 4, 5]) await a.set(v, true);
    a.worker().answer();
    a.worker().answer();
    await vi.advanceTimersByTimeAsync(1000);
    expect(a.here()).toEqual([5, "5"]);
    expect(a.working.value).toBe(false);
  });
  it("a calculation that failed is told, the last answers stay, and the next good ones take it back", async () => {
    const a = await open(1);
    a.worker().answer();
    await a.set(2);
    a.worker().fail("out of breath");
    expect([a.failure.value, a.here()]).toEqual(["out of breath", [2, "1"]]);
    await a.set(3);
    a.worker().answer();
    expect([a.failure.value, a.here()]).toEqual([null, [3, "3"]]);
  });
  it("a worker that breaks is replaced with the next change", async () => {
    const a = await open(1);
    a.worker().onerror!({ message: "" });
    expect([a.failure.value, a.working.value]).toEqual(["The calculation stopped.", false]);
    await a.set(2);
    expect(HeldWorker.made).toHaveLength(2);
    a.worker().answer();
    expect(a.here()).toEqual([2, "2"]);
  });
  it("a closer look and a ghost are asked for too, and the worker ends with the page", async () => {
    const a = await open(1);
    a.worker().answer();
    a.view.value = { from: 2, to: 3, rows: [1, 2] };
    await nextTick();
    a.worker().answer();
    a.ghost.value = withValue(7);
    await nextTick();
    expect(a.worker().asked.at(-1)).toMatchObject({
      view: { from: 2, to: 3, rows: [1, 2] },
      ghost: { givens: [{ value: 7 }] },
    });
    scope.stop();
    expect(a.worker().ended).toBe(true);
  });
});
