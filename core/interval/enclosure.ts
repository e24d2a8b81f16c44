import { spend } from "../numeric";
import { addHi, addLo, divHi, divLo, down, downWide, mulHi, mulLo, up, upWide } from "./round";

/** Some input of the box may have no value. */
export const PARTIAL = 1;

/** The function may jump or have a pole within the box. */
export const BROKEN = 2;

/** No input of the box has a value. */
export const EMPTY = 4;

/**
 * All values a function takes on a box of inputs lie in [lo, hi]; the flags tell what else may happen there.
 * Guaranteed to contain, never merely estimated. With EMPTY, lo and hi mean nothing.
 */
export class Enclosure {
  constructor(
    readonly lo: number,
    readonly hi: number,
    readonly flags: number = 0,
  ) {
    spend(1);
  }
}

export const NOTHING = new Enclosure(NaN, NaN, EMPTY | PARTIAL);

export const ENTIRE = new Enclosure(-Infinity, Infinity, 0);

export const make = (lo: number, hi: number, flags: number): Enclosure =>
  lo <= hi ? new Enclosure(lo, hi, flags) : new Enclosure(-Infinity, Infinity, flags);

export const containsZero = (a: Enclosure): boolean => a.lo <= 0 && a.hi >= 0;

export function add(a: Enclosure, b: Enclosure): Enclosure {
  const flags = a.flags | b.flags;
  return flags & EMPTY ? NOTHING : make(addLo(a.lo, b.lo), addHi(a.hi, b.hi), flags);
}

export function subtract(a: Enclosure, b: Enclosure): Enclosure {
  const flags = a.flags | b.flags;
  return flags & EMPTY ? NOTHING : make(addLo(a.lo, -b.hi), addHi(a.hi, -b.lo), flags);
}

export const negate = (a: Enclosure): Enclosure => new Enclosure(-a.hi, -a.lo, a.flags);

export function multiply(a: Enclosure, b: Enclosure): Enclosure {
  const flags = a.flags | b.flags;
  if (flags & EMPTY) return NOTHING;
  if (a.lo >= 0) {
    if (b.lo >= 0) return make(mulLo(a.lo, b.lo), mulHi(a.hi, b.hi), flags);
    if (b.hi <= 0) return make(mulLo(a.hi, b.lo), mulHi(a.lo, b.hi), flags);
    return make(mulLo(a.hi, b.lo), mulHi(a.hi, b.hi), flags);
  }
  if (a.hi <= 0) {
    if (b.lo >= 0) return make(mulLo(a.lo, b.hi), mulHi(a.hi, b.lo), flags);
    if (b.hi <= 0) return make(mulLo(a.hi, b.hi), mulHi(a.lo, b.lo), flags);
    return make(mulLo(a.lo, b.hi), mulHi(a.lo, b.lo), flags);
  }
  if (b.lo >= 0) return make(mulLo(a.lo, b.hi), mulHi(a.hi, b.hi), flags);
  if (b.hi <= 0) return make(mulLo(a.hi, b.lo), mulHi(a.lo, b.lo), flags);
  return make(Math.min(mulLo(a.lo, b.hi), mulLo(a.hi, b.lo)), Math.max(mulHi(a.lo, b.lo), mulHi(a.hi, b.hi)), flags);
}

export function divide(a: Enclosure, b: Enclosure): Enclosure {
  const flags = a.flags | b.flags;
  if (flags & EMPTY) return NOTHING;
  if (b.lo > 0) {
    return make(
      a.lo >= 0 ? divLo(a.lo, b.hi) : divLo(a.lo, b.lo),
      a.hi >= 0 ? divHi(a.hi, b.lo) : divHi(a.hi, b.hi),
      flags,
    );
  }
  if (b.hi < 0) return negate(divide(a, negate(b)));
  if (b.lo === 0 && b.hi === 0) return NOTHING;
  const broken = flags | PARTIAL | BROKEN;
  // A divisor that only touches 0 from one side leaves half a line.
  if (b.lo === 0) {
    if (a.lo >= 0) return make(divLo(a.lo, b.hi), Infinity, broken);
    if (a.hi <= 0) return make(-Infinity, divHi(a.hi, b.hi), broken);
  } else if (b.hi === 0) {
    if (a.lo >= 0) return make(-Infinity, divHi(a.lo, b.lo), broken);
    if (a.hi <= 0) return make(divLo(a.hi, b.lo), Infinity, broken);
  }
  return new Enclosure(-Infinity, Infinity, broken);
}

const powLo = (x: number, n: number): number => {
  // x >= 0: repeated directed products keep the bound; long powers go through the platform's, with its stated error.
  if (n > 32) return Math.max(0, downWide(x ** n));
  let r = 1;
  let square = x;
  for (let k = n; k > 0; k >>= 1) {
    if (k & 1) r = mulLo(r, square);
    square = mulLo(square, square);
  }
  return Math.max(0, r);
};

