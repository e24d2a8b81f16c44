import { rationalOfDouble } from "../numeric";
import { EMPTY, Enclosure, iv } from "../interval";
import { enclosedNumber } from "../formula/numbers";
import { add } from "../formula/build";
import { compileEnclosure, mapParts, parts, type Expression } from "../formula";
import { isStair } from "./breaking";
import { meanValueBounds } from "./meanValue";
import { partition, type Work } from "./partition";
import { place, type OpenPart, type Part, type QuietPart, type Range, type StairsPart } from "./parts";
import { spotOfRational, type Spot } from "./spot";
import { stepEndBounds } from "./stairEnds";
import { tailFreeOfZeros } from "./tails";
import type { FunctionTable } from "./table";

/** Steps that the stairs of a range may have to be taken apart one by one at once. */
export const FEW_STEPS = 80;
/** Steps on a stretch that are not parted further: few, since often only those next to the best matter. */
const STEPS_TOGETHER = 12;
/** Stretches looked at before the rest is left open. */
const MAX_STRETCHES = 300;

/**
 * Stairs with too many steps to list, one by one only where that matters: elsewhere their bounds are enough.
 * @param matters  whether values in these bounds have to be known exactly
 */
export function openStairs(
  list: readonly Part[],
  table: FunctionTable,
  work: Work,
  matters: (values: Enclosure) => boolean,
): Part[] {
  return list.flatMap((p) => (p.kind === "stairs" ? opened(p, table, work, matters) : [p]));
}

function opened(p: StairsPart, table: FunctionTable, work: Work, matters: (values: Enclosure) => boolean): Part[] {
  const e = p.formulas[0]!;
  const enclosure = compileEnclosure(e, table.enclosure);
  const closer = closerBounds(e, table);
  const left = p.from ? null : tailOf(e, -1, p.to?.lo ?? 0, table);
  const right = p.to ? null : tailOf(e, 1, p.from?.hi ?? 0, table);
  const from = p.from ?? spotOfRational(rationalOfDouble(left!.edge));
  const to = p.to ?? spotOfRational(rationalOfDouble(right!.edge));
  const out: Part[] = [];
  const beyond = (tail: Tail, ends: Range): Part[] =>
    tail.isFew
      ? inside(ends)
      : [tailPart(tail, enclosure(new Enclosure(ends.from?.lo ?? -Infinity, ends.to?.hi ?? Infinity)), ends, matters)];
  const inside = (ends: Range): Part[] =>
    partition([e], table, ends, work).filter((q) => !(q.kind === "place" && q.because === "range"));
  if (left) out.push(...beyond(left, { from: null, to: from }), place(from, "break"));
  const stack: [Spot, Spot][] = [[from, to]];
  let count = 0;
  while (stack.length > 0) {
    const [a, b] = stack.pop()!;
    if (++count > MAX_STRETCHES || work.cells <= 0) {
      out.push({ kind: "open", lo: a.lo, hi: to.hi });
      break;
    }
    const box = new Enclosure(a.lo, b.hi);
    const values = closer(enclosure(box), box);
    const middle = shortMiddle(a.hi, b.lo);
    if (!(values.flags & EMPTY) && !matters(values)) out.push({ kind: "quiet", from: a, to: b, values });
    else if (stepsIn(e, box, table) <= STEPS_TOGETHER || !(middle > a.hi && middle < b.lo)) {
      out.push(...inside({ from: a, to: b }));
    } else {
      const m = spotOfRational(rationalOfDouble(middle));
      stack.push([m, b], [a, m]);
      continue;
    }
    if (b !== to) out.push(place(b, "break"));
  }
  if (right) out.push(place(to, "break"), ...beyond(right, { from: to, to: null }));
  return out;
}

/**
 * A number of few digits well between two others, not quite halfway: halfway lie the very places where something
 * happens, such as the zeros of waves, and a double beside one of them tells nothing.
 */
