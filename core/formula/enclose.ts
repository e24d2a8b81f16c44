import { spend } from "../numeric";
import { EMPTY, Enclosure, BROKEN, NOTHING, PARTIAL, iv } from "../interval";
import { same, wholeExponent, type Expression, type Unary } from "./expression";
import type { FunctionLookup } from "./evaluate";

/** Encloses all values on a box of inputs. */
export type EnclosureFunction = (x: Enclosure) => Enclosure;

export const UNARY: Readonly<Record<Unary, EnclosureFunction>> = {
  ln: iv.ln,
  log10: iv.log10,
  log2: iv.log2,
  exp: iv.exp,
  sqrt: iv.sqrt,
  cbrt: iv.cbrt,
  abs: iv.abs,
  sin: iv.sin,
  cos: iv.cos,
  tan: iv.tan,
  asin: iv.asin,
  acos: iv.acos,
  atan: iv.atan,
  sinh: iv.sinh,
  cosh: iv.cosh,
  tanh: iv.tanh,
  floor: iv.floor,
  ceil: iv.ceil,
  round: iv.round,
  step: iv.step,
  sign: iv.sign,
};

export const compare = (p: Enclosure, q: Enclosure, a: Enclosure, b: Enclosure): Enclosure => {
  if ((p.flags | q.flags) & EMPTY) return NOTHING;
  if (p.hi < q.lo) return a;
  if (q.hi < p.lo) return b;
  const both = iv.hull(a, b);
  return both.flags & EMPTY ? NOTHING : new Enclosure(both.lo, both.hi, both.flags | PARTIAL | BROKEN);
};

/**
 * Compiles an expression to nested closures on enclosures, rounded outward. Missing values are flags of the result,
 * never an accident.
 */
export function compileEnclosure(e: Expression, lookup: FunctionLookup<EnclosureFunction>): EnclosureFunction {
  spend(4);
  const compile = (part: Expression): EnclosureFunction => compileEnclosure(part, lookup);
  switch (e.kind) {
    case "number": {
      const v = e.within;
      return () => v;
    }
    case "variable":
      return (x) => x;
    case "negate": {
      const f = compile(e.a);
      return (x) => iv.negate(f(x));
    }
    case "add": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => iv.add(f(x), g(x));
    }
    case "subtract": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => iv.subtract(f(x), g(x));
    }
    case "multiply": {
      const f = compile(e.a);
      if (e.b.kind === "apply" && e.b.name === "ln" && same(e.a, e.b.a)) return (x) => iv.timesLogarithm(f(x));
      const g = compile(e.b);
      return (x) => iv.multiply(f(x), g(x));
    }
    case "divide": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => iv.divide(f(x), g(x));
    }
    case "power": {
      const f = compile(e.a);
      const n = wholeExponent(e.b);
      if (n !== null) return (x) => iv.integerPower(f(x), n);
      if (same(e.a, e.b)) return (x) => iv.exp(iv.timesLogarithm(f(x)));
      const g = compile(e.b);
      if (e.b.kind === "number") {
        const y = e.b.within;
        return (x) => iv.realPower(f(x), y);
      }
      return (x) => iv.power(f(x), g(x));
    }
    case "apply": {
      const f = compile(e.a);
      const op = UNARY[e.name];
      return (x) => op(f(x));
    }
    case "root": {
      const f = compile(e.a);
      const n = e.n;
      return (x) => iv.root(f(x), n);
    }
    case "min": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => iv.min(f(x), g(x));
    }
    case "max": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => iv.max(f(x), g(x));
    }
    case "choose": {
      const p = compile(e.p);
      const q = compile(e.q);
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => compare(p(x), q(x), f(x), g(x));
    }
    case "flat": {
      const f = compile(e.a);
      const op = UNARY[e.name];
      return (x) => flat(op(f(x)));
    }
    case "call": {
      const f = lookup(e.name, e.order);
      const u = compile(e.a);
      return (x) => f(u(x));
    }
  }
}

export const ZERO = new Enclosure(0, 0);

export const ONE = new Enclosure(1, 1);

export const box = (lo: number, hi: number): Enclosure => new Enclosure(lo, hi);

export const flat = (stair: Enclosure): Enclosure =>
  stair.flags & EMPTY
    ? NOTHING
    : stair.flags & BROKEN
      ? new Enclosure(0, 0, stair.flags | PARTIAL)
      : new Enclosure(0, 0, stair.flags);
