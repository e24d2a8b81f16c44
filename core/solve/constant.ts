import {
  MINUS_ONE,
  ONE,
  ZERO,
  denominator,
  integerPower,
  isInteger,
  isZero,
  numerator,
  ratio,
  rationalText,
  signOf,
  spend,
  toDouble,
  type Rational,
} from "../numeric";
import { EMPTY as EMPTY_BOX, ENTIRE, Enclosure } from "../interval";
import { Noted, compileEnclosure, dependsOnVariable, parts, wholeExponent, type Expression } from "../formula";

/**
 * A real number in a normal form: a sum of fraction · exp(number) · Π atom^fraction. Atoms are π, primes under
 * fractional powers, logarithms of primes, and values of functions that have no simpler form. Two numbers whose
 * difference has the empty form are equal; the converse is not claimed.
 */
interface Term {
  readonly factor: Rational;
  readonly exp: ConstantForm;
  readonly atoms: ReadonlyMap<string, Rational>;
}
export type ConstantForm = ReadonlyMap<string, Term>;

const EMPTY: ConstantForm = new Map();
const MAX_TERMS = 60;

const key = (exp: ConstantForm, atoms: ReadonlyMap<string, Rational>): string => {
  const names = [...atoms]
    .map(([name, power]) => `${name}^${rationalText(power)}`)
    .sort()
    .join("·");
  return exp.size > 0 ? `${names}·exp{${formKey(exp)}}` : names;
};
const formKey = (c: ConstantForm): string =>
  [...c]
    .map(([k, t]) => `${rationalText(t.factor)}*${k}`)
    .sort()
    .join("+");

function sum(terms: Iterable<Term>): ConstantForm {
  const out = new Map<string, Term>();
  for (const t of terms) {
    const k = key(t.exp, t.atoms);
    const before = out.get(k);
    const factor = before ? before.factor.add(t.factor) : t.factor;
    if (isZero(factor)) out.delete(k);
    else out.set(k, { ...t, factor });
  }
  return out;
}

/** What one part of an expression costs to bring to a form; big fractions are slow. */
const STEPS_OF_FORM = 40;

const NO_ATOMS: ReadonlyMap<string, Rational> = new Map();
/** Key of a term that is a fraction alone. */
const PLAIN = "";
const fromRational = (r: Rational): ConstantForm =>
  isZero(r) ? EMPTY : new Map([[PLAIN, { factor: r, exp: EMPTY, atoms: NO_ATOMS }]]);
const atom = (name: string, power: Rational = ONE): ConstantForm =>
  sum([{ factor: ONE, exp: EMPTY, atoms: new Map([[name, power]]) }]);
/** The terms of both forms have their keys already, which are most of the cost of a sum. */
function plus(a: ConstantForm, b: ConstantForm): ConstantForm {
  if (a.size === 0) return b;
  if (b.size === 0) return a;
  const out = new Map(a);
  for (const [k, t] of b) {
    const before = out.get(k);
    const factor = before ? before.factor.add(t.factor) : t.factor;
    if (isZero(factor)) out.delete(k);
    else out.set(k, { ...t, factor });
  }
  return out;
}
function scaled(a: ConstantForm, r: Rational): ConstantForm {
  if (isZero(r)) return EMPTY;
  const out = new Map<string, Term>();
  for (const [k, t] of a) out.set(k, { ...t, factor: t.factor.mul(r) });
  return out;
}

function times(a: ConstantForm, b: ConstantForm): ConstantForm | null {
  if (a.size * b.size > MAX_TERMS) return null;
  const [p, q] = [rationalOf(a), rationalOf(b)];
  if (q) return scaled(a, q);
  if (p) return scaled(b, p);
  const out: Term[] = [];
  for (const x of a.values())
    for (const y of b.values()) {
      const t = normal(x.factor.mul(y.factor), plus(x.exp, y.exp), [...x.atoms, ...y.atoms]);
      if (!t) return null;
      out.push(t);
    }
  return sum(out);
}

/** Collects powers of equal atoms; whole powers of primes go into the fraction. */
function normal(factor: Rational, exp: ConstantForm, atoms: Iterable<[string, Rational]>): Term | null {
  const powers = new Map<string, Rational>();
  for (const [name, p] of atoms) powers.set(name, (powers.get(name) ?? ZERO).add(p));
  for (const [name, p] of powers) {
    if (isZero(p)) {
      powers.delete(name);
      continue;
    }
    if (!/^\d+$/.test(name)) continue;
    const whole = p.floor();
    const rest = p.sub(whole);
    const folded = integerPower(ratio(BigInt(name)), toDouble(whole));
    if (!folded) return null;
    factor = factor.mul(folded);
    if (isZero(rest)) powers.delete(name);
    else powers.set(name, rest);
  }
  return { factor, exp, atoms: powers };
}

/** Greatest prime that is looked for; each costs a division of big integers. */
const MAX_PRIME = 2000n;

