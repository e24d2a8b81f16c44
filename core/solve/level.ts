import { differentiate, type Expression } from "../formula";
import { newWork } from "./partition";
import type { CellPart } from "./parts";
import type { FunctionTable } from "./table";
import { signIn, zerosIn } from "./zerosIn";

/** Whether a formula whose slope has no zero within the cell, unless it is 0 on all of it, is constant there. */
export function isLevel(f: Expression, cell: CellPart, table: FunctionTable): boolean {
  const slope = differentiate(f);
  return signIn(slope, cell, table) === null && zerosIn(slope, cell, table, newWork()).everywhere;
}
