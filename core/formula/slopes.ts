import { EMPTY, Enclosure, ENTIRE, BROKEN, iv } from "../interval";
import type { Expression, Unary } from "./expression";
import { wholeExponent } from "./read";
import type { FunctionLookup } from "./evaluate";
import { UNARY, compare, ZERO, ONE, flat } from "./enclose";
import { byRule, type Compiler, type One, type Rules, type Two } from "./rules";

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

type Slopers = Compiler<SlopeFunction, FunctionLookup<SlopeFunction>>;
type Rule<Part> = (e: Part, c: Slopers) => SlopeFunction;
const one =
  (rule: SlopeFunction): Rule<One> =>
  (e, { compile }) => {
    const f = compile(e.a);
    return (x) => rule(f(x));
  };
const two =
  (rule: (u: Slopes, v: Slopes) => Slopes): Rule<Two> =>
  (e, { compile }) => {
    const [f, g] = [compile(e.a), compile(e.b)];
    return (x) => rule(f(x), g(x));
  };

const product = (u: Slopes, v: Slopes): Slopes => ({
  value: iv.multiply(u.value, v.value),
  slope: tame(iv.add(iv.multiply(u.slope, v.value), iv.multiply(u.value, v.slope))),
});
function quotient(u: Slopes, v: Slopes): Slopes {
  const value = iv.divide(u.value, v.value);
  // (u' - q v') / v is narrower than the textbook form, and needs v but once.
  const slope = () => tame(iv.divide(iv.subtract(u.slope, iv.multiply(value, v.slope)), v.value));
  return { value, slope: value.flags & BROKEN ? ENTIRE : slope() };
}
/** Both, base and exponent, may change. */
function powerOf(u: Slopes, v: Slopes): Slopes {
  const value = iv.power(u.value, v.value);
  const isFixedBase = u.value.lo === u.value.hi && u.slope.lo === 0 && u.slope.hi === 0;
  const growth = iv.multiply(v.slope, iv.ln(u.value));
  const all = isFixedBase ? growth : iv.add(growth, iv.divide(iv.multiply(v.value, u.slope), u.value));
  return { value, slope: tame(iv.multiply(value, all)) };
}
const power: Rule<Two> = (e, c) => {
  const n = wholeExponent(e.b);
  if (n !== null) {
    const whole = new Enclosure(n, n);
    return one((u) => chain(iv.integerPower(u.value, n), iv.multiply(whole, iv.integerPower(u.value, n - 1)), u.slope))(
      e,
      c,
    );
  }
  if (e.b.kind !== "number") return two(powerOf)(e, c);
  const y = e.b.within;
  const less = iv.subtract(y, ONE);
  return one((u) => chain(iv.realPower(u.value, y), iv.multiply(y, iv.realPower(u.value, less)), u.slope))(e, c);
};
function ofRoot(u: Slopes, n: number): Slopes {
  const value = iv.root(u.value, n);
  const under = iv.multiply(new Enclosure(n, n), iv.integerPower(value, n - 1));
  return { value, slope: tame(iv.divide(u.slope, under)) };
}
/** The slope of the smaller of two, where one is below the other on the whole box; else that of either. */
function least(u: Slopes, v: Slopes): Slopes {
  const value = iv.min(u.value, v.value);
  if (u.value.hi < v.value.lo) return { value, slope: u.slope };
  return { value, slope: v.value.hi < u.value.lo ? v.slope : tame(iv.hull(u.slope, v.slope)) };
}
function greatest(u: Slopes, v: Slopes): Slopes {
  const value = iv.max(u.value, v.value);
  if (u.value.lo > v.value.hi) return { value, slope: u.slope };
  return { value, slope: v.value.lo > u.value.hi ? v.slope : tame(iv.hull(u.slope, v.slope)) };
}

const RULES: Rules<Slopers, SlopeFunction> = {
  number(e) {
    const v = { value: e.within, slope: ZERO };
    return () => v;
  },
  variable: () => (x) => x,
  negate: one((u) => ({ value: iv.negate(u.value), slope: iv.negate(u.slope) })),
  add: two((u, v) => ({ value: iv.add(u.value, v.value), slope: tame(iv.add(u.slope, v.slope)) })),
  subtract: two((u, v) => ({ value: iv.subtract(u.value, v.value), slope: tame(iv.subtract(u.slope, v.slope)) })),
  multiply: two(product),
  divide: two(quotient),
  power,
  apply({ name, ...e }, c) {
    const outer = UNARY[name];
    return one((u) => {
      const value = outer(u.value);
      return value.flags & EMPTY ? { value, slope: ENTIRE } : chain(value, outerSlope(name, u.value, value), u.slope);
    })(e, c);
  },
  root: (e, c) => one((u) => ofRoot(u, e.n))(e, c),
  min: two(least),
  max: two(greatest),
  choose(e, { compile }) {
    const [p, q, f, g] = [compile(e.p), compile(e.q), compile(e.a), compile(e.b)];
    return (x) => {
      const [l, r, u, v] = [p(x).value, q(x).value, f(x), g(x)];
      const value = compare(l, r, u.value, v.value);
      return { value, slope: value.flags & (BROKEN | EMPTY) ? ENTIRE : l.hi < r.lo ? u.slope : v.slope };
    };
  },
  flat(e, c) {
    const stair = UNARY[e.name];
    return one((u) => {
      const value = flat(stair(u.value));
      return { value, slope: value.flags & BROKEN ? ENTIRE : ZERO };
    })(e, c);
  },
  call: (e, c) => one(c.lookup(e.name, e.order))(e, c),
};

/** Compiles to closures that carry value and slope enclosures side by side (forward differentiation). */
export function compileSlopes(e: Expression, lookup: FunctionLookup<SlopeFunction>): SlopeFunction {
  const compile = (part: Expression): SlopeFunction => byRule(RULES, part, context);
  const context = { compile, lookup };
  return compile(e);
}
