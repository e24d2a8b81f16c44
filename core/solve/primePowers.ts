import { denominator, numerator, type Rational } from "../numeric";

/** Greatest prime that is looked for; each costs a division of big integers. */
const MAX_PRIME = 2000n;

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
