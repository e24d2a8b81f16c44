import { ceiling, floorOf, ratio, rationalOfDouble, toDouble, type Rational } from "../../numeric";
import { EMPTY, Enclosure } from "../../interval";
import { compileEnclosure, dependsOnVariable, type Expression } from "../../formula";
import {
  areEqualValues,
  compareSpots,
  inline,
  limitAt,
  spotOfRational,
  valueAt,
  type CellPart,
  type Doubt,
  type FunctionTable,
  type Part,
  type Range,
  type Spot,
  type ValueAt,
} from "../../solve";

/** Value at a whole input. */
export const valueAtWhole = (e: Expression, table: FunctionTable, n: Rational): ValueAt =>
  valueAt(e, spotOfRational(n), table);

/**
 * The whole numbers on both sides of a spot, or the one it is; of an irrational spot beside a whole number, that number
 * is one of them.
 */
export function wholeNeighbours(s: Spot): { below: Rational; above: Rational } {
  if (s.rational) return { below: floorOf(s.rational), above: floorOf(s.rational.neg()).neg() };
  const [lo, hi] = [floorOf(rationalOfDouble(s.lo)), floorOf(rationalOfDouble(s.hi))];
  return lo.compare(hi) === 0 ? { below: lo, above: lo.add(ratio(1)) } : { below: hi, above: hi };
}

export interface BestWhole {
  /** every whole input with the best value */
  readonly best: readonly { readonly at: number; readonly n: Rational; readonly value: number }[];
  /** proven: no other whole input is as good */
  readonly complete: boolean;
}

interface Rival {
  readonly n: Rational;
  readonly v: ValueAt & { kind: "value" };
}

/** Most whole inputs of a level stretch that are listed. */
const MOST_LISTED = 5000;
/** Whole inputs within which every one is tried, before a stretch is left in doubt. */
const MAX_TRIED = 4000;

/**
 * The best whole inputs of a range that is taken apart so that the function is monotone on every cell: only the first
 * and the last whole number of each can be best. They are compared by fractions or proven bounds; a tie of bounds is
 * doubt.
 * @returns null where there is no best one: values go on getting better far out
 */
export function bestWhole(
  e: Expression,
  table: FunctionTable,
  parts: readonly Part[],
  range: Range,
  sense: 1 | -1,
): BestWhole | null {
  const search = new WholeSearch(inline(e, table), table, range, sense);
  for (const p of parts) search.look(p);
  return search.result(parts);
}

class WholeSearch {
  private readonly tried = new Set<string>();
  private best: Rival[] = [];
  private isClear = true;
  private readonly unseen: Doubt[] = [];
  /** cells with one value throughout */
  private readonly levels: CellPart[] = [];
  private readonly first: Rational | null;
  private readonly last: Rational | null;

  constructor(
    private readonly e: Expression,
    private readonly table: FunctionTable,
    range: Range,
    private readonly sense: 1 | -1,
  ) {
    this.first = range.from && this.wholeBeside(range.from, 1);
    this.last = range.to && this.wholeBeside(range.to, -1);
  }

  /** The first whole number at or above the start of a range, or the last at or below its end. */
  private wholeBeside(end: Spot, side: 1 | -1): Rational {
    const outer = end.rational ?? rationalOfDouble(side > 0 ? end.lo : end.hi);
    const n = side > 0 ? ceiling(outer) : floorOf(outer);
    const order = end.rational ? 0 : compareSpots(spotOfRational(n), end, this.table);
    // It may lie within the bounds of an end that is no fraction, and then on either side of it.
    if (order === null) this.isClear = false;
    return order === -side ? n.add(ratio(side)) : n;
  }

  look(p: Part): void {
    if (p.kind === "place") this.around(p.spot);
    else if (p.kind === "cell") {
      if (!p.formulas[0]) return;
      if (!dependsOnVariable(p.formulas[0])) this.levels.push(p);
      if (p.from) this.around(p.from);
      if (p.to) this.around(p.to);
      // Far out on both sides, a cell holds every whole number.
      if (!p.from && !p.to) this.try(ratio(0));
    } else if (p.kind === "open") this.unseen.push(p);
    else {
      const hull = { lo: p.from?.lo ?? -Infinity, hi: p.to?.hi ?? Infinity };
      this.unseen.push(p.kind === "quiet" ? { ...hull, values: p.values } : hull);
    }
  }

  private around(s: Spot): void {
    const [lo, hi] = [floorOf(rationalOfDouble(s.lo)), floorOf(rationalOfDouble(s.hi))];
    for (const base of lo.compare(hi) === 0 ? [lo] : [lo, hi])
      for (const by of [-1, 0, 1]) this.try(base.add(ratio(by)));
  }

