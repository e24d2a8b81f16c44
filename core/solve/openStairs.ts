import { rationalOfDouble } from "../numeric";
import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "../interval";
import { enclosedNumber } from "../formula/numbers";
import { add } from "../formula/build";
import { compileEnclosure, compileSlopes, mapParts, parts, type Expression } from "../formula";
import { isStair } from "./breaking";
import { partition, type Work } from "./partition";
import { place, type OpenPart, type Part, type QuietPart, type StairsPart } from "./parts";
import { spotOfRational, type Spot } from "./spot";
import { tailFreeOfZeros } from "./tails";
import type { FunctionTable } from "./table";

/** Steps of which a stretch may have before its stairs are taken apart one by one. */
const FEW_STEPS = 80;
/** Stretches looked at before the rest is left open. */
const MAX_STRETCHES = 300;

/**
 * Stairs with too many steps to list, one by one only where that matters: elsewhere their bounds are enough.
 * @param matters  whether values in these bounds have to be known exactly
 */
export function openStairs(
  list: readonly Part[],
  table: FunctionTable,
  work: Work,
  matters: (values: Enclosure) => boolean,
): Part[] {
  return list.flatMap((p) => (p.kind === "stairs" ? opened(p, table, work, matters) : [p]));
}

function opened(p: StairsPart, table: FunctionTable, work: Work, matters: (values: Enclosure) => boolean): Part[] {
  const e = p.formulas[0]!;
  const enclosure = compileEnclosure(e, table.enclosure);
  const closer = closerBounds(e, table);
  const left = p.from ? null : tailFreeOfZeros(e, -1, p.to?.lo ?? 0, table);
  const right = p.to ? null : tailFreeOfZeros(e, 1, p.from?.hi ?? 0, table);
  const from = p.from ?? spotOfRational(rationalOfDouble(left!.edge));
  const to = p.to ?? spotOfRational(rationalOfDouble(right!.edge));
  const out: Part[] = [];
  if (left)
    out.push(tailPart(left, enclosure(new Enclosure(-Infinity, from.hi)), null, from, matters), place(from, "break"));
  const stack: [Spot, Spot][] = [[from, to]];
  let count = 0;
  while (stack.length > 0) {
    const [a, b] = stack.pop()!;
    if (++count > MAX_STRETCHES || work.cells <= 0) {
      out.push({ kind: "open", lo: a.lo, hi: to.hi });
      break;
    }
    const box = new Enclosure(a.lo, b.hi);
    const values = closer(enclosure(box), box);
    const middle = a.hi + (b.lo - a.hi) / 2;
    if (!(values.flags & EMPTY) && !matters(values)) out.push({ kind: "quiet", from: a, to: b, values });
    else if (stepsIn(e, box, table) <= FEW_STEPS || !(middle > a.hi && middle < b.lo)) {
      const inner = partition([e], table, { from: a, to: b }, work);
      out.push(...inner.filter((q) => !(q.kind === "place" && q.because === "range")));
    } else {
      const m = spotOfRational(rationalOfDouble(middle));
      stack.push([m, b], [a, m]);
      continue;
    }
    if (b !== to) out.push(place(b, "break"));
  }
  if (right)
    out.push(place(to, "break"), tailPart(right, enclosure(new Enclosure(to.lo, Infinity)), to, null, matters));
  return out;
}

/**
 * The stretch beyond which a function keeps its sign wherever it has a value.
 * @param there  whether it has one throughout is told by its bounds there
 */
function tailPart(
  tail: { edge: number; sign: -1 | 0 | 1 },
  there: Enclosure,
  from: Spot | null,
  to: Spot | null,
  matters: (values: Enclosure) => boolean,
): QuietPart | OpenPart {
  const [lo, hi] = tail.sign > 0 ? [Number.MIN_VALUE, Infinity] : [-Infinity, -Number.MIN_VALUE];
  const values = new Enclosure(lo, hi, there.flags);
  if (tail.sign !== 0 && !matters(values)) return { kind: "quiet", from, to, values };
  return { kind: "open", lo: from ? tail.edge : -Infinity, hi: to ? tail.edge : Infinity };
}

/**
 * Bounds of values on a box, made closer by the mean value theorem: a step ⌊u⌋ is u less a share of 1, and what is
 * left without steps has a slope. 20000 ln x − ⌊eˣ⌋ lies within 1 of 20000 ln x − eˣ, however many there are.
 */
function closerBounds(e: Expression, table: FunctionTable): (values: Enclosure, box: Enclosure) => Enclosure {
  const smooth = withoutSteps(e);
  const [value, slopes] = [compileEnclosure(smooth, table.enclosure), compileSlopes(smooth, table.slopes)];
  return (values, box) => {
    const middle = new Enclosure(box.lo / 2 + box.hi / 2, box.lo / 2 + box.hi / 2);
    if (values.flags & EMPTY || !Number.isFinite(middle.lo)) return values;
    const [there, all] = [value(middle), slopes({ value: box, slope: UNIT })];
    // Over a pole or a gap there is no mean value.
    if ((there.flags | all.value.flags) & (EMPTY | PARTIAL | BROKEN)) return values;
    const off = iv.multiply(all.slope, iv.subtract(box, middle));
    const near = iv.add(there, off);
    const [lo, hi] = [Math.max(values.lo, near.lo), Math.min(values.hi, near.hi)];
    return lo <= hi ? new Enclosure(lo, hi, values.flags) : values;
  };
}
const UNIT = new Enclosure(1, 1);

/** What a step adds to its argument. */
const ROUNDED = { floor: [-1, 0], ceil: [0, 1], round: [-0.5, 0.5] } as const;

function withoutSteps(e: Expression): Expression {
  if (!isStair(e)) return mapParts(e, withoutSteps);
  const [lo, hi] = ROUNDED[e.name as keyof typeof ROUNDED];
  return add(withoutSteps(e.a), enclosedNumber((lo + hi) / 2, new Enclosure(lo, hi)));
}

/** About how many steps the stairs of a formula take on a box. */
function stepsIn(e: Expression, box: Enclosure, table: FunctionTable): number {
  const own = isStair(e) ? widthOf(compileEnclosure(e.a, table.enclosure)(box)) : 0;
  return parts(e).reduce((sum, p) => sum + stepsIn(p, box, table), own);
}
const widthOf = (v: Enclosure): number =>
  v.flags & EMPTY ? 0 : iv.subtract(new Enclosure(v.hi, v.hi), new Enclosure(v.lo, v.lo)).hi;
