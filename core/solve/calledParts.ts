import { EMPTY, Enclosure } from "../interval";
import {
  VARIABLE,
  call,
  compileEnclosure,
  dependsOnVariable,
  differentiate,
  divide,
  isOneNumber,
  same,
  size,
  substitute,
  subtract,
  wholeNumber,
  type Expression,
} from "../formula";
import { mapParts } from "../formula/build";
import { breakingParts, replacePart } from "./breaking";
import { place, type Because, type CellPart, type Part, type Range } from "./parts";
import { inline } from "./inline";
import { noteNeighbours } from "./neighbours";
import { compareSpots, type Spot } from "./spot";
import { constantSign } from "./terms";
import type { Definition, Derivative, FunctionTable } from "./table";
import { spotOfDouble, totalDomain, type TotalStretch } from "./totalDomain";
import { hullOf, innerPoints } from "./zerosIn";

type Call = Expression & { kind: "call" };
type Sign = -1 | 0 | 1;

/** What taking a range apart offers to the parts of it that hold calls of other functions. */
export interface Splitting {
  readonly table: FunctionTable;
  /** The parts of a range for a function of its own, within the same bounded work. */
  parts(e: Expression, range: Range): Part[];
  /** Resolves what still breaks in a cell; parts that are cleared are known to be smooth. */
  settle(cell: CellPart, cleared: ReadonlySet<Expression>): Part[];
  /** Splits a cell at the zeros of several expressions, and goes on with each part and the signs it has there. */
  bySigns(
    cell: CellPart,
    splitters: readonly Expression[],
    because: Because,
    goOn: (cell: CellPart, signs: readonly Sign[]) => Part[],
  ): Part[];
}

export const replaced = (cell: CellPart, node: Expression, by: Expression): CellPart => ({
  ...cell,
  formulas: cell.formulas.map((f) => f && replacePart(f, node, by)),
});
/** The formulas that hold the part have no value in the cell. */
export const without = (cell: CellPart, node: Expression): CellPart => ({
  ...cell,
  formulas: cell.formulas.map((f) => (f && replacePart(f, node, wholeNumber(0)) !== f ? null : f)),
});
const openPart = (cell: CellPart): Part[] => [{ kind: "open", ...hullOf(cell) }];

/** Longest called function that is looked into without being written out. */
const MAX_CALLED_SIZE = 4000;

/** A function too long to write out is smooth where nothing in it breaks. */
export function calledParts(
  on: Splitting,
  cell: CellPart,
  cleared: ReadonlySet<Expression>,
  node: Call,
  d: Definition & { kind: "expression" },
): Part[] {
  if (size(d.expression, MAX_CALLED_SIZE + 1) > MAX_CALLED_SIZE) return openPart(cell);
  const own = calledInside(on, cell, node.a, d.expression, 0);
  if (!own || own.formulas.includes(null)) return openPart(cell);
  return on.bySigns(cell, own.borders, "break", (sub) => {
    const has = innerPoints(sub).some((x) => {
      const v = compileEnclosure(node, on.table.enclosure)(new Enclosure(x, x));
      return !(v.flags & EMPTY) && Number.isFinite(v.lo) && Number.isFinite(v.hi);
    });
    return has ? on.settle(sub, new Set(cleared).add(node)) : openPart(sub);
  });
}

/** A running total is smooth between the places of what is summed, as far as it has a value. */
export function summedParts(
  on: Splitting,
  cell: CellPart,
  cleared: ReadonlySet<Expression>,
  node: Call,
  d: Definition & { kind: "closures" },
): Part[] {
  const reach = compileEnclosure(node.a, on.table.enclosure)(new Enclosure(hullOf(cell).lo, hullOf(cell).hi));
  if (reach.flags & EMPTY) return openPart(cell);
  const isAlong = node.a.kind === "variable";
  const inputs = isAlong ? cell : { from: spotOfDouble(reach.lo), to: spotOfDouble(reach.hi) };
  const stretches = totalDomain(d.slope, d.from, inputs, (e, range) => on.parts(e, range), on.table);
  if (!stretches) return openPart(cell);
  // The same total may be called more than once: f − (f + x).
  const alike = cell.formulas.flatMap((f) => (f ? breakingParts(f).filter((part) => same(part, node)) : []));
  const within = (sub: CellPart, { state }: TotalStretch): Part[] => {
    if (state === "open") return openPart(sub);
    return state === "has" ? on.settle(sub, new Set([...cleared, ...alike])) : on.settle(without(sub, node), cleared);
  };
  if (isAlong) return cutAlong(on, cell, stretches, within);
  const wanted = stretches.filter((s) => (s.from?.lo ?? -Infinity) <= reach.hi && (s.to?.hi ?? Infinity) >= reach.lo);
  const borders: Expression[] = [];
  for (const { from } of wanted.slice(1)) {
    if (!from?.exact) return openPart(cell);
    borders.push(subtract(node.a, from.exact.expression));
  }
  return on.bySigns(cell, borders, "break", (sub, signs) =>
    signs.includes(0) ? openPart(sub) : within(sub, wanted[signs.filter((sign) => sign > 0).length]!),
  );
}

