import type { Amount, Question } from "../../model";
import type { Replacing } from "../kind";

/** The ends a question has of its own, replaced. */
export const rangeReplaced = (q: Question, by: Replacing): { from?: Amount; to?: Amount } => ({
  ...(q.from === undefined ? {} : { from: by.amount(q.from) }),
  ...(q.to === undefined ? {} : { to: by.amount(q.to) }),
});
/** A question about one function: its name and its own ends replaced. */
export const functionReplaced = <Q extends Question & { function: string }>(q: Q, by: Replacing): Q => ({
  ...q,
  ...rangeReplaced(q, by),
  function: by.name(q.function),
});
export const pairReplaced = ([from, to]: readonly [Amount, Amount], by: Replacing): [Amount, Amount] => [
  by.amount(from),
  by.amount(to),
];
