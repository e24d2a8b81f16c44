import { plainLine } from "../entry";
import { latexOf, resolve, type Expression, type Names } from "../formula";
import { inline } from "../solve";
import { NONE, anyOf, bodyOf, equation, type Equation, type Statement } from "../working";
import type { Model } from "../model";

/** A number that was typed with so many decimal places, and may be rounded. */
export interface Rounded {
  readonly value: number;
  readonly places: number;
  /** typed with = instead of ≈ */
  readonly isExact: boolean;
}

/** A line a student wrote, read. */
export type OwnLine =
  | { readonly kind: "blank" }
  | { readonly kind: "refused"; readonly message: string }
  | {
      readonly kind: "statement";
      readonly statement: Statement;
      /** x = 3.14: what the unknown is told to be, in decimals; null where the line is no list of such */
      readonly rounded: readonly Rounded[] | null;
      /** a chain a = b = c: sides that are told to be equal beside the first two */
      readonly equal: readonly (readonly [Expression, Expression])[];
      /** the left side is a function of the case by its name */
      readonly isNamed: boolean;
      /** typeset as it was typed; null where that is words */
      readonly latex: string | null;
    }
  /** an expression alone, or after "=": the line above, written in another way */
  | {
      readonly kind: "expression";
      readonly expression: Expression;
      /** after "=": the line above goes on */
      readonly isGoingOn: boolean;
      readonly latex: string | null;
    };

/** What the names of a line mean: the unknown, and the case. */
export interface Reading {
  readonly x: string;
  readonly model: Model;
  /** a given that is looked for */
  readonly isGiven: boolean;
}

const WORDS_BEFORE = /^(?:(?:so|then|thus|hence|therefore|and|i\.e\.)\b[,:]?|[⇒⟹→∴•\-–]\s(?=\S)|\(?\d+[).]\s)\s*/iu;
const NO_SOLUTION = /^(?:no (?:real )?solutions?|none|∅|\{\}|never)$/iu;

export function readOwnLine(text: string, reading: Reading): OwnLine {
  let plain = plainLine(
    text.replace(/^\s*(?:⇒|⟹|=>|\\Rightarrow|\\implies|\\iff|⇔|&=?)\s*/u, (m) => (m.includes("&=") ? "= " : "")),
  );
  for (let again = true; again;) {
    const shorter = plain.replace(WORDS_BEFORE, "");
    again = shorter !== plain;
    plain = shorter;
  }
  if (plain === "") return { kind: "blank" };
  if (NO_SOLUTION.test(plain)) return statement([], NONE);
  if (/[<>≤≥≠]/u.test(plain))
    return { kind: "refused", message: "Equations are judged here, and what they are made of; no inequalities yet." };
  const parts = withBothSigns(plain.split(/\s*(?:\bor\b|\band\b|∨|;)\s*/iu).flatMap((p) => listed(p, reading.x)));
  const read = parts.map((p) => readPart(p, reading));
  const bad = read.find((r) => typeof r === "string");
  if (typeof bad === "string") return { kind: "refused", message: bad };
  const list = read as Part[];
  const only = list.length === 1 ? list[0]! : null;
  if (only && only.sides.length === 1)
    return { kind: "expression", expression: only.sides[0]!, isGoingOn: /^\s*=/u.test(plain), latex: only.latex };
  if (list.some((p) => p.sides.length < 2)) return { kind: "refused", message: "Each part of a list is an equation." };
  return statement(list, anyOf(list.map((p): Equation => equation(p.sides[0]!, p.sides[1]!))));
}

interface Part {
  readonly sides: readonly Expression[];
  readonly rounded: Rounded | null;
  readonly isNamed: boolean;
  readonly latex: string;
}

function statement(list: readonly Part[], of: Statement): OwnLine {
  const rounded = list.map((p) => p.rounded);
  return {
    kind: "statement",
    statement: of,
    rounded: list.length > 0 && rounded.every((r) => r !== null) ? (rounded as Rounded[]) : null,
    equal: list.flatMap((p) => p.sides.slice(2).map((s, i) => [p.sides[i + 1]!, s] as const)),
    isNamed: list.length === 1 && list[0]!.isNamed,
    latex: list.length === 0 ? null : list.map((p) => p.latex).join(" \\quad\\text{or}\\quad "),
  };
}