/** Prime factors of a fraction > 0 with their powers; null when that would take long. */
function primePowers(r: Rational): Map<string, number> | null {
  const out = new Map<string, number>();
  for (const [n, sign] of [
    [numerator(r), 1],
    [denominator(r), -1],
  ] as const) {
    const factors = smallFactors(n);
    if (!factors) return null;
    for (const [p, k] of factors) out.set(p, (out.get(p) ?? 0) + sign * k);
  }
  return out;
}

function smallFactors(n: bigint): Map<string, number> | null {
  const out = new Map<string, number>();
  let rest = n;
  for (let p = 2n; p * p <= rest; p += p === 2n ? 1n : 2n) {
    if (p > MAX_PRIME) return null;
    // Plain numbers are divided many times faster than big integers.
    if (rest <= MAX_PLAIN) return plainFactors(Number(rest), Number(p), out);
    while (rest % p === 0n) {
      out.set(String(p), (out.get(String(p)) ?? 0) + 1);
      rest /= p;
    }
  }
  if (rest > 1n) out.set(String(rest), (out.get(String(rest)) ?? 0) + 1);
  return out;
}
const MAX_PLAIN = 2n ** 53n;

function plainFactors(n: number, from: number, out: Map<string, number>): Map<string, number> | null {
  let rest = n;
  for (let p = from; p * p <= rest; p += p === 2 ? 1 : 2) {
    if (p > Number(MAX_PRIME)) return null;
    while (rest % p === 0) {
      out.set(String(p), (out.get(String(p)) ?? 0) + 1);
      rest /= p;
    }
  }
  if (rest > 1) out.set(String(rest), (out.get(String(rest)) ?? 0) + 1);
  return out;
}

const single = (c: ConstantForm): Term | null => (c.size === 1 ? c.values().next().value! : null);
/** The fraction a form is, when it is one. */
export function rationalOf(c: ConstantForm): Rational | null {
  if (c.size === 0) return ZERO;
  return c.size === 1 ? (c.get(PLAIN)?.factor ?? null) : null;
}

function rationalPower(c: ConstantForm, q: Rational): ConstantForm | null {
  const r = isInteger(q) ? rationalOf(c) : null;
  if (r) {
    const folded = integerPower(r, toDouble(q));
    return folded && fromRational(folded);
  }
  if (isInteger(q) && signOf(q) >= 0 && c.size !== 1) {
    const n = toDouble(q);
    if (n > 8) return null;
    let out: ConstantForm | null = fromRational(ONE);
    for (let i = 0; i < n && out; i++) out = times(out, c);
    return out;
  }
  const t = single(c);
  if (!t) return signOf(q) < 0 && c.size === 0 ? null : c.size === 0 ? EMPTY : atom(`[${formKey(c)}]`, q);
  if (signOf(t.factor) < 0) {
    if (!isInteger(q)) return null;
    const positive = rationalPower(sum([{ ...t, factor: t.factor.neg() }]), q);
    return positive && (numerator(q) % 2n === 0n ? positive : scaled(positive, MINUS_ONE));
  }
  const atoms: [string, Rational][] = [...t.atoms].map(([name, p]) => [name, p.mul(q)]);
  if (isInteger(q)) {
    const folded = integerPower(t.factor, toDouble(q));
    const term = folded && normal(folded, scaled(t.exp, q), atoms);
    return term ? sum([term]) : null;
  }
  const primes = primePowers(t.factor);
  if (!primes) return null;
  const term = normal(ONE, scaled(t.exp, q), [
    ...atoms,
    ...[...primes].map(([p, k]): [string, Rational] => [p, q.mul(ratio(k))]),
  ]);
  return term ? sum([term]) : null;
}

function exponential(c: ConstantForm): ConstantForm | null {
  let out: ConstantForm | null = fromRational(ONE);
  const rest: Term[] = [];
  for (const t of c.values()) {
    const only = t.atoms.size === 1 ? [...t.atoms][0]! : null;
    if (only && only[0].startsWith("ln:") && only[1].compare(ONE) === 0 && t.exp.size === 0) {
      const power = rationalPower(
        only[0] === "ln:pi" ? atom("pi") : fromRational(ratio(BigInt(only[0].slice(3)))),
        t.factor,
      );
      out = power && out && times(out, power);
    } else rest.push(t);
  }
  const inside = sum(rest);
  return out && (inside.size === 0 ? out : times(out, sum([{ factor: ONE, exp: inside, atoms: NO_ATOMS }])));
}

function logarithm(c: ConstantForm): ConstantForm | null {
  const t = single(c);
  if (!t || signOf(t.factor) <= 0) return c.size > 1 ? atom(`ln[${formKey(c)}]`) : null;
  const primes = primePowers(t.factor);
  if (!primes) return atom(`ln[${formKey(c)}]`);
  let out = t.exp;
  for (const [p, k] of primes) out = plus(out, scaled(atom(`ln:${p}`), ratio(k)));
  for (const [name, power] of t.atoms) {
    if (!/^(?:\d+|pi)$/.test(name)) return atom(`ln[${formKey(c)}]`);
    out = plus(out, scaled(atom(`ln:${name}`), power));
  }
  return out;
}

