import { spend } from "../numeric";
import { EMPTY, Enclosure, BROKEN, NOTHING, PARTIAL, iv } from "../interval";
import type { Expression, Unary } from "./expression";
import { same, wholeExponent } from "./read";
import type { FunctionLookup } from "./evaluate";
import { byRule, type Compiler, type One, type Rules, type Two } from "./rules";

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

type Rule<Part> = (e: Part, c: Compiler<EnclosureFunction, FunctionLookup<EnclosureFunction>>) => EnclosureFunction;
const one =
  (rule: EnclosureFunction): Rule<One> =>
  (e, { compile }) => {
    const f = compile(e.a);
    return (x) => rule(f(x));
  };
const two =
  (rule: (u: Enclosure, v: Enclosure) => Enclosure): Rule<Two> =>
  (e, { compile }) => {
    const [f, g] = [compile(e.a), compile(e.b)];
    return (x) => rule(f(x), g(x));
  };

const product: Rule<Two> = (e, c) => {
  if (e.b.kind !== "apply" || e.b.name !== "ln" || !same(e.a, e.b.a)) return two(iv.multiply)(e, c);
  return one(iv.timesLogarithm)(e, c);
};
const power: Rule<Two> = (e, c) => {
  const n = wholeExponent(e.b);
  if (n !== null) return one((u) => iv.integerPower(u, n))(e, c);
  if (same(e.a, e.b)) return one((u) => iv.exp(iv.timesLogarithm(u)))(e, c);
  if (e.b.kind !== "number") return two(iv.power)(e, c);
  const y = e.b.within;
  return one((u) => iv.realPower(u, y))(e, c);
};

const RULES: Rules<Compiler<EnclosureFunction, FunctionLookup<EnclosureFunction>>, EnclosureFunction> = {
  number:
    ({ within }) =>
    () =>
      within,
  variable: () => (x) => x,
  negate: one(iv.negate),
  add: two(iv.add),
  subtract: two(iv.subtract),
  multiply: product,
  divide: two(iv.divide),
  power,
  apply: (e, c) => one(UNARY[e.name])(e, c),
  root: (e, c) => one((u) => iv.root(u, e.n))(e, c),
  min: two(iv.min),
  max: two(iv.max),
  choose(e, { compile }) {
    const [p, q, f, g] = [compile(e.p), compile(e.q), compile(e.a), compile(e.b)];
    return (x) => compare(p(x), q(x), f(x), g(x));
  },
  flat(e, c) {
    const stair = UNARY[e.name];
    return one((u) => flat(stair(u)))(e, c);
  },
  call: (e, c) => one(c.lookup(e.name, e.order))(e, c),
};

/**
 * Compiles an expression to nested closures on enclosures, rounded outward. Missing values are flags of the result,
 * never an accident.
 */
export function compileEnclosure(e: Expression, lookup: FunctionLookup<EnclosureFunction>): EnclosureFunction {
  const compile = (part: Expression): EnclosureFunction => {
    spend(4);
    return byRule(RULES, part, context);
  };
  const context = { compile, lookup };
  return compile(e);
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
