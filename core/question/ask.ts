import { Exhausted, within } from "../numeric";
import type { Model, Question } from "../model";
import { Asking, Refusal, type Answers } from "./common/asking";
import type { AnyAnswer, Finding } from "./finding";
import { roomOf } from "./rooms";

/** Work that one question is given, in steps: at most about a second. */
export const QUESTION_EFFORT = 6_000_000;
/** And where a person wants it looked at longer: about half a minute. */
export const LONG_EFFORT = 100_000_000;

/**
 * Answers one question with no more than so many steps of work. Never throws: what cannot be answered is a finding with
 * status `error` and a message, and a fault of ours in one question does not stop the others.
 */
export function answer(question: Question, model: Model, answers: Answers, effort = QUESTION_EFFORT): Finding {
  const stopped = { id: question.id, ask: question.ask, complete: false } as const;
  try {
    return within(effort, () => judged(roomOf(question).answer(new Asking(question, model, answers))));
  } catch (failure) {
    if (failure instanceof Exhausted) return { ...stopped, status: "cut", message: null };
    if (failure instanceof Refusal) return { ...stopped, status: "error", message: failure.message };
    const why = failure instanceof RangeError ? "it took more room than there is" : "something in it was not foreseen";
    return {
      ...stopped,
      status: "error",
      message: `This question could not be worked out: ${why}. All others stand.`,
    };
  }
}

/** Where the second way does not come to the same, nothing is called proven, and both are said. */
function judged(f: AnyAnswer): AnyAnswer {
  if (!f.secondWay || f.secondWay.agrees) return f;
  const { found, second, method } = f.secondWay;
  const doubt = `Two methods disagree: ${short(found)} here, ${short(second)} by ${method}.`;
  return { ...f, complete: false, message: f.message ? `${f.message} ${doubt}` : doubt };
}

const short = (x: number): string => String(Number(x.toPrecision(10)));
