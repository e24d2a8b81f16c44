import { toDouble } from "../../numeric";
import { EMPTY } from "../../interval";
import { latexOf, quoted, type Expression } from "../../formula";
import { encloseAt, type Piece } from "../../solve";
import type { PieceRow } from "../case";
import { Trouble, said } from "../problems";
import type { Bench } from "./bench";
import { formulaUnits } from "./formulaUnits";
import { rangeLatex, rangeText } from "./pieceWords";
import type { ByOf, Made, Way } from "./way";

/** A piece, and its place among the rows. */
type Placed = Piece & { readonly row: number };

function make({ pieces: rows }: ByOf<"pieces">, bench: Bench): Made {
  const { name, of } = bench;
  const path = `${bench.path}.by.pieces`;
  if (rows.length === 0) {
    bench.shop.problems.error(path, `${quoted(name)} has no pieces yet.`);
    throw new Trouble(`${name} has no pieces yet.`);
  }
  const pieces = bench
    .expressions()
    .map((expression, i) => placed(rows[i]!, i, expression, bench))
    .sort((a, b) => a.low - b.low || a.high - b.high);
  const overlaps = pieces.slice(1).filter((next, i) => sayMeeting(pieces[i]!, next, path, bench));
  if (overlaps.length > 0) throw new Trouble(`Pieces of ${name} overlap.`);
  bench.shop.table.define(name, { kind: "pieces", pieces });
  pieces.slice(1).forEach((next, i) => sayJump(pieces[i]!, next, bench));
  const cases = rows.map((p, i) => `${latexOf(bench.resolved[i]!.syntax!)} & ${rangeLatex(of, p)}`);
  return {
    text: rows.map((p) => `${p.text.trim()} ${rangeText(of, p)}`).join("; "),
    latex: `\\begin{cases}${cases.join("\\\\ ")}\\end{cases}`,
  };
}

function placed(p: PieceRow, row: number, expression: Expression, bench: Bench): Placed {
  const path = `${bench.path}.by.pieces[${row}]`;
  const from = p.from === undefined ? null : bench.number(p.from, `${path}.from`);
  const to = p.to === undefined ? null : bench.number(p.to, `${path}.to`);
  const ends = p.ends ?? "[]";
  if (from && to && from.compare(to) > 0) {
    const range = `starts at ${said(toDouble(from))}, after its end ${said(toDouble(to))}`;
    bench.fail(`${path}.from`, `Piece ${row + 1} of ${quoted(bench.name)} ${range}.`);
  }
  return {
    row,
    expression,
    from,
    to,
    low: from ? toDouble(from) : -Infinity,
    high: to ? toDouble(to) : Infinity,
    closedFrom: ends.startsWith("["),
    closedTo: ends.endsWith("]"),
  };
}

/** Says what is wrong where one piece follows another. @returns whether they overlap */
function sayMeeting(p: Placed, next: Placed, path: string, bench: Bench): boolean {
  const { name, of } = bench;
  const two = `Pieces ${p.row + 1} and ${next.row + 1} of ${quoted(name)}`;
  if (next.low < p.high) {
    const stretch = `from ${said(next.low)} to ${said(Math.min(p.high, next.high))}`;
    bench.shop.problems.error(`${path}[${next.row}].from`, `${two} overlap ${stretch}; one input has one value.`);
    return true;
  }
  if (next.low > p.high) {
    bench.warn(bench.path, `${name} has no value between ${of} = ${said(p.high)} and ${said(next.low)}.`);
    return false;
  }
  if (p.closedTo && next.closedFrom) {
    const message = `${two} both own ${of} = ${said(next.low)}; open one of the two ends.`;
    bench.shop.problems.error(`${path}[${next.row}].from`, message);
    return true;
  }
  if (!p.closedTo && !next.closedFrom)
    bench.warn(bench.path, `${name} has no value at ${of} = ${said(p.high)}: neither piece owns it.`);
  return false;
}

/** A proven jump between two pieces that touch. */
function sayJump(p: Piece, next: Piece, bench: Bench): void {
  if (!p.to || !next.from || p.to.compare(next.from) !== 0) return;
  const left = encloseAt(p.expression, bench.shop.table, p.to);
  const right = encloseAt(next.expression, bench.shop.table, p.to);
  const isJoined = left.lo <= right.hi && right.lo <= left.hi;
  if (left.flags & EMPTY || right.flags & EMPTY || isJoined) return;
  const [before, after] = [left, right].map((v) => (v.lo + v.hi) / 2) as [number, number];
  const [size, from, to] = [Math.abs(after - before), before, after].map((v) => said(v, 6));
  const jump = `${after > before ? "jumps up" : "drops"} by ${size} at ${bench.of} = ${said(p.high)}`;
  bench.warn(bench.path, `${bench.name} ${jump}, from ${from} to ${to}.`);
}

/** A function in pieces, each with a formula and a range. */
export const pieces: Way<"pieces"> = {
  texts: (by) => by.pieces.map((p, i) => ({ text: p.text, path: `by.pieces[${i}].text` })),
  uses: () => [],
  make,
  units: (by, bench, names) => formulaUnits(pieces.texts(by), bench, names),
};
