import { formatNumber } from "../explain";
import { latexName } from "../formula";
import type { Family, FitMethod } from "../fit";
import { numberLatex, written, type Shown, type WorkingStep } from "./statement";

/** A model fitted to rows: which, how, and its constants in order. */
export interface Fitted {
  readonly family: Family | "own";
  readonly method: FitMethod;
  readonly constants: readonly { readonly name: string; readonly value: number }[];
}

/** How far constants worked out from the sums may lie from those of the fit, relative: rounding of the sums. */
const NEAR = 1e-6;

/**
 * The constants of a line by the sums of its rows, and of a power or an exponential on logarithms likewise; through two
 * rows by their slope.
 * @param x, y  the rows that were used
 * @returns an empty list for models whose constants have no such way, or where the sums do not give those of the fit
 */
export function fitWorking(x: readonly number[], y: readonly number[], fit: Fitted, variable: string): WorkingStep[] {
  const isOnLogs = fit.method === "logs" && (fit.family === "power" || fit.family === "exponential");
  if (fit.family === "proportional") return throughOrigin(x, y, fit);
  if (fit.family !== "linear" && !isOnLogs) return [];
  const u = fit.family === "power" ? x.map(Math.log) : x;
  const v = isOnLogs ? y.map(Math.log) : y;
  const line = lineOf(u, v);
  const [a, b] = fit.constants.map((c) => c.value) as [number, number];
  const [intercept, slope] = isOnLogs ? [Math.log(a), b] : [a, b];
  if (!line || !isNear(line.intercept, intercept) || !isNear(line.slope, slope)) return [];
  const names = isOnLogs
    ? { u: fit.family === "power" ? `ln ${variable}` : variable, v: "ln y" }
    : { u: variable, v: "y" };
  return [
    ...(isOnLogs ? [asLine(fit, variable)] : []),
    ...(x.length === 2 ? twoRows(u, v) : sums(u, v, names)),
    interceptOf(line, isOnLogs ? "ln a" : "a"),
    ...(isOnLogs ? [stepOf("power", "Back from the logarithm.", "a", `e^(${n(line.intercept)})`, a)] : []),
  ];
}

function interceptOf({ slope, intercept, meanU, meanV }: LineOfSums, name: string): WorkingStep {
  const says = "The line goes through the mean of both.";
  return stepOf("intercept", says, name, `${n(meanV)} - ${bracketed(slope)}*${bracketed(meanU)}`, intercept);
}

const n = (v: number): string => formatNumber(v, 7).replace("−", "-");
const isNear = (p: number, q: number): boolean => Math.abs(p - q) <= NEAR * (Math.abs(p) + Math.abs(q) + 1e-12);
const total = (list: readonly number[]): number => list.reduce((s, v) => s + v, 0);

interface LineOfSums {
  readonly slope: number;
  readonly intercept: number;
  readonly meanU: number;
  readonly meanV: number;
}
/** slope = S_uv/S_uu about the means (Gauss 1809). */
function lineOf(u: readonly number[], v: readonly number[]): LineOfSums | null {
  const [meanU, meanV] = [total(u) / u.length, total(v) / v.length];
  const across = total(u.map((a) => (a - meanU) ** 2));
  if (!(across > 0)) return null;
  const slope = total(u.map((a, i) => (a - meanU) * (v[i]! - meanV))) / across;
  return { slope, intercept: meanV - slope * meanU, meanU, meanV };
}

function stepOf(rule: string, says: string, name: string, how: string, value: number): WorkingStep {
  const shown = `${how} = ${n(value)}`;
  return written(rule, says, {
    text: `${name} = ${shown}`,
    latex: `${name} = ${numberLatex(shown).replace(/\*/g, " \\cdot ")}`,
  });
}

/** ln y = ln a + b x, or ln a + b ln x. */
function asLine({ family }: Fitted, x: string): WorkingStep {
  const [text, latex] =
    family === "power"
      ? [`ln y = ln a + b ln ${x}`, `\\ln y = \\ln a + b \\ln ${latexName(x)}`]
      : [`ln y = ln a + b ${x}`, `\\ln y = \\ln a + b\\,${latexName(x)}`];
  return written("logarithms", "The logarithm of the model is a line.", { text, latex });
}

function twoRows([p, q]: readonly number[], [r, s]: readonly number[]): WorkingStep[] {
  const slope = (s! - r!) / (q! - p!);
  return [
    stepOf(
      "slope",
      "Two rows: the line through both.",
      "b",
      `(${n(s!)} - ${bracketed(r!)})/(${n(q!)} - ${bracketed(p!)})`,
      slope,
    ),
  ];
}
const bracketed = (v: number): string => (v < 0 ? `(${n(v)})` : n(v));

function sums(u: readonly number[], v: readonly number[], names: { u: string; v: string }): WorkingStep[] {
  const [su, sv] = [total(u), total(v)];
  const [suu, suv] = [total(u.map((a) => a * a)), total(u.map((a, i) => a * v[i]!))];
  const rows = u.length;
  const shown: readonly (readonly [string, string, number])[] = [
    [`sum of ${names.u}`, `\\sum ${tex(names.u)}`, su],
    [`sum of ${names.v}`, `\\sum ${tex(names.v)}`, sv],
    [
      `sum of ${names.u} squared`,
      names.u.startsWith("ln") ? `\\sum (${tex(names.u)})^2` : `\\sum ${tex(names.u)}^2`,
      suu,
    ],
    [`sum of ${names.u} times ${names.v}`, `\\sum ${tex(names.u)}\\,${tex(names.v)}`, suv],
  ];
  const line: Shown = {
    text: shown.map(([text, , value]) => `${text} = ${n(value)}`).join(", "),
    latex: shown.map(([, latex, value]) => `${latex} = ${numberLatex(n(value))}`).join(",\\; "),
  };
  const slope = (rows * suv - su * sv) / (rows * suu - su * su);
  const how = `(${rows}*${n(suv)} - ${bracketed(su)}*${bracketed(sv)})/(${rows}*${n(suu)} - ${bracketed(su)}^2)`;
  return [
    written("sums", `The sums over ${rows} rows.`, line),
    stepOf("slope", "The slope with the least squares.", "b", how, slope),
  ];
}
const tex = (name: string): string => name.replace(/^ln (.+)$/, "\\ln $1");

/** b = Σxy/Σx² */
function throughOrigin(x: readonly number[], y: readonly number[], fit: Fitted): WorkingStep[] {
  const [xy, xx] = [total(x.map((a, i) => a * y[i]!)), total(x.map((a) => a * a))];
  const known = fit.constants[0]!;
  if (!(xx > 0) || !isNear(xy / xx, known.value)) return [];
  const says = "Through the origin: the sum of the products over that of the squares.";
  return [stepOf("slope", says, known.name, `${n(xy)}/${n(xx)}`, known.value)];
}
