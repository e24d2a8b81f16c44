import fc from "fast-check";
import { describe, expect, it, vi } from "vitest";
import {
  FakeServer,
  FakeChannel,
  world,
  storeOf,
  type Store,
  openStore,
  value,
  set,
  later,
  inAWorld,
} from "./openCase.fixture";

describe("what comes in", () => {
  inAWorld();
  it("from the server in another shape is told, and nothing of it is taken", async () => {
    vi.stubGlobal("fetch", () => Promise.resolve(Response.json({ ...world.server.kept, case: "no case" })));
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
  inAWorld();
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
    expect([value(one), one.keeping.state, world.server.writes]).toEqual([4, "kept", 2]);
  });
  it("that change different parts at once end with both, asked nothing", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    titled(two, "Two");
    await later(3000);
    for (const store of [one, two]) {
      expect([value(store), store.document!.title, store.keeping.state]).toEqual([3, "Two", "kept"]);
      expect(store.revision).toBe(world.server.kept.revision);
    }
    expect(world.server.kept.case).toMatchObject({ title: "Two", givens: [{ value: 3 }] });
    expect(world.storage.size).toBe(0);
  });
  it("keep rows that only moved, though no row differs", async () => {
    const row = (name: string) => ({ name, of: "x", by: { kind: "formula" as const, text: "x" } });
    world.server.kept.case = { ...world.server.kept.case, functions: [row("f"), row("g")] };
    const store = await openTab();
    world.server.kept = { ...world.server.kept, revision: 4, case: { ...world.server.kept.case, title: "Elsewhere" } };
    store.apply({ kind: "moveFunction", name: "g", to: 0, looks: [0, 1] });
    await later(3000);
    expect(world.server.kept.case).toMatchObject({ title: "Elsewhere", functions: [{ name: "g" }, { name: "f" }] });
    expect(store.keeping.state).toBe("kept");
  });
  it("hear of the other's change also while their own is on its way", async () => {
    const [one, two] = [await openTab(), await openTab()];
    set(one, 3);
    await later(510);
    // The answer to the first tab's change comes late: the second has followed and changed by then.
    let answer: (() => void) | null = null;
    const real = world.server.fetch;
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
      expect([value(store), store.document!.title, store.revision]).toEqual([8, "Two", world.server.kept.revision]);
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
      world.server = new FakeServer();
      vi.stubGlobal("fetch", world.server.fetch);
      FakeChannel.open = [];
      const store = await openTab();
      world.server.kept = {
        ...world.server.kept,
        revision: 5,
        case: { ...world.server.kept.case, title: "Theirs", givens: [{ name: "F", value: 77 }] },
      };
      set(store, 3);
      store.apply({ kind: "editStory", text: "mine" });
      await later(600);
      expect(store.keeping).toMatchObject({ state: "stale", clashes: ["given F"] });
      store.choose(side);
      await later(600);
      expect(world.server.kept.case).toMatchObject({
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
    world.server.away = true;
    set(store, 8);
    await later(600);
    FakeChannel.open = [];
    world.server.away = false;
    world.server.kept = { ...world.server.kept, revision: 4, case: { ...world.server.kept.case, title: "Elsewhere" } };
    const again = await openTab();
    await later(600);
    expect([value(again), again.document!.title, again.keeping.state]).toEqual([8, "Elsewhere", "kept"]);
    expect(world.server.kept.case).toMatchObject({ title: "Elsewhere", givens: [{ value: 8 }] });
  });
  it("who comes back to the page sees what was changed meanwhile, or that the case is gone", async () => {
    const store = await openTab();
    world.server.kept = { ...world.server.kept, revision: 4, case: { ...world.server.kept.case, title: "Elsewhere" } };
    await store.lookAgain();
    expect([store.document!.title, store.revision]).toEqual(["Elsewhere", 4]);
    world.server.gone = true;
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
        world.server = new FakeServer();
        vi.stubGlobal("fetch", world.server.fetch);
        FakeChannel.open = [];
        world.storage.clear();
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
        expect(tabs.map((t) => t.document)).toEqual([world.server.kept.case, world.server.kept.case]);
        expect(world.storage.size).toBe(0);
      }),
      { seed: 11, numRuns: 60 },
    );
  });
});
