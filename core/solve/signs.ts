import { dependsOnVariable, same, subtract, type Expression } from "../formula";
import { newWork, partition, refine, type Work } from "./partition";
import { joinedStretches, type CellPart, type Part, type Range } from "./parts";
import { findRoots, searchedOf, stretchesWhere, unknownIn, type RootSearch, type Stretch } from "./roots";
import { withFarLeast } from "./farStairs";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";
import { constantSign } from "./terms";
import { signOfValue, valueAt } from "./valueAt";
import type { ValueAt } from "./value";
import { withoutNothing } from "./withoutNothing";
import { hullOf, signIn, zerosIn, type OpenStretch } from "./zerosIn";

export type Relation = "<" | "<=" | ">" | ">=";

export interface RelationSearch {
  readonly stretches: readonly Stretch[];
  readonly search: RootSearch;
}

/** All stretches of a range on which `e` stands in the relation to 0; where it has no value, it stands in none. */
export function whereRelation(
  e: Expression,
  table: FunctionTable,
  range: Range,
  relation: Relation,
  work: Work = newWork(),
): RelationSearch {
  const roots = findRoots(e, table, range, work, "signs");
  const open = joinedStretches([...roots.open, ...unknownIn(roots.parts)]);
  const search = { ...roots, open, searched: searchedOf(open, range) };
  const wanted = relation.startsWith(">") ? 1 : -1;
  const takesZero = relation.endsWith("=");
  const holding = stretchesWhere(search.parts, (sign) => sign === wanted || (sign === 0 && takesZero));
  return { stretches: holding.filter(isWithinDoubles), search };
}

/** What lies beyond all doubles, such as x < −e^9990, has no numbers to be told by: it is left open. */
const isWithinDoubles = ({ lo, hi }: { lo: number; hi: number }): boolean => lo < Infinity && hi > -Infinity;

export interface Leader extends Stretch {
  /** index of the least function; null where several share it */
  readonly least: number | null;
}

export interface LeaderSearch {
  readonly leaders: readonly Leader[];
  readonly open: readonly OpenStretch[];
  /** inputs at which two of the functions meet, where plain values can be told */
  readonly meets: readonly { at: number; a: number; b: number }[];
}

/** Indices of the functions that share the least value; empty where none has one. */
type Least = readonly number[] | "open";

/** Which of several functions is least, stretch by stretch; it changes only where two of them meet, or one breaks. */
export function leastOf(
  list: readonly Expression[],
  table: FunctionTable,
  range: Range,
  work: Work = newWork(),
): LeaderSearch {
  const pairs = list.flatMap((_, a) => list.slice(a + 1).map((__, k) => [a, a + 1 + k] as const));
  const differences = (cell: CellPart) =>
    pairs.flatMap(([a, b]) => {
      const [f, g] = [cell.formulas[a], cell.formulas[b]];
      return f && g ? [withoutNothing(subtract(f, g))] : [];
    });
  const opened = withFarLeast(list, partition(list, table, range, work), table, work);
  const parts = refine(opened.parts, table, work, differences);
  const least = parts.map((p, i): Least => {
    if (p.kind === "cell") return leastInCell(p, table, work);
    if (p.kind === "stairs") return opened.far.get(p) ?? "open";
    if (p.kind !== "place") return "open";
    const beside = parts.slice(Math.max(0, i - 1), i + 2).find((q): q is CellPart => q.kind === "cell");
    const order = (a: number, b: number): -1 | 0 | 1 | null => {
      if (meetAt(p.spot, beside?.formulas[a], beside?.formulas[b])) return 0;
      const difference = valueAt(subtract(list[a]!, list[b]!), p.spot, table);
      return difference.kind === "value" ? signOfValue(difference) : null;
    };
    return leastAmong(
      list.map((e) => valueAt(e, p.spot, table)),
      order,
    );
  });
  return {
    leaders: leadersOf(parts, least).filter(isWithinDoubles),
    open: parts.flatMap((p, i) =>
      least[i] === "open" ? [p.kind === "place" ? p.spot : p.kind === "open" ? p : hullOf(p)] : [],
    ),
    meets: meetsOf(parts, least),
  };
}

