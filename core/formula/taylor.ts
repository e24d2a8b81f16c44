import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "../interval";
import { spend } from "../numeric";
import type { Expression, Unary } from "./expression";
import { wholeExponent } from "./read";
import { byRule, type Compiler, type One, type Rules, type Two } from "./rules";

/**
 * Taylor coefficients f(c), f'(c), f''(c)/2!, … enclosed; each holds for every c of the box the series was made on.
 */
export type Series = readonly Enclosure[];
/** A series composed with another; null where the function is not smooth, or has no value, on all of the box. */
export type SeriesFunction = (x: Series) => Series | null;

const ZERO = new Enclosure(0, 0);
const ONE = new Enclosure(1, 1);
const point = (n: number) => new Enclosure(n, n);

/** The series of the variable itself on a box, `order` + 1 coefficients. */
export function variableSeries(box: Enclosure, order: number): Series {
  const series = constant(box, order + 1);
  if (order > 0) series[1] = ONE;
  return series;
}

const usable = (e: Enclosure): boolean =>
  !(e.flags & (EMPTY | PARTIAL | BROKEN)) && Number.isFinite(e.lo) && Number.isFinite(e.hi);
function constant(v: Enclosure, n: number): Enclosure[] {
  const series = new Array<Enclosure>(n).fill(ZERO);
  series[0] = v;
  return series;
}

const isNought = (e: Enclosure): boolean => e.lo === 0 && e.hi === 0;
/** Half the distance from 1 to the next double: the relative error of one operation. */
const ROUNDING = 2 ** -53;
/** A product that underflows is off by less than this, also when it is weighted. */
const UNDERFLOW = 1e-300;
/**
 * Bounds of Σ w_j u_j v_(k−j) over j = from … to, with w_j = j or 1: the least and greatest products summed in
 * plain floating point, then moved outward by the bound on the rounding of such sums, (n + 3)·2^-53·Σ|terms|, which
 * has room for the two products of each term (Higham, Accuracy and Stability of Numerical Algorithms, section 3.1).
 * Terms that are nothing cost nothing; most of a line's are.
 */
function dot(u: Series, v: Series, k: number, from: number, to: number, isWeighted: boolean): Enclosure {
  let lo = 0;
  let hi = 0;
  let size = 0;
  let terms = 0;
  for (let j = from; j <= to; j++) {
    const a = u[j]!;
    const b = v[k - j]!;
    if (isNought(a) || isNought(b)) continue;
    const weight = isWeighted ? j : 1;
    const p = a.lo * b.lo * weight;
    const q = a.lo * b.hi * weight;
    const r = a.hi * b.lo * weight;
    const s = a.hi * b.hi * weight;
    const least = Math.min(p, q, r, s);
    const most = Math.max(p, q, r, s);
    lo += least;
    hi += most;
    size += Math.max(-least, most);
    terms++;
  }
  if (terms === 0) return ZERO;
  spend(terms);
  const off = size * (terms + 3) * ROUNDING + terms * UNDERFLOW;
  return new Enclosure(lo - off, hi + off);
}

const times = (u: Series, v: Series): Series => u.map((_, k) => dot(u, v, k, 0, k, false));
function over(u: Series, v: Series): Series | null {
  if (v[0]!.lo <= 0 && v[0]!.hi >= 0) return null;
  const w: Enclosure[] = [];
  for (let k = 0; k < u.length; k++) w.push(iv.divide(iv.subtract(u[k]!, dot(v, w, k, 1, k, false)), v[0]!));
  return w;
}
/** Σ j u_j s_(k−j) / k: the k-th coefficient of the function whose slope has the series s, at u. */
const grown = (u: Series, s: Series, k: number): Enclosure => iv.divide(dot(u, s, k, 1, k, true), point(k));
/**
 * The series whose first coefficient is given and whose slope, as a function of u, has the series s; null where that
 * coefficient is not known, or there is none.
 */
export function integrated(first: Enclosure, u: Series, s: Series): Series | null {
  return usable(first) ? u.map((_, k) => (k === 0 ? first : grown(u, s, k))) : null;
}

