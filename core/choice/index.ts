export { type RankedCard } from "./cards";
export { BEYOND } from "./frame";
export { rankedCards, type ModelsAsked } from "./rank";
export { roundingLines, type RoundingLine } from "./rounding";
