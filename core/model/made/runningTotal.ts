import { poly, ratio, rationalOfDouble, toDouble, type Polynomial, type Rational } from "../../numeric";
import { EMPTY, Enclosure, NOTHING, PARTIAL, iv } from "../../interval";
import type { Expression } from "../../formula";
import {
  integrate,
  polynomialExpression,
  spotOfRational,
  type FunctionTable,
  type Integral,
  type Piece,
} from "../../solve";
import type { ModelVariable } from "../model";

/** A range is parted as if it were at least so wide. */
const LEAST_WIDTH = 1e-6;

/** The pieces of a running total of a function whose parts are polynomials: joined without a jump, and 0 at `from`. */
export function totalPieces(
  parts: readonly { from: Rational | null; to: Rational | null }[],
  polynomials: readonly (Polynomial | null)[],
  from: Rational,
): Piece[] {
  const home = parts.findIndex(
    (p, i) => polynomials[i] && (!p.from || p.from.compare(from) <= 0) && (!p.to || p.to.compare(from) >= 0),
  );
  if (home < 0) return [];
  const whole = polynomials.map((p) => p && poly.antiderivative(p));
  const constants: (Rational | null)[] = parts.map(() => null);
  constants[home] = poly.valueAt(whole[home]!, from).neg();
  const at = (i: number, x: Rational) => poly.valueAt(whole[i]!, x).add(constants[i]!);
  for (let i = home + 1; i < parts.length && whole[i] && constants[i - 1]; i++)
    constants[i] = at(i - 1, parts[i]!.from!).sub(poly.valueAt(whole[i]!, parts[i]!.from!));
  for (let i = home - 1; i >= 0 && whole[i] && constants[i + 1]; i--)
    constants[i] = at(i + 1, parts[i]!.to!).sub(poly.valueAt(whole[i]!, parts[i]!.to!));
  return parts.flatMap((p, i) => {
    const constant = constants[i];
    if (!whole[i] || !constant) return [];
    const expression = polynomialExpression(poly.add(whole[i]!, poly.constant(constant)));
    return [
      {
        expression,
        from: p.from,
        to: p.to,
        low: p.from ? toDouble(p.from) : -Infinity,
        high: p.to ? toDouble(p.to) : Infinity,
        closedFrom: true,
        closedTo: i === parts.length - 1 || !constants[i + 1],
      },
    ];
  });
}

/** Cells of the table a running total is read from. */
const TOTAL_CELLS = 256;

/** Cells added up one by one; what lies further away is not known. */
const MOST_CELLS = 20_000;

/** What may be any number, or none: work that was given up proves nothing. */
const UNKNOWN = new Enclosure(-Infinity, Infinity, PARTIAL);

/** What a sum is known to lie in; nothing only where it provably does not exist. */
const boundsOf = (sum: Integral): Enclosure =>
  sum.ok ? new Enclosure(sum.low, sum.high) : sum.reason === "work" ? UNKNOWN : NOTHING;

/** ∫ f from `from` to x for any f: proven sums up to grid points, and a bound of f times the rest of the way. */
export function runningTotal(
  e: Expression,
  table: FunctionTable,
  from: Rational,
  variable: ModelVariable | undefined,
): { number: (x: number) => number; enclosure: (x: Enclosure) => Enclosure } {
  const memo = new Map<number, Enclosure>();
  const width = variable?.from && variable.to ? toDouble(variable.to.sub(variable.from)) : 16;
  const cell = rationalOfDouble(2 ** Math.round(Math.log2(Math.max(width, LEAST_WIDTH) / TOTAL_CELLS)));
  const start = toDouble(from);
  const inner = table.enclosure;
  const knot = (k: number): Enclosure => {
    const known = memo.get(k);
    if (known) return known;
    if (k === 0) return new Enclosure(0, 0);
    const side = Math.sign(k);
    // Fill up from 0 so that no recursion goes deep.
    let sum = new Enclosure(0, 0);
    for (let j = side; ; j += side) {
      const have = memo.get(j);
      if (have) sum = have;
      else {
        const a = from.add(cell.mul(ratio(j - side)));
        const piece = integrate(e, table, spotOfRational(a), spotOfRational(a.add(cell.mul(ratio(side)))));
        sum = iv.add(sum, boundsOf(piece));
        memo.set(j, sum);
      }
      if (j === k) return sum;
    }
  };
  const cellWidth = toDouble(cell);
  const value = (x: number): Enclosure => {
    const k = Math.round((x - start) / cellWidth);
    if (!(Math.abs(k) <= MOST_CELLS)) return UNKNOWN;
    const edge = from.add(cell.mul(ratio(k)));
    const rest = integrate(e, table, spotOfRational(edge), spotOfRational(rationalOfDouble(x)));
    return iv.add(knot(k), boundsOf(rest));
  };
  const f = call0(e, inner);
  return {
    number: (x) => {
      const v = value(x);
      return v.flags & EMPTY ? NaN : v.lo + (v.hi - v.lo) / 2;
    },
    enclosure: (x) => {
      if (x.flags & EMPTY || !Number.isFinite(x.lo) || !Number.isFinite(x.hi))
        return x.flags & EMPTY ? NOTHING : new Enclosure(-Infinity, Infinity);
      if (x.lo === x.hi) return value(x.lo);
      const m = x.lo + (x.hi - x.lo) / 2;
      return iv.add(value(m), iv.multiply(f(x), iv.subtract(x, new Enclosure(m, m))));
    },
  };
}
function call0(
  e: Expression,
  enclosure: (name: string, order: number) => (x: Enclosure) => Enclosure,
): (x: Enclosure) => Enclosure {
  return e.kind === "call" ? enclosure(e.name, e.order) : () => NOTHING;
}
