import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { backUp, restore } from "../../server/db/backup";
import { openDatabase, type OpenDatabase } from "../../server/db/client";
import { cases } from "../../server/db/schema";
import { CaseStore } from "../../server/utils/caseStore";

const MIGRATIONS = "server/db/migrations";
const document = (title: string): CaseFile => ({ format: "pasear-case", version: 1, title, notes: ["kept", title] });
let folder: string;
let open: OpenDatabase;
let store: CaseStore;
const at = (name: string) => join(folder, name);
const titles = async (of = store) => (await of.list()).map((c) => c.title).sort();

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "pasear-backup-"));
  open = await openDatabase(`file:${at("cases.db")}`, MIGRATIONS);
  store = new CaseStore(open.db);
});
afterEach(() => {
  open.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("a backup", () => {
  it("is one file with all cases, deleted ones too, made beside writes", async () => {
    for (let i = 0; i < 450; i++) await store.create(document(`Case ${i}`), `id-${i}`);
    await store.remove("id-7");
    const [contents] = await Promise.all([backUp(open, at("a.db"), MIGRATIONS), store.create(document("Meanwhile"))]);
    expect(contents.cases).toBeGreaterThanOrEqual(450);
    expect(contents.faults).toEqual([]);
    expect([existsSync(at("a.db.part")), existsSync(at("a.db-wal"))]).toEqual([false, false]);
    const copy = await openDatabase(`file:${at("a.db")}`, MIGRATIONS);
    const there = new CaseStore(copy.db);
    expect((await there.get("id-449"))!.case).toEqual(document("Case 449"));
    expect(await there.get("id-7")).toBeNull();
    expect((await there.restore("id-7"))!.title).toBe("Case 7");
    copy.close();
  });
  it("goes over no file that is there", async () => {
    writeFileSync(at("mine.txt"), "mine");
    await expect(backUp(open, at("mine.txt"), MIGRATIONS)).rejects.toThrow("mine.txt exists");
    expect(readFileSync(at("mine.txt"), "utf8")).toBe("mine");
  });
});

describe("what is restored", () => {
  it("replaces all that is there, which is put aside; the backup stays as it was", async () => {
    await store.create(document("One"), "one");
    await store.create(document("Two"), "two");
    await backUp(open, at("a.db"), MIGRATIONS);
    const before = readFileSync(at("a.db"));
    await store.write("one", 1, document("One, changed"));
    await store.write("one", 2, document("One, changed again"));
    await store.remove("two");
    await store.create(document("Three"), "three");
    expect(await restore(at("a.db"), open, at("aside.db"), MIGRATIONS)).toEqual({ cases: 2, faults: [] });
    expect(await titles()).toEqual(["One", "Two"]);
    expect(readFileSync(at("a.db")).equals(before)).toBe(true);
    const aside = await openDatabase(`file:${at("aside.db")}`, MIGRATIONS);
    expect(await titles(new CaseStore(aside.db))).toEqual(["One, changed again", "Three"]);
    aside.close();
    // A page that had the case open at revision 3 is told that it is another one now.
    expect((await store.get("one"))!.revision).toBe(4);
    expect(await store.write("one", 3, document("From the page"))).toMatchObject({ status: "stale" });
  });
  it.each([
    ["no file", null, "There is no file"],
    ["no database", "junk", "is no backup of Pasear"],
  ])("%s: nothing is replaced", async (_, text, message) => {
    await store.create(document("One"));
    if (text !== null) writeFileSync(at("b.db"), text);
    await expect(restore(at("b.db"), open, at("aside.db"), MIGRATIONS)).rejects.toThrow(message);
    expect([await titles(), existsSync(at("aside.db"))]).toEqual([["One"], false]);
  });
  it("a backup with a case that cannot be read replaces nothing, and says which", async () => {
    await store.create(document("One"), "one");
    await backUp(open, at("a.db"), MIGRATIONS);
    const copy = await openDatabase(`file:${at("a.db")}`, MIGRATIONS);
    await copy.db.update(cases).set({ document: '{"title":1}' }).where(eq(cases.id, "one"));
    copy.close();
    await expect(restore(at("a.db"), open, at("aside.db"), MIGRATIONS)).rejects.toThrow("The case one cannot be read.");
    expect(await titles()).toEqual(["One"]);
    // And such a case cannot be backed up unseen either.
    await open.db.update(cases).set({ document: "[]" });
    await expect(backUp(open, at("c.db"), MIGRATIONS)).rejects.toThrow("not whole");
    expect(existsSync(at("c.db"))).toBe(false);
  });
});
