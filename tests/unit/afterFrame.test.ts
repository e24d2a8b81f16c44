import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { afterFrame } from "../../app/utils/afterFrame";

let frames: (() => void)[];
const soon = () =>
  new Promise((resolve) => {
    setImmediate(resolve);
  });
beforeEach(() => {
  frames = [];
  vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
  vi.stubGlobal("requestAnimationFrame", (f: () => void) => frames.push(f));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("work between two frames", () => {
  it("waits for the frame and for what the frame itself does", async () => {
    const done: string[] = [];
    afterFrame(() => done.push("work"));
    await soon();
    expect(done).toEqual([]);
    frames[0]!();
    done.push("painted");
    for (let i = 0; i < 20 && done.length < 2; i++) await soon();
    expect(done).toEqual(["painted", "work"]);
  });
  it("is done all the same where no frame comes, and once only", async () => {
    const run = vi.fn();
    afterFrame(run);
    vi.advanceTimersByTime(100);
    expect(run).toHaveBeenCalledTimes(1);
    frames[0]!();
    for (let i = 0; i < 5; i++) await soon();
    vi.advanceTimersByTime(100);
    expect(run).toHaveBeenCalledTimes(1);
  });
});
