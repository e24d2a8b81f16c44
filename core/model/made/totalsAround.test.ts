import { describe, expect, it } from "vitest";
import { call, VARIABLE, encloseRational } from "../../formula";
import { EMPTY, Enclosure, PARTIAL } from "../../interval";
import { rationalOfDecimal, toDouble } from "../../numeric";
import { limitAt, partition, spotOfConstant, spotOfRational } from "../../solve";
import { formulaOf } from "../../solve/reading.fixture";
import { buildModel } from "../build";

const { LN2, PI, E, sqrt, log, exp, abs } = Math;

/** The running total of a formula from an input on, in a case whose inputs go from −2 to 6. */
function totalOf(text: string, from: string, range: { from?: number; to?: number } = { from: -2, to: 6 }) {
  const model = buildModel({
    format: "pasear-case",
    version: 1,
    title: "Totals",
    variables: [{ name: "x", ...range }],
    functions: [
      { name: "h", of: "x", by: { kind: "formula", text } },
      { name: "s", of: "x", by: { kind: "total", function: "h", from } },
    ],
  });
  expect(model.errors).toEqual([]);
  const enclosure = model.table.enclosure("s", 0);
  return { table: model.table, over: (lo: number, hi: number) => enclosure(new Enclosure(lo, hi)) };
}

// By the antiderivatives that any table of integrals has.
describe("a total is told as far as what is summed goes, on both sides of its start", () => {
  it.each<[string, string, number, number | "none"]>([
    ["1/x", "1", 4, 2 * LN2],
    ["1/x", "1", 0.001, log(0.001)],
    ["1/x", "1", 1e-6, log(1e-6)],
    ["1/x", "1", 0, "none"],
    ["1/x", "1", -1, "none"],
    ["1/x", "-1", -2, LN2],
    ["1/x", "-1", 2, "none"],
    ["1/x^2", "1", 0.0001, -9999],
    ["1/(x - 3)", "0", 2.999, log(0.001) - log(3)],
    ["1/(x - 3)", "0", 3, "none"],
    ["1/(x - 3)", "4", 3.001, log(0.001)],
    ["1/sqrt(x)", "0", 4, 4],
    ["1/sqrt(x)", "4", 0, -4],
    ["1/sqrt(x)", "4", 1e-12, 2e-6 - 4],
    ["1/sqrt(x)", "4", -1, "none"],
    ["1/sqrt(abs(x))", "1", -1, -4],
    ["1/sqrt(abs(x))", "-1", 4, 6],
    ["1/sqrt(abs(x - 1/3))", "1/3", 4 / 3, 2],
    ["ln(x)", "1", 0, 1],
    ["ln(x)", "1", E, 1],
    ["ln(x)", "0", 1, -1],
    ["ln(x)", "1", -1, "none"],
    ["ln(x)", "-1", -1, "none"],
    ["sqrt(x - 2)", "2", 6, 16 / 3],
    ["sqrt(x - 2)", "2", 1, "none"],
    ["exp(floor(x))", "0", 2.5, 1 + E + E ** 2 / 2],
    ["exp(floor(x))", "0", -1.5, -1 / E - exp(-2) / 2],
    ["atan(tan(x))", "0", 2, (2 - PI) ** 2 / 2],
    ["sin(x)/x", "0", 0, 0],
    ["x exp(x)/x", "-1", 1, E - 1 / E],
    ["exp(-1/x)/x^2", "0", 1, 1 / E],
    ["exp(1/x)", "1", 0, "none"],
    ["1/(x - 1)", "1.4", 1, "none"],
    ["-3 (1 - x)^(-1) ln(1 - x)^2", "0.1", 1, "none"],
  ])("of %s from %s, at %s: %s", (text, from, at, wanted) => {
    const v = totalOf(text, from).over(at, at);
    if (wanted === "none") return expect(Number.isNaN(v.lo)).toBe(true);
    const slack = 1e-12 * (1 + abs(wanted));
    expect([v.flags, v.lo <= wanted + slack, v.hi >= wanted - slack]).toEqual([0, true, true]);
    expect(v.hi - v.lo).toBeLessThan(1e-7 * (1 + abs(wanted)));
  });
});

