import { poly, rationalOfDouble, toDouble, type Rational } from "../numeric";
import { Enclosure, containsZero, iv } from "../interval";
import { dependsOnVariable, encloseRational, type Expression } from "../formula";
import { encloseConstant } from "./encloseConstant";
import { endIntegral } from "./endIntegral";
import { partition } from "./partition";
import type { CellPart } from "./parts";
import { polynomialForm } from "./rationalForm";
import {
  COARSE_REL_TOL,
  fineLeaves,
  leavesOf,
  summedSize,
  type Leaves,
  type Room,
  type Smooth,
} from "./seriesIntegral";
import { compareSpots, type Spot } from "./spot";
import type { FunctionTable } from "./table";
import { hullOf } from "./zerosIn";

export type Integral =
  | {
      readonly ok: true;
      readonly value: number;
      readonly low: number;
      readonly high: number;
      readonly exact: Rational | null;
      /** a function without bound at an end was summed */
      readonly isImproper: boolean;
    }
  | { readonly ok: false; readonly reason: "undefined" | "unbounded" | "work"; readonly near: number };

/** Cells an integral may be cut into. */
const MAX_CELLS = 4000;
/** A total known no better than this, relative to the size of what is summed, is none. */
const WORST_REL_TOL = 1e-6;

/**
 * Integral of `e` over [from, to], in y-unit · x-unit; exact where every part is a polynomial between fractions, else
 * with proven bounds by Taylor series whose last term is enclosed over each cell (Moore, Kearfott & Cloud, Introduction
 * to Interval Analysis, section 9.4).
 * At an end at which a function has no bound, the piece beside it is enclosed by its leading term, or proven to have
 * none.
 */
export function integrate(e: Expression, table: FunctionTable, from: Spot, to: Spot): Integral {
  if (compareSpots(from, to, table) === 1) {
    const back = integrate(e, table, to, from);
    return back.ok
      ? { ...back, value: -back.value, low: -back.high, high: -back.low, exact: back.exact && back.exact.neg() }
      : back;
  }
  let exact: Rational | null = rationalOfDouble(0);
  let sum = new Enclosure(0, 0);
  let isImproper = false;
  /** of all parts, whatever their sign */
  let size = 0;
  const room: Room = { cells: MAX_CELLS };
  for (const part of partition([e], table, { from, to })) {
    if (part.kind === "place") continue;
    const start = part.kind === "open" ? part.lo : hullOf(part).lo;
    if (part.kind !== "cell") return { ok: false, reason: "work", near: start };
    const f = part.formulas[0];
    if (!f) return { ok: false, reason: "undefined", near: start };
    const whole = exactPiece(f, part);
    if (whole) {
      exact = exact && exact.add(whole);
      sum = iv.add(sum, encloseRational(whole));
      size += Math.abs(toDouble(whole));
      continue;
    }
    exact = null;
    const piece = cellIntegral(f, part, table, room);
    if (!("lo" in piece)) return piece;
    isImproper ||= piece.isImproper;
    sum = iv.add(sum, new Enclosure(piece.lo, piece.hi));
    size += piece.size;
  }
  const isKnown = sum.hi - sum.lo <= WORST_REL_TOL * Math.max(size, Math.abs(sum.lo), Math.abs(sum.hi));
  if (!Number.isFinite(size) || !isKnown) return { ok: false, reason: "work", near: from.at };
  return {
    ok: true,
    value: exact ? toDouble(exact) : containsZero(sum) ? 0 : sum.lo + (sum.hi - sum.lo) / 2,
    low: sum.lo,
    high: sum.hi,
    exact,
    isImproper,
  };
}

/** The integral of a polynomial between fractions. */
function exactPiece(f: Expression, cell: CellPart): Rational | null {
  const p = polynomialForm(f);
  if (!p || !cell.from?.rational || !cell.to?.rational) return null;
  const whole = poly.antiderivative(p);
  return poly.valueAt(whole, cell.to.rational).sub(poly.valueAt(whole, cell.from.rational));
}

const COARSE_CELLS = 1000;

type Failed = Integral & { ok: false };

interface CellIntegral {
  readonly lo: number;
  readonly hi: number;
  /** what is summed is about this large without its sign */
  readonly size: number;
  readonly isImproper: boolean;
}

/** The integral over one cell: the middle by series, each end by what is known of it. */
function cellIntegral(f: Expression, cell: CellPart, table: FunctionTable, room: Room): CellIntegral | Failed {
  // Every cell of a range with two ends has two ends.
  const [from, to] = [cell.from!, cell.to!];
  if (!dependsOnVariable(f)) {
    const length = iv.subtract(new Enclosure(to.lo, to.hi), new Enclosure(from.lo, from.hi));
    const { lo, hi } = iv.multiply(encloseConstant(f), length);
    return { lo, hi, size: Math.max(Math.abs(lo), Math.abs(hi)), isImproper: false };
  }
  const width = to.lo - from.hi;
  const head = endIntegral(f, from, 1, width, table);
  if (typeof head === "string") return { ok: false, reason: head, near: from.at };
  const tail = endIntegral(f, to, -1, width, table);
  if (typeof tail === "string") return { ok: false, reason: tail, near: to.at };
  // Ends that overlap leave nothing between them that could be summed.
  if (!(head.edge < tail.edge)) return { ok: false, reason: "work", near: from.at };
  const middle: Smooth = { f, table, from: head.edge, to: tail.edge };
  const { leaves, near } = middleLeaves(middle, room);
  if (near !== null) return { ok: false, reason: "work", near };
  const all = [head, ...leaves, tail].reduce((sum, part) => iv.add(sum, part.sum), new Enclosure(0, 0));
  const size = summedSize(middle, leaves, COARSE_REL_TOL);
  return { lo: all.lo, hi: all.hi, size, isImproper: head.within !== null || tail.within !== null };
}

function middleLeaves(on: Smooth, room: Room): Leaves {
  const fine = fineLeaves(on, room);
  return fine.near === null ? fine : leavesOf(on, COARSE_REL_TOL, { cells: room.cells + COARSE_CELLS });
}
