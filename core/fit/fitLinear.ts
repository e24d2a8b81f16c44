import { toDouble } from "../numeric";
import { exactLeastSquares, monomial } from "./exactPolynomial";
import { FAMILY_CONSTANTS, POWERS, familySlopes, familyValue, type Family } from "./families";
import { solveLeastSquares } from "./leastSquares";
import type { OwnModel } from "./own";
import { type Fit, type NoFit, no, extremes, rssBy, differs, leaveOneOutByLeverage, finished } from "./fitShape";

// ---- linear in the constants --------------------------------------------------------------------------------------

export function fitLinear(x: Float64Array, y: Float64Array, family: Family): Fit | NoFit {
  const powers = POWERS[family];
  const columns = FAMILY_CONSTANTS[family].map((_, j) => Float64Array.from(x, (v) => familySlopes(family, [], v)[j]!));
  const basis = powers?.map(monomial) ?? null;
  const value = (p: ArrayLike<number>) => (v: number) => familyValue(family, p, v);
  return linearFit(
    x,
    y,
    FAMILY_CONSTANTS[family],
    columns,
    basis,
    value,
    (v) => familySlopes(family, [], v),
    null,
    centredCoefficients(x, y, powers),
  );
}

/**
 * Coefficients by QR on powers of (x − mean)/half-width, written out again in x: far better placed than raw powers.
 */
function centredCoefficients(
  x: Float64Array,
  y: Float64Array,
  powers: readonly number[] | undefined,
): Float64Array | null {
  if (!powers || powers[0] !== 0) return null;
  const [lo, hi] = extremes(x);
  const [centre, half] = [lo + (hi - lo) / 2, (hi - lo) / 2 || 1];
  const t = Float64Array.from(x, (v) => (v - centre) / half);
  const solved = solveLeastSquares(
    powers.map((k) => t.map((v) => v ** k)),
    y,
  );
  if (!solved) return null;
  // Horner in x: c0 + t (c1 + t (…)) with t = (x − centre)/half
  let out: number[] = [];
  for (let k = powers.length - 1; k >= 0; k--) {
    const next = new Array<number>(out.length + 1).fill(0);
    out.forEach((c, i) => {
      next[i + 1]! += c / half;
      next[i]! -= (c * centre) / half;
    });
    next[0]! += solved.coefficients[k]!;
    out = next;
  }
  return Float64Array.from(out.slice(0, powers.length));
}

export function linearFit(
  x: Float64Array,
  y: Float64Array,
  names: readonly string[],
  columns: readonly Float64Array[],
  basis: Parameters<typeof exactLeastSquares>[2] | null,
  valueOf: (p: ArrayLike<number>) => (x: number) => number,
  slopesAt: (x: number) => readonly number[],
  own: OwnModel | null,
  centred: Float64Array | null = null,
): Fit | NoFit {
  const exact = basis ? exactLeastSquares([...x], [...y], basis) : null;
  const rounded = solveLeastSquares(columns, y);
  if (!exact && !rounded)
    return no(
      x.length < names.length
        ? `The model has ${names.length} constants, but there are only ${x.length} rows.`
        : "The rows do not determine the constants: different ones fit equally well.",
    );
  const p = exact ? Float64Array.from(exact.coefficients, toDouble) : (centred ?? rounded!.coefficients);
  const value = valueOf(p);
  const leverage = rounded?.leverage ?? null;
  const rss = exact ? Math.max(0, toDouble(exact.rss)) : rssBy(value, x, y);
  const spread = exact ? exact.spread.map((row) => row.map(toDouble)) : rounded!.spread.map((row) => [...row]);
  const second = exact ? (centred ?? rounded?.coefficients ?? null) : null;
  return finished(
    names,
    p,
    x,
    y,
    rss,
    value,
    spread,
    slopesAt,
    own,
    leverage && leaveOneOutByLeverage(y, x, value, leverage),
    second ? differs(value, valueOf(second), x) : null,
  );
}
