import fc from "fast-check";
import { VARIABLE, exactNumber } from "../formula/numbers";
import { add, divide, multiply, negate, rebuild, subtract } from "../formula/build";
import { compileNumber, expressionText, parts, polynomialText, resolve, type Expression } from "../formula";
import { rationalOfTyped } from "../numeric";
import { polynomialForm } from "../solve";

/** Both sides of an equation that holds at `at`. */
export interface Made {
  readonly left: Expression;
  readonly right: Expression;
  readonly at: number;
}

const scope = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => resolve(text, scope).expression!;
const number = (v: number): Expression => exactNumber(rationalOfTyped(v)!);
export const valueOf = (e: Expression, x: number): number => compileNumber(e, () => () => NaN)(x);

const whole = fc.integer({ min: 1, max: 9 });
const signed = fc.integer({ min: -9, max: 9 }).filter((v) => v !== 0);

/** An equation f(x) = c x + d of some kind, with d chosen so that it holds at a whole number. */
export const equations: fc.Arbitrary<Made> = fc
  .tuple(
    fc.constantFrom(
      (a: number, b: number) => `${a} x + ${b}`,
      (a: number, b: number) => `${a} x^2 + ${b} x`,
      (a: number, b: number) => `${a} (x - ${b})^2`,
      (a: number, b: number) => `${a} x (${b} + x)`,
      (a: number, b: number) => `x^3 - ${a} x + ${b}`,
      (a: number, b: number) => `${a}/x + ${b} x`,
      (a: number, b: number) => `${a} sqrt(x) + ${b}`,
      (a: number, b: number) => `${a}*1.5^x - ${b}`,
      (a: number, b: number) => `${a} ln(x) + ${b} x`,
      (a: number, b: number) => `${a} exp(0.5 x) - ${b} x`,
    ),
    whole,
    whole,
    fc.integer({ min: 0, max: 3 }),
    whole,
  )
  .map(([made, a, b, c, at]) => {
    const left = read(made(a, b));
    // The value there is written as it is: an equation between exact numbers where that is one, else of its own form.
    const there = substituted(left, at);
    const right = add(multiply(number(c), VARIABLE), subtract(there, number(c * at)));
    return { left, right, at };
  });

function substituted(e: Expression, at: number): Expression {
  return e.kind === "variable" ? number(at) : rebuild(e, (part) => substituted(part, at));
}

/** What a person may do with an equation without changing where it holds. */
type Move = (m: Made, k: number) => Made;
const both =
  (f: (e: Expression, k: Expression) => Expression): Move =>
  ({ left, right, at }, k) => ({ left: f(left, number(k)), right: f(right, number(k)), at });
const RIGHT: readonly Move[] = [
  both((e, k) => add(e, k)),
  both((e, k) => subtract(e, multiply(k, VARIABLE))),
  both((e, k) => multiply(k, e)),
  both((e, k) => divide(e, k)),
  ({ left, right, at }) => ({ left: right, right: left, at }),
  ({ left, right, at }) => ({ left: subtract(left, right), right: number(0), at }),
  ({ left, right, at }) => ({ left: negate(left), right: negate(right), at }),
];

export const rightSteps: fc.Arbitrary<{ from: Made; to: Made }> = fc
  .tuple(equations, fc.array(fc.tuple(fc.constantFrom(...RIGHT), signed), { minLength: 1, maxLength: 3 }))
  .map(([from, moves]) => ({ from, to: moves.reduce((m, [move, k]) => move(m, k), from) }));

/** A side with one number of it changed, or one sign. */
function* mutants(e: Expression, k: number): Generator<Expression> {
  if (e.kind === "number" && e.exact && e.value !== 0) yield add(e, number(k));
  if (e.kind === "add") yield subtract(e.a, e.b);
  if (e.kind === "subtract") yield add(e.a, e.b);
  if (e.kind === "multiply") yield e.b;
  for (const [i, part] of parts(e).entries())
    for (const other of mutants(part, k)) {
      let n = 0;
      yield rebuild(e, (p) => (n++ === i ? other : p));
    }
}

/** A right step, spoilt at one place so that it no longer holds where it held; told apart by plain values. */
export const wrongSteps: fc.Arbitrary<{ from: Made; to: Made }> = fc
  .tuple(rightSteps, fc.nat({ max: 60 }), signed)
  .map(([{ from, to }, pick, k]) => {
    const sides = [
      ...[...mutants(to.left, k)].map((left) => ({ ...to, left })),
      ...[...mutants(to.right, k)].map((right) => ({ ...to, right })),
    ];
    return { from, to: sides[pick % Math.max(1, sides.length)] ?? to };
  })
  .filter(({ to }) => {
    const [l, r] = [valueOf(to.left, to.at), valueOf(to.right, to.at)];
    return Number.isFinite(l + r) && Math.abs(l - r) > 1e-6 * (1 + Math.abs(l) + Math.abs(r));
  });

/** A side as it is written: brackets cleared half the time, where it is a polynomial. */
export function sideText(e: Expression, isCleared: boolean): string {
  const p = isCleared ? polynomialForm(e) : null;
  return p ? polynomialText(p, "x") : expressionText(e, "x");
}
