import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";

/** What was typed and is not kept by the server yet: held in the browser, by case and by tab. */
export interface Held {
  readonly document: CaseFile;
  /** the revision it started from */
  readonly revision: number;
  /** in ms */
  readonly at: number;
}

const KEY = "pasear:held:";
const ASIDE = "pasear:set-aside:";
const keyOf = (id: string, tab: string): string => `${KEY}${id}:${tab}`;

/**
 * The held edits of one tab. Another tab's are left alone as long as that tab is open; those of a tab that is gone are
 * taken over by the next that opens the case.
 */
export class HeldEdits {
  constructor(
    private readonly storage: Storage,
    private readonly tab: string,
    /** tabs that are open now */
    private readonly openTabs: () => Promise<ReadonlySet<string>>,
  ) {}

  /** @returns false when the browser's store is full or closed, and the edit is held nowhere */
  hold(id: string, held: Held): boolean {
    try {
      this.storage.setItem(keyOf(id, this.tab), JSON.stringify(held));
      return true;
    } catch {
      return false;
    }
  }
  release(id: string): void {
    this.storage.removeItem(keyOf(id, this.tab));
  }

  /** The newest edits of a case that no other open tab still works on; afterwards they are this tab's. */
  async take(id: string): Promise<Held | null> {
    const open = await this.openTabs();
    const keys = this.keys().filter((key) => {
      const own = key === `${KEY}${id}` ? "" : key.startsWith(`${KEY}${id}:`) ? key.slice(keyOf(id, "").length) : null;
      return own !== null && (own === this.tab || !open.has(own));
    });
    const found = keys.flatMap((key) => this.read(key) ?? []).sort((a, b) => b.at - a.at);
    const [newest, ...older] = found;
    for (const key of keys) this.storage.removeItem(key);
    // Nothing that was typed is thrown away: what is not put back stays in the store under another name.
    for (const other of older) this.setAside(id, JSON.stringify(other));
    if (newest) this.hold(id, newest);
    return newest ?? null;
  }

  private read(key: string): Held | null {
    const text = this.storage.getItem(key);
    if (text === null) return null;
    try {
      const { document, revision, at } = JSON.parse(text) as Partial<Record<keyof Held, unknown>>;
      const read = readCase(document);
      if (read.ok && Number.isInteger(revision) && typeof at === "number")
        return { document: read.case, revision: revision as number, at };
    } catch {
      /* no JSON: set aside below */
    }
    this.setAside(key.slice(KEY.length), text);
    return null;
  }
  private setAside(what: string, text: string): void {
    try {
      this.storage.setItem(`${ASIDE}${what}:${this.keys().length}`, text);
    } catch {
      /* a full store has no room for it */
    }
  }
  private keys(): string[] {
    return Array.from({ length: this.storage.length }, (_, i) => this.storage.key(i)!).filter((k) =>
      k.startsWith("pasear:"),
    );
  }
}

/** This tab's name, the same after a reload; others see by a lock that it is open. */
export function openTab(): { tab: string; openTabs: () => Promise<ReadonlySet<string>> } {
  const named = sessionStorage.getItem("pasear:tab");
  // A tab that was duplicated has its twin's name: whoever has the lock keeps it.
  const tab = named ?? crypto.randomUUID();
  sessionStorage.setItem("pasear:tab", tab);
  const locks = "locks" in navigator ? navigator.locks : null;
  void locks?.request(`pasear:tab:${tab}`, { mode: "shared" }, () => new Promise(() => {}));
  return {
    tab,
    openTabs: async () =>
      new Set((await locks?.query())?.held?.flatMap((l) => l.name?.match(/^pasear:tab:(.+)$/)?.[1] ?? []) ?? []),
  };
}
