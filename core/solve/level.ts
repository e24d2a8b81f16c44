import { dependsOnVariable, differentiate, type Expression } from "../formula";
import { inlineSmooth } from "./inline";
import { newWork } from "./partition";
import type { CellPart } from "./parts";
import { constantSign } from "./terms";
import type { FunctionTable } from "./table";
import { signIn, zerosIn } from "./zerosIn";

/** The slope of a formula, written out: that of a running total is what it sums, and algebra sees more in that. */
export const slopeOf = (f: Expression, table: FunctionTable): Expression => inlineSmooth(differentiate(f), table);

/** How a formula goes on a cell: at one level, up or down throughout, or nobody knows. */
export type Going = "level" | "monotone" | "open";

/** How a formula goes on a cell in which its slope has no zero, unless it is 0 on all of it. */
export function goingOf(f: Expression, cell: CellPart, table: FunctionTable): Going {
  const slope = slopeOf(f, table);
  if (!dependsOnVariable(slope)) {
    const sign = constantSign(slope);
    return sign === null ? "open" : sign === 0 ? "level" : "monotone";
  }
  if (signIn(slope, cell, table) !== null) return "monotone";
  const { zeros, everywhere, open } = zerosIn(slope, cell, table, newWork());
  if (everywhere) return "level";
  return zeros.length === 0 && open.length === 0 ? "monotone" : "open";
}
