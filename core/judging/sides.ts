import { compileEnclosure } from "../formula";
import { Enclosure, EMPTY } from "../interval";
import { formatNumber } from "../explain";
import type { Spot } from "../solve";
import type { Equation, Setting } from "../working";

/** Both sides of an equation at an input, as they are told. */
export interface Sides {
  readonly at: string;
  readonly left: string;
  readonly right: string;
}

/** Both sides at an input: enclosed, and told with the digits that are sure. */
export function sidesAt(eq: Equation, at: Spot, { table }: Setting): Sides | null {
  const box = new Enclosure(at.lo, at.hi);
  const [l, r] = [eq.left, eq.right].map((side) => compileEnclosure(side, table.enclosure)(box)) as [
    Enclosure,
    Enclosure,
  ];
  return { at: formatNumber(at.at, 8), left: shown(l), right: shown(r) };
}
const shown = (v: Enclosure): string =>
  v.flags & EMPTY ? "no value" : v.lo <= 0 && v.hi >= 0 ? "0" : formatNumber((v.lo + v.hi) / 2, 8);

/** Inputs that are tried, round ones first. */
const TRIED = [1, 2, 3, 10, 5, 0.5, 7, 100, 0, -1, -2, 20, 0.1, 50, 1000, -10, 0.01];

/** A round input at which the two sides are proven to differ; null where none was found. */
export function counterexample(eq: Equation, { range, table }: Setting): Sides | null {
  const [f, g] = [eq.left, eq.right].map((side) => compileEnclosure(side, table.enclosure)) as [
    (x: Enclosure) => Enclosure,
    (x: Enclosure) => Enclosure,
  ];
  const [from, to] = [range.from?.at ?? -Infinity, range.to?.at ?? Infinity];
  const inside = TRIED.filter((x) => x >= from && x <= to);
  const middle = Number.isFinite(from + to) ? [(from + to) / 2, from + (to - from) / 4] : [];
  for (const x of [...inside, ...middle, ...TRIED]) {
    const [a, b] = [f(new Enclosure(x, x)), g(new Enclosure(x, x))];
    if (a.flags & EMPTY || b.flags & EMPTY) continue;
    if (a.hi < b.lo || b.hi < a.lo) return { at: formatNumber(x, 8), left: shown(a), right: shown(b) };
  }
  return null;
}
