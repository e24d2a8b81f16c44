import { EMPTY, Enclosure, PARTIAL } from "../interval";
import { compileEnclosure, subtract, type Expression } from "../formula";
import { rationalOfDouble } from "../numeric";
import { partition, type Work } from "./partition";
import { place, type Part, type StairsPart } from "./parts";
import { spotOfRational, type Spot } from "./spot";
import { tailFreeOfZeros } from "./tails";
import type { FunctionTable } from "./table";
import { withoutNothing } from "./withoutNothing";

/** Far-out stretches on which the order of several functions never changes, with the indices of the least of them. */
export type FarLeast = ReadonlyMap<Part, readonly number[]>;

/**
 * Stairs without an end, taken apart up to where the order of the functions is proven not to change any more: no step
 * beyond has to be looked at.
 */
export function withFarLeast(
  list: readonly Expression[],
  parts: readonly Part[],
  table: FunctionTable,
  work: Work,
): { parts: Part[]; far: FarLeast } {
  const far = new Map<Part, readonly number[]>();
  const out = parts.flatMap((p): Part[] => {
    if (p.kind !== "stairs" || (p.from && p.to)) return [p];
    const left = p.from ? null : tailOf(p, -1, table);
    const right = p.to ? null : tailOf(p, 1, table);
    if ((!p.from && !left) || (!p.to && !right)) return [p];
    const [from, to] = [p.from ?? left!.edge, p.to ?? right!.edge];
    const inner = partition(list, table, { from, to }, work);
    const near = inner.filter((q) => !(q.kind === "place" && q.because === "range"));
    const beyond = (tail: Tail | null, ends: { from: Spot | null; to: Spot | null }): Part[] => {
      if (!tail) return [];
      const part: StairsPart = { ...p, ...ends };
      far.set(part, tail.least);
      return ends.from ? [place(tail.edge, "break"), part] : [part, place(tail.edge, "break")];
    };
    return [...beyond(left, { from: null, to: from }), ...near, ...beyond(right, { from: to, to: null })];
  });
  return { parts: out, far };
}

interface Tail {
  readonly edge: Spot;
  readonly least: readonly number[];
}

/** From where on the same function is less than all others; null where that is not proven. */
function tailOf({ formulas, from, to }: StairsPart, side: 1 | -1, table: FunctionTable): Tail | null {
  const start = side > 0 ? (from?.hi ?? 0) : (to?.lo ?? 0);
  let [best, edge] = [0, 0];
  for (let i = 1; i < formulas.length; i++) {
    const difference = withoutNothing(subtract(formulas[i]!, formulas[best]!));
    const tail = tailFreeOfZeros(difference, side, start, table);
    if (!tail.proven) return null;
    edge = Math.max(edge, side * tail.edge);
    if (tail.sign < 0) best = i;
  }
  const reach = side > 0 ? new Enclosure(edge, Infinity) : new Enclosure(-Infinity, -edge);
  // Each must have a value throughout: what has none is no rival there.
  const hasValues = (f: Expression) => !(compileEnclosure(f, table.enclosure)(reach).flags & (EMPTY | PARTIAL));
  return edge > 0 && formulas.every(hasValues)
    ? { edge: spotOfRational(rationalOfDouble(side * edge)), least: [best] }
    : null;
}
