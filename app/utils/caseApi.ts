import type { ZodMiniType } from "zod/mini";
import type { CaseFile } from "#core/model";
import {
  deletedSchema,
  keptCaseSchema,
  keptVersionSchema,
  namedSchema,
  refusalSchema,
  shelfSchema,
  taggedSchema,
  tagsSchema,
  versionsSchema,
  writtenSchema,
  type ShelfCase,
} from "#shared/schemas/wire";

/** A new case that got no answer is sent once more after this, in ms. */
const ASK_AGAIN = 700;

export { TRASH_DAYS } from "#shared/schemas/wire";
export type { KeptCase, KeptVersion, ShelfCase } from "#shared/schemas/wire";

/** A request that got no answer, or one the server did not take; `status` is missing when no answer came. */
export class RequestFailure extends Error {
  constructor(
    message: string,
    readonly status: number | undefined,
    readonly data: unknown,
  ) {
    super(message);
  }
}

/** Why a request failed: in the server's words, or that it does not answer and what of it. */
export const reasonOf = (failure: unknown, ofSilence: string): string =>
  failure instanceof RequestFailure && failure.status ? failure.message : `The server does not answer; ${ofSilence}.`;

/** The HTTP status of a failed request; undefined when no answer came. @throws what is no such failure */
export function statusOf(failure: unknown): number | undefined {
  if (!(failure instanceof RequestFailure)) throw failure;
  return failure.status;
}

/** What was read, and when: null now, from the server; a time in ms where the browser kept it from an earlier visit. */
export interface Reading<T> {
  readonly of: T;
  readonly keptAt: number | null;
}
const NOT_UNDERSTOOD = "The server answered in a way that this page does not understand; load the page anew.";

const ask = async <T>(answer: ZodMiniType<T>, path: string, method = "GET", body?: unknown): Promise<T> =>
  (await read(answer, path, method, body)).of;
async function read<T>(of: ZodMiniType<T>, path: string, method = "GET", body?: unknown): Promise<Reading<T>> {
  let answer: Response;
  try {
    // `keepalive` lets a change that is sent while the page closes arrive; such requests are small by rule.
    const text = body === undefined ? undefined : JSON.stringify(body);
    answer = await fetch(path, {
      method,
      body: text,
      headers: text === undefined ? {} : { "content-type": "application/json" },
      keepalive: (text?.length ?? 0) < 60_000,
    });
  } catch {
    throw new RequestFailure("The server does not answer.", undefined, null);
  }
  const data: unknown = await answer.json().catch(() => null);
  if (!answer.ok) {
    const refusal = refusalSchema.safeParse(data).data;
    throw new RequestFailure(refusal?.message ?? "The server could not do this.", answer.status, refusal?.data);
  }
  const read = of.safeParse(data);
  if (!read.success) throw new RequestFailure(NOT_UNDERSTOOD, answer.status, null);
  // The service worker marks what it answers in the server's stead.
  const keptAt = answer.headers.has("x-kept-here") ? Date.parse(answer.headers.get("date") ?? "") || 0 : null;
  return { of: read.data, keptAt };
}

export type ShelfSort = "touched" | "made" | "title";
/** Which cases of the shelf are wanted, and in which order. */
export interface ShelfWish {
  readonly find?: string;
  readonly sort?: ShelfSort;
  readonly tag?: string;
  /** those that were deleted, instead of those on the shelf */
  readonly isTrash?: boolean;
}
const keyOf = (c: ShelfCase, sort: ShelfSort): string =>
  sort === "title" ? c.title.toLowerCase() : String(sort === "made" ? c.createdAt : c.updatedAt);

/** The server's cases, as the browser asks for them. */
export const caseApi = {
  /** @param after  the case that stood last on the page before */
  readList: (limit: number, after: ShelfCase | null = null, wish: ShelfWish = {}) => {
    const { find = "", sort = "touched", tag = "", isTrash = false } = wish;
    const query = new URLSearchParams({ limit: String(limit), find, sort, tag, deleted: isTrash ? "yes" : "" });
    if (after) query.set("after", `${keyOf(after, sort)}.${after.id}`);
    return read(shelfSchema, `/api/cases?${query.toString()}`);
  },
  list: async (limit: number, after: ShelfCase | null = null, wish: ShelfWish = {}) =>
    (await caseApi.readList(limit, after, wish)).of,
  get: (id: string) => ask(keptCaseSchema, `/api/cases/${id}`),
  read: (id: string) => read(keptCaseSchema, `/api/cases/${id}`),
  /**
   * The id is made here: asked again after a lost answer, the server makes no second case.
   * @param of  the case that this one is another version of
   */
  create: async (document: CaseFile, of?: string) => {
    const { uuidv7 } = await import("uuidv7");
    const make = { case: document, id: uuidv7(), ...(of === undefined ? {} : { of }) };
    try {
      return await ask(keptCaseSchema, "/api/cases", "POST", make);
    } catch (failure) {
      if (!(failure instanceof RequestFailure) || failure.status !== undefined) throw failure;
      await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN));
      return ask(keptCaseSchema, "/api/cases", "POST", make);
    }
  },
  write: (id: string, revision: number, document: CaseFile) =>
    ask(writtenSchema, `/api/cases/${id}`, "PUT", { case: document, revision }),
  remove: (id: string) => ask(deletedSchema, `/api/cases/${id}`, "DELETE"),
  /** Clears a deleted case away for good. */
  clear: (id: string) => ask(deletedSchema, `/api/cases/${id}/trash`, "DELETE"),
  tags: () => ask(tagsSchema, "/api/tags"),
  setTags: (id: string, tags: readonly string[]) => ask(taggedSchema, `/api/cases/${id}/tags`, "PUT", { tags }),
  versions: (id: string) => ask(versionsSchema, `/api/cases/${id}/versions`),
  version: (id: string, revision: number) => ask(keptVersionSchema, `/api/cases/${id}/versions/${revision}`),
  nameVersion: (id: string, revision: number, name: string | null) =>
    ask(namedSchema, `/api/cases/${id}/versions/${revision}`, "PUT", { name }),
  restore: (id: string) => ask(keptCaseSchema, `/api/cases/${id}/restore`, "POST"),
};
