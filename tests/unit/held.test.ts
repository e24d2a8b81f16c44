import { describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { HeldEdits } from "../../app/utils/held";

class FakeStorage implements Storage {
  readonly map = new Map<string, string>();
  isFull = false;
  get length(): number {
    return this.map.size;
  }
  key(i: number): string | null {
    return [...this.map.keys()][i] ?? null;
  }
  getItem(k: string): string | null {
    return this.map.get(k) ?? null;
  }
  setItem(k: string, v: string): void {
    if (this.isFull) throw new DOMException("full", "QuotaExceededError");
    this.map.set(k, v);
  }
  removeItem(k: string): void {
    this.map.delete(k);
  }
  clear(): void {
    this.map.clear();
  }
}
const document = (title: string): CaseFile => ({ format: "pasear-case", version: 1, title });
const edit = (title: string, at = 1) => ({ document: document(title), revision: 3, at, base: null });
function set() {
  const storage = new FakeStorage();
  const open = new Set<string>();
  const tab = (name: string) => {
    open.add(name);
    const others = async () => new Set([...open].filter((o) => o !== name));
    return new HeldEdits(storage, { name, ready: Promise.resolve(), others });
  };
  return { storage, tab, close: (name: string) => open.delete(name) };
}

describe("edits are held by tab", () => {
  it("what one tab lets go of, the other still holds", async () => {
    const { tab } = set();
    const [a, b] = [tab("a"), tab("b")];
    a.hold("case", edit("mine"));
    b.hold("case", edit("theirs"));
    a.release("case");
    expect((await b.take("case"))?.document.title).toBe("theirs");
  });
  it("a tab that is open keeps its own; of one that is gone they are taken over", async () => {
    const { tab, close } = set();
    tab("a").hold("case", edit("from a"));
    const b = tab("b");
    expect(await b.take("case")).toBeNull();
    close("a");
    expect((await b.take("case"))?.document.title).toBe("from a");
    // Now they are this tab's: after a reload they are there still.
    expect((await b.take("case"))?.document.title).toBe("from a");
  });
  it("a case whose id begins like another's is another case", async () => {
    const { tab, close } = set();
    tab("a").hold("case-2", edit("two"));
    close("a");
    expect(await tab("b").take("case")).toBeNull();
  });
  it("of several the newest is put back, and none is thrown away", async () => {
    const { tab, close, storage } = set();
    tab("a").hold("case", edit("older", 1));
    tab("b").hold("case", edit("newer", 2));
    close("a");
    close("b");
    expect((await tab("c").take("case"))?.document.title).toBe("newer");
    expect([...storage.map.values()].some((text) => text.includes("older"))).toBe(true);
  });
  it.each(["no JSON", "null", "[]", '{"document":{"title":1},"revision":1,"at":1}', '{"revision":1}'])(
    "what is no edit (%s) breaks nothing and stays in the store",
    async (text) => {
      const { tab, storage } = set();
      storage.setItem("pasear:held:case:gone", text);
      expect(await tab("a").take("case")).toBeNull();
      expect([...storage.map.values()]).toContain(text);
    },
  );
  it("a store that is full says so", () => {
    const { tab, storage } = set();
    storage.isFull = true;
    expect(tab("a").hold("case", edit("lost"))).toBe(false);
  });
});
