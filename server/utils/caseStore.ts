import { and, eq, isNotNull, isNull, lt, ne, sql } from "drizzle-orm";
import { uuidv7 } from "uuidv7";
import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";
import type { Database } from "../db/client";
import { cases, facts } from "../db/schema";
import type { CaseSummary } from "./caseSummary";
import { CaseVersions, THIN_EVERY } from "./caseVersions";
import { useLog } from "./log";
import { shelfList, tagCounts, type Shelf, type ShelfCase } from "./shelfList";

export interface KeptCase {
  id: string;
  title: string;
  revision: number;
  updatedAt: number;
  case: CaseFile;
  /** of one that is read: its other versions, with other numbers */
  relatives?: Relative[];
}
export interface Relative {
  id: string;
  title: string;
}
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
  ) {
    this.versions = new CaseVersions(db);
  }
  readonly versions: CaseVersions;

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
  /** Cases on the shelf, or those that were deleted, page by page. */
  list(shelf: Shelf = {}): Promise<ShelfCase[]> {
    return shelfList(this.db, shelf);
  }
  /** The tags in use, each with how many cases have it. */
  tags(): Promise<{ tag: string; cases: number }[]> {
    return tagCounts(this.db);
  }
  /** Says what a case is sorted by; the case itself stays as it is. @returns false where there is none */
  async setTags(id: string, tags: readonly string[]): Promise<boolean> {
    this.mayWrite();
    const found = await this.db
      .update(cases)
      .set({ tags: JSON.stringify(tags) })
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)))
      .returning({ id: cases.id });
    return found.length > 0;
  }

  /** A case on the shelf, and its other versions. */
  async get(id: string): Promise<KeptCase | null> {
    const row = await this.row(id);
    return row && { ...kept(row), relatives: await this.relatives(row) };
  }
  private async row(id: string): Promise<Row | null> {
    const [row] = await this.db
      .select()
      .from(cases)
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)));
    return row ?? null;
  }
  /** The other versions of a case, with other numbers. */
  private async relatives({ id, family }: Row): Promise<Relative[]> {
    if (family === null) return [];
    return this.db
      .select({ id: cases.id, title: cases.title })
      .from(cases)
      .where(and(eq(cases.family, family), ne(cases.id, id), isNull(cases.deletedAt)))
      .orderBy(cases.createdAt);
  }

  /**
   * Keeps a new case. @param id  made by who asks, so that asking again after a lost answer makes no second case;
   * @param of  the case that this one is another version of
   * @returns null when the id stands for another case already
   */
  async create(document: CaseFile, id: string = uuidv7(), of: string | null = null): Promise<KeptCase | null> {
    this.mayWrite();
    const family = of && (await this.familyOf(of));
    const [row] = await this.db
      .insert(cases)
      .values({ id, revision: 1, createdAt: Date.now(), ...fields(document), family })
      .onConflictDoNothing()
      .returning();
    if (!row) {
      const present = await this.row(id);
      const isSame = present?.revision === 1 && present.document === JSON.stringify(document);
      return isSame ? kept(present) : null;
    }
    this.summariseLater(row, document);
    return withDocument(row, document);
  }
  /** The family of a case, which is founded where it has none; null where there is no such case. */
  private async familyOf(id: string): Promise<string | null> {
    const [row] = await this.db
      .update(cases)
      .set({ family: sql`coalesce(${cases.family}, ${cases.id})` })
      .where(eq(cases.id, id))
      .returning({ family: cases.family });
    return row?.family ?? null;
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
      if (row.revision % THIN_EVERY === 0) this.thinLater(id);
      return { status: "kept", kept: withDocument(row, document) };
    }
    const present = await this.row(id);
    return present ? { status: "stale", kept: kept(present) } : { status: "missing" };
  }

  /** Gives a kept state a name, so that it stays, or takes it away. @returns false where there is no such state */
  nameVersion(id: string, revision: number, name: string | null): Promise<boolean> {
    this.mayWrite();
    return this.versions.name(id, revision, name);
  }

  private thinLater(id: string): void {
    this.versions
      .thin(id, Date.now())
      .catch((failure: unknown) => useLog().warn({ case: id, err: failure }, "old states could not be thinned"));
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
    const present = row ?? (await this.row(id));
    return present && kept(present);
  }

  /** Clears a deleted case away for good. @returns false where none such is deleted */
  async clear(id: string): Promise<boolean> {
    this.mayWrite();
    const gone = await this.db
      .delete(cases)
      .where(and(eq(cases.id, id), isNotNull(cases.deletedAt)))
      .returning({ id: cases.id });
    return gone.length > 0;
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
