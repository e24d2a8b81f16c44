import type { Rational } from "../numeric";
import type { Problem, Span } from "./problem";

export type Operator = "+" | "-" | "*" | "/" | "^";

/** What was written, before names are looked up. Every node knows its place in the text. */
export type Syntax =
  | (Span & {
      readonly type: "number";
      readonly text: string;
      readonly value: number;
      readonly exact: Rational | null;
      readonly percent: boolean;
    })
  | (Span & { readonly type: "name"; readonly name: string })
  | (Span & {
      readonly type: "apply";
      readonly name: string;
      readonly primes: number;
      readonly args: readonly Syntax[];
      readonly nameSpan: Span;
    })
  | (Span & { readonly type: "negate"; readonly of: Syntax })
  | (Span & {
      readonly type: "operation";
      readonly op: Operator;
      readonly left: Syntax;
      readonly right: Syntax;
      readonly implied: boolean;
    })
  | (Span & { readonly type: "bracket"; readonly of: Syntax });

export type Parsed =
  | { readonly ok: true; readonly syntax: Syntax; readonly warnings: readonly Problem[] }
  | { readonly ok: false; readonly problem: Problem };

/** Longest formula text, in UTF-16 code units, and deepest nesting that are read. */
export const MAX_LENGTH = 2000;

export const MAX_DEPTH = 100;

export class Failure {
  constructor(readonly problem: Problem) {}
}
