import { createPinia, setActivePinia } from "pinia";
import { ref, shallowRef } from "vue";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";

// The store of the open case, against a server and a browser storage that are ours to break.
class FakeServer {
  kept = {
    id: "a",
    title: "T",
    revision: 1,
    updatedAt: 5,
    case: { format: "pasear-case", version: 1, title: "T", givens: [{ name: "F", value: 1 }] } as CaseFile,
  };
  away = false;
  gone = false;
  full = false;
  writes = 0;
  readonly fetch = async (path: string, init: { method: string; body?: string }): Promise<Response> => {
    if (this.away) throw new TypeError("no answer");
    if (this.gone && !path.endsWith("/restore"))
      return Response.json({ message: "There is no such case." }, { status: 404 });
    if (path.endsWith("/restore")) {
      this.gone = false;
      return Response.json(this.kept);
    }
    if (init.method === "GET") return Response.json(this.kept);
    const sent = JSON.parse(init.body!) as { case: CaseFile; revision: number };
    if (sent.revision !== this.kept.revision)
      return Response.json({ message: "stale", data: this.kept }, { status: 409 });
    if (sent.case.title === "") return Response.json({ message: "A case needs a title." }, { status: 422 });
    if (this.full) return Response.json({ message: "The server's disk is full." }, { status: 507 });
    this.writes++;
    this.kept = {
      ...this.kept,
      revision: this.kept.revision + 1,
      updatedAt: 6,
      case: sent.case,
      title: sent.case.title,
    };
    return Response.json(this.kept);
  };
}
/** Messages between the tabs of one browser; each arrives in all tabs but its own. */
class FakeChannel {
  static open: FakeChannel[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor() {
    FakeChannel.open.push(this);
  }
  postMessage(data: unknown): void {
    const arrives = structuredClone(data);
    for (const tab of FakeChannel.open) if (tab !== this) queueMicrotask(() => tab.onmessage?.({ data: arrives }));
  }
}
let server: FakeServer;
let storage: Map<string, string>;
/** the browser's store takes nothing more */
let isFull = false;
const storeOf = (map: Map<string, string>) => ({
  getItem: (k: string) => map.get(k) ?? null,
  setItem: (k: string, v: string) => {
    if (isFull) throw new DOMException("full", "QuotaExceededError");
    map.set(k, v);
  },
  removeItem: (k: string) => map.delete(k),
  key: (i: number) => [...map.keys()][i] ?? null,
  get length() {
    return map.size;
  },
});
type Store = Awaited<ReturnType<typeof openStore>>;
async function openStore() {
  setActivePinia(createPinia());
  const { useCaseStore } = await import("~/stores/case");
  return useCaseStore();
}
const value = (store: Store) => store.document!.givens![0]!.value;
const set = (store: Store, value: number) => store.apply({ kind: "setGiven", name: "F", value }, `set F to ${value}`);
const slide = (store: Store, value: number) => store.apply({ kind: "slideGiven", name: "F", value, in: "plan" });
const later = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  server = new FakeServer();
  storage = new Map();
  FakeChannel.open = [];
  vi.stubGlobal("ref", ref);
  vi.stubGlobal("shallowRef", shallowRef);
  vi.stubGlobal("fetch", server.fetch);
  isFull = false;
  vi.stubGlobal("localStorage", storeOf(storage));
  vi.stubGlobal("sessionStorage", storeOf(new Map()));
  vi.stubGlobal("navigator", {});
  vi.stubGlobal("addEventListener", () => {});
  vi.stubGlobal("BroadcastChannel", FakeChannel);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe("undo", () => {
  it("takes back and does again by named steps, without limit", async () => {
    const store = await openStore();
    await store.open("a");
    for (let i = 2; i <= 500; i++) set(store, i);
    expect(store.undo()?.name).toBe("set F to 500");
    expect(value(store)).toBe(499);
    expect(store.redo()?.name).toBe("set F to 500");
    for (let i = 0; i < 499; i++) store.undo();
    expect(value(store)).toBe(1);
    expect(store.undo()).toBeNull();
  });
  it("a drag is one step, two drags with a pause are two", async () => {
    const store = await openStore();
    await store.open("a");
    for (let i = 2; i < 60; i++) {
      slide(store, i);
      await later(16);
    }
    await later(2000);
    slide(store, 90);
    expect(store.undoSteps).toHaveLength(2);
    store.undo();
    expect(value(store)).toBe(59);
    store.undo();
    expect(value(store)).toBe(1);
  });
  it("a change after an undo ends what could be done again; a change of nothing is no step", async () => {
    const store = await openStore();
    await store.open("a");
    set(store, 2);
    store.undo();
    set(store, 1);
    expect(store.redoSteps).toHaveLength(1);
    set(store, 7);
    expect(store.redo()).toBeNull();
  });
  it("any walk of changes, undos and redos is the same as with a list of copies", async () => {
    const store = await openStore();
    await store.open("a");
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(fc.integer({ min: 0, max: 50 }), fc.constantFrom("undo", "redo")), { maxLength: 40 }),
        async (acts) => {
          await store.open("a");
          const first = value(store);
          const states = [first];
          let at = 0;
          for (const act of acts) {
            if (act === "undo") {
              store.undo();
              at = Math.max(0, at - 1);
            } else if (act === "redo") {
              store.redo();
              at = Math.min(states.length - 1, at + 1);
            } else if (act !== states[at]) {
              set(store, act as number);
              states.splice(at + 1);
              states.push(act as number);
              at++;
            }
            expect(value(store)).toBe(states[at]);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe("what was typed is kept before anything else", () => {
  it("is sent once after a pause, and the browser lets go of it then", async () => {
    const store = await openStore();
    await store.open("a");
    for (let i = 2; i < 6; i++) {
      set(store, i);
      await later(100);
    }
    expect(storage.size).toBe(1);
    expect(store.keeping.state).toBe("waiting");
    await later(600);
    expect(server.writes).toBe(1);
    expect(server.kept.case.givens![0]!.value).toBe(5);
    expect(store.keeping).toEqual({ state: "kept", at: 6 });
    expect(storage.size).toBe(0);
  });
  it("is held while the server is away, also over a reload, and sent when it is back", async () => {
    const store = await openStore();
    await store.open("a");
    server.away = true;
    set(store, 8);
    await later(600);
    expect(store.keeping.state).toBe("away");
    const again = await openStore();
    await again.open("a");
    expect(value(again)).toBe(8);
    expect(again.keeping.state).toBe("away");
    server.away = false;
    await later(5000);
    expect(server.kept.case.givens![0]!.value).toBe(8);
    // The window that was left open and this one both send it; the same change twice is no conflict.
    expect(again.keeping.state).toBe("kept");
    expect(store.keeping.state).toBe("kept");
  });
  it("in a store that is full is held nowhere, and leaving would lose it until the server has it", async () => {
    const store = await openStore();
    await store.open("a");
    isFull = true;
    server.away = true;
    set(store, 8);
    await later(600);
    expect(store.keeping).toMatchObject({ state: "away", why: null, isHeld: false });
    expect(store.isAtRisk()).toBe(true);
    server.away = false;
    await later(5000);
    expect([store.keeping.state, store.isAtRisk()]).toEqual(["kept", false]);
  });
  it("that the server cannot keep is told by its reason, and tried again", async () => {
    const store = await openStore();
    await store.open("a");
    server.full = true;
    set(store, 8);
    await later(600);
    expect(store.keeping).toMatchObject({ state: "away", why: "The server's disk is full.", isHeld: true });
    server.full = false;
    await later(5000);
    expect(server.kept.case.givens![0]!.value).toBe(8);
  });
  it("in two tabs of one browser is lost in neither: the later one is asked", async () => {
    const one = await openStore();
    await one.open("a");
    vi.stubGlobal("sessionStorage", storeOf(new Map()));
    const two = await openStore();
    await two.open("a");
    set(one, 3);
    set(two, 4);
    await later(2000);
    expect([one.keeping.state, two.keeping.state].sort()).toEqual(["kept", "stale"]);
    expect([value(one), value(two)]).toEqual([3, 4]);
  });
  it("is never lost to another version: both are offered, and either can be taken", async () => {
    for (const way of ["mine", "theirs"] as const) {
      server = new FakeServer();
      vi.stubGlobal("fetch", server.fetch);
      const store = await openStore();
      await store.open("a");
      server.kept = { ...server.kept, revision: 9, case: { ...server.kept.case, givens: [{ name: "F", value: 77 }] } };
      set(store, 3);
      await later(600);
      expect(store.keeping).toMatchObject({ state: "stale", theirs: { revision: 9 } });
      set(store, 4);
      await later(2000);
      expect(server.writes).toBe(0);
      store.choose(way);
      await later(1000);
      expect(server.kept.case.givens![0]!.value).toBe(way === "mine" ? 4 : 77);
      expect(value(store)).toBe(way === "mine" ? 4 : 77);
    }
  });
  it("a case deleted elsewhere is brought back with what is on the screen", async () => {
    const store = await openStore();
    await store.open("a");
    server.gone = true;
    set(store, 3);
    await later(600);
    expect(store.keeping.state).toBe("gone");
    await store.bringBack();
    await later(100);
    expect(server.kept.case.givens![0]!.value).toBe(3);
  });
  it("what the server refuses is said and stays here", async () => {
    const store = await openStore();
    await store.open("a");
    store.apply({ kind: "renameCase", title: "" });
    await later(600);
    expect(store.keeping).toEqual({ state: "refused", message: "A case needs a title." });
    expect(storage.size).toBe(1);
  });
  it("a storage that is full or closed does not stop the work", async () => {
    vi.stubGlobal("localStorage", {
      getItem: () => {
        throw new Error("closed");
      },
      setItem: () => {
        throw new Error("full");
      },
      removeItem: () => undefined,
    });
    const store = await openStore();
    await store.open("a");
    set(store, 12);
    await later(600);
    expect(server.kept.case.givens![0]!.value).toBe(12);
  });
});

it("an edit changes only what it is about, and the case comes back whole", async () => {
  const store = await openStore();
  await store.open("a");
  const before = store.document!;
  store.apply({ kind: "editStory", text: "One evening." });
  expect(store.document!.givens).toBe(before.givens);
  store.undo();
  expect(store.document).toEqual(before);
});

describe("what comes in", () => {
  it("from the server in another shape is told, and nothing of it is taken", async () => {
    vi.stubGlobal("fetch", () => Promise.resolve(Response.json({ ...server.kept, case: "no case" })));
    const store = await openStore();
    await expect(store.open("a")).rejects.toThrow(/in a way that this page does not understand/);
    expect(store.document).toBeNull();
  });
  it("from another tab in another shape is not heard", async () => {
    const store = await openStore();
    await store.open("a");
    new FakeChannel().postMessage({ id: "a", revision: 99, case: null });
    await later(10);
    expect([store.revision, value(store), store.keeping.state]).toEqual([1, 1, "kept"]);
  });
});

describe("two tabs with one case", () => {
  async function openTab() {
    vi.stubGlobal("sessionStorage", storeOf(new Map()));
    const store = await openStore();
    await store.open("a");
    return store;
  }
  const titled = (store: Store, title: string) => store.apply({ kind: "renameCase", title });
  it("follow each other", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    await later(600);
    expect([value(two), two.revision, two.keeping.state]).toEqual([3, 2, "kept"]);
    expect(two.arrived).toEqual(["given F"]);
    set(two, 4);
    await later(600);
    expect([value(one), one.keeping.state, server.writes]).toEqual([4, "kept", 2]);
  });
  it("that change different parts at once end with both, asked nothing", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    titled(two, "Two");
    await later(3000);
    for (const store of [one, two]) {
      expect([value(store), store.document!.title, store.keeping.state]).toEqual([3, "Two", "kept"]);
      expect(store.revision).toBe(server.kept.revision);
    }
    expect(server.kept.case).toMatchObject({ title: "Two", givens: [{ value: 3 }] });
    expect(storage.size).toBe(0);
  });
  it("keep rows that only moved, though no row differs", async () => {
    const row = (name: string) => ({ name, of: "x", by: { kind: "formula" as const, text: "x" } });
    server.kept.case = { ...server.kept.case, functions: [row("f"), row("g")] };
    const store = await openTab();
    server.kept = { ...server.kept, revision: 4, case: { ...server.kept.case, title: "Elsewhere" } };
    store.apply({ kind: "moveFunction", name: "g", to: 0, looks: [0, 1] });
    await later(3000);
    expect(server.kept.case).toMatchObject({ title: "Elsewhere", functions: [{ name: "g" }, { name: "f" }] });
    expect(store.keeping.state).toBe("kept");
  });
  it("hear of the other's change also while their own is on its way", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    await later(510);
    // The answer to the first tab's change comes late: the second has followed and changed by then.
    let answer: (() => void) | null = null;
    const real = server.fetch;
    vi.stubGlobal("fetch", async (path: string, init: { method: string; body?: string }) => {
      const got = await real(path, init);
      if (init.method === "PUT" && init.body!.includes('"value":8') && !answer)
        await new Promise<void>((resolve) => {
          answer = resolve;
        });
      return got;
    });
    set(one, 8);
    await later(600);
    titled(two, "Two");
    await later(3000);
    answer!();
    await later(3000);
    for (const store of [one, two]) {
      expect([value(store), store.document!.title, store.revision]).toEqual([8, "Two", server.kept.revision]);
      expect(store.keeping.state).toBe("kept");
    }
  });
  it("keep their own steps of undo; one that the other changed since stays as it is and says why", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    await later(600);
    titled(two, "Two");
    await later(600);
    expect(one.undo()).toMatchObject({ name: "set F to 3", clashes: [] });
    expect([value(one), one.document!.title]).toEqual([1, "Two"]);
    one.redo();
    await later(600);
    set(two, 9);
    await later(600);
    expect(one.undo()).toMatchObject({ name: "set F to 3", clashes: ["given F"] });
    expect([value(one), one.undoSteps.length]).toEqual([9, 1]);
  });
  it("are asked about the part that both changed, and about nothing else", async () => {
    for (const side of ["mine", "theirs"] as const) {
      server = new FakeServer();
      vi.stubGlobal("fetch", server.fetch);
      FakeChannel.open = [];
      const store = await openTab();
      server.kept = {
        ...server.kept,
        revision: 5,
        case: { ...server.kept.case, title: "Theirs", givens: [{ name: "F", value: 77 }] },
      };
      set(store, 3);
      store.apply({ kind: "editStory", text: "mine" });
      await later(600);
      expect(store.keeping).toMatchObject({ state: "stale", clashes: ["given F"] });
      store.choose(side);
      await later(600);
      expect(server.kept.case).toMatchObject({
        title: "Theirs",
        story: { text: "mine" },
        givens: [{ value: side === "mine" ? 3 : 77 }],
      });
      store.undo();
      expect([value(store), store.document!.title]).toEqual([3, "T"]);
      await later(600);
    }
  });
  it("what was held while the server was away is merged with what came to be there meanwhile", async () => {
    const store = await openTab();
    server.away = true;
    set(store, 8);
    await later(600);
    FakeChannel.open = [];
    server.away = false;
    server.kept = { ...server.kept, revision: 4, case: { ...server.kept.case, title: "Elsewhere" } };
    const again = await openTab();
    await later(600);
    expect([value(again), again.document!.title, again.keeping.state]).toEqual([8, "Elsewhere", "kept"]);
    expect(server.kept.case).toMatchObject({ title: "Elsewhere", givens: [{ value: 8 }] });
  });
  it("who comes back to the page sees what was changed meanwhile, or that the case is gone", async () => {
    const store = await openTab();
    server.kept = { ...server.kept, revision: 4, case: { ...server.kept.case, title: "Elsewhere" } };
    await store.lookAgain();
    expect([store.document!.title, store.revision]).toEqual(["Elsewhere", 4]);
    server.gone = true;
    await store.lookAgain();
    expect(store.keeping.state).toBe("gone");
  });
  it("any walk of changes in both ends with one case in both and on the server", async () => {
    const acts = fc.array(
      fc.record({ tab: fc.nat(1), part: fc.constantFrom("F", "title"), to: fc.nat(5), wait: fc.nat(900) }),
      { maxLength: 12 },
    );
    await fc.assert(
      fc.asyncProperty(acts, async (list) => {
        server = new FakeServer();
        vi.stubGlobal("fetch", server.fetch);
        FakeChannel.open = [];
        storage.clear();
        const tabs = [await openTab(), await openTab()];
        for (const { tab, part, to, wait } of list) {
          if (part === "F") set(tabs[tab]!, to);
          else titled(tabs[tab]!, `T${to}`);
          await later(wait);
        }
        await later(3000);
        for (const tab of tabs) if (tab.keeping.state === "stale") tab.choose("mine");
        await later(3000);
        for (const tab of tabs) if (tab.keeping.state === "stale") tab.choose("theirs");
        await later(3000);
        expect(tabs.map((t) => t.keeping.state)).toEqual(["kept", "kept"]);
        expect(tabs.map((t) => t.document)).toEqual([server.kept.case, server.kept.case]);
        expect(storage.size).toBe(0);
      }),
      { seed: 11, numRuns: 60 },
    );
  });
});
