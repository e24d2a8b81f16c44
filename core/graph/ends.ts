import { compileEnclosure, type Expression } from "../formula";
import { Enclosure } from "../interval";
import { inline, limitAt, newWork, partition, spotOfRational, valueAt, type FunctionTable, type Part } from "../solve";
import { rationalOfDouble } from "../numeric";

/**
 * A place where a curve begins, ends or is broken: filled where the function has that value, open where it only comes
 * close to it.
 */
export interface CurveEnd {
  readonly x: number;
  readonly y: number;
  readonly closed: boolean;
}

/** Values this close, as a share of the visible height, are drawn as one. */
const SAME = 1e-5;
/** Work for the breaks of one curve: a drawing may leave some out, a finding may not. */
const BOXES = 1500;
const CELLS = 1500;

/** What is drawn of a curve's breaks, from the same places that the findings stand on. */
export interface CurveBreaks {
  readonly breaks: readonly number[];
  readonly ends: (height: number) => CurveEnd[];
}

/** The breaks of a function on [lo, hi], and what is drawn there. */
export function curveBreaks(whole: Expression, table: FunctionTable, lo: number, hi: number): CurveBreaks {
  // Beyond all doubles nothing is drawn, and so nothing breaks.
  if (!Number.isFinite(lo) || !Number.isFinite(hi)) return { breaks: [], ends: () => [] };
  const e = inline(whole, table);
  const range = { from: spotOfRational(rationalOfDouble(lo)), to: spotOfRational(rationalOfDouble(hi)) };
  const parts = partition([e], table, range, newWork(BOXES, CELLS));
  const sides = parts.flatMap((p, i) =>
    p.kind === "place" && p.because !== "range" ? [sidesAt(e, parts, i, table)] : [],
  );
  return { breaks: sides.map((s) => s.x), ends: (height) => sides.flatMap((s) => drawnAt(s, height)) };
}

interface Sides {
  readonly x: number;
  readonly left: number | null;
  readonly right: number | null;
  readonly value: number | null;
}

function sidesAt(e: Expression, parts: readonly Part[], i: number, table: FunctionTable): Sides {
  const p = parts[i]!;
  if (p.kind !== "place") throw new RangeError("expected a place");
  const own = valueAt(e, p.spot, table);
  const limit = (q: Part | undefined, side: 1 | -1): number | null => {
    const f = q?.kind === "cell" ? q.formulas[0] : null;
    if (!f || q?.kind !== "cell") return null;
    const room = q.from && q.to ? q.to.lo - q.from.hi : 1;
    const l = limitAt(f, p.spot, side, room, table);
    if (l.kind === "finite") return (l.lo + l.hi) / 2;
    if (l.kind === "infinite") return null;
    const near = compileEnclosure(f, table.enclosure)(new Enclosure(p.spot.lo, p.spot.hi));
    return Number.isFinite(near.lo) && Number.isFinite(near.hi) ? (near.lo + near.hi) / 2 : null;
  };
  return {
    x: p.spot.at,
    left: limit(parts[i - 1], -1),
    right: limit(parts[i + 1], 1),
    value: own.kind === "value" && Number.isFinite(own.lo) && Number.isFinite(own.hi) ? (own.lo + own.hi) / 2 : null,
  };
}

/** Ends, jumps and holes as mathematics draws them. Poles have none: nothing is drawn there. */
function drawnAt({ x, left, right, value }: Sides, height: number): CurveEnd[] {
  const out: CurveEnd[] = [];
  const same = (a: number | null, b: number | null) => a !== null && b !== null && Math.abs(a - b) <= SAME * height;
  if (same(left, right) && same(left, value)) return out;
  // A curve that only begins or ends here shows its value; one that is broken shows both sides.
  for (const side of [left, right])
    if (side !== null && !same(side, value) && !out.some((end) => Math.abs(end.y - side) <= SAME * height))
      out.push({ x, y: side, closed: false });
  if (value !== null && (left !== null || right !== null || out.length > 0)) out.push({ x, y: value, closed: true });
  return out;
}
