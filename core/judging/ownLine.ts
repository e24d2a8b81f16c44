import { plainLine } from "../entry";
import { dependsOnVariable, latexName, type Expression } from "../formula";
import { Enclosure } from "../interval";
import { rationalOfTyped, type Rational } from "../numeric";
import { encloseConstant, exactRational } from "../solve";
import { NONE, anyOf, equation, type Equation, type Statement } from "../working";
import type { Model } from "../model";
import { regionLine, type RegionLine } from "./regionLine";
import { readSide, type Reading, type Side } from "./side";

/** A number that was typed with so many decimal places, and may be rounded. */
export interface Rounded {
  readonly value: Rational;
  readonly places: number;
  /** typed with = instead of ≈ */
  readonly isExact: boolean;
}

/** A line a student wrote, read. */
export type OwnLine =
  | { readonly kind: "blank" }
  | { readonly kind: "refused"; readonly message: string }
  | RegionLine
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
  /** a name of one's own for a number, told in one way or several */
  | {
      readonly kind: "named";
      readonly name: string;
      readonly numbers: readonly Expression[];
      readonly latex: string;
    }
  /** an expression alone, or after "=": the line above, written in another way */
  | {
      readonly kind: "expression";
      readonly expression: Expression;
      /** after "=": the line above goes on */
      readonly isGoingOn: boolean;
      readonly latex: string | null;
    };

/** "so", an arrow, a bullet, "2." */
const WORDS_BEFORE = new RegExp(
  String.raw`^(?:(?:so|then|thus|hence|therefore|and|i\.e\.)\b[,:]?|[⇒⟹→∴•\-–]\s(?=\S)|\(?\d+[).]\s)\s*`,
  "iu",
);
const NO_SOLUTION = /^(?:no (?:real )?solutions?|none|∅|\{\}|never)$/iu;

export function readOwnLine(text: string, reading: Reading): OwnLine {
  const plain = stripped(text, reading.x);
  if (plain === "") return { kind: "blank" };
  if (NO_SOLUTION.test(plain)) return statement([], NONE);
  if (/[<>≤≥≠]/u.test(plain)) return regionLine(plain, reading);
  const named = namedNumber(plain, reading);
  if (named) return named;
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

/** A line without arrows and words before it, its unknown without an index, a set of answers as a list. */
function stripped(text: string, x: string): string {
  const arrow = /^\s*(?:⇒|⟹|=>|\\Rightarrow|\\implies|\\iff|⇔|&=?)\s*/u;
  const indexed = new RegExp(
    `(?<![\\p{L}\\d_\\\\])${x}_?\\{?[0-9₀-₉](?:\\s*[,/]\\s*[0-9₀-₉])?\\}?(?=\\s*(?:[=≈]|\\\\approx))`,
    "gu",
  );
  let plain = plainLine(text.replace(arrow, (m) => (m.includes("&=") ? "= " : "")).replace(indexed, x));
  for (let again = true; again;) {
    const shorter = plain.replace(WORDS_BEFORE, "");
    again = shorter !== plain;
    plain = shorter;
  }
  const set = /^(?:\p{Lu}\s*=|\p{L}[\p{L}\d_]*\s*∈)\s*\{([^{}]*)\}$/u.exec(plain);
  if (!set) return plain;
  const items = set[1]!.split(/[;,]/).map((item) => item.trim());
  return items.every((item) => item === "") ? "no solution" : items.map((item) => `${x} = ${item}`).join(" or ");
}

/** `D = 25 - 24 = 1`: a name of one's own for a number. */
function namedNumber(plain: string, reading: Reading): OwnLine | null {
  const m = /^(\p{L}[\p{L}\d_]*)\s*=\s*(.+)$/u.exec(plain);
  const { x, model, own } = reading;
  if (!m || m[1] === x || isKnown(m[1]!, model) || m[1] === "e" || m[1] === "pi") return null;
  const sides = m[2]!.split(/[=≈]/u).map((side) => readSide(side.trim(), reading));
  if (sides.some((s) => typeof s === "string" || dependsOnVariable(s.expression))) return null;
  const list = sides as Side[];
  const { lo, hi } = encloseConstant(list[0]!.expression);
  if (Number.isNaN(lo)) return null;
  own.set(m[1]!, { value: (lo + hi) / 2, exact: exactRational(list[0]!.expression), within: new Enclosure(lo, hi) });
  const latex = [latexName(m[1]!), ...list.map((s) => s.latex)].join(" = ");
  return { kind: "named", name: m[1]!, numbers: list.map((s) => s.expression), latex };
}
const isKnown = (name: string, { names }: Model): boolean =>
  names.givens.has(name) || names.functions.has(name) || names.variables.has(name);

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
  const value = rationalOfTyped(Number(last.replace("−", "-")));
  return value && { value, places: m[1]?.length ?? 0, isExact };
}
