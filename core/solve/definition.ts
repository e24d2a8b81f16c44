import type { Rational } from "../numeric";
import type { EnclosureFunction, Expression, NumberFunction } from "../formula";

/** One row of a function by pieces; null bounds are open to infinity. */
export interface Piece {
  readonly expression: Expression;
  readonly from: Rational | null;
  readonly to: Rational | null;
  /** the bounds as doubles, -Infinity and Infinity where open */
  readonly low: number;
  readonly high: number;
  readonly closedFrom: boolean;
  readonly closedTo: boolean;
}

/** A function (order 0) or a derivative of it. */
export interface Derivative {
  readonly name: string;
  readonly order: number;
}

export type Definition =
  | { readonly kind: "expression"; readonly expression: Expression }
  | { readonly kind: "pieces"; readonly pieces: readonly Piece[] }
  /** ready-made closures: a running total of a function without an antiderivative in closed form */
  | {
      readonly kind: "closures";
      readonly number: NumberFunction;
      readonly enclosure: EnclosureFunction;
      /** what is summed */
      readonly slope: Expression;
      /** from where */
      readonly from: Rational;
    }
  /**
   * The slope of a function with corners, roots, logarithms or pieces. The usual rules do not give it everywhere: they
   * have no value for x|x| at 0, where its slope is 0, and one for ln(x) below 0, which has none. What it is in a cell
   * or at a place is told by the function (`slopes.ts`).
   */
  | { readonly kind: "slope"; readonly of: Derivative; readonly rule: RuleDefinition };

/** What the usual rules make of a function: right where it is smooth. */
export type RuleDefinition = Definition & { readonly kind: "expression" | "pieces" };
