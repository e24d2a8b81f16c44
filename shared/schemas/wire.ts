// What the page reads of the server is small, and so is what it is checked with.
import * as z from "zod/mini";
import type { CaseFile } from "#core/model";
import type { PlanResult } from "#core/plan";

// Text is never run as code, not even to check faster.
z.config({ jitless: true });

/** A case inside an answer: every part of it was checked when it was written; here only that it is one. */
const document = z.custom<CaseFile>(
  (v) => typeof v === "object" && v !== null && "format" in v && v.format === "pasear-case" && "version" in v,
  "no case",
);

/** What the server says of a case it has written. */
export const writtenSchema = z.object({
  id: z.string(),
  title: z.string(),
  revision: z.int(),
  /** in ms */
  updatedAt: z.number(),
});
/** A case as the server, or another tab, hands it over. */
export const keptCaseSchema = z.extend(writtenSchema, {
  case: document,
  /** its other versions, with other numbers */
  relatives: z.optional(z.array(z.object({ id: z.string(), title: z.string() }))),
});
export const shelfSchema = z.array(
  z.extend(writtenSchema, {
    createdAt: z.number(),
    /** in ms; null: it is on the shelf */
    deletedAt: z.nullable(z.number()),
    tags: z.array(z.string()),
    /** null: not worked out yet */
    summary: z.nullable(z.object({ says: z.string(), curves: z.array(z.array(z.tuple([z.number(), z.number()]))) })),
  }),
);
/** A kept state of a case; one with a name stays. */
const versionSchema = z.object({
  revision: z.int(),
  title: z.string(),
  keptAt: z.number(),
  name: z.nullable(z.string()),
});
export const versionsSchema = z.array(versionSchema);
export const keptVersionSchema = z.extend(versionSchema, { case: document });
export const namedSchema = z.object({ name: z.nullable(z.string()) });
export const taggedSchema = z.object({ tags: z.array(z.string()) });
export const tagsSchema = z.array(z.object({ tag: z.string(), cases: z.number() }));
/** A deleted case can be put back for so many days. */
export const TRASH_DAYS = 30;
export const deletedSchema = z.object({ deleted: z.boolean() });
/** Why the server did not do it; with a conflict comes the case as it is there. */
export const refusalSchema = z.object({ message: z.string(), data: z.optional(z.unknown()) });

/** What the server sends while it works a plan out: one JSON object a line. */
export const planLineSchema = z.union([
  z.object({
    progress: z.object({ best: z.nullable(z.number()), bound: z.nullable(z.number()), seconds: z.number() }),
  }),
  z.object({ result: z.custom<PlanResult>((v) => typeof v === "object" && v !== null && "status" in v, "no result") }),
  z.object({ message: z.string() }),
]);

export type KeptCase = z.infer<typeof keptCaseSchema>;
export type KeptVersion = z.infer<typeof versionSchema>;
export type ShelfCase = z.infer<typeof shelfSchema>[number];
