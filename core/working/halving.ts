import { compileEnclosure, latexName, subtract, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { Enclosure } from "../interval";
import { findRoots, type Root } from "../solve";
import { told, written, type Equation, type Setting, type Shown, type WorkingStep } from "./statement";
import { toldSign } from "./toldSign";

/** Rows of halving that are shown for one answer, and answers they are shown for. */
const ROWS = 5;
const MOST_ROOTS = 3;

/**
 * Where algebra does not lead to a closed form: that this is so, and how a proven bracket around each answer is halved.
 * Signs are those of enclosures; that there are no other answers is proven by the search itself, and said only where
 * each of them stands there.
 */
export function halving(eq: Equation, on: Setting): WorkingStep[] {
  const e = subtract(eq.left, eq.right);
  const found = findRoots(e, on.table, on.range, on.work);
  if (found.open.length > 0 || found.period || found.everywhere.length > 0 || found.roots.length === 0) return [];
  const rows = found.roots.map((root) => ({ root, steps: rowsFor(root, found.roots, e, on) }));
  const shown = rows.filter((r) => r.steps.length > 0).slice(0, MOST_ROOTS);
  if (shown.length === 0) return [];
  const rest = rows.filter((r) => !shown.includes(r)).map((r) => r.root);
  const says =
    "No rule of algebra leads to a closed form here. The difference of the two sides changes its sign between two " +
    "inputs, so it is 0 between them; each half that keeps the change is taken.";
  return [
    written("halving", says, DIFFERENCE, true),
    ...shown.flatMap(({ root, steps }) => [...steps, written("halving", "And so on.", rootTold(root, on))]),
    ...(rest.length > 0 ? [others(rest, on)] : []),
    together(found.roots, on),
  ];
}

const rootTold = (root: Root, { x }: Setting): Shown => {
  const said = formatNumber(root.at, 8);
  return told(x, toldSign(said, root.spot.rational), said);
};
const listed = (roots: readonly Root[], on: Setting): Shown => {
  const list = roots.slice(0, MOST_TOLD).map((root) => rootTold(root, on));
  const more = roots.length > MOST_TOLD;
  return {
    text: list.map((t) => t.text).join(" or ") + (more ? " or …" : ""),
    latex: list.map((t) => t.latex).join(" \\quad\\text{or}\\quad ") + (more ? " \\dots" : ""),
  };
};
const MOST_TOLD = 8;

/** Answers that are found in another way: at an end, where the difference touches 0, or like the ones above. */
const others = (roots: readonly Root[], on: Setting): WorkingStep =>
  written("halving", `Enclosures hold ${roots.length === 1 ? "one more" : `${roots.length} more`}.`, listed(roots, on));

/** All there are: the search is complete. */
function together(roots: readonly Root[], on: Setting): WorkingStep {
  const says =
    roots.length === 1
      ? "Enclosures show that there is no other on the range."
      : `Enclosures show that these ${roots.length} are all on the range.`;
  return written("halving", says, listed(roots, on));
}

const DIFFERENCE = { text: "d = left side - right side", latex: "d = \\text{left side} - \\text{right side}" };

function rowsFor(root: Root, all: readonly Root[], e: Expression, on: Setting): WorkingStep[] {
  const enclose = compileEnclosure(e, on.table.enclosure);
  const valueAt = (x: number) => enclose(new Enclosure(x, x));
  const bracket = bracketAround(root, on, valueAt);
  if (!bracket || enclose(new Enclosure(bracket.lo, bracket.hi)).flags !== 0) return [];
  // Of several answers in one bracket the halving would meet whichever it likes.
  if (all.some((other) => other !== root && bracket.lo <= other.at && other.at <= bracket.hi)) return [];
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
  const [a, b, m] = [formatNumber(lo, 8), formatNumber(hi, 8), formatNumber(middle, 8)];
  const v = formatNumber(d, 4);
  const sign = d > 0 ? ">" : "<";
  return written(
    "halving",
    `Between ${a} and ${b}: the middle.`,
    {
      text: `${x} = ${m}: d ≈ ${v} ${sign} 0`,
      latex: `${latexName(x)} = ${m}:\\; d \\approx ${v} ${sign} 0`,
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
