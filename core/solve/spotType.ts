import type { Rational } from "../numeric";
import type { Expression } from "../formula";
import type { ExactForm } from "./exactForm";

/** One input: exact, or the only zero of an expression in a proven enclosure. */
export interface Spot {
  /** nearest double, in x-unit */
  readonly at: number;
  /** proven enclosure, in x-unit */
  readonly lo: number;
  readonly hi: number;
  /** the input as a fraction, where it is one */
  readonly rational: Rational | null;
  /** the input in closed form, where one is known */
  readonly exact: ExactForm | null;
  /** expressions that are smooth around the input, are 0 there, and have no other zero in the enclosure */
  readonly zeroOf: readonly Expression[];
}
