import { poly, toDouble, type Polynomial, type Rational } from "../../numeric";
import { polynomialLatex, polynomialText, quoted } from "../../formula";
import { polynomialExpression } from "../../solve";
import { Trouble, said } from "../problems";
import type { Bench } from "./bench";
import type { ByOf, Way } from "./way";

type Reading = readonly [Rational | null, Rational | null];

/** The polynomial through the first two readings. */
function lineThrough(readings: readonly Reading[], path: string, bench: Bench): Polynomial {
  const { name, of } = bench;
  const [first, second] = readings;
  if (!first || !second) {
    bench.shop.problems.error(path, `A line needs two readings; ${quoted(name)} has ${readings.length}.`);
    throw new Trouble(`${name} needs two readings.`);
  }
  const [[x1, y1], [x2, y2]] = [first, second];
  if (!x1 || !y1 || !x2 || !y2) throw new Trouble(`A reading of ${name} is not a number.`);
  if (x1.compare(x2) === 0)
    return bench.fail(
      `${path}[1][0]`,
      `Both readings of ${quoted(name)} are at ${of} = ${said(toDouble(x1))}; a line needs two different inputs.`,
    );
  const slope = y2.sub(y1).div(x2.sub(x1));
  return poly.trim([y1.sub(slope.mul(x1)), slope]);
}

/** Readings after the second that the line misses. */
function sayMissed(p: Polynomial, readings: readonly Reading[], path: string, bench: Bench): void {
  readings.forEach(([x, y], i) => {
    if (i < 2 || !x || !y) return;
    const there = poly.valueAt(p, x);
    if (there.compare(y) === 0) return;
    bench.warn(
      `${path}[${i}]`,
      `The reading (${said(toDouble(x))}, ${said(toDouble(y))}) does not lie on the line through the ` +
        `first two, which gives ${said(toDouble(there), 6)} there.`,
    );
  });
}

function make({ through }: ByOf<"line">, bench: Bench) {
  const path = `${bench.path}.by.through`;
  const readings = through.map(([x, y], i): Reading => [
    bench.number(x, `${path}[${i}][0]`),
    bench.number(y, `${path}[${i}][1]`),
  ]);
  const p = lineThrough(readings, path, bench);
  sayMissed(p, readings, path, bench);
  bench.shop.table.define(bench.name, { kind: "expression", expression: polynomialExpression(p) });
  return { text: polynomialText(p, bench.of), latex: polynomialLatex(p, bench.of) };
}

/** The line through two readings. */
export const line: Way<"line"> = {
  texts: () => [],
  uses: () => [],
  make,
  // Readings have no units of their own: what is declared stands.
  units: () => ({ derived: null, problems: [], isTold: false }),
};
