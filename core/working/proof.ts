import { wholeNumber } from "../formula/numbers";
import { add, apply, multiply, power, substitute, subtract } from "../formula/build";
import { dependsOnVariable, wholeExponent, type Expression } from "../formula";
import {
  areMultiples,
  compareSpots,
  constantSign,
  encloseConstant,
  exactRational,
  isExactlyZero,
  isIdenticallyZero,
  findRoots,
  rationalForm,
  signed,
  spotOfConstant,
  termsOf,
  tidied,
  type FunctionTable,
  type Spot,
  type Stretch,
} from "../solve";
import { formatNumber } from "../explain";
import { isInteger, isZero, toDouble, type Polynomial } from "../numeric";
import { answerOf, type Equation, type Setting, type Solutions, type Statement } from "./statement";

/** Whether an input lies on the range; null where it cannot be told from an end. */
export function isOn(s: Spot, { range, table }: Pick<Setting, "range" | "table">): boolean | null {
  const low = range.from ? compareSpots(s, range.from, table) : 1;
  const high = range.to ? compareSpots(s, range.to, table) : -1;
  if (low === -1 || high === 1) return false;
  return low === null || high === null ? null : true;
}

/** The range that statements are proven for: `0 ≤ q ≤ 250`; null: all numbers. */
export function rangeSaid({ range, x }: Setting): string | null {
  const [from, to] = [range.from?.at ?? null, range.to?.at ?? null];
  if (from !== null && to !== null) return `${formatNumber(from)} ≤ ${x} ≤ ${formatNumber(to)}`;
  return from !== null ? `${x} ≥ ${formatNumber(from)}` : to !== null ? `${x} ≤ ${formatNumber(to)}` : null;
}

export function solutionsOf(s: Statement, on: Setting): Solutions {
  const known = on.known.get(s);
  if (known) return known;
  const found = searched(s, on);
  on.known.set(s, found);
  return found;
}

function searched(s: Statement, on: Setting): Solutions {
  if (s.kind === "none") return { spots: [], stretches: [], isWhole: true };
  if (s.kind === "any")
    return joined(
      s.of.map((one) => solutionsOf(one, on)),
      on.table,
    );
  const answer = answerOf(s);
  if (answer) {
    const spot = spotOfConstant(answer);
    const there = Number.isNaN(spot.lo) ? null : isOn(spot, on);
    return { spots: there === true ? [spot] : [], stretches: [], isWhole: there !== null };
  }
  const found = findRoots(subtract(s.left, s.right), on.table, on.range, on.work);
  const isWhole = found.open.length === 0 && found.period === null;
  return { spots: found.roots.map((r) => r.spot), stretches: found.everywhere, isWhole };
}

function joined(list: readonly Solutions[], table: FunctionTable): Solutions {
  const spots: Spot[] = [];
  for (const s of list.flatMap((one) => one.spots))
    if (!spots.some((known) => compareSpots(known, s, table) === 0)) spots.push(s);
  return {
    spots: spots.sort((a, b) => a.at - b.at),
    stretches: list.flatMap((one) => one.stretches),
    isWhole: list.every((one) => one.isWhole),
  };
}

/**
 * How what a line says follows from the one above: it holds at the same inputs; at more of them, so that a check is
 * due; at fewer; at others; or it is not settled.
 */
export interface Relation {
  readonly kind: "same" | "brings" | "loses" | "other" | "open";
  /** inputs that hold before and not after */
  readonly lost: readonly Spot[];
  /** inputs that hold after and not before */
  readonly brought: readonly Spot[];
}
const SAME: Relation = { kind: "same", lost: [], brought: [] };
const UNSETTLED: Relation = { kind: "open", lost: [], brought: [] };

/** What a line says, set against the one above, by all their solutions on the range; proven or open. */
export function relation(before: Statement, after: Statement, on: Setting): Relation {
  if (before.kind === "equation" && after.kind === "equation" && isSameByForm(before, after)) return SAME;
  const isRoot = (s: Spot) => before.kind === "equation" && s.exact !== null && isRootAt(before, s.exact.expression);
  return between(solutionsOf(before, on), solutionsOf(after, on), on.table, isRoot);
}

/**
 * Whether an equation is proven to hold at a number: exactly, or where a sum of logarithms is 0, since the product of
 * what they are of is then 1.
 */
export function isRootAt(eq: Equation, at: Expression): boolean {
  const there = substitute(subtract(eq.left, eq.right), at);
  if (isExactlyZero(there)) return true;
  if (encloseConstant(there).flags) return false;
  let product: Expression = wholeNumber(1);
  let rest: Expression = wholeNumber(0);
  for (const t of termsOf(there)) {
    const log = logarithmOf(signed(t));
    if (!log) rest = add(rest, signed(t));
    else if (constantSign(log.of) !== 1) return false;
    else product = multiply(product, power(log.of, wholeNumber(log.times)));
  }
  return isExactlyZero(subtract(tidied(multiply(product, apply("exp", rest))), wholeNumber(1)));
}
/** n ln(c), with a whole n. */
function logarithmOf(e: Expression): { times: number; of: Expression } | null {
  if (e.kind === "negate") {
    const inner = logarithmOf(e.a);
    return inner && { ...inner, times: -inner.times };
  }
  if (e.kind === "apply") return e.name === "ln" ? { times: 1, of: e.a } : null;
  const n = e.kind === "multiply" ? exactRational(e.a) : null;
  const inner = e.kind === "multiply" && n && isInteger(n) ? logarithmOf(e.b) : null;
  return inner && { ...inner, times: inner.times * toDouble(n!) };
}

