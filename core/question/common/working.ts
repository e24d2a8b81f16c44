import { latexName, type Expression } from "../../formula";
import { bodyOf, newSetting, preludeOf, type Setting, type Shown, type WorkingStep } from "../../working";
import type { Question } from "../../model";
import type { Asking } from "./asking";

export type { WorkingStep };

/** The unknown of a question, its range and the functions of its case. */
export const settingOf = (asking: Asking, range = asking.range): Setting =>
  newSetting(asking.variable.name, range, asking.table);

/** A function of the question written out, its numbers as they were typed. */
export const writtenBody = (asking: Asking, i = 0): Expression =>
  bodyOf(asking.functions[i]!.name, asking.model) ?? asking.body(i);

/** `P(q)`, as text and as LaTeX. */
export function applied(name: string, x: string): Shown {
  return { text: `${name}(${x})`, latex: `${latexName(name)}(${latexName(x)})` };
}

/** What is asked in names, and what these are. */
export const preludeFor = <Q extends Question>(asking: Asking<Q>, says: string, shown: Shown): WorkingStep[] =>
  preludeOf(
    asking.functions.map((f) => f.name),
    { says, shown },
    asking.model,
  );

/** Two sides with a sign between, as text and as LaTeX. */
export const joined = (left: Shown, sign: string, right: Shown): Shown => ({
  text: `${left.text} ${sign} ${right.text}`,
  latex: `${left.latex} ${LATEX_SIGNS[sign] ?? sign} ${right.latex}`,
});
const LATEX_SIGNS: Readonly<Record<string, string>> = { "≈": "\\approx", "<=": "\\le", ">=": "\\ge" };
