import type { Chance } from "../shared/chance";
import { stockOf, written } from "./stock";

/**
 * A plain value, and how far rounding may have moved it: infinite where it may have taken the other side of a jump or
 * an edge.
 */
export interface Measured {
  readonly v: number;
  readonly off: number;
}

/**
 * A formula as the oracle knows it: written as text for Pasear, and worked out plainly on doubles here, with nothing of
 * the core.
 */
export interface Plain {
  readonly text: string;
  readonly at: (x: Measured) => Measured;
}

const EPS = 2.5e-16;
const NONE: Measured = { v: NaN, off: 0 };
const LOST: Measured = { v: NaN, off: Infinity };
/** A result with what its arguments bring along, and one more rounding; what over- or underflows is lost. */
const made = (v: number, off: number): Measured =>
  Number.isNaN(v) || !Number.isFinite(v) || (v !== 0 && Math.abs(v) < 1e-290)
    ? LOST
    : { v, off: off * 1.01 + Math.abs(v) * EPS * 2 };
const isNone = (a: Measured, b = a): Measured | null => {
  if (a.off === Infinity || b.off === Infinity) return LOST;
  return Number.isNaN(a.v) || Number.isNaN(b.v) ? NONE : null;
};

export const X: Plain = { text: "x", at: (x) => x };
export const number = (text: string): Plain => {
  const v = Number(text);
  return {
    text: text.startsWith("-") ? `(${text})` : text,
    at: () => ({ v, off: Number.isInteger(v) ? 0 : Math.abs(v) * EPS }),
  };
};
const two =
  (sign: string, f: (a: Measured, b: Measured) => Measured) =>
  (a: Plain, b: Plain): Plain => ({
    text: `(${a.text}) ${sign} (${b.text})`,
    at: (x) => {
      const u = a.at(x);
      const v = b.at(x);
      return isNone(u, v) ?? f(u, v);
    },
  });
const exactly = (v: number, off: number, isWhole: boolean): Measured =>
  isWhole && off === 0 && Number.isSafeInteger(v) ? { v, off: 0 } : made(v, off);
const whole = (a: Measured, b = a): boolean =>
  a.off === 0 && b.off === 0 && Number.isSafeInteger(a.v) && Number.isSafeInteger(b.v);

export const plus = two("+", (a, b) => exactly(a.v + b.v, a.off + b.off, whole(a, b)));
export const minus = two("-", (a, b) => exactly(a.v - b.v, a.off + b.off, whole(a, b)));
export const times = two("*", (a, b) => {
  // What comes to 0 only because doubles end there is not known.
  if (a.v * b.v === 0 && a.v !== 0 && b.v !== 0) return LOST;
  return exactly(a.v * b.v, Math.abs(a.v) * b.off + Math.abs(b.v) * a.off + a.off * b.off, whole(a, b));
});
export const over = two("/", (a, b) => {
  if (b.v === 0 && b.off === 0) return NONE;
  if (Math.abs(b.v) <= 4 * b.off) return LOST;
  const v = a.v / b.v;
  return exactly(v, (a.off + Math.abs(v) * b.off) / (Math.abs(b.v) - b.off), whole(a, b) && Number.isInteger(v));
});
const extreme =
  (name: "min" | "max") =>
  (a: Plain, b: Plain): Plain => ({
    text: `${name}(${a.text}, ${b.text})`,
    at: (x) => {
      const u = a.at(x);
      const v = b.at(x);
      return isNone(u, v) ?? { v: Math[name](u.v, v.v), off: Math.max(u.off, v.off) };
    },
  });
export const min = extreme("min");
export const max = extreme("max");

export const power = (a: Plain, n: number): Plain => ({
  text: n < 0 ? `(${a.text})^(${n})` : `(${a.text})^${n}`,
  at: (x) => {
    const u = a.at(x);
    const none = isNone(u);
    if (none) return none;
    if (n < 0 && u.v === 0 && u.off === 0) return NONE;
    if (n < 0 && Math.abs(u.v) <= 4 * u.off) return LOST;
    if (u.v ** n === 0 && u.v !== 0) return LOST;
    const size = Math.abs(u.v) + u.off;
    return exactly(
      u.v ** n,
      Math.abs(n) * (n > 0 ? size : Math.abs(u.v) - u.off) ** (n - 1) * u.off,
      whole(u) && n > 0,
    );
  },
});
/** a to a power that is no whole number: nothing below 0. */
export const fractional = (a: Plain, text: string): Plain => {
  const p = Number(text);
  return {
    text: `(${a.text})^(${text})`,
    at: (x) => {
      const u = a.at(x);
      if (u.v ** p === 0 && u.v !== 0) return LOST;
      return isNone(u) ?? smooth(u, (v) => (v < 0 || (v === 0 && p < 0) ? NaN : v ** p), 0, p < 0);
    },
  };
};

/**
 * A smooth function with an edge: near it, nothing is known; else the change over the bounds of the argument is the
 * error.
 */
function smooth(u: Measured, f: (v: number) => number, edge: number | null = null, isOpen = false): Measured {
  const isAtEdge = edge !== null && Math.abs(u.v - edge) <= 4 * u.off && u.off > 0;
  if (isAtEdge) return LOST;
  const v = f(u.v);
  if (Number.isNaN(v)) return NONE;
  if (edge !== null && u.v === edge && isOpen) return NONE;
  const spread = Math.max(Math.abs(f(u.v + u.off) - v), Math.abs(f(u.v - u.off) - v));
  return Number.isNaN(spread) ? LOST : made(v, spread + Math.abs(v) * EPS * 4);
}
const one =
  (name: string, f: (u: Measured) => Measured) =>
  (a: Plain): Plain => ({
    text: `${name}(${a.text})`,
    at: (x) => {
      const u = a.at(x);
      return isNone(u) ?? f(u);
    },
  });
