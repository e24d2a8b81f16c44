import { uuidv7 } from "uuidv7";
import type * as z from "zod";
import type { CaseFile } from "#core/model";
import {
  deletedSchema,
  keptCaseSchema,
  refusalSchema,
  shelfSchema,
  writtenSchema,
  type ShelfCase,
} from "#shared/schemas/wire";

/** A new case that got no answer is sent once more after this, in ms. */
const ASK_AGAIN = 700;

export type { KeptCase, ShelfCase } from "#shared/schemas/wire";

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

const ask = async <T>(answer: z.ZodType<T>, path: string, method = "GET", body?: unknown): Promise<T> =>
  (await read(answer, path, method, body)).of;
async function read<T>(of: z.ZodType<T>, path: string, method = "GET", body?: unknown): Promise<Reading<T>> {
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

/** The server's cases, as the browser asks for them. */
export const caseApi = {
  /** @param after  the case that stood last on the page before */
  readList: (limit: number, after: ShelfCase | null = null, find = "") => {
    const query = new URLSearchParams({ limit: String(limit), find });
    if (after) query.set("after", `${after.updatedAt}.${after.id}`);
    return read(shelfSchema, `/api/cases?${query.toString()}`);
  },
  list: async (limit: number, after: ShelfCase | null = null, find = "") =>
    (await caseApi.readList(limit, after, find)).of,
  get: (id: string) => ask(keptCaseSchema, `/api/cases/${id}`),
  read: (id: string) => read(keptCaseSchema, `/api/cases/${id}`),
  /** The id is made here: asked again after a lost answer, the server makes no second case. */
  create: async (document: CaseFile) => {
    const make = { case: document, id: uuidv7() };
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
  restore: (id: string) => ask(keptCaseSchema, `/api/cases/${id}/restore`, "POST"),
};
