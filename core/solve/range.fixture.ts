import type { Rational } from "../numeric";
import { spotOfRational } from "./spot";
import type { Range } from "./parts";

/** A range between fractions, for tests; null: unbounded. */
export const between = (from: Rational | null, to: Rational | null): Range => ({
  from: from && spotOfRational(from),
  to: to && spotOfRational(to),
});
