export { bodyOf } from "./body";
export { equationWorking } from "./equationWorking";
export { preludeOf } from "./prelude";
export {
  between,
  hasValueEverywhere,
  isOn,
  isRootAt,
  isSameWhereDefined,
  relation,
  solutionsOf,
  type Relation,
} from "./proof";
export {
  NONE,
  anyOf,
  answerOf,
  equation,
  newSetting,
  numberLatex,
  polynomialEquation,
  shownAs,
  stated,
  told,
  inWords,
  written,
  type Equation,
  type Setting,
  type Shown,
  type Solutions,
  type Statement,
  type WorkingStep,
} from "./statement";
export { planWorking } from "./planWorking";
export { fitWorking } from "./fitWorking";
export { shortSlope, slopeStep, shortly, sideShown, holdsCalls } from "./slope";
export { stairLines } from "./stairs";
export { antiderivative } from "./antiderivative";
export { signTable } from "./signTable";
export { inputShown, numberSaid, putInStep, valueSaid, type NumberSaid } from "./values";
export { quantityLatex } from "./prelude";
export { latexSign, toldSign, toldSignOf } from "./toldSign";
