import { residuals, rssOf, slopeColumns, type Curve } from "./curve";
import { backSubstitute, isDependent, triangle, type Triangle } from "./leastSquares";

export interface NonlinearSolution {
  readonly parameters: Float64Array;
  readonly rss: number;
  readonly converged: boolean;
}

/** Accepted steps times rows; sets that creep along a valley need thousands of steps. */
const MAX_WORK = 150_000;
const [LEAST_STEPS, MOST_STEPS] = [100, 1500];
/** The residual is taken as square to the surface when it leans less than this. */
const SQUARE = 1e-7;

/**
 * Least squares for a model that is not linear in its constants: Levenberg's and Marquardt's damping with Moré's
 * scaling, each step by QR of the damped columns; at the end undamped steps as long as they shrink (Moré, The
 * Levenberg–Marquardt algorithm, 1978).
 *
 * @param start  where to begin; must give finite values
 */
export function levenbergMarquardt(
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
  start: Float64Array,
): NonlinearSolution {
  const [n, p] = [x.length, start.length];
  let now = Float64Array.from(start);
  let rss = rssOf(curve, x, y, now);
  if (!Number.isFinite(rss)) return { parameters: now, rss, converged: false };
  const total = y.reduce((s, v) => s + v * v, 0);
  const lengths = new Float64Array(p);
  let damping = 1e-3;
  const steps = Math.min(MOST_STEPS, Math.max(LEAST_STEPS, Math.floor(MAX_WORK / n)));
  for (let step = 0; step < steps; step++) {
    const columns = slopeColumns(curve, x, now);
    if (columns.some((c) => c.some((v) => !Number.isFinite(v)))) break;
    columns.forEach((c, j) => {
      lengths[j] = Math.max(lengths[j]!, lengthOf(c));
    });
    // One QR of the columns serves every damping tried: what is damped is its small triangle (Moré 1978, section 3).
    const t = triangle(columns, residuals(curve, x, y, now));
    if (!t) break;
    let taken = false;
    let small = false;
    while (damping < 1e14) {
      const move = dampedMove(t, lengths, damping);
      if (move) {
        const next = now.map((v, j) => v + move[j]!);
        const after = rssOf(curve, x, y, next);
        small = move.every((m, j) => Math.abs(m) <= 1e-13 * (Math.abs(now[j]!) + 1e-290));
        if (after < rss) {
          now = next;
          rss = after;
          damping = Math.max(damping / 9, 1e-16);
          taken = true;
          break;
        }
        if (small) break;
      }
      damping *= 5;
    }
    if (!taken || small || rss <= total * 1e-32) break;
  }
  // Rounding hides the last digits from the sum of squares; undamped steps still find them, and shrink as long as they
  // do.
  let last = Infinity;
  for (let i = 0; i < 12; i++) {
    const t = triangle(slopeColumns(curve, x, now), residuals(curve, x, y, now));
    if (!t || isDependent(t.r)) break;
    const move = backSubstitute(t.r, t.c).map((m, j) => m / t.lengths[j]!);
    const size = Math.max(...move.map((m, j) => Math.abs(m) / (Math.abs(now[j]!) + 1e-290)));
    const next = now.map((v, j) => v + move[j]!);
    const after = rssOf(curve, x, y, next);
    if (!(size < last * 0.9) || !(after <= rss * (1 + 1e-9) + total * 1e-30)) break;
    now = next;
    rss = Math.min(rss, after);
    last = size;
    if (size < 1e-15) break;
  }
  return { parameters: now, rss: rssOf(curve, x, y, now), converged: isSquare(curve, x, y, now, total) };
}
/** The step of the damped problem ‖R δ − c‖² + λ ‖D δ‖², from the triangle of the columns. */
function dampedMove(t: Triangle, lengths: Float64Array, damping: number): Float64Array | null {
  const p = t.lengths.length;
  const columns = Array.from({ length: p }, (_, j) => {
    const out = new Float64Array(2 * p);
    for (let i = 0; i <= j; i++) out[i] = t.r[i]![j]!;
    out[p + j] = Math.sqrt(damping) * ((lengths[j]! || 1) / t.lengths[j]!);
    return out;
  });
  const right = new Float64Array(2 * p);
  right.set(t.c);
  const small = triangle(columns, right);
  if (!small || isDependent(small.r)) return null;
  return backSubstitute(small.r, small.c).map((m, j) => m / small.lengths[j]! / t.lengths[j]!);
}
const lengthOf = (c: Float64Array): number => {
  let s = 0;
  for (const v of c) s += v * v;
  return Math.sqrt(s);
};

/** Whether the residual stands square on the surface of models: nothing can be gained by a small step. */
function isSquare(curve: Curve, x: Float64Array, y: Float64Array, p: Float64Array, total: number): boolean {
  const rest = residuals(curve, x, y, p);
  const norm = Math.sqrt(rest.reduce((s, v) => s + v * v, 0));
  if (!Number.isFinite(norm)) return false;
  if (norm <= 1e-11 * Math.sqrt(total)) return true;
  const t = triangle(slopeColumns(curve, x, p), rest);
  if (!t || isDependent(t.r)) return false;
  // Qᵀ r holds the part of the residual that lies in the surface.
  const inside = t.c.reduce((s, v) => s + v * v, 0);
  return Math.sqrt(inside) <= SQUARE * norm;
}
