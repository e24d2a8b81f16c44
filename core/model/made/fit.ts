import { rationalOfDouble } from "../../numeric";
import { parseUnit, sameUnit, type Unit } from "../../units";
import { quoted, type Expression, type Names } from "../../formula";
import { newWork, partition, spotOfRational, valueAt } from "../../solve";
import { rowsOf, type FitBy } from "../fitRows";
import { dataOf, fitRows, fittedForm } from "../fits";
import { Trouble, said } from "../problems";
import { difference, unitName } from "../unitCheck";
import type { Bench } from "./bench";
import { told, type UnitsFound } from "./units";
import type { Made, Way } from "./way";

function make(by: FitBy, bench: Bench): Made {
  const path = `${bench.path}.by`;
  const table = dataOf(by, bench.shop.data);
  if ("key" in table) return bench.fail(`${path}.${table.key}`, table.message);
  if (by.method === "logs" && by.model !== "power" && by.model !== "exponential")
    return bench.fail(
      `${path}.method`,
      "The method `logs` is for the models `power` and `exponential`; leave it out here.",
    );
  if (by.model === "own" && !by.text?.trim())
    return bench.fail(
      `${path}.text`,
      "A model of one's own needs a formula in `text`, with free constants, as in `a (1 - exp(-b x))`.",
    );
  const rows = rowsOf(by, table);
  const fit = fitRows(by, rows, namesFor(by, bench));
  if (!fit.ok) return sayUnfitted(fit, path, bench);
  const form = fittedForm(by, fit, bench.of);
  bench.shop.table.define(bench.name, { kind: "expression", expression: form.expression });
  const [from, to] = [
    rows.x.reduce((m, v) => Math.min(m, v), Infinity),
    rows.x.reduce((m, v) => Math.max(m, v), -Infinity),
  ];
  bench.shop.fits.set(bench.name, { by, fit, skipped: rows.skipped, from, to });
  if (by.model === "own") sayBreaks(form.expression, from, to, bench);
  return { text: form.text, latex: form.latex };
}

/** The names in a formula of one's own: it may be written in the name of the column; free constants have a start. */
function namesFor(by: FitBy, bench: Bench): Names {
  const plain = bench.shop.namesFor(bench.of);
  // A name with a start is a free constant, whatever else it may be called elsewhere.
  const started = new Set(Object.keys(by.start ?? {}));
  const without = <T>(map: ReadonlyMap<string, T>) => new Map([...map].filter(([name]) => !started.has(name)));
  const names =
    started.size > 0 ? { ...plain, givens: without(plain.givens), functions: without(plain.functions) } : plain;
  const isInColumn =
    by.model === "own" && by.x !== bench.of && !isWord(bench.of, by.text ?? "") && !names.givens.has(by.x);
  return isInColumn ? { ...names, variable: by.x } : names;
}
const isWord = (name: string, text: string): boolean =>
  new RegExp(String.raw`(?<![\p{L}\p{Nd}_])${name}(?![\p{L}\p{Nd}_])`, "u").test(text);

/** A fault in the formula is one of the case; rows that no such function passes are only told. */
function sayUnfitted(
  fit: { reason: string; at?: { start: number; end: number } | undefined },
  path: string,
  bench: Bench,
): never {
  if (fit.at) {
    bench.shop.problems.error(`${path}.text`, fit.reason, fit.at);
    throw new Trouble(fit.reason);
  }
  const message = `${quoted(bench.name)} cannot be fitted: ${fit.reason}`;
  bench.warn(path, message);
  throw new Trouble(message);
}

/** A formula of one's own may pass through the rows and still have no value between two of them. */
function sayBreaks(e: Expression, from: number, to: number, bench: Bench): void {
  if (!(from < to)) return;
  const { table } = bench.shop;
  const [start, end] = [from, to].map((x) => spotOfRational(rationalOfDouble(x)));
  const gap = partition([e], table, { from: start!, to: end! }, newWork(2000, 100)).find(
    (p) =>
      (p.kind === "cell" && p.formulas[0] === null) ||
      (p.kind === "place" && valueAt(e, p.spot, table).kind === "none"),
  );
  if (!gap) return;
  const near = gap.kind === "place" ? gap.spot.at : gap.kind === "cell" ? (gap.from?.at ?? from) : from;
  bench.warn(
    `${bench.path}.by`,
    `${bench.name} has no value at ${bench.of} = ${said(near, 6)}, inside the ` +
      "data: the fitted formula breaks there, whatever it misses on the rows.",
  );
}

/** The unit of the column that is fitted; its inputs are in the unit of the variable. */
function units(by: FitBy, bench: Bench): UnitsFound {
  const column = (name: string): Unit | null => {
    const columns = bench.shop.data.find((t) => t.name === by.data)?.columns;
    const unit = columns?.find((c) => c.name === name)?.unit;
    return unit ? parseUnit(unit).unit : null;
  };
  const [input, output, own] = [column(by.x), column(by.y), bench.inputUnit];
  if (!input || !own || sameUnit(input, own)) return told(output);
  const message =
    `The column ${by.x} is in ${unitName(input)}, but ${bench.of} is in ` +
    `${unitName(own)}: ${difference(input, own)}.`;
  bench.warn(`${bench.path}.by.x`, message);
  return { derived: output, problems: [{ start: 0, end: 0, message }], isTold: true };
}

/** A function fitted to rows of data. */
export const fit: Way<"fit"> = {
  texts: () => [],
  uses: () => [],
  make,
  units,
};
