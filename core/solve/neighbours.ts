import { same, type Expression } from "../formula";
import type { CellPart, Part } from "./parts";
import type { Spot } from "./spot";

/** The cells before and after a place, with the smooth formula that a function has in each. */
export interface Neighbours {
  readonly kind: "place";
  readonly left: CellPart;
  readonly right: CellPart;
}

const known = new WeakMap<Spot, readonly (readonly [Expression, Neighbours])[]>();

/** Keeps, for each place at which a function was taken apart, what lies beside it: it need not be sought again. */
export function noteNeighbours(e: Expression, parts: readonly Part[]): void {
  parts.forEach((p, i) => {
    const [left, right] = [parts[i - 1], parts[i + 1]];
    if (p.kind !== "place" || left?.kind !== "cell" || right?.kind !== "cell") return;
    const others = (known.get(p.spot) ?? []).filter(([of]) => !same(of, e));
    known.set(p.spot, [...others, [e, { kind: "place", left, right }]]);
  });
}

/** What lies beside a place of a function, where it was taken apart there. */
export const neighboursOf = (e: Expression, spot: Spot): Neighbours | null =>
  known.get(spot)?.find(([of]) => same(of, e))?.[1] ?? null;
