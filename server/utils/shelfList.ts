import { and, asc, desc, eq, gt, isNotNull, isNull, lt, or, sql, type SQL } from "drizzle-orm";
import type { Database } from "../db/client";
import { cases } from "../db/schema";
import type { CaseSummary } from "./caseSummary";

export interface ShelfCase {
  id: string;
  title: string;
  revision: number;
  updatedAt: number;
  createdAt: number;
  /** in ms; null: it is on the shelf */
  deletedAt: number | null;
  tags: string[];
  /** null: not worked out yet */
  summary: Pick<CaseSummary, "says" | "curves"> | null;
}
export const SORTS = ["touched", "made", "title"] as const;
export type Sort = (typeof SORTS)[number];

/** A part of the shelf. */
export interface Shelf {
  readonly limit?: number;
  /** where the page before ended: what it is sorted by, and the id; null: from the beginning */
  readonly after?: { readonly key: string; readonly id: string } | null;
  /** words, or beginnings of words, of title, story and findings */
  readonly find?: string;
  readonly sort?: Sort;
  readonly tag?: string;
  /** what was deleted and can be brought back, instead of what is on the shelf */
  readonly deleted?: boolean;
}
/** Cases that one list may have. */
export const MOST_LISTED = 1000;

/** Cases, page by page; without a wish those touched last come first. */
export async function shelfList(db: Database, shelf: Shelf = {}): Promise<ShelfCase[]> {
  const { limit = MOST_LISTED, find = "", tag = "", sort = "touched", deleted = false } = shelf;
  const rows = await db
    .select(columns)
    .from(cases)
    .where(
      and(
        deleted ? isNotNull(cases.deletedAt) : isNull(cases.deletedAt),
        beyond(sort, shelf.after ?? null),
        find.trim() === "" ? undefined : holding(find),
        tag === "" ? undefined : sql`EXISTS (SELECT 1 FROM json_each(${cases.tags}) t WHERE t.value = ${tag})`,
      ),
    )
    .orderBy(...orderOf(sort))
    .limit(limit);
  return rows.map(({ summary, tags, ...row }) => ({ ...row, tags: tagsOf(tags), summary: summaryOf(summary) }));
}

const columns = {
  id: cases.id,
  title: cases.title,
  revision: cases.revision,
  updatedAt: cases.updatedAt,
  createdAt: cases.createdAt,
  deletedAt: cases.deletedAt,
  summary: cases.summary,
  tags: cases.tags,
};
const lowered = sql<string>`lower(${cases.title})`;

function orderOf(sort: Sort): SQL[] {
  if (sort === "title") return [asc(lowered), asc(cases.id)];
  return [desc(sort === "made" ? cases.createdAt : cases.updatedAt), desc(cases.id)];
}
function beyond(sort: Sort, after: Shelf["after"]): SQL | undefined {
  if (!after) return undefined;
  const { key, id } = after;
  if (sort === "title") return or(gt(lowered, key), and(eq(lowered, key), gt(cases.id, id)));
  const at = sort === "made" ? cases.createdAt : cases.updatedAt;
  return or(lt(at, Number(key)), and(eq(at, Number(key)), lt(cases.id, id)));
}

/** Every word begins a word of the case, or all that is looked for stands somewhere in the title. */
function holding(find: string): SQL {
  const words = find.normalize("NFC").match(/[\p{L}\p{N}]+/gu) ?? [];
  const inTitle = sql`instr(${lowered}, ${find.trim().toLowerCase()}) > 0`;
  if (words.length === 0) return inTitle;
  const asked = words.map((w) => `"${w}"*`).join(" ");
  return sql`(${inTitle} OR ${cases.id} IN (SELECT id FROM case_words WHERE case_words MATCH ${asked}))`;
}

export function tagsOf(text: string): string[] {
  const read: unknown = JSON.parse(text);
  return Array.isArray(read) ? read.filter((t) => typeof t === "string") : [];
}
function summaryOf(text: string): ShelfCase["summary"] {
  const read = JSON.parse(text) as Partial<CaseSummary>;
  return read.says === undefined || !read.curves ? null : { says: read.says, curves: read.curves };
}

/** The tags in use, each with how many cases on the shelf have it, by name. */
export async function tagCounts(db: Database): Promise<{ tag: string; cases: number }[]> {
  return db.all(
    sql`SELECT t.value AS tag, count(*) AS cases FROM ${cases}, json_each(${cases.tags}) t
        WHERE ${cases.deletedAt} IS NULL GROUP BY t.value ORDER BY t.value`,
  );
}
