export { fitModel } from "./fit";
export { type Constant, type Fit, type FitMethod, type FitSpec, type NoFit } from "./fitShape";
export {
  FAMILIES,
  FAMILY_CONSTANTS,
  constantOf,
  familyExpression,
  familyText,
  familyValue,
  plain,
  type Family,
} from "./families";
export { freeConstants, ownModel } from "./own";
export { studentQuantile } from "./student";
export { beyondData, type Beyond, type Context } from "./beyond";
export { TIE, extent, rankModels, tooFewRuns, type RankedModel, type RankingOptions } from "./ranking";
export { suggestSplit, type Split } from "./split";
export { solveLeastSquares, type LinearSolution } from "./leastSquares";
