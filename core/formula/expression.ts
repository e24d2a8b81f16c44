import type { Rational } from "../numeric";
import type { Enclosure } from "../interval";

export type Unary =
  | "ln"
  | "log10"
  | "log2"
  | "exp"
  | "sqrt"
  | "cbrt"
  | "abs"
  | "sin"
  | "cos"
  | "tan"
  | "asin"
  | "acos"
  | "atan"
  | "sinh"
  | "cosh"
  | "tanh"
  | "floor"
  | "ceil"
  | "round"
  | "step"
  | "sign";

/** A number as it was written, and how closely its parts hold together: as a sum, a product, or a number alone. */
export interface Written {
  readonly text: string;
  readonly latex: string;
  readonly binds: "sum" | "product" | "number";
}

/**
 * A checked expression in one variable: names are resolved, givens are numbers, functions of the case are called by
 * name.
 * `sign` is the slope of abs; `choose` (with p < q take a, with p > q take b) that of min and max; `flat` the slope of
 * the stairs:
 * 0 where its argument's stair does not jump. These three come only from differentiation.
 */
export type Expression =
  | {
      readonly kind: "number";
      readonly value: number;
      readonly exact: Rational | null;
      readonly within: Enclosure;
      /** how a person wrote it, where that says more than its digits: 1 + 4.15%/12 */
      readonly written?: Written;
    }
  | { readonly kind: "variable" }
  | { readonly kind: "add" | "subtract" | "multiply" | "divide"; readonly a: Expression; readonly b: Expression }
  | { readonly kind: "power"; readonly a: Expression; readonly b: Expression }
  | { readonly kind: "negate"; readonly a: Expression }
  | { readonly kind: "apply"; readonly name: Unary; readonly a: Expression }
  | { readonly kind: "root"; readonly a: Expression; readonly n: number }
  | { readonly kind: "min" | "max"; readonly a: Expression; readonly b: Expression }
  | {
      readonly kind: "choose";
      readonly p: Expression;
      readonly q: Expression;
      readonly a: Expression;
      readonly b: Expression;
    }
  | { readonly kind: "flat"; readonly name: Unary; readonly a: Expression }
  /** the `order`-th derivative of the function `name` of the case, at `a` */
  | { readonly kind: "call"; readonly name: string; readonly order: number; readonly a: Expression };
