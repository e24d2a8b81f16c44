import { formatNumber, isPercent } from "../../explain";
import type { Unit } from "../../units";
import type { Range, Spot } from "../../solve";
import { showSpot } from "./asking";

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
export const onlyBetween = (what: string, bounds: Bounds): string =>
  `The parts of ${what} cancel, or nearly: all that is known is that it lies ${fromTo(bounds)}.`;

/** Places are told as numbers of the range: what is less than this part of it counts for nothing. */
const OF_RANGE = 1e-9;

/** What is said of the first place that is known less closely than it is told; null where all are known well. */
export function vaguely(
  places: readonly (Spot | null)[],
  {
    range,
    variable,
  }: { readonly range: Range; readonly variable: { readonly name: string; readonly unit: Unit | null } },
): string | null {
  const width = range.from && range.to ? range.to.at - range.from.at : 1;
  const first = places.find((s) => s && !s.rational && !isClose(s) && s.hi - s.lo > OF_RANGE * width);
  return first
    ? `The place near ${variable.name} = ${showSpot(first, variable.unit)} is not known to all its digits: it lies ` +
        `${fromTo(first, variable.unit)}.`
    : null;
}

function fromTo(bounds: Bounds, unit: Unit | null = null): string {
  const scale = isPercent(unit) ? 100 : 1;
  const [lo, hi] = [bounds.lo * scale, bounds.hi * scale];
  const digits = [3, 4, 5, 6, 8, 10, 12].find((n) => outward(hi, 1, n) - outward(lo, -1, n) <= 2 * (hi - lo)) ?? 15;
  const [from, to] = [outward(lo, -1, digits), outward(hi, 1, digits)].map((x) => formatNumber(x, digits));
  return `from ${from} to ${to}${isPercent(unit) ? " %" : ""}`;
}

/** A number of so many digits, on the given side of another. */
function outward(x: number, side: 1 | -1, digits: number): number {
  const rounded = Number(x.toPrecision(digits));
  if ((rounded - x) * side >= 0 || x === 0) return rounded;
  const unit = 10 ** (Math.floor(Math.log10(Math.abs(x))) + 1 - digits);
  return Number((rounded + side * unit).toPrecision(digits));
}
