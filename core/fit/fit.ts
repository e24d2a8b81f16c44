import type { Names } from "../formula";
import { toDouble } from "../numeric";
import { rssOf, slopeColumns, type Curve } from "./curve";
import { exactLeastSquares, monomial } from "./exactPolynomial";
import { FAMILY_CONSTANTS, POWERS, centredCurve, familySlopes, familyValue, type Family } from "./families";
import { solveLeastSquares } from "./leastSquares";
import { levenbergMarquardt, type NonlinearSolution } from "./levenbergMarquardt";
import { ownModel, type OwnModel } from "./own";
import { familyStarts, ownStarts, startsAround } from "./starts";
import { studentQuantile } from "./student";

export type FitMethod = "direct" | "logs";
/** A family, or a formula of one's own with free constants. */
export interface OwnSpec {
  readonly text: string;
  readonly names: Names;
  readonly start?: Readonly<Record<string, number>> | undefined;
}
export type FitSpec = OwnSpec | { readonly family: Family; readonly method?: FitMethod | undefined };

export interface Constant {
  readonly name: string;
  readonly value: number;
  readonly standardError: number | null;
}
/** A model fitted to n rows. Everything is on the scale of y, whatever the method. */
export interface Fit {
  readonly ok: true;
  readonly constants: readonly Constant[];
  readonly n: number;
  readonly rss: number;
  /** null where y does not vary */
  readonly r2: number | null;
  /** √(rss/(n − p)); null without rows to spare */
  readonly residualSd: number | null;
  readonly aicc: number | null;
  /** root of the mean square of what each row misses when it is left out; null when a row cannot be left out */
  readonly leaveOneOut: number | null;
  /** how the second way (QR against fractions, or LM from another start) differs, relative; null where there is none */
  readonly secondWay: number | null;
  readonly value: (x: number) => number;
  /** half-width in y of the 95 % band for a new reading at x; null without rows to spare. For logs it is a factor. */
  readonly band: (x: number) => { low: number; high: number } | null;
  readonly own: OwnModel | null;
}
export interface NoFit {
  readonly ok: false;
  readonly reason: string;
  readonly at?: { start: number; end: number };
}

const no = (reason: string): NoFit => ({ ok: false, reason });
const sum = (a: Float64Array) => a.reduce((s, v) => s + v, 0);
/** Rows up to which a curved model is fitted anew without each; beyond, one step from the whole fit stands for it. */
const MOST_REFITS = 40;

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
const extremes = (a: Float64Array): [number, number] => {
  let [lo, hi] = [Infinity, -Infinity];
  for (const v of a) {
    if (v < lo) lo = v;
    if (v > hi) hi = v;
  }
  return [lo, hi];
};

// ---- linear in the constants --------------------------------------------------------------------------------------

