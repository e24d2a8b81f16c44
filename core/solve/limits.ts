import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero, up } from "../interval";
import { compileEnclosure, dependsOnVariable, wholeNumber, type Expression } from "../formula";
import { isZero } from "../numeric";
import { encloseConstant } from "./encloseConstant";
import { grows, vanishes, type Term } from "./growth";
import { Leading } from "./leading";
import type { Approach } from "./directTerms";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";
import { totalGrowth } from "./totalTails";
import { valueOf } from "./value";

/** What a function comes to from one side of a place, or far out. */
export type Limit =
  | { readonly kind: "finite"; readonly lo: number; readonly hi: number; readonly form: Expression | null }
  | { readonly kind: "infinite"; readonly sign: 1 | -1 }
  /** not decided; if it has values nearby, they lie in lo … hi */
  | { readonly kind: "open"; readonly lo: number; readonly hi: number };

/** How close is looked, as powers of two of the room there is. */
const CLOSER = [0, 12, 26, 40, 80, 320];
/** How far out is looked, as powers of two. */
const FARTHER = [8, 16, 30, 48, 80, 320];
const MOST_DELTA = 1 / 16;

/**
 * The one-sided limit of a smooth formula at a spot (side 1: from above), or at plus (side 1) or minus infinity for a
 * null spot.
 * @param room  how far the formula holds beyond the spot, in x-unit
 */
export function limitAt(e: Expression, spot: Spot | null, side: 1 | -1, room: number, table: FunctionTable): Limit {
  if (!dependsOnVariable(e)) return finite(encloseConstant(e), e);
  if (spot) {
    const near = compileEnclosure(e, table.enclosure)(new Enclosure(spot.lo, spot.hi));
    if (!(near.flags & (EMPTY | PARTIAL | BROKEN)) && Number.isFinite(near.lo) && Number.isFinite(near.hi)) {
      const v = valueOf(e, spot, table);
      if (v.kind === "value") return { kind: "finite", lo: v.lo, hi: v.hi, form: v.form };
    }
  }
  let within: Limit = { kind: "open", lo: -Infinity, hi: Infinity };
  for (const approach of approaches(spot, side, room)) {
    const term = new Leading(approach, table).of(e);
    const found = term && limitOf(term);
    // From further out what a total comes to is known more closely.
    const isKnown = found && found.kind !== "open" && !(term.settles && isWide(found));
    if (isKnown) return found;
    if (found && (within.kind === "open" || (found.kind === "finite" && width(found) < width(within)))) within = found;
  }
  const growth = spot || within.kind === "finite" ? null : totalGrowth(e, side, table);
  if (growth) return { kind: "infinite", sign: growth };
  return within;
}

/** How closely a total has to be known that comes to a number, relative to it, for no further look. */
const SETTLED = 1e-12;
const width = (l: Limit): number => ("lo" in l ? l.hi - l.lo : 0);
const isWide = (l: Limit): boolean => "lo" in l && width(l) > SETTLED * Math.max(Math.abs(l.lo), Math.abs(l.hi));

/** Sides of a place, each closer than the last. */
export function approaches(spot: Spot | null, side: 1 | -1, room: number): Approach[] {
  if (!spot) return FARTHER.map((k) => ({ spot, side, delta: 2 ** -k }));
  const widest = Math.min(MOST_DELTA, room / 2);
  return CLOSER.map((k) => ({ spot, side, delta: widest * 2 ** -k })).filter((a) => a.delta > 0);
}

/** Bounds of all values that a smooth formula has beyond an edge, towards infinity; null where none are known. */
export function boundsBeyond(e: Expression, edge: number, side: 1 | -1, table: FunctionTable): Enclosure | null {
  if (!(side * edge >= 1 / MOST_DELTA)) return null;
  const leading = new Leading({ spot: null, side, delta: up(1 / (side * edge)) }, table);
  const term = leading.of(e);
  return term && leading.rangeOf(term);
}

function limitOf(t: Term): Limit {
  if (vanishes(t)) return { kind: "finite", lo: 0, hi: 0, form: wholeNumber(0) };
  if (grows(t)) {
    if (!containsZero(t.c)) return { kind: "infinite", sign: t.c.lo > 0 ? 1 : -1 };
    return { kind: "open", lo: t.c.lo >= 0 ? 0 : -Infinity, hi: t.c.hi <= 0 ? 0 : Infinity };
  }
  if (!isZero(t.r) || !isZero(t.s) || t.w) return { kind: "open", lo: -Infinity, hi: Infinity };
  if (!t.lead && t.settles) return { kind: "finite", lo: t.c.lo, hi: t.c.hi, form: null };
  if (!t.lead) return { kind: "open", lo: t.c.lo, hi: t.c.hi };
  return finite(encloseConstant(t.lead), t.lead, t.c);
}

function finite(v: Enclosure, form: Expression, within: Enclosure = new Enclosure(-Infinity, Infinity)): Limit {
  if (v.flags & EMPTY) return { kind: "open", lo: within.lo, hi: within.hi };
  return { kind: "finite", lo: Math.max(v.lo, within.lo), hi: Math.min(v.hi, within.hi), form };
}