const powHi = (x: number, n: number): number => {
  if (n > 32) return upWide(x ** n);
  let r = 1;
  let square = x;
  for (let k = n; k > 0; k >>= 1) {
    if (k & 1) r = mulHi(r, square);
    square = mulHi(square, square);
  }
  return r;
};

/** a^n for a whole n. */
export function integerPower(a: Enclosure, n: number): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  if (n === 0) return new Enclosure(1, 1, a.flags);
  if (n < 0) return divide(new Enclosure(1, 1), integerPower(a, -n));
  if (a.lo >= 0) return make(powLo(a.lo, n), powHi(a.hi, n), a.flags);
  if (n % 2 === 1)
    return make(a.lo < 0 ? -powHi(-a.lo, n) : powLo(a.lo, n), a.hi < 0 ? -powLo(-a.hi, n) : powHi(a.hi, n), a.flags);
  if (a.hi <= 0) return make(powLo(-a.hi, n), powHi(-a.lo, n), a.flags);
  return make(0, powHi(Math.max(-a.lo, a.hi), n), a.flags);
}

/** Keeps the part of `a` at or above `least`; what lies below has no value. */
export function cut(a: Enclosure, least: number, most = Infinity): Enclosure {
  if (a.flags & EMPTY || a.hi < least || a.lo > most) return NOTHING;
  return a.lo >= least && a.hi <= most
    ? a
    : new Enclosure(Math.max(a.lo, least), Math.min(a.hi, most), a.flags | PARTIAL);
}

export const monotone = (a: Enclosure, f: (x: number) => number, least = -Infinity): Enclosure =>
  a.flags & EMPTY ? NOTHING : make(Math.max(least, downWide(f(a.lo))), upWide(f(a.hi)), a.flags);

export function exp(a: Enclosure): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  const lo = a.lo === 0 ? 1 : Math.max(0, downWide(Math.exp(a.lo)));
  const hi = a.hi === 0 ? 1 : upWide(Math.exp(a.hi));
  return make(lo, hi, a.flags);
}

const logarithm =
  (f: (x: number) => number) =>
  (a: Enclosure): Enclosure => {
    if (a.flags & EMPTY || a.hi <= 0) return NOTHING;
    const flags = a.lo > 0 ? a.flags : a.flags | PARTIAL | (a.lo === 0 ? 0 : BROKEN);
    return make(a.lo <= 0 ? -Infinity : a.lo === 1 ? 0 : downWide(f(a.lo)), a.hi === 1 ? 0 : upWide(f(a.hi)), flags);
  };

export const ln = logarithm(Math.log);

export const log10 = logarithm(Math.log10);

export const log2 = logarithm(Math.log2);

export function sqrt(a: Enclosure): Enclosure {
  const part = cut(a, 0);
  if (part.flags & EMPTY) return NOTHING;
  // The platform's square root is correctly rounded (IEEE 754); a whole root of a whole number is exact.
  const root = (x: number, move: (v: number) => number) => {
    const r = Math.sqrt(x);
    return r * r === x && Number.isInteger(r) ? r : Math.max(0, move(r));
  };
  return make(root(part.lo, down), root(part.hi, up), part.flags);
}

export const cbrt = (a: Enclosure): Enclosure =>
  a.lo === 0 || a.hi === 0
    ? a.flags & EMPTY
      ? NOTHING
      : make(a.lo === 0 ? 0 : downWide(Math.cbrt(a.lo)), a.hi === 0 ? 0 : upWide(Math.cbrt(a.hi)), a.flags)
    : monotone(a, Math.cbrt);

/**
 * a^y for a fixed real, not whole, y: defined for a >= 0 (a > 0 where y < 0). `y` is given by its enclosure [yLo, yHi].
 */
export function realPower(a: Enclosure, y: Enclosure): Enclosure {
  const base = cut(a, 0);
  const flags = base.flags | y.flags;
  if (flags & EMPTY) return NOTHING;
  if (y.lo > 0) {
    const lo = Math.min(base.lo ** y.lo, base.lo ** y.hi);
    const hi = Math.max(base.hi ** y.lo, base.hi ** y.hi);
    return make(
      base.lo === 0 ? 0 : base.lo === 1 ? 1 : Math.max(0, downWide(lo)),
      base.hi === 0 ? 0 : base.hi === 1 ? 1 : upWide(hi),
      flags,
    );
  }
  if (y.hi < 0) return divide(new Enclosure(1, 1), realPower(a, negate(y)));
  if (base.hi === 0) return new Enclosure(0, 1, flags | PARTIAL | BROKEN);
  return exp(multiply(y, ln(base)));
}

