import { FAMILY_CONSTANTS } from "./families";
import { type FitSpec, type Fit, type NoFit, no, extremes } from "./fitShape";
import { fitLinear } from "./fitLinear";
import { fitLogs } from "./fitLogs";
import { fitCurved } from "./fitCurved";
import { fitOwn } from "./fitOwn";

/**
 * Fits a model to rows by least squares on y, or on logarithms (power and exponential). Polynomials and other models
 * linear in their constants are solved at once; the rest by damped Gauss–Newton steps from computed starts.
 *
 * @param x  n inputs, finite
 * @param y  n readings, finite
 */
export function fitModel(x: readonly number[], y: readonly number[], spec: FitSpec): Fit | NoFit {
  const [xs, ys] = [Float64Array.from(x), Float64Array.from(y)];
  if (x.length === 0) return no("There are no rows to fit.");
  if ("text" in spec) return fitOwn(xs, ys, spec);
  const { family } = spec;
  const method = spec.method ?? "direct";
  const distinct = new Set(x).size;
  const needed = FAMILY_CONSTANTS[family].length;
  if (family === "proportional") {
    if (x.every((v) => v === 0)) return no("All inputs are 0; a line through the origin needs one that is not.");
  } else if (distinct < needed)
    return no(
      distinct === 1
        ? "All inputs are equal; the model needs different ones."
        : `The model has ${needed} constants, but there are only ${distinct} different inputs.`,
    );
  const low = Math.min(...extremes(xs));
  if (family === "logarithmic" && low <= 0)
    return no("A logarithm needs inputs above 0, and there is one at or below 0.");
  if (family === "power" && (method === "logs" ? low <= 0 : low < 0))
    return no(
      method === "logs"
        ? "Logarithms need inputs above 0, and there is one at or below 0."
        : "A power needs inputs of 0 or more, and there is one below 0.",
    );
  if (method === "logs" && (family === "power" || family === "exponential")) return fitLogs(xs, ys, family);
  if (family === "power" || family === "exponential" || family === "logistic") return fitCurved(xs, ys, family);
  return fitLinear(xs, ys, family);
}
