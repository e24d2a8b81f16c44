import { toDouble } from "../numeric";
import { formulaOf, fractionOf } from "./reading.fixture";
import type { Piece } from "./table";

/** `0 [ x^2 ) 2`: a row from 0, which it owns, to 2, which it does not; no number: without end. */
function pieceOf(row: string): Piece {
  const [, from, open, text, close, to] = /^(\S*)\s*([[(])\s*(.*?)\s([\])])\s*(\S*)$/.exec(row)!;
  const [low, high] = [from, to].map((t) => (t ? fractionOf(t) : null));
  return {
    expression: formulaOf(text!),
    from: low!,
    to: high!,
    low: low ? toDouble(low) : -Infinity,
    high: high ? toDouble(high) : Infinity,
    closedFrom: open === "[",
    closedTo: close === "]",
  };
}

/** The rows of a function by pieces, for tests. */
export const piecesOf = (...rows: string[]): Piece[] => rows.map(pieceOf);
