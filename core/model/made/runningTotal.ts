import { ratio, rationalOfDouble, toDouble, type Rational } from "../../numeric";
import { BROKEN, EMPTY, Enclosure, NOTHING, iv } from "../../interval";
import { encloseRational, type Expression } from "../../formula";
import { UNKNOWN, stretchTotal, type FunctionTable, type StretchTotal } from "../../solve";
import type { ModelVariable } from "../model";

/** A range is parted as if it were at least so wide. */
const LEAST_WIDTH = 1e-6;

/** Stretches that the range of a total is parted into. */
const STRETCHES = 32;

/** Stretches added up one by one; what lies further away is not known. */
const MOST_STRETCHES = 2_000;

const ANYTHING = new Enclosure(-Infinity, Infinity);

/** ∫ f from `from` to x for any f: the sums over whole stretches, and over the last up to x. */
export function runningTotal(
  e: Expression,
  table: FunctionTable,
  from: Rational,
  variable: ModelVariable | undefined,
): { number: (x: number) => number; enclosure: (x: Enclosure) => Enclosure } {
  const width = variable?.from && variable.to ? toDouble(variable.to.sub(variable.from)) : 16;
  const total = new Total(e, table, from, 2 ** Math.round(Math.log2(Math.max(width, LEAST_WIDTH) / STRETCHES)));
  const f = e.kind === "call" ? table.enclosure(e.name, e.order) : () => NOTHING;
  return {
    number: (x) => {
      const v = total.upTo(x);
      return v.flags & EMPTY ? NaN : v.lo + (v.hi - v.lo) / 2;
    },
    enclosure: (x) => {
      if (x.flags & EMPTY) return NOTHING;
      if (!Number.isFinite(x.lo) || !Number.isFinite(x.hi)) return UNKNOWN;
      if (x.lo === x.hi) return total.upTo(x.lo);
      const slope = f(x);
      // What only rises, or only falls, takes its bounds at the ends.
      if (!slope.flags && (slope.lo >= 0 || slope.hi <= 0)) {
        const [first, last] = [total.upTo(x.lo), total.upTo(x.hi)];
        // What has a value at one end has one all along, bounded on one side at least.
        const [from, to] = [first, last].map((v) => (v.flags ? ANYTHING : v)) as [Enclosure, Enclosure];
        const isKnown = !first.flags || !last.flags;
        if (isKnown) return slope.lo >= 0 ? new Enclosure(from.lo, to.hi) : new Enclosure(to.lo, from.hi);
      }
      // Where what is summed jumps, has no value or no bound, its sum is read off on both sides of the place.
      const isTame = !slope.flags && Number.isFinite(slope.lo) && Number.isFinite(slope.hi);
      const narrow = isTame ? null : total.upToAny(x);
      if (narrow) return narrow;
      const m = x.lo + (x.hi - x.lo) / 2;
      const middle = total.upTo(m);
      // A total without value at one input has none at another only where what lies between them can be summed.
      if (middle.flags & EMPTY && !isTame) return UNKNOWN;
      // Where what is summed jumps, its sum does not.
      const steepness = new Enclosure(slope.lo, slope.hi, slope.flags & ~BROKEN);
      return iv.add(middle, iv.multiply(steepness, iv.subtract(x, new Enclosure(m, m))));
    },
  };
}

/** The sums of a function from one input on, each stretch taken apart when it is first asked for. */
class Total {
  private readonly start: number;
  private readonly ends = new Map<number, { readonly exact: Rational; readonly lo: number; readonly hi: number }>();
  private readonly stretches = new Map<number, StretchTotal>();
  /** sums up to the left end of each stretch, by its number */
  private readonly sums = new Map<number, Enclosure>([[0, new Enclosure(0, 0)]]);

  constructor(
    private readonly e: Expression,
    private readonly table: FunctionTable,
    private readonly from: Rational,
    private readonly width: number,
  ) {
    this.start = toDouble(from);
  }

  /** ∫ from the start to x */
  upTo(x: number): Enclosure {
    const home = this.homeOf(x);
    if (home === null) return UNKNOWN;
    const { exact, lo, hi } = this.end(home);
    const isEnd = x >= lo && x <= hi && exact.compare(rationalOfDouble(x)) === 0;
    if (isEnd && home === 0 && this.stretch(0).isNothing && this.stretch(-1).isNothing) return NOTHING;
    return isEnd ? this.sumTo(home) : iv.add(this.sumTo(nearEnd(home)), this.stretch(home).upTo(x));
  }

  /** The same for all inputs of a narrow box, beside places too; null where that is not known. */
  upToAny(x: Enclosure): Enclosure | null {
    const home = this.homeOf(x.lo);
    if (home === null || x.hi > this.end(home + 1).lo) return null;
    const rest = this.stretch(home).upToAny(x);
    return rest && iv.add(this.sumTo(nearEnd(home)), rest);
  }

  /** The stretch an input lies on, by its number; null where that is too far away. */
  private homeOf(x: number): number | null {
    const k = Math.floor((x - this.start) / this.width);
    if (!(Math.abs(k) <= MOST_STRETCHES)) return null;
    // The double may stand a rounding beside an end of its stretch.
    return this.isBefore(x, k) ? k - 1 : this.isBefore(x, k + 1) ? k : k + 1;
  }
  /** Whether an input lies before the left end of a stretch. */
  private isBefore(x: number, k: number): boolean {
    const { exact, lo, hi } = this.end(k);
    return x < lo || (x <= hi && rationalOfDouble(x).compare(exact) < 0);
  }

  /** The left end of a stretch, as a fraction and between doubles. */
  private end(k: number): { readonly exact: Rational; readonly lo: number; readonly hi: number } {
    const known = this.ends.get(k);
    if (known) return known;
    const exact = this.from.add(rationalOfDouble(this.width).mul(ratio(k)));
    const { lo, hi } = encloseRational(exact);
    const made = { exact, lo, hi };
    this.ends.set(k, made);
    return made;
  }
  private stretch(k: number): StretchTotal {
    const known = this.stretches.get(k);
    if (known) return known;
    const [near, far] = k < 0 ? [k + 1, k] : [k, k + 1];
    const made = stretchTotal(this.e, this.table, this.end(near).exact, this.end(far).exact);
    this.stretches.set(k, made);
    return made;
  }
  /** ∫ from the start to an end, filled up from there, so that no recursion goes deep. */
  private sumTo(k: number): Enclosure {
    const side = Math.sign(k);
    let at = k;
    while (!this.sums.has(at)) at -= side;
    let sum = this.sums.get(at)!;
    for (; at !== k; at += side) {
      sum = iv.add(sum, this.stretch(side > 0 ? at : at - 1).whole);
      this.sums.set(at + side, sum);
    }
    return sum;
  }
}

/** The end of a stretch that is closer to the start of the total, from which it is summed. */
const nearEnd = (k: number): number => (k < 0 ? k + 1 : k);