// ∫ t^(q−1) L^s dt from 0 to d is Γ(s + 1, q ln(1/d))/q^(s+1), by mpmath with 25 digits.
describe("beside powers of a logarithm", () => {
  it.each<[string, string, number, number | "none"]>([
    ["1/ln(x)", "0", 0.3, -0.15741490289468948],
    ["1/ln(x)", "0.3", 0, 0.15741490289468948],
    ["sqrt(-ln(x))", "0", 0.3, 0.436163018940948],
    ["ln(x)^3", "0", 0.5, -5.966633388551603],
    ["x ln(x)^(-2)", "0", 0.5, 0.12334964732799464],
    ["(-ln(x))^1.5/sqrt(x)", "0", 0.5, 7.394623515216019],
    ["1/(x ln(x)^2)", "0", 0.3, 0.8305835450825374],
    ["1/(x ln(x))", "0.3", 0, "none"],
    ["1/(x sqrt(-ln(x)))", "0.3", 0, "none"],
    ["1/ln(x)", "0", 1.5, "none"],
  ])("of %s from %s, at %s: %s", (text, from, at, wanted) => {
    const v = totalOf(text, from).over(at, at);
    if (wanted === "none") return expect(Number.isNaN(v.lo)).toBe(true);
    expect([v.flags, v.lo <= wanted, v.hi >= wanted]).toEqual([0, true, true]);
    expect(v.hi - v.lo).toBeLessThan(1e-7 * abs(wanted));
  });
  it("what grows more slowly than any root of a pole is not known well, but no bound is false", () => {
    const v = totalOf("x^(-0.9) (-ln(x))^1.5", "0").over(0.5, 0.5);
    const truth = 420.22205207155707;
    expect([v.flags, v.lo < truth, v.hi > truth]).toEqual([0, true, true]);
  });
});

describe("a total over a box of inputs", () => {
  it("that only rises or falls is bounded by its ends", () => {
    const { over } = totalOf("exp(x)", "0");
    const v = over(0, 3);
    expect([v.lo, v.hi].map((y) => y.toFixed(9))).toEqual(["0.000000000", (exp(3) - 1).toFixed(9)]);
    const falling = totalOf("-exp(x)", "0").over(0, 3);
    expect([falling.lo, falling.hi].map((y) => y.toFixed(9))).toEqual([(1 - exp(3)).toFixed(9), "0.000000000"]);
  });
  it("towards a pole is bounded on the other side", () => {
    const v = totalOf("1/x", "1").over(2 ** -60, 0.5);
    expect(v.hi).toBeCloseTo(-LN2, 9);
    expect(v.lo).toBeLessThanOrEqual(log(2 ** -60));
  });
  it("over a pole says nothing: what one input has not, another may have", () => {
    // What a million random claims met: 243 was told as a bound of a total that grows towards 1, on a box around 1.
    const { over } = totalOf("1/(1 - x)", "0");
    const v = over(0, 6);
    expect([v.lo, v.hi, v.flags & EMPTY]).toEqual([-Infinity, Infinity, 0]);
    expect(over(2, 6).flags & EMPTY).toBe(EMPTY);
    expect(over(-Infinity, 6).flags & PARTIAL).toBe(PARTIAL);
  });
  it("holds the total on both sides of a place where what is summed jumps or has no value", () => {
    const at = sqrt(2);
    for (const text of ["floor(x^2)", "exp(floor(x^2))", "atan(tan(pi x/sqrt(8)))", "1/sqrt(abs(x^2 - 2))"]) {
      const { over } = totalOf(text, "1");
      const [before, after] = [over(at - 1e-9, at - 1e-9), over(at + 1e-9, at + 1e-9)];
      const v = over(at - 4e-16, at + 4e-16);
      expect([text, v.flags]).toEqual([text, 0]);
      for (const beside of [before, after]) expect(Math.max(v.hi - beside.lo, beside.hi - v.lo)).toBeLessThan(1e-3);
    }
  });
});

