import { ONE, signOf } from "../numeric";
import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import { compileEnclosure, differentiate, parts, type Expression } from "../formula";
import { inline, inlineSmooth } from "./inline";
import type { Term } from "./growth";
import { Leading } from "./leading";
import type { FunctionTable } from "./table";
import { restBeyond } from "./totalRest";

/** Powers of two tried as the place from which a total never comes back to 0. */
const EDGES = [3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 17, 20, 25];

/** From where on an expression keeps its sign; as far as that is proven. */
export interface Kept {
  readonly edge: number;
  readonly sign: 1 | -1;
}

/**
 * From where on, towards infinity, an expression with a running total in it has no zero: its slope is what is summed,
 * which takes it further away from 0 for ever, or has too little left to bring it back.
 * @param slopeTail  from where on an expression keeps its sign, if that is known
 * @returns null where there is no total, or neither is proven
 */
export function totalKeepsSign(
  u: Expression,
  side: 1 | -1,
  start: number,
  table: FunctionTable,
  slopeTail: (slope: Expression) => Kept | null,
): Kept | null {
  if (!hasTotal(u, table)) return null;
  const slope = inlineSmooth(differentiate(u), table);
  if (hasTotal(slope, table)) return null;
  const value = compileEnclosure(u, table.enclosure);
  const along = slopeTail(slope);
  for (const far of EDGES.map((k) => 2 ** k)) {
    if (far <= side * start) continue;
    const at = value(new Enclosure(side * far, side * far));
    if (at.flags & (EMPTY | PARTIAL | BROKEN) || containsZero(at)) continue;
    const sign = at.lo > 0 ? 1 : -1;
    const goesAway = along && far >= side * along.edge && along.sign * side === sign;
    const summed = goesAway ? null : new Leading({ spot: null, side, delta: 1 / far }, table).of(slope);
    const rest = summed && restBeyond(summed, 1 / far);
    if (goesAway || (rest !== null && rest < Math.min(Math.abs(at.lo), Math.abs(at.hi))))
      return { edge: side * far, sign };
  }
  return null;
}

const hasTotal = (e: Expression, table: FunctionTable): boolean =>
  (e.kind === "call" && table.definition(e.name, e.order)?.kind === "closures") ||
  parts(e).some((p) => hasTotal(p, table));

/**
 * Whether a running total grows beyond all bounds far out, and with which sign: what is summed keeps its sign and does
 * not vanish fast enough to come to a number, as 1/y does not. Null where that is not so, or not proven.
 */
export function totalGrowth(e: Expression, side: 1 | -1, table: FunctionTable): 1 | -1 | null {
  if (e.kind !== "call" || e.a.kind !== "variable") return null;
  const total = table.definition(e.name, e.order);
  if (total?.kind !== "closures") return null;
  for (const k of EDGES) {
    const summed = new Leading({ spot: null, side, delta: 2 ** -k }, table).of(inline(total.slope, table));
    if (!summed || containsZero(summed.c)) continue;
    if (!hasNoSum(summed)) return null;
    return summed.c.lo > 0 === side > 0 ? 1 : -1;
  }
  return null;
}

/** ∫ y^−r (ln y)^s e^w dy has no bound where e^w grows, with r below 1, and with r = 1 and s from −1 on. */
function hasNoSum({ r, s, w }: Term): boolean {
  if (w) return w.term.c.lo > 0;
  const beyond = signOf(r.sub(ONE));
  return beyond < 0 || (beyond === 0 && signOf(s.add(ONE)) >= 0);
}
