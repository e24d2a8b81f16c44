export * from "./finding";
export { analyse, type Analysis, type Progress } from "./analyse";
export { answer } from "./ask";
export { inFull, type FullFinding } from "./inFull";
export {
  changeSlot,
  questionParts,
  questionPartsWithRounding,
  questionText,
  sentenceOf,
  slotOf,
  workingOf,
} from "./say";
export { earlierOf, usesOf } from "./uses";
export { KINDS, roomOf } from "./rooms";
export type { AnswerPoint, Canvas, Outline, Replacing, Sight } from "./kind";
export { NAME, TO, sidesOf, type Line } from "./common/line";
export { MAX_EXACT, isShortDecimal, type Card } from "./common/card";
export { roundingWords, type Choice, type Slot, type SlotResult } from "./common/slots";
export type { QuestionPart } from "./common/words";
