import { rssOf, slopeColumns, type Curve } from "./curve";
import { FAMILY_CONSTANTS, centredCurve, familySlopes, familyValue } from "./families";
import { solveLeastSquares } from "./leastSquares";
import { levenbergMarquardt, type NonlinearSolution } from "./levenbergMarquardt";
import type { OwnModel } from "./own";
import { familyStarts } from "./starts";
import { type Fit, type NoFit, no, sum, MOST_REFITS, leaveOneOutByLeverage, finished } from "./fitShape";

const NO_LIMIT = "The rows do not show where the growth levels off, so that its limit L cannot be told.";

// ---- curved in the constants --------------------------------------------------------------------------------------

export function fitCurved(x: Float64Array, y: Float64Array, family: "power" | "exponential" | "logistic"): Fit | NoFit {
  const n = x.length;
  if (y.every((v) => v === 0)) return no("All readings are 0.");
  // The value in the middle of the data is a better constant to search for than the value at 0.
  const centre =
    family === "exponential"
      ? sum(x) / n
      : family === "power"
        ? Math.exp(x.reduce((s, v) => s + (v > 0 ? Math.log(v) : 0), 0) / Math.max(1, x.filter((v) => v > 0).length))
        : 0;
  const curve = centredCurve(family, centre);
  const best = bestFrom(curve, x, y, familyStarts(family, curve, x, y));
  if (!best) return no("No start for the search gives values; the model does not suit these rows.");
  const limit = family === "logistic" ? y.reduce((m, v) => Math.max(m, Math.abs(v)), 0) * 500 : Infinity;
  if (family === "logistic" && (!best.converged || Math.abs(best.parameters[0]!) > limit)) return no(NO_LIMIT);
  if (!best.converged) return no("The search for the constants did not come to rest.");
  const p = Float64Array.from(best.parameters);
  if (family === "exponential") p[0] = p[0]! * Math.exp(-p[1]! * centre);
  if (family === "power") p[0] = p[0]! / centre ** p[1]!;
  if (p[0] === 0) return no("The constant a is too small for a number; count the inputs from a nearer start.");
  const value = (at: number) =>
    family === "exponential" ? best.parameters[0]! * Math.exp(p[1]! * (at - centre)) : familyValue(family, p, at);
  const made = curvedFit(
    curve,
    x,
    y,
    best.parameters,
    FAMILY_CONSTANTS[family],
    p,
    value,
    (at) => familySlopes(family, p, at),
    null,
  );
  // A limit that might as well be twice as high, or none, is not known.
  const limitError = made.ok && family === "logistic" ? made.constants[0]!.standardError : null;
  return limitError !== null && limitError > Math.abs(p[0]!) ? no(NO_LIMIT) : made;
}

/** Rows that several starts are searched on; with more, only the best goes on to all of them. */
const FEW = 400;

/** The least sum of squares from several starts. */
export function bestFrom(
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
  starts: readonly Float64Array[],
): NonlinearSolution | null {
  if (x.length > FEW && starts.length > 1) {
    const pick = Array.from({ length: FEW }, (_, i) => Math.floor((i * x.length) / FEW));
    const few = bestFrom(
      curve,
      Float64Array.from(pick, (i) => x[i]!),
      Float64Array.from(pick, (i) => y[i]!),
      starts,
    );
    if (few) {
      const whole = bestFrom(curve, x, y, [few.parameters]);
      if (whole?.converged) return whole;
    }
  }
  let best: NonlinearSolution | null = null;
  for (const start of starts) {
    const found = levenbergMarquardt(curve, x, y, start);
    if (!Number.isFinite(found.rss)) continue;
    if (
      !best ||
      (found.converged && !best.converged && found.rss <= best.rss * 1.0001) ||
      (found.rss < best.rss && (found.converged || !best.converged))
    )
      best = found;
  }
  return best;
}

/**
 * What follows from constants once they are found. `inner` are those of the curve as searched, `p` those of the model
 * as written.
 */
export function curvedFit(
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
  inner: Float64Array,
  names: readonly string[],
  p: Float64Array,
  value: (x: number) => number,
  slopesAt: (x: number) => readonly number[],
  own: OwnModel | null,
): Fit | NoFit {
  const n = x.length;
  const searched = solveLeastSquares(slopeColumns(curve, x, inner), y);
  const written = solveLeastSquares(
    names.map((_, j) => Float64Array.from(x, (v) => slopesAt(v)[j]!)),
    y,
  );
  let left: number | null = null;
  if (n > names.length && searched) {
    if (n <= MOST_REFITS) {
      left = 0;
      for (let i = 0; i < n && left !== null; i++) {
        const [xi, yi] = [x.filter((_, k) => k !== i), y.filter((_, k) => k !== i)];
        const again: NonlinearSolution = levenbergMarquardt(curve, xi, yi, inner);
        const miss = y[i]! - curve.value(x[i]!, again.parameters);
        left = Number.isFinite(miss) ? left + miss * miss : null;
      }
      left = left === null ? null : Math.sqrt(left / n);
    } else left = leaveOneOutByLeverage(y, x, value, searched.leverage);
  }
  return finished(
    names,
    p,
    x,
    y,
    rssOf(curve, x, y, inner),
    value,
    written?.spread.map((row) => [...row]) ?? null,
    slopesAt,
    own,
    left,
    null,
  );
}
