import { and, desc, eq, isNotNull, isNull, lt, or, sql } from "drizzle-orm";
import { uuidv7 } from "uuidv7";
import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";
import type { Database } from "../db/client";
import { cases, facts } from "../db/schema";
import type { CaseSummary } from "./caseSummary";
import { useLog } from "./log";

export interface KeptCase {
  id: string;
  title: string;
  revision: number;
  updatedAt: number;
  case: CaseFile;
}
export interface ShelfCase {
  id: string;
  title: string;
  revision: number;
  updatedAt: number;
  /** null: not worked out yet */
  summary: CaseSummary | null;
}
/** A part of the shelf. */
export interface Shelf {
  readonly limit?: number;
  /** the case that stood last on the page before; null: from the beginning */
  readonly after?: { readonly updatedAt: number; readonly id: string } | null;
  /** a part of the title */
  readonly find?: string;
}
/** Cases that one list may have. */
export const MOST_LISTED = 1000;

export type WriteResult =
  { status: "kept"; kept: KeptCase } | { status: "stale"; kept: KeptCase } | { status: "missing" };

type Row = typeof cases.$inferSelect;
/**
 * What is kept is checked on its way out as it was on its way in: a row somebody else wrote must not pass for a case.
 */
function kept(row: Row): KeptCase {
  const read = readCase(JSON.parse(row.document));
  if (!read.ok)
    throw new Error(
      `the kept case ${row.id} is no case: ${read.errors.map((e) => `${e.path}: ${e.message}`).join("; ")}`,
    );
  return { id: row.id, title: row.title, revision: row.revision, updatedAt: row.updatedAt, case: read.case };
}
/** What was just written, with the document it was written from: reading it again would only take time. */
const withDocument = ({ id, title, revision, updatedAt }: Row, document: CaseFile): KeptCase => ({
  id,
  title,
  revision,
  updatedAt,
  case: document,
});
const fields = (document: CaseFile) => ({
  title: document.title,
  document: JSON.stringify(document),
  updatedAt: Date.now(),
});

function summaryOf(text: string): CaseSummary | null {
  const read = JSON.parse(text) as Partial<CaseSummary>;
  return read.says === undefined || !read.curves ? null : { says: read.says, curves: read.curves };
}

/** Works out, sooner or later, what the shelf shows of a case; null: nothing is shown of any. */
export type Summarise = (id: string, document: CaseFile, done: (summary: CaseSummary) => void) => void;

/**
 * All reading and writing of cases. A write names the revision it started from; one that is out of date changes
 * nothing.
 */
export class CaseStore {
  constructor(
    private readonly db: Database,
    private readonly summarise: Summarise | null = null,
    readonly isReadOnly = false,
  ) {}

  /** @throws an error with the database's own code where nothing can be written */
  private mayWrite(): void {
    if (this.isReadOnly) throw Object.assign(new Error("the database can only be read"), { code: "SQLITE_READONLY" });
  }

  /** A write never waits for what the shelf shows of it; a summary that comes after the next write is dropped. */
  private summariseLater({ id, revision }: Row, document: CaseFile): void {
    this.summarise?.(id, document, (summary) => {
      this.db
        .update(cases)
        .set({ summary: JSON.stringify(summary) })
        .where(and(eq(cases.id, id), eq(cases.revision, revision)))
        .catch((failure: unknown) => useLog().warn({ case: id, err: failure }, "a summary could not be kept"));
    });
  }

  /** Asks the database for next to nothing. @throws when it does not answer */
  async answers(): Promise<void> {
    await this.db.select({ id: cases.id }).from(cases).limit(1);
  }
  /** Cases on the shelf, those touched last first, page by page. */
  async list({ limit = MOST_LISTED, after = null, find = "" }: Shelf = {}): Promise<ShelfCase[]> {
    const { updatedAt, id } = cases;
    const isLater = after && or(lt(updatedAt, after.updatedAt), and(eq(updatedAt, after.updatedAt), lt(id, after.id)));
    const isCalled = find === "" ? undefined : sql`instr(lower(${cases.title}), lower(${find})) > 0`;
    const rows = await this.db
      .select({ id, title: cases.title, revision: cases.revision, updatedAt, summary: cases.summary })
      .from(cases)
      .where(and(isNull(cases.deletedAt), isLater ?? undefined, isCalled))
      .orderBy(desc(updatedAt), desc(id))
      .limit(limit);
    return rows.map((r) => ({ ...r, summary: summaryOf(r.summary) }));
  }

