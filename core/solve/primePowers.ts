import { denominator, numerator, spend, type Rational } from "../numeric";

/** Greatest prime that is looked for. */
const MAX_PRIME = 2000;
const MAX_PLAIN = 2 ** 53;

/** The primes that are looked for, in lots whose product is a plain number: one long division serves a whole lot. */
const FIRST_PRIMES = lotsOfPrimes();

interface Lot {
  readonly primes: readonly number[];
  readonly product: bigint;
}
function lotsOfPrimes(): Lot[] {
  const out: Lot[] = [];
  let primes: number[] = [];
  let product = 1;
  for (let n = 2; n <= MAX_PRIME; n++) {
    if (!isPrime(n)) continue;
    if (product * n > MAX_PLAIN) {
      out.push({ primes, product: BigInt(product) });
      [primes, product] = [[], 1];
    }
    primes.push(n);
    product *= n;
  }
  return [...out, { primes, product: BigInt(product) }];
}
function isPrime(n: number): boolean {
  for (let p = 2; p * p <= n; p++) if (n % p === 0) return false;
  return true;
}

/** Prime factors of a fraction > 0 with their powers; null when that would take long. */
export function primePowers(r: Rational): Map<string, number> | null {
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
  // Plain numbers are divided many times faster than big integers.
  if (rest <= MAX_PLAIN) return plainFactors(Number(rest), 2, out);
  spend(STEPS_OF_FACTORS);
  for (const { product, primes } of FIRST_PRIMES) {
    const left = Number(rest % product);
    for (const p of primes) {
      if (left % p !== 0) continue;
      let times = 0;
      for (; rest % BigInt(p) === 0n; times++) rest /= BigInt(p);
      out.set(String(p), times);
      if (rest <= MAX_PLAIN) return plainFactors(Number(rest), p, out);
    }
  }
  return null;
}

/** What sixty divisions of a big integer count for. */
const STEPS_OF_FACTORS = 40;

function plainFactors(n: number, from: number, out: Map<string, number>): Map<string, number> | null {
  let rest = n;
  for (let p = from; p * p <= rest; p += p === 2 ? 1 : 2) {
    if (p > MAX_PRIME) return null;
    while (rest % p === 0) {
      out.set(String(p), (out.get(String(p)) ?? 0) + 1);
      rest /= p;
    }
  }
  if (rest > 1) out.set(String(rest), (out.get(String(rest)) ?? 0) + 1);
  return out;
}
