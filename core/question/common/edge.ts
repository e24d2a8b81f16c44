import { compileEnclosure, type Expression } from "../../formula";
import { Enclosure, PARTIAL } from "../../interval";
import type { FunctionTable, Spot } from "../../solve";

/** Whether rounding may take doubles over an edge here, to where there is no value: √(x − 0.1 − 0.2) at 0.3. */
export const isAtEdge = (e: Expression, at: Spot, table: FunctionTable): boolean =>
  (compileEnclosure(e, table.enclosure)(new Enclosure(at.lo, at.hi)).flags & PARTIAL) !== 0;
