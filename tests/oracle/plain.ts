import type { Chance } from "./chance";

/** A formula as the oracle knows it: written as text for Pasear, and worked out plainly on doubles here, with nothing of the core. */
export interface Plain {
  readonly text: string;
  readonly at: (x: number) => number;
}

const NONE = NaN;
const leaf = (text: string, at: (x: number) => number): Plain => ({ text, at });
export const X: Plain = leaf("x", (x) => x);
export const number = (text: string): Plain => {
  const v = Number(text);
  return leaf(text.startsWith("-") ? `(${text})` : text, () => v);
};
const two =
  (sign: string, f: (a: number, b: number) => number) =>
  (a: Plain, b: Plain): Plain => ({ text: `(${a.text}) ${sign} (${b.text})`, at: (x) => f(a.at(x), b.at(x)) });
const one =
  (name: string, f: (v: number) => number) =>
  (a: Plain): Plain => ({ text: `${name}(${a.text})`, at: (x) => f(a.at(x)) });

export const plus = two("+", (a, b) => a + b);
export const minus = two("-", (a, b) => a - b);
export const times = two("*", (a, b) => a * b);
export const over = two("/", (a, b) => (b === 0 ? NONE : a / b));
export const min = (a: Plain, b: Plain): Plain => both("min", a, b, Math.min);
export const max = (a: Plain, b: Plain): Plain => both("max", a, b, Math.max);
const both = (name: string, a: Plain, b: Plain, f: (u: number, v: number) => number): Plain => ({
  text: `${name}(${a.text}, ${b.text})`,
  at: (x) => f(a.at(x), b.at(x)),
});
export const power = (a: Plain, n: number): Plain => ({
  text: n < 0 ? `(${a.text})^(${n})` : `(${a.text})^${n}`,
  at: (x) => {
    const v = a.at(x);
    return n < 0 && v === 0 ? NONE : v ** n;
  },
});
/** a to a power that is no whole number: nothing below 0. */
export const fractional = (a: Plain, text: string): Plain => {
  const p = Number(text);
  return {
    text: `(${a.text})^(${text})`,
    at: (x) => {
      const v = a.at(x);
      return v < 0 || (v === 0 && p < 0) ? NONE : v ** p;
    },
  };
};

const schoolRound = (v: number) => (v < 0 ? -Math.floor(-v + 0.5) : Math.floor(v + 0.5));
export const ONES: readonly ((a: Plain) => Plain)[] = [
  one("abs", Math.abs),
  one("sqrt", (v) => (v < 0 ? NONE : Math.sqrt(v))),
  one("ln", (v) => (v > 0 ? Math.log(v) : NONE)),
  one("exp", Math.exp),
  one("sin", Math.sin),
  one("cos", Math.cos),
  one("atan", Math.atan),
  one("cbrt", Math.cbrt),
];
export const STEPS: readonly ((a: Plain) => Plain)[] = [
  one("floor", Math.floor),
  one("ceil", Math.ceil),
  one("round", schoolRound),
  one("step", (v) => (Number.isNaN(v) ? NONE : v >= 0 ? 1 : 0)),
];
export const RARE: readonly ((a: Plain) => Plain)[] = [
  one("tan", Math.tan),
  one("asin", (v) => (Math.abs(v) > 1 ? NONE : Math.asin(v))),
  one("acos", (v) => (Math.abs(v) > 1 ? NONE : Math.acos(v))),
  one("log10", (v) => (v > 0 ? Math.log10(v) : NONE)),
  one("sinh", Math.sinh),
  one("cosh", Math.cosh),
  one("tanh", Math.tanh),
];
const NUMBERS = ["1", "2", "3", "4", "5", "7", "10", "0.5", "1.5", "0.25", "-1", "-2", "-3", "0", "20", "0.1"];

/** A random formula of about so many parts. */
export function randomFormula(c: Chance, size: number): Plain {
  if (size <= 1) return c.once(2.2) ? number(c.of(NUMBERS)) : X;
  const split = c.whole(1, size - 1);
  const a = () => randomFormula(c, split);
  const b = () => randomFormula(c, size - split);
  const all = () => randomFormula(c, size - 1);
  const roll = c.next();
  if (roll < 0.16) return plus(a(), b());
  if (roll < 0.3) return minus(a(), b());
  if (roll < 0.44) return times(a(), b());
  if (roll < 0.56) return over(a(), b());
  if (roll < 0.62) return power(all(), c.of([2, 2, 3, 4, -1, -2]));
  if (roll < 0.65) return fractional(all(), c.of(["0.5", "1.5", "-0.5", "1/3"].filter((t) => !t.includes("/"))));
  if (roll < 0.7) return (c.once(2) ? min : max)(a(), b());
  if (roll < 0.9) return c.of(ONES)(all());
  if (roll < 0.96) return c.of(STEPS)(all());
  return c.of(RARE)(all());
}

/** A function by pieces with whole borders; each piece a formula of its own. */
export interface PlainPieces {
  readonly pieces: readonly { text: string; from: number; to: number; ends: "[]" | "[)" | "(]" | "()" }[];
  readonly at: (x: number) => number;
}
export function randomPieces(c: Chance, from: number, to: number): PlainPieces {
  const count = c.whole(2, 3);
  const borders = [from];
  for (let i = 1; i < count; i++) borders.push(from + Math.round(((to - from) * i) / count));
  borders.push(to);
  const distinct = [...new Set(borders)].sort((a, b) => a - b);
  const rows = distinct.slice(0, -1).map((start, i) => {
    const f = randomFormula(c, c.whole(1, 4));
    const isLast = i === distinct.length - 2;
    const isLeft = c.once(2);
    return { f, start, end: distinct[i + 1]!, isLast, isLeft };
  });
  const pieces = rows.map((r, i) => {
    const ownsStart = i === 0 || !rows[i - 1]!.isLeft;
    const ownsEnd = r.isLast || r.isLeft;
    return {
      text: r.f.text,
      from: r.start,
      to: r.end,
      ends: `${ownsStart ? "[" : "("}${ownsEnd ? "]" : ")"}` as "[]",
      at: r.f.at,
    };
  });
  return {
    pieces: pieces.map(({ at: _at, ...p }) => p),
    at: (x) => {
      const p = pieces.find(
        (q) => (x > q.from || (x === q.from && q.ends[0] === "[")) && (x < q.to || (x === q.to && q.ends[1] === "]")),
      );
      return p ? p.at(x) : NONE;
    },
  };
}
