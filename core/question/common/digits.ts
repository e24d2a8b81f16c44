import { short } from "./asking";

/** Width of what a number is known to lie in, relative to its size, at which all digits that are told are right. */
const CLOSE = 1e-6;

/** Whether a number between two bounds is known as closely as it is told; one that may be 0 is not, unless it is. */
export const isClose = ({ lo, hi }: { readonly lo: number; readonly hi: number }): boolean =>
  hi - lo <= CLOSE * Math.min(Math.abs(lo), Math.abs(hi)) || (lo === 0 && hi === 0);

/** What is told instead, where parts of a number cancel and rounding leaves too few digits of it. */
export const onlyBetween = (what: string, { lo, hi }: { readonly lo: number; readonly hi: number }): string =>
  `The parts of ${what} cancel, or nearly: all that is known is that it lies from ${short(lo)} to ${short(hi)}.`;
