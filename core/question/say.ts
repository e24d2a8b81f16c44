import { functionsOf, type Model, type Question } from "../model";
import { Speech } from "./common/speech";
import { Unfit, roundingWords, type Slot, type SlotOf, type SlotResult } from "./common/slots";
import { typedInPercent } from "./common/percents";
import { QuestionWords, type QuestionPart } from "./common/words";
import { formatStep } from "../explain";
import { isStopped, solutionsOf, stretchesOf, type Finding } from "./finding";
import { roomOf } from "./rooms";

const CUT = "Not settled: cut short, since it takes more work than one question is given.";

/** The answer to a question as a plain sentence, in the units and words of the story. */
export function sentenceOf(f: Finding, model: Model): string {
  if (isStopped(f)) return f.status === "cut" ? CUT : (f.message ?? "This question could not be answered.");
  const q = model.source.questions?.find((r) => r.id === f.id);
  if (!q) return "";
  const say = new Speech(f.about, model);
  const said = roomOf(f).sentence(f, say, q);
  const repeats = "repeats" in f ? f.repeats : null;
  const isFound = f.status === "found" && solutionsOf(f).length + stretchesOf(f).length > 0;
  // Of an answer that comes again for ever, how often.
  const often =
    repeats && isFound ? `${said.replace(/\.$/, "")}, and again every ${formatStep(repeats.every, say.input)}.` : said;
  // There may be more answers, earlier or better ones, where nothing is settled.
  return isFound && !f.complete ? `As far as is settled, ${often.replace(/^Least:/, "least:")}` : often;
}

/** The question as a sentence, in parts: those with a slot are underlined and can be changed. */
export const questionParts = (q: Question, model: Model): QuestionPart[] =>
  roomOf(q).parts(q, new QuestionWords(q, model, (earlier) => placeOf(earlier, model)));
/** What holds at the answers of a question; what it is asked with itself stands there by its number. */
const placeOf = (q: Question, model: Model): string | null => roomOf(q).place(q, new QuestionWords(q, model));

export const questionText = (q: Question, model: Model): string =>
  questionParts(q, model)
    .map((p) => p.text)
    .join("");

/** The same with the rounding of whole answers, where there are such: for the card on which it can be changed. */
export function questionPartsWithRounding(q: Question, model: Model): QuestionPart[] {
  const parts = questionParts(q, model);
  const f = model.functions.get(functionsOf(q)[0] ?? "");
  const isCounted = f !== undefined && model.variables.get(f.of)?.whole === true;
  if (!q.round && !(isCounted && roomOf(q).isRounded)) return parts;
  const last = parts[parts.length - 1]!;
  return [
    ...parts.slice(0, -1),
    { ...last, text: last.text.replace(/\?$/, ", ") },
    { text: roundingWords(q), slot: "round" },
    { text: "?" },
  ];
}

/** How one part of a question is shown and put in; undefined where this kind of question has no such part. */
export const slotOf = (q: Question, slot: Slot): SlotOf<Question> | undefined => roomOf(q).slots[slot];

/** Reads what was typed in place of one part of a question and puts it in. The question passed in is not changed. */
export function changeSlot(q: Question, slot: Slot, text: string, model: Model): SlotResult {
  const part = slotOf(q, slot);
  if (!part) return { ok: false, message: "This question has no such part." };
  try {
    return { ok: true, question: part.put(q, typedInPercent(q, slot, text.trim(), model), model) };
  } catch (failure) {
    if (failure instanceof Unfit) return { ok: false, message: failure.message };
    throw failure;
  }
}
