import { buildModel, type CaseFile } from "../model";
import { titleOfStory, withOffers, type Offered } from "../story";

/** A case with nothing in it but a story; its lists are there, so that whoever goes through them finds them. */
const blank = (text: string): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: titleOfStory({ text }) ?? "A story",
  story: { text },
  givens: [],
  variables: [],
  data: [],
  functions: [],
  questions: [],
});

/** The case that offers make by themselves, with marks where their words stand. */
export const assembled = (text: string, offers: readonly Offered[]): CaseFile => withOffers(blank(text), offers);

/** Whether a case that was read can be worked out as it stands, with units that agree. */
export function isSound(made: CaseFile): boolean {
  const model = buildModel(made);
  return model.errors.length === 0 && [...model.functions.values()].every((f) => f.unitsAgree !== false);
}
