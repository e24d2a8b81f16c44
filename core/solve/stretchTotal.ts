import { poly, rationalOfDouble, type Polynomial, type Rational } from "../numeric";
import { EMPTY, Enclosure, NOTHING, PARTIAL, iv, up } from "../interval";
import { compileEnclosure, encloseRational, type Expression } from "../formula";
import { endIntegral } from "./endIntegral";
import { integrate, type Integral } from "./integrate";
import { partition } from "./partition";
import type { CellPart } from "./parts";
import { polynomialForm } from "./rationalForm";
import { leavesOf, type Leaf, type Room } from "./seriesIntegral";
import { spotOfRational, type Spot } from "./spot";
import type { FunctionTable } from "./table";

/** ∫ of a function from the start of a stretch to any input of it. */
export interface StretchTotal {
  /** over all of it */
  readonly whole: Enclosure;
  /** @param x  on the stretch */
  upTo(x: number): Enclosure;
  /** The same for all inputs of a narrow box on the stretch, beside places too; null where that is not known. */
  upToAny(x: Enclosure): Enclosure | null;
}

/** Leaves a stretch may be cut into; where more are needed its sums are not known. */
const MOST_LEAVES = 1000;
/** Wanted width of a sum, relative to the size of what is summed. */
const REL_TOL = 1e-11;

/** What may be any number, or none: work that was given up proves nothing. */
export const UNKNOWN = new Enclosure(-Infinity, Infinity, PARTIAL);

/** What a sum is known to lie in; nothing only where it provably does not exist. */
const boundsOf = (sum: Integral): Enclosure =>
  sum.ok ? new Enclosure(sum.low, sum.high) : sum.reason === "work" ? UNKNOWN : NOTHING;

/** The totals of `e` over a stretch: taken apart once, so that each sum is read off a series. */
export function stretchTotal(e: Expression, table: FunctionTable, from: Rational, to: Rational): StretchTotal {
  const leaves = summedLeaves(e, table, from, to);
  if (leaves === "work") return { whole: UNKNOWN, upTo: () => UNKNOWN, upToAny: () => null };
  const alone = (end: Rational) => boundsOf(integrate(e, table, spotOfRational(from), spotOfRational(end)));
  return {
    whole: leaves?.whole ?? alone(to),
    upTo: (x) => leaves?.upTo(x) ?? alone(rationalOfDouble(x)),
    upToAny: (x) => leaves?.upToAny(x) ?? null,
  };
}

/** A leaf, what is summed on it, and the sums of all before it and up to the place behind it. */
interface Summed {
  readonly leaf: Leaf;
  readonly f: Expression;
  readonly before: Enclosure;
  behind: Enclosure;
}

/**
 * All leaves of a stretch, one after the other; null where one part of it has no value, or more is to be known of it.
 */
function summedLeaves(e: Expression, table: FunctionTable, from: Rational, to: Rational) {
  const room: Room = { cells: MOST_LEAVES };
  const list: Summed[] = [];
  let sum = new Enclosure(0, 0);
  for (const part of partition([e], table, { from: spotOfRational(from), to: spotOfRational(to) })) {
    if (part.kind === "place") continue;
    const f = part.kind === "cell" ? part.formulas[0] : null;
    const cell = f ? cellLeaves(f, part as CellPart, table, room) : null;
    if (!cell || cell === "work") return cell;
    sum = iv.add(sum, cell.head);
    for (const leaf of cell.leaves) {
      const before = sum;
      sum = iv.add(before, leaf.sum);
      list.push({ leaf, f: f!, before, behind: sum });
    }
    sum = iv.add(sum, cell.tail);
    list[list.length - 1]!.behind = sum;
  }
  return {
    whole: sum,
    upTo: (x: number) => readOff(list, x) ?? readOver(list, new Enclosure(x, x), table),
    upToAny: (x: Enclosure) => readOver(list, x, table),
  };
}

