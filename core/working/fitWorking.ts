import { formatNumber } from "../explain";
import { latexName } from "../formula";
import type { Family, FitMethod } from "../fit";
import { isZero, ratio, rationalOfTyped, toDouble, ZERO, type Rational } from "../numeric";
import { numberLatex, written, type Shown, type WorkingStep } from "./statement";
import { latexSign, toldSign } from "./toldSign";

/** A model fitted to rows: which, how, and its constants in order. */
export interface Fitted {
  readonly family: Family | "own";
  readonly method: FitMethod;
  readonly constants: readonly { readonly name: string; readonly value: number }[];
}

/** How far constants worked out from the sums may lie from those of the fit, relative: its doubles are rounded. */
const NEAR = 1e-6;

/** A number of a column, or worked out of some, as a fraction; that of a logarithm is its rounded double. */
interface Quantity {
  readonly value: Rational;
  readonly isRounded: boolean;
}
interface Column {
  readonly values: readonly Rational[];
  readonly isRounded: boolean;
}

/**
 * The constants of a line by the sums of its rows, and of a power or an exponential on logarithms likewise; through two
 * rows by their slope.
 * @param x, y  the rows that were used
 * @returns an empty list for models whose constants have no such way, or where the sums do not give those of the fit
 */
export function fitWorking(x: readonly number[], y: readonly number[], fit: Fitted, variable: string): WorkingStep[] {
  const isOnLogs = fit.method === "logs" && (fit.family === "power" || fit.family === "exponential");
  if (fit.family !== "linear" && fit.family !== "proportional" && !isOnLogs) return [];
  const [u, v] = [columnOf(x, isOnLogs && fit.family === "power"), columnOf(y, isOnLogs)];
  if (!u || !v) return [];
  if (fit.family === "proportional") return throughOrigin(u, v, fit);
  const line = lineOf(u, v);
  const [a, b] = fit.constants.map((c) => c.value) as [number, number];
  if (!line || !isNear(line.intercept, isOnLogs ? Math.log(a) : a) || !isNear(line.slope, b)) return [];
  const names = { u: fit.family === "power" ? `ln ${variable}` : variable, v: isOnLogs ? "ln y" : "y" };
  return [
    ...(isOnLogs ? [asLine(fit, variable)] : []),
    ...(x.length === 2 ? twoRows(u, v, line) : sums(u, v, line, names)),
    interceptOf(line, isOnLogs ? "ln a" : "a"),
    ...(isOnLogs ? backFromLog(line, a) : []),
  ];
}

function columnOf(numbers: readonly number[], isLogged: boolean): Column | null {
  const values = numbers.map((one) => rationalOfTyped(isLogged ? Math.log(one) : one));
  return values.includes(null) ? null : { values: values as Rational[], isRounded: isLogged };
}
const isNear = ({ value }: Quantity, q: number): boolean =>
  Math.abs(toDouble(value) - q) <= NEAR * (Math.abs(toDouble(value)) + Math.abs(q) + 1e-12);
const total = (list: readonly Rational[]): Rational => list.reduce((s, v) => s.add(v), ZERO);
const products = (u: Column, v: Column): Quantity => ({
  value: total(u.values.map((a, i) => a.mul(v.values[i]!))),
  isRounded: u.isRounded || v.isRounded,
});
const sumOf = ({ values, isRounded }: Column): Quantity => ({ value: total(values), isRounded });

interface LineOfSums {
  readonly slope: Quantity;
  readonly intercept: Quantity;
  readonly meanU: Quantity;
  readonly meanV: Quantity;
}
/** slope = S_uv/S_uu about the means (Gauss 1809). */
function lineOf(u: Column, v: Column): LineOfSums | null {
  const rows = ratio(u.values.length);
  const [meanU, meanV] = [total(u.values).div(rows), total(v.values).div(rows)];
  const from = u.values.map((a) => a.sub(meanU));
  const across = total(from.map((a) => a.mul(a)));
  if (isZero(across)) return null;
  const slope = total(from.map((a, i) => a.mul(v.values[i]!.sub(meanV)))).div(across);
  const isRounded = u.isRounded || v.isRounded;
  return {
    slope: { value: slope, isRounded },
    intercept: { value: meanV.sub(slope.mul(meanU)), isRounded },
    meanU: { value: meanU, isRounded: u.isRounded },
    meanV: { value: meanV, isRounded: v.isRounded },
  };
}

const n = ({ value }: Quantity): string => formatNumber(toDouble(value), 7).replace("−", "-");
const bracketed = (q: Quantity): string => (n(q).startsWith("-") ? `(${n(q)})` : n(q));
const signOfTold = (q: Quantity): "=" | "≈" => (q.isRounded ? "≈" : toldSign(n(q), q.value));

