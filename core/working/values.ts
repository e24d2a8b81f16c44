import { expressionLatex, expressionText, latexName, type Expression } from "../formula";
import { formatNumber, formatQuantity } from "../explain";
import { exactRational, formOf, numberOfSpot, valueAt, type FunctionTable, type Spot } from "../solve";
import type { Unit } from "../units";
import { holdsCalls } from "./slope";
import { written, type Shown, type WorkingStep } from "./statement";
import { latexSign, toldSign } from "./toldSign";
import type { Rational } from "../numeric";
import { quantityLatex } from "./prelude";

/** A number as it is told. */
export interface NumberSaid {
  readonly shown: Shown;
  /** whether the digits are all of it */
  readonly sign: "=" | "≈";
  readonly value: number;
  readonly exact: Rational | null;
}

/** A proven value at an input; null where there is none. */
export function valueSaid(body: Expression, at: Spot, table: FunctionTable, unit: Unit | null): NumberSaid | null {
  const v = valueAt(body, at, table);
  if (v.kind !== "value") return null;
  return numberSaid(v.lo + (v.hi - v.lo) / 2, v.exact, unit);
}

/** @param exact  the number itself, where it is a fraction */
export function numberSaid(value: number, exact: Rational | null, unit: Unit | null = null): NumberSaid {
  const said = formatQuantity(value, unit, 8);
  return { value, exact, shown: { text: said, latex: quantityLatex(said) }, sign: toldSign(said, exact) };
}

/** An input as it stands between brackets: 120, (-3), ln(2)/3. */
export function inputShown(at: Spot): Shown {
  const e = numberOfSpot(at);
  if (e.kind === "number" && !e.exact) {
    const near = formatNumber(at.at, 8);
    return { text: near, latex: near.replace(/,/g, "{,}").replace("−", "-") };
  }
  const { text, latex } = exactRational(e) ? { text: expressionText(e, ""), latex: expressionLatex(e, "") } : formOf(e);
  return { text, latex };
}

/** `C(120) = 180 + 2.5*120 = 480`, the formula with the input put in; null where it has no formula of its own. */
export function putInStep(name: string, body: Expression, at: Spot, value: NumberSaid): WorkingStep | null {
  if (holdsCalls(body)) return null;
  const input = inputShown(at);
  const isPlain = /^[\d.]+$/.test(input.text);
  const [text, latex] = [
    isPlain ? input.text : `(${input.text})`,
    isPlain ? input.latex : `\\left(${input.latex}\\right)`,
  ];
  const [inText, inLatex] = [spaced(expressionText(body, PLACE)), dotted(expressionLatex(body, PLACE))];
  const [ofText, ofLatex] = [`${name}(${input.text})`, `${latexName(name)}(${input.latex})`];
  return written("put in", "The input put in.", {
    text: `${ofText} = ${inText.replaceAll(PLACE, text)} ${value.sign} ${value.shown.text}`,
    latex: `${ofLatex} = ${inLatex.replaceAll(PLACE, latex)} ${latexSign(value.sign)} ${value.shown.latex}`,
  });
}
/** A private-use letter: no name of a case can hold it. */
const PLACE = "\u{E000}";
/** A number before the input needs its sign: 2.5*120. */
const spaced = (text: string): string =>
  text.replace(/([\d.)\w]) (?=\u{E000})/gu, "$1*").replace(/(\u{E000}) (?=[\w(\u{E000}])/gu, "$1*");
const dotted = (latex: string): string => latex.replaceAll(`\\,${PLACE}`, ` \\cdot ${PLACE}`);
