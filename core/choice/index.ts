export { type RankedCard } from "./cards";
export { BEYOND } from "./frame";
export { missWords } from "./missWords";
export { rankedCards, type ModelsAsked } from "./rank";
export { thinWords, type SplitCard } from "./splitCard";
export { roundingLines, type RoundingLine } from "./rounding";
