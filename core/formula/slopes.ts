import { EMPTY, Enclosure, ENTIRE, BROKEN, iv } from "../interval";
import { wholeExponent, type Expression, type Unary } from "./expression";
import type { FunctionLookup } from "./evaluate";
import { UNARY, compare, ZERO, ONE, flat } from "./enclose";

/** Value and slope together: `value` encloses f on the box, `slope` every slope and every difference quotient in it. */
export interface Slopes {
  readonly value: Enclosure;
  readonly slope: Enclosure;
}

export type SlopeFunction = (x: Slopes) => Slopes;

const chain = (value: Enclosure, outer: Enclosure, inner: Enclosure): Slopes => ({
  value,
  slope: tame(iv.multiply(outer, inner)),
});

/** A slope keeps no flags of its own: where it is unknown it is any number. */
const tame = (slope: Enclosure): Enclosure =>
  slope.flags & EMPTY ? ENTIRE : slope.flags ? new Enclosure(slope.lo, slope.hi) : slope;

/** f'(u) on a box for the built-in functions; kinks give the hull of both slopes, jumps any slope. */
function outerSlope(name: Unary, u: Enclosure, value: Enclosure): Enclosure {
  switch (name) {
    case "exp":
      return value;
    case "ln":
      return iv.divide(ONE, positive(u));
    case "log10":
      return iv.divide(ONE, iv.multiply(positive(u), iv.ln(new Enclosure(10, 10))));
    case "log2":
      return iv.divide(ONE, iv.multiply(positive(u), iv.ln(new Enclosure(2, 2))));
    case "sqrt":
      return iv.divide(new Enclosure(0.5, 0.5), value);
    case "cbrt":
      return iv.divide(ONE, iv.multiply(new Enclosure(3, 3), iv.integerPower(value, 2)));
    case "sin":
      return iv.cos(u);
    case "cos":
      return iv.negate(iv.sin(u));
    case "tan":
      return iv.add(ONE, iv.integerPower(value, 2));
    case "asin":
      return iv.divide(ONE, iv.sqrt(iv.subtract(ONE, iv.integerPower(u, 2))));
    case "acos":
      return iv.negate(iv.divide(ONE, iv.sqrt(iv.subtract(ONE, iv.integerPower(u, 2)))));
    case "atan":
      return iv.divide(ONE, iv.add(ONE, iv.integerPower(u, 2)));
    case "sinh":
      return iv.cosh(u);
    case "cosh":
      return iv.sinh(u);
    case "tanh":
      return iv.subtract(ONE, iv.integerPower(value, 2));
    case "abs":
      return u.lo >= 0 ? ONE : u.hi <= 0 ? new Enclosure(-1, -1) : new Enclosure(-1, 1);
    default:
      return value.flags & BROKEN ? ENTIRE : ZERO;
  }
}

const positive = (u: Enclosure): Enclosure => (u.lo >= 0 ? u : new Enclosure(0, Math.max(u.hi, 0), u.flags));

