import type { Expression } from "./expression";

/** The expressions of one kind. */
type OfKind<K extends Expression["kind"], E = Expression> = E extends { readonly kind: infer Own }
  ? K extends Own
    ? E
    : never
  : never;

/** What is done with each kind of expression; a kind that is forgotten does not compile. */
export type Rules<Context, Result> = {
  readonly [K in Expression["kind"]]: (e: OfKind<K>, context: Context) => Result;
};
export const byRule = <Context, Result>(rules: Rules<Context, Result>, e: Expression, context: Context): Result =>
  (rules[e.kind] as (e: Expression, context: Context) => Result)(e, context);

export type One = { readonly a: Expression };
export type Two = One & { readonly b: Expression };
/** What a rule needs to compile an expression: its parts compiled, and the functions of the case. */
export interface Compiler<F, Lookup> {
  readonly compile: (part: Expression) => F;
  readonly lookup: Lookup;
}
