import { copyFileSync, existsSync, mkdtempSync, renameSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { and, asc, count, eq, gt, or } from "drizzle-orm";
import { readCase } from "../../shared/schemas/case";
import { openDatabase, type Database, type OpenDatabase } from "./client";
import { cases, facts, versions } from "./schema";

/** Rows that are copied at a time. */
const PAGE = 200;

/** What a database holds, and what is wrong with it, in words. */
export interface Contents {
  readonly cases: number;
  readonly faults: readonly string[];
}

/**
 * Writes all cases of a database, also while a server works with it, into a new file, and checks it before it takes its
 * name.
 * @throws Error in plain words where the file exists or the copy is not whole
 */
export async function backUp(from: OpenDatabase, file: string, migrations: string): Promise<Contents> {
  if (existsSync(file)) throw new Error(`${file} exists; a backup goes into a new file.`);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  const to = await openDatabase(`file:${part}`, migrations);
  try {
    // One reading transaction sees the cases as they were at one moment.
    await from.db.transaction((there) => to.db.transaction((here) => copyRows(there, here)), { behavior: "deferred" });
    // A backup is one file: what the log beside it holds goes into it.
    await to.client.execute("PRAGMA journal_mode = DELETE");
    const contents = await contentsOf(to);
    if (contents.faults.length > 0) throw new Error(`The backup is not whole: ${contents.faults.join(" ")}`);
    to.close();
    renameSync(part, file);
    return contents;
  } finally {
    to.close();
    rmSync(part, { force: true });
  }
}

/**
 * Replaces all cases of a database by those of a backup, all at once, after the backup was checked and what is there
 * now was written to a file of its own.
 * @param aside  the file for what is there now
 * @throws Error in plain words where the backup is none or not whole; then nothing was replaced
 */
export async function restore(file: string, into: OpenDatabase, aside: string, migrations: string): Promise<Contents> {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  const backup = await openBackup(file, migrations);
  try {
    const contents = await contentsOf(backup);
    if (contents.faults.length > 0) throw new Error(`${file} is not whole: ${contents.faults.join(" ")}`);
    if (into.isReadOnly) throw new Error("The database can only be read; nothing was replaced.");
    await backUp(into, aside, migrations);
    await into.db.transaction(async (here) => {
      const present = await here.select({ id: cases.id, revision: cases.revision }).from(cases);
      const revisions = new Map(present.map((row) => [row.id, row.revision]));
      await here.delete(cases);
      await here.delete(facts);
      // A page that is open must see that its case is another now, whatever number it had.
      await copyRows(backup.db, here, (row) => Math.max(row.revision, revisions.get(row.id) ?? 0) + 1);
    });
    return contents;
  } finally {
    backup.close();
  }
}
/** Opens a copy: the backup itself stays as it is, also where it is older than this version. */
async function openBackup(file: string, migrations: string): Promise<OpenDatabase> {
  const copy = join(mkdtempSync(join(tmpdir(), "pasear-")), "backup.db");
  // Where the database is still open somewhere, a part of it is in the log beside it.
  for (const part of ["", "-wal"]) if (existsSync(file + part)) copyFileSync(file + part, copy + part);
  try {
    const backup = await openDatabase(`file:${copy}`, migrations);
    const close = () => {
      backup.close();
      rmSync(dirname(copy), { recursive: true });
    };
    return { ...backup, close };
  } catch (failure) {
    throw new Error(`${file} is no backup of Pasear.`, { cause: failure });
  }
}

type Reader = Pick<Database, "select">;
type Writer = Pick<Database, "insert">;
type CaseRow = typeof cases.$inferSelect;
async function copyRows(
  from: Reader,
  to: Writer,
  revision: (row: CaseRow) => number = (row) => row.revision,
): Promise<void> {
  for (let after = ""; ;) {
    const page = await from.select().from(cases).where(gt(cases.id, after)).orderBy(asc(cases.id)).limit(PAGE);
    if (page.length === 0) break;
    for (const row of page) await to.insert(cases).values({ ...row, revision: revision(row) });
    after = page.at(-1)!.id;
  }
  await copyVersions(from, to);
  for (const fact of await from.select().from(facts)) await to.insert(facts).values(fact);
}

/** The kept states; the present one of each case came with the case. */
async function copyVersions(from: Reader, to: Writer): Promise<void> {
  const { caseId, revision } = versions;
  for (let after = { id: "", revision: 0 }; ;) {
    const isLater = or(gt(caseId, after.id), and(eq(caseId, after.id), gt(revision, after.revision)));
    const page = await from.select().from(versions).where(isLater).orderBy(asc(caseId), asc(revision)).limit(PAGE);
    if (page.length === 0) return;
    for (const row of page) {
      const { name } = row;
      await to
        .insert(versions)
        .values(row)
        .onConflictDoUpdate({ target: [caseId, revision], set: { name } });
    }
    after = { id: page.at(-1)!.caseId, revision: page.at(-1)!.revision };
  }
}

async function contentsOf({ db, client }: OpenDatabase): Promise<Contents> {
  const { rows } = await client.execute("PRAGMA integrity_check");
  const faults = rows.map((row) => String(row.integrity_check)).filter((said) => said !== "ok");
  const [counted] = await db.select({ cases: count() }).from(cases);
  for (let after = ""; faults.length < 5;) {
    const page = await db.select().from(cases).where(gt(cases.id, after)).orderBy(asc(cases.id)).limit(PAGE);
    if (page.length === 0) break;
    for (const { id, document } of page) if (!isCase(document)) faults.push(`The case ${id} cannot be read.`);
    after = page.at(-1)!.id;
  }
  return { cases: counted!.cases, faults };
}
function isCase(document: string): boolean {
  try {
    return readCase(JSON.parse(document)).ok;
  } catch {
    return false;
  }
}
