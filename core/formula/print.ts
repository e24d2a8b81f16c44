import { bare } from "../numeric";
import type { Syntax } from "./syntaxTree";

/**
 * School LaTeX of what was written: fractions stacked, products set close, names upright only where they are functions.
 */
export function latexOf(syntax: Syntax): string {
  return latex(syntax, 0);
}

// How tightly each form binds; a part that binds less than its place asks gets brackets.
const SUM = 1;
const PRODUCT = 2;
const SIGN = 2;
const POWER = 4;

const BUILTIN = bare<string>({
  ln: "\\ln",
  sin: "\\sin",
  cos: "\\cos",
  tan: "\\tan",
  sinh: "\\sinh",
  cosh: "\\cosh",
  tanh: "\\tanh",
  min: "\\min",
  max: "\\max",
  exp: "\\exp",
  asin: "\\arcsin",
  acos: "\\arccos",
  atan: "\\arctan",
  log10: "\\log_{10}",
  log2: "\\log_{2}",
});
const GREEK = new Set(
  (
    "alpha beta gamma delta epsilon zeta eta theta kappa lambda mu nu xi rho sigma tau " +
    "phi chi psi omega pi Gamma Delta Theta Lambda Sigma Phi Psi Omega"
  ).split(" "),
);

/** A name as it is written in formulas: `t1` and `t_1` have the index 1, `N_end` the index end. */
export function nameParts(name: string): { readonly stem: string; readonly below: string } {
  const [head = "", ...rest] = name.split("_");
  const digits = /^(\p{L}+)(\d+)$/u.exec(head);
  return { stem: digits ? digits[1]! : head, below: [digits?.[2], ...rest].filter((part) => part).join(",") };
}
export function latexName(name: string): string {
  const { stem, below } = nameParts(name);
  const set = GREEK.has(stem) ? `\\${stem}` : [...stem].length > 1 ? `\\mathrm{${stem}}` : stem;
  return below ? `${set}_{${below}}` : set;
}

/** A decimal with its thousands set apart, as LaTeX. */
export function latexNumber(text: string): string {
  return text
    .replace(/e\+?(-?\d+)/i, "\\cdot 10^{$1}")
    .replace("%", "\\%")
    .replace(/[,\u2009\u202f\u00a0]/g, "{,}")
    .replace(/\s/g, "");
}

/** ⌊u⌋ and ⌈u⌉. */
export const latexStair = (name: "floor" | "ceil", inner: string): string =>
  `\\left\\l${name}${inner.startsWith("\\") ? "" : " "}${inner}\\right\\r${name}`;

/** Round brackets that grow only where what they hold is tall. */
export const latexBrackets = (inner: string): string =>
  /\\frac|\\sqrt|\^|\\int/.test(inner) ? `\\left(${inner}\\right)` : `(${inner})`;

function bracket(inner: string, own: number, wanted: number): string {
  return own < wanted ? latexBrackets(inner) : inner;
}

function latex(s: Syntax, wanted: number): string {
  switch (s.type) {
    case "number":
      return latexNumber(s.text);
    case "name":
      return latexName(s.name);
    case "bracket":
      return latex(s.of, wanted);
    case "negate":
      return bracket(`-${latex(s.of, SIGN)}`, SUM, wanted);
    case "apply": {
      if (s.args.length === 0) return `${latexName(s.name)}${"'".repeat(s.primes)}`;
      const args = s.args.map((a) => latex(a, 0));
      if (s.name === "sqrt") return `\\sqrt{${args[0]}}`;
      if (s.name === "cbrt") return `\\sqrt[3]{${args[0]}}`;
      if (s.name === "root") return `\\sqrt[${args[1]}]{${args[0]}}`;
      if (s.name === "abs") return `\\left|${args[0]}\\right|`;
      if (s.name === "floor" || s.name === "ceil") return latexStair(s.name, args[0]!);
      if (s.name === "exp") return bracket(`e^{${args[0]}}`, POWER, wanted);
      return `${BUILTIN[s.name] ?? latexName(s.name)}${"'".repeat(s.primes)}${latexBrackets(args.join(", "))}`;
    }
    case "operation": {
      if (s.op === "/") return bracket(`\\frac{${latex(s.left, 0)}}{${latex(s.right, 0)}}`, POWER - 1, wanted);
      if (s.op === "^") return bracket(`${latex(s.left, POWER + 1)}^{${latex(s.right, 0)}}`, POWER, wanted);
      if (s.op === "+" || s.op === "-")
        return bracket(`${latex(s.left, SUM)} ${s.op} ${latex(s.right, s.op === "-" ? PRODUCT : SUM)}`, SUM, wanted);
      const left = latex(s.left, PRODUCT);
      const right = latex(s.right, PRODUCT + (unwrap(s.right).type === "negate" ? 1 : 0));
      return bracket(`${left}${needsDot(s.left, s.right) ? " \\cdot " : "\\, "}${right}`, PRODUCT, wanted);
    }
  }
}

const unwrap = (s: Syntax): Syntax => (s.type === "bracket" ? unwrap(s.of) : s);

/** Two numbers side by side would read as one. */
function needsDot(left: Syntax, right: Syntax): boolean {
  const first = (s: Syntax): Syntax => {
    const u = unwrap(s);
    return u.type === "operation" && u.op !== "+" && u.op !== "-" && u.op !== "/" ? first(u.left) : u;
  };
  const r = first(right);
  if (r.type === "number") return true;
  const l = unwrap(left);
  return l.type === "operation" && l.op === "^" && unwrap(l.right).type === "number" && r.type === "operation";
}
