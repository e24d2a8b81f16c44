import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { CaseFile } from "#core/model";
import { backUp, restore } from "../../server/db/backup";
import { openDatabase, type OpenDatabase } from "../../server/db/client";
import { CaseStore } from "../../server/utils/caseStore";

const MIGRATIONS = "server/db/migrations";
const [MINUTE, HOUR, DAY] = [60_000, 3_600_000, 86_400_000];
/** Midnight, so that hours and days of the clock are easy to count. */
const START = 20_000 * DAY;
let folder: string;
let open: OpenDatabase;
let store: CaseStore;
const document = (title: string, more: Partial<CaseFile> = {}): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title,
  ...more,
});

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "pasear-versions-"));
  open = await openDatabase(`file:${join(folder, "cases.db")}`, MIGRATIONS);
  store = new CaseStore(open.db);
});
afterEach(() => {
  vi.useRealTimers();
  open.close();
  rmSync(folder, { recursive: true, force: true });
});
const at = (time: number) => {
  vi.useFakeTimers({ toFake: ["Date"] });
  vi.setSystemTime(START + time);
};

describe("states of a case", () => {
  it("each write leaves one, with the title and the time it had; a stale write leaves none", async () => {
    at(0);
    await store.create(document("One"), "a");
    at(5 * MINUTE);
    await store.write("a", 1, document("Two"));
    await store.write("a", 1, document("Stale"));
    const found = await store.versions.list("a");
    expect(found.map((v) => [v.revision, v.title, v.keptAt - START])).toEqual([
      [2, "Two", 5 * MINUTE],
      [1, "One", 0],
    ]);
    expect((await store.versions.get("a", 1))!.case).toEqual(document("One"));
    expect(await store.versions.get("a", 3)).toBeNull();
  });

  it("all of an hour stay, then the last of each hour, later of each day; named ones always", async () => {
    await store.create(document("0"), "a");
    const times = [10 * MINUTE, HOUR + MINUTE, HOUR + 2 * MINUTE, DAY + MINUTE, DAY + 30 * MINUTE, 2 * DAY];
    for (const [i, time] of times.entries()) {
      at(time);
      await store.write("a", i + 1, document(String(i + 1)));
    }
    await store.nameVersion("a", 2, "before the discount");
    await open.client.execute({ sql: "UPDATE versions SET kept_at = ? WHERE revision = 1", args: [START] });
    const left = async (now: number) => {
      await store.versions.thin("a", START + now);
      return (await store.versions.list("a")).map((v) => v.revision).reverse();
    };
    // Half an hour after the first: nothing is old enough.
    expect(await left(30 * MINUTE)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    // 2:30 of the first day: of its hours 0 and 1 the last state is left, 2 and 4.
    expect(await left(2.5 * HOUR)).toEqual([2, 4, 5, 6, 7]);
    // Later: of days 0 and 1 the last is left, and 2, which has a name; the present one is the last of day 2.
    expect(await left(3 * DAY)).toEqual([2, 4, 6, 7]);
    // A name that is taken away lets it go.
    await store.nameVersion("a", 2, null);
    expect(await left(3 * DAY)).toEqual([4, 6, 7]);
    expect(await store.nameVersion("a", 2, "gone")).toBe(false);
  });

  it("of a large case at most one a minute", async () => {
    const large = (title: string) => document(title, { notes: ["x".repeat(210_000)] });
    at(0);
    await store.create(large("1"), "a");
    for (const [i, time] of [10_000, 20_000, 70_000].entries()) {
      at(time);
      await store.write("a", i + 1, large(String(i + 2)));
    }
    expect((await store.versions.list("a")).map((v) => v.title)).toEqual(["4", "1"]);
  });

  it("go with a case that is cleared away for good, and come with a backup", async () => {
    await store.create(document("One"), "a");
    await store.write("a", 1, document("Two"));
    await store.nameVersion("a", 1, "first");
    await backUp(open, join(folder, "b.db"), MIGRATIONS);
    expect(await store.clear("a")).toBe(false);
    await store.remove("a");
    expect(await store.clear("a")).toBe(true);
    expect(await store.versions.list("a")).toEqual([]);
    expect(await store.list({ find: "two" })).toEqual([]);
    await restore(join(folder, "b.db"), open, join(folder, "aside.db"), MIGRATIONS);
    expect((await store.versions.list("a")).find((v) => v.revision === 1)).toMatchObject({
      title: "One",
      name: "first",
    });
    expect((await store.list({ find: "two" })).map((c) => c.id)).toEqual(["a"]);
  });
});

describe("another version of a case, with other numbers", () => {
  it("and the first name each other; a third joins them", async () => {
    await store.create(document("Stall"), "a");
    await store.create(document("Stall, dearer"), "b", "a");
    await store.create(document("Stall, smaller"), "c", "b");
    const names = async (id: string) => (await store.get(id))!.relatives!.map((r) => r.title);
    expect(await names("a")).toEqual(["Stall, dearer", "Stall, smaller"]);
    expect(await names("c")).toEqual(["Stall", "Stall, dearer"]);
    await store.remove("b");
    expect(await names("a")).toEqual(["Stall, smaller"]);
  });
  it("of a case that is not there is a case like any other", async () => {
    await store.create(document("Alone"), "a", "nobody");
    expect((await store.get("a"))!.relatives).toEqual([]);
  });
});

describe("the shelf is searched and sorted", () => {
  beforeEach(async () => {
    await store.create(document("Lantern stall", { story: { text: "Candles at the café cost $2.50." } }), "a");
    await store.create(document("Boats"), "b");
    const says = JSON.stringify({ says: "B is least", curves: [], words: "The raft rests after 70 seconds." });
    await open.client.execute({ sql: "UPDATE cases SET summary = ? WHERE id = 'b'", args: [says] });
  });
  it.each([
    ["LANT", ["a"]],
    ["cand", ["a"]],
    ["cafe", ["a"]],
    ["CAFÉ candles", ["a"]],
    ["tern st", ["a"]],
    ["raft 70", ["b"]],
    ["raft candles", []],
    ['" OR "', []],
    ["id:a", []],
    ["-*^", []],
  ])("%s", async (find, ids) => {
    expect((await store.list({ find })).map((c) => c.id)).toEqual(ids);
  });
  it("what a story no longer says is found no more", async () => {
    await store.write("a", 1, document("Lantern stall", { story: { text: "Wire." } }));
    expect(await store.list({ find: "candles" })).toEqual([]);
    expect((await store.list({ find: "wire" })).map((c) => c.id)).toEqual(["a"]);
  });
  it("by tags, which leave the case and its time as they are", async () => {
    const before = await store.get("a");
    expect(await store.setTags("a", ["homework", "week 3"])).toBe(true);
    await store.setTags("b", ["homework"]);
    expect(await store.setTags("c", ["homework"])).toBe(false);
    expect(await store.get("a")).toEqual(before);
    expect((await store.list({ tag: "week 3" })).map((c) => c.tags)).toEqual([["homework", "week 3"]]);
    expect(await store.list({ tag: "week" })).toEqual([]);
    await store.remove("b");
    expect(await store.tags()).toEqual([
      { tag: "homework", cases: 1 },
      { tag: "week 3", cases: 1 },
    ]);
  });
  it("what was deleted is seen with its time, and only there", async () => {
    await store.remove("b");
    const deleted = await store.list({ deleted: true });
    expect(deleted.map((c) => [c.id, c.deletedAt !== null])).toEqual([["b", true]]);
    expect((await store.list()).map((c) => [c.id, c.deletedAt])).toEqual([["a", null]]);
  });
});