describe("where a total has values", () => {
  it.each([
    ["1/x", "1", "none 0 has"],
    ["1/x", "-1", "has 0 none"],
    ["x + 3/x", "-1", "has 0 none"],
    ["1/x^2 + 1/(x - 3)", "1", "none 0 has 3 none"],
    ["1/sqrt(abs(x))", "1", "has 0 has"],
    ["ln(x)", "1", "none 0 has"],
    ["ln(abs(x))", "1", "has 0 has"],
    ["sqrt(x^2 - 2)", "2", "none 1.41421 has"],
    ["exp(floor(x/3))", "1", "has 0 has 3 has"],
    ["ln(x)", "-1", "none"],
    ["sqrt(x^2 - 2)", "0.5", "none"],
    ["ln(x)", "0", "none 0 has"],
  ])("of %s from %s: %s", (text, from, wanted) => {
    const { table } = totalOf(text, from);
    const ends = ["-2", "6"].map((r) => spotOfRational(rationalOfDecimal(r)!));
    const parts = partition([call("s", 0, VARIABLE)], table, { from: ends[0]!, to: ends[1]! });
    const told = parts.slice(1, -1).map((p) => {
      if (p.kind === "place") return String(Number(p.spot.at.toPrecision(6)));
      return p.kind === "cell" ? (p.formulas[0] ? "has" : "none") : "open";
    });
    expect(told.join(" ")).toBe(wanted);
  });
});

describe("what a total comes to", () => {
  const limitOf = (text: string, from: string, at: string | null, side: 1 | -1, range?: { from?: number }) => {
    const { table } = totalOf(text, from, range);
    const limit = limitAt(call("s", 0, VARIABLE), at === null ? null : spotOfConstant(formulaOf(at)), side, 1, table);
    if (limit.kind === "infinite") return limit.sign > 0 ? "∞" : "−∞";
    return limit.kind === "open" ? "open" : ((limit.lo + limit.hi) / 2).toPrecision(6);
  };
  it.each<[string, string, string | null, 1 | -1, string]>([
    ["1/x", "1", "0", 1, "−∞"],
    ["1/x", "-1", "0", -1, "−∞"],
    ["-1/x", "1", "0", 1, "∞"],
    ["1/x^2", "1", "0", 1, "−∞"],
    ["1/x^2", "-1", "0", -1, "∞"],
    ["abs(1/x)", "1", "0", 1, "−∞"],
    ["max(1/x, x)", "1", "0", 1, "−∞"],
    ["min(-1/x, x)", "1", "0", 1, "∞"],
    ["1/sqrt(x)", "4", "0", 1, "-4.00000"],
    ["exp(x)", "0", "1", 1, (E - 1).toPrecision(6)],
  ])("of %s from %s, at %s from side %s: %s", (text, from, at, side, wanted) =>
    expect(limitOf(text, from, at, side)).toBe(wanted),
  );
  it.each<[string, 1 | -1, string]>([
    ["1/x", 1, "∞"],
    ["sqrt(x)", 1, "∞"],
    ["2 + exp(-x)", 1, "∞"],
    ["-x exp(0 x) - exp(-x)", 1, "−∞"],
    // what comes together for ever: 1/e and 1
    ["exp(-x)", 1, (1 / E).toPrecision(6)],
    ["1/x^2", 1, "1.00000"],
    ["sin(x)/x", 1, "open"],
    // what keeps its sign and does not vanish fast enough, however it begins
    ["x^3/75 - x^2 + 25 - 5 x^0.4", 1, "∞"],
    ["100 x^2 - exp(x/9)", 1, "−∞"],
    ["ln(x) - 7", 1, "∞"],
    ["1/(x ln(x + 1))", 1, "∞"],
    ["1/(x ln(x + 1)^2)", 1, "open"],
    ["1/sqrt(x)", 1, "∞"],
  ])("of %s from 1, far out on side %s: %s", (text, side, wanted) =>
    expect(limitOf(text, "1", null, side, { from: 1 })).toBe(wanted),
  );
  it("its bounds hold all along, not only at the end", () => {
    const { over } = totalOf("1/x", "1");
    const at = encloseRational(rationalOfDecimal("0.0000009")!);
    expect(over(at.lo, at.hi).lo).toBeCloseTo(log(toDouble(rationalOfDecimal("0.0000009")!)), 9);
  });
});
