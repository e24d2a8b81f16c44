import { residuals, rssOf, slopeColumns, type Curve } from "./curve";
import { backSubstitute, isDependent, triangle, type Triangle } from "./leastSquares";

/** An undamped step is worth taking while it is this much shorter than the one before. */
const SHRINKS = 0.9;
/** What rounding may add to a sum of squares: a part of it, and a part of all y². */
const [ROUNDED, ROUNDED_TO_NOTHING] = [1e-9, 1e-30];
/** A step below this part of every constant changes no digit. */
const LAST_DIGIT = 1e-15;
/** Residuals below this part of y are rounding: the model goes through every row. */
const LEAST_MISS = 1e-11;

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
  const rows: Rows = { curve, x, y, total: y.reduce((s, v) => s + v * v, 0) };
  const parameters = Float64Array.from(start);
  const begun = { parameters, rss: rssOf(curve, x, y, parameters) };
  if (!Number.isFinite(begun.rss)) return { ...begun, converged: false };
  const last = refined(damped(begun, rows), rows).parameters;
  return { parameters: last, rss: rssOf(curve, x, y, last), converged: isSquare(curve, x, y, last, rows.total) };
}

interface Rows {
  readonly curve: Curve;
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** sum of the squares of y */
  readonly total: number;
}
interface Standing {
  readonly parameters: Float64Array;
  readonly rss: number;
}

const FIRST_DAMPING = 1e-3;
/** Damping is eased after a step that was taken, and made stronger after one that was not. */
const [EASED, STRONGER] = [9, 5];
const [LEAST_DAMPING, MOST_DAMPING] = [1e-16, 1e14];
/** A sum of squares below this part of all y² is rounding. */
const NOTHING_LEFT = 1e-32;
/** A move below this part of a constant changes nothing. */
const NO_MOVE = 1e-13;

/** Damped steps until none is taken any more. */
function damped(begun: Standing, { curve, x, y, total }: Rows): Standing {
  let now = begun;
  const lengths = new Float64Array(begun.parameters.length);
  let damping = FIRST_DAMPING;
  const steps = Math.min(MOST_STEPS, Math.max(LEAST_STEPS, Math.floor(MAX_WORK / x.length)));
  for (let step = 0; step < steps; step++) {
    const columns = slopeColumns(curve, x, now.parameters);
    if (columns.some((c) => c.some((v) => !Number.isFinite(v)))) break;
    columns.forEach((c, j) => {
      lengths[j] = Math.max(lengths[j]!, lengthOf(c));
    });
    // One QR of the columns serves every damping tried: what is damped is its small triangle (Moré 1978, section 3).
    const t = triangle(columns, residuals(curve, x, y, now.parameters));
    const better = t && dampedStep(t, now, lengths, damping, { curve, x, y, total });
    if (!better) break;
    now = better;
    damping = Math.max(better.damping / EASED, LEAST_DAMPING);
    if (better.isSmall || now.rss <= total * NOTHING_LEFT) break;
  }
  return now;
}
/** The first step that misses less, damped ever stronger; null where none does. */
function dampedStep(
  t: Triangle,
  now: Standing,
  lengths: Float64Array,
  from: number,
  { curve, x, y }: Rows,
): (Standing & { readonly damping: number; readonly isSmall: boolean }) | null {
  for (let damping = from; damping < MOST_DAMPING; damping *= STRONGER) {
    const move = dampedMove(t, lengths, damping);
    if (!move) continue;
    const parameters = now.parameters.map((v, j) => v + move[j]!);
    const rss = rssOf(curve, x, y, parameters);
    const isSmall = move.every((m, j) => Math.abs(m) <= NO_MOVE * (Math.abs(now.parameters[j]!) + TINY));
    if (rss < now.rss) return { parameters, rss, damping, isSmall };
    if (isSmall) return null;
  }
  return null;
}

/** Keeps a quotient finite where a constant is 0. */
const TINY = 1e-290;
/** Undamped steps at the end, at the most. */
const REFINEMENTS = 12;
/**
 * Rounding hides the last digits from the sum of squares; undamped steps still find them, and shrink as long as they
 * do.
 */
function refined(begun: Standing, { curve, x, y, total }: Rows): Standing {
  let now = begun;
  let last = Infinity;
  for (let i = 0; i < REFINEMENTS; i++) {
    const t = triangle(slopeColumns(curve, x, now.parameters), residuals(curve, x, y, now.parameters));
    if (!t || isDependent(t.r)) break;
    const move = backSubstitute(t.r, t.c).map((m, j) => m / t.lengths[j]!);
    const size = Math.max(...move.map((m, j) => Math.abs(m) / (Math.abs(now.parameters[j]!) + TINY)));
    const parameters = now.parameters.map((v, j) => v + move[j]!);
    const after = rssOf(curve, x, y, parameters);
    if (!(size < last * SHRINKS) || !(after <= now.rss * (1 + ROUNDED) + total * ROUNDED_TO_NOTHING)) break;
    now = { parameters, rss: Math.min(now.rss, after) };
    last = size;
    if (size < LAST_DIGIT) break;
  }
  return now;
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
  if (norm <= LEAST_MISS * Math.sqrt(total)) return true;
  const t = triangle(slopeColumns(curve, x, p), rest);
  if (!t || isDependent(t.r)) return false;
  // Qᵀ r holds the part of the residual that lies in the surface.
  const inside = t.c.reduce((s, v) => s + v * v, 0);
  return Math.sqrt(inside) <= SQUARE * norm;
}
