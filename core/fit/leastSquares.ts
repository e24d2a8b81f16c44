/** A linear least-squares problem solved: min ‖A β − y‖. */
export interface LinearSolution {
  /** p coefficients */
  readonly coefficients: Float64Array;
  /** p × p, (AᵀA)⁻¹; times the residual variance these are the covariances */
  readonly spread: readonly Float64Array[];
  /** n leverages, the diagonal of A (AᵀA)⁻¹ Aᵀ */
  readonly leverage: Float64Array;
}
/** A = Q R: the p × p triangle and the first p numbers of Qᵀ y. Columns were scaled to length 1 by `lengths`. */
export interface Triangle {
  readonly r: readonly Float64Array[];
  readonly c: Float64Array;
  readonly lengths: Float64Array;
}

/** Columns that stand at less than this share of their length outside the others count as dependent. */
const DEPENDENT = 1e-13;

/**
 * Householder QR of columns scaled to length 1, with y carried along (Golub & Van Loan, Matrix Computations, section
 * 5.2). Columns lie one after the other in typed arrays, which makes it ten times as fast as a general matrix class;
 * see docs/adr/0005.
 *
 * @param columns  p columns of n numbers; they are not changed
 * @returns null when a column is empty or not finite
 */
export function triangle(columns: readonly Float64Array[], y: Float64Array): Triangle | null {
  const [n, p] = [y.length, columns.length];
  const lengths = new Float64Array(p);
  const a = columns.map((column, j) => {
    let s = 0;
    for (let i = 0; i < n; i++) s += column[i]! * column[i]!;
    const l = Math.sqrt(s);
    lengths[j] = l;
    const out = new Float64Array(n);
    for (let i = 0; i < n; i++) out[i] = column[i]! / l;
    return out;
  });
  if (lengths.some((l) => !(l > 0) || !Number.isFinite(l))) return null;
  const b = Float64Array.from(y);
  const r = Array.from({ length: p }, () => new Float64Array(p));
  for (let k = 0; k < p && k < n; k++) {
    const v = a[k]!;
    let s = 0;
    for (let i = k; i < n; i++) s += v[i]! * v[i]!;
    const norm = Math.sqrt(s);
    const alpha = v[k]! > 0 ? -norm : norm;
    r[k]![k] = alpha;
    if (norm === 0) continue;
    v[k] = v[k]! - alpha;
    let vv = 0;
    for (let i = k; i < n; i++) vv += v[i]! * v[i]!;
    if (vv === 0) continue;
    for (let j = k + 1; j <= p; j++) {
      const w = j === p ? b : a[j]!;
      let dot = 0;
      for (let i = k; i < n; i++) dot += v[i]! * w[i]!;
      const t = (2 * dot) / vv;
      for (let i = k; i < n; i++) w[i] = w[i]! - t * v[i]!;
      if (j < p) r[k]![j] = w[k]!;
    }
  }
  return { r, c: b.slice(0, p), lengths };
}
/** R x = b from below. */
export function backSubstitute(r: readonly Float64Array[], b: ArrayLike<number>): Float64Array {
  const p = r.length;
  const x = new Float64Array(p);
  for (let j = p - 1; j >= 0; j--) {
    let s = b[j]!;
    for (let k = j + 1; k < p; k++) s -= r[j]![k]! * x[k]!;
    x[j] = s / r[j]![j]!;
  }
  return x;
}
export const isDependent = (r: readonly Float64Array[]): boolean =>
  r.some((row, j) => !(Math.abs(row[j]!) > DEPENDENT));

/**
 * Solves by QR, with one round of refinement.
 * @param columns  p columns of n numbers
 * @returns null when the columns are dependent, or there are fewer rows than columns
 */
export function solveLeastSquares(columns: readonly Float64Array[], y: Float64Array): LinearSolution | null {
  const [n, p] = [y.length, columns.length];
  if (n < p) return null;
  const t = triangle(columns, y);
  if (!t || isDependent(t.r)) return null;
  const scaled = backSubstitute(t.r, t.c);
  // One round of refinement takes back what rounding cost in the first.
  const rest = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let s = y[i]!;
    for (let j = 0; j < p; j++) s -= (columns[j]![i]! / t.lengths[j]!) * scaled[j]!;
    rest[i] = s;
  }
  const again = triangle(columns, rest)!;
  const more = backSubstitute(again.r, again.c);
  const coefficients = Float64Array.from(scaled, (v, j) => (v + more[j]!) / t.lengths[j]!);
  // Columns of R⁻¹ give (AᵀA)⁻¹ = R⁻¹ R⁻ᵀ.
  const inverse = Array.from({ length: p }, (_, k) => {
    const e = new Float64Array(p);
    e[k] = 1;
    return backSubstitute(t.r, e);
  });
  const spread = Array.from({ length: p }, (_, i) =>
    Float64Array.from({ length: p }, (_unused, j) => {
      let s = 0;
      for (let k = 0; k < p; k++) s += inverse[k]![i]! * inverse[k]![j]!;
      return s / (t.lengths[i]! * t.lengths[j]!);
    }),
  );
  const leverage = new Float64Array(n);
  // A row a of the scaled columns has leverage |R⁻ᵀ a|².
  const z = new Float64Array(p);
  for (let i = 0; i < n; i++) {
    let h = 0;
    for (let j = 0; j < p; j++) {
      let s = columns[j]![i]! / t.lengths[j]!;
      for (let k = 0; k < j; k++) s -= t.r[k]![j]! * z[k]!;
      z[j] = s / t.r[j]![j]!;
      h += z[j]! * z[j]!;
    }
    leverage[i] = Math.min(1, h);
  }
  return { coefficients, spread, leverage };
}
