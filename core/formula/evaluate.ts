import { toDouble } from "../numeric";
import { roundHalfAway } from "../interval";
import type { Expression, Unary } from "./expression";
import { dependsOnVariable, wholeExponent } from "./read";
import { byRule, type Compiler, type Rules, type Two } from "./rules";

/** A number function of one variable; NaN where it has no value. */
export type NumberFunction = (x: number) => number;
/** Gives the compiled `order`-th derivative of a function of the case. */
export type FunctionLookup<F> = (name: string, order: number) => F;

const log = (f: (x: number) => number) => (x: number) => (x > 0 ? f(x) : NaN);
/** Every function of one number in doubles; NaN where it has no value. */
export const UNARY_VALUES: Readonly<Record<Unary, NumberFunction>> = {
  ln: log(Math.log),
  log10: log(Math.log10),
  log2: log(Math.log2),
  exp: Math.exp,
  sqrt: Math.sqrt,
  cbrt: Math.cbrt,
  abs: Math.abs,
  sin: Math.sin,
  cos: Math.cos,
  tan: Math.tan,
  asin: Math.asin,
  acos: Math.acos,
  atan: Math.atan,
  sinh: Math.sinh,
  cosh: Math.cosh,
  tanh: Math.tanh,
  floor: Math.floor,
  ceil: Math.ceil,
  round: roundHalfAway,
  step: (x) => (x < 0 ? 0 : x >= 0 ? 1 : NaN),
  sign: (x) => (x < 0 ? -1 : x > 0 ? 1 : NaN),
};

/** a + b x, when the expression is no more than that as written. */
function line(e: Expression): { a: number; b: number } | null {
  if (e.kind === "variable") return { a: 0, b: 1 };
  if (e.kind === "number") return { a: e.value, b: 0 };
  if (e.kind === "negate") {
    const l = line(e.a);
    return l && { a: -l.a, b: -l.b };
  }
  if (e.kind === "add" || e.kind === "subtract") {
    const l = line(e.a);
    const r = line(e.b);
    const sign = e.kind === "add" ? 1 : -1;
    return l && r && (l.a === 0 || r.a === 0) && (l.b === 0 || r.b === 0)
      ? { a: l.a + sign * r.a, b: l.b + sign * r.b }
      : null;
  }
  if (e.kind === "multiply") {
    const l = line(e.a);
    const r = line(e.b);
    return l && r && ((l.b === 0 && r.a === 0) || (r.b === 0 && l.a === 0))
      ? { a: 0, b: l.b === 0 ? l.a * r.b : r.a * l.b }
      : null;
  }
  return null;
}

/** Closures for one operation, by the shape of its two parts. */
interface Shapes {
  readonly any: (f: NumberFunction, g: NumberFunction) => NumberFunction;
  readonly fixedFirst: (k: number, g: NumberFunction) => NumberFunction;
  readonly fixedSecond: (f: NumberFunction, k: number) => NumberFunction;
  readonly variableFirst: (g: NumberFunction) => NumberFunction;
  readonly variableSecond: (f: NumberFunction) => NumberFunction;
}
const SHAPES: Readonly<Record<"add" | "subtract" | "multiply" | "divide", Shapes>> = {
  add: {
    any: (f, g) => (x) => f(x) + g(x),
    fixedFirst: (k, g) => (x) => k + g(x),
    fixedSecond: (f, k) => (x) => f(x) + k,
    variableFirst: (g) => (x) => x + g(x),
    variableSecond: (f) => (x) => f(x) + x,
  },
  subtract: {
    any: (f, g) => (x) => f(x) - g(x),
    fixedFirst: (k, g) => (x) => k - g(x),
    fixedSecond: (f, k) => (x) => f(x) - k,
    variableFirst: (g) => (x) => x - g(x),
    variableSecond: (f) => (x) => f(x) - x,
  },
  multiply: {
    any: (f, g) => (x) => f(x) * g(x),
    fixedFirst: (k, g) => (x) => k * g(x),
    fixedSecond: (f, k) => (x) => f(x) * k,
    variableFirst: (g) => (x) => x * g(x),
    variableSecond: (f) => (x) => f(x) * x,
  },
  divide: {
    any: (f, g) => (x) => quotient(f(x), g(x)),
    fixedFirst: (k, g) => (x) => quotient(k, g(x)),
    fixedSecond: (f, k) => (k === 0 ? () => NaN : (x) => f(x) / k),
    variableFirst: (g) => (x) => quotient(x, g(x)),
    variableSecond: (f) => (x) => quotient(f(x), x),
  },
};
function binary(e: Two & { readonly kind: keyof typeof SHAPES }, { compile }: Numbers): NumberFunction {
  const { a, b } = e;
  const shapes = SHAPES[e.kind];
  const [f, g] = [compile(a), compile(b)];
  if (!dependsOnVariable(a)) return shapes.fixedFirst(f(0), g);
  if (!dependsOnVariable(b)) return shapes.fixedSecond(f, g(0));
  const second = a.kind === "variable" && e.kind === "multiply" ? line(b) : null;
  if (second) return (x) => x * (second.a + second.b * x);
  if (a.kind === "variable") return shapes.variableFirst(g);
  return b.kind === "variable" ? shapes.variableSecond(f) : shapes.any(f, g);
}

