import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, mapParts, negate, substitute, subtract } from "../formula/build";
import { Noted, dependsOnVariable, parts, wholeExponent, type Expression } from "../formula";
import { equal, signOf, type Rational } from "../numeric";
import { inline } from "./inline";
import type { FunctionTable, Piece } from "./table";

/** A part of a formula at which it may break: no value, a kink, a jump, another piece. */
export type Breaking = Expression;

/** What a breaking part is within one cell, once the signs of its splitters are known there. */
export type Resolved =
  | { readonly kind: "smooth" }
  | { readonly kind: "undefined" }
  | { readonly kind: "open" }
  | { readonly kind: "replaced"; readonly by: Expression };

const SMOOTH: Resolved = { kind: "smooth" };
const UNDEFINED: Resolved = { kind: "undefined" };
const OPEN: Resolved = { kind: "open" };
const becomes = (by: Expression): Resolved => ({ kind: "replaced", by });

export const isStair = (e: Expression): e is Expression & { kind: "apply" | "flat" } =>
  (e.kind === "apply" && (e.name === "floor" || e.name === "ceil" || e.name === "round")) ||
  (e.kind === "flat" && e.name !== "step");

/** Whether this very part, its own parts aside, may break. */
function breaksItself(e: Expression): boolean {
  switch (e.kind) {
    case "divide":
      return true;
    case "power": {
      const n = wholeExponent(e.b);
      return n === null || n < 0;
    }
    case "root":
    case "min":
    case "max":
    case "choose":
    case "flat":
    case "call":
      return true;
    case "apply":
      return BREAKING_NAMES.has(e.name);
    default:
      return false;
  }
}
const BREAKING_NAMES: ReadonlySet<string> = new Set(
  "ln log10 log2 sqrt cbrt abs tan asin acos floor ceil round step sign".split(" "),
);

const memo = new Noted<boolean>();
/** Whether anything in an expression may break. */
export function mayBreak(e: Expression): boolean {
  if (e.kind === "number" || e.kind === "variable") return false;
  const known = memo.get(e);
  if (known !== undefined) return known;
  return memo.set(e, breaksItself(e) || parts(e).some(mayBreak));
}

/** The innermost part that may break and is not known to be smooth yet; its own parts are. */
export function nextBreaking(e: Expression, cleared: ReadonlySet<Expression>): Breaking | null {
  if (!mayBreak(e) || cleared.has(e)) return null;
  // A number without variable has one value or none; that is settled for it as a whole.
  if (!dependsOnVariable(e)) return e;
  for (const p of e.kind === "choose" ? [e.p, e.q] : parts(e)) {
    const inner = nextBreaking(p, cleared);
    if (inner) return inner;
  }
  if (breaksItself(e)) return e;
  return null;
}

/** All parts that may break. */
export function breakingParts(e: Expression): Expression[] {
  if (!mayBreak(e)) return [];
  const inner = parts(e).flatMap(breakingParts);
  return breaksItself(e) ? [...inner, e] : inner;
}

/** The same expression with one part, found by identity, replaced. */
export function replacePart(e: Expression, part: Expression, by: Expression): Expression {
  if (e === part) return by;
  return mapParts(e, (p) => replacePart(p, part, by));
}

/** The expressions whose zeros part the range into stretches on which a breaking part is smooth, or undefined. */
export function splittersOf(e: Breaking, table: FunctionTable): readonly Expression[] {
  switch (e.kind) {
    case "divide":
      return [e.b];
    case "power":
      return dependsOnVariable(e.a) ? [e.a] : [e.a, e.b];
    case "root":
      return [e.a];
    case "min":
    case "max":
      return [subtract(e.a, e.b)];
    case "choose":
      return [subtract(e.p, e.q)];
    case "flat":
      return [e.a];
    case "call": {
      const d = table.definition(e.name, e.order);
      return d?.kind === "pieces" ? bordersOf(d.pieces).map((b) => subtract(e.a, exactNumber(b))) : [];
    }
    case "apply":
      if (e.name === "tan") return [apply("cos", e.a)];
      if (e.name === "asin" || e.name === "acos") return [subtract(e.a, wholeNumber(1)), add(e.a, wholeNumber(1))];
      return [e.a];
    default:
      return [];
  }
}

