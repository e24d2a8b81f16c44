import { rationalOfDouble, toDouble } from "../numeric";
import { BROKEN, EMPTY, Enclosure, PARTIAL } from "../interval";
import { compileEnclosure, dependsOnVariable, same, subtract, type Expression } from "../formula";
import { isExactlyZero } from "./constant";
import { inline } from "./inline";
import { goingOf } from "./level";
import { limitAt } from "./limits";
import type { CellPart, Doubt, Part, PlacePart } from "./parts";
import { mayReach } from "./rival";
import { spotOfRational, type Spot } from "./spot";
import { areMirrored } from "./symmetry";
import type { FunctionTable } from "./table";
import { areEqualValues, branchAt, valueAt } from "./valueAt";
import { valueOf, type ValueAt } from "./value";
import { withoutNothing } from "./withoutNothing";
import { hullOf, innerPoints, type OpenStretch } from "./zerosIn";
import {
  type Flat,
  type Bound,
  type Attained,
  type Known,
  Taken,
  isIn,
  joinedFlats,
  isContinuous,
  unboundedAt,
  valueOfLimit,
} from "./taken";

/** Holds the values that are taken on a range against the limits that are not. */
export class BestSearch {
  private readonly whole: Expression;
  private readonly taken: Taken[] = [];
  private readonly doubt: Doubt[] = [];
  /** cells with a limit that is taken nowhere, as far as is known */
  private readonly ends: { cell: CellPart; side: 1 | -1 }[] = [];

  constructor(
    e: Expression,
    private readonly table: FunctionTable,
    private readonly parts: readonly Part[],
    private readonly sense: 1 | -1,
    private readonly isRepeated: boolean,
  ) {
    this.whole = inline(e, table);
    parts.forEach((p, i) => this.look(p, i));
  }

  private look(p: Part, i: number): void {
    switch (p.kind) {
      case "open":
      case "stairs":
        this.doubt.push(p.kind === "open" ? p : hullOf(p));
        return;
      case "quiet":
        this.doubt.push({ ...hullOf(p), values: p.values });
        return;
      case "place":
        this.lookAtPlace(p, i);
        return;
      case "cell":
        this.lookAtCell(p, i);
    }
  }

  private cellAt(i: number): CellPart | null {
    const p = this.parts[i];
    return p?.kind === "cell" ? p : null;
  }

  private valueAtPlace(p: PlacePart, i: number): ValueAt {
    const inner = p.because === "zero" ? (this.cellAt(i - 1)?.formulas[0] ?? this.cellAt(i + 1)?.formulas[0]) : null;
    return inner ? valueOf(inner, p.spot, this.table) : valueAt(this.whole, p.spot, this.table);
  }

  private lookAtPlace(p: PlacePart, i: number): void {
    if (this.isRepeated && i === this.parts.length - 1 && i > 0) return;
    const value = this.valueAtPlace(p, i);
    if (value.kind === "none") return;
    if (value.kind === "open" || !Number.isFinite(value.lo) || !Number.isFinite(value.hi)) {
      this.doubt.push({ lo: p.spot.lo, hi: p.spot.hi });
      return;
    }
    const isEnd = (p.because === "range" && !this.isRepeated) || this.breaksAt(i);
    this.taken.push(new Taken(value, { spot: p.spot, kind: isEnd ? "endpoint" : "interior" }));
  }

  /** Whether a side of a place is cut off, or joined by a jump. */
  private breaksAt(i: number): boolean {
    const p = this.parts[i];
    if (p?.kind !== "place" || p.because === "zero") return false;
    return this.isCutOff(this.cellAt(i + 1), p) || this.isCutOffBefore(i, p);
  }
  private isCutOff(cell: CellPart | null, p: PlacePart): boolean {
    return !cell?.formulas[0] || !this.joins(cell.formulas[0], p.spot);
  }
  /** Before the first period lies another one, which ends as this one does. */
  private isCutOffBefore(i: number, p: PlacePart): boolean {
    const last = this.parts.length - 1;
    const end = this.parts[last];
    if (i > 0 || !this.isRepeated || last === 0 || end?.kind !== "place") return this.isCutOff(this.cellAt(i - 1), p);
    return this.isCutOff(this.cellAt(last - 1), end);
  }
  /** Whether a formula goes on to the very value that the function has at a spot. */
  private joins(f: Expression, spot: Spot): boolean {
    const there = branchAt(this.whole, spot, this.table);
    if (typeof there === "string") return false;
    // Where a continuous function has a value, it comes to that value.
    if (isContinuous(this.whole)) return true;
    const near = compileEnclosure(f, this.table.enclosure)(new Enclosure(spot.lo, spot.hi));
    const isSound = !(near.flags & (EMPTY | PARTIAL | BROKEN));
    if (same(there, f) && isSound) return true;
    const [a, b] = [valueOf(there, spot, this.table), valueAt(f, spot, this.table)];
    if (a.kind !== "value" || b.kind !== "value" || !isSound || a.hi < b.lo || b.hi < a.lo) return false;
    return areEqualValues(a, b);
  }

