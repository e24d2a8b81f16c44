import { toDouble } from "../numeric";
import { roundHalfAway } from "../interval";
import { dependsOnVariable, wholeExponent, type Expression, type Unary } from "./expression";

/** A number function of one variable; NaN where it has no value. */
export type NumberFunction = (x: number) => number;
/** Gives the compiled `order`-th derivative of a function of the case. */
export type FunctionLookup<F> = (name: string, order: number) => F;

const log = (f: (x: number) => number) => (x: number) => (x > 0 ? f(x) : NaN);
const UNARY: Readonly<Record<Unary, NumberFunction>> = {
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

/**
 * Compiles an expression to nested closures on doubles; no text is ever run as code.
 * Shapes met all the time (a + b x, a constant beside a part, small whole powers) get closures of their own, so that
 * fewer calls are made.
 */
export function compileNumber(e: Expression, lookup: FunctionLookup<NumberFunction>): NumberFunction {
  const compile = (part: Expression): NumberFunction => compileNumber(part, lookup);
  const simple = line(e);
  if (simple) {
    const { a, b } = simple;
    if (b === 0) return () => a;
    if (a === 0) return b === 1 ? (x) => x : (x) => b * x;
    return (x) => a + b * x;
  }
  switch (e.kind) {
    case "number": {
      const v = e.value;
      return () => v;
    }
    case "variable":
      return (x) => x;
    case "negate": {
      const f = compile(e.a);
      return (x) => -f(x);
    }
    case "add":
    case "subtract":
    case "multiply":
    case "divide":
      return binary(e.kind, e.a, e.b, compile);
    case "power":
      return ofPower(e.a, e.b, compile);
    case "apply": {
      const f = UNARY[e.name];
      const u = compile(e.a);
      return e.a.kind === "variable" ? f : (x) => f(u(x));
    }
    case "root": {
      const u = compile(e.a);
      const n = 1 / e.n;
      return e.n % 2 === 1
        ? (x) => {
            const v = u(x);
            return v < 0 ? -((-v) ** n) : v ** n;
          }
        : (x) => {
            const v = u(x);
            return v < 0 ? NaN : v ** n;
          };
    }
    case "min": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => Math.min(f(x), g(x));
    }
    case "max": {
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => Math.max(f(x), g(x));
    }
    case "choose": {
      const p = compile(e.p);
      const q = compile(e.q);
      const f = compile(e.a);
      const g = compile(e.b);
      return (x) => {
        const l = p(x);
        const r = q(x);
        return l < r ? f(x) : l > r ? g(x) : NaN;
      };
    }
    case "flat": {
      const f = UNARY[e.name];
      const u = compile(e.a);
      // A stair is flat except where it jumps; there the neighbours on both sides differ.
      return (x) => {
        const v = u(x);
        const by = Math.max(Math.abs(v) * 2 ** -52, Number.MIN_VALUE);
        return f(v - by) === f(v + by) ? 0 : NaN;
      };
    }
    case "call": {
      const f = lookup(e.name, e.order);
      const u = compile(e.a);
      return e.a.kind === "variable" ? f : (x) => f(u(x));
    }
  }
}

type Binary = "add" | "subtract" | "multiply" | "divide";

function binary(
  kind: Binary,
  a: Expression,
  b: Expression,
  compile: (e: Expression) => NumberFunction,
): NumberFunction {
  const f = compile(a);
  const g = compile(b);
  if (!dependsOnVariable(a)) {
    const k = f(0);
    switch (kind) {
      case "add":
        return (x) => k + g(x);
      case "subtract":
        return (x) => k - g(x);
      case "multiply":
        return (x) => k * g(x);
      case "divide":
        return (x) => quotient(k, g(x));
    }
  }
  if (!dependsOnVariable(b)) {
    const k = g(0);
    switch (kind) {
      case "add":
        return (x) => f(x) + k;
      case "subtract":
        return (x) => f(x) - k;
      case "multiply":
        return (x) => f(x) * k;
      case "divide":
        return k === 0 ? () => NaN : (x) => f(x) / k;
    }
  }
  if (a.kind === "variable") {
    const l = line(b);
    if (kind === "multiply" && l) {
      const { a: p, b: q } = l;
      return (x) => x * (p + q * x);
    }
    switch (kind) {
      case "add":
        return (x) => x + g(x);
      case "subtract":
        return (x) => x - g(x);
      case "multiply":
        return (x) => x * g(x);
      case "divide":
        return (x) => quotient(x, g(x));
    }
  }
  if (b.kind === "variable") {
    switch (kind) {
      case "add":
        return (x) => f(x) + x;
      case "subtract":
        return (x) => f(x) - x;
      case "multiply":
        return (x) => f(x) * x;
      case "divide":
        return (x) => quotient(f(x), x);
    }
  }
  switch (kind) {
    case "add":
      return (x) => f(x) + g(x);
    case "subtract":
      return (x) => f(x) - g(x);
    case "multiply":
      return (x) => f(x) * g(x);
    case "divide":
      return (x) => quotient(f(x), g(x));
  }
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