/** `x = 2, x = 3` and `x = 2, 3` as two parts. */
function listed(part: string, x: string): string[] {
  const pieces = part.split(/\s*,\s+(?=\S)|,(?=\s*\p{L}[\p{L}\d_]*\s*[=≈])/u);
  if (pieces.length < 2) return [part];
  const sign = /[=≈]/u.exec(pieces[0]!)?.[0] ?? "=";
  return pieces.map((p) => (/[=≈]/u.test(p) ? p : `${x} ${sign} ${p}`));
}
const withBothSigns = (parts: readonly string[]): string[] =>
  parts.flatMap((p) => (p.includes("±") ? [p.replaceAll("±", "-"), p.replaceAll("±", "+")] : [p]));

function readPart(part: string, reading: Reading): Part | string {
  const sides = part
    .replace(/^\s*=/u, "")
    .split(/[=≈]/u)
    .map((s) => s.trim());
  if (sides.some((s) => s === "")) return "One side of this equation is empty.";
  const read = sides.map((s) => readSide(s, reading));
  const bad = read.find((r) => typeof r === "string");
  if (typeof bad === "string") return bad;
  const list = (read as Side[]).map((r) => r.expression);
  const typeset = (read as Side[]).map((r) => r.latex);
  const sign = part.includes("≈") ? " \\approx " : " = ";
  const before = typeset.length > 1 ? `${typeset.slice(0, -1).join(" = ")}${sign}` : /^\s*=/u.test(part) ? "= " : "";
  return {
    latex: before + typeset.at(-1)!,
    sides: list,
    rounded: roundedOf(sides, part, list),
    isNamed: /^\p{L}[\p{L}\d_]*'*\s*\(\s*\p{L}[\p{L}\d_]*\s*\)$/u.test(sides[0]!),
  };
}

/** The last side of `x = … = 3.14`, as a decimal of so many places. */
function roundedOf(sides: readonly string[], part: string, read: readonly Expression[]): Rounded | null {
  const last = sides[sides.length - 1]!.replace(/,(?=\d{3}\b)/g, "").replace(/\s+/g, "");
  const m = /^[-−]?\d+(?:\.(\d+))?$/u.exec(last);
  if (!m || read[0]?.kind !== "variable") return null;
  const isExact = !part.includes("≈");
  if (isExact && m[1] === undefined) return null;
  return { value: Number(last.replace("−", "-")), places: m[1]?.length ?? 0, isExact };
}

interface Side {
  readonly expression: Expression;
  readonly latex: string;
}
function readSide(text: string, { x, model, isGiven }: Reading): Side | string {
  const names = namesFor(x, model, isGiven);
  const tried = [
    text,
    text.replace(new RegExp(`(?<![\\p{L}\\d_])${x}_?[0-9₀-₉](?![\\p{L}\\d_])`, "gu"), x),
    withoutUnit(text),
  ];
  let first: string | null = null;
  for (const t of tried) {
    const read = resolve(t, names, "writing");
    if (read.expression) return { expression: opened(read.expression, model), latex: latexOf(read.syntax!) };
    first ??= read.problems[0]?.message ?? "This line could not be read.";
  }
  return first!;
}

const withoutUnit = (text: string): string =>
  text.replace(/[$€£¥]/gu, "").replace(/(?<=\d)\s*(?:%?\s*\p{L}[\p{L}/ ²³]*)$/u, "");

function namesFor(x: string, model: Model, isGiven: boolean): Names {
  if (!isGiven) return { ...model.names, variable: x };
  const givens = new Map([...model.names.givens].filter(([name]) => name !== x));
  return { ...model.names, givens, variable: x };
}

/** Functions of the case written out. */
function opened(e: Expression, model: Model): Expression {
  const replaced = inline(e, model.table);
  if (e.kind === "call" && e.order === 0 && e.a.kind === "variable") return bodyOf(e.name, model) ?? replaced;
  return replaced;
}
