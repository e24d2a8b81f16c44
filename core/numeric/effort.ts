/**
 * The work of one question, counted in steps of a tenth to half a microsecond each: every enclosure made, every term
 * of a constant form, every sign of an exact polynomial. Counted and not timed, so that a question is cut at the same
 * point on every machine, busy or not.
 */
let left = Infinity;
/** Steps counted since the program began. */
let counted = 0;
/** Which question is worked at: whoever has been given an account of steps begins another. */
let account = 0;

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
  if (before === Infinity) account++;
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

/** What some work cost that is kept, beside the kept parts it used. */
export interface Bill {
  readonly own: number;
  readonly parts: ReadonlySet<Bill>;
  /** the last account that it was taken from */
  paidFrom: number;
}

/** The work whose bill is being made; null outside of any. */
let open: { readonly parts: Set<Bill>; ofParts: number } | null = null;

/** Does something and tells what it cost, for whoever is to be billed for it later. */
export function billed<T>(work: () => T): { readonly value: T; readonly bill: Bill } {
  const around = open;
  const start = counted;
  const mine = { parts: new Set<Bill>(), ofParts: 0 };
  open = mine;
  let value: T;
  try {
    value = work();
  } finally {
    open = around;
  }
  const bill = { own: counted - start - mine.ofParts, parts: mine.parts, paidFrom: account };
  noteIn(around, bill, counted - start);
  return { value, bill };
}

/**
 * Takes something kept. Each question pays for it once, whoever made it, so that none is cut at another point because
 * of what was asked before it. @throws Exhausted
 */
export function pay(bill: Bill): void {
  const start = counted;
  payWhatIsDue(bill);
  noteIn(open, bill, counted - start);
}

function payWhatIsDue(bill: Bill): void {
  if (bill.paidFrom === account) return;
  for (const part of bill.parts) payWhatIsDue(part);
  spend(bill.own);
  bill.paidFrom = account;
}

function noteIn(work: typeof open, bill: Bill, steps: number): void {
  if (!work) return;
  work.parts.add(bill);
  work.ofParts += steps;
}

/** Steps left of those allowed; infinite outside of `within`. */
export const stepsLeft = (): number => left;
