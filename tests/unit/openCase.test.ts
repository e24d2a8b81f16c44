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
const set = (store: Store, to: number, group: string | null = null) =>
  store.change(
    `set F to ${to}`,
    (d) => {
      d.givens![0]!.value = to;
    },
    group,
  );
const later = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  server = new FakeServer();
  storage = new Map();
  vi.stubGlobal("ref", ref);
  vi.stubGlobal("shallowRef", shallowRef);
  vi.stubGlobal("fetch", server.fetch);
  isFull = false;
  vi.stubGlobal("localStorage", storeOf(storage));
  vi.stubGlobal("sessionStorage", storeOf(new Map()));
  vi.stubGlobal("navigator", {});
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
    expect(store.undo()).toBe("set F to 500");
    expect(value(store)).toBe(499);
    expect(store.redo()).toBe("set F to 500");
    for (let i = 0; i < 499; i++) store.undo();
    expect(value(store)).toBe(1);
    expect(store.undo()).toBeNull();
  });
  it("a drag is one step, two drags with a pause are two", async () => {
    const store = await openStore();
    await store.open("a");
    for (let i = 2; i < 60; i++) {
      set(store, i, "slide:F");
      await later(16);
    }
    await later(2000);
    set(store, 90, "slide:F");
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
      if (way === "mine") store.keepMine();
      else store.takeTheirs();
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
    store.change("rename", (d) => {
      d.title = "";
    });
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

it("a replaced document changes only what differs, and comes back whole", async () => {
  const store = await openStore();
  await store.open("a");
  const before = store.document!;
  store.replace("put a story", { ...before, story: { text: "One evening.", marks: [] } });
  expect(store.document!.givens).toBe(before.givens);
  store.undo();
  expect(store.document).toEqual(before);
});
