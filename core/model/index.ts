export * from "./case";
export { readAmount } from "./amount";
export { buildModel } from "./build";
export { modelOf } from "./modelOf";
export { UNKNOWN_GIVEN, type CaseProblem, type Model, type ModelFunction, type ModelVariable } from "./model";
export { dataOf, fitRows, fittedForm, rowsOf, type DataRows, type FitBy, type ModelFit } from "./fits";
export { readingOf } from "./dates";
export { rewritten } from "./made/ways";
export { unitName } from "./unitCheck";