/** The least of several formulas in a cell in which no two of them meet, unless they are equal on all of it. */
function leastInCell(cell: CellPart, table: FunctionTable, work: Work): Least {
  let best: number[] = [];
  for (const [i, f] of cell.formulas.entries()) {
    if (!f) continue;
    const top = best[0] === undefined ? null : cell.formulas[best[0]]!;
    const sign = top ? signThroughout(withoutNothing(subtract(f, top)), cell, table, work) : -1;
    if (sign === null) return "open";
    if (sign < 0) best = [i];
    else if (sign === 0) best.push(i);
  }
  return best;
}

function signThroughout(u: Expression, cell: CellPart, table: FunctionTable, work: Work): -1 | 0 | 1 | null {
  if (!dependsOnVariable(u)) return constantSign(u);
  return signIn(u, cell, table) ?? (zerosIn(u, cell, table, work).everywhere ? 0 : null);
}

/** Whether a place was found as the zero of the difference of two formulas. */
function meetAt(s: Spot, f: Expression | null | undefined, g: Expression | null | undefined): boolean {
  if (!f || !g) return false;
  const differences = [subtract(f, g), subtract(g, f)].map(withoutNothing);
  return s.zeroOf.some((u) => differences.some((d) => same(u, d)));
}

/** @param order  the sign of one value less another, where their bounds do not tell it; null where nothing does */
function leastAmong(values: readonly ValueAt[], order: (a: number, b: number) => -1 | 0 | 1 | null): Least {
  let best: number[] = [];
  for (const [i, v] of values.entries()) {
    if (v.kind === "open") return "open";
    if (v.kind === "none") continue;
    const top = best[0] === undefined ? null : (values[best[0]] as ValueAt & { kind: "value" });
    if (!top || v.hi < top.lo) best = [i];
    else if (v.lo <= top.hi) {
      const sign = order(i, best[0]!);
      if (sign === null) return "open";
      if (sign < 0) best = [i];
      else if (sign === 0) best.push(i);
    }
  }
  return best;
}

function leadersOf(parts: readonly Part[], least: readonly Least[]): Leader[] {
  const out: Leader[] = [];
  let current: (Leader & { set: readonly number[] }) | null = null;
  const put = () => {
    if (current) {
      const { set: _set, ...leader } = current;
      out.push(leader);
    }
    current = null;
  };
  parts.forEach((p, i) => {
    const set = least[i]!;
    if (set === "open" || set.length === 0 || p.kind === "open" || p.kind === "quiet") return put();
    if (p.kind !== "place") {
      const before = least[i - 1];
      const isStartShared = before !== undefined && before !== "open" && isWithin(set, before);
      if (current && isSameSet(current.set, set))
        current = { ...current, hi: p.to?.at ?? Infinity, to: p.to, closedHi: false };
      else {
        put();
        current = { ...ends(p.from, p.to), closedLo: isStartShared, closedHi: false, least: only(set), set };
      }
      return;
    }
    const after = least[i + 1];
    if (current && isWithin(current.set, set)) {
      current = { ...current, hi: p.spot.at, to: p.spot, closedHi: true };
      return;
    }
    put();
    // A place that belongs to no neighbour is a stretch of its own.
    if (!(after !== undefined && after !== "open" && after.length > 0 && isWithin(after, set)))
      out.push({ ...ends(p.spot, p.spot), closedLo: true, closedHi: true, least: only(set) });
  });
  put();
  return out;
}

const ends = (from: Spot | null, to: Spot | null) => ({ lo: from?.at ?? -Infinity, hi: to?.at ?? Infinity, from, to });
const only = (set: readonly number[]): number | null => (set.length === 1 ? set[0]! : null);
const isWithin = (small: readonly number[], great: readonly number[]): boolean => small.every((i) => great.includes(i));
const isSameSet = (a: readonly number[], b: readonly number[]): boolean => a.length === b.length && isWithin(a, b);

/** Places of meeting at which plain values can be told: at a jump that is no double, they are of either side. */
function meetsOf(parts: readonly Part[], least: readonly Least[]): { at: number; a: number; b: number }[] {
  return parts.flatMap((p, i) => {
    const set = least[i]!;
    const beside = [least[i - 1], least[i + 1]].filter((near) => near !== undefined);
    if (p.kind !== "place" || set === "open" || set.length < 2) return [];
    // Inside, or at the end, of a stretch on which they are equal throughout they do not come together.
    if (beside.length > 0 && beside.every((near) => near !== "open" && isSameSet(near, set))) return [];
    if (p.because !== "zero" && p.spot.lo !== p.spot.hi) return [];
    return [{ at: p.spot.at, a: set[0]!, b: set[1]! }];
  });
}
