import type { Unary } from "./expression";

export const UNARY: ReadonlySet<string> = new Set<Unary>([
  "ln",
  "log10",
  "log2",
  "exp",
  "sqrt",
  "cbrt",
  "abs",
  "sin",
  "cos",
  "tan",
  "asin",
  "acos",
  "atan",
  "sinh",
  "cosh",
  "tanh",
  "floor",
  "ceil",
  "round",
  "step",
]);

export const BUILTIN_FUNCTIONS: readonly string[] = [...UNARY, "root", "min", "max"];

export const CONSTANTS: readonly string[] = ["e", "pi"];

export const RESERVED: ReadonlySet<string> = new Set([...BUILTIN_FUNCTIONS, ...CONSTANTS]);

/** What each is, in a few words. */
export const BUILTIN_MEANINGS: Readonly<Record<string, string>> = {
  ln: "natural logarithm",
  log10: "logarithm to base 10",
  log2: "logarithm to base 2",
  exp: "e to the power",
  sqrt: "square root",
  cbrt: "cube root",
  abs: "absolute value",
  sin: "sine, in radians",
  cos: "cosine, in radians",
  tan: "tangent, in radians",
  asin: "arc sine",
  acos: "arc cosine",
  atan: "arc tangent",
  sinh: "hyperbolic sine",
  cosh: "hyperbolic cosine",
  tanh: "hyperbolic tangent",
  floor: "rounded down",
  ceil: "rounded up",
  round: "rounded",
  step: "unit step: 0 below 0, else 1",
  root: "n-th root: root(x, n)",
  min: "the smaller",
  max: "the larger",
};
