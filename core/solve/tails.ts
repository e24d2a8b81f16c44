import type { Expression } from "../formula";
import { Enclosure, containsZero, iv } from "../interval";
import { Leading } from "./leading";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";
import { totalKeepsSign } from "./totalTails";

/** Powers of two tried as the place beyond which a function has no zero. */
const TAIL_POWERS = [4, 5, 6, 7, 8, 10, 12, 15, 19, 24, 30, 37, 45, 54, 80, 160, 480, 960];
/** How far out is looked when no tail is proven free, in x-unit beyond the start. */
export const REACH = 1024;
/** Shares of the room, as powers of two, tried as the stretch beside an end that is free of zeros. */
const HEAD_POWERS = [0, 6, 14, 26, 40, 80, 160, 480, 960];
/** Most that t may be, so that ln(1/t) is above e. */
const MOST_DELTA = 1 / 16;

/**
 * From where on, towards infinity on one side, `u` is proven to have no zero, and its sign there; where that is not
 * proven, how far to look.
 */
export function tailFreeOfZeros(
  u: Expression,
  side: 1 | -1,
  start: number,
  table: FunctionTable,
): { edge: number; proven: boolean; sign: -1 | 0 | 1 } {
  // Bounds of a total are wide far out: what is known of its slope leaves less of it to be searched.
  const kept = totalKeepsSign(u, side, start, table, (slope) => {
    const tail = tailFreeOfZeros(slope, side, start, table);
    return tail.proven && tail.sign !== 0 ? { edge: tail.edge, sign: tail.sign } : null;
  });
  if (kept) return { ...kept, proven: true };
  for (const k of TAIL_POWERS) {
    const far = 2 ** k;
    if (far <= side * start) continue;
    const term = new Leading({ spot: null, side, delta: 2 ** -k }, table).of(u);
    if (term && !containsZero(term.c)) return { edge: side * far, proven: true, sign: term.c.lo > 0 ? 1 : -1 };
  }
  return { edge: start + side * REACH, proven: false, sign: 0 };
}

/** Up to where, from a spot on, `u` is proven to have no zero: an input at or beyond the spot. */
export function headFreeOfZeros(u: Expression, spot: Spot, side: 1 | -1, room: number, table: FunctionTable): number {
  const start = side > 0 ? spot.lo : spot.hi;
  for (const k of HEAD_POWERS) {
    const delta = Math.min(room / 2, MOST_DELTA) * 2 ** -k;
    if (!(delta > 0)) break;
    const term = new Leading({ spot, side, delta }, table).of(u);
    // Rounded towards the spot: beyond δ nothing is proven.
    if (term && !containsZero(term.c)) return side > 0 ? sum(start, delta).lo : sum(start, -delta).hi;
  }
  return start;
}

const sum = (a: number, b: number): Enclosure => iv.add(new Enclosure(a, a), new Enclosure(b, b));