/** Inputs at which one piece ends or another begins, in order. */
export function bordersOf(pieces: readonly Piece[]): Rational[] {
  const all = new Map<string, Rational>();
  for (const p of pieces) for (const b of [p.from, p.to]) if (b) all.set(b.toFraction(), b);
  return [...all.values()].sort((a, b) => a.compare(b));
}

type Sign = -1 | 0 | 1;

/** What a breaking part is where its splitters have these signs throughout (0: they are 0 throughout). */
export function resolveBreaking(e: Breaking, signs: readonly Sign[], table: FunctionTable): Resolved {
  const [first = 1, second = 1] = signs;
  switch (e.kind) {
    case "divide":
      return first === 0 ? UNDEFINED : SMOOTH;
    case "power":
      return power(e, first, second);
    case "root":
      return first === 0 ? becomes(wholeNumber(0)) : first < 0 && e.n % 2 === 0 ? UNDEFINED : SMOOTH;
    case "min":
    case "max":
      return becomes(first <= 0 === (e.kind === "min") ? e.a : e.b);
    case "choose":
      return becomes(first <= 0 ? e.a : e.b);
    case "flat":
      return first === 0 ? UNDEFINED : becomes(wholeNumber(0));
    case "call":
      return called(e, signs, table);
    case "apply":
      return applied(e, first, second);
    default:
      return SMOOTH;
  }
}

function power(e: Expression & { kind: "power" }, base: Sign, exponent: Sign): Resolved {
  if (wholeExponent(e.b) !== null) return base === 0 ? UNDEFINED : SMOOTH;
  if (base > 0) return SMOOTH;
  if (base < 0) return UNDEFINED;
  if (!dependsOnVariable(e.a)) return exponent > 0 ? becomes(wholeNumber(0)) : UNDEFINED;
  if (e.b.kind === "number" && e.b.exact) return signOf(e.b.exact) > 0 ? becomes(wholeNumber(0)) : UNDEFINED;
  return OPEN;
}

function applied(e: Expression & { kind: "apply" }, first: Sign, second: Sign): Resolved {
  switch (e.name) {
    case "ln":
    case "log10":
    case "log2":
      return first > 0 ? SMOOTH : UNDEFINED;
    case "sqrt":
      return first < 0 ? UNDEFINED : first === 0 ? becomes(wholeNumber(0)) : SMOOTH;
    case "cbrt":
      return first === 0 ? becomes(wholeNumber(0)) : SMOOTH;
    case "tan":
      return first === 0 ? UNDEFINED : SMOOTH;
    case "asin":
    case "acos":
      if (first > 0 || second < 0) return UNDEFINED;
      return first === 0
        ? becomes(apply(e.name, wholeNumber(1)))
        : second === 0
          ? becomes(apply(e.name, wholeNumber(-1)))
          : SMOOTH;
    case "abs":
      return becomes(first < 0 ? negate(e.a) : first === 0 ? wholeNumber(0) : e.a);
    case "step":
      return becomes(wholeNumber(first < 0 ? 0 : 1));
    case "sign":
      return first === 0 ? UNDEFINED : becomes(wholeNumber(first));
    default:
      return SMOOTH;
  }
}

function called(e: Expression & { kind: "call" }, signs: readonly Sign[], table: FunctionTable): Resolved {
  const d = table.definition(e.name, e.order);
  if (!d) return UNDEFINED;
  if (d.kind !== "pieces") return OPEN;
  const borders = bordersOf(d.pieces);
  const signAt = (b: Rational): Sign => signs[borders.findIndex((x) => equal(x, b))]!;
  const piece = d.pieces.find((p) => {
    const low = p.from ? signAt(p.from) : 1;
    const high = p.to ? signAt(p.to) : -1;
    return (low > 0 || (low === 0 && p.closedFrom)) && (high < 0 || (high === 0 && p.closedTo));
  });
  if (!piece) return UNDEFINED;
  const body = inline(piece.expression, table);
  return becomes(e.a.kind === "variable" ? body : substitute(body, e.a));
}
