import { bare } from "../numeric";
import { quoted } from "./problem";

/** How what has another name elsewhere is written here. A name alone takes the place of the other. */
const WRITTEN: Readonly<Record<string, string>> = bare({
  arcsin: "asin",
  arccos: "acos",
  arctan: "atan",
  arctg: "atan",
  tg: "tan",
  lg: "log10",
  ld: "log2",
  lb: "log2",
  int: "floor",
  rounddown: "floor",
  ceiling: "ceil",
  roundup: "ceil",
  heaviside: "step",
  absolute: "abs",
  cubrt: "cbrt",
  squareroot: "sqrt",
  minimum: "min",
  maximum: "max",
  cot: "1/tan(x)",
  ctg: "1/tan(x)",
  cotan: "1/tan(x)",
  sec: "1/cos(x)",
  csc: "1/sin(x)",
  cosec: "1/sin(x)",
  coth: "1/tanh(x)",
  asinh: "ln(x + sqrt(x^2 + 1))",
  arsinh: "ln(x + sqrt(x^2 + 1))",
  acosh: "ln(x + sqrt(x^2 - 1))",
  arcosh: "ln(x + sqrt(x^2 - 1))",
  atanh: "ln((1 + x)/(1 - x))/2",
  artanh: "ln((1 + x)/(1 - x))/2",
  sign: "x/abs(x)",
  sgn: "x/abs(x)",
  signum: "x/abs(x)",
  sqr: "x^2",
  square: "x^2",
  pow: "x^n",
  power: "x^n",
  mod: "x - n floor(x/n)",
});
/** Names with an input and a number. */
const OF_TWO = new Set(["pow", "power", "mod"]);

/** What is said of a name that is known elsewhere, and the name that would mend it; null of any other. */
export function knownElsewhere(name: string): { readonly says: string; readonly mend: string | null } | null {
  const word = name.toLowerCase();
  if (word === "log")
    return {
      says:
        `${quoted(name)} is read in two ways: write \`ln\` for the natural logarithm, ` +
        "or `log10` for the one to base 10.",
      mend: null,
    };
  if (word === "if" || word === "iif") return { says: AS_PIECES, mend: null };
  if (/^deg(?:ree)?s?$/.test(word)) return { says: IN_RADIANS, mend: null };
  if (word === "fact" || word === "factorial") return { says: NO_FACTORIAL, mend: null };
  const here = WRITTEN[word];
  if (!here) return null;
  const isName = /^\w+$/.test(here);
  const there = isName ? name : `${name}(${OF_TWO.has(word) ? "x, n" : "x"})`;
  return { says: `${quoted(there)} is written ${quoted(here)} here.`, mend: isName ? here : null };
}

export const AS_PIECES = "Cases are written as pieces: `f(x) = 3x for x < 10; 2x + 10 for x >= 10`.";
export const IN_RADIANS = "Angles are in radians: 30 degrees are `30 pi/180`.";
export const NO_FACTORIAL = "There are no factorials here; write the product out, as in `1*2*3*4` for 4 factorial.";
