import type { Model } from "../../model";
import type { Unit } from "../../units";
import { solutionsOf, stretchesOf, type AnyAnswer } from "../finding";

/** A number that is followed when a given moves. */
export interface Followed {
  readonly value: number;
  readonly unit: Unit | null;
}

/** The first input that answers: an answer itself, or the end of a stretch that is no end of the range. */
export function firstInput(f: AnyAnswer): number | null {
  const { from, to } = f.about;
  const ends = stretchesOf(f).flatMap((s) => [s.from, s.to]);
  return solutionsOf(f)[0]?.at ?? ends.find((x) => x !== null && x !== from && x !== to) ?? null;
}

/** Of questions that are answered by inputs. */
export function followedInput(f: AnyAnswer, model: Model): Followed | null {
  const value = firstInput(f);
  return value === null ? null : { value, unit: model.variables.get(f.about.variable)?.unit ?? null };
}

/** Of questions that are answered by a value of their function. */
export const followedValue = (f: AnyAnswer & { readonly value: number | null }, model: Model): Followed | null =>
  f.value === null ? null : { value: f.value, unit: model.functions.get(f.about.functions[0]!)?.unit ?? null };
