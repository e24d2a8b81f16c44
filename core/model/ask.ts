import { Exhausted, within } from "../numeric";
import { Asking, Refusal, blank, type Answers } from "./answering/asking";
import { best } from "./answering/best";
import { compare } from "./answering/compare";
import { given } from "./answering/given";
import { meet, reach } from "./answering/level";
import { multiply } from "./answering/multiply";
import { rate } from "./answering/rate";
import { total } from "./answering/total";
import { value } from "./answering/value";
import { where } from "./answering/where";
import type { Model } from "./build";
import type { Question } from "./case";
import type { Finding } from "./finding";

export type { Answers } from "./answering/asking";

/** How each kind of question is answered; a kind without an answer does not compile. */
const ANSWERS: { readonly [K in Question["ask"]]: (asking: Asking<Question & { ask: K }>) => Finding } = {
  meet,
  reach,
  where,
  greatest: best,
  least: best,
  value,
  rate,
  total,
  average: total,
  multiply,
  compare,
  given,
};

/** Work that one question is given, in steps: at most about a second. */
export const QUESTION_EFFORT = 6_000_000;
/** And where a person wants it looked at longer: about half a minute. */
export const LONG_EFFORT = 100_000_000;

/**
 * Answers one question with no more than so many steps of work. Never throws: what cannot be answered is a finding with
 * status `error` and a message, and a fault of ours in one question does not stop the others.
 */
export function answer(question: Question, model: Model, answers: Answers, effort = QUESTION_EFFORT): Finding {
  try {
    return within(effort, () => {
      const asking = new Asking(question, model, answers);
      const answerOf = ANSWERS[question.ask] as (asking: Asking) => Finding;
      return judged(answerOf(asking));
    });
  } catch (failure) {
    if (failure instanceof Exhausted) return { ...blank(question), status: "unsettled", isCut: true };
    if (failure instanceof Refusal) return { ...blank(question), status: "error", message: failure.message };
    const why = failure instanceof RangeError ? "it took more room than there is" : "something in it was not foreseen";
    return {
      ...blank(question),
      status: "error",
      message: `This question could not be worked out: ${why}. All others stand.`,
    };
  }
}

/** Where the second way does not come to the same, nothing is called proven, and both are said. */
function judged(f: Finding): Finding {
  if (!f.secondWay || f.secondWay.agrees) return f;
  const { found, second, method } = f.secondWay;
  const doubt = `Two methods disagree: ${short(found)} here, ${short(second)} by ${method}.`;
  return { ...f, complete: false, message: f.message ? `${f.message} ${doubt}` : doubt };
}

const short = (x: number): string => String(Number(x.toPrecision(10)));
