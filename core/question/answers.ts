import type { Asking } from "./common/asking";
import { compare } from "./compare/answer";
import type { AnswerTo, Ask } from "./finding";
import { given } from "./given/answer";
import { best } from "./greatest-least/answer";
import type { QuestionOf } from "./kind";
import { meet } from "./meet/answer";
import { multiply } from "./multiply/answer";
import { rate } from "./rate/answer";
import { reachAny } from "./reach-any/answer";
import { reach } from "./reach/answer";
import { total } from "./total-average/answer";
import { value } from "./value/answer";
import { where } from "./where/answer";

/** Works a question out. @throws Refusal in a plain sentence where the question itself is at fault */
type Answering<K extends Ask> = (asking: Asking<QuestionOf<K>>) => AnswerTo<K>;

/**
 * How every kind of question is answered; one that is not does not compile. They stand apart from the rooms, so that a
 * page that only shows questions does not load them.
 */
const ANSWERS: { readonly [K in Ask]: Answering<K> } = {
  compare,
  meet,
  "reach-any": reachAny,
  reach,
  where,
  greatest: best as Answering<"greatest">,
  least: best as Answering<"least">,
  multiply,
  total: total as Answering<"total">,
  average: total as Answering<"average">,
  rate,
  given,
  value,
};

/** What belongs to one kind is only ever handed to the answer of that kind. */
export const answeringOf = (ask: Ask): Answering<Ask> => ANSWERS[ask] as unknown as Answering<Ask>;
