/** Greatest common divisor of two whole numbers, never negative. */
export function greatestDivisor(a: bigint, b: bigint): bigint {
  let [x, y] = [a, b];
  while (y) [x, y] = [y, x % y];
  return x < 0n ? -x : x;
}

/** Least common multiple of two whole numbers that are not 0. */
export const leastMultiple = (a: bigint, b: bigint): bigint => (a / greatestDivisor(a, b)) * b;
