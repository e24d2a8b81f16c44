import { rationalOfDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, NOTHING, PARTIAL, iv, up } from "../interval";
import { compileEnclosure, encloseRational, type Expression } from "../formula";
import { endIntegral, sliverOver, type EndPiece } from "./endIntegral";
import { integrate, type Integral } from "./integrate";
import { partition } from "./partition";
import type { CellPart } from "./parts";
import { PolynomialLeaf } from "./polynomialLeaf";
import { polynomialForm } from "./rationalForm";
import { fineLeaves, leavesTowards, type Leaf, type Room, type Smooth } from "./seriesIntegral";
import { spotOfRational, type Spot } from "./spot";
import type { FunctionTable } from "./table";

/** ∫ of a function from one end of a stretch to any input of it. */
export interface StretchTotal {
  /** to the other end */
  readonly whole: Enclosure;
  /** what is summed provably has no value, or no sum, right beside the end that the sums begin at */
  readonly isNothing: boolean;
  /** @param x  on the stretch */
  upTo(x: number): Enclosure;
  /** The same for all inputs of a narrow box on the stretch, beside places too; null where that is not known. */
  upToAny(x: Enclosure): Enclosure | null;
}

/** Leaves a stretch may be cut into; where more are needed its sums are not known. */
const MOST_LEAVES = 1000;

/** What may be any number, or none: work that was given up proves nothing. */
export const UNKNOWN = new Enclosure(-Infinity, Infinity, PARTIAL);
const NOUGHT = new Enclosure(0, 0);

/** What a sum is known to lie in; nothing only where it provably does not exist. */
const boundsOf = (sum: Integral): Enclosure =>
  sum.ok ? new Enclosure(sum.low, sum.high) : sum.reason === "work" ? UNKNOWN : NOTHING;

/**
 * The totals of `e` from `near` on, taken apart once, so that each sum is read off a series.
 * @param far  the other end, on either side
 */
export function stretchTotal(e: Expression, table: FunctionTable, near: Rational, far: Rational): StretchTotal {
  const { list, whole, isNothing, isHard, isCutOff, nothingFrom } = summedLeaves(e, table, near, far);
  const besideEnds = [
    { end: encloseRational(near), sum: NOUGHT },
    { end: encloseRational(far), sum: whole },
  ];
  // Within rounding of an end no leaf lies: 2.1 is no double, and 1.1 + 1 comes to one beside it.
  const beside = (x: number): Enclosure | null => {
    const here = besideEnds.find(({ end }) => x >= end.lo && x <= end.hi);
    if (!here?.sum) return null;
    const sliver = sliverOver(e, here.end, table);
    return sliver && iv.add(here.sum, iv.hull(sliver, iv.negate(sliver)));
  };
  const isRight = near.compare(far) < 0;
  const isBeyond = (x: number) => nothingFrom !== null && (isRight ? x >= nothingFrom : x <= nothingFrom);
  // Beyond the last leaf something has no value or no bound: what sum there is, is worked out by itself; right beside a
  // pole it is not known.
  const alone = (end: Rational) => boundsOf(integrate(e, table, spotOfRational(near), spotOfRational(end)));
  const upToAny = (x: Enclosure) => readOver(list, x, table);
  return {
    whole: whole ?? (nothingFrom !== null ? NOTHING : isHard && !isCutOff ? UNKNOWN : alone(far)),
    upTo: (x) =>
      isBeyond(x)
        ? NOTHING
        : (readOff(list, x) ??
          upToAny(new Enclosure(x, x)) ??
          beside(x) ??
          (isHard || isCutOff ? UNKNOWN : alone(rationalOfDouble(x)))),
    upToAny,
    isNothing,
  };
}

/** A leaf, what is summed on it, and the sums up to where it begins and to the place behind it. */
interface Summed {
  readonly leaf: Leaf;
  readonly f: Expression;
  readonly before: Enclosure;
  readonly behind: Enclosure;
}

/** Leaves one after the other, as far as what is summed has values and bounds. */
interface SummedLeaves {
  readonly list: readonly Summed[];
  /** the sum of all; null where there is more */
  readonly whole: Enclosure | null;
  /** nothing can be summed from the very beginning */
  readonly isNothing: boolean;
  /** more takes more leaves than there is room for */
  readonly isHard: boolean;
  /** up to the end of a cell nothing can be summed */
  readonly isCutOff: boolean;
  /** from this double on, going on, there is provably no sum */
  readonly nothingFrom: number | null;
}

