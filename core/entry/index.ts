export { freshId, withEntry, type Entry } from "./entry";
export type { Interpretation } from "./checked";
export { MAX_LINE, interpret } from "./statement";
export { readLines } from "./lines";
export { understand } from "./understand";
export { asUnderstood, type Understanding, type Understood } from "./understanding";
export { rangeText, rangeTrouble, readRangeText } from "./rangeText";
export { writtenFunction } from "./written";
export { AT_MOST } from "./limitWords";
