import { BROKEN, EMPTY, ENTIRE, Enclosure, NOTHING, PARTIAL, iv } from "../interval";
import type { EnclosureFunction, NumberFunction, SeriesFunction, SlopeFunction, Slopes } from "../formula";
import type { Piece } from "./definition";

export const holds = (p: Piece, x: number): boolean =>
  (x > p.low || (x === p.low && p.closedFrom)) && (x < p.high || (x === p.high && p.closedTo));

export const piecesNumber =
  (pieces: readonly Piece[], functions: readonly NumberFunction[]): NumberFunction =>
  (x) => {
    for (let i = 0; i < pieces.length; i++) if (holds(pieces[i]!, x)) return functions[i]!(x);
    return NaN;
  };

/**
 * The parts of a box that lie in each piece, joined; more than one part may jump, a part not covered has no value.
 * @param ends  "open": what there is at an end of a piece is told elsewhere, as of slopes at joints
 */
export function piecesEnclosure(
  pieces: readonly Piece[],
  functions: readonly EnclosureFunction[],
  ends: "told" | "open" = "told",
): EnclosureFunction {
  return (x) => {
    if (x.flags & EMPTY) return NOTHING;
    let result: Enclosure | null = null;
    let flags = x.flags;
    let covered = 0;
    for (let i = 0; i < pieces.length; i++) {
      const p = pieces[i]!;
      if (x.hi < p.low || x.lo > p.high || (x.hi === p.low && !p.closedFrom) || (x.lo === p.high && !p.closedTo))
        continue;
      const part = functions[i]!(new Enclosure(Math.max(x.lo, p.low), Math.min(x.hi, p.high), x.flags));
      result = result ? iv.hull(result, part) : part;
      covered++;
      if (x.lo < p.low || x.hi > p.high) flags |= PARTIAL | BROKEN;
      // An end that belongs to no piece has no value, though it alone is missing from the box.
      if (ends === "told" && ((x.lo <= p.low && !p.closedFrom) || (x.hi >= p.high && !p.closedTo))) flags |= PARTIAL;
    }
    if (!result || result.flags & EMPTY) return NOTHING;
    return new Enclosure(result.lo, result.hi, result.flags | flags | (covered > 1 ? BROKEN : 0));
  };
}

export function piecesSlopes(pieces: readonly Piece[], functions: readonly SlopeFunction[]): SlopeFunction {
  const whole = piecesEnclosure(
    pieces,
    functions.map((f) => (x) => f({ value: x, slope: new Enclosure(1, 1) }).value),
  );
  return (x: Slopes) => {
    for (let i = 0; i < pieces.length; i++) {
      const p = pieces[i]!;
      if (x.value.lo > p.low && x.value.hi < p.high) return functions[i]!(x);
    }
    return { value: whole(x.value), slope: ENTIRE };
  };
}

/** Series of the piece that a box lies in; null where it reaches over an end. */
export function piecesSeries(pieces: readonly Piece[], functions: readonly SeriesFunction[]): SeriesFunction {
  return (x) => {
    const i = pieces.findIndex((p) => x[0]!.lo > p.low && x[0]!.hi < p.high);
    return i < 0 ? null : functions[i]!(x);
  };
}