/** A stair: lost where the argument may lie on either step. */
const stair =
  (f: (v: number) => number, shift = 0) =>
  (u: Measured): Measured => {
    const near = Math.abs(u.v + shift - Math.round(u.v + shift));
    if (u.off > 0 && near <= 4 * u.off + Math.abs(u.v) * EPS) return LOST;
    return { v: f(u.v), off: 0 };
  };
const schoolRound = (v: number) => (v < 0 ? -Math.floor(-v + 0.5) : Math.floor(v + 0.5));

export const ONES: readonly ((a: Plain) => Plain)[] = [
  one("abs", (u) => ({ v: Math.abs(u.v), off: u.off })),
  one("sqrt", (u) => smooth(u, (v) => (v < 0 ? NaN : Math.sqrt(v)), 0)),
  one("ln", (u) => smooth(u, (v) => (v > 0 ? Math.log(v) : NaN), 0, true)),
  one("exp", (u) => (u.v < -600 ? LOST : smooth(u, Math.exp))),
  one("sin", (u) => (Math.abs(u.v) > 1e6 ? LOST : smooth(u, Math.sin))),
  one("cos", (u) => (Math.abs(u.v) > 1e6 ? LOST : smooth(u, Math.cos))),
  one("atan", (u) => smooth(u, Math.atan)),
  one("cbrt", (u) => smooth(u, Math.cbrt)),
];
export const STEPS: readonly ((a: Plain) => Plain)[] = [
  one("floor", stair(Math.floor)),
  one("ceil", stair(Math.ceil)),
  one("round", stair(schoolRound, 0.5)),
  one("step", (u) => (u.off > 0 && Math.abs(u.v) <= 4 * u.off ? LOST : { v: u.v >= 0 ? 1 : 0, off: 0 })),
];
const withinOne =
  (f: (v: number) => number) =>
  (u: Measured): Measured =>
    u.off > 0 && Math.abs(Math.abs(u.v) - 1) <= 4 * u.off ? LOST : smooth(u, (v) => (Math.abs(v) > 1 ? NaN : f(v)));
export const RARE: readonly ((a: Plain) => Plain)[] = [
  one("tan", (u) => (Math.abs(u.v) > 1e6 || Math.abs(Math.cos(u.v)) < 1e-9 ? LOST : smooth(u, Math.tan))),
  one("asin", withinOne(Math.asin)),
  one("acos", withinOne(Math.acos)),
  one("log10", (u) => smooth(u, (v) => (v > 0 ? Math.log10(v) : NaN), 0, true)),
  one("sinh", (u) => smooth(u, Math.sinh)),
  one("cosh", (u) => smooth(u, Math.cosh)),
  one("tanh", (u) => smooth(u, Math.tanh)),
];

/** A random formula of about so many parts; `other` stands in for some of the numbers. */
export function randomFormula(c: Chance, size: number, other: Plain | null = null): Plain {
  if (size <= 1) return other && c.once(2) ? other : c.once(2.2) ? number(c.of(stockOf(c).numbers)) : X;
  const split = c.whole(1, size - 1);
  const a = () => randomFormula(c, split, other);
  const b = () => randomFormula(c, size - split, other);
  const all = () => randomFormula(c, size - 1, other);
  const roll = c.next();
  if (roll < 0.16) return plus(a(), b());
  if (roll < 0.3) return minus(a(), b());
  if (roll < 0.44) return times(a(), b());
  if (roll < 0.56) return over(a(), b());
  if (roll < 0.62) return power(all(), c.of([2, 2, 3, 4, -1, -2]));
  if (roll < 0.65) return fractional(all(), c.of(["0.5", "1.5", "-0.5"]));
  if (roll < 0.7) return (c.once(2) ? min : max)(a(), b());
  if (roll < 0.9) return c.of(ONES)(all());
  if (roll < 0.96) return c.of(STEPS)(all());
  return c.of(RARE)(all());
}

/** A function by pieces with whole borders; each piece a formula of its own. */
export interface PlainPieces {
  readonly pieces: readonly { text: string; from: number; to: number; ends: "[]" | "[)" | "(]" | "()" }[];
  readonly at: (x: Measured) => Measured;
}
export function randomPieces(c: Chance, from: number, to: number): PlainPieces {
  const count = c.whole(2, 3);
  const borders = [from];
  for (let i = 1; i < count; i++) borders.push(written(from + Math.round(((to - from) * i) / count), to));
  borders.push(to);
  const distinct = [...new Set(borders)].sort((a, b) => a - b);
  const rows = distinct.slice(0, -1).map((start, i) => {
    const f = randomFormula(c, c.whole(1, 4));
    const isLast = i === distinct.length - 2;
    return { f, start, end: distinct[i + 1]!, isLast, isLeft: c.once(2) };
  });
  const pieces = rows.map((r, i) => {
    const ownsStart = i === 0 || !rows[i - 1]!.isLeft;
    const ownsEnd = r.isLast || r.isLeft;
    const ends = `${ownsStart ? "[" : "("}${ownsEnd ? "]" : ")"}` as "[]";
    return { text: r.f.text, from: r.start, to: r.end, ends, at: r.f.at };
  });
  const holds = (x: number, q: (typeof pieces)[number]) =>
    (x > q.from || (x === q.from && q.ends[0] === "[")) && (x < q.to || (x === q.to && q.ends[1] === "]"));
  return {
    pieces: pieces.map(({ at: _at, ...p }) => p),
    at: (x) => {
      if (x.off > 0 && distinct.some((b) => Math.abs(x.v - b) <= 4 * x.off)) return LOST;
      return pieces.find((q) => holds(x.v, q))?.at(x) ?? NONE;
    },
  };
}
