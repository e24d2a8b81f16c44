import {
  compileEnclosure,
  compileSlopes,
  derivativeWithin,
  type EnclosureFunction,
  type Expression,
  type SlopeFunction,
} from "../formula";
import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import { branch } from "./branch";
import { vanishesAt } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { candidates, exactOfCandidate } from "./shortNumbers";
import { merge, sameZero, unsettled, type Stretch, type Zero, type ZeroSet } from "./zeroSet";

/** Boxes are not split below this width; on a stretch without end below that. */
const [LEAST_WIDTH, LEAST_UNBOUNDED] = [1e-290, 1e-6];

/** Boxes narrower than this share of the stretch are examined by derivatives instead of being split further. */
const LEAST_SHARE = 2 ** -27;

/** Boxes tried for a zero of several coinciding ones; each costs up to a dozen derivatives. */
const MAX_ATTEMPTS = 400;
/**
 * Places at which the function and all its derivatives are proven 0: after a few it is 0 throughout, and looking on is
 * in vain.
 */
const MAX_FRUITLESS = 3;

/** Highest derivative tried on a zero of several coinciding ones. */
const MAX_ORDER = 12;

export function intervalZeros(e: Expression, s: Stretch): ZeroSet {
  if (s.budget.boxes <= 0) return unsettled(s);
  const value = compileEnclosure(e, s.table.enclosure);
  const slopes = compileSlopes(e, s.table.slopes);
  const width = s.hi - s.lo;
  const least = Number.isFinite(width) ? Math.max(width * LEAST_SHARE, LEAST_WIDTH) : LEAST_UNBOUNDED;
  const derivatives: Compiled[] = [{ expression: e, enclose: value }];
  const derivative: Derivative = (k) => {
    while (derivatives.length <= k) {
      const next = derivativeWithin(derivatives[derivatives.length - 1]!.expression, 1);
      if (!next) return null;
      derivatives.push({ expression: next, enclose: compileEnclosure(next, s.table.enclosure) });
    }
    return derivatives[k]!;
  };
  const multiple: Zero[] = [];
  let attempts = 0;
  let fruitless = 0;
  const settle = (lo: number, hi: number): boolean => {
    if (++attempts > MAX_ATTEMPTS || fruitless >= MAX_FRUITLESS) return false;
    const zero = multipleZero(derivative, lo, hi, () => {
      fruitless++;
    });
    if (zero) multiple.push(zero);
    return zero !== null;
  };
  const found = branch({ value, slopes, settle }, s.lo, s.hi, least, s.budget.boxes);
  s.budget.boxes -= found.boxes;
  const zeros: Zero[] = found.zeros.map((z) => named(e, simpleZero(z.lo, z.hi), slopes));
  const open: { lo: number; hi: number }[] = [];
  for (const [i, box] of found.open.entries()) {
    if (i > MAX_ATTEMPTS) {
      open.push(box);
      continue;
    }
    const settled = fruitless >= MAX_FRUITLESS ? null : settleCluster(derivative, s, box.lo, box.hi);
    if (settled) zeros.push(...settled);
    else open.push(box);
  }
  return {
    ...merge([{ zeros: [...zeros, ...multiple], everywhere: false, open, algebraic: false }]),
    algebraic: false,
    zeros: dedupe([...zeros, ...multiple]),
    flat: found.flat,
  };
}

function dedupe(zeros: Zero[]): Zero[] {
  const out: Zero[] = [];
  for (const z of zeros.sort((a, b) => a.at - b.at)) {
    const last = out[out.length - 1];
    if (last && z.lo <= last.hi && sameZero(last, z)) {
      if (!last.exact && z.exact) out[out.length - 1] = z;
    } else out.push(z);
  }
  return out;
}

