import { ONE, isZero, signOf } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, containsZero, iv, up } from "../interval";
import { compileEnclosure, encloseRational, type Expression } from "../formula";
import { vanishes, type Term } from "./growth";
import { Leading } from "./leading";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";

/** What lies beside an end of a cell. */
export interface EndPiece {
  /** where the middle begins */
  readonly edge: number;
  readonly sum: Enclosure;
  readonly isImproper: boolean;
}

/** Share of a cell that its end is given, where the function has no bound there. */
const HEAD_SHARE = 2 ** -24;

/**
 * What lies between an end of a cell and the double from which the middle is summed.
 * @param width  of the cell
 * @returns  "unbounded" where it provably has no integral there, "work" where that could not be told
 */
export function endIntegral(
  f: Expression,
  end: Spot,
  side: 1 | -1,
  width: number,
  table: FunctionTable,
): EndPiece | "unbounded" | "work" {
  const edge = side > 0 ? end.hi : end.lo;
  const there = compileEnclosure(f, table.enclosure)(new Enclosure(end.lo, end.hi));
  const isTame = !(there.flags & (EMPTY | PARTIAL)) && Number.isFinite(there.lo) && Number.isFinite(there.hi);
  if (isTame) {
    const sliver = iv.multiply(new Enclosure(there.lo, there.hi), new Enclosure(0, up(end.hi - end.lo)));
    return { edge, sum: sliver, isImproper: false };
  }
  const delta = Math.min(1 / 16, width * HEAD_SHARE);
  const inner = side > 0 ? end.hi + delta : end.lo - delta;
  const length = iv.abs(iv.subtract(new Enclosure(inner, inner), new Enclosure(end.lo, end.hi)));
  const term = new Leading({ spot: end, side, delta: length.hi }, table).of(f);
  const sum = term && headIntegral(term, length);
  if (sum === "unbounded") return sum;
  return sum ? { edge: inner, sum, isImproper: true } : "work";
}

/** ∫ c t^r L^s dt from 0 to d: finite when r is above −1. */
function headIntegral(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (t.w) return vanishes(t) ? iv.multiply(t.c, new Enclosure(0, up(d.hi))) : containsZero(t.c) ? null : "unbounded";
  const r = t.r.add(ONE);
  if (signOf(r) < 0 || (signOf(r) === 0 && signOf(t.s) >= 0)) return containsZero(t.c) ? null : "unbounded";
  const isLogarithmic = t.s.compare(ONE) === 0;
  if (signOf(r) === 0 || !(isZero(t.s) || isLogarithmic)) return null;
  const exponent = encloseRational(r);
  const power = iv.realPower(d, exponent);
  const plain = iv.divide(power, exponent);
  if (!isLogarithmic) return iv.multiply(t.c, plain);
  const logarithm = iv.add(iv.negate(iv.ln(d)), iv.divide(new Enclosure(1, 1), exponent));
  return iv.multiply(t.c, iv.multiply(plain, logarithm));
}
