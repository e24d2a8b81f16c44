import { quoted } from "../formula";
import { Exhausted, within } from "../numeric";
import type { Model, Question } from "../model";
import { answeringOf } from "./answers";
import { Asking, Refusal, type Answers } from "./common/asking";
import type { AnyAnswer, Finding } from "./finding";

/** Work that one question is given, in steps: about a second at most. */
export const QUESTION_EFFORT = 4_400_000;
/** And where a person wants it looked at longer: about half a minute. */
export const LONG_EFFORT = 100_000_000;

/**
 * Answers one question with no more than so many steps of work. Never throws: what cannot be answered is a finding with
 * status `error` and a message, and a fault of ours in one question does not stop the others.
 */
export function answer(question: Question, model: Model, answers: Answers, effort = QUESTION_EFFORT): Finding {
  const stopped = { id: question.id, ask: question.ask, complete: false } as const;
  try {
    return within(effort, () => {
      const asking = new Asking(question, model, answers);
      return judged(answeringOf(question.ask)(asking), asking.doubtful);
    });
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

/**
 * Where the second way does not come to the same, nothing is called proven, and both are said; nor where it rests on an
 * answer that is not proven itself.
 * @param doubtful  earlier questions that are not complete
 */
function judged(f: AnyAnswer, doubtful: ReadonlySet<string>): AnyAnswer {
  const doubts = [...doubtful].map((id) => `This rests on the answer of ${quoted(id)}, which is not settled.`);
  if (f.secondWay && !f.secondWay.agrees) {
    const { found, second, method } = f.secondWay;
    doubts.push(`Two methods disagree: ${short(found)} here, ${short(second)} by ${method}.`);
  }
  if (doubts.length === 0) return f;
  return { ...f, complete: false, message: [...(f.message ? [f.message] : []), ...doubts].join(" ") };
}

const short = (x: number): string => String(Number(x.toPrecision(10)));