/** A division by zero has no value, not an infinite one. */
const quotient = (a: number, b: number): number => (b === 0 ? NaN : a / b);

function ofPower(a: Expression, b: Expression, compile: (e: Expression) => NumberFunction): NumberFunction {
  const f = compile(a);
  const n = wholeExponent(b);
  if (n !== null) {
    if (n === 2)
      return a.kind === "variable"
        ? (x) => x * x
        : (x) => {
            const v = f(x);
            return v * v;
          };
    if (n === 3)
      return (x) => {
        const v = f(x);
        return v * v * v;
      };
    if (n < 0)
      return (x) => {
        const v = f(x);
        return v === 0 ? NaN : v ** n;
      };
    return a.kind === "variable" ? (x) => x ** n : (x) => f(x) ** n;
  }
  const g = compile(b);
  if (!dependsOnVariable(b)) {
    const k = g(0);
    const sound = b.kind === "number" && b.exact ? toDouble(b.exact) : k;
    return (x) => {
      const v = f(x);
      return v < 0 || (v === 0 && sound < 0) ? NaN : v ** sound;
    };
  }
  if (!dependsOnVariable(a)) {
    const k = f(0);
    return k > 0
      ? (x) => k ** g(x)
      : (x) => {
          const w = g(x);
          return k === 0 && w > 0 ? 0 : NaN;
        };
  }
  return (x) => {
    const v = f(x);
    const w = g(x);
    return v < 0 || (v === 0 && w <= 0) ? NaN : v ** w;
  };
}

type Numbers = Compiler<NumberFunction, FunctionLookup<NumberFunction>>;
type Rule<Part> = (e: Part, c: Numbers) => NumberFunction;
const two =
  (rule: (u: number, v: number) => number): Rule<Two> =>
  (e, { compile }) => {
    const [f, g] = [compile(e.a), compile(e.b)];
    return (x) => rule(f(x), g(x));
  };
function oddRoot(u: NumberFunction, n: number): NumberFunction {
  return (x) => {
    const v = u(x);
    return v < 0 ? -((-v) ** n) : v ** n;
  };
}
function evenRoot(u: NumberFunction, n: number): NumberFunction {
  return (x) => {
    const v = u(x);
    return v < 0 ? NaN : v ** n;
  };
}

const RULES: Rules<Numbers, NumberFunction> = {
  number:
    ({ value }) =>
    () =>
      value,
  variable: () => (x) => x,
  negate(e, { compile }) {
    const f = compile(e.a);
    return (x) => -f(x);
  },
  add: binary,
  subtract: binary,
  multiply: binary,
  divide: binary,
  power: (e, { compile }) => ofPower(e.a, e.b, compile),
  apply(e, { compile }) {
    const f = UNARY_VALUES[e.name];
    const u = compile(e.a);
    return e.a.kind === "variable" ? f : (x) => f(u(x));
  },
  root: (e, { compile }) => (e.n % 2 === 1 ? oddRoot : evenRoot)(compile(e.a), 1 / e.n),
  min: two(Math.min),
  max: two(Math.max),
  choose(e, { compile }) {
    const [p, q, f, g] = [compile(e.p), compile(e.q), compile(e.a), compile(e.b)];
    return (x) => {
      const l = p(x);
      const r = q(x);
      return l < r ? f(x) : l > r ? g(x) : NaN;
    };
  },
  flat(e, { compile }) {
    const f = UNARY_VALUES[e.name];
    const u = compile(e.a);
    // A stair is flat except where it jumps; there the neighbours on both sides differ.
    return (x) => {
      const v = u(x);
      const by = Math.max(Math.abs(v) * 2 ** -52, Number.MIN_VALUE);
      return f(v - by) === f(v + by) ? 0 : NaN;
    };
  },
  call(e, { compile, lookup }) {
    const f = lookup(e.name, e.order);
    const u = compile(e.a);
    return e.a.kind === "variable" ? f : (x) => f(u(x));
  },
};

/**
 * Compiles an expression to nested closures on doubles; no text is ever run as code.
 * Shapes met all the time (a + b x, a constant beside a part, small whole powers) get closures of their own, so that
 * fewer calls are made.
 */
export function compileNumber(e: Expression, lookup: FunctionLookup<NumberFunction>): NumberFunction {
  const compile = (part: Expression): NumberFunction => {
    const simple = line(part);
    return simple ? ofLine(simple) : byRule(RULES, part, context);
  };
  const context = { compile, lookup };
  return compile(e);
}
function ofLine({ a, b }: { readonly a: number; readonly b: number }): NumberFunction {
  if (b === 0) return () => a;
  if (a === 0) return b === 1 ? (x) => x : (x) => b * x;
  return (x) => a + b * x;
}