  private try(n: Rational): void {
    if ((this.first && n.compare(this.first) < 0) || (this.last && n.compare(this.last) > 0)) return;
    const key = n.toFraction();
    if (this.tried.has(key)) return;
    this.tried.add(key);
    const v = valueAtWhole(this.e, this.table, n);
    if (v.kind === "none") return;
    if (v.kind === "open" || !Number.isFinite(v.lo) || !Number.isFinite(v.hi)) {
      this.isClear = false;
      return;
    }
    this.add({ n, v });
  }

  private add(r: Rival): void {
    const top = this.best[0];
    if (!top) {
      this.best = [r];
      return;
    }
    const order = this.compare(r.v, top.v);
    if (order === null) this.isClear = false;
    else if (order > 0) this.best = [r];
    else if (order === 0) this.best.push(r);
  }
  private compare(a: ValueAt & { kind: "value" }, b: ValueAt & { kind: "value" }): -1 | 0 | 1 | null {
    if (a.lo > b.hi) return this.sense;
    if (b.lo > a.hi) return -this.sense as -1 | 1;
    if (a.exact && b.exact) return (Math.sign(a.exact.compare(b.exact)) * this.sense) as -1 | 0 | 1;
    return areEqualValues(a, b) ? 0 : null;
  }

  result(parts: readonly Part[]): BestWhole | null {
    for (const u of this.unseen) this.search(u);
    if (this.best.length === 0) return null;
    if (this.isBeatenFarOut(parts)) return null;
    for (const level of this.levels) this.fill(level);
    const best = this.best
      .sort((a, b) => a.n.compare(b.n))
      .map(({ n, v }) => ({ at: toDouble(n), n, value: v.exact ? toDouble(v.exact) : v.lo + (v.hi - v.lo) / 2 }));
    return { best, complete: this.isClear };
  }

  /** All whole inputs of a level cell, where the first of them is among the best. */
  private fill({ from, to }: CellPart): void {
    const first = from ? floorOf(rationalOfDouble(from.hi)).add(ratio(1)) : null;
    const last = to ? floorOf(rationalOfDouble(to.lo).neg()).neg().sub(ratio(1)) : null;
    const end = first ?? last;
    if (!end || !this.best.some((r) => r.n.compare(end) === 0)) return;
    if (!first || !last || last.sub(first).compare(ratio(MOST_LISTED)) > 0) {
      this.isClear = false;
      return;
    }
    for (let n = first; n.compare(last) <= 0; n = n.add(ratio(1))) this.try(n);
  }

  private hope = (v: { lo: number; hi: number }): number => (this.sense > 0 ? v.hi : -v.lo);
  private level = (): number => {
    const v = this.best[0]?.v;
    return v ? (this.sense > 0 ? v.lo : -v.hi) : -Infinity;
  };

  /** Whole inputs of a stretch that was not taken apart: those that bounds do not exclude are tried one by one. */
  private search(u: Doubt): void {
    if (u.values && this.hope(u.values) < this.level()) return;
    const enclosure = compileEnclosure(this.e, this.table.enclosure);
    const lo = Math.max(Math.ceil(u.lo), this.first ? toDouble(this.first) : -Infinity);
    const hi = Math.min(Math.floor(u.hi), this.last ? toDouble(this.last) : Infinity);
    const stack: [number, number][] = lo <= hi ? [[lo, hi]] : [];
    let count = 0;
    while (stack.length > 0) {
      const [a, b] = stack.pop()!;
      const v = enclosure(new Enclosure(a, b));
      if (v.flags & EMPTY || this.hope(v) < this.level()) continue;
      if (++count > MAX_TRIED || !Number.isSafeInteger(a) || !Number.isSafeInteger(b)) {
        this.isClear = false;
        return;
      }
      if (b - a < 4) for (let n = a; n <= b; n++) this.try(ratio(n));
      else {
        const m = Math.floor(a + (b - a) / 2);
        stack.push([a, m], [m + 1, b]);
      }
    }
  }

  /**
   * Whether values towards infinity come to more than the best whole input gives; where that is not known, it is doubt.
   */
  private isBeatenFarOut(parts: readonly Part[]): boolean {
    for (const p of parts) {
      const f = p.kind === "cell" ? p.formulas[0] : null;
      if (p.kind !== "cell" || !f) continue;
      for (const side of [1, -1] as const) {
        if (side > 0 ? p.to : p.from) continue;
        const limit = limitAt(f, null, side, 1, this.table);
        if (limit.kind === "infinite") {
          if (limit.sign === this.sense) return true;
        } else if (this.hope(limit) > this.level()) {
          if (limit.kind === "finite" && (this.sense > 0 ? limit.lo : -limit.hi) > this.level()) return true;
          this.isClear = false;
        }
      }
    }
    return false;
  }
}
