import { and, desc, eq, isNotNull, isNull, lt } from "drizzle-orm";
import { uuidv7 } from "uuidv7";
import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";
import type { Database } from "../db/client";
import { cases, facts } from "../db/schema";
import { summarise, type CaseSummary } from "./caseSummary";

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
  summary: CaseSummary;
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
const fields = (document: CaseFile) => ({
  title: document.title,
  document: JSON.stringify(document),
  summary: JSON.stringify(summarise(document)),
  updatedAt: Date.now(),
});

/**
 * All reading and writing of cases. A write names the revision it started from; one that is out of date changes
 * nothing.
 */
export class CaseStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<ShelfCase[]> {
    const rows = await this.db
      .select({
        id: cases.id,
        title: cases.title,
        revision: cases.revision,
        updatedAt: cases.updatedAt,
        summary: cases.summary,
      })
      .from(cases)
      .where(isNull(cases.deletedAt))
      .orderBy(desc(cases.updatedAt), cases.title);
    return rows.map((r) => ({ ...r, summary: JSON.parse(r.summary) as CaseSummary }));
  }

  async get(id: string): Promise<KeptCase | null> {
    const [row] = await this.db
      .select()
      .from(cases)
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)));
    return row ? kept(row) : null;
  }

  async create(document: CaseFile, id: string = uuidv7()): Promise<KeptCase> {
    const [row] = await this.db
      .insert(cases)
      .values({ id, revision: 1, createdAt: Date.now(), ...fields(document) })
      .returning();
    return kept(row!);
  }

  async write(id: string, revision: number, document: CaseFile): Promise<WriteResult> {
    const [row] = await this.db
      .update(cases)
      .set({ ...fields(document), revision: revision + 1 })
      .where(and(eq(cases.id, id), eq(cases.revision, revision), isNull(cases.deletedAt)))
      .returning();
    if (row) return { status: "kept", kept: kept(row) };
    const present = await this.get(id);
    return present ? { status: "stale", kept: present } : { status: "missing" };
  }

  /** Takes a case off the shelf; `restore` brings it back. */
  async remove(id: string): Promise<boolean> {
    const rows = await this.db
      .update(cases)
      .set({ deletedAt: Date.now() })
      .where(and(eq(cases.id, id), isNull(cases.deletedAt)))
      .returning({ id: cases.id });
    return rows.length > 0;
  }

  async restore(id: string): Promise<KeptCase | null> {
    const [row] = await this.db
      .update(cases)
      .set({ deletedAt: null })
      .where(and(eq(cases.id, id), isNotNull(cases.deletedAt)))
      .returning();
    return row ? kept(row) : this.get(id);
  }

  /** Clears away what was deleted before a time, in ms. */
  async clearDeleted(before: number): Promise<void> {
    await this.db.delete(cases).where(and(isNotNull(cases.deletedAt), lt(cases.deletedAt, before)));
  }

  /** Puts the demo cases in, once in the life of a database: deleting one is final. */
  async loadDemo(documents: readonly CaseFile[]): Promise<number> {
    const known = new Set((await this.db.select().from(facts)).map((f) => f.name));
    let added = 0;
    for (const document of documents) {
      const fact = `demo:${document.title}`;
      if (known.has(fact)) continue;
      await this.db.insert(facts).values({ name: fact, value: "1" });
      await this.create(document);
      added++;
    }
    return added;
  }
}