  async get(id: string): Promise<KeptCase | null> {
    const [row] = await this.db
      .select()
      .from(cases)
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)));
    return row ? kept(row) : null;
  }

  /**
   * Keeps a new case. @param id  made by who asks, so that asking again after a lost answer makes no second case;
   * @returns null when the id stands for another case already
   */
  async create(document: CaseFile, id: string = uuidv7()): Promise<KeptCase | null> {
    this.mayWrite();
    const [row] = await this.db
      .insert(cases)
      .values({ id, revision: 1, createdAt: Date.now(), ...fields(document) })
      .onConflictDoNothing()
      .returning();
    if (!row) {
      const present = await this.get(id);
      const isSame = present?.revision === 1 && JSON.stringify(present.case) === JSON.stringify(document);
      return isSame ? present : null;
    }
    this.summariseLater(row, document);
    return withDocument(row, document);
  }

  async write(id: string, revision: number, document: CaseFile): Promise<WriteResult> {
    this.mayWrite();
    const [row] = await this.db
      .update(cases)
      .set({ ...fields(document), revision: revision + 1 })
      .where(and(eq(cases.id, id), eq(cases.revision, revision), isNull(cases.deletedAt)))
      .returning();
    if (row) {
      this.summariseLater(row, document);
      return { status: "kept", kept: withDocument(row, document) };
    }
    const present = await this.get(id);
    return present ? { status: "stale", kept: present } : { status: "missing" };
  }

  /** Takes a case off the shelf; `restore` brings it back. */
  async remove(id: string): Promise<boolean> {
    this.mayWrite();
    const rows = await this.db
      .update(cases)
      .set({ deletedAt: Date.now() })
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)))
      .returning({ id: cases.id });
    return rows.length > 0;
  }

  async restore(id: string): Promise<KeptCase | null> {
    this.mayWrite();
    const [row] = await this.db
      .update(cases)
      .set({ deletedAt: null })
      .where(and(eq(cases.id, id), isNotNull(cases.deletedAt)))
      .returning();
    return row ? kept(row) : this.get(id);
  }

  /** What the shelf shows of cases whose summary was lost with a server that ended. */
  async summariseMissing(): Promise<void> {
    const rows = await this.db
      .select()
      .from(cases)
      .where(and(eq(cases.summary, "{}"), isNull(cases.deletedAt)));
    for (const row of rows) this.summariseLater(row, kept(row).case);
  }

  /** Clears away what was deleted before a time, in ms. */
  async clearDeleted(before: number): Promise<void> {
    await this.db.delete(cases).where(and(isNotNull(cases.deletedAt), lt(cases.deletedAt, before)));
  }

  /**
   * Puts the demo cases in, once in the life of a database: deleting one is final. A case and the fact that it was put
   * in are written together or not at all.
   */
  async loadDemo(documents: readonly CaseFile[]): Promise<number> {
    const known = new Set((await this.db.select().from(facts)).map((f) => f.name));
    const wanted = documents.filter((d) => !known.has(factOf(d)));
    if (wanted.length === 0) return 0;
    const now = Date.now();
    // The last one lies on top of the shelf.
    const rows = wanted.map((document, i) => ({
      id: uuidv7(),
      revision: 1,
      createdAt: now,
      ...fields(document),
      updatedAt: now - wanted.length + i,
    }));
    // One batch is one transaction, on the connection that is open: a transaction of its own would take another.
    await this.db.batch([
      this.db.insert(facts).values(wanted.map((d) => ({ name: factOf(d), value: "1" }))),
      this.db.insert(cases).values(rows),
    ]);
    return wanted.length;
  }
}

const factOf = (document: CaseFile): string => `demo:${document.title}`;
