import { dependsOnVariable, expressionText, parts, type Expression } from "../../formula";
import type { Equation, Setting, Statement, WorkingStep } from "../statement";

/** What a rule makes of an equation; `notes` are written before it. */
export interface Move {
  readonly rule: string;
  readonly says: string;
  readonly to: Statement;
  readonly notes?: readonly WorkingStep[];
  /** whether the line stands in the short form */
  readonly isKey?: boolean;
  /** whether the rule may bring answers in, on whatever range: then it is told so, also where it brought none */
  readonly mayBring?: boolean;
}

/** A rule of algebra: what an equation is turned into, or null where the rule is not for it. */
export type Way = (eq: Equation, on: Setting) => Move | null;

/** How often the unknown is written in an expression. */
export function timesWritten(e: Expression, most = 3): number {
  if (e.kind === "variable") return 1;
  let count = 0;
  for (const part of parts(e)) {
    if (count >= most) break;
    if (dependsOnVariable(part)) count += timesWritten(part, most);
  }
  return count;
}

/** An expression in words: as it is written, with the name of the unknown. */
export const inWords = (e: Expression, { x }: Pick<Setting, "x">): string => expressionText(e, x);