/** u^v with a varying exponent: exp(v ln u), for u > 0; 0 to a positive power is 0. */
export function power(u: Enclosure, v: Enclosure): Enclosure {
  if (v.lo === v.hi && Number.isInteger(v.lo) && Math.abs(v.lo) < 1e6) return integerPower(u, v.lo);
  const base = cut(u, 0);
  const flags = base.flags | v.flags;
  if (flags & EMPTY) return NOTHING;
  if (base.hi === 0)
    return v.lo > 0 ? new Enclosure(0, 0, flags) : v.hi <= 0 ? NOTHING : new Enclosure(0, 0, flags | PARTIAL);
  if (base.lo === 0 && v.lo > 0) {
    const top = exp(multiply(v, ln(new Enclosure(Math.max(base.lo, Number.MIN_VALUE), base.hi))));
    return make(0, Math.max(top.hi, 0), flags);
  }
  const result = exp(multiply(v, ln(base)));
  return result.flags & EMPTY
    ? NOTHING
    : new Enclosure(result.lo, result.hi, flags | (base.lo === 0 ? PARTIAL | BROKEN : 0));
}

/** u ln u, tight near 0, where it comes to 0 (and has no value at 0 itself): falls until 1/e, rises after. */
export function timesLogarithm(u: Enclosure): Enclosure {
  if (u.flags & EMPTY || u.hi <= 0) return NOTHING;
  const flags = u.lo > 0 ? u.flags : u.flags | PARTIAL | (u.lo < 0 ? BROKEN : 0);
  const lo = Math.max(u.lo, 0);
  const at = (x: number): Enclosure =>
    x === 0 ? new Enclosure(0, 0) : multiply(new Enclosure(x, x), ln(new Enclosure(x, x)));
  const [a, b] = [at(lo), at(u.hi)];
  const least = lo <= 0.36787944117144233 && u.hi >= 0.36787944117144228 ? -0.36787944117144239 : Math.min(a.lo, b.lo);
  return make(least, Math.max(a.hi, b.hi), flags);
}

/** Odd roots take any number, even ones only what is not negative. */
export function root(a: Enclosure, n: number): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  if (n === 2) return sqrt(a);
  const nth = (x: number) => (x < 0 ? -((-x) ** (1 / n)) : x ** (1 / n));
  // 1/n is itself rounded: up to ln(x)/n·2^-53 more, at most 745·2^-53 relative; widened for that too.
  const spread = (x: number, side: -1 | 1) => {
    const r = nth(x);
    return r === 0 ? 0 : r + side * Math.abs(r) * 2 ** -42;
  };
  if (n % 2 === 1) return make(spread(a.lo, -1), spread(a.hi, 1), a.flags);
  const part = cut(a, 0);
  return part.flags & EMPTY ? NOTHING : make(Math.max(0, spread(part.lo, -1)), spread(part.hi, 1), part.flags);
}

export function abs(a: Enclosure): Enclosure {
  if (a.flags & EMPTY || a.lo >= 0) return a;
  return a.hi <= 0 ? negate(a) : new Enclosure(0, Math.max(-a.lo, a.hi), a.flags);
}

/** -1 or 1; undefined at 0. The slope of abs. */
export function sign(a: Enclosure): Enclosure {
  if (a.flags & EMPTY || (a.lo === 0 && a.hi === 0)) return NOTHING;
  return a.lo > 0
    ? new Enclosure(1, 1, a.flags)
    : a.hi < 0
      ? new Enclosure(-1, -1, a.flags)
      : new Enclosure(-1, 1, a.flags | PARTIAL | BROKEN);
}

export const min = (a: Enclosure, b: Enclosure): Enclosure =>
  (a.flags | b.flags) & EMPTY ? NOTHING : new Enclosure(Math.min(a.lo, b.lo), Math.min(a.hi, b.hi), a.flags | b.flags);

export const max = (a: Enclosure, b: Enclosure): Enclosure =>
  (a.flags | b.flags) & EMPTY ? NOTHING : new Enclosure(Math.max(a.lo, b.lo), Math.max(a.hi, b.hi), a.flags | b.flags);

function stairs(a: Enclosure, f: (x: number) => number): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  const lo = f(a.lo);
  const hi = f(a.hi);
  return new Enclosure(lo, hi, lo === hi ? a.flags : a.flags | BROKEN);
}

/** School rounding: halves go away from zero. The rest is exact, where x + 0.5 would be rounded itself. */
export function roundHalfAway(x: number): number {
  const size = Math.abs(x);
  const whole = Math.floor(size);
  return Math.sign(x) * (size - whole >= 0.5 ? whole + 1 : whole);
}

export const floor = (a: Enclosure): Enclosure => stairs(a, Math.floor);

export const ceil = (a: Enclosure): Enclosure => stairs(a, Math.ceil);

export const round = (a: Enclosure): Enclosure => stairs(a, roundHalfAway);

export const step = (a: Enclosure): Enclosure => stairs(a, (x) => (x < 0 ? 0 : 1));

/** The smallest enclosure of both. */
export function hull(a: Enclosure, b: Enclosure): Enclosure {
  if (a.flags & EMPTY) return b.flags & EMPTY ? NOTHING : new Enclosure(b.lo, b.hi, b.flags | PARTIAL);
  if (b.flags & EMPTY) return new Enclosure(a.lo, a.hi, a.flags | PARTIAL);
  return new Enclosure(Math.min(a.lo, b.lo), Math.max(a.hi, b.hi), a.flags | b.flags);
}