/** A zero that is proven to be a number with a short name, 7/3 or 2π/3, is given as that. */
function named(e: Expression, z: Zero, slopes: SlopeFunction): Zero {
  for (const candidate of candidates(z.lo, z.hi)) {
    const at = encloseConstant(candidate);
    if (at.hi < z.lo || at.lo > z.hi || !vanishesAt(e, candidate)) continue;
    // Both are zeros of the same function, which has at most one where its slope is never 0.
    const { slope } = slopes({ value: new Enclosure(Math.min(z.lo, at.lo), Math.max(z.hi, at.hi)), slope: UNIT });
    if (containsZero(slope)) continue;
    return { ...z, at: at.lo + (at.hi - at.lo) / 2, lo: at.lo, hi: at.hi, exact: exactOfCandidate(candidate) };
  }
  return z;
}
const UNIT = new Enclosure(1, 1);

function simpleZero(lo: number, hi: number): Zero {
  return { at: lo + (hi - lo) / 2, lo, hi, multiplicity: 1, exact: null };
}

/** The k-th derivative; null where it would grow too long. The 0-th is the function itself. */
type Derivative = (k: number) => Compiled | null;

interface Compiled {
  readonly expression: Expression;
  readonly enclose: EnclosureFunction;
}

/**
 * A point of [lo, hi] with a short exact form at which the function is proven 0, with its order there; no other zero in
 * the box.
 */
function multipleZero(derivative: Derivative, lo: number, hi: number, onFruitless: () => void = () => {}): Zero | null {
  const f = derivative(0)!;
  const box = new Enclosure(lo, hi);
  for (const candidate of candidates(lo, hi)) {
    const at = encloseConstant(candidate);
    const there = f.enclose(at);
    if (there.flags & EMPTY || !containsZero(there) || !vanishesAt(f.expression, candidate)) continue;
    for (let k = 1; k <= MAX_ORDER; k++) {
      const kth = derivative(k);
      if (!kth) break;
      const slope = kth.enclose(box);
      if (!(slope.flags & (EMPTY | PARTIAL | BROKEN)) && !containsZero(slope)) {
        return {
          at: at.lo + (at.hi - at.lo) / 2,
          lo: at.lo,
          hi: at.hi,
          multiplicity: k,
          exact: exactOfCandidate(candidate),
        };
      }
      if (!vanishesAt(kth.expression, candidate)) break;
    }
    onFruitless();
  }
  return null;
}

/**
 * Settles a narrow box by a derivative that is never 0 on it: with f'' of one sign the least (or greatest) value tells
 * whether there is no zero or a close pair. @returns the zeros in the box, or null when it stays open
 */
function settleCluster(derivative: Derivative, s: Stretch, lo: number, hi: number): Zero[] | null {
  const known = multipleZero(derivative, lo, hi);
  if (known) return [known];
  if (!(lo < hi)) return null;
  const [own, first, second] = [derivative(0)!, derivative(1), derivative(2)];
  if (!first || !second) return null;
  const f = own.enclose;
  const bend = second.enclose(new Enclosure(lo, hi));
  if (bend.flags & (EMPTY | PARTIAL | BROKEN) || containsZero(bend)) return null;
  const upward = bend.lo > 0 ? 1 : -1;
  const slope = first.enclose;
  // Narrow in on where f' changes sign; f there decides.
  let a = lo;
  let b = hi;
  for (let i = 0; i < 60; i++) {
    const m = a + (b - a) / 2;
    if (!(m > a && m < b)) break;
    const v = slope(new Enclosure(m, m));
    if (v.lo > 0) {
      if (upward > 0) b = m;
      else a = m;
    } else if (v.hi < 0) {
      if (upward > 0) a = m;
      else b = m;
    } else break;
  }
  const m = a + (b - a) / 2;
  const turning = f(new Enclosure(a, b));
  if (upward > 0 ? turning.lo > 0 : turning.hi < 0) return [];
  const at = f(new Enclosure(m, m));
  const below = upward > 0 ? at.hi < 0 : at.lo > 0;
  if (!below) return null;
  const target = { value: f, slopes: compileSlopes(own.expression, s.table.slopes), settle: () => false };
  const least = Math.max((hi - lo) * 2 ** -40, Number.MIN_VALUE);
  const sides = [branch(target, lo, m, least, 2000), branch(target, m, hi, least, 2000)];
  if (sides.some((side) => side.open.length > 0 || !side.finished)) return null;
  return sides.flatMap((side) => side.zeros.map((z) => simpleZero(z.lo, z.hi)));
}
