import { TINY } from "../numeric";

/** The continued fraction has settled when a step changes it by less than this part. */
const LAST_DIGIT = 1e-15;
/** ln Γ by Lanczos (Press et al., Numerical Recipes, section 6.1), |error| < 2e-10. */
function lnGamma(x: number): number {
  const c = [
    76.1800917294715, -86.5053203294168, 24.0140982408309, -1.231739572450155, 0.00120865097386618,
    -0.000005395239384953,
  ];
  const t = x + 5.5 - (x + 0.5) * Math.log(x + 5.5);
  return -t + Math.log((2.506628274631 * c.reduce((s, v, i) => s + v / (x + i + 1), 1.00000000019001)) / x);
}

/** The incomplete beta function by its continued fraction (same book, section 6.4). */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(b, a, 1 - x);
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let [c, d] = [1, 1 - ((a + b) * x) / (a + 1)];
  d = 1 / (Math.abs(d) < TINY ? TINY : d);
  let h = d;
  for (let m = 1; m < 300; m++) {
    for (const v of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 + v * d;
      c = 1 + v / c;
      d = 1 / (Math.abs(d) < TINY ? TINY : d);
      if (Math.abs(c) < TINY) c = TINY;
      h *= d * c;
    }
    if (Math.abs(d * c - 1) < LAST_DIGIT) break;
  }
  return front * h;
}

/**
 * Two-sided quantile of Student's t: the half-width, in standard errors, that covers `share` of readings. @param
 * degrees at least 1
 */
export function studentQuantile(share: number, degrees: number): number {
  const outside = (t: number) => incompleteBeta(degrees / 2, 0.5, degrees / (degrees + t * t));
  let [lo, hi] = [0, 1];
  while (outside(hi) > 1 - share) hi *= 2;
  for (let i = 0; i < 80; i++) {
    const m = (lo + hi) / 2;
    if (outside(m) > 1 - share) lo = m;
    else hi = m;
  }
  return (lo + hi) / 2;
}
