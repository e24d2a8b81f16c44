import { subtract, type Expression } from "../formula";
import { compareSpots, spotOfRational, whereRelation, type Relation, type Spot, type Stretch } from "../solve";
import { rationalOfDouble, ratio } from "../numeric";
import type { Setting } from "../working";

/** A set of inputs: those where a relation holds, or several joined by "or" or "and". */
export type Region =
  | { readonly kind: "relation"; readonly left: Expression; readonly sign: Relation; readonly right: Expression }
  | { readonly kind: "or" | "and"; readonly of: readonly Region[] };

/** Two regions of the range set against each other; `at` is an input that belongs to one of them only. */
export type RegionRelation =
  { readonly kind: "same" | "open" } | { readonly kind: "apart"; readonly at: Spot; readonly inFirst: boolean };

/** An input, or all those strictly between two. */
type Element = { readonly at: Spot } | { readonly from: Spot | null; readonly to: Spot | null };

/**
 * Compares two regions exactly: by all ends of all stretches in them, and what lies between. Nothing is said where an
 * end cannot be told from another, or a relation is not settled on the whole range.
 */
export function compareRegions(a: Region, b: Region, on: Setting): RegionRelation {
  const known = new Map<Region, readonly Stretch[]>();
  for (const relation of [...relationsOf(a), ...relationsOf(b)]) {
    const found = whereRelation(subtract(relation.left, relation.right), on.table, on.range, relation.sign, on.work);
    if (found.search.open.length > 0 || found.search.period) return { kind: "open" };
    known.set(relation, found.stretches);
  }
  const ends = sortedEnds([...known.values()].flat(), on);
  if (!ends) return { kind: "open" };
  for (const element of elementsOf(ends)) {
    const [inA, inB] = [a, b].map((region) => holds(region, element, known, on));
    if (inA !== inB) return { kind: "apart", at: inputOf(element), inFirst: inA! };
  }
  return { kind: "same" };
}

type Atom = Extract<Region, { readonly kind: "relation" }>;
const relationsOf = (r: Region): Atom[] => (r.kind === "relation" ? [r] : r.of.flatMap(relationsOf));

/** All ends in order, each once; null where two cannot be told apart. */
function sortedEnds(stretches: readonly Stretch[], { table }: Setting): Spot[] | null {
  const out: Spot[] = [];
  for (const end of stretches.flatMap((s) => [s.from, s.to])) {
    if (!end) continue;
    const sides = out.map((o) => compareSpots(end, o, table));
    if (sides.includes(null)) return null;
    if (!sides.includes(0)) out.splice(sides.filter((side) => side === 1).length, 0, end);
  }
  return out;
}

function elementsOf(ends: readonly Spot[]): Element[] {
  const gaps = [null, ...ends].map((from, i): Element => ({ from, to: ends[i] ?? null }));
  return [gaps[0]!, ...ends.flatMap((at, i): Element[] => [{ at }, gaps[i + 1]!])];
}

function holds(region: Region, element: Element, known: ReadonlyMap<Region, readonly Stretch[]>, on: Setting): boolean {
  if (region.kind === "or") return region.of.some((r) => holds(r, element, known, on));
  if (region.kind === "and") return region.of.every((r) => holds(r, element, known, on));
  return known.get(region)!.some((s) => covers(s, element, on));
}

/** Ends were told apart before: every order is known here. */
function covers(s: Stretch, element: Element, { table }: Setting): boolean {
  const order = (a: Spot, b: Spot) => compareSpots(a, b, table)!;
  if ("at" in element) {
    const [low, high] = [s.from ? order(element.at, s.from) : 1, s.to ? order(element.at, s.to) : -1];
    return (low === 1 || (low === 0 && s.closedLo)) && (high === -1 || (high === 0 && s.closedHi));
  }
  const startsBefore = s.from === null || (element.from !== null && order(s.from, element.from) <= 0);
  const endsAfter = s.to === null || (element.to !== null && order(s.to, element.to) >= 0);
  return startsBefore && endsAfter;
}

/** An input of an element: a round one between its ends, where there is room. */
function inputOf(element: Element): Spot {
  if ("at" in element) return element.at;
  // Between the enclosures of its ends, so that the input lies inside for sure.
  const [from, to] = [element.from?.hi ?? null, element.to?.lo ?? null];
  const x =
    from === null ? (to === null ? 0 : Math.floor(to) - 1) : to === null ? Math.ceil(from) + 1 : roundBetween(from, to);
  return spotOfRational(Number.isInteger(x) ? ratio(x) : rationalOfDouble(x));
}
function roundBetween(from: number, to: number): number {
  const middle = (from + to) / 2;
  const whole = Math.round(middle);
  return whole > from && whole < to ? whole : middle;
}
