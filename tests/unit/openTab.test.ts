// @vitest-environment node
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { OpenTab } from "../../app/utils/held";

/** Locks as the browser has them: a name is one page's; who waits for it gets it when that page is gone. */
class Locks {
  private readonly free = new Map<string, Promise<void>>();
  async request(name: string, { signal }: { signal: AbortSignal }, keep: () => Promise<void>): Promise<void> {
    const before = this.free.get(name) ?? Promise.resolve();
    const late = new Promise<never>((_, no) => signal.addEventListener("abort", () => no(signal.reason as Error)));
    await Promise.race([before, late]);
    this.hold(name);
    await keep();
  }
  /** @returns what ends the page that holds it */
  hold(name: string): () => void {
    let end = () => {};
    this.free.set(name, new Promise((done) => (end = done)));
    return end;
  }
  query = () => Promise.resolve({ held: [...this.free.keys()].map((name) => ({ name })) });
}

const page = new EventTarget();
let locks: Locks;
let ofTab: Map<string, string>;
beforeEach(() => {
  locks = new Locks();
  ofTab = new Map([["pasear:tab", "mine"]]);
  vi.stubGlobal("navigator", { locks });
  vi.stubGlobal("sessionStorage", {
    getItem: (key: string) => ofTab.get(key) ?? null,
    setItem: (key: string, value: string) => ofTab.set(key, value),
    removeItem: (key: string) => ofTab.delete(key),
  });
  vi.stubGlobal("addEventListener", page.addEventListener.bind(page));
  vi.useFakeTimers();
  // The browser's own clock of a signal is no timer of Node's.
  vi.spyOn(AbortSignal, "timeout").mockImplementation((after) => {
    const late = new AbortController();
    setTimeout(() => late.abort(new Error("late")), after);
    return late.signal;
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe("the name of a tab", () => {
  it("stays after a reload, however long the page before takes to go", async () => {
    const end = locks.hold("pasear:tab:mine");
    ofTab.set("pasear:left", "");
    const tab = new OpenTab();
    await vi.advanceTimersByTimeAsync(6_000);
    end();
    await tab.ready;
    expect(tab.name).toBe("mine");
  });
  it("is another in a tab that was duplicated, after a second", async () => {
    locks.hold("pasear:tab:mine");
    const tab = new OpenTab();
    await vi.advanceTimersByTimeAsync(1_100);
    await tab.ready;
    expect(tab.name).not.toBe("mine");
    expect(ofTab.get("pasear:tab")).toBe(tab.name);
    expect(await tab.others()).toEqual(new Set(["mine"]));
  });
  it("is marked as left while the page is hidden for good, and not when it comes back", async () => {
    await new OpenTab().ready;
    page.dispatchEvent(new Event("pagehide"));
    expect(ofTab.has("pasear:left")).toBe(true);
    page.dispatchEvent(new Event("pageshow"));
    expect(ofTab.has("pasear:left")).toBe(false);
  });
});
