export { type RankedCard } from "./cards";
export { BEYOND } from "./frame";
export { rankedCards, type ModelsAsked } from "./rank";
export { thinWords, type SplitCard } from "./splitCard";
export { roundingLines, type RoundingLine } from "./rounding";