function summedLeaves(e: Expression, table: FunctionTable, near: Rational, far: Rational): SummedLeaves {
  const isRight = near.compare(far) < 0;
  const [from, to] = (isRight ? [near, far] : [far, near]).map(spotOfRational) as [Spot, Spot];
  const parts = partition([e], table, { from, to }).filter((p) => p.kind !== "place");
  const room: Room = { cells: MOST_LEAVES };
  const list: Summed[] = [];
  const told = (whole: Enclosure | null, how: Partial<SummedLeaves> = {}): SummedLeaves => ({
    list: isRight ? list : list.reverse(),
    whole,
    isNothing: false,
    isHard: false,
    isCutOff: false,
    nothingFrom: null,
    ...how,
  });
  const joined = (a: Enclosure, b: Enclosure) => (isRight ? iv.add(a, b) : iv.subtract(a, b));
  let sum = NOUGHT;
  for (const part of isRight ? parts : parts.reverse()) {
    const f = part.kind === "cell" ? part.formulas[0] : null;
    if (part.kind !== "cell" || !f) return told(null, { isNothing: list.length === 0 && part.kind === "cell" });
    const cell = cellLeaves(f, part, table, room, isRight ? 1 : -1);
    if (!cell.near) return told(null, { isNothing: list.length === 0 && cell.isUnbounded });
    const place = sum;
    sum = joined(sum, cell.near);
    const own = list.length;
    for (const leaf of cell.leaves) {
      const next = joined(sum, leaf.sum);
      list.push({ leaf, f, before: isRight ? sum : next, behind: isRight ? next : sum });
      sum = next;
    }
    if (!cell.far) {
      const nothingFrom = cell.isEndless ? (isRight ? part.to!.hi : part.from!.lo) : null;
      return told(null, { isHard: cell.isHard, isCutOff: cell.isCutOff, nothingFrom });
    }
    sum = joined(sum, cell.far);
    // Behind the rightmost leaf of a cell stands a place.
    const at = isRight ? list.length - 1 : own;
    list[at] = { ...list[at]!, behind: isRight ? sum : place };
  }
  return told(sum);
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
    const start = iv.add(home.before, home.leaf.upTo(lo));
    if (home.leaf.isOneWay) parts.push(start, iv.add(home.before, home.leaf.upTo(hi)));
    else parts.push(iv.add(start, riseOver(home.f, lo, hi, table)));
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

/** What a smooth function adds at most and at least within a few doubles. */
function riseOver(f: Expression, lo: number, hi: number, table: FunctionTable): Enclosure {
  const slope = compileEnclosure(f, table.enclosure)(new Enclosure(lo, hi));
  if (slope.flags & EMPTY) return UNKNOWN;
  return iv.multiply(new Enclosure(slope.lo, slope.hi), new Enclosure(0, up(hi - lo)));
}

const upToEnd = ({ leaf, before }: Summed): Enclosure => iv.add(before, leaf.upTo(leaf.hi));

/** A cell seen from the end that its sums begin with. */
interface CellLeaves {
  /** what lies beside the ends, before the first leaf and behind the last; null where that has no sum, or none known */
  readonly near: Enclosure | null;
  readonly far: Enclosure | null;
  readonly leaves: readonly Leaf[];
  /** there are more leaves than there is room for */
  readonly isHard: boolean;
  /** up to the far end nothing can be summed */
  readonly isCutOff: boolean;
  /** from the near end on nothing can be summed */
  readonly isUnbounded: boolean;
  /** up to the far end there is provably no sum */
  readonly isEndless: boolean;
}
const NO_LEAVES: CellLeaves = {
  near: null,
  far: null,
  leaves: [],
  isHard: false,
  isCutOff: false,
  isUnbounded: false,
  isEndless: false,
};

/** Share of a cell that is left out beside an end up to which nothing can be summed; how many leaves go towards it. */
const [LEFT_OUT, TOWARDS_NOTHING] = [2 ** -48, 400];

/** @param side  1: summed from the left end on, −1: from the right one */
function cellLeaves(f: Expression, cell: CellPart, table: FunctionTable, room: Room, side: 1 | -1): CellLeaves {
  // Every cell of a range with two ends has two ends.
  const [from, to] = [cell.from!, cell.to!];
  const p = polynomialForm(f);
  if (p && from.rational && to.rational) {
    const leaves = [new PolynomialLeaf(p, from.rational, to.rational)];
    return { ...NO_LEAVES, near: NOUGHT, far: NOUGHT, leaves };
  }
  const width = to.lo - from.hi;
  const [head, tail] = [endIntegral(f, from, 1, width, table), endIntegral(f, to, -1, width, table)];
  const start = typeof head === "string" ? from.hi + width * LEFT_OUT : head.edge;
  const end = typeof tail === "string" ? to.lo - width * LEFT_OUT : tail.edge;
  if (!(start < end)) return NO_LEAVES;
  const [near, far] = side > 0 ? [head, tail] : [tail, head];
  if (typeof near === "string") return { ...NO_LEAVES, isUnbounded: near === "unbounded" };
  const isCutOff = typeof far === "string";
  const smooth: Smooth = { f, table, from: start, to: end, side };
  const middle = isCutOff
    ? leavesTowards(smooth, { cells: Math.min(room.cells, TOWARDS_NOTHING) })
    : fineLeaves(smooth, room);
  const isHard = middle.near !== null;
  const improper = [
    typeof head !== "string" && head.within ? headLeaf(from, head.edge, head.sum, head.within) : null,
    typeof tail !== "string" && tail.within ? tailLeaf(to, tail.edge, tail.sum, tail.within) : null,
  ];
  const [first, last] = side > 0 ? improper : improper.reverse();
  const beside = (piece: EndPiece) => (piece.within ? NOUGHT : piece.sum);
  return {
    ...NO_LEAVES,
    near: beside(near),
    far: isCutOff || isHard ? null : beside(far),
    leaves: [...(first ? [first] : []), ...middle.leaves, ...(last && !isHard ? [last] : [])],
    isHard,
    isCutOff,
    isEndless: far === "unbounded",
  };
}

type Within = (distance: Enclosure) => Enclosure;
/** What lies beside a place from which on a function is summed, without bound there. */
const headLeaf = ({ lo, hi }: Spot, edge: number, sum: Enclosure, within: Within): Leaf => ({
  lo: hi,
  hi: edge,
  sum,
  isOneWay: true,
  upTo: (x) => within(iv.subtract(new Enclosure(x, x), new Enclosure(lo, hi))),
});
/** What lies beside a place up to which a function is summed: all of it, less what is still to come. */
const tailLeaf = ({ lo, hi }: Spot, edge: number, sum: Enclosure, within: Within): Leaf => ({
  lo: edge,
  hi: lo,
  sum,
  isOneWay: true,
  upTo: (x) => iv.subtract(sum, within(iv.subtract(new Enclosure(lo, hi), new Enclosure(x, x)))),
});
