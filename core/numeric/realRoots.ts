import { TINY } from "./tolerances";
import {
  degree,
  primitive,
  pseudoRemainder,
  rootBound,
  signAt,
  squareFree,
  withoutContent,
  type Polynomial,
} from "./polynomial";
import { spend } from "./effort";
import { simplestBetween } from "./simplest";
import { denominator, numerator, ratio, rationalOfDouble, toDouble, type Rational } from "./rational";
import { quadraticRoots, isPurePower, powerRoots } from "./closedRoots";
import { type RealRoot, outside, exactRoot } from "./closedRoots";

/** Sturm's chain in whole coefficients; signs as of the true chain. */
function sturmChain(p: bigint[]): bigint[][] {
  const chain = [p, withoutContent(p.slice(1).map((c, i) => c * BigInt(i + 1)))];
  for (;;) {
    const a = chain[chain.length - 2]!;
    const b = chain[chain.length - 1]!;
    if (b.length <= 1) return chain;
    const { remainder, sign } = pseudoRemainder(a, b);
    if (remainder.length === 0) return chain;
    chain.push(withoutContent(sign === 1 ? remainder.map((c) => -c) : remainder));
  }
}

function variations(chain: bigint[][], at: Rational): number {
  const n = numerator(at);
  const d = denominator(at);
  let count = 0;
  let last = 0;
  for (const p of chain) {
    const sign = signAt(p, n, d);
    if (sign !== 0 && last !== 0 && sign !== last) count++;
    if (sign !== 0) last = sign;
  }
  return count;
}

/**
 * At least as many as there are roots strictly between two fractions, and as many where it is 0 or 1: the variations of
 * sign in the coefficients of (1+t)^n p((a + b t)/(1 + t)) (Descartes' rule; Basu, Pollack & Roy, section 10.1).
 */
function mostRootsBetween(p: readonly bigint[], from: Rational, to: Rational): number {
  const [a, b] = [numerator(from) * denominator(to), numerator(to) * denominator(from)];
  const common = denominator(from) * denominator(to);
  let sum: bigint[] = [p[p.length - 1]!];
  /** (1 + t)^k, times the common denominator to the k */
  let weights: bigint[] = [1n];
  for (let i = p.length - 2; i >= 0; i--) {
    weights = timesLinear(weights, common, common);
    sum = timesLinear(sum, a, b).map((c, k) => c + p[i]! * weights[k]!);
  }
  let count = 0;
  let last = 0n;
  for (const c of sum) {
    if (c === 0n) continue;
    if (last !== 0n && c > 0n !== last > 0n) count++;
    last = c;
  }
  spend(4 * p.length * p.length);
  return count;
}

/** A polynomial in t, constant first, times a + b t. */
function timesLinear(p: readonly bigint[], a: bigint, b: bigint): bigint[] {
  const out = p.map((c) => c * a);
  out.push(0n);
  p.forEach((c, i) => {
    out[i + 1] = out[i + 1]! + c * b;
  });
  return out;
}

const middle = (a: Rational, b: Rational): Rational => a.add(b).div(ratio(2));

/** Denominators of exact roots that are looked for in a narrow bracket. */
const LONGEST_GUESS = (1n << 64n) - 1n;

/** Sharpens an isolating bracket of a simple root to neighbouring doubles, each end's sign checked exactly. */
function refine(p: bigint[], lo: Rational, hi: Rational): Omit<RealRoot, "multiplicity"> {
  const signLo = signAt(p, numerator(lo), denominator(lo));
  const value = (r: Rational) => signAt(p, numerator(r), denominator(r));
  let isTried = false;
  for (let round = 0; round < 90; round++) {
    const width = toDouble(hi.sub(lo));
    const scale = Math.max(Math.abs(toDouble(lo)), Math.abs(toDouble(hi)));
    if (width <= scale * 2 ** -50 && !isTried) {
      isTried = true;
      // Fractions with small terms that a person would write are found before their binary neighbours.
      const guess = simplestBetween(lo, hi, LONGEST_GUESS);
      if (guess && value(guess) === 0) return exactRoot(guess);
    }
    if (width <= scale * 2 ** -52 || width < TINY) break;
    // A step of regula falsi on doubles lands near the root; two exact sign checks around it then shrink the bracket at
    // a stroke.
    const mid = middle(lo, hi);
    const sign = value(mid);
    if (sign === 0) return exactRoot(mid);
    if (sign === signLo) lo = mid;
    else hi = mid;
    const near = newtonGuess(p, toDouble(lo), toDouble(hi));
    if (near === null) continue;
    for (const spread of [2 ** -51, 2 ** -40, 2 ** -20]) {
      const by = Math.max(Math.abs(near) * spread, TINY);
      const a = rationalOfDouble(near - by);
      const b = rationalOfDouble(near + by);
      if (a.compare(lo) <= 0 || b.compare(hi) >= 0) break;
      if (value(a) === signLo && value(b) === -signLo) {
        lo = a;
        hi = b;
        break;
      }
    }
  }
  const at = toDouble(middle(lo, hi));
  return { at, lo: outside(lo, -1), hi: outside(hi, 1), exact: null };
}

function newtonGuess(p: bigint[], lo: number, hi: number): number | null {
  const coefficients = p.map(Number);
  let x = (lo + hi) / 2;
  for (let i = 0; i < 8; i++) {
    let f = 0;
    let slope = 0;
    for (let k = coefficients.length - 1; k >= 0; k--) {
      slope = slope * x + f;
      f = f * x + coefficients[k]!;
    }
    const step = f / slope;
    if (!Number.isFinite(step)) return null;
    x -= step;
    if (x <= lo || x >= hi) return null;
    if (Math.abs(step) <= Math.abs(x) * 2 ** -50) break;
  }
  return x;
}

