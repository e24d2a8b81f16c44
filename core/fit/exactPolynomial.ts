import {
  ONE,
  ZERO,
  denominator,
  isZero,
  numerator,
  ratio,
  rationalOfTyped,
  type Polynomial,
  type Rational,
} from "../numeric";

/** The least-squares solution in fractions: nothing is rounded. */
export interface ExactSolution {
  readonly coefficients: readonly Rational[];
  /** p × p, (AᵀA)⁻¹ */
  readonly spread: readonly (readonly Rational[])[];
  readonly rss: Rational;
}

/** Digits that a sum of powers may grow to; beyond, the rounded method has to do. */
const MOST_BITS = 20_000;
/** Rows up to which the sums are worth their time. */
export const MOST_EXACT_ROWS = 4_000;

/**
 * Least squares for a model that is linear in its constants, with a polynomial of x beside each, by the normal
 * equations in fractions. What makes them a bad method for doubles, that they lose half the digits, does not matter
 * where no digit is lost.
 *
 * @param basis  the polynomial beside each constant
 * @returns null when the constants are not determined, or the numbers are too long
 */
export function exactLeastSquares(
  x: readonly number[],
  y: readonly number[],
  basis: readonly Polynomial[],
): ExactSolution | null {
  if (x.length > MOST_EXACT_ROWS) return null;
  const [wholeX, wholeY] = [wholes(x), wholes(y)];
  if (!wholeX || !wholeY) return null;
  const degree = Math.max(...basis.map((b) => b.length - 1));
  const longest = wholeX.values.reduce((m, v) => Math.max(m, v.toString(16).length * 4), 1);
  if (longest * 2 * degree > MOST_BITS) return null;
  const powers: bigint[] = new Array(2 * degree + 1).fill(0n);
  const mixed: bigint[] = new Array(degree + 1).fill(0n);
  let squares = 0n;
  wholeX.values.forEach((v, i) => {
    const w = wholeY.values[i]!;
    let p = 1n;
    for (let k = 0; k <= 2 * degree; k++) {
      powers[k]! += p;
      if (k <= degree) mixed[k]! += p * w;
      p *= v;
    }
    squares += w * w;
  });
  const byX = (k: number) => ratio(wholeX.unit ** BigInt(k));
  const sums = powers.map((s, k) => ratio(s).div(byX(k)));
  const mixedSums = mixed.map((s, k) => ratio(s).div(byX(k)).div(ratio(wholeY.unit)));
  const dot = (a: Polynomial, b: Polynomial) =>
    a.reduce((sum, u, i) => b.reduce((inner, v, j) => inner.add(u.mul(v).mul(sums[i + j]!)), sum), ZERO);
  const matrix = basis.map((a) => basis.map((b) => dot(a, b)));
  const right = basis.map((a) => a.reduce((sum, u, i) => sum.add(u.mul(mixedSums[i]!)), ZERO));
  const spread = inverseOf(matrix);
  if (!spread) return null;
  const coefficients = spread.map((row) => row.reduce((sum, v, j) => sum.add(v.mul(right[j]!)), ZERO));
  const rss = coefficients.reduce(
    (sum, c, j) => sum.sub(c.mul(right[j]!)),
    ratio(squares).div(ratio(wholeY.unit ** 2n)),
  );
  return { coefficients, spread, rss };
}

/** Decimals as whole numbers over one power of ten. */
function wholes(values: readonly number[]): { values: bigint[]; unit: bigint } | null {
  const exact = values.map((v) => rationalOfTyped(v));
  let unit = 1n;
  for (const r of exact) {
    if (!r) return null;
    const d = denominator(r);
    while (unit % d !== 0n) {
      unit *= 10n;
      if (unit > 10n ** 60n) return null;
    }
  }
  return { values: exact.map((r) => numerator(r!) * (unit / denominator(r!))), unit };
}

function inverseOf(matrix: readonly (readonly Rational[])[]): Rational[][] | null {
  const p = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? ONE : ZERO))]);
  for (let k = 0; k < p; k++) {
    const at = rows.findIndex((row, i) => i >= k && !isZero(row[k]!));
    if (at < 0) return null;
    [rows[k], rows[at]] = [rows[at]!, rows[k]!];
    const under = ONE.div(rows[k]![k]!);
    rows[k] = rows[k]!.map((v) => v.mul(under));
    for (let i = 0; i < p; i++) {
      const factor = rows[i]![k]!;
      if (i === k || isZero(factor)) continue;
      rows[i] = rows[i]!.map((v, j) => v.sub(factor.mul(rows[k]![j]!)));
    }
  }
  return rows.map((row) => row.slice(p));
}

/** 1, x, x², … as polynomials. */
export const monomial = (k: number): Polynomial => [...new Array<Rational>(k).fill(ZERO), ONE];