  private lookAtCell(cell: CellPart, i: number): void {
    const f = cell.formulas[0];
    if (!f) return;
    const going = dependsOnVariable(f) ? goingOf(f, cell, this.table) : "level";
    const level = going === "level" ? this.levelOf(f, cell) : null;
    if (going !== "monotone" && !level) this.doubt.push(hullOf(cell));
    if (level) {
      const [before, after] = [this.parts[i - 1], this.parts[i + 1]];
      const flat: Flat = {
        lo: cell.from?.at ?? -Infinity,
        hi: cell.to?.at ?? Infinity,
        from: cell.from,
        to: cell.to,
        closedLo: before?.kind === "place",
        closedHi: after?.kind === "place",
      };
      this.taken.push(new Taken(level, flat));
      return;
    }
    for (const side of [1, -1] as const) {
      const end = side > 0 ? cell.from : cell.to;
      const place = this.parts[side > 0 ? i - 1 : i + 1];
      const isInner = place?.kind === "place" && place.because === "zero";
      if (end && (isInner || (place?.kind === "place" && this.joins(f, end)))) continue;
      this.ends.push({ cell, side });
    }
  }

  /** The value of a formula that is constant on its cell; null where it is not known. */
  private levelOf(f: Expression, cell: CellPart): Known | null {
    const inner = innerPoints(cell)[0];
    const v = inner === undefined ? null : valueOf(f, spotOfRational(rationalOfDouble(inner)), this.table);
    return v?.kind === "value" ? v : null;
  }

  // ---- judging -----------------------------------------------------------------------------------------------

  private worth(t: { low: number; high: number }): number {
    return this.sense > 0 ? t.low : -t.high;
  }
  private hope(t: { low: number; high: number }): number {
    return this.sense > 0 ? t.high : -t.low;
  }

  result():
    | Attained
    | { status: "unbounded" | "approached"; bound: Bound }
    | { status: "undefined" }
    | { status: "unsettled"; open: readonly OpenStretch[] } {
    if (this.taken.length === 0 && this.ends.length === 0)
      return this.doubt.length > 0 ? { status: "unsettled", open: this.doubt } : { status: "undefined" };
    const level = this.taken.reduce((m, t) => Math.max(m, this.worth(t)), -Infinity);
    const { top, infinite, open } = this.limits(level);
    if (infinite) return { status: "unbounded", bound: infinite };
    // What stays below a limit is no rival of anything that comes closer to it.
    const least = top ? Math.max(level, this.worth(top.bound)) : level;
    const isDoubtToo = (o: OpenStretch) => this.doubt.some((d) => d.lo <= o.lo && d.hi >= o.hi);
    const doubt = [...open.filter((o) => !isDoubtToo(o)), ...this.doubt].filter((d) =>
      mayReach(d, this.whole, this.table, (v) => this.hope({ low: v.lo, high: v.hi }) >= least),
    );
    const rivals = this.taken.filter((t) => this.hope(t) >= level);
    const beyond = top && this.beats(top.bound, rivals);
    if (beyond === "yes" && top)
      return doubt.length > 0 ? { status: "unsettled", open: doubt } : { status: "approached", bound: top.bound };
    if (beyond === "unclear" && top) doubt.push(top.stretch);
    if (rivals.length === 0) return { status: "unsettled", open: doubt };
    return this.attained(rivals, doubt);
  }

