import {
  VARIABLE,
  dependsOnVariable,
  exactNumber,
  expressionLatex,
  expressionText,
  latexName,
  polynomialLatex,
  polynomialText,
  wholeNumber,
  type Expression,
} from "../formula";
import { lowered, ratio, type Polynomial } from "../numeric";
import { latexSign } from "./toldSign";
import {
  newWork,
  polynomialExpression,
  type FunctionTable,
  type Range,
  type Spot,
  type Stretch,
  type Work,
} from "../solve";

/** Both sides of an equation; `shown` where it is written in another way than its sides would be. */
export interface Equation {
  readonly kind: "equation";
  readonly left: Expression;
  readonly right: Expression;
  readonly shown?: Shown;
}
export interface Shown {
  readonly text: string;
  readonly latex: string;
}

/** What a line of working says of the unknown: an equation, one of several, or that no number makes it true. */
export type Statement =
  Equation | { readonly kind: "any"; readonly of: readonly Statement[] } | { readonly kind: "none" };

/** All inputs of the range that make a statement true; `isWhole` where nothing was left open. */
export interface Solutions {
  readonly spots: readonly Spot[];
  readonly stretches: readonly Stretch[];
  readonly isWhole: boolean;
}

/** The unknown by its name, the inputs that count, and the functions of the case. */
export interface Setting {
  readonly x: string;
  readonly range: Range;
  readonly table: FunctionTable;
  readonly work: Work;
  /** what is known already of the statements of one working */
  readonly known: WeakMap<Statement, Solutions>;
}

/** A working of its own: nothing is known yet of any statement. */
export const newSetting = (x: string, range: Range, table: FunctionTable): Setting => ({
  x,
  range,
  table,
  work: newWork(),
  known: new WeakMap<Statement, Solutions>(),
});

export const NONE: Statement = { kind: "none" };
export const equation = (left: Expression, right: Expression, shown?: Shown): Equation =>
  shown ? { kind: "equation", left, right, shown } : { kind: "equation", left, right };

/** One of several, or the one there is. */
export function anyOf(list: readonly Statement[]): Statement {
  const of = list.flatMap((s) => (s.kind === "any" ? s.of : s.kind === "none" ? [] : [s]));
  return of.length === 0 ? NONE : of.length === 1 ? of[0]! : { kind: "any", of };
}

/** p = 0, its terms in order. */
export function polynomialEquation(p: Polynomial, x: string): Equation & { readonly shown: Shown } {
  const shown = { text: `${polynomialText(p, x)} = 0`, latex: `${polynomialLatex(p, x)} = 0` };
  return { kind: "equation", left: polynomialExpression(p), right: exactNumber(ratio(0)), shown };
}
/** x = c */
export const solved = (c: Expression): Equation => equation(VARIABLE, c);

/** What the unknown is, where an equation tells it. */
export const answerOf = (s: Statement): Expression | null =>
  s.kind === "equation" && s.left.kind === "variable" && !dependsOnVariable(s.right) ? s.right : null;

export const isZeroSide = (e: Expression): boolean => e.kind === "number" && e.exact !== null && e.value === 0;
export const NOUGHT = wholeNumber(0);

/** A statement as people write it. */
export function shownAs(s: Statement, x: string): Shown {
  if (s.kind === "none") return { text: "no solution", latex: "\\text{no solution}" };
  if (s.kind === "any") {
    const list = s.of.map((one) => shownAs(one, x));
    return {
      text: list.map((l) => l.text).join(" or "),
      latex: list.map((l) => l.latex).join(" \\quad\\text{or}\\quad "),
    };
  }
  return (
    s.shown ?? {
      text: `${expressionText(s.left, x)} = ${expressionText(s.right, x)}`,
      latex: `${expressionLatex(s.left, x)} = ${expressionLatex(s.right, x)}`,
    }
  );
}

