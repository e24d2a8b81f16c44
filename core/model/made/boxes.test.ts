import { describe, expect, it } from "vitest";
import { variableSeries } from "../../formula";
import { EMPTY, Enclosure, PARTIAL, iv } from "../../interval";
import { buildModel } from "../build";
import type { FunctionTable } from "../../solve";
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

/** All boxes between two of the ends, and what a function is at inputs of each. */
function* boxes(enclosure: (x: Enclosure) => Enclosure) {
  for (const lo of ENDS)
    for (const hi of ENDS.filter((e) => e > lo)) {
      const inputs = Array.from({ length: INSIDE + 1 }, (_, i) => Math.min(hi, lo + ((hi - lo) * i) / INSIDE));
      yield { lo, hi, values: () => inputs.map((x) => ({ x, at: enclosure(new Enclosure(x, x)) })) };
    }
}
const isKnown = (v: Enclosure): boolean => !(v.flags & (EMPTY | PARTIAL));

function tableOf(h: FunctionRow["by"], by: FunctionRow["by"]) {
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
  return model.table;
}

describe("what a function is at an input lies in what it is told to be over a box around it", () => {
  it.each(ROWS)("%s", (_, h, by) => {
    const enclosure = tableOf(h, by).enclosure("s", 0);
    const faults: string[] = [];
    for (const { lo, hi, values } of boxes(enclosure)) {
      const box = enclosure(new Enclosure(lo, hi));
      for (const { x, at } of values()) {
        const told = `[${lo}, ${hi}] is told as ${box.lo} … ${box.hi}, flags ${box.flags}; at ${x} it is`;
        const isOutside = box.flags & EMPTY || at.hi < box.lo || at.lo > box.hi;
        if (isKnown(at) && isOutside) faults.push(`${told} ${at.lo} … ${at.hi}`);
        if (at.flags & EMPTY && !(box.flags & (EMPTY | PARTIAL))) faults.push(`${told} nothing`);
      }
    }
    expect(faults.slice(0, 3)).toEqual([]);
  });
});

/** Values and slopes that one way of working out tells of a box. */
interface Told {
  readonly value: Enclosure;
  readonly slope: Enclosure;
}
const WAYS: readonly (readonly [string, (table: FunctionTable, box: Enclosure) => Told | null])[] = [
  [
    "series",
    (table, box) => {
      const s = table.series("s", 0)(variableSeries(box, 1));
      return s && { value: s[0]!, slope: s[1]! };
    },
  ],
  [
    "slopes",
    (table, box) => {
      const told = table.slopes("s", 0)({ value: box, slope: new Enclosure(1, 1) });
      return told.value.flags || told.slope.flags ? null : told;
    },
  ],
];

describe.each(WAYS)("where its %s are known, a function has values, and is as steep as they say", (_, way) => {
  let known = 0;
  it.each(ROWS)("%s", (_, h, by) => {
    const table = tableOf(h, by);
    const faults: string[] = [];
    for (const { lo, hi, values } of boxes(table.enclosure("s", 0))) {
      const told = way(table, new Enclosure(lo, hi));
      if (!told) continue;
      known++;
      const { value, slope } = told;
      const inside = values();
      for (const [i, { x, at }] of inside.entries()) {
        const where = `[${lo}, ${hi}] is ${value.lo} … ${value.hi}, ${slope.lo} … ${slope.hi} steep; at ${x}`;
        const isOutside = at.flags & EMPTY || at.hi < value.lo || at.lo > value.hi;
        if (isOutside) faults.push(`${where} it is ${at.lo} … ${at.hi}`);
        const before = inside[i - 1];
        if (!before || !isKnown(at) || !isKnown(before.at) || x === before.x) continue;
        const run = iv.subtract(new Enclosure(x, x), new Enclosure(before.x, before.x));
        const rise = iv.divide(iv.subtract(at, before.at), run);
        if (rise.hi < slope.lo || rise.lo > slope.hi) faults.push(`${where} it rises by ${rise.lo} … ${rise.hi}`);
      }
    }
    expect(faults.slice(0, 3)).toEqual([]);
  });
  it("which is so on many boxes", () => expect(known).toBeGreaterThan(1000));
});
