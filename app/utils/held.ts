import type { CaseFile } from "#core/model";

/** What was typed and is not kept by the server yet: held in the browser, by case and by tab. */
export interface Held {
  readonly document: CaseFile;
  /** the revision it started from */
  readonly revision: number;
  /** in ms */
  readonly at: number;
  /** the case as it was there; null: not known */
  readonly base: CaseFile | null;
}

type ReadCase = typeof import("#shared/schemas/case").readCase;

/** The tab a page is in. */
export interface Tab {
  /** settled when `ready` is */
  readonly name: string;
  readonly ready: Promise<void>;
  /** names of the other tabs that are open now */
  others(): Promise<ReadonlySet<string>>;
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
    private readonly tab: Tab,
  ) {}

  /** @returns false when the browser's store is full or closed, and the edit is held nowhere */
  hold(id: string, held: Held): boolean {
    // Where there is no room for both, the edit goes before what it began from.
    return this.put(id, held) || this.put(id, { ...held, base: null });
  }
  private put(id: string, held: Held): boolean {
    try {
      this.storage.setItem(keyOf(id, this.tab.name), JSON.stringify(held));
      return true;
    } catch {
      return false;
    }
  }
  release(id: string): void {
    this.storage.removeItem(keyOf(id, this.tab.name));
  }

  /** The newest edits of a case that no other open tab still works on; afterwards they are this tab's. */
  async take(id: string): Promise<Held | null> {
    await this.tab.ready;
    if (!this.keys().some((key) => key.startsWith(`${KEY}${id}`))) return null;
    // What knows a case by its shape comes only where something is held.
    const { readCase } = await import("#shared/schemas/case");
    const others = await this.tab.others();
    const keys = this.keys().filter((key) => {
      const own = key === `${KEY}${id}` ? "" : key.startsWith(`${KEY}${id}:`) ? key.slice(keyOf(id, "").length) : null;
      return own !== null && !others.has(own);
    });
    const found = keys.flatMap((key) => this.read(key, readCase) ?? []).sort((a, b) => b.at - a.at);
    const [newest, ...older] = found;
    for (const key of keys) this.storage.removeItem(key);
    // Nothing that was typed is thrown away: what is not put back stays in the store under another name.
    for (const other of older) this.setAside(id, JSON.stringify(other));
    if (newest) this.hold(id, newest);
    return newest ?? null;
  }

  private read(key: string, readCase: ReadCase): Held | null {
    const text = this.storage.getItem(key);
    if (text === null) return null;
    try {
      const { document, revision, at, base } = JSON.parse(text) as Partial<Record<keyof Held, unknown>>;
      const read = readCase(document);
      if (read.ok && Number.isInteger(revision) && typeof at === "number")
        return { document: read.case, revision: revision as number, at, base: caseIn(readCase(base)) };
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

const caseIn = (read: ReturnType<ReadCase>): CaseFile | null => (read.ok ? read.case : null);

/** How long a name may stay locked that a duplicated tab came with, until another is taken; in ms. */
const TWINS_NAME = 1000;
/** How long the lock of the page this tab just left may take to come free on a busy machine, in ms. */
const LEFT_BEHIND = 15_000;
const NAME = "pasear:tab";
/** Set in a tab's own store while no page of it is open: a twin is copied from an open page, and comes without. */
const LEFT = "pasear:left";
const LOCK = "pasear:tab:";

/**
 * This tab's name, the same after a reload; others see by a lock that it is open. A tab that was duplicated comes with
 * its twin's name and finds it locked: it takes another.
 */
export class OpenTab implements Tab {
  name = sessionStorage.getItem(NAME) ?? crypto.randomUUID();
  readonly ready: Promise<void>;
  private readonly locks = "locks" in navigator ? navigator.locks : null;

  constructor() {
    const isSameTab = sessionStorage.getItem(LEFT) !== null;
    sessionStorage.removeItem(LEFT);
    sessionStorage.setItem(NAME, this.name);
    addEventListener("pagehide", () => sessionStorage.setItem(LEFT, ""));
    addEventListener("pageshow", () => sessionStorage.removeItem(LEFT));
    this.ready = this.settle(isSameTab ? LEFT_BEHIND : TWINS_NAME);
  }
  private async settle(wait: number): Promise<void> {
    if (!this.locks || (await this.takes(this.name, wait))) return;
    this.name = crypto.randomUUID();
    sessionStorage.setItem(NAME, this.name);
    await this.takes(this.name, wait);
  }
  /** Whether the name could be locked; the lock is kept as long as the page is open. */
  private takes(name: string, wait: number): Promise<boolean> {
    return new Promise((resolve) => {
      const keep = () => {
        resolve(true);
        return new Promise<void>(() => {});
      };
      const signal = AbortSignal.timeout(wait);
      this.locks!.request(`${LOCK}${name}`, { signal }, keep).catch(() => resolve(false));
    });
  }
  async others(): Promise<ReadonlySet<string>> {
    const held = (await this.locks?.query())?.held ?? [];
    const names = held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : []));
    return new Set(names.filter((name) => name !== this.name));
  }
}
