import * as z from "zod";
import type { CaseFile } from "#core/model";
import { briefSchema } from "./brief";
import { sayIssue, type ShapeProblem } from "./problems";

export { pathText } from "./problems";
export type { ShapeProblem } from "./problems";

// Text is never run as code, not even to check faster.
z.config({ jitless: true });

/**
 * The case file, version 1, as the format page fixes it: one schema for browser, server and command line. Unknown keys
 * are errors.
 * What the parts mean together (names, formulas, ranges) is judged by the core; this only knows their shapes.
 */
const finite = z.number();
/** Most of each that one case may hold: far beyond any story, and soon enough to keep a server from drowning. */
const MOST = {
  givens: 5000,
  variables: 1000,
  functions: 2000,
  questions: 2000,
  ownLines: 200,
  ownLine: 2000,
  pieces: 500,
  tables: 100,
  columns: 200,
  rows: 1_000_000,
  marks: 5000,
  planVariables: 20_000,
  constraints: 20_000,
} as const;
const formula = z.string().max(20_000);
const numberText = z.union([finite, z.string().max(2000)]);
const amount = z.union([
  finite,
  z.string().max(2000),
  z.strictObject({ of: z.string(), pick: z.enum(["first", "last", "whole"]).optional() }),
]);
const name = z.string().min(1).max(80);
const unit = z.string().max(80).optional();
const label = z.string().max(300).optional();

const mark = z.strictObject({
  start: z.int().min(0),
  end: z.int().min(0),
  role: z.enum(["given", "relation", "limit", "question"]),
  of: z.string().optional(),
});
const given = z.strictObject({
  name,
  value: finite,
  unit,
  label,
  vary: z.strictObject({ from: finite, to: finite }).optional(),
});
const variable = z.strictObject({
  name,
  unit,
  label,
  from: numberText.optional(),
  to: numberText.optional(),
  whole: z.boolean().optional(),
  since: z.union([z.string(), finite]).optional(),
});
/** Wrong cells that are told one by one. */
const MOST_WRONG = 20;
/** Rows are looked at by hand: there may be 100,000 of them, and as many faults. */
const rows = z
  .array(z.unknown())
  .max(MOST.rows)
  .check(({ value, issues }) => {
    const wrong = (path: PropertyKey[], message: string, input: unknown) => {
      if (issues.length < MOST_WRONG) issues.push({ code: "custom", path, message, input });
    };
    value.forEach((row, i) => {
      if (!Array.isArray(row)) wrong([i], "This should be an array of numbers.", row);
      else
        row.forEach((cell: unknown, j) => {
          if (cell !== null && !Number.isFinite(cell))
            wrong([i, j], "This should be a number, or null for none.", cell);
        });
    });
  })
  .meta({ items: { type: "array", items: { anyOf: [{ type: "number" }, { type: "null" }] } } });
const table = z.strictObject({
  name,
  label,
  columns: z.array(z.strictObject({ name, unit, label })).max(MOST.columns),
  rows,
  left: z.array(z.strictObject({ row: z.int().min(0), reason: z.string().max(300).optional() })).optional(),
});

const by = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("formula"), text: formula }),
  z.strictObject({ kind: z.literal("line"), through: z.array(z.tuple([numberText, numberText])).max(MOST.pieces) }),
  z.strictObject({
    kind: z.literal("pieces"),
    pieces: z
      .array(
        z.strictObject({
          text: formula,
          from: numberText.optional(),
          to: numberText.optional(),
          ends: z.enum(["[]", "[)", "(]", "()"]).optional(),
        }),
      )
      .max(MOST.pieces),
  }),
  z.strictObject({ kind: z.literal("total"), function: name, from: numberText.optional() }),
  z.strictObject({ kind: z.literal("slope"), function: name }),
  z.strictObject({
    kind: z.literal("fit"),
    data: z.string(),
    x: z.string(),
    y: z.string(),
    model: z.enum([
      "linear",
      "proportional",
      "quadratic",
      "cubic",
      "power",
      "exponential",
      "logarithmic",
      "logistic",
      "own",
    ]),
    method: z.enum(["direct", "logs"]).optional(),
    rows: z.strictObject({ from: finite.optional(), to: finite.optional() }).optional(),
    text: formula.optional(),
    start: z.record(z.string(), finite).optional(),
  }),
]);
const functionRow = z.strictObject({
  name,
  of: name,
  unit,
  label,
  by,
  shown: z.boolean().optional(),
  look: z.int().min(0).max(6).optional(),
});

