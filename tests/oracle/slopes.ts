import type { Chance } from "../shared/chance";
import { through } from "./cases";
import { derivedWorld, randomInner } from "./derived";
import { plus, randomFormula, type Measured, type Plain } from "./plain";
import { stockOf } from "./stock";
import type { World } from "./world";

/** How far beside an input a function is looked at, relative to it or to 1; and how many times closer, in turn. */
const BESIDE = 2 ** -14;
const [CLOSER, CLOSE] = [4, [7, 10, 13, 16, 20, 24].map((n) => 2 ** n)];
/** What rises more than this is not looked at. */
const STEEPEST = 1e6;

const LOST: Measured = { v: NaN, off: Infinity };

/**
 * A slope by differences of plain values on both sides, ever closer. Lost where a side has no value, or where the
 * sides do not come to one another as they are looked at closer: there is a corner, or one is near.
 */
const slopeOf = (f: Plain): Plain => ({
  text: "",
  at: (x) => {
    const at = (step: number) => f.at({ v: x.v + step, off: Math.abs(x.v + step) * 2.5e-16 });
    const own = at(0);
    if (own.off !== Infinity && Number.isNaN(own.v)) return own;
    const h = BESIDE * Math.max(1, Math.abs(x.v));
    const sidesAt = (step: number): Sides => {
      const [before, after] = [at(-step), at(step)];
      return {
        right: (after.v - own.v) / step,
        left: (own.v - before.v) / step,
        off: (before.off + own.off + after.off) / step,
      };
    };
    const [far, close] = [sidesAt(h), sidesAt(h / CLOSER)];
    const off = far.off + close.off;
    const [apart, closer] = [far, close].map((s) => Math.abs(s.right - s.left)) as [number, number];
    if (!(off < Infinity) || !(closer <= apart / 2 + off)) return LOST;
    const [coarse, fine] = [slopeFrom(far), slopeFrom(close)];
    // A stair of fine steps looks like a slope from afar, and one of very fine or very low steps from close by.
    if (Math.abs(fine) > STEEPEST) return LOST;
    const near = Math.abs(fine) / 100 + Math.abs(fine - coarse);
    const isSo = (s: Sides) => Math.abs(fine - slopeFrom(s)) <= near + s.off;
    if (!CLOSE.every((n) => isSo(sidesAt(h / n)))) return LOST;
    return { v: fine, off: 4 * Math.abs(fine - coarse) + 4 * off + Math.abs(fine) * 1e-9 };
  },
});
const slopeFrom = ({ left, right }: Sides): number => (left + right) / 2;
interface Sides {
  readonly left: number;
  readonly right: number;
  readonly off: number;
}

/** A case with the slope of a random function, as it is and at a moved input, and a question of every kind about it. */
export function randomSlopes(c: Chance): World {
  const [from, to] = c.of(stockOf(c).ranges);
  const h = randomInner(c, from, to, 5, 6);
  const shift = c.whole(-3, 7);
  const isMirrored = c.once(2);
  const other = randomFormula(c, c.whole(0, 3));
  const slope = slopeOf(h.plain);
  const moved = through(slope, (x) => (isMirrored ? shift - x : x + shift));
  const g = { ...plus(moved, other), text: `${isMirrored ? `h'(${shift} - x)` : `h'(x + ${shift})`} + ${other.text}` };
  const whole = c.once(4);
  return derivedWorld(c, { from, to, whole, h, f: { plain: slope, by: { kind: "slope", function: "h" } }, g });
}
