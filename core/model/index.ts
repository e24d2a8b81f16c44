export * from "./case";
export {
  UNKNOWN_GIVEN,
  buildModel,
  readAmount,
  type CaseProblem,
  type Model,
  type ModelFunction,
  type ModelVariable,
} from "./build";
export { dataOf, fitRows, fittedForm, rowsOf, type DataRows, type FitBy, type ModelFit } from "./fits";
export { readingOf } from "./dates";
export { unitName } from "./unitCheck";
