import { ONE, isZero, ratio, signOf, toDouble } from "../numeric";
import { MARGIN, orderBound, vanishes, type Term } from "./growth";

/**
 * The most that can come together of a function beyond 1/δ, whatever its sign: with y = 1/t what is summed is at most
 * |c| y^−r …, and ∫ y^−r dy from Y on is Y^(1−r)/(r − 1) for r above 1. Null where that need not be finite.
 */
export function restBeyond(summed: Term, delta: number): number | null {
  const most = Math.max(Math.abs(summed.c.lo), Math.abs(summed.c.hi));
  if (!Number.isFinite(most)) return null;
  // A power of y is kept for the sum, and all else bounded beside it.
  const isFast = summed.w !== null;
  if (isFast ? !vanishes(summed) : signOf(summed.r.sub(ONE)) <= 0) return null;
  const kept = isFast ? ratio(2) : isZero(summed.s) ? summed.r : summed.r.add(ONE).div(ratio(2));
  const [power, order] = [toDouble(kept) - 1, toDouble(summed.r.sub(kept))];
  const beside = isFast || !isZero(summed.s) ? orderBound(order, toDouble(summed.s), summed.w?.term ?? null, delta) : 1;
  return beside === null ? null : (most * beside * delta ** power * MARGIN * MARGIN) / power + Number.MIN_VALUE;
}
