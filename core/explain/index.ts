export { estimateWords, sentenceOf, list } from "./sentence";
export {
  questionParts,
  questionPartsWithRounding,
  questionText,
  ROUNDINGS,
  type QuestionPart,
  type Slot,
} from "./question";
export {
  formatCount,
  formatInput,
  formatNumber,
  formatQuantity,
  formatMoney,
  inputNoun,
  isCounted,
  isMoney,
  isPercent,
  prettyUnit,
  unitFor,
} from "./quantity";
export { beyondWords } from "./beyondWords";
export { planWords, type PlanWords } from "./planWords";
export { coefficientRows, rangeText, rateText, worthSentences, type CoefficientRow } from "./planWorth";
export { workingOf, type WorkingStep } from "./working";
