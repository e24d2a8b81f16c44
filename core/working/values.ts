import { expressionLatex, expressionText, latexName, type Expression } from "../formula";
import { formatNumber, formatQuantity } from "../explain";
import { exactRational, formOf, numberOfSpot, valueAt, type FunctionTable, type Spot } from "../solve";
import type { Unit } from "../units";
import { holdsCalls } from "./slope";
import { written, type Shown, type WorkingStep } from "./statement";
import { quantityLatex } from "./prelude";

/** A value of a function: what it is, exactly where it has a short form. */
export interface ValueSaid {
  readonly shown: Shown;
  readonly value: number;
}

/** A proven value at an input; null where there is none. */
export function valueSaid(body: Expression, at: Spot, table: FunctionTable, unit: Unit | null): ValueSaid | null {
  const v = valueAt(body, at, table);
  if (v.kind !== "value") return null;
  const value = v.lo + (v.hi - v.lo) / 2;
  const said = formatQuantity(value, unit, 8);
  return { value, shown: { text: said, latex: quantityLatex(said) } };
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
export function putInStep(name: string, body: Expression, at: Spot, value: ValueSaid): WorkingStep | null {
  if (holdsCalls(body)) return null;
  const input = inputShown(at);
  const isPlain = /^[\d.]+$/.test(input.text);
  const [text, latex] = [
    isPlain ? input.text : `(${input.text})`,
    isPlain ? input.latex : `\\left(${input.latex}\\right)`,
  ];
  const [inText, inLatex] = [spaced(expressionText(body, PLACE)), dotted(expressionLatex(body, PLACE))];
  return written("put in", "The input put in.", {
    text: `${name}(${input.text}) = ${inText.replaceAll(PLACE, text)} = ${value.shown.text}`,
    latex: `${latexName(name)}(${input.latex}) = ${inLatex.replaceAll(PLACE, latex)} = ${value.shown.latex}`,
  });
}
/** A private-use letter: no name of a case can hold it. */
const PLACE = "\u{E000}";
/** A number before the input needs its sign: 2.5*120. */
const spaced = (text: string): string =>
  text.replace(/([\d.)\w]) (?=\u{E000})/gu, "$1*").replace(/(\u{E000}) (?=[\w(\u{E000}])/gu, "$1*");
const dotted = (latex: string): string => latex.replaceAll(`\\,${PLACE}`, ` \\cdot ${PLACE}`);
