import { describe, expect, it } from "vitest";
import { EMPTY, Enclosure, PARTIAL } from "../../interval";
import { buildModel } from "../build";
import type { FunctionRow } from "../case";

const pieces = (...rows: readonly (readonly [string, number | null, number | null, string?])[]): FunctionRow["by"] => ({
  kind: "pieces",
  pieces: rows.map(([text, from, to, ends]) => ({
    text,
    ...(from === null ? {} : { from }),
    ...(to === null ? {} : { to }),
    ...(ends ? { ends: ends as "[)" } : {}),
  })),
});
const formula = (text: string): FunctionRow["by"] => ({ kind: "formula", text });
const total = (from: number): FunctionRow["by"] => ({ kind: "total", function: "h", from });
const SLOPE: FunctionRow["by"] = { kind: "slope", function: "h" };

const PIECES: readonly FunctionRow["by"][] = [
  pieces(["x^2", -3, 0, "[]"], ["1/(x - 1)", 0, 5, "(]"]),
  pieces(["x", -3, 1, "[)"], ["ln(x - 1)", 1, 5, "(]"]),
  pieces(["1/x", -3, 0, "[)"], ["sqrt(x)", 0, 2, "[)"], ["7 - x", 3, 5, "[]"]),
  pieces(["2", null, 1, ")"], ["2 + (x - 1)^2", 1, null]),
  pieces(["exp(x)", -3, 1, "[]"], ["e + 2 (x - 1)", 1, 3, "(]"], ["1/(x - 3)", 3, 5, "(]"]),
];
const FORMULAS = [
  "abs(x - 1)",
  "max(x, 1/x)",
  "sqrt(x - 1)",
  "x abs(x)",
  "ln(abs(x))",
  "cbrt(x - 2)",
  "floor(x) x",
  "min(x^2, 2 - x, 1/(x - 3))",
  "asin(x/2)",
  "atan(1/x)",
  "(x^2 - 1)/(x - 1)",
  "step(x - 1) sin(x)",
  "x^1.5",
  "abs(sin(x))",
  "root(x - 1, 4)",
  "acos(x - 2)",
].map(formula);
/** What is summed, and from where: with poles that can be summed and that cannot, jumps, holes, and no value beyond. */
const TOTALS: readonly (readonly [text: string, from: number])[] = [
  ["1/x", 1],
  ["1/x", -1],
  ["1/(1 - x)", 0],
  ["1/(x - 3)^2", 0],
  ["1/ln(x)", 0],
  ["1/ln(x)", 2],
  ["ln(abs(x - 1))", 0],
  ["1/sqrt(abs(x - 2))", 0],
  ["1/cbrt(x - 1)", 3],
  ["tan(x)", 0],
  ["1/sin(x)", 1],
  ["floor(x)", 0.5],
  ["step(x - 1)/x", 2],
  ["sqrt(x - 1)", 2],
  ["sqrt(4 - x^2)", 0],
  ["x/(x^2 - 1)", 2],
  ["abs(x)/x", -1],
  ["exp(1/x)", 1],
  ["exp(-1/x)/x", 1],
  ["max(x, 1/x)", 1],
  ["min(1/x, 2)", 1],
  ["(x^2 - 1)/(x - 1)", 0],
  ["sin(x)/x", 0],
  ["exp(-x^2)", 0.1],
  ["x^(-0.5) + 1/(x - 4)", 1],
  ["asin(x)", 0],
  ["ln(x)/(x - 1)", 0.5],
  ["1/(x ln(x)^2)", 0],
];

type Row = readonly [string, FunctionRow["by"], FunctionRow["by"]];
const ROWS: readonly Row[] = [
  ...TOTALS.map(([text, from]): Row => [`total of ${text} from ${from}`, formula(text), total(from)]),
  ...[...PIECES, ...FORMULAS].flatMap((h, i): Row[] => [
    [`slope ${i}`, h, SLOPE],
    [`total ${i}`, h, total(2.5)],
    [`called back ${i}`, h, formula("h(2 - x)")],
    [`called twice ${i}`, h, formula("h(2 x) - h(x^2)")],
    [`in a root ${i}`, h, formula("sqrt(h) + 1/(h - 1)")],
    [`slope of it ${i}`, h, formula("h'(x) + 1/h'(1 - x)")],
  ]),
];

/** Ends that matter, inputs beside them, and some between. */
const ENDS = [-3, -1, -1e-9, 0, 1e-9, 0.3, 0.999999, 1, 1.000001, 1.7, 2, 2.6, 3, 3.2, 4, 5];
const INSIDE = 12;

describe("what a function is at an input lies in what it is told to be over a box around it", () => {
  it.each(ROWS)("%s", (_, h, by) => {
    const model = buildModel({
      format: "pasear-case",
      version: 1,
      title: "Boxes",
      variables: [{ name: "x", from: -3, to: 5 }],
      functions: [
        { name: "h", of: "x", by: h },
        { name: "s", of: "x", by },
      ],
    });
    expect(model.errors).toEqual([]);
    const enclosure = model.table.enclosure("s", 0);
    const faults: string[] = [];
    for (const lo of ENDS)
      for (const hi of ENDS.filter((e) => e > lo)) {
        const box = enclosure(new Enclosure(lo, hi));
        for (let i = 0; i <= INSIDE; i++) {
          const x = Math.min(hi, lo + ((hi - lo) * i) / INSIDE);
          const at = enclosure(new Enclosure(x, x));
          const isKnown = !(at.flags & (EMPTY | PARTIAL));
          const isNone = (at.flags & EMPTY) !== 0;
          const told = `[${lo}, ${hi}] is told as ${box.lo} … ${box.hi}, flags ${box.flags}; at ${x} it is`;
          if (isKnown && box.flags & EMPTY) faults.push(`${told} ${at.lo} … ${at.hi}`);
          else if (isKnown && (at.hi < box.lo || at.lo > box.hi)) faults.push(`${told} ${at.lo} … ${at.hi}`);
          if (isNone && !(box.flags & (EMPTY | PARTIAL))) faults.push(`${told} nothing`);
        }
      }
    expect(faults.slice(0, 3)).toEqual([]);
  });
});
