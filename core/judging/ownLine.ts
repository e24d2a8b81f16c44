import { plainLine } from "../entry";
import {
  dependsOnVariable,
  latexName,
  latexOf,
  resolve,
  type Expression,
  type NamedNumber,
  type Names,
} from "../formula";
import { Enclosure } from "../interval";
import { encloseConstant, exactRational, inline } from "../solve";
import { NONE, anyOf, bodyOf, equation, type Equation, type Statement } from "../working";
import type { Model } from "../model";
import type { Region } from "./inequality";

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
  /** inputs for which relations hold */
  | { readonly kind: "region"; readonly region: Region; readonly latex: string }
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

/** What the names of a line mean: the unknown, and the case. */
export interface Reading {
  readonly x: string;
  readonly model: Model;
  /** a given that is looked for */
  readonly isGiven: boolean;
  /** numbers that lines above gave names of their own */
  readonly own: Map<string, NamedNumber>;
}

const WORDS_BEFORE = /^(?:(?:so|then|thus|hence|therefore|and|i\.e\.)\b[,:]?|[⇒⟹→∴•\-–]\s(?=\S)|\(?\d+[).]\s)\s*/iu;
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

/** `x < 2 or x > 3`, `2 < x <= 3`: the inputs of several relations, joined. */
function regionLine(plain: string, reading: Reading): OwnLine {
  const parts = plain.split(/\s*(?:\bor\b|∨)\s*/iu).map((part) => {
    const joined = part.split(/\s*(?:\band\b|∧|,|;)\s*/iu).map((chain) => chainOf(chain, reading));
    const bad = joined.find((c) => typeof c === "string");
    return (
      bad ?? {
        kind: "and" as const,
        of: (joined as Chain[]).map((c) => c.region),
        latex: joined.map((c) => (c as Chain).latex),
      }
    );
  });
  const bad = parts.find((p) => typeof p === "string");
  if (typeof bad === "string") return { kind: "refused", message: bad };
  const list = parts as { kind: "and"; of: Region[]; latex: string[] }[];
  const latex = list.map((p) => p.latex.join(" \\text{ and } ")).join(" \\quad\\text{or}\\quad ");
  return { kind: "region", region: { kind: "or", of: list }, latex };
}
interface Chain {
  readonly region: Region;
  readonly latex: string;
}
const SIGNS: Readonly<Record<string, readonly ("<" | "<=" | ">" | ">=")[]>> = {
  "<": ["<"],
  "<=": ["<="],
  "≤": ["<="],
  ">": [">"],
  ">=": [">="],
  "≥": [">="],
  "=": ["<=", ">="],
};
const TEX_SIGNS: Readonly<Record<string, string>> = { "<=": "\\le", "≤": "\\le", ">=": "\\ge", "≥": "\\ge" };

function chainOf(text: string, reading: Reading): Chain | string {
  const pieces = text.split(/(<=|>=|[<>≤≥≠=])/u).map((piece) => piece.trim());
  const signs = pieces.filter((_, i) => i % 2 === 1);
  const sides = pieces
    .filter((_, i) => i % 2 === 0)
    .map((side) => (side === "" ? "A side is empty." : readSide(side, reading)));
  const bad = sides.find((side) => typeof side === "string");
  if (typeof bad === "string") return bad;
  if (signs.length === 0 || !signs.every((sign) => Object.hasOwn(SIGNS, sign)))
    return "This is no relation that is judged here: <, ≤, >, ≥ and = are.";
  const list = sides as Side[];
  const of = signs.flatMap((shown, i) =>
    SIGNS[shown]!.map((sign): Region => ({
      kind: "relation",
      left: list[i]!.expression,
      sign,
      right: list[i + 1]!.expression,
    })),
  );
  const latex = list.map((side, i) => side.latex + (signs[i] ? ` ${TEX_SIGNS[signs[i]!] ?? signs[i]!} ` : "")).join("");
  return { region: { kind: "and", of }, latex };
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
  return { value: Number(last.replace("−", "-")), places: m[1]?.length ?? 0, isExact };
}

interface Side {
  readonly expression: Expression;
  readonly latex: string;
}
function readSide(text: string, reading: Reading): Side | string {
  const names = namesFor(reading);
  let first: string | null = null;
  for (const t of [text, withoutUnit(text, names)]) {
    const read = resolve(t, names, "writing");
    if (read.expression) return { expression: opened(read.expression, reading.model), latex: latexOf(read.syntax!) };
    first ??= read.problems[0]?.message ?? "This line could not be read.";
  }
  return first!;
}

/** `$12.50`, `17 lanterns`: the number alone, where what follows is no name of the case. */
function withoutUnit(text: string, names: Names): string {
  const plain = text.replace(/[$€£¥]/gu, "");
  const unit = /(?<=\d)\s*%?\s*(\p{L}[\p{L}/ ²³]*)$/u.exec(plain);
  const words = unit?.[1]!.split(/[^\p{L}]+/u) ?? [];
  const isName = (w: string) => w === names.variable || names.givens.has(w) || names.functions.has(w);
  return unit && !words.some(isName) ? plain.slice(0, unit.index) : plain;
}

function namesFor({ x, model, isGiven, own }: Reading): Names {
  const givens = new Map([...own, ...model.names.givens]);
  if (isGiven) givens.delete(x);
  return { ...model.names, givens, variable: x };
}

/** Functions of the case written out. */
function opened(e: Expression, model: Model): Expression {
  const replaced = inline(e, model.table);
  if (e.kind === "call" && e.order === 0 && e.a.kind === "variable") return bodyOf(e.name, model) ?? replaced;
  return replaced;
}