/** One line of working. */
export interface WorkingStep {
  /** the rule it goes by, for tests and for what depends on it */
  readonly rule: string;
  /** what is done, and why, in words */
  readonly says: string;
  readonly text: string;
  /** empty where the text is a sentence */
  readonly latex: string;
  /** whether it stands in the short form too */
  readonly isKey: boolean;
  /** the statement it was made of, for a line that a rule of algebra wrote */
  readonly follows?: Follows;
}
/**
 * How a line rests on the one before: both hold at the same inputs of the range, or the new one at more of them, so
 * that the answers need the check at the end; or it is the slope of what stood there, or a function that has it for its
 * slope. Proven before the line is written.
 */
export interface Follows {
  readonly before: string;
  readonly how: "same" | "brings" | "slope" | "sum";
  /** the inputs it was proven for, in words; null: all */
  readonly on: string | null;
}

/** A line that states something. */
export const stated = (rule: string, says: string, s: Statement, x: string, isKey = true): WorkingStep =>
  written(rule, says, shownAs(s, x), isKey);
/** The last line: what was found, as a sentence. */
export const inWords = (sentence: string): WorkingStep => ({
  rule: "sentence",
  says: "In words:",
  text: sentence,
  latex: "",
  isKey: true,
});
/** A line written out. */
export const written = (rule: string, says: string, { text, latex }: Shown, isKey = true): WorkingStep => ({
  rule,
  says: shortened(says).replace(/(?<=^|[\s(=])-(?=[\s\d\p{L}(])/gu, "−"),
  text: shortened(text).replace(/−/g, "-"),
  latex: shortened(latex).replace(/−/g, "-").replace(/…/g, "\\ldots "),
  isKey,
});

/** Numbers of so many digits came out of data, not out of a story: they are cut, and the cut is shown. */
const DIGITS = 7;
const cut = (n: number): string => `${String(Number(n.toPrecision(DIGITS)))}…`;
const ratioOf = (top: string, bottom: string): number => Number(top) / Number(bottom);
function shortened(text: string): string {
  return text
    .replace(/\\frac\{(\d{7,})(?:\\,([^{}]+))?\}\{(\d{7,})\}/g, (_, n: string, x: string | undefined, d: string) =>
      x ? `${cut(ratioOf(n, d))}\\,${x}` : cut(ratioOf(n, d)),
    )
    .replace(
      /(?<![\d.])(\d{7,}) ([\p{L}_]\w*(?:\^\d+)?)\/(\d{7,})/gu,
      (_, n: string, x: string, d: string) => `${cut(ratioOf(n, d))} ${x}`,
    )
    .replace(/(?<![\d.])(\d{7,})\/(\d{7,})/g, (_, n: string, d: string) => cut(ratioOf(n, d)))
    .replace(/\d+\.\d{9,}/g, (n) => (n.replace(/^[0.]+/, "").length > DIGITS + 3 ? cut(Number(n)) : n));
}

/** `x = 4`, beside its LaTeX, from a number as it is told. */
export const told = (name: string, sign: "=" | "≈", number: string): Shown => ({
  text: `${name} ${sign} ${number}`,
  latex: `${latexName(name)} ${latexSign(sign)} ${numberLatex(number)}`,
});
/** A number as it is told, as LaTeX. */
export const numberLatex = (text: string): string =>
  text
    .replace(/,/g, "{,}")
    .replace(/−/g, "-")
    .replace(/%/g, "\\%")
    .replace(/[$]/g, "\\$")
    .replace(/ × 10([⁰¹²³⁴-⁹⁻]+)/g, (_, up: string) => ` \\cdot 10^{${lowered(up)}}`);

/** An equation worked through: its lines, and what the unknown may be. */
export interface Solved {
  readonly steps: readonly WorkingStep[];
  /** each without variable; those outside the range, or brought in on the way, among them */
  readonly answers: readonly Expression[];
  /** whether a line may have brought answers in */
  readonly isLoose: boolean;
}
