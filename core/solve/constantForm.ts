import {
  ONE,
  ZERO,
  integerPower,
  isLonger,
  isZero,
  ratio,
  rationalText,
  spend,
  toDouble,
  type Rational,
} from "../numeric";

/**
 * A real number in a normal form: a sum of fraction · exp(number) · Π atom^fraction. Atoms are π, primes under
 * fractional powers, logarithms of primes, and values of functions that have no simpler form. Two numbers whose
 * difference has the empty form are equal; the converse is not claimed.
 */
export interface Term {
  readonly factor: Rational;
  readonly exp: ConstantForm;
  readonly atoms: ReadonlyMap<string, Rational>;
}

export type ConstantForm = ReadonlyMap<string, Term>;

export const EMPTY: ConstantForm = new Map();

const MAX_TERMS = 60;
/** What a product of two terms costs, in steps of work. */
const STEPS_OF_PRODUCT = 40;

const key = (exp: ConstantForm, atoms: ReadonlyMap<string, Rational>): string => {
  const names = [...atoms]
    .map(([name, power]) => `${name}^${rationalText(power)}`)
    .sort()
    .join("·");
  return exp.size > 0 ? `${names}·exp{${formKey(exp)}}` : names;
};

export const formKey = (c: ConstantForm): string =>
  [...c]
    .map(([k, t]) => `${rationalText(t.factor)}*${k}`)
    .sort()
    .join("+");

export function sum(terms: Iterable<Term>): ConstantForm {
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

export const NO_ATOMS: ReadonlyMap<string, Rational> = new Map();

/** Key of a term that is a fraction alone. */
const PLAIN = "";

export const fromRational = (r: Rational): ConstantForm =>
  isZero(r) ? EMPTY : new Map([[PLAIN, { factor: r, exp: EMPTY, atoms: NO_ATOMS }]]);

export const atom = (name: string, power: Rational = ONE): ConstantForm =>
  sum([{ factor: ONE, exp: EMPTY, atoms: new Map([[name, power]]) }]);

/** The terms of both forms have their keys already, which are most of the cost of a sum. */
export function plus(a: ConstantForm, b: ConstantForm): ConstantForm {
  if (a.size === 0) return b;
  if (b.size === 0) return a;
  const price = priceOf(a, b);
  if (price > 1) spend(Math.min(a.size, b.size) * STEPS_OF_PRODUCT * price);
  const out = new Map(a);
  for (const [k, t] of b) {
    const before = out.get(k);
    const factor = before ? before.factor.add(t.factor) : t.factor;
    if (isZero(factor)) out.delete(k);
    else out.set(k, { ...t, factor });
  }
  return out;
}

export function scaled(a: ConstantForm, r: Rational): ConstantForm {
  if (isZero(r)) return EMPTY;
  const out = new Map<string, Term>();
  for (const [k, t] of a) out.set(k, { ...t, factor: t.factor.mul(r) });
  return out;
}

/** Sizes from which on most of the time goes into bringing fractions to lowest terms, and how many times as long. */
const LENGTHS = [
  { from: 1n << 800n, price: 40 },
  { from: 1n << 100n, price: 8 },
];
const hasLonger = (a: ConstantForm, most?: bigint): boolean => {
  for (const { factor } of a.values()) if (isLonger(factor, most)) return true;
  return false;
};
const priceOf = (...forms: readonly ConstantForm[]): number =>
  LENGTHS.find(({ from }) => forms.some((c) => hasLonger(c, from)))?.price ?? 1;

/** a · b; null where it has too many terms, or too long ones. */
export function times(a: ConstantForm, b: ConstantForm): ConstantForm | null {
  const out = product(a, b);
  return out && hasLonger(out) ? null : out;
}

function product(a: ConstantForm, b: ConstantForm): ConstantForm | null {
  if (a.size * b.size > MAX_TERMS) return null;
  spend(a.size * b.size * STEPS_OF_PRODUCT * priceOf(a, b));
  const [p, q] = [rationalOf(a), rationalOf(b)];
  if (q) return scaled(a, q);
  if (p) return scaled(b, p);
  const out: Term[] = [];
  for (const x of a.values())
    for (const y of b.values()) {
      const t = normal(x.factor.mul(y.factor), plus(x.exp, y.exp), [...x.atoms, ...y.atoms]);
      const opened = t && openedSum(t);
      if (!opened) return null;
      out.push(...opened);
    }
  return sum(out);
}

/** Sums that stand as atoms, by their names: what a whole power of one is made of. */
const sums = new Map<string, ConstantForm>();
const MAX_SUMS = 2000;

/** A sum under a root or below a fraction bar, as an atom that can be opened again. */
export function sumAtom(c: ConstantForm, power: Rational): ConstantForm {
  const name = `[${formKey(c)}]`;
  if (sums.size > MAX_SUMS) sums.clear();
  sums.set(name, c);
  return atom(name, power);
}

/** √(1 + e) twice is 1 + e: whole powers of sums are multiplied out, each at once: what is alike falls together. */
function openedSum(t: Term): Iterable<Term> | null {
  for (const [name, p] of t.atoms) {
    const inner = name.startsWith("[") && p.compare(ONE) >= 0 ? sums.get(name) : undefined;
    if (!inner) continue;
    const atoms = new Map(t.atoms);
    const whole = p.floor();
    const rest = p.sub(whole);
    if (isZero(rest)) atoms.delete(name);
    else atoms.set(name, rest);
    const power = wholePower(inner, toDouble(whole));
    return (power && times(sum([{ ...t, atoms }]), power)?.values()) ?? null;
  }
  return [t];
}

/** A form times itself so often; null where it grows too long. */
function wholePower(c: ConstantForm, n: number): ConstantForm | null {
  let out: ConstantForm | null = c;
  for (let k = 1; k < n && out; k++) out = times(out, c);
  return out;
}

/** A product as a form of its own, whole powers of sums in it multiplied out. */
export function formOfTerm(t: Term | null): ConstantForm | null {
  const opened = t && openedSum(t);
  return opened && sum(opened);
}

/** Collects powers of equal atoms; whole powers of primes go into the fraction. */
export function normal(factor: Rational, exp: ConstantForm, atoms: Iterable<[string, Rational]>): Term | null {
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

export const single = (c: ConstantForm): Term | null => (c.size === 1 ? c.values().next().value! : null);

/** The fraction a form is, when it is one. */
export function rationalOf(c: ConstantForm): Rational | null {
  if (c.size === 0) return ZERO;
  return c.size === 1 ? (c.get(PLAIN)?.factor ?? null) : null;
}
