import { arcUndone } from "./angle";
import { MINUS_ONE, ONE, ZERO, isZero, ratio, signOf, spend, type Rational } from "../numeric";
import { EMPTY as EMPTY_BOX, ENTIRE, Enclosure } from "../interval";
import {
  Noted,
  byRule,
  compileEnclosure,
  dependsOnVariable,
  parts,
  wholeExponent,
  type Expression,
  type Rules,
  type Two,
} from "../formula";
import { type ConstantForm, EMPTY, formKey, fromRational, atom, plus, scaled, times, rationalOf } from "./constantForm";
import { rationalPower, exponential, logarithm, sine, HALF, signedAtom, rationalPowerOfTen } from "./constantRules";

/** What one part of an expression costs to bring to a form; big fractions are slow. */
const STEPS_OF_FORM = 40;

interface Forming {
  readonly go: (part: Expression) => ConstantForm | null;
  readonly at: ConstantForm | null;
}
type Form = ConstantForm | null;
const two =
  (join: (a: ConstantForm, b: ConstantForm) => Form) =>
  (e: Two, { go }: Forming): Form => {
    const a = go(e.a);
    const b = a && go(e.b);
    return a && b && join(a, b);
  };
/** The smaller of two fractions for `sign` −1, the greater for 1. */
const extreme = (sign: 1 | -1) =>
  two((a, b) => {
    const [x, y] = [rationalOf(a), rationalOf(b)];
    return x && y ? fromRational(x.compare(y) * sign > 0 ? x : y) : null;
  });
function quotient(a: ConstantForm, b: ConstantForm): Form {
  const inverse = b.size === 0 ? null : rationalPower(b, MINUS_ONE);
  return inverse && times(a, inverse);
}
function power(e: Two, { go }: Forming): Form {
  const a = go(e.a);
  if (!a) return null;
  const n = wholeExponent(e.b);
  if (n !== null) return n < 0 && a.size === 0 ? null : rationalPower(a, ratio(n));
  const b = go(e.b);
  if (!b) return null;
  const q = rationalOf(b);
  if (a.size === 0) return q && signOf(q) > 0 ? EMPTY : null;
  if (q) return rationalPower(a, q);
  const log = logarithm(a);
  const inside = log && times(b, log);
  return inside && exponential(inside);
}

const RULES: Rules<Forming, Form> = {
  number({ exact, value }) {
    if (exact) return fromRational(exact);
    return value === Math.PI ? atom("pi") : value === Math.E ? exponential(fromRational(ONE)) : null;
  },
  variable: (_e, { at }) => at,
  negate(e, { go }) {
    const a = go(e.a);
    return a && scaled(a, MINUS_ONE);
  },
  add: two(plus),
  subtract: two((a, b) => plus(a, scaled(b, MINUS_ONE))),
  multiply: two(times),
  divide: two(quotient),
  power,
  root(e, { go }) {
    const a = go(e.a);
    return a && rationalPower(a, ratio(1, e.n));
  },
  apply: (e, { go }) => applied(e, go),
  min: extreme(-1),
  max: extreme(1),
  choose: () => null,
  flat: () => null,
  call: () => null,
};

/**
 * Normal form of an expression without variable (or with the variable at `at`).
 * @returns null when it has no value or the form would grow too long
 */
export function constantForm(e: Expression, at: ConstantForm | null = null): ConstantForm | null {
  const forming: Forming = {
    go(part) {
      spend(STEPS_OF_FORM);
      return byRule(RULES, part, forming);
    },
    at,
  };
  return forming.go(e);
}

function applied(e: Expression & { kind: "apply" }, go: (e: Expression) => ConstantForm | null): ConstantForm | null {
  const u = go(e.a);
  if (!u) return null;
  const r = rationalOf(u);
  switch (e.name) {
    case "exp":
      return exponential(u);
    case "ln":
      return u.size === 0 ? null : logarithm(u);
    case "log10":
    case "log2": {
      const log = u.size === 0 ? null : logarithm(u);
      const base = logarithm(fromRational(ratio(e.name === "log10" ? 10 : 2)));
      if (!log || !base) return null;
      if (e.name === "log2") return times(log, rationalPower(base, MINUS_ONE)!);
      return (r && rationalPowerOfTen(r)) || times(log, atom("1/ln10"));
    }
    case "sqrt":
      return rationalPower(u, HALF);
    case "cbrt":
      return r && signOf(r) < 0 ? negated(rationalPower(fromRational(r.neg()), THIRD)) : rationalPower(u, THIRD);
    case "sin":
      return sine(u, ZERO);
    case "cos":
      return sine(u, HALF);
    case "tan": {
      const top = sine(u, ZERO);
      const bottom = sine(u, HALF);
      const inverse = bottom && bottom.size > 0 ? rationalPower(bottom, MINUS_ONE) : null;
      return top && inverse && times(top, inverse);
    }
    case "abs":
      return r ? fromRational(r.abs()) : null;
    case "floor":
      return r ? fromRational(r.floor()) : null;
    case "ceil":
      return r ? fromRational(r.ceil()) : null;
    case "round":
      return r ? fromRational(signOf(r) < 0 ? r.neg().add(HALF).floor().neg() : r.add(HALF).floor()) : null;
    case "step":
      return r ? fromRational(signOf(r) < 0 ? ZERO : ONE) : null;
    case "sign":
      return r && !isZero(r) ? fromRational(ratio(signOf(r))) : null;
    case "asin":
    case "acos":
    case "atan":
      return angle(e.name, u, arcUndone(e.name, e.a), go);
    case "sinh":
    case "tanh":
      return u.size === 0 ? EMPTY : signedAtom(e.name, u, true);
    case "cosh":
      return signedAtom(e.name, u, false);
    default:
      return atom(`${e.name}[${formKey(u)}]`);
  }
}

