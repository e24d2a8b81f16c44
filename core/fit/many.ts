import { VARIABLE, enclosedNumber, parts, rebuild, type Expression, type Unary } from "../formula";
import { Enclosure, roundHalfAway } from "../interval";

/** A formula of several unknowns, as a function of all their values. */
export type ManyFunction = (values: Float64Array) => number;

/** Marks the place of an unknown in an expression of one variable; recognised by identity. */
export class Unknowns {
  readonly marks: readonly Enclosure[];
  constructor(readonly names: readonly string[]) {
    this.marks = names.map(() => new Enclosure(-Infinity, Infinity));
  }
  indexOf(e: Expression): number {
    return e.kind === "number" ? this.marks.indexOf(e.within) : -1;
  }
}

const UNARY: Readonly<Record<Unary, (x: number) => number>> = {
  ln: Math.log,
  log10: Math.log10,
  log2: Math.log2,
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
  step: (x) => (x < 0 ? 0 : 1),
  sign: (x) => Math.sign(x),
};

/** Compiles to closures over the values of all unknowns; `slot` is where the expression's own variable is found. */
export function compileMany(e: Expression, unknowns: Unknowns, slot: number): ManyFunction {
  const c = (part: Expression) => compileMany(part, unknowns, slot);
  const at = unknowns.indexOf(e);
  if (at >= 0) return (v) => v[at]!;
  switch (e.kind) {
    case "number": {
      const { value } = e;
      return () => value;
    }
    case "variable":
      return (v) => v[slot]!;
    case "negate": {
      const f = c(e.a);
      return (v) => -f(v);
    }
    case "add": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => f(v) + g(v);
    }
    case "subtract": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => f(v) - g(v);
    }
    case "multiply": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => f(v) * g(v);
    }
    case "divide": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => f(v) / g(v);
    }
    case "power": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => f(v) ** g(v);
    }
    case "apply": {
      const f = c(e.a);
      const op = UNARY[e.name];
      return (v) => op(f(v));
    }
    case "root": {
      const f = c(e.a);
      const { n } = e;
      return (v) => {
        const u = f(v);
        return u < 0 && n % 2 === 1 ? -((-u) ** (1 / n)) : u ** (1 / n);
      };
    }
    case "min": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => Math.min(f(v), g(v));
    }
    case "max": {
      const [f, g] = [c(e.a), c(e.b)];
      return (v) => Math.max(f(v), g(v));
    }
    case "choose": {
      const [p, q, f, g] = [c(e.p), c(e.q), c(e.a), c(e.b)];
      return (v) => (p(v) < q(v) ? f(v) : g(v));
    }
    case "flat":
      return () => 0;
    case "call":
      return () => NaN;
  }
}

/** The expression with one unknown as its variable and its variable as an unknown marked by `outer`. */
export function turnedTo(e: Expression, index: number, unknowns: Unknowns, outer: Enclosure): Expression {
  const go = (x: Expression): Expression => {
    if (x.kind === "variable") return enclosedNumber(NaN, outer);
    if (unknowns.indexOf(x) === index) return VARIABLE;
    return x.kind === "number" ? x : rebuild(x, go);
  };
  return go(e);
}
/** Whether any of the marks stands in an expression. */
export const hasMark = (e: Expression, marks: readonly Enclosure[]): boolean =>
  e.kind === "number" ? marks.includes(e.within) : parts(e).some((p) => hasMark(p, marks));
/** The expression with the unknown `mark` turned back into the variable. */
export function turnedBack(e: Expression, mark: Enclosure): Expression {
  const go = (x: Expression): Expression =>
    x.kind === "number" ? (x.within === mark ? VARIABLE : x) : x.kind === "variable" ? x : rebuild(x, go);
  return go(e);
}
