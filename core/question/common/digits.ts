import { formatNumber } from "../../explain";

/** What a number is known to lie in. */
interface Bounds {
  readonly lo: number;
  readonly hi: number;
}

/** Width of what a number is known to lie in, relative to its size, at which all digits that are told are right. */
const CLOSE = 1e-6;

/** Whether a number between two bounds is known as closely as it is told; one that may be 0 is not, unless it is. */
export const isClose = ({ lo, hi }: Bounds): boolean =>
  hi - lo <= CLOSE * Math.min(Math.abs(lo), Math.abs(hi)) || (lo === 0 && hi === 0);

/** What is told instead, where parts of a number cancel and rounding leaves too few digits of it. */
export function onlyBetween(what: string, { lo, hi }: Bounds): string {
  const digits = [3, 4, 5, 6, 8, 10, 12].find((n) => outward(hi, 1, n) - outward(lo, -1, n) <= 2 * (hi - lo)) ?? 15;
  const [from, to] = [outward(lo, -1, digits), outward(hi, 1, digits)].map((x) => formatNumber(x, digits));
  return `The parts of ${what} cancel, or nearly: all that is known is that it lies from ${from} to ${to}.`;
}

/** A number of so many digits, on the given side of another. */
function outward(x: number, side: 1 | -1, digits: number): number {
  const rounded = Number(x.toPrecision(digits));
  if ((rounded - x) * side >= 0 || x === 0) return rounded;
  const unit = 10 ** (Math.floor(Math.log10(Math.abs(x))) + 1 - digits);
  return Number((rounded + side * unit).toPrecision(digits));
}
