export { FunctionTable, holds, type Definition, type Piece } from "./table";
export { findRoots, type Root, type RootKind, type RootSearch, type Stretch } from "./roots";
export type { Attained, Best, Bound, Flat } from "./bestSearch";
export { findBest, turningParts, type OptimumSearch } from "./optima";
export { whereRelation, leastOf, type Leader, type LeaderSearch, type Relation, type RelationSearch } from "./signs";
export { integrate, type Integral } from "./integrate";
export { inline } from "./inline";
export {
  MAX_STEPS,
  newWork,
  partition,
  refine,
  spotOfEnd,
  type CellPart,
  type Part,
  type PlacePart,
  type Range,
  type Work,
} from "./partition";
export { compareSpots, numberOfSpot, spotOfConstant, spotOfRational, signAtSpot, type Spot } from "./spot";
export { type PartSign, type SignedPart } from "./signedParts";
export { areEqualValues, branchAt, signOfValue, valueAt, valueOf, type ValueAt } from "./valueAt";
export { limitAt, type Limit } from "./limits";
export { periodOf, type Period } from "./period";
export { encloseAt, exactValueAt } from "./encloseAt";
export { hullOf, innerPoints, signIn, zerosIn } from "./zerosIn";
export { polynomialForm, rationalForm } from "./rationalForm";
export { polynomialExpression } from "./polynomialExpression";
export { constantForm, exactRational, isExactlyZero, vanishesAt } from "./constant";
export { encloseConstant, formOf, rationalExact, type ExactForm } from "./exactForm";
export { constantSign } from "./terms";
export { zerosOf } from "./zeros";
export type { Zero, ZeroSet } from "./zeroSet";
export { MAX_BOXES } from "./branch";