/** sin(q π) for the fractions q whose sines are square roots of small numbers. */
function sineOfTurn(q: Rational): ConstantForm | null {
  const turn = q.sub(q.div(ratio(2)).floor().mul(ratio(2)));
  const twelfths = turn.mul(ratio(12));
  if (!isInteger(twelfths)) return null;
  const k = Number(numerator(twelfths));
  const sign = k >= 12 ? MINUS_ONE : ONE;
  const within = k % 12;
  const half = within > 6 ? 12 - within : within;
  const root = (n: number) => rationalPower(fromRational(ratio(n, 4)), ratio(1, 2));
  const value =
    half === 0
      ? EMPTY
      : half === 2
        ? fromRational(ratio(1, 2))
        : half === 3
          ? root(2)
          : half === 4
            ? root(3)
            : half === 6
              ? fromRational(ONE)
              : null;
  return value && scaled(value, sign);
}

function sine(c: ConstantForm, shift: Rational): ConstantForm | null {
  const t = single(c);
  const turns =
    c.size === 0
      ? ZERO
      : t && t.exp.size === 0 && t.atoms.size === 1 && t.atoms.get("pi")?.compare(ONE) === 0
        ? t.factor
        : null;
  if (turns) {
    const value = sineOfTurn(turns.add(shift));
    if (value) return value;
  }
  return atom(`sin[${formKey(c)};${rationalText(shift)}]`);
}
const HALF = ratio(1, 2);

/**
 * Normal form of an expression without variable (or with the variable at `at`).
 * @returns null when it has no value or the form would grow too long
 */
export function constantForm(e: Expression, at: ConstantForm | null = null): ConstantForm | null {
  spend(STEPS_OF_FORM);
  const go = (part: Expression) => constantForm(part, at);
  switch (e.kind) {
    case "number":
      if (e.exact) return fromRational(e.exact);
      return e.value === Math.PI ? atom("pi") : e.value === Math.E ? exponential(fromRational(ONE)) : null;
    case "variable":
      return at;
    case "negate": {
      const a = go(e.a);
      return a && scaled(a, MINUS_ONE);
    }
    case "add": {
      const a = go(e.a);
      const b = a && go(e.b);
      return a && b && plus(a, b);
    }
    case "subtract": {
      const a = go(e.a);
      const b = a && go(e.b);
      return a && b && plus(a, scaled(b, MINUS_ONE));
    }
    case "multiply": {
      const a = go(e.a);
      const b = a && go(e.b);
      return a && b && times(a, b);
    }
    case "divide": {
      const a = go(e.a);
      const b = a && go(e.b);
      if (!a || !b || b.size === 0) return null;
      const inverse = rationalPower(b, MINUS_ONE);
      return inverse && times(a, inverse);
    }
    case "power": {
      const a = go(e.a);
      if (!a) return null;
      const n = wholeExponent(e.b);
      if (n !== null) return n < 0 && a.size === 0 ? null : rationalPower(a, ratio(n));
      const b = go(e.b);
      const q = b && rationalOf(b);
      if (!b) return null;
      if (a.size === 0) return q && signOf(q) > 0 ? EMPTY : null;
      if (q) return rationalPower(a, q);
      const log = logarithm(a);
      const inside = log && times(b, log);
      return inside && exponential(inside);
    }
    case "root": {
      const a = go(e.a);
      return a && rationalPower(a, ratio(1, e.n));
    }
    case "apply":
      return applied(e, go);
    case "min":
    case "max": {
      const a = go(e.a);
      const b = a && go(e.b);
      const x = a && rationalOf(a);
      const y = b && rationalOf(b);
      return x && y ? fromRational(x.compare(y) < 0 === (e.kind === "min") ? x : y) : null;
    }
    default:
      return null;
  }
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
      return r && signOf(r) < 0
        ? (() => {
            const p = rationalPower(fromRational(r.neg()), ratio(1, 3));
            return p && scaled(p, MINUS_ONE);
          })()
        : rationalPower(u, ratio(1, 3));
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
    case "atan":
    case "asin":
    case "sinh":
    case "tanh":
      return u.size === 0 ? EMPTY : signedAtom(e.name, u, true);
    case "cosh":
      return signedAtom(e.name, u, false);
    default:
      return atom(`${e.name}[${formKey(u)}]`);
  }
}

/** The atom of an odd or even function: of u and −u the same one, with its sign outside. */
function signedAtom(name: string, u: ConstantForm, isOdd: boolean): ConstantForm {
  const [first] = [...u].sort(([a], [b]) => (a < b ? -1 : 1));
  if (!first || signOf(first[1].factor) > 0) return atom(`${name}[${formKey(u)}]`);
  const mirrored = atom(`${name}[${formKey(scaled(u, MINUS_ONE))}]`);
  return isOdd ? scaled(mirrored, MINUS_ONE) : mirrored;
}

function rationalPowerOfTen(r: Rational): ConstantForm | null {
  if (signOf(r) <= 0) return null;
  const text = isInteger(r) ? String(numerator(r)) : numerator(r) === 1n ? String(denominator(r)) : "";
  return /^10*$/.test(text) ? fromRational(ratio((text.length - 1) * (isInteger(r) ? 1 : -1))) : null;
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