/** `name = how = value`; the last sign is ≈ where the value or one of the numbers it is made of is told in part. */
function stepOf(rule: string, says: string, name: string, [how, made]: Made, value: Quantity): WorkingStep {
  const [said, tex] = [n(value), numberLatex(how).replace(/\*/g, " \\cdot ")];
  const sign = [...made, value].every((q) => signOfTold(q) === "=") ? "=" : "≈";
  return written(rule, says, {
    text: `${name} = ${how} ${sign} ${said}`,
    latex: `${name} = ${tex} ${latexSign(sign)} ${numberLatex(said)}`,
  });
}
/** How a number is worked out, and what of. */
type Made = readonly [string, readonly Quantity[]];

function interceptOf({ slope, intercept, meanU, meanV }: LineOfSums, name: string): WorkingStep {
  const how = `${n(meanV)} - ${bracketed(slope)}*${bracketed(meanU)}`;
  return stepOf("intercept", "The line goes through the mean of both.", name, [how, [meanV, slope, meanU]], intercept);
}

/** e to a logarithm that is rounded: never told as equal. */
function backFromLog({ intercept }: LineOfSums, a: number): WorkingStep[] {
  const value = rationalOfTyped(a);
  if (!value) return [];
  const made: Made = [`e^(${n(intercept)})`, [intercept]];
  return [stepOf("power", "Back from the logarithm.", "a", made, { value, isRounded: true })];
}

/** ln y = ln a + b x, or ln a + b ln x. */
function asLine({ family }: Fitted, x: string): WorkingStep {
  const [text, latex] =
    family === "power"
      ? [`ln y = ln a + b ln ${x}`, `\\ln y = \\ln a + b \\ln ${latexName(x)}`]
      : [`ln y = ln a + b ${x}`, `\\ln y = \\ln a + b\\,${latexName(x)}`];
  return written("logarithms", "The logarithm of the model is a line.", { text, latex });
}

function twoRows(u: Column, v: Column, line: LineOfSums): WorkingStep[] {
  const at = ({ values, isRounded }: Column, i: number): Quantity => ({ value: values[i]!, isRounded });
  const [p, q, r, s] = [at(u, 0), at(u, 1), at(v, 0), at(v, 1)];
  const how = `(${n(s)} - ${bracketed(r)})/(${n(q)} - ${bracketed(p)})`;
  return [stepOf("slope", "Two rows: the line through both.", "b", [how, [p, q, r, s]], line.slope)];
}

function sums(u: Column, v: Column, line: LineOfSums, names: { u: string; v: string }): WorkingStep[] {
  const [su, sv, suu, suv] = [sumOf(u), sumOf(v), products(u, u), products(u, v)];
  const rows = u.values.length;
  const isLogged = names.u.startsWith("ln");
  const shown: readonly (readonly [string, string, Quantity])[] = [
    [`sum of ${names.u}`, `\\sum ${tex(names.u)}`, su],
    [`sum of ${names.v}`, `\\sum ${tex(names.v)}`, sv],
    [`sum of ${names.u} squared`, isLogged ? `\\sum (${tex(names.u)})^2` : `\\sum ${tex(names.u)}^2`, suu],
    [`sum of ${names.u} times ${names.v}`, `\\sum ${tex(names.u)}\\,${tex(names.v)}`, suv],
  ];
  const told: Shown = {
    text: shown.map(([text, , q]) => `${text} ${signOfTold(q)} ${n(q)}`).join(", "),
    latex: shown.map(([, latex, q]) => `${latex} ${latexSign(signOfTold(q))} ${numberLatex(n(q))}`).join(",\\; "),
  };
  const how = `(${rows}*${n(suv)} - ${bracketed(su)}*${bracketed(sv)})/(${rows}*${n(suu)} - ${bracketed(su)}^2)`;
  return [
    written("sums", `The sums over ${rows} rows.`, told),
    stepOf("slope", "The slope with the least squares.", "b", [how, [su, sv, suu, suv]], line.slope),
  ];
}
const tex = (name: string): string => name.replace(/^ln (.+)$/, "\\ln $1");

/** b = Σxy/Σx² */
function throughOrigin(x: Column, y: Column, fit: Fitted): WorkingStep[] {
  const [xy, xx] = [products(x, y), products(x, x)];
  const known = fit.constants[0]!;
  if (isZero(xx.value)) return [];
  const slope = { value: xy.value.div(xx.value), isRounded: false };
  if (!isNear(slope, known.value)) return [];
  const says = "Through the origin: the sum of the products over that of the squares.";
  return [stepOf("slope", says, known.name, [`${n(xy)}/${n(xx)}`, [xy, xx]], slope)];
}