function shortMiddle(lo: number, hi: number): number {
  const step = 2 ** Math.floor(Math.log2((hi - lo) / 64));
  const short = Math.round((lo + (hi - lo) * 0.45) / step) * step;
  return short > lo && short < hi ? short : lo + (hi - lo) / 2;
}

/** What is known of stairs far out, beyond an edge. */
interface Tail {
  readonly edge: number;
  /** of the values, wherever there are any; 0: not known */
  readonly sign: -1 | 0 | 1;
  /** the steps beyond the edge are few enough to be taken apart one by one */
  readonly isFew: boolean;
}

/** Stairs that level out have few steps left from some edge on; of others their sign may be known. */
function tailOf(e: Expression, side: 1 | -1, start: number, table: FunctionTable): Tail {
  for (const far of FAR_EDGES) {
    const beyond = side > 0 ? new Enclosure(far, Infinity) : new Enclosure(-Infinity, -far);
    if (far > side * start && stepsIn(e, beyond, table) <= FEW_STEPS) return { edge: side * far, sign: 0, isFew: true };
  }
  return { ...tailFreeOfZeros(e, side, start, table), isFew: false };
}
const FAR_EDGES = [4, 6, 8, 10, 12, 15, 20, 30].map((k) => 2 ** k);

/**
 * The stretch beyond which a function keeps its sign wherever it has a value.
 * @param there  whether it has one throughout is told by its bounds there
 */
function tailPart(
  tail: Tail,
  there: Enclosure,
  { from, to }: Range,
  matters: (values: Enclosure) => boolean,
): QuietPart | OpenPart {
  const [lo, hi] = tail.sign > 0 ? [Number.MIN_VALUE, Infinity] : [-Infinity, -Number.MIN_VALUE];
  const values = new Enclosure(lo, hi, there.flags);
  if (tail.sign !== 0 && !matters(values)) return { kind: "quiet", from, to, values };
  return { kind: "open", lo: from ? tail.edge : -Infinity, hi: to ? tail.edge : Infinity };
}

/**
 * Bounds of values on a box, made closer: a step ⌊u⌋ is u less a share of 1, and what is left without steps has a
 * slope. 20000 ln x − ⌊eˣ⌋ lies within 1 of 20000 ln x − eˣ, however many there are; where it goes one way on
 * every step, their ends tell more.
 */
function closerBounds(e: Expression, table: FunctionTable): (values: Enclosure, box: Enclosure) => Enclosure {
  const ways = [meanValueBounds(withoutSteps(e), table), stepEndBounds(e, table)];
  return (values, box) => {
    if (values.flags & EMPTY) return values;
    return ways.reduce((v, way) => overlap(v, way(box)), values);
  };
}

/** What two bounds of the same values have in common; where that is nothing, as rounding may make it, the first. */
function overlap(values: Enclosure, others: Enclosure | null): Enclosure {
  if (!others) return values;
  const [lo, hi] = [Math.max(values.lo, others.lo), Math.min(values.hi, others.hi)];
  return lo <= hi ? new Enclosure(lo, hi, values.flags) : values;
}

/** What a step adds to its argument. */
const ROUNDED = { floor: [-1, 0], ceil: [0, 1], round: [-0.5, 0.5] } as const;

function withoutSteps(e: Expression): Expression {
  if (!isStair(e)) return mapParts(e, withoutSteps);
  const [lo, hi] = ROUNDED[e.name as keyof typeof ROUNDED];
  return add(withoutSteps(e.a), enclosedNumber((lo + hi) / 2, new Enclosure(lo, hi)));
}

/** About how many steps the stairs of a formula take on a box. */
function stepsIn(e: Expression, box: Enclosure, table: FunctionTable): number {
  const own = isStair(e) ? widthOf(compileEnclosure(e.a, table.enclosure)(box)) : 0;
  return parts(e).reduce((sum, p) => sum + stepsIn(p, box, table), own);
}
const widthOf = (v: Enclosure): number =>
  v.flags & EMPTY ? 0 : iv.subtract(new Enclosure(v.hi, v.hi), new Enclosure(v.lo, v.lo)).hi;
