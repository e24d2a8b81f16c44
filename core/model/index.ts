export * from "./case";
export { buildModel, readAmount, type CaseProblem, type Model, type ModelFunction, type ModelVariable } from "./build";
export { dataOf, fitRows, fittedForm, rowsOf, type DataRows, type FitBy, type ModelFit } from "./fits";
export { analyse, type Analysis, type Progress } from "./analyse";
export { answer } from "./ask";
export { readingOf } from "./dates";
export { unitName } from "./unitCheck";
export type * from "./finding";
