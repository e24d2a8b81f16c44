/**
 * The work of one question, counted in steps of a tenth to half a microsecond each: every enclosure made, every term
 * of a constant form, every sign of an exact polynomial. Counted and not timed, so that a question is cut at the same
 * point on every machine, busy or not.
 */
let left = Infinity;
/** Steps counted since the program began. */
let counted = 0;

/** Thrown where the work allowed to one question is used up. */
export class Exhausted extends Error {
  constructor() {
    super("more work than one question is allowed");
  }
}

/** Counts steps of work. @throws Exhausted when those allowed are used up */
export function spend(steps: number): void {
  left -= steps;
  counted += steps;
  if (left < 0) throw new Exhausted();
}

/**
 * Does something with no more than so many steps, which are taken from those of what is around it.
 * @throws Exhausted
 */
export function within<T>(steps: number, work: () => T): T {
  const before = left;
  const allowed = Math.min(steps, before);
  left = allowed;
  try {
    return work();
  } finally {
    // Of what has no bound nothing is taken: ∞ − ∞ would be no number, and nothing would be bounded any more.
    left = before === Infinity ? before : before - (allowed - Math.max(0, left));
  }
}

/** What is told besides an answer: a share of the steps left, and nothing where they do not suffice. */
export function besides<T>(work: () => T, otherwise: T): T {
  try {
    return within(left / SHARE, work);
  } catch (failure) {
    if (failure instanceof Exhausted) return otherwise;
    throw failure;
  }
}
const SHARE = 3;

/** Steps counted so far, bounded or not. */
export const stepsCounted = (): number => counted;

/** Steps left of those allowed; infinite outside of `within`. */
export const stepsLeft = (): number => left;