const common = {
  id: z.string().min(1).max(80),
  label,
  from: amount.optional(),
  to: amount.optional(),
  round: z.enum(["up", "down", "nearest", "none"]).optional(),
  working: z.array(z.string().max(MOST.ownLine)).max(MOST.ownLines).optional(),
};
const pair = z.tuple([amount, amount]);
const question = z.discriminatedUnion("ask", [
  z.strictObject({ ...common, ask: z.literal("meet"), functions: z.array(name) }),
  z.strictObject({ ...common, ask: z.literal("reach"), function: name, value: amount }),
  z.strictObject({ ...common, ask: z.literal("reach-any"), function: name, values: z.array(amount).max(100) }),
  z.strictObject({
    ...common,
    ask: z.literal("where"),
    function: name,
    relation: z.enum(["<", "<=", ">", ">="]),
    value: amount,
  }),
  z.strictObject({ ...common, ask: z.literal("greatest"), function: name }),
  z.strictObject({ ...common, ask: z.literal("least"), function: name }),
  z.strictObject({ ...common, ask: z.literal("value"), function: name, at: amount }),
  z.strictObject({
    ...common,
    ask: z.literal("rate"),
    function: name,
    between: pair.optional(),
    at: amount.optional(),
    as: z.literal("percent").optional(),
  }),
  z.strictObject({ ...common, ask: z.literal("total"), function: name, between: pair }),
  z.strictObject({ ...common, ask: z.literal("average"), function: name, between: pair }),
  z.strictObject({ ...common, ask: z.literal("multiply"), function: name, factor: amount, start: amount.optional() }),
  z.strictObject({ ...common, ask: z.literal("compare"), functions: z.array(name) }),
  z.strictObject({
    ...common,
    ask: z.literal("given"),
    given: name,
    range: pair,
    function: name,
    at: amount,
    value: amount,
  }),
]);
const plan = z.strictObject({
  variables: z.array(z.strictObject({ name, unit, label, whole: z.boolean().optional() })).max(MOST.planVariables),
  constraints: z
    .array(z.strictObject({ id: z.string(), text: formula, label, off: z.boolean().optional() }))
    .max(MOST.constraints),
  objective: z.strictObject({ text: formula, sense: z.enum(["greatest", "least"]), unit }).optional(),
});

/** The version of the format that is read and written. */
const VERSION = 1;

export const caseSchema: z.ZodType<CaseFile> = z.strictObject({
  format: z.literal("pasear-case"),
  version: z.literal(VERSION),
  title: z.string().max(300),
  story: z
    .strictObject({
      text: z.string().max(100_000),
      marks: z.array(mark).max(MOST.marks).optional(),
      left: z.array(z.string().max(4000)).max(MOST.marks).optional(),
    })
    .optional(),
  givens: z.array(given).max(MOST.givens).optional(),
  variables: z.array(variable).max(MOST.variables).optional(),
  data: z.array(table).max(MOST.tables).optional(),
  functions: z.array(functionRow).max(MOST.functions).optional(),
  questions: z.array(question).max(MOST.questions).optional(),
  plan: plan.optional(),
  brief: briefSchema.optional(),
  notes: z.unknown().optional(),
}) as z.ZodType<CaseFile>;

/** Checks the shape of a document; every problem is named with its place and what would be right. */
export function readCase(document: unknown): { ok: true; case: CaseFile } | { ok: false; errors: ShapeProblem[] } {
  const newer = newerVersion(document);
  if (newer !== null) return { ok: false, errors: [{ path: "version", message: newer }] };
  const result = caseSchema.safeParse(document);
  if (result.success) return { ok: true, case: result.data };
  return { ok: false, errors: result.error.issues.flatMap((issue) => sayIssue(issue, document)) };
}

/** A case of a version that came after this one may mean anything: it is refused whole, with words. */
function newerVersion(document: unknown): string | null {
  const { format, version } = (document ?? {}) as { readonly format?: unknown; readonly version?: unknown };
  const isNewer = typeof version === "number" && Number.isSafeInteger(version) && version > VERSION;
  return format === "pasear-case" && isNewer
    ? `This case is of version ${version} of the format, and this Pasear reads version ${VERSION}: a newer one does.`
    : null;
}

export const caseJsonSchema = (): unknown => ({
  $id: "/schema/case-v1.json",
  title: "Pasear case, version 1",
  ...(z.toJSONSchema(caseSchema, { unrepresentable: "any" }) as object),
});