/** Compiles to closures that carry value and slope enclosures side by side (forward differentiation). */
export function compileSlopes(e: Expression, lookup: FunctionLookup<SlopeFunction>): SlopeFunction {
  const compile = (part: Expression): SlopeFunction => compileSlopes(part, lookup);
  switch (e.kind) {
    case "number": {
      const v = { value: e.within, slope: ZERO };
      return () => v;
    }
    case "variable":
      return (x) => x;
    case "negate": {
      const f = compile(e.a);
      return (x) => {
        const u = f(x);
        return { value: iv.negate(u.value), slope: iv.negate(u.slope) };
      };
    }
    case "add": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const u = f(x);
        const v = g(x);
        return { value: iv.add(u.value, v.value), slope: tame(iv.add(u.slope, v.slope)) };
      };
    }
    case "subtract": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const u = f(x);
        const v = g(x);
        return { value: iv.subtract(u.value, v.value), slope: tame(iv.subtract(u.slope, v.slope)) };
      };
    }
    case "multiply": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const u = f(x);
        const v = g(x);
        return {
          value: iv.multiply(u.value, v.value),
          slope: tame(iv.add(iv.multiply(u.slope, v.value), iv.multiply(u.value, v.slope))),
        };
      };
    }
    case "divide": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const u = f(x);
        const v = g(x);
        const value = iv.divide(u.value, v.value);
        // (u' - q v') / v is narrower than the textbook form, and needs v but once.
        return {
          value,
          slope:
            value.flags & BROKEN ? ENTIRE : tame(iv.divide(iv.subtract(u.slope, iv.multiply(value, v.slope)), v.value)),
        };
      };
    }
    case "power": {
      const f = compile(e.a);
      const n = wholeExponent(e.b);
      if (n !== null) {
        const whole = new Enclosure(n, n);
        return (x) => {
          const u = f(x);
          return chain(iv.integerPower(u.value, n), iv.multiply(whole, iv.integerPower(u.value, n - 1)), u.slope);
        };
      }
      if (e.b.kind === "number") {
        const y = e.b.within;
        const less = iv.subtract(y, ONE);
        return (x) => {
          const u = f(x);
          return chain(iv.realPower(u.value, y), iv.multiply(y, iv.realPower(u.value, less)), u.slope);
        };
      }
      const g = compile(e.b);
      return (x) => {
        const u = f(x);
        const v = g(x);
        const value = iv.power(u.value, v.value);
        const base = u.value.lo === u.value.hi && u.slope.lo === 0 && u.slope.hi === 0;
        const growth = iv.multiply(v.slope, iv.ln(u.value));
        return {
          value,
          slope: tame(
            iv.multiply(value, base ? growth : iv.add(growth, iv.divide(iv.multiply(v.value, u.slope), u.value))),
          ),
        };
      };
    }
    case "apply": {
      const f = compile(e.a);
      const op = UNARY[e.name];
      const name = e.name;
      return (x) => {
        const u = f(x);
        const value = op(u.value);
        return value.flags & EMPTY ? { value, slope: ENTIRE } : chain(value, outerSlope(name, u.value, value), u.slope);
      };
    }
    case "root": {
      const f = compile(e.a);
      const n = new Enclosure(e.n, e.n);
      const k = e.n;
      return (x) => {
        const u = f(x);
        const value = iv.root(u.value, k);
        return { value, slope: tame(iv.divide(u.slope, iv.multiply(n, iv.integerPower(value, k - 1)))) };
      };
    }
    case "min":
    case "max": {
      const f = compile(e.a);
      const g = compile(e.b);
      const least = e.kind === "min";
      return (x) => {
        const u = f(x);
        const v = g(x);
        const value = least ? iv.min(u.value, v.value) : iv.max(u.value, v.value);
        const firstOnly = least ? u.value.hi < v.value.lo : u.value.lo > v.value.hi;
        const secondOnly = least ? v.value.hi < u.value.lo : v.value.lo > u.value.hi;
        return { value, slope: firstOnly ? u.slope : secondOnly ? v.slope : tame(iv.hull(u.slope, v.slope)) };
      };
    }
    case "choose": {
      const p = compile(e.p);
      const q = compile(e.q);
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const l = p(x).value;
        const r = q(x).value;
        const u = f(x);
        const v = g(x);
        const value = compare(l, r, u.value, v.value);
        return { value, slope: value.flags & (BROKEN | EMPTY) ? ENTIRE : l.hi < r.lo ? u.slope : v.slope };
      };
    }
    case "flat": {
      const f = compile(e.a);
      const op = UNARY[e.name];
      return (x) => {
        const value = flat(op(f(x).value));
        return { value, slope: value.flags & BROKEN ? ENTIRE : ZERO };
      };
    }
    case "call": {
      const f = lookup(e.name, e.order);
      const u = compile(e.a);
      return (x) => f(u(x));
    }
  }
}
