import { rationalOfDouble, rationalOfTyped, toDouble, type Rational } from "../numeric";
import { EMPTY } from "../interval";
import { quoted, resolve, type Expression, type Names, type Problem } from "../formula";
import { encloseConstant, exactRational } from "../solve";
import type { NumberText } from "./case";

/** A number of a case, or what is wrong with the text it is written as. */
export type AmountRead =
  | {
      readonly ok: true;
      readonly exact: Rational;
      readonly value: number;
      /** the number itself, where it is no fraction: 2π, √2 */
      readonly irrational: Expression | null;
    }
  | { readonly ok: false; readonly problem: Problem };

/** Reads a number or a formula text in givens, exactly where it is a fraction, else to the nearest double. */
export function readAmount(value: NumberText, names: Names): AmountRead {
  if (typeof value === "number") {
    const exact = rationalOfTyped(value);
    if (exact) return { ok: true, exact, value, irrational: null };
    const message = Number.isNaN(value)
      ? "This is not a number."
      : "This number is larger than any that can be worked with (about 1.8 × 10³⁰⁸).";
    return { ok: false, problem: { code: "unexpected", start: 0, end: 0, message } };
  }
  const r = resolve(value, { ...names, variable: null });
  if (!r.expression) return { ok: false, problem: r.problems[0]! };
  const exact = exactRational(r.expression);
  if (exact) return { ok: true, exact, value: toDouble(exact), irrational: null };
  const within = encloseConstant(r.expression);
  if (within.flags & EMPTY || !Number.isFinite(within.lo) || !Number.isFinite(within.hi))
    return {
      ok: false,
      problem: { code: "domain", start: 0, end: value.length, message: `${quoted(value)} has no value.` },
    };
  const near = within.lo + (within.hi - within.lo) / 2;
  return { ok: true, exact: rationalOfDouble(near), value: near, irrational: r.expression };
}
