import { compileEnclosure, subtract, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { Enclosure } from "../interval";
import { findRoots, type Root } from "../solve";
import { written, told, type Equation, type Setting, type WorkingStep } from "./statement";

/** Rows of halving that are shown, and answers they are shown for. */
const ROWS = 5;
const MOST_ROOTS = 3;

/**
 * Where algebra does not lead to a closed form: that this is so, and how a proven bracket around each answer is halved.
 * Signs are those of enclosures; that there are no other answers is proven by the search itself.
 */
export function halving(eq: Equation, on: Setting): WorkingStep[] {
  const e = subtract(eq.left, eq.right);
  const found = findRoots(e, on.table, on.range, on.work);
  const roots = found.roots.filter((r) => r.kind === "crossing").slice(0, MOST_ROOTS);
  const isComplete = found.open.length === 0 && found.period === null;
  const rows = roots.flatMap((r) => {
    const own = rowsFor(r, e, on);
    return own.length === 0 ? [] : [...own, conclusion(r, on, isComplete && r === roots[roots.length - 1])];
  });
  if (rows.length === 0) return [];
  const says =
    "No rule of algebra leads to a closed form here. The difference of the two sides changes its sign between two " +
    "inputs, so it is 0 between them; each half that keeps the change is taken.";
  return [written("halving", says, DIFFERENCE, true), ...rows];
}

function conclusion(r: Root, on: Setting, isLast: boolean): WorkingStep {
  const says = isLast ? "And so on; enclosures of the slope show that there is no other." : "And so on.";
  return written("halving", says, told(on.x, "≈", formatNumber(r.at, 8)));
}

const DIFFERENCE = { text: "d = left side - right side", latex: "d = \\text{left side} - \\text{right side}" };

function rowsFor(root: Root, e: Expression, on: Setting): WorkingStep[] {
  const enclose = compileEnclosure(e, on.table.enclosure);
  const valueAt = (x: number) => enclose(new Enclosure(x, x));
  const bracket = bracketAround(root, on, valueAt);
  if (!bracket) return [];
  let { lo, hi } = bracket;
  const below = valueAt(lo).hi < 0 ? -1 : 1;
  const out: WorkingStep[] = [];
  for (let i = 0; i < ROWS; i++) {
    const middle = (lo + hi) / 2;
    const d = valueAt(middle);
    const sign = d.lo > 0 ? 1 : d.hi < 0 ? -1 : 0;
    if (sign === 0) break;
    out.push(row(lo, hi, middle, (d.lo + d.hi) / 2, on));
    if (sign === below) lo = middle;
    else hi = middle;
  }
  return out;
}

function row(lo: number, hi: number, middle: number, d: number, { x }: Setting): WorkingStep {
  const [a, b, m, v] = [lo, hi, middle, d].map((n, i) => formatNumber(n, i === 3 ? 4 : 8)) as [
    string,
    string,
    string,
    string,
  ];
  const sign = d > 0 ? ">" : "<";
  return written(
    "halving",
    `Between ${a} and ${b}: the middle.`,
    {
      text: `${x} = ${m}: d = ${v} ${sign} 0`,
      latex: `${x} = ${m}:\\; d = ${v.replace("−", "-")} ${sign} 0`,
    },
    false,
  );
}

/** Two round inputs on either side of an answer, at which the difference has proven signs, and not the same. */
function bracketAround(root: Root, { range }: Setting, valueAt: (x: number) => Enclosure) {
  const size = Math.max(Math.abs(root.at), 1e-3);
  for (const step of [10 ** Math.floor(Math.log10(size)), 10 ** (Math.floor(Math.log10(size)) - 1), size / 100]) {
    const lo = Math.max(Math.floor(root.at / step) * step, range.from?.hi ?? -Infinity);
    const hi = Math.min((Math.floor(root.at / step) + 1) * step, range.to?.lo ?? Infinity);
    const [a, b] = [valueAt(lo), valueAt(hi)];
    const isProven = !a.flags && !b.flags && ((a.hi < 0 && b.lo > 0) || (a.lo > 0 && b.hi < 0));
    if (isProven && lo < hi) return { lo, hi };
  }
  return null;
}