/** The same for sets of inputs. */
export function between(
  before: Solutions,
  after: Solutions,
  table: FunctionTable,
  isRoot: (s: Spot) => boolean = () => false,
): Relation {
  if (!before.isWhole || !after.isWhole) return UNSETTLED;
  if (before.stretches.length + after.stretches.length > 0)
    return areSameStretches(before.stretches, after.stretches, table) && before.spots.length + after.spots.length === 0
      ? SAME
      : UNSETTLED;
  // A number that is proven to hold before is the one of its answers that lies where it does.
  const held = new Set(after.spots.filter((s) => neighboursOf(s, before.spots).length === 1 && isRoot(s)));
  const known = (a: Spot, b: Spot) => (held.has(a) || held.has(b)) && neighboursOf(a, [b]).length === 1;
  const lost = missing(before.spots, after.spots, table, known);
  const brought = missing(after.spots, before.spots, table, known);
  if (!lost || !brought) return UNSETTLED;
  const kind = lost.length > 0 ? (brought.length > 0 ? "other" : "loses") : brought.length > 0 ? "brings" : "same";
  return { kind, lost, brought };
}

/** Those of a list that are proven to be none of the others; null where one cannot be told from another. */
function missing(
  list: readonly Spot[],
  others: readonly Spot[],
  table: FunctionTable,
  isKnown: (a: Spot, b: Spot) => boolean,
): Spot[] | null {
  const out: Spot[] = [];
  for (const s of list) {
    const sides = others.map((o) => (isKnown(s, o) ? 0 : compareSpots(s, o, table)));
    if (sides.includes(0)) continue;
    if (sides.includes(null)) return null;
    out.push(s);
  }
  return out;
}

/** Those whose enclosures meet that of a number. */
const neighboursOf = (s: Spot, list: readonly Spot[]): Spot[] => list.filter((o) => o.lo <= s.hi && s.lo <= o.hi);

function areSameStretches(a: readonly Stretch[], b: readonly Stretch[], table: FunctionTable): boolean {
  const isEnd = (p: Spot | null, q: Spot | null) => (p && q ? compareSpots(p, q, table) === 0 : p === q);
  return (
    a.length === b.length &&
    a.every((s, i) => {
      const t = b[i]!;
      return isEnd(s.from, t.from) && isEnd(s.to, t.to) && s.closedLo === t.closedLo && s.closedHi === t.closedHi;
    })
  );
}

/** Whether two equations are multiples of one another by their forms, wherever both have a value. */
export const isSameWhereDefined = (a: Equation, b: Equation): boolean =>
  isSameByAlgebra(a, b) || areMultiples(subtract(a.left, a.right), subtract(b.left, b.right));

/** Two equations that are the same by their forms alone, wherever their solutions lie. */
export function isSameByForm(a: Equation, b: Equation): boolean {
  if (isSameByAlgebra(a, b)) return true;
  if (![a.left, a.right, b.left, b.right].every(hasValueEverywhere)) return false;
  return (
    areMultiples(subtract(a.left, a.right), subtract(b.left, b.right)) || areLogarithms(a, b) || areLogarithms(b, a)
  );
}

/** Both sides of `b` as exponents of e are the sides of `a`: no two exponents give one power. */
const areLogarithms = (a: Equation, b: Equation): boolean =>
  isIdenticallyZero(subtract(a.left, apply("exp", b.left))) &&
  isIdenticallyZero(subtract(a.right, apply("exp", b.right)));

/** Made of sums, products, whole powers, exponentials, sines and numbers alone: it has a value everywhere. */
export function hasValueEverywhere(e: Expression): boolean {
  if (!dependsOnVariable(e)) return encloseConstant(e).flags === 0;
  switch (e.kind) {
    case "variable":
      return true;
    case "add":
    case "subtract":
    case "multiply":
      return hasValueEverywhere(e.a) && hasValueEverywhere(e.b);
    case "negate":
      return hasValueEverywhere(e.a);
    case "divide":
      return (
        !dependsOnVariable(e.b) && constantSign(e.b) !== 0 && constantSign(e.b) !== null && hasValueEverywhere(e.a)
      );
    case "power": {
      const n = wholeExponent(e.b);
      if (n !== null) return n > 0 && hasValueEverywhere(e.a);
      return !dependsOnVariable(e.a) && constantSign(e.a) === 1 && hasValueEverywhere(e.b);
    }
    case "apply":
      return ["exp", "sin", "cos"].includes(e.name) && hasValueEverywhere(e.a);
    default:
      return false;
  }
}

/**
 * Two equations between quotients of polynomials that differ by a number as a factor, and have no value at the same
 * inputs.
 */
function isSameByAlgebra(a: Equation, b: Equation): boolean {
  const [f, g] = [rationalForm(subtract(a.left, a.right)), rationalForm(subtract(b.left, b.right))];
  if (!f || !g || f.divisors.length !== g.divisors.length) return false;
  return (
    areProportional(f.numerator, g.numerator) &&
    areProportional(f.denominator, g.denominator) &&
    f.divisors.every((d, i) => areProportional(d, g.divisors[i]!))
  );
}

function areProportional(p: Polynomial, q: Polynomial): boolean {
  if (p.length !== q.length) return false;
  if (p.length === 0) return true;
  const top = (r: Polynomial) => r[r.length - 1]!;
  return p.every((c, i) => {
    const left = c.mul(top(q));
    const right = q[i]!.mul(top(p));
    return isZero(left.sub(right));
  });
}