/** A cell cut at the places between stretches; all of it is open where one cannot be told from an end of the cell. */
function cutAlong(
  on: Splitting,
  cell: CellPart,
  stretches: readonly TotalStretch[],
  within: (sub: CellPart, stretch: TotalStretch) => Part[],
): Part[] {
  const out: Part[] = [];
  for (const stretch of stretches) {
    const from = inner(cell.from, stretch.from, 1, on.table);
    const to = inner(cell.to, stretch.to, -1, on.table);
    const order = from && to ? compareSpots(from, to, on.table) : from === undefined || to === undefined ? null : -1;
    if (order === null) return openPart(cell);
    if (order !== -1) continue;
    if (out.length > 0 && from) out.push(place(from, "break"));
    out.push(...within({ ...cell, from: from ?? null, to: to ?? null }, stretch));
  }
  return out;
}

/** Of two ends the one further in; null where there is none, undefined where that could not be told. */
function inner(a: Spot | null, b: Spot | null, side: 1 | -1, table: FunctionTable): Spot | null | undefined {
  if (!a || !b) return a ?? b;
  const order = compareSpots(a, b, table);
  return order === null ? undefined : order * side >= 0 ? a : b;
}

/** How far beyond the inputs that a function is called with it is looked at, so that none of them is an end. */
const ROOM_AROUND = 2 ** -10;

/** The slope of a function with corners: of the smooth formula that the function has in each cell of its own. */
export function slopedParts(
  on: Splitting,
  cell: CellPart,
  cleared: ReadonlySet<Expression>,
  node: Call,
  of: Derivative,
): Part[] {
  const within = (sub: CellPart, slope: Expression | null): Part[] => {
    if (!slope) return on.settle(without(sub, node), cleared);
    // Where a formula is smooth, its derivative is too: nothing in it is looked at again but what a total sums.
    const smooth = new Set([...cleared, ...breakingParts(slope)]);
    return on.settle(replaced(sub, node, withSummed(slope, on.table)), smooth);
  };
  const inner = differentiate(node.a);
  if (!dependsOnVariable(inner) && constantSign(inner)) {
    // Along a line the function of the line is taken apart; its slope is that of the function times the line's.
    const whole = call(of.name, of.order, node.a);
    const own = on.parts(whole, cell);
    noteNeighbours(whole, own);
    return own.flatMap((p) => {
      if (p.kind === "place") return p.because === "range" ? [] : [p];
      if (p.kind !== "cell") return [{ kind: "open" as const, ...(p.kind === "open" ? p : hullOf(p)) }];
      const f = p.formulas[0]!;
      const slope = f && differentiate(f);
      return within({ ...cell, from: p.from, to: p.to }, slope && (isOneNumber(inner) ? slope : divide(slope, inner)));
    });
  }
  const inside = calledInside(on, cell, node.a, call(of.name, of.order, VARIABLE), ROOM_AROUND);
  if (!inside) return openPart(cell);
  return on.bySigns(cell, inside.borders, "break", (sub, signs) => {
    if (signs.includes(0)) return openPart(sub);
    const f = inside.formulas[signs.filter((sign) => sign > 0).length]!;
    return within(sub, f && substitute(differentiate(f), node.a));
  });
}

/** A derivative in which what is summed stands for the slopes of totals: so it is wherever the totals are smooth. */
export function withSummed(e: Expression, table: FunctionTable): Expression {
  if (e.kind === "call" && e.order === 1) {
    const total = table.definition(e.name);
    if (total?.kind === "closures")
      return inline(e.a.kind === "variable" ? total.slope : substitute(total.slope, e.a), table);
  }
  return mapParts(e, (part) => withSummed(part, table));
}

/** A called function taken apart: where it changes, and the formula it has before, between and after these places. */
interface CalledInside {
  /** for each place in order: the argument less that input */
  readonly borders: readonly Expression[];
  /** one more than there are borders; null where the function has no value */
  readonly formulas: readonly (Expression | null)[];
}

/**
 * A function over the inputs that it is called with in a cell.
 * @param room  how far beyond them it is looked at
 * @returns null where a part is open or a place has no closed form
 */
function calledInside(on: Splitting, cell: CellPart, u: Expression, e: Expression, room: number): CalledInside | null {
  const { lo, hi } = hullOf(cell);
  const reach = compileEnclosure(u, on.table.enclosure)(new Enclosure(lo, hi));
  if (reach.flags & EMPTY) return null;
  const borders: Expression[] = [];
  const formulas: (Expression | null)[] = [];
  for (const p of on.parts(e, { from: spotOfDouble(reach.lo - room), to: spotOfDouble(reach.hi + room) })) {
    if (p.kind === "cell") formulas.push(p.formulas[0]!);
    else if (p.kind !== "place") return null;
    else if (p.because !== "range") {
      if (!p.spot.exact) return null;
      borders.push(subtract(u, p.spot.exact.expression));
    }
  }
  return formulas.length === borders.length + 1 ? { borders, formulas } : null;
}
