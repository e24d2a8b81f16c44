import * as z from "zod";

/** Most of each that the brief of one case may hold. */
const MOST = { rows: 200, blocks: 1000, runs: 2000 } as const;
const short = z.string().max(300).optional();
const name = z.string().min(1).max(80);

const run = z.union([
  z.strictObject({ text: z.string().max(20_000), bold: z.boolean().optional(), italic: z.boolean().optional() }),
  z.strictObject({ math: z.string().max(20_000) }),
  z.strictObject({ given: name }),
  z.strictObject({ finding: z.string().min(1).max(80), show: z.enum(["at", "value", "whole", "says"]) }),
]);
const runs = z.array(run).max(MOST.runs);
const block = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("paragraph"), runs }),
  z.strictObject({ kind: z.literal("heading"), runs }),
  z.strictObject({ kind: z.literal("list"), ordered: z.boolean().optional(), items: z.array(runs).max(MOST.blocks) }),
]);
/** The write-up of a case: what is said over it, and its parts in order. */
export const briefSchema = z.strictObject({
  heading: short,
  about: short,
  author: short,
  date: z.string().max(80).optional(),
  sheet: z.enum(["a4", "letter"]).optional(),
  rows: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(80),
        off: z.boolean().optional(),
        captions: z.record(z.string().max(100), z.string().max(300)).optional(),
        graphs: z.boolean().optional(),
        blocks: z.array(block).max(MOST.blocks).optional(),
      }),
    )
    .max(MOST.rows)
    .optional(),
});
