import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";
import { openDatabase, type OpenDatabase } from "../../server/db/client";
import { causeOf } from "../../server/db/causes";
import { summarise } from "../../server/utils/caseSummary";
import { CaseStore } from "../../server/utils/caseStore";
import type { Shelf, ShelfCase } from "../../server/utils/shelfList";

// A real database in a file of its own, opened as the server opens it.
const MIGRATIONS = "server/db/migrations";
let folder: string;
let open: OpenDatabase;
let store: CaseStore;
const document = (title: string): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title,
  variables: [{ name: "x", from: 0, to: 10 }],
  functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x - 4" } }],
  questions: [{ id: "q1", ask: "reach", function: "f", value: 0 }],
});
const url = () => `file:${join(folder, "deep", "cases.db")}`;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "pasear-store-"));
  open = await openDatabase(url(), MIGRATIONS);
  // In the server a thread works the summaries out.
  store = new CaseStore(open.db, (_id, made, done) => done(summarise(made)));
});
afterEach(() => {
  open.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("cases are kept", () => {
  it("in WAL mode with foreign keys on", async () => {
    expect((await open.client.execute("PRAGMA journal_mode")).rows[0]!.journal_mode).toBe("wal");
    expect((await open.client.execute("PRAGMA foreign_keys")).rows[0]!.foreign_keys).toBe(1);
  });
  it("and every request meets the same settings, however many come at once", async () => {
    const ask = (name: string) =>
      Promise.all(Array.from({ length: 8 }, async () => (await open.client.execute(`PRAGMA ${name}`)).rows[0]));
    expect(await ask("busy_timeout")).toEqual(Array(8).fill({ timeout: 5000 }));
    // 2 is FULL: what was acknowledged survives a power cut.
    expect(await ask("synchronous")).toEqual(Array(8).fill({ synchronous: 2 }));
  });
  it("with a revision that goes up, a sentence and a small graph for the shelf", async () => {
    const made = (await store.create(document("One")))!;
    expect(made.revision).toBe(1);
    const result = await store.write(made.id, 1, document("Two"));
    expect(result).toMatchObject({ status: "kept", kept: { revision: 2, title: "Two" } });
    await vi.waitFor(async () => expect((await store.list())[0]!.summary?.says).toBe("f is 0 at x = 4."));
    expect((await store.list())[0]!.summary!.curves[0]!.length).toBeGreaterThan(10);
  });
  it("a stale write changes nothing and gets the present version", async () => {
    const made = (await store.create(document("One")))!;
    await store.write(made.id, 1, document("Theirs"));
    expect(await store.write(made.id, 1, document("Mine"))).toMatchObject({
      status: "stale",
      kept: { revision: 2, title: "Theirs" },
    });
    expect((await store.get(made.id))!.title).toBe("Theirs");
  });
  it("of two writes at once from one revision exactly one is kept", async () => {
    const made = (await store.create(document("One")))!;
    const results = await Promise.all(["A", "B", "C"].map((t) => store.write(made.id, 1, document(t))));
    expect(results.map((r) => r.status).sort()).toEqual(["kept", "stale", "stale"]);
  });
  it("deleted ones leave the shelf, come back when asked, and are cleared away in the end", async () => {
    const made = (await store.create(document("One")))!;
    expect(await store.remove(made.id)).toBe(true);
    expect(await store.remove(made.id)).toBe(false);
    expect([await store.get(made.id), await store.list()]).toEqual([null, []]);
    expect(await store.write(made.id, 1, document("Late"))).toEqual({ status: "missing" });
    expect((await store.restore(made.id))!.title).toBe("One");
    await store.remove(made.id);
    await store.clearDeleted(Date.now() + 1);
    expect(await store.restore(made.id)).toBeNull();
  });
  it("the demo is put in once, and stays away when deleted", async () => {
    expect(await store.loadDemo([document("Demo")])).toBe(1);
    await store.remove((await store.list())[0]!.id);
    expect(await store.loadDemo([document("Demo")])).toBe(0);
    expect(await store.list()).toEqual([]);
  });
  it("page by page, newest first, none twice and none left out, and by a part of the title", async () => {
    vi.useFakeTimers({ toFake: ["Date"] });
    // Many were touched in the same instant.
    for (let i = 0; i < 95; i++) {
      vi.setSystemTime(1000 + Math.floor(i / 10));
      await store.create(document(i % 7 === 0 ? `Stall ${i}` : `Case ${i}`), `id-${String(i).padStart(2, "0")}`);
    }
    vi.useRealTimers();
    const all = (await store.list()).map((c) => c.id);
    expect(all).toEqual(Array.from({ length: 95 }, (_, i) => `id-${String(94 - i).padStart(2, "0")}`));
    for (const sort of ["touched", "made", "title"] as const) {
      const keyOf = (c: ShelfCase) => (sort === "title" ? c.title.toLowerCase() : String(c.updatedAt));
      const pages: string[] = [];
      for (let after: Shelf["after"] = null; ;) {
        const page: ShelfCase[] = await store.list({ limit: 20, sort, after });
        if (page.length === 0) break;
        pages.push(...page.map((c) => (sort === "title" ? c.title : c.id)));
        after = { key: keyOf(page.at(-1)!), id: page.at(-1)!.id };
      }
      // By title, letters in small: "case 9" stands after "case 89".
      const titles = (await store.list())
        .map((c) => c.title)
        .sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1));
      expect(pages, sort).toEqual(sort === "title" ? titles : all);
    }
    expect((await store.list({ find: "sTaLL" })).length).toBe(14);
    expect(await store.list({ find: "%" })).toEqual([]);
  });
  it("and are there after closing and opening again", async () => {
    const made = (await store.create(document("One")))!;
    open.close();
    open = await openDatabase(url(), MIGRATIONS);
    expect((await new CaseStore(open.db).get(made.id))!.case).toEqual(document("One"));
  });
});

