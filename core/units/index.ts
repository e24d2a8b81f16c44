export {
  parseUnit,
  unitGroups,
  unitTrouble,
  PLAIN,
  plural,
  singular,
  sameUnit,
  sameDimension,
  isPlain,
  times,
  raised,
  type Unit,
} from "./unit";
export { earlierAnswer, plainAmount, readAmountText, retypedAmount, type AmountRead } from "./amountText";
