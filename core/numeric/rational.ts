import Fraction from "fraction.js";
import { spend } from "./effort";
import { remembered } from "./remembered";

/**
 * An exact fraction. Arithmetic is the library's; making one from text or a double, and going back, is ours, since both
 * must lose nothing.
 */
export type Rational = Fraction;

export const ZERO: Rational = new Fraction(0n, 1n);
export const ONE: Rational = new Fraction(1n, 1n);
export const MINUS_ONE: Rational = new Fraction(-1n, 1n);

export const ratio = (n: bigint | number, d: bigint | number = 1n): Rational =>
  d === 1n || d === 1 ? reduced(BigInt(n), 1n) : new Fraction(BigInt(n), BigInt(d));

/**
 * A fraction whose terms are known to share nothing, d > 0: the library would look for a common divisor, which is most
 * of the cost of making one.
 */
function reduced(n: bigint, d: bigint): Rational {
  const made = Object.create(Fraction.prototype) as { s: bigint; n: bigint; d: bigint };
  made.s = n < 0n ? -1n : 1n;
  made.n = n < 0n ? -n : n;
  made.d = d;
  return made as unknown as Rational;
}

/** Digits beyond which an exact number only costs time; such numbers are left to the interval methods. */
const MOST_DIGITS = 400;

/**
 * Exact value of a decimal text such as `2.50`, `-0.004` or `1e-7`.
 * @returns null when the text is no decimal number, or longer than is worth carrying exactly
 */
export const rationalOfDecimal = (text: string): Rational | null => decimals(text).value;

const decimals = remembered(2000, (text) => ({ value: readDecimal(text) }));

function readDecimal(text: string): Rational | null {
  const match = /^([+-]?)(\d*)(?:\.(\d*))?(?:e([+-]?\d+))?$/i.exec(text.trim());
  if (!match) return null;
  const [, sign, whole = "", decimals = "", exponent = "0"] = match;
  if (whole === "" && decimals === "") return null;
  const shift = Number(exponent) - decimals.length;
  if (Math.abs(shift) > MOST_DIGITS || whole.length + decimals.length > MOST_DIGITS) return null;
  const digits = BigInt(whole + decimals) * (sign === "-" ? -1n : 1n);
  return shift >= 0 ? ratio(digits * 10n ** BigInt(shift)) : ratio(digits, 10n ** BigInt(-shift));
}

/**
 * What a person means by a double they typed: its shortest decimal form (2.3 is 23/10, not the nearest binary
 * fraction).
 */
export const rationalOfTyped = (value: number): Rational | null =>
  Number.isFinite(value) ? rationalOfDecimal(String(value)) : null;

const bits = new DataView(new ArrayBuffer(8));

/** The exact value a finite double holds in the machine. @throws RangeError when not finite */
export function rationalOfDouble(value: number): Rational {
  if (!Number.isFinite(value)) throw new RangeError(`expected a finite number, got ${value}`);
  if (Number.isSafeInteger(value)) return ratio(value);
  bits.setFloat64(0, value);
  const raw = bits.getBigUint64(0);
  const exponent = Number((raw >> 52n) & 0x7ffn);
  const fraction = raw & 0xfffffffffffffn;
  const mantissa = (exponent === 0 ? fraction : fraction | (1n << 52n)) * (value < 0 ? -1n : 1n);
  const shift = (exponent === 0 ? 1 : exponent) - 1075;
  if (shift >= 0) return reduced(mantissa << BigInt(shift), 1n);
  // The denominator is a power of 2: what both share are the zeros at the end of the mantissa.
  const common = BigInt(Math.min(-shift, trailingZeros(fraction === 0n && exponent !== 0 ? 1n << 52n : fraction)));
  return reduced(mantissa >> common, 1n << (BigInt(-shift) - common));
}

/** Zero bits at the end of a whole number from 1 to 2^53. */
function trailingZeros(n: bigint): number {
  const low = Number(n & 0xffffffffn);
  const [part, base] = low !== 0 ? [low, 0] : [Number(n >> 32n), 32];
  return base + 31 - Math.clz32(part & -part);
}

/** Binary digits of a whole number from 1 on, at most three too many. */
const bitLength = (n: bigint): number => n.toString(16).length * 4;

