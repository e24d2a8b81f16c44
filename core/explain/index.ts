export { estimateWords, list } from "./list";
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
  oneOf,
  prettyUnit,
  unitFor,
} from "./quantity";
export { beyondWords } from "./beyondWords";
export { leftAt, spareWords, worthAt, type Left } from "./planReading";
export { planWords, type PlanWords } from "./planWords";
export { coefficientRows, rangeText, rateText, worthSentences, type CoefficientRow } from "./planWorth";
export { workingOfEquation, workingOfSlope, type WorkingStep } from "./working";