/** The last leaf that begins at or before an input, by its number; the first where none does. */
function leafAt(list: readonly Summed[], x: number): number {
  let [low, high] = [0, list.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (list[middle]!.leaf.lo <= x) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The sum up to an input; null where that lies on no leaf. */
function readOff(list: readonly Summed[], x: number): Enclosure | null {
  const home = list[leafAt(list, x)];
  return home && home.leaf.lo <= x && x <= home.leaf.hi ? iv.add(home.before, home.leaf.upTo(x)) : null;
}

/** The sums up to all inputs of a box that reaches over two leaves at most, and what lies between them. */
function readOver(list: readonly Summed[], x: Enclosure, table: FunctionTable): Enclosure | null {
  const [first, last] = [leafAt(list, x.lo), leafAt(list, x.hi)];
  const [a, b] = [list[first], list[last]];
  if (!a || !b || last > first + 1 || x.lo < a.leaf.lo || (x.hi > b.leaf.hi && !list[last + 1])) return null;
  const parts: Enclosure[] = [];
  for (const home of first === last ? [a] : [a, b]) {
    const [lo, hi] = [Math.max(x.lo, home.leaf.lo), Math.min(x.hi, home.leaf.hi)];
    if (lo > hi) continue;
    const slope = compileEnclosure(home.f, table.enclosure)(new Enclosure(lo, hi));
    if (slope.flags & EMPTY) return null;
    const rise = iv.multiply(new Enclosure(slope.lo, slope.hi), new Enclosure(0, up(hi - lo)));
    parts.push(iv.add(iv.add(home.before, home.leaf.upTo(lo)), rise));
  }
  // From the end of one leaf to the place, and from there to the next, the sum only rises or only falls.
  for (const i of new Set([first, last])) {
    const [left, right] = [list[i]!, list[i + 1]];
    if (right && x.hi > left.leaf.hi && x.lo < right.leaf.lo)
      parts.push(upToEnd(left), left.behind, right.before, iv.add(right.before, right.leaf.upTo(right.leaf.lo)));
  }
  if (parts.some((p) => p.flags)) return null;
  return new Enclosure(Math.min(...parts.map((p) => p.lo)), Math.max(...parts.map((p) => p.hi)));
}

const upToEnd = ({ leaf, before }: Summed): Enclosure => iv.add(before, leaf.upTo(leaf.hi));

interface CellLeaves {
  /** what lies before the first leaf, and behind the last */
  readonly head: Enclosure;
  readonly tail: Enclosure;
  readonly leaves: readonly Leaf[];
}

function cellLeaves(f: Expression, cell: CellPart, table: FunctionTable, room: Room): CellLeaves | "work" | null {
  // Every cell of a range with two ends has two ends.
  const [from, to] = [cell.from!, cell.to!];
  const p = polynomialForm(f);
  if (p && from.rational && to.rational) {
    const nothing = new Enclosure(0, 0);
    return { head: nothing, tail: nothing, leaves: [new PolynomialLeaf(p, from.rational, to.rational)] };
  }
  const width = to.lo - from.hi;
  const head = endIntegral(f, from, 1, width, table);
  const tail = endIntegral(f, to, -1, width, table);
  if (typeof head === "string" || typeof tail === "string") return null;
  const middle = leavesOf(f, table, head.edge, tail.edge, REL_TOL, room);
  if ("near" in middle) return "work";
  const nothing = new Enclosure(0, 0);
  return {
    head: head.within ? nothing : head.sum,
    tail: tail.within ? nothing : tail.sum,
    leaves: [
      ...(head.within ? [headLeaf(from, head.edge, head.sum, head.within)] : []),
      ...middle,
      ...(tail.within ? [tailLeaf(to, tail.edge, tail.sum, tail.within)] : []),
    ],
  };
}

type Within = (distance: Enclosure) => Enclosure;
/** What lies beside a place from which on a function is summed, without bound there. */
const headLeaf = ({ lo, hi }: Spot, edge: number, sum: Enclosure, within: Within): Leaf => ({
  lo: hi,
  hi: edge,
  sum,
  upTo: (x) => within(iv.subtract(new Enclosure(x, x), new Enclosure(lo, hi))),
});
/** What lies beside a place up to which a function is summed: all of it, less what is still to come. */
const tailLeaf = ({ lo, hi }: Spot, edge: number, sum: Enclosure, within: Within): Leaf => ({
  lo: edge,
  hi: lo,
  sum,
  upTo: (x) => iv.subtract(sum, within(iv.subtract(new Enclosure(lo, hi), new Enclosure(x, x)))),
});

/** A polynomial between fractions: every sum is exact. */
class PolynomialLeaf implements Leaf {
  readonly lo: number;
  readonly hi: number;
  readonly sum: Enclosure;
  private readonly whole: Polynomial;
  private readonly start: Rational;

  constructor(p: Polynomial, from: Rational, to: Rational) {
    this.whole = poly.antiderivative(p);
    this.start = poly.valueAt(this.whole, from);
    this.lo = encloseRational(from).hi;
    this.hi = encloseRational(to).lo;
    this.sum = this.upToExactly(to);
  }

  private upToExactly(x: Rational): Enclosure {
    return encloseRational(poly.valueAt(this.whole, x).sub(this.start));
  }
  upTo(x: number): Enclosure {
    return this.upToExactly(rationalOfDouble(x));
  }
}