/** The same, one or two off, and far quicker for what a double can hold roughly. */
function aboutBits(n: bigint): number {
  const near = Number(n);
  return near < Infinity ? Math.ceil(Math.log2(near)) : bitLength(n);
}

/** Nearest double, within one unit in the last place. Never NaN; overflows to infinity. */
export function toDouble(r: Rational): number {
  const n = r.n as bigint;
  const d = r.d as bigint;
  const sign = (r.s as bigint) < 0n ? -1 : 1;
  if (n === 0n) return 0;
  if (n <= 9007199254740991n && d <= 9007199254740991n) return (sign * Number(n)) / Number(d);
  // Bring the quotient to about 64 bits, so that one division of big integers holds all a double can show.
  const shift = 64 - (aboutBits(n) - aboutBits(d));
  const quotient = shift >= 0 ? (n << BigInt(shift)) / d : n / (d << BigInt(-shift));
  const half = Math.trunc(-shift / 2);
  return sign * Number(quotient) * 2 ** half * 2 ** (-shift - half);
}

/** Terms of fractions from which on an exact number costs more time than it is worth. */
const LONGEST_TERM = 1n << 3000n;
/** Whether a term of a fraction is greater than so much. */
export const isLonger = (r: Rational, most = LONGEST_TERM): boolean => (r.n as bigint) > most || (r.d as bigint) > most;

export const isInteger = (r: Rational): boolean => (r.d as bigint) === 1n;
export const isZero = (r: Rational): boolean => (r.n as bigint) === 0n;
export const signOf = (r: Rational): -1 | 0 | 1 => ((r.n as bigint) === 0n ? 0 : (r.s as bigint) < 0n ? -1 : 1);
/** Whether two fractions, both in lowest terms, are one. */
export const equal = (a: Rational, b: Rational): boolean =>
  (a.n as bigint) === (b.n as bigint) && (a.d as bigint) === (b.d as bigint) && signOf(a) === signOf(b);
/** Numerator with its sign. */
export const numerator = (r: Rational): bigint => (r.n as bigint) * ((r.s as bigint) < 0n ? -1n : 1n);
export const denominator = (r: Rational): bigint => r.d as bigint;

/** `7`, `-3/4`. */
export const rationalText = (r: Rational): string =>
  isInteger(r) ? String(numerator(r)) : `${numerator(r)}/${denominator(r)}`;

/** Whole power; null when the result would be too long to be worth carrying, or 0 to a negative power. */
export function integerPower(base: Rational, exponent: number): Rational | null {
  if (!Number.isInteger(exponent)) return null;
  if (exponent < 0 && isZero(base)) return null;
  const size = Math.max(bitLength(base.n as bigint), bitLength(base.d as bigint)) * Math.abs(exponent);
  if (size > 4 * MOST_DIGITS * 4) return null;
  const e = BigInt(Math.abs(exponent));
  spend(2);
  // Powers of numbers that share nothing share nothing.
  const n = numerator(base) ** e;
  const d = denominator(base) ** e;
  return exponent >= 0 ? reduced(n, d) : n < 0n ? reduced(-d, -n) : reduced(d, n);
}

const STEPS_OF_ROOT = 50;

/** Whole k-th root of a non-negative big integer: the largest r with r^k <= n. */
export function integerRoot(n: bigint, k: number): bigint {
  if (n < 2n) return n;
  spend(STEPS_OF_ROOT);
  const power = BigInt(k);
  let x = 1n << BigInt(Math.ceil(bitLength(n) / k) + 1);
  for (;;) {
    const next = ((power - 1n) * x + n / x ** (power - 1n)) / power;
    if (next >= x) return x;
    x = next;
  }
}

/** The exact k-th root of a fraction >= 0, or null when it is no fraction. */
export function rationalRoot(r: Rational, k: number): Rational | null {
  if (signOf(r) < 0) return null;
  const n = integerRoot(r.n as bigint, k);
  const d = integerRoot(r.d as bigint, k);
  return n ** BigInt(k) === r.n && d ** BigInt(k) === r.d ? ratio(n, d) : null;
}

/** The greatest whole number not above, and the least not below. */
export function floorOf(r: Rational): Rational {
  const [n, d] = [numerator(r), denominator(r)];
  const q = n / d;
  return ratio(n < 0n && q * d !== n ? q - 1n : q);
}
export const ceiling = (r: Rational): Rational => floorOf(r.neg()).neg();
