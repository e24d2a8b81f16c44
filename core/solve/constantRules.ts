import {
  MINUS_ONE,
  ONE,
  ZERO,
  denominator,
  integerPower,
  isInteger,
  numerator,
  ratio,
  rationalText,
  signOf,
  toDouble,
  type Rational,
} from "../numeric";
import {
  type Term,
  type ConstantForm,
  EMPTY,
  formKey,
  formOfTerm,
  sum,
  NO_ATOMS,
  fromRational,
  atom,
  plus,
  scaled,
  times,
  normal,
  single,
  sumAtom,
  rationalOf,
} from "./constantForm";
import { primePowers } from "./primePowers";

export function rationalPower(c: ConstantForm, q: Rational): ConstantForm | null {
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
  if (!t) return c.size === 0 ? (signOf(q) < 0 ? null : EMPTY) : sumPower(c, q);
  if (signOf(t.factor) < 0) {
    if (!isInteger(q)) return null;
    const positive = rationalPower(sum([{ ...t, factor: t.factor.neg() }]), q);
    return positive && (numerator(q) % 2n === 0n ? positive : scaled(positive, MINUS_ONE));
  }
  const atoms: [string, Rational][] = [...t.atoms].map(([name, p]) => [name, p.mul(q)]);
  if (isInteger(q)) {
    const folded = integerPower(t.factor, toDouble(q));
    return formOfTerm(folded && normal(folded, scaled(t.exp, q), atoms));
  }
  const primes = primePowers(t.factor);
  if (!primes) return null;
  const roots = [...primes].map(([p, k]): [string, Rational] => [p, q.mul(ratio(k))]);
  return formOfTerm(normal(ONE, scaled(t.exp, q), [...atoms, ...roots]));
}

/** A power of a sum, its common factor taken out: 1/(12 ln 3 − 12) is the same as (1/12)/(ln 3 − 1). */
function sumPower(c: ConstantForm, q: Rational): ConstantForm | null {
  const [first] = [...c].sort(([a], [b]) => (a < b ? -1 : 1));
  const factor = first![1].factor;
  const size = isInteger(q) ? factor : factor.abs();
  const outside = rationalPower(fromRational(size), q);
  return outside && times(outside, sumAtom(scaled(c, ONE.div(size)), q));
}

export function exponential(c: ConstantForm): ConstantForm | null {
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

export function logarithm(c: ConstantForm): ConstantForm | null {
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

export function sine(c: ConstantForm, shift: Rational): ConstantForm | null {
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

export const HALF = ratio(1, 2);

/** The atom of an odd or even function: of u and −u the same one, with its sign outside. */
export function signedAtom(name: string, u: ConstantForm, isOdd: boolean): ConstantForm {
  const [first] = [...u].sort(([a], [b]) => (a < b ? -1 : 1));
  if (!first || signOf(first[1].factor) > 0) return atom(`${name}[${formKey(u)}]`);
  const mirrored = atom(`${name}[${formKey(scaled(u, MINUS_ONE))}]`);
  return isOdd ? scaled(mirrored, MINUS_ONE) : mirrored;
}

export function rationalPowerOfTen(r: Rational): ConstantForm | null {
  if (signOf(r) <= 0) return null;
  const text = isInteger(r) ? String(numerator(r)) : numerator(r) === 1n ? String(denominator(r)) : "";
  return /^10*$/.test(text) ? fromRational(ratio((text.length - 1) * (isInteger(r) ? 1 : -1))) : null;
}
