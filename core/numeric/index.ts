export { remembered } from "./remembered";
export { Exhausted, besides, spend, stepsLeft, within } from "./effort";
export * from "./rational";
export * as poly from "./polynomial";
export type { Polynomial } from "./polynomial";
export { isolateRealRoots } from "./realRoots";
export { type RealRoot } from "./closedRoots";
export { simplestBetween } from "./simplest";
export { NEARLY_WHOLE, TINY } from "./tolerances";