it("a plan stands on the shelf with its decision and the outline of its region", async () => {
  await store.create({
    format: "pasear-case",
    version: 1,
    title: "P",
    plan: {
      variables: [{ name: "x" }, { name: "y" }],
      constraints: [
        { id: "A", text: "x + y <= 4" },
        { id: "B", text: "x >= 0" },
        { id: "C", text: "y >= 0" },
      ],
      objective: { text: "x + 2y", sense: "greatest" },
    },
  });
  await vi.waitFor(async () => expect((await store.list())[0]!.summary?.says).toBe("Make x = 0 and y = 4: 8."));
  expect((await store.list())[0]!.summary!.curves[0]!.length).toBeGreaterThanOrEqual(4);
});

describe("a new case is made once", () => {
  it("however often it is asked for with the same id; another under that id is refused", async () => {
    const made = await store.create(document("One"), "own-id");
    expect(await store.create(document("One"), "own-id")).toEqual(made);
    expect(await store.create(document("Another"), "own-id")).toBeNull();
    expect((await store.list()).map((c) => c.title)).toEqual(["One"]);
  });
  it("the demo cases come all at once or not at all", async () => {
    const broken = { ...document("Two"), title: undefined } as unknown as CaseFile;
    await expect(store.loadDemo([document("One"), broken])).rejects.toThrow();
    expect(await store.list()).toEqual([]);
    expect(await store.loadDemo([document("One"), document("Two")])).toBe(2);
    expect(await store.loadDemo([document("One"), document("Two")])).toBe(0);
    // The last one lies on top.
    expect((await store.list()).map((c) => c.title)).toEqual(["Two", "One"]);
  });
});

describe("why the database refused", () => {
  it("is found through the causes of a failure", () => {
    const by = (code: string) => new Error("Failed query", { cause: Object.assign(new Error(code), { code }) });
    expect(
      [
        "SQLITE_FULL",
        "SQLITE_READONLY_DBMOVED",
        "SQLITE_BUSY_SNAPSHOT",
        "SQLITE_CORRUPT",
        "SQLITE_CANTOPEN",
        "SQLITE_IOERR_WRITE",
        "SQLITE_CONSTRAINT",
      ].map((c) => causeOf(by(c))),
    ).toEqual(["full", "read-only", "busy", "damaged", "closed", "disk", null]);
    expect(causeOf("SQLITE_FULL")).toBeNull();
  });
});