  /** The best of the limits that are taken nowhere; an infinite one ends the matter. */
  private limits(level: number): { top: TopLimit | null; infinite: Bound | null; open: OpenStretch[] } {
    const found: TopLimit[] = [];
    const open: OpenStretch[] = [];
    for (const { cell, side } of this.ends) {
      const end = side > 0 ? cell.from : cell.to;
      const f = cell.formulas[0]!;
      if (!this.cellMayBeat(f, cell, level)) continue;
      const room = cell.from && cell.to ? cell.to.lo - cell.from.hi : 1;
      const limit = limitAt(f, end, end ? side : (-side as 1 | -1), room, this.table);
      const bound = { at: end ? end.at : null, side: (end ? side : -side) as 1 | -1 };
      if (limit.kind === "infinite") {
        if (limit.sign === this.sense) return { top: null, infinite: unboundedAt(bound, this.sense), open };
        continue;
      }
      const stretch = end
        ? { lo: end.lo, hi: end.hi }
        : side > 0
          ? { lo: -Infinity, hi: cell.to?.hi ?? 0 }
          : { lo: cell.from?.lo ?? 0, hi: Infinity };
      if (limit.kind !== "open") found.push({ stretch, bound: { ...valueOfLimit(limit), ...bound } });
      else if (this.hope({ low: limit.lo, high: limit.hi }) > level) open.push(end ? hullOf(cell) : stretch);
    }
    return { top: this.topOf(found), infinite: null, open };
  }

  /** The limit that surely comes furthest, known no better than any that may come further still. */
  private topOf(found: readonly TopLimit[]): TopLimit | null {
    if (found.length === 0) return null;
    const top = found.reduce((a, b) => (this.worth(b.bound) > this.worth(a.bound) ? b : a));
    const hope = Math.max(...found.map((t) => this.hope(t.bound)));
    if (hope <= this.hope(top.bound)) return top;
    const { low, high } = this.sense > 0 ? { low: top.bound.low, high: hope } : { low: -hope, high: top.bound.high };
    return { ...top, bound: { ...top.bound, value: low + (high - low) / 2, low, high, form: null } };
  }

  private cellMayBeat(f: Expression, cell: CellPart, level: number): boolean {
    const { lo, hi } = hullOf(cell);
    const v = compileEnclosure(f, this.table.enclosure)(new Enclosure(lo, hi));
    return !!(v.flags & EMPTY) || !(this.hope({ low: v.lo, high: v.hi }) < level);
  }

  /** Whether a limit lies beyond all values that are taken. */
  private beats(top: Bound, rivals: readonly Taken[]): "yes" | "no" | "unclear" {
    if (rivals.every((t) => this.hope(t) < this.worth(top))) return "yes";
    if (rivals.some((t) => this.worth(t) >= this.hope(top))) return "no";
    return rivals.some((t) => t.form && top.form && isExactlyZero(subtract(t.form, top.form))) ? "no" : "unclear";
  }

  private attained(rivals: readonly Taken[], doubt: OpenStretch[]): Attained {
    const exact =
      rivals.flatMap((t) => (t.exact ? [t.exact] : [])).sort((a, b) => b.compare(a) * this.sense)[0] ?? null;
    // What is proven to be worse by fractions is out; of the rest, one is the best, and what is not proven equal to it
    // is doubt.
    const left = rivals.filter((t) => !exact || !t.exact || t.exact.compare(exact) === 0);
    const first = left.reduce((a, b) => (this.worth(b) > this.worth(a) ? b : a));
    const best = left.filter((t) => t === first || this.areOne(t, first));
    const unclear = left.filter((t) => !best.includes(t));
    const open = [
      ...doubt,
      ...unclear.map((t) => ("spot" in t.at ? { lo: t.at.spot.lo, hi: t.at.spot.hi } : { lo: t.at.lo, hi: t.at.hi })),
    ];
    const flat = joinedFlats(best);
    const points = best.flatMap((t) => ("spot" in t.at ? [t.at] : []));
    const alone = points.filter((p) => !flat.some((f) => isIn(p.spot, f)));
    const low = Math.max(...best.map((t) => t.low));
    const high = Math.min(...best.map((t) => t.high));
    const known = best.find((t) => t.exact)?.exact ?? null;
    return {
      status: "attained",
      best: alone
        .map(({ spot, kind }) => ({ at: spot.at, lo: spot.lo, hi: spot.hi, kind, exact: spot.exact, spot }))
        .sort((a, b) => a.at - b.at),
      value: known ? toDouble(known) : low + (high - low) / 2,
      low,
      high,
      exactValue: known,
      form: best.find((t) => t.form)?.form ?? null,
      flat,
      complete: open.length === 0,
      open,
    };
  }

  /** Whether two values are proven equal: as numbers, or by a symmetry of the function. */
  private areOne(a: Taken, b: Taken): boolean {
    if (areEqualValues(a, b)) return true;
    return (
      "spot" in a.at && "spot" in b.at && areMirrored(withoutNothing(this.whole), a.at.spot, b.at.spot, this.table)
    );
  }
}

interface TopLimit {
  readonly stretch: OpenStretch;
  readonly bound: Bound;
}