function exponential(u: Series): Series {
  const w = [iv.exp(u[0]!)];
  for (let k = 1; k < u.length; k++) w.push(grown(u, w, k));
  return w;
}
function waves(u: Series, first: Enclosure, second: Enclosure, hyperbolic: boolean): { first: Series; second: Series } {
  const [s, c] = [[first], [second]];
  for (let k = 1; k < u.length; k++) {
    const [a, b] = [grown(u, c, k), grown(u, s, k)];
    s.push(a);
    c.push(hyperbolic ? b : iv.negate(b));
  }
  return { first: s, second: c };
}
/** u to a fixed power, by w' u = a u' w; the first coefficient is given. */
function powered(u: Series, a: Enclosure, first: Enclosure): Series | null {
  if (!usable(first) || (u[0]!.lo <= 0 && u[0]!.hi >= 0)) return null;
  const w = [first];
  for (let k = 1; k < u.length; k++) {
    const weighted = u.map((c, j) =>
      j > k || isNought(c) ? ZERO : iv.multiply(iv.subtract(iv.multiply(a, point(j)), point(k - j)), c),
    );
    w.push(iv.divide(dot(weighted, w, k, 1, k, false), iv.multiply(point(k), u[0]!)));
  }
  return w;
}
function wholePower(u: Series, n: number): Series | null {
  if (n < 0) {
    const below = wholePower(u, -n);
    return below && over(constant(ONE, u.length), below);
  }
  if (n > 64) return powered(u, point(n), iv.integerPower(u[0]!, n));
  let result: Series = constant(ONE, u.length);
  let square = u;
  for (let left = n; left > 0; left >>= 1) {
    if (left & 1) result = times(result, square);
    if (left > 1) square = times(square, square);
  }
  // The plain power is tighter than products of one box with itself.
  return result.map((c, k) => (k === 0 ? iv.integerPower(u[0]!, n) : c));
}
const logarithm = (u: Series): Series | null => {
  const s = over(constant(ONE, u.length), u);
  return s && u[0]!.lo > 0 ? integrated(iv.ln(u[0]!), u, s) : null;
};
const scaled = (u: Series, by: Enclosure): Series => u.map((c) => iv.multiply(c, by));

/** w = tanh u by w' = (1 − w²) u': sinh and cosh would run out of numbers long before their quotient does. */
function hyperbolicTangent(u: Series): Series {
  const w = [iv.tanh(u[0]!)];
  const slope = [iv.subtract(ONE, iv.integerPower(w[0]!, 2))];
  for (let k = 1; k < u.length; k++) {
    w.push(iv.divide(dot(u, slope, k, 1, k, true), point(k)));
    slope.push(iv.negate(dot(w, w, k, 0, k, false)));
  }
  return w;
}

function apply(name: Unary, u: Series): Series | null {
  const n = u.length;
  switch (name) {
    case "exp":
      return exponential(u);
    case "ln":
      return logarithm(u);
    case "log10": {
      const l = logarithm(u);
      return l && scaled(l, iv.divide(ONE, iv.ln(point(10))));
    }
    case "log2": {
      const l = logarithm(u);
      return l && scaled(l, iv.divide(ONE, iv.ln(point(2))));
    }
    case "sqrt":
      return u[0]!.lo > 0 ? powered(u, point(0.5), iv.sqrt(u[0]!)) : null;
    case "cbrt":
      return powered(u, iv.divide(ONE, point(3)), iv.cbrt(u[0]!));
    case "sin":
      return waves(u, iv.sin(u[0]!), iv.cos(u[0]!), false).first;
    case "cos":
      return waves(u, iv.sin(u[0]!), iv.cos(u[0]!), false).second;
    case "tan": {
      const w = waves(u, iv.sin(u[0]!), iv.cos(u[0]!), false);
      return over(w.first, w.second);
    }
    case "sinh":
      return waves(u, iv.sinh(u[0]!), iv.cosh(u[0]!), true).first;
    case "cosh":
      return waves(u, iv.sinh(u[0]!), iv.cosh(u[0]!), true).second;
    case "tanh":
      return hyperbolicTangent(u);
    case "atan": {
      const s = over(
        constant(ONE, n),
        times(u, u).map((c, k) => (k === 0 ? iv.add(ONE, iv.integerPower(u[0]!, 2)) : c)),
      );
      return s && integrated(iv.atan(u[0]!), u, s);
    }
    case "asin":
    case "acos": {
      const under = times(u, u).map((c, k) => (k === 0 ? iv.subtract(ONE, iv.integerPower(u[0]!, 2)) : iv.negate(c)));
      const s = under[0]!.lo > 0 ? powered(under, point(-0.5), iv.divide(ONE, iv.sqrt(under[0]!))) : null;
      return (
        s && (name === "asin" ? integrated(iv.asin(u[0]!), u, s) : integrated(iv.acos(u[0]!), u, s.map(iv.negate)))
      );
    }
    case "abs":
      return u[0]!.lo > 0 ? u : u[0]!.hi < 0 ? u.map(iv.negate) : null;
    case "floor":
    case "ceil":
    case "round":
    case "step":
    case "sign": {
      const v = iv[name](u[0]!);
      return v.lo === v.hi && !v.flags ? constant(v, n) : null;
    }
  }
}

