import {
  UNARY_VALUES,
  VARIABLE,
  byRule,
  enclosedNumber,
  parts,
  rebuild,
  type Expression,
  type One,
  type Rules,
  type Two,
} from "../formula";
import { Enclosure } from "../interval";

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

type Rule<Part> = (e: Part, compile: (part: Expression) => ManyFunction) => ManyFunction;
const one =
  (rule: (u: number) => number): Rule<One> =>
  (e, compile) => {
    const f = compile(e.a);
    return (v) => rule(f(v));
  };
const two =
  (rule: (u: number, w: number) => number): Rule<Two> =>
  (e, compile) => {
    const [f, g] = [compile(e.a), compile(e.b)];
    return (v) => rule(f(v), g(v));
  };
const RULES: Omit<Rules<(part: Expression) => ManyFunction, ManyFunction>, "variable"> = {
  number:
    ({ value }) =>
    () =>
      value,
  negate: one((u) => -u),
  add: two((u, w) => u + w),
  subtract: two((u, w) => u - w),
  multiply: two((u, w) => u * w),
  divide: two((u, w) => u / w),
  power: two((u, w) => u ** w),
  apply: (e, compile) => one(UNARY_VALUES[e.name])(e, compile),
  root: ({ n, a }, compile) => one((u) => (u < 0 && n % 2 === 1 ? -((-u) ** (1 / n)) : u ** (1 / n)))({ a }, compile),
  min: two(Math.min),
  max: two(Math.max),
  choose(e, compile) {
    const [p, q, f, g] = [compile(e.p), compile(e.q), compile(e.a), compile(e.b)];
    return (v) => (p(v) < q(v) ? f(v) : g(v));
  },
  flat: () => () => 0,
  call: () => () => NaN,
};

/** Compiles to closures over the values of all unknowns; `slot` is where the expression's own variable is found. */
export function compileMany(e: Expression, unknowns: Unknowns, slot: number): ManyFunction {
  const rules: Rules<(part: Expression) => ManyFunction, ManyFunction> = { ...RULES, variable: () => (v) => v[slot]! };
  const compile = (part: Expression): ManyFunction => {
    const at = unknowns.indexOf(part);
    return at >= 0 ? (v) => v[at]! : byRule(rules, part, compile);
  };
  return compile(e);
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
