import { and, desc, eq, sql } from "drizzle-orm";
import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";
import type { Database } from "../db/client";
import { cases, versions } from "../db/schema";

/** A state of a case as it was kept. */
export interface Version {
  revision: number;
  title: string;
  /** in ms */
  keptAt: number;
  /** given by a person; null: none, and it may be thinned out */
  name: string | null;
}
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** States are thinned with every so many writes. */
export const THIN_EVERY = 8;

/** The kept states of cases. A trigger of the database writes each with the write that makes it. */
export class CaseVersions {
  constructor(private readonly db: Database) {}

  /** Newest first, the present state among them. */
  async list(id: string): Promise<Version[]> {
    const { revision, title, keptAt, name } = versions;
    return this.db
      .select({ revision, title, keptAt, name })
      .from(versions)
      .where(eq(versions.caseId, id))
      .orderBy(desc(revision));
  }

  async get(id: string, revision: number): Promise<(Version & { case: CaseFile }) | null> {
    const [row] = await this.db
      .select()
      .from(versions)
      .where(and(eq(versions.caseId, id), eq(versions.revision, revision)));
    const read = row && readCase(JSON.parse(row.document));
    if (!read?.ok) return null;
    return { revision, title: row!.title, keptAt: row!.keptAt, name: row!.name, case: read.case };
  }

  /** @returns false where there is no such state */
  async name(id: string, revision: number, name: string | null): Promise<boolean> {
    const named = await this.db
      .update(versions)
      .set({ name })
      .where(and(eq(versions.caseId, id), eq(versions.revision, revision)))
      .returning({ revision: versions.revision });
    return named.length > 0;
  }

  /**
   * Of states older than an hour the last of each hour stays, of those older than a day the last of each day; named
   * ones and the present one always.
   */
  async thin(id: string, now: number): Promise<void> {
    const span = sql`CASE WHEN v.kept_at < ${now - DAY} THEN ${DAY} ELSE ${HOUR} END`;
    await this.db.run(sql`
      DELETE FROM versions WHERE case_id = ${id} AND revision IN (
        SELECT v.revision FROM versions v
        WHERE v.case_id = ${id} AND v.name IS NULL AND v.kept_at < ${now - HOUR}
          AND v.revision <> (SELECT ${cases.revision} FROM ${cases} WHERE ${cases.id} = ${id})
          AND EXISTS (
            SELECT 1 FROM versions later WHERE later.case_id = v.case_id AND later.revision > v.revision
              AND CAST(later.kept_at / (${span}) AS INTEGER) = CAST(v.kept_at / (${span}) AS INTEGER)
          )
      )`);
  }
}