/**
 * All real roots of an exact polynomial in [from, to] (null: unbounded), in order, proven complete.
 * Multiplicities by Yun's square-free factors; roots of each isolated by Sturm's theorem (Basu, Pollack & Roy, section
 * 2.2.2), unless Descartes' rule shows at once that there is none or one.
 *
 * @param p  not zero; degree >= 1 or there is no root
 * @returns enclosures no wider than about two units in the last place
 */
export function isolateRealRoots(p: Polynomial, from: Rational | null, to: Rational | null): RealRoot[] {
  const out: RealRoot[] = [];
  if (degree(p) === 2) return quadraticRoots(p).filter((r) => inside(p, r, from, to));
  if (isPurePower(p)) return powerRoots(p).filter((r) => inside(p, r, from, to));
  const few = degree(p) > 1 ? atMostOne(p, from, to) : null;
  if (few) return few;
  for (const { factor, multiplicity } of squareFree(p)) {
    for (const root of simpleRoots(factor, from, to)) out.push({ ...root, multiplicity });
  }
  return out.sort((a, b) => a.at - b.at);
}

/** Whether a simple root lies in [from, to]; an irrational one is never an end itself. */
function inside(p: Polynomial, r: RealRoot, from: Rational | null, to: Rational | null): boolean {
  const whole = primitive(p);
  return !(from && orderOf(whole, r, from) < 0) && !(to && orderOf(whole, r, to) > 0);
}

/** Whether a simple root lies below (−1) or above (1) a fraction, or is it (0): by its bounds, or by exact signs. */
function orderOf(p: readonly bigint[], { exact, lo, hi }: RealRoot, end: Rational): number {
  if (exact) return exact.compare(end);
  const [low, high] = [rationalOfDouble(lo), rationalOfDouble(hi)];
  if (low.compare(end) > 0) return 1;
  if (high.compare(end) < 0) return -1;
  // Between the fraction and the lower bound the sign changes exactly if the root lies there.
  const [here, there] = [end, low].map((x) => signAt(p, numerator(x), denominator(x)));
  return here === there ? 1 : -1;
}

/** The part of a stretch that can hold roots at all. */
function stretchOfRoots(p: Polynomial, from: Rational | null, to: Rational | null): [Rational, Rational] {
  const bound = ratio(rootBound(p));
  return [from && from.compare(bound.neg()) > 0 ? from : bound.neg(), to && to.compare(bound) < 0 ? to : bound];
}

const isRootAt = (p: readonly bigint[], r: Rational): boolean => signAt(p, numerator(r), denominator(r)) === 0;

/** No root or a single one, where Descartes' rule shows it at once; null where it takes more to tell. */
function atMostOne(p: Polynomial, from: Rational | null, to: Rational | null): RealRoot[] | null {
  const [lo, hi] = stretchOfRoots(p, from, to);
  if (lo.compare(hi) >= 0) return null;
  const whole = primitive(p);
  const most = mostRootsBetween(whole, lo, hi);
  if (most > 1 || isRootAt(whole, lo) || isRootAt(whole, hi)) return null;
  return most === 0 ? [] : [{ ...refine(whole, lo, hi), multiplicity: 1 }];
}

function simpleRoots(p: Polynomial, from: Rational | null, to: Rational | null): Omit<RealRoot, "multiplicity">[] {
  if (degree(p) === 1) {
    const root = p[0]!.neg().div(p[1]!);
    return (from && root.compare(from) < 0) || (to && root.compare(to) > 0) ? [] : [exactRoot(root)];
  }
  const [lo, hi] = stretchOfRoots(p, from, to);
  if (lo.compare(hi) > 0) return [];
  const whole = primitive(p);
  const out: Omit<RealRoot, "multiplicity">[] = [];
  if (isRootAt(whole, lo)) out.push(exactRoot(lo));
  if (hi.compare(lo) === 0) return out;
  const chain = sturmChain(whole);
  // A stack of half-open stretches (lo, hi] with the variations at both ends.
  const stack: [Rational, number, Rational, number][] = [[lo, variations(chain, lo), hi, variations(chain, hi)]];
  while (stack.length > 0) {
    const [a, va, b, vb] = stack.pop()!;
    const count = va - vb;
    if (count <= 0) continue;
    if (signAt(whole, numerator(b), denominator(b)) === 0) {
      out.push(exactRoot(b));
      if (count === 1) continue;
      // The rest lie strictly inside; step down from b until the count drops, which it must since roots are isolated.
      const mid = middle(a, b);
      const vm = variations(chain, mid);
      stack.push([a, va, mid, vm]);
      splitBelow(chain, mid, vm, b, vb, stack);
      continue;
    }
    if (count === 1 && signAt(whole, numerator(a), denominator(a)) !== 0) {
      out.push(refine(whole, a, b));
      continue;
    }
    const mid = middle(a, b);
    const vm = variations(chain, mid);
    stack.push([a, va, mid, vm], [mid, vm, b, vb]);
  }
  return out;
}

/** Pushes (mid, b) without its end b, a root already reported: shrinks from the right until only b is left beyond. */
function splitBelow(
  chain: bigint[][],
  a: Rational,
  va: number,
  b: Rational,
  vb: number,
  stack: [Rational, number, Rational, number][],
): void {
  let low = a;
  let vLow = va;
  while (vLow - vb > 1) {
    const mid = middle(low, b);
    const vm = variations(chain, mid);
    stack.push([low, vLow, mid, vm]);
    low = mid;
    vLow = vm;
  }
}
