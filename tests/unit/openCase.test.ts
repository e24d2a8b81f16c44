import fc from "fast-check";
import { describe, expect, it, vi } from "vitest";
import { FakeServer, world, storeOf, openStore, value, set, slide, later, inAWorld } from "./openCase.fixture";

describe("undo", () => {
  inAWorld();
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
  inAWorld();
  it("is sent once after a pause, and the browser lets go of it then", async () => {
    const store = await openStore();
    await store.open("a");
    for (let i = 2; i < 6; i++) {
      set(store, i);
      await later(100);
    }
    expect(world.storage.size).toBe(1);
    expect(store.keeping.state).toBe("waiting");
    await later(600);
    expect(world.server.writes).toBe(1);
    expect(world.server.kept.case.givens![0]!.value).toBe(5);
    expect(store.keeping).toEqual({ state: "kept", at: 6 });
    expect(world.storage.size).toBe(0);
  });
  it("is sent at once when another case is opened in its place, after what is on its way", async () => {
    const store = await openStore();
    await store.open("a");
    set(store, 2);
    await store.open("b");
    await later(0);
    expect(world.server.kept.case.givens![0]!.value).toBe(2);
    expect(world.storage.size).toBe(0);
    await store.open("a");
    set(store, 3);
    await vi.advanceTimersByTimeAsync(500);
    set(store, 4);
    await store.open("b");
    await later(0);
    expect(world.server.kept.case.givens![0]!.value).toBe(4);
    expect(world.storage.size).toBe(0);
    expect(store.id).toBe("b");
  });
  it("is held while the server is away, also over a reload, and sent when it is back", async () => {
    const store = await openStore();
    await store.open("a");
    world.server.away = true;
    set(store, 8);
    await later(600);
    expect(store.keeping.state).toBe("away");
    const again = await openStore();
    await again.open("a");
    expect(value(again)).toBe(8);
    expect(again.keeping.state).toBe("away");
    world.server.away = false;
    await later(5000);
    expect(world.server.kept.case.givens![0]!.value).toBe(8);
    // The window that was left open and this one both send it; the same change twice is no conflict.
    expect(again.keeping.state).toBe("kept");
    expect(store.keeping.state).toBe("kept");
  });
  it("in a store that is full is held nowhere, and leaving would lose it until the server has it", async () => {
    const store = await openStore();
    await store.open("a");
    world.isFull = true;
    world.server.away = true;
    set(store, 8);
    await later(600);
    expect(store.keeping).toMatchObject({ state: "away", why: null, isHeld: false });
    expect(store.isAtRisk()).toBe(true);
    world.server.away = false;
    await later(5000);
    expect([store.keeping.state, store.isAtRisk()]).toEqual(["kept", false]);
  });
  it("that the server cannot keep is told by its reason, and tried again", async () => {
    const store = await openStore();
    await store.open("a");
    world.server.full = true;
    set(store, 8);
    await later(600);
    expect(store.keeping).toMatchObject({ state: "away", why: "The server's disk is full.", isHeld: true });
    world.server.full = false;
    await later(5000);
    expect(world.server.kept.case.givens![0]!.value).toBe(8);
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
      world.server = new FakeServer();
      vi.stubGlobal("fetch", world.server.fetch);
      const store = await openStore();
      await store.open("a");
      world.server.kept = {
        ...world.server.kept,
        revision: 9,
        case: { ...world.server.kept.case, givens: [{ name: "F", value: 77 }] },
      };
      set(store, 3);
      await later(600);
      expect(store.keeping).toMatchObject({ state: "stale", theirs: { revision: 9 } });
      set(store, 4);
      await later(2000);
      expect(world.server.writes).toBe(0);
      store.choose(way);
      await later(1000);
      expect(world.server.kept.case.givens![0]!.value).toBe(way === "mine" ? 4 : 77);
      expect(value(store)).toBe(way === "mine" ? 4 : 77);
    }
  });
  it("a case deleted elsewhere is brought back with what is on the screen", async () => {
    const store = await openStore();
    await store.open("a");
    world.server.gone = true;
    set(store, 3);
    await later(600);
    expect(store.keeping.state).toBe("gone");
    await store.bringBack();
    await later(100);
    expect(world.server.kept.case.givens![0]!.value).toBe(3);
  });
  it("what the server refuses is said and stays here", async () => {
    const store = await openStore();
    await store.open("a");
    store.apply({ kind: "renameCase", title: "" });
    await later(600);
    expect(store.keeping).toEqual({ state: "refused", message: "A case needs a title." });
    expect(world.storage.size).toBe(1);
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
    expect(world.server.kept.case.givens![0]!.value).toBe(12);
  });
});

describe("an edit", () => {
  inAWorld();
  it("changes only what it is about, and the case comes back whole", async () => {
    const store = await openStore();
    await store.open("a");
    const before = store.document!;
    store.apply({ kind: "editStory", text: "One evening." });
    expect(store.document!.givens).toBe(before.givens);
    store.undo();
    expect(store.document).toEqual(before);
  });
});
