import { monomial } from "./exactPolynomial";
import { FAMILY_CONSTANTS } from "./families";
import { solveLeastSquares } from "./leastSquares";
import { type Fit, type NoFit, no, sum, rssBy } from "./fitShape";
import { linearFit } from "./fitLinear";

/** A row that decides the line alone leaves nothing to judge it by: its own share is 1 but for rounding. */
const NO_ROOM = 1e-9;

// ---- on logarithms ------------------------------------------------------------------------------------------------

export function fitLogs(x: Float64Array, y: Float64Array, family: "power" | "exponential"): Fit | NoFit {
  if (y.some((v) => v <= 0))
    return no("Logarithms need readings above 0, and there is one at or below 0; fit it directly.");
  const u = family === "power" ? x.map(Math.log) : x;
  const v = y.map(Math.log);
  const names = FAMILY_CONSTANTS[family];
  const line = linearFit(
    u,
    v,
    names,
    [u.map(() => 1), u],
    family === "exponential" ? [monomial(0), monomial(1)] : null,
    (p) => (at) => p[0]! + p[1]! * at,
    (at) => [1, at],
    null,
  );
  if (!line.ok) return line;
  const [intercept, slope] = line.constants;
  const a = Math.exp(intercept!.value);
  if (!(a > 0) || !Number.isFinite(a))
    return no(
      `The constant a would be e^${intercept!.value.toPrecision(6)}, which no number ` +
        "holds; count the inputs from a nearer start.",
    );
  const inner = (at: number) => (family === "power" ? Math.log(at) : at);
  const value = (at: number) => Math.exp(intercept!.value + slope!.value * inner(at));
  const rss = rssBy(value, x, y);
  const mean = sum(y) / y.length;
  const total = y.reduce((s, w) => s + (w - mean) ** 2, 0);
  const n = x.length;
  // Left out on the logarithms, missed on the readings.
  const solved = solveLeastSquares([u.map(() => 1), u], v);
  let left: number | null = 0;
  for (let i = 0; i < n && left !== null; i++) {
    const rest = 1 - (solved?.leverage[i] ?? 1);
    left = rest < NO_ROOM ? null : left + (y[i]! - Math.exp(v[i]! - (v[i]! - line.value(u[i]!)) / rest)) ** 2;
  }
  return {
    ok: true,
    n,
    rss,
    own: null,
    value,
    secondWay: line.secondWay,
    leaveOneOut: left === null ? null : Math.sqrt(left / n),
    constants: [
      { name: "a", value: a, standardError: intercept!.standardError === null ? null : a * intercept!.standardError },
      { name: "b", value: slope!.value, standardError: slope!.standardError },
    ],
    r2: total > 0 ? 1 - rss / total : null,
    residualSd: n > 2 ? Math.sqrt(rss / (n - 2)) : null,
    aicc: rss > 0 && n > 4 ? n * Math.log(rss / n) + 6 + 24 / (n - 4) : null,
    band: (at) => {
      const b = line.band(inner(at));
      return b && { low: Math.exp(b.low), high: Math.exp(b.high) };
    },
  };
}