const THIRD = ratio(1, 3);
const negated = (form: ConstantForm | null): ConstantForm | null => form && scaled(form, MINUS_ONE);

/** The angle with a sine, cosine or tangent `u`; where it is known what `u` is that of, it is that. */
function angle(
  arc: "asin" | "acos" | "atan",
  u: ConstantForm,
  known: Expression | null,
  go: (e: Expression) => ConstantForm | null,
): ConstantForm | null {
  if (known) return go(known);
  if (arc === "acos") return atom(`acos[${formKey(u)}]`);
  return u.size === 0 ? EMPTY : signedAtom(arc, u, true);
}

/**
 * What an expression without variable is as `turns` · π + `rest`, both fractions; null where it is no such number.
 */
export function turnsOf(e: Expression): { readonly turns: Rational; readonly rest: Rational } | null {
  const form = dependsOnVariable(e) || !holdsPi(e) ? null : constantForm(e);
  if (!form || form.size === 0 || !hasValue(e)) return null;
  let [turns, rest] = [ZERO, ZERO];
  for (const t of form.values()) {
    const isPlain = t.exp.size === 0 && t.atoms.size === 0;
    const isTurn = t.exp.size === 0 && t.atoms.size === 1 && t.atoms.get("pi")?.compare(ONE) === 0;
    if (!isPlain && !isTurn) return null;
    if (isTurn) turns = t.factor;
    else rest = t.factor;
  }
  return isZero(turns) ? null : { turns, rest };
}

const holdsPi = (e: Expression): boolean =>
  (e.kind === "number" && !e.exact && e.value === Math.PI) || parts(e).some(holdsPi);

/** Whether an expression without variable has a value at all: a form may cancel a part that has none. */
function hasValue(e: Expression, at: Enclosure = ORIGIN): boolean {
  return !(compileEnclosure(e, NO_FUNCTIONS)(at).flags & EMPTY_BOX);
}

const ORIGIN = new Enclosure(0, 0);

const NO_FUNCTIONS = () => (): Enclosure => ENTIRE;

/** Whether an expression without variable is proven to be exactly 0. */
export function isExactlyZero(e: Expression): boolean {
  if (dependsOnVariable(e)) return false;
  const form = constantForm(e);
  return form !== null && form.size === 0 && hasValue(e);
}

/**
 * Whether an expression in the variable is proven to be 0 wherever it has a value, by its form in the variable itself.
 * Even roots of what moves are left alone: √(x²) would lose its sign.
 */
export function isIdenticallyZero(e: Expression): boolean {
  if (hidesASign(e)) return false;
  const form = constantForm(e, atom("x"));
  return form !== null && form.size === 0;
}
/** Whether two expressions are proven to be multiples of one another by a number, wherever both have a value. */
export function areMultiples(e: Expression, f: Expression): boolean {
  if (hidesASign(e) || hidesASign(f)) return false;
  const [a, b] = [e, f].map((x) => constantForm(x, atom("x")));
  if (!a || !b || a.size !== b.size || a.size === 0) return false;
  const [first] = a.keys();
  const [top, bottom] = [a.get(first!)!.factor, b.get(first!)?.factor];
  if (!bottom) return false;
  return [...a].every(([key, t]) => {
    const other = b.get(key);
    return other !== undefined && isZero(t.factor.mul(bottom).sub(other.factor.mul(top)));
  });
}
function hidesASign(e: Expression): boolean {
  if (!dependsOnVariable(e)) return false;
  if (e.kind === "root" && e.n % 2 === 0 && e.a.kind !== "variable") return true;
  if (e.kind === "apply" && e.name === "abs") return true;
  const isRoot = (e.kind === "apply" && e.name === "sqrt") || (e.kind === "power" && wholeExponent(e.b) === null);
  return (isRoot && holdsPower(e.a)) || parts(e).some(hidesASign);
}
/** Whether a power of what moves stands in it, or a product of two parts that move. */
const holdsPower = (e: Expression): boolean =>
  dependsOnVariable(e) && (e.kind === "power" || isMovingProduct(e) || parts(e).some(holdsPower));
const isMovingProduct = (e: Expression): boolean =>
  (e.kind === "multiply" || e.kind === "divide") && dependsOnVariable(e.a) && dependsOnVariable(e.b);

/** Whether `e` is proven to be exactly 0 at an input given as an expression without variable. */
export function vanishesAt(e: Expression, input: Expression): boolean {
  const at = constantForm(input);
  const form = at && constantForm(e, at);
  return form !== null && form.size === 0 && hasValue(e, compileEnclosure(input, NO_FUNCTIONS)(ORIGIN));
}

/** The fraction an expression without variable is, when it is one. */
export function exactRational(e: Expression): Rational | null {
  if (e.kind === "number" && e.exact) return e.exact;
  if (dependsOnVariable(e)) return null;
  const known = fractions.get(e);
  if (known !== undefined) return known;
  const form = constantForm(e);
  return fractions.set(e, form && hasValue(e) ? rationalOf(form) : null);
}

/** The closed form of one answer is asked again for its kind, its place and its neighbours. */
const fractions = new Noted<Rational | null>();
