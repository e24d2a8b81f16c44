import type { WorkingStep } from "../working";
import type { Asking } from "./common/asking";
import { working as compare } from "./compare/working";
import type { AnswerTo, Ask } from "./finding";
import { working as given } from "./given/working";
import { working as best } from "./greatest-least/working";
import type { QuestionOf } from "./kind";
import { working as meet } from "./meet/working";
import { working as multiply } from "./multiply/working";
import { working as rate } from "./rate/working";
import { working as reach } from "./reach/working";
import { working as reachAny } from "./reach-any/working";
import { working as total } from "./total-average/working";
import { working as value } from "./value/working";
import { working as where } from "./where/working";

/**
 * Steps a student would write, each proven; none where there are no such.
 * @param f  the answer; null where the question was cut short
 */
export type Working<K extends Ask> = (asking: Asking<QuestionOf<K>>, f: AnswerTo<K> | null) => WorkingStep[];

/**
 * The working of every kind of question; one without does not compile. They stand apart from the rooms, so that a page
 * that only shows questions does not load them.
 */
const WORKINGS: { readonly [K in Ask]: Working<K> } = {
  compare,
  meet,
  "reach-any": reachAny,
  reach,
  where,
  greatest: best as Working<"greatest">,
  least: best as Working<"least">,
  multiply,
  total: total as Working<"total">,
  average: total as Working<"average">,
  rate,
  given,
  value,
};

/** What belongs to one kind is only ever handed to the working of that kind. */
export const workingFor = (ask: Ask): Working<Ask> => WORKINGS[ask] as unknown as Working<Ask>;
