import type { Chance } from "../shared/chance";
import { derivedWorld, randomInner } from "./derived";
import { plus, randomFormula, type Measured, type Plain } from "./plain";
import { stockOf, written } from "./stock";
import type { World } from "./world";

/** Cells that a range is summed over. */
const CELLS = 1500;
/** Two sums of a cell that differ by more of its size are of something that jumps or turns there. */
const SMOOTH = 1e-9;
/** What is known no better than this, relative to its size or to 1, is lost. */
const WORST = 0.02;
/** How far beside its start a total is looked at, to see whether anything is summed; what is greater is a pole. */
const [BESIDE, STEEPEST] = [1e-9, 1e6];

const LOST: Measured = { v: NaN, off: Infinity };
const NOUGHT: Measured = { v: 0, off: 0 };
const NONE: Measured = { v: NaN, off: 0 };

const joined = (a: Measured, b: Measured, sign: 1 | -1): Measured =>
  a.off === Infinity || b.off === Infinity ? LOST : { v: a.v + sign * b.v, off: a.off + b.off };

/**
 * ∫ over a cell by Boole's rule (Abramowitz & Stegun, 25.4.14) and by Simpson's; what they differ by tells how well
 * it is known.
 */
function cellSum(f: Plain, a: number, b: number): Measured {
  if (a === b) return NOUGHT;
  const width = b - a;
  const point = (i: number) => {
    const x = a + (width * i) / 4;
    return f.at({ v: x, off: Math.abs(x) * 2.5e-16 });
  };
  const points: Measured[] = [];
  for (let i = 0; i <= 4; i++) {
    const m = point(i);
    if (m.off === Infinity || Number.isNaN(m.v)) return LOST;
    points.push(m);
  }
  const [y0, y1, y2, y3, y4] = points.map((m) => m.v) as [number, number, number, number, number];
  const simpson = (width / 6) * (y0 + 4 * y2 + y4);
  const boole = (width / 90) * (7 * y0 + 32 * y1 + 12 * y2 + 32 * y3 + 7 * y4);
  const spread = Math.max(y0, y1, y2, y3, y4) - Math.min(y0, y1, y2, y3, y4);
  const apart = Math.abs(boole - simpson);
  const isSmooth = apart <= SMOOTH * Math.abs(width) * spread;
  const rounding = Math.abs(width) * Math.max(...points.map((m) => m.off)) + Math.abs(boole) * 1e-15;
  return { v: boole, off: 8 * apart + rounding + (isSmooth ? 0 : Math.abs(width) * spread) };
}

/** A running total by sums over a grid from its start on; lost beyond what could not be summed. */
export function totalOf(f: Plain, from: number, to: number, start: number): Plain {
  const grid = Array.from({ length: CELLS + 1 }, (_, i) => (i === CELLS ? to : from + ((to - from) * i) / CELLS));
  const first = Math.round(((start - from) / (to - from)) * CELLS);
  grid[first] = start;
  const sums = new Array<Measured>(CELLS + 1);
  sums[first] = NOUGHT;
  for (let i = first; i < CELLS; i++) sums[i + 1] = joined(sums[i]!, cellSum(f, grid[i]!, grid[i + 1]!), 1);
  for (let i = first; i > 0; i--) sums[i - 1] = joined(sums[i]!, cellSum(f, grid[i - 1]!, grid[i]!), -1);
  const near = (x: number) => f.at({ v: x, off: Math.abs(x) * 2.5e-16 });
  const atStart = (): Measured => {
    const sides = [near(start - BESIDE), near(start + BESIDE)];
    // From a pole on nothing can be summed.
    if (sides.some((m) => m.off === Infinity || Math.abs(m.v) > STEEPEST)) return LOST;
    return sides.every((m) => Number.isNaN(m.v)) ? NONE : NOUGHT;
  };
  const at = ({ v: x }: Measured): Measured => {
    if (!(x >= from && x <= to)) return LOST;
    if (x === start) return atStart();
    let i = Math.min(CELLS - 1, Math.floor(((x - from) / (to - from)) * CELLS));
    while (i > 0 && grid[i]! > x) i--;
    while (i < CELLS - 1 && grid[i + 1]! < x) i++;
    const upTo = joined(sums[i]!, cellSum(f, grid[i]!, x), 1);
    const known = upTo.off < Infinity ? upTo : joined(sums[i + 1]!, cellSum(f, x, grid[i + 1]!), -1);
    return known.off > WORST * (1 + Math.abs(known.v)) ? LOST : known;
  };
  return { text: "", at };
}

/** A case with the running total of a random function, alone and in a sum, and a question of every kind about it. */
export function randomTotals(c: Chance): World {
  const [from, to] = c.of(stockOf(c).ranges);
  const h = randomInner(c, from, to, 4, 5);
  const other = randomFormula(c, c.whole(0, 2));
  const start = written(from + Math.round((to - from) * c.next() * 4) / 4, to);
  const total = totalOf(h.plain, from, to, start);
  const g = { ...plus(total, other), text: `f + ${other.text}` };
  const whole = c.once(5);
  const by = { kind: "total", function: "h", from: start } as const;
  return derivedWorld(c, { from, to, whole, h, f: { plain: total, by }, g });
}