function fitLinear(x: Float64Array, y: Float64Array, family: Family): Fit | NoFit {
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

function linearFit(
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
const rssBy = (value: (x: number) => number, x: Float64Array, y: Float64Array) => {
  let s = 0;
  for (let i = 0; i < x.length; i++) s += (y[i]! - value(x[i]!)) ** 2;
  return s;
};
/** Greatest difference of two forms of one model over the rows, relative to the size of its values. */
function differs(f: (x: number) => number, g: (x: number) => number, x: Float64Array): number {
  let [most, size] = [0, 0];
  for (const v of x) {
    most = Math.max(most, Math.abs(f(v) - g(v)));
    size = Math.max(size, Math.abs(f(v)));
  }
  return size > 0 ? most / size : most;
}
/**
 * e/(1 − h): what a row misses when the line is fitted without it; exact for models linear in their constants (Cook &
 * Weisberg 1982).
 */
function leaveOneOutByLeverage(
  y: Float64Array,
  x: Float64Array,
  value: (x: number) => number,
  leverage: Float64Array,
): number | null {
  let s = 0;
  for (let i = 0; i < x.length; i++) {
    const left = 1 - leverage[i]!;
    if (left < 1e-9) return null;
    s += ((y[i]! - value(x[i]!)) / left) ** 2;
  }
  return Math.sqrt(s / x.length);
}

function finished(
  names: readonly string[],
  p: Float64Array,
  x: Float64Array,
  y: Float64Array,
  rss: number,
  value: (x: number) => number,
  spread: readonly (readonly number[])[] | null,
  slopesAt: (x: number) => readonly number[],
  own: OwnModel | null,
  leaveOneOut: number | null,
  secondWay: number | null,
): Fit | NoFit {
  if (p.some((v) => !Number.isFinite(v)))
    return no("A constant of this model is too large or too small for a number; count the inputs from a nearer start.");
  const n = x.length;
  const free = n - names.length;
  const mean = sum(y) / n;
  const total = y.reduce((s, v) => s + (v - mean) ** 2, 0);
  const variance = free > 0 ? rss / free : null;
  const k = names.length + 1;
  const t = variance !== null ? studentQuantile(0.95, free) : 0;
  return {
    ok: true,
    n,
    rss,
    own,
    leaveOneOut,
    secondWay,
    value,
    constants: names.map((name, j) => ({
      name,
      value: p[j]!,
      standardError: variance !== null && spread ? Math.sqrt(Math.max(0, variance * spread[j]![j]!)) : null,
    })),
    r2: total > 0 ? 1 - rss / total : null,
    residualSd: variance === null ? null : Math.sqrt(variance),
    aicc: rss > 0 && n - k - 1 > 0 ? n * Math.log(rss / n) + 2 * k + (2 * k * (k + 1)) / (n - k - 1) : null,
    band: (at) => {
      if (variance === null || !spread) return null;
      const g = slopesAt(at);
      let s = 1;
      for (let i = 0; i < g.length; i++) for (let j = 0; j < g.length; j++) s += g[i]! * spread[i]![j]! * g[j]!;
      const half = t * Math.sqrt(variance * Math.max(1, s));
      return { low: value(at) - half, high: value(at) + half };
    },
  };
}

// ---- on logarithms ------------------------------------------------------------------------------------------------

function fitLogs(x: Float64Array, y: Float64Array, family: "power" | "exponential"): Fit | NoFit {
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
    left = rest < 1e-9 ? null : left + (y[i]! - Math.exp(v[i]! - (v[i]! - line.value(u[i]!)) / rest)) ** 2;
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

const NO_LIMIT = "The rows do not show where the growth levels off, so that its limit L cannot be told.";

// ---- curved in the constants --------------------------------------------------------------------------------------

function fitCurved(x: Float64Array, y: Float64Array, family: "power" | "exponential" | "logistic"): Fit | NoFit {
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
function bestFrom(
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
function curvedFit(
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

// ---- a formula of one's own ---------------------------------------------------------------------------------------

function fitOwn(x: Float64Array, y: Float64Array, spec: OwnSpec): Fit | NoFit {
  const read = ownModel(spec.text, spec.names);
  if (!read.ok)
    return { ok: false, reason: read.problem.message, at: { start: read.problem.start, end: read.problem.end } };
  const { model } = read;
  const { curve, linear } = model;
  const unknown = Object.keys(spec.start ?? {}).find((name) => !curve.names.includes(name));
  if (unknown !== undefined)
    return no(
      `There is a start for \`${unknown}\`, but the formula has no such free constant; it ` +
        `has ${curve.names.map((c) => `\`${c}\``).join(", ")}.`,
    );
  if (x.length < curve.names.length)
    return no(`The formula has ${curve.names.length} free constants, but there are only ${x.length} rows.`);
  if (linear) {
    const columns = linear.map((g) => Float64Array.from(x, g));
    if (columns.some((c) => c.some((v) => !Number.isFinite(v))))
      return no("The formula has no value at one of the rows.");
    return linearFit(
      x,
      y,
      curve.names,
      columns,
      model.polynomials,
      (p) => (at) => curve.value(at, Float64Array.from(p)),
      (at) => linear.map((g) => g(at)),
      model,
    );
  }
  const starts = ownStarts(curve, x, y, spec.start ?? {});
  const first = bestFrom(curve, x, y, starts);
  // A start that led nowhere may be of the wrong size.
  const best =
    first?.converged || !starts[0] ? first : (bestFrom(curve, x, y, startsAround(curve, x, y, starts[0])) ?? first);
  if (!best)
    return no(
      "The formula has no value at one of the rows for any start that was tried; give starts for its constants.",
    );
  if (!best.converged)
    return no(
      "The search for the constants did not come to rest; give other starts, or a formula with fewer constants.",
    );
  const p = best.parameters;
  const slopes = new Float64Array(p.length);
  return curvedFit(
    curve,
    x,
    y,
    p,
    curve.names,
    p,
    (at) => curve.value(at, p),
    (at) => {
      curve.slopes(at, p, slopes);
      return [...slopes];
    },
    model,
  );
}
