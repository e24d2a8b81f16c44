export { blockRead, cellRead, cellShown, cellTyped, type CellRead } from "./cell";
export { estimateWords, list } from "./list";
export {
  formatCount,
  formatInput,
  formatNumber,
  formatQuantity,
  formatStep,
  formatUnitElsewhere,
  formatMoney,
  inputNoun,
  isCounted,
  isMoney,
  isPercent,
  oneOf,
  prettyUnit,
  unitFor,
  formatRate,
} from "./quantity";
export { hasSign, rangeInUnit, rangeTyped } from "./range";
export { shorter } from "./shorter";
export { beyondWords, determinationWords, growthWords } from "./beyondWords";
export { leftAt, spareWords, worthAt, type Left } from "./planReading";
export { planWords, type PlanWords } from "./planWords";
export { cornerText, regionWords, variableText } from "./regionWords";
export { coefficientRows, rangeText, relationShown, worthSentences, type CoefficientRow } from "./planWorth";
