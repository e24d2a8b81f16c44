import { describe, expect, it, vi } from "vitest";
import { NewestFirst } from "../../app/utils/newestFirst";

class FakeWorker {
  asked: number[] = [];
  ended = false;
  onmessage: ((e: { data: number }) => void) | null = null;
  onerror: ((e: { message: string }) => void) | null = null;
  postMessage(n: number): void {
    this.asked.push(n);
  }
  terminate(): void {
    this.ended = true;
  }
  answer(n: number): void {
    this.onmessage!({ data: n });
  }
}
function set() {
  const made: FakeWorker[] = [];
  const taken: number[] = [];
  const broken: string[] = [];
  const newest = new NewestFirst<number, number>({
    open: () => {
      const w = new FakeWorker();
      made.push(w);
      return w as unknown as Worker;
    },
    taken: (n) => taken.push(n),
    broken: (m) => broken.push(m),
    patience: 4000,
  });
  return { made, taken, broken, newest };
}

describe("the newest request first", () => {
  it("those in between are left out, and every reply is taken even while something newer waits", () => {
    const { made, taken, newest } = set();
    newest.ask(1);
    // A steady hand: each reply comes while a newer request waits already.
    for (let n = 2; n <= 9; n += 2) {
      newest.ask(n);
      newest.ask(n + 1);
      made[0]!.answer(n - 1);
    }
    made[0]!.answer(9);
    expect(made[0]!.asked).toEqual([1, 3, 5, 7, 9]);
    expect(taken).toEqual([1, 3, 5, 7, 9]);
    expect([made.length, newest.isWaiting()]).toEqual([1, false]);
  });
  it("a worker that does not answer is ended when something newer waits, neither before nor only when asked", () => {
    vi.useFakeTimers();
    const { made, newest } = set();
    newest.ask(1);
    vi.advanceTimersByTime(10_000);
    expect(made).toHaveLength(1);
    made[0]!.answer(1);
    newest.ask(2);
    vi.advanceTimersByTime(1000);
    newest.ask(3);
    vi.advanceTimersByTime(2999);
    expect(made).toHaveLength(1);
    vi.advanceTimersByTime(1);
    expect([made.length, made[0]!.ended, made[1]!.asked]).toEqual([2, true, [3]]);
    // What was typed waits less long than what is dragged.
    vi.advanceTimersByTime(200);
    newest.ask(4, 500);
    vi.advanceTimersByTime(299);
    expect(made).toHaveLength(2);
    vi.advanceTimersByTime(1);
    expect([made.length, made[2]!.asked, newest.isWaiting()]).toEqual([3, [4], false]);
    // An answer in time ends nothing.
    newest.ask(5, 500);
    made[2]!.answer(4);
    vi.advanceTimersByTime(10_000);
    expect([made.length, made[2]!.asked]).toEqual([3, [4, 5]]);
    vi.useRealTimers();
  });
  it("a failure is told, and the next request has a new worker", () => {
    const { made, broken, newest } = set();
    newest.ask(1);
    made[0]!.onerror!({ message: "" });
    expect([broken, made[0]!.ended, newest.isOpen()]).toEqual([["The calculation stopped."], true, false]);
    newest.ask(2);
    expect(made[1]!.asked).toEqual([2]);
  });
});
