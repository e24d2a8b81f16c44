import { describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";
import { NO_SUMMARY, Summaries, type Open } from "../../server/utils/summaries";

const document = (title: string): CaseFile => ({ format: "pasear-case", version: 1, title });
type Heard = (value: unknown) => void;

class FakeThread {
  readonly asked: string[] = [];
  ended = false;
  private readonly heard = new Map<string, Heard>();
  on(what: string, hear: Heard): this {
    this.heard.set(what, hear);
    return this;
  }
  postMessage(d: CaseFile): void {
    this.asked.push(d.title);
  }
  async terminate(): Promise<number> {
    this.ended = true;
    return 0;
  }
  unref(): void {}
  say(says: string): void {
    this.heard.get("message")!({ says, curves: [] });
  }
  fail(): void {
    this.heard.get("error")!(new Error("out of memory"));
  }
}
function set(patience?: number) {
  const threads: FakeThread[] = [];
  const told: string[] = [];
  const open = (() => {
    threads.push(new FakeThread());
    return threads.at(-1)!;
  }) as unknown as Open;
  const failures: unknown[] = [];
  const summaries = new Summaries(open, patience, (failure) => failures.push(failure));
  const add = (id: string, title: string) =>
    summaries.add(id, document(title), ({ says }) => told.push(`${id} ${says}`));
  return { threads, told, add, failures };
}

describe("summaries are worked out one after the other", () => {
  it("of a case that changes before its turn only the newest version", () => {
    const { threads, told, add } = set();
    add("a", "a1");
    add("b", "b1");
    add("b", "b2");
    add("c", "c1");
    for (const says of ["A", "B", "C"]) threads[0]!.say(says);
    expect(threads[0]!.asked).toEqual(["a1", "b2", "c1"]);
    expect(told).toEqual(["a A", "b B", "c C"]);
    add("a", "a2");
    threads[0]!.say("A2");
    expect([threads.length, told.at(-1)]).toEqual([1, "a A2"]);
  });
  it("one that takes too long has none, and its thread is ended; the next is worked out in a new one", () => {
    vi.useFakeTimers();
    const { threads, told, add } = set(1000);
    add("a", "a1");
    add("b", "b1");
    vi.advanceTimersByTime(1001);
    expect([threads[0]!.ended, told]).toEqual([true, [`a ${NO_SUMMARY.says}`]]);
    // What an ended thread still says is not taken for the next.
    threads[0]!.say("late");
    threads[1]!.say("B");
    expect(told.at(-1)).toBe("b B");
    vi.advanceTimersByTime(60_000);
    expect(threads[1]!.ended).toBe(true);
    vi.useRealTimers();
  });
  it("one that takes too much room likewise", () => {
    const { threads, told, add, failures } = set();
    add("a", "a1");
    add("b", "b1");
    threads[0]!.fail();
    threads[1]!.say("B");
    expect(told).toEqual(["a ", "b B"]);
    expect(failures).toEqual([new Error("out of memory")]);
  });
});
