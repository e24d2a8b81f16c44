/**
 * Directed rounding without a switchable rounding mode: a result is moved outward by one to two units in the last
 * place.
 * `x ± |x|·2^-52` passes the neighbouring double for every normal x; the smallest double covers the rest.
 */
const STEP = 2 ** -52;
const LEAST = Number.MIN_VALUE;
const MOST = Number.MAX_VALUE;

export const down = (x: number): number => (x === Infinity ? MOST : x - Math.abs(x) * STEP - LEAST);
export const up = (x: number): number => (x === -Infinity ? -MOST : x + Math.abs(x) * STEP + LEAST);

/**
 * Assumed error of the platform's exp, ln, sin, cos, tan, pow, asin, acos, atan, sinh, cosh, tanh, log2, log10, cbrt:
 * at most 4 units in the last place. V8 uses fdlibm and its descendants, which state less than 1 (2 for sinh, cosh); we
 * leave a wide margin.
 */
export const PLATFORM_ULPS = 4;
const WIDE = PLATFORM_ULPS * 2 ** -52;
export const downWide = (x: number): number => (x === Infinity ? MOST : x - Math.abs(x) * WIDE - LEAST);
export const upWide = (x: number): number => (x === -Infinity ? -MOST : x + Math.abs(x) * WIDE + LEAST);

/**
 * The exact rounding error of a + b tells whether the sum must be moved at all (Knuth, TAOCP 2, section 4.2.2, theorem
 * B).
 */
export function addLo(a: number, b: number): number {
  const s = a + b;
  const part = s - a;
  const error = a - (s - part) + (b - part);
  return error === 0
    ? s
    : s === Infinity && a !== Infinity && b !== Infinity
      ? MOST
      : error > 0
        ? s
        : s === -Infinity
          ? s
          : down(s);
}
export function addHi(a: number, b: number): number {
  return -addLo(-a, -b);
}

const EXACT = 2 ** 53;
const isWhole = (x: number): boolean => x === Math.trunc(x);

/** Products of bounds: 0 times an infinite bound is 0, since the bound itself is never a value. */
export function mulLo(a: number, b: number): number {
  if (a === 0 || b === 0) return 0;
  const p = a * b;
  return p < EXACT && p > -EXACT && isWhole(a) && isWhole(b) ? p : a === 1 ? b : b === 1 ? a : down(p);
}
export const mulHi = (a: number, b: number): number => -mulLo(-a, b);

export function divLo(a: number, b: number): number {
  if (a === 0) return 0;
  if (b === Infinity || b === -Infinity) return a > 0 === b > 0 ? 0 : Number.isFinite(a) ? -LEAST : -Infinity;
  const q = a / b;
  return isWhole(q) && isWhole(a) && isWhole(b) && Math.abs(a) < EXACT ? q : b === 1 ? a : down(q);
}
export const divHi = (a: number, b: number): number => -divLo(-a, b);