type SeriesLookup = (name: string, order: number) => SeriesFunction | null;
type SeriesCompiler = Compiler<SeriesFunction, SeriesLookup>;
type Rule<Part> = (e: Part, c: SeriesCompiler) => SeriesFunction;
const one =
  (map: SeriesFunction): Rule<One> =>
  (e, { compile }) => {
    const f = compile(e.a);
    return (x) => {
      const u = f(x);
      return u && map(u);
    };
  };
const two =
  (join: (u: Series, v: Series) => Series | null): Rule<Two> =>
  (e, { compile }) => {
    const [f, g] = [compile(e.a), compile(e.b)];
    return (x) => {
      const u = f(x);
      const v = u && g(x);
      return v && join(u, v);
    };
  };
const power: Rule<Two> = (e, c) => {
  const n = wholeExponent(e.b);
  if (n !== null) return one((u) => wholePower(u, n))(e, c);
  if (e.b.kind === "number") {
    const y = e.b.within;
    return one((u) => (u[0]!.lo > 0 ? powered(u, y, iv.realPower(u[0]!, y)) : null))(e, c);
  }
  return two((u, v) => {
    const l = logarithm(u);
    return l && exponential(times(v, l));
  })(e, c);
};
const isBelow = (u: Series, v: Series): boolean => u[0]!.hi < v[0]!.lo;

const RULES: Rules<SeriesCompiler, SeriesFunction> = {
  number:
    ({ within }) =>
    (x) =>
      constant(within, x.length),
  variable: () => (x) => x,
  negate: one((u) => u.map(iv.negate)),
  add: two((u, v) => u.map((c, k) => iv.add(c, v[k]!))),
  subtract: two((u, v) => u.map((c, k) => iv.subtract(c, v[k]!))),
  multiply: two(times),
  divide: two(over),
  power,
  apply: (e, c) => one((u) => apply(e.name, u))(e, c),
  root: (e, c) => one((u) => powered(u, iv.divide(ONE, point(e.n)), iv.root(u[0]!, e.n)))(e, c),
  min: two((u, v) => (isBelow(u, v) ? u : isBelow(v, u) ? v : null)),
  max: two((u, v) => (isBelow(v, u) ? u : isBelow(u, v) ? v : null)),
  choose(e, { compile }) {
    const [p, q, f, g] = [compile(e.p), compile(e.q), compile(e.a), compile(e.b)];
    return (x) => {
      const u = p(x);
      const v = u && q(x);
      return v && (isBelow(u, v) ? f(x) : isBelow(v, u) ? g(x) : null);
    };
  },
  flat: (e, c) => one((u) => (apply(e.name, u) ? constant(ZERO, u.length) : null))(e, c),
  call(e, c) {
    const f = c.lookup(e.name, e.order);
    return f ? one(f)(e, c) : () => null;
  },
};

/**
 * Compiles an expression to a function on Taylor series, all coefficients rounded outward (Moore, Kearfott & Cloud,
 * Introduction to Interval Analysis, section 9.2).
 *
 * @param lookup  the same for the functions of the case; null for one without a series
 */
export function compileSeries(e: Expression, lookup: SeriesLookup): SeriesFunction {
  const compile = (part: Expression): SeriesFunction => checked(byRule(RULES, part, context));
  const context = { compile, lookup };
  return byRule(RULES, e, context);
}
const checked =
  (f: SeriesFunction): SeriesFunction =>
  (x) => {
    const s = f(x);
    return s && s.every(usable) ? s : null;
  };
