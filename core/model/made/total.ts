import { toDouble, type Polynomial, type Rational } from "../../numeric";
import { times } from "../../units";
import {
  VARIABLE,
  call,
  expressionText,
  latexName,
  polynomialLatex,
  polynomialText,
  type Expression,
} from "../../formula";
import { partition, polynomialForm, type CellPart, type FunctionTable } from "../../solve";
import { Trouble, said } from "../problems";
import type { Bench } from "./bench";
import { runningTotal } from "./runningTotal";
import { totalPieces } from "./totalPieces";
import { told } from "./units";
import type { ByOf, Made, Way } from "./way";

const hasFractionEnds = (p: CellPart): boolean =>
  (!p.from || p.from.rational !== null) && (!p.to || p.to.rational !== null);

/** The cells of a function whose every part is a polynomial, or nothing; null where one is something else. */
function polynomialCells(e: Expression, table: FunctionTable) {
  const parts = partition([e], table, { from: null, to: null }).filter((p) => p.kind !== "place");
  const cells: { from: Rational | null; to: Rational | null }[] = [];
  const polynomials: (Polynomial | null)[] = [];
  for (const p of parts) {
    if (p.kind !== "cell" || !hasFractionEnds(p)) return null;
    const polynomial = p.formulas[0] ? polynomialForm(p.formulas[0]) : null;
    if (p.formulas[0] && !polynomial) return null;
    cells.push({ from: p.from?.rational ?? null, to: p.to?.rational ?? null });
    polynomials.push(polynomial);
  }
  return { cells, polynomials };
}

/**
 * Running total s(x) = ∫ f from `from` to x: written out where every part of f is a polynomial, else summed with
 * bounds when asked.
 */
function make(by: ByOf<"total">, bench: Bench): Made {
  const { table } = bench.shop;
  const f = bench.requireFunction(by.function);
  const from = bench.number(by.from ?? 0, `${bench.path}.by.from`);
  if (!from) throw new Trouble(`The start of ${bench.name} is not a number.`);
  const inner = call(f.name, 0, VARIABLE);
  const start = Number(toDouble(from).toPrecision(8));
  const latex = `\\int_{${start}}^{${latexName(bench.of)}} ${latexName(f.name)}`;
  const exact = polynomialCells(inner, table);
  if (!exact) {
    const sums = runningTotal(inner, table, from, bench.shop.variables.get(bench.of));
    table.define(bench.name, { kind: "closures", ...sums, slope: inner, from });
    return { text: `total of ${f.name} from ${said(toDouble(from))}`, latex };
  }
  const pieces = totalPieces(exact.cells, exact.polynomials, from);
  const [only] = pieces;
  if (only && pieces.length === 1 && !only.from && !only.to) {
    table.define(bench.name, { kind: "expression", expression: only.expression });
    const p = polynomialForm(only.expression)!;
    return { text: polynomialText(p, bench.of), latex: polynomialLatex(p, bench.of) };
  }
  table.define(bench.name, { kind: "pieces", pieces });
  return { text: pieces.map((p) => expressionText(p.expression, bench.of)).join("; "), latex };
}

/** The running total of another function. */
export const total: Way<"total"> = {
  texts: () => [],
  uses: (by) => [by.function],
  make,
  units(by, bench) {
    const unit = bench.shop.functions.get(by.function)?.unit;
    return told(unit && bench.inputUnit ? times(unit, bench.inputUnit) : null);
  },
};
