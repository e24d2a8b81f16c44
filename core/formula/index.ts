export * from "./expression";
export { derivativeWithin, differentiate } from "./differentiate";
export { parse, MAX_DEPTH, MAX_LENGTH, type Syntax, type Operator } from "./syntax";
export { tokenize, type Token } from "./tokens";
export {
  resolve,
  isFunctionName,
  RESERVED,
  BUILTIN_FUNCTIONS,
  CONSTANTS,
  type Names,
  type NamedNumber,
  type Resolved,
} from "./resolve";
export { compileNumber, type NumberFunction, type FunctionLookup } from "./evaluate";
export {
  compileEnclosure,
  compileSlopes,
  box,
  type EnclosureFunction,
  type SlopeFunction,
  type Slopes,
} from "./enclose";
export { latexOf, latexName, latexNumber, latexBrackets } from "./print";
export { nearName, problem, quoted, type Problem, type ProblemCode, type Span } from "./problem";
export { expressionText, expressionLatex, polynomialText, polynomialLatex, decimalText } from "./write";
export { Noted } from "./noted";
export { compileSeries, integrated, variableSeries, type Series, type SeriesFunction } from "./taylor";
