import { Matrix, QrDecomposition } from 'ml-matrix'

/** A linear least-squares problem solved: min ‖A β − y‖. */
export interface LinearSolution {
  /** p coefficients */
  readonly coefficients: Float64Array
  /** p × p, (AᵀA)⁻¹; times the residual variance these are the covariances */
  readonly spread: readonly Float64Array[]
  /** n leverages, the diagonal of A (AᵀA)⁻¹ Aᵀ */
  readonly leverage: Float64Array
}

/** Columns that stand at less than this share of their length outside the others count as dependent. */
const DEPENDENT = 1e-13

/**
 * Solves by Householder QR of the columns, each scaled to length 1 (Golub & Van Loan, Matrix Computations, section 5.3).
 *
 * @param columns  p columns of n numbers
 * @returns null when the columns are dependent, or there are fewer rows than columns
 */
export function solveLeastSquares(columns: readonly Float64Array[], y: Float64Array): LinearSolution | null {
  const [n, p] = [y.length, columns.length]
  if (n < p) return null
  const lengths = columns.map((c) => Math.sqrt(c.reduce((s, v) => s + v * v, 0)))
  if (lengths.some((l) => !(l > 0) || !Number.isFinite(l))) return null
  const a = new Matrix(n, p)
  for (let j = 0; j < p; j++) for (let i = 0; i < n; i++) a.set(i, j, columns[j]![i]! / lengths[j]!)
  const qr = new QrDecomposition(a)
  const [r, q] = [qr.upperTriangularMatrix, qr.orthogonalMatrix]
  for (let j = 0; j < p; j++) if (!(Math.abs(r.get(j, j)) > DEPENDENT)) return null
  const projected = (v: Float64Array) => { const out = new Float64Array(p); for (let j = 0; j < p; j++) { let s = 0; for (let i = 0; i < n; i++) s += q.get(i, j) * v[i]!; out[j] = s } return out }
  const back = (b: Float64Array) => { const x = new Float64Array(p); for (let j = p - 1; j >= 0; j--) { let s = b[j]!; for (let k = j + 1; k < p; k++) s -= r.get(j, k) * x[k]!; x[j] = s / r.get(j, j) } return x }
  const scaled = back(projected(y))
  // One round of refinement takes back what rounding cost in the first.
  const rest = new Float64Array(n)
  for (let i = 0; i < n; i++) { let s = y[i]!; for (let j = 0; j < p; j++) s -= a.get(i, j) * scaled[j]!; rest[i] = s }
  const more = back(projected(rest))
  const coefficients = new Float64Array(p)
  for (let j = 0; j < p; j++) coefficients[j] = (scaled[j]! + more[j]!) / lengths[j]!
  // Rows of R⁻¹ give (AᵀA)⁻¹ = R⁻¹ R⁻ᵀ.
  const inverse = Array.from({ length: p }, (_, k) => { const e = new Float64Array(p); e[k] = 1; return back(e) })
  const spread = Array.from({ length: p }, (_, i) => Float64Array.from({ length: p }, (_unused, j) => { let s = 0; for (let k = 0; k < p; k++) s += inverse[k]![i]! * inverse[k]![j]!; return s / (lengths[i]! * lengths[j]!) }))
  const leverage = new Float64Array(n)
  for (let i = 0; i < n; i++) { let s = 0; for (let j = 0; j < p; j++) s += q.get(i, j) ** 2; leverage[i] = Math.min(1, s) }
  return { coefficients, spread, leverage }
}
