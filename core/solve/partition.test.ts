import { describe, expect, it } from "vitest";
import { compileNumber } from "../formula";
import { ratio } from "../numeric";
import { FunctionTable, MAX_STEPS, innerPoints, newWork, partition, refine, type Part } from "./index";
import { formulaOf, rangeOf, sixDigits } from "./reading.fixture";

const table = new FunctionTable();

/** Places by their input, cells by what each formula is worth well inside, `–` where it has no value. */
function told(parts: readonly Part[], isWorth: boolean): string {
  return parts
    .map((p) => {
      if (p.kind === "place") return sixDigits(p.spot.at);
      if (p.kind === "open") return `open ${sixDigits(p.lo)} to ${sixDigits(p.hi)}`;
      if (p.kind !== "cell") return p.kind;
      const [middle] = innerPoints(p).map(Number);
      const worth = p.formulas.map((f) =>
        f === null ? "–" : isWorth ? sixDigits(compileNumber(f, table.number)(middle!)) : "~",
      );
      return `(${worth.join(", ")})`;
    })
    .join(" ");
}
const taken = (formulas: string, range: string, isWorth = false) =>
  told(partition(formulas.split(" & ").map(formulaOf), table, rangeOf(range)), isWorth);

describe("a range taken apart", () => {
  it.each([
    // kinks
    ["abs(x)", "-1 … 1", "-1 (~) 0 (~) 1"],
    ["abs(abs(x) - 1)", "-2 … 2", "-2 (~) -1 (~) 0 (~) 1 (~) 2"],
    ["max(x, 1 - x)", "0 … 1", "0 (~) 0.5 (~) 1"],
    ["min(x, 2, 5 - x)", "0 … 6", "0 (~) 2 (~) 3 (~) 6"],
    ["max(x, x)", "0 … 1", "0 (~) 1"],
    ["abs(-3)", "0 … 1", "0 (~) 1"],
    ["cbrt(x)", "-1 … 1", "-1 (~) 0 (~) 1"],
    // divisors
    ["1/x", "-1 … 1", "-1 (~) 0 (~) 1"],
    ["1/(x - 3)", "0 … 3", "0 (~) 3"],
    ["1/sin(x)", "-4 … 4", "-4 (~) -3.14159 (~) 0 (~) 3.14159 (~) 4"],
    ["0 (1/x)", "-1 … 1", "-1 (~) 0 (~) 1"],
    ["tan(x)", "0 … 5", "0 (~) 1.5708 (~) 4.71239 (~) 5"],
    // edges of domains
    ["sqrt(x - 2)", "0 … 4", "0 (–) 2 (~) 4"],
    ["ln(x - 1)", "0 … 3", "0 (–) 1 (~) 3"],
    ["ln(x) + ln(1 - x)", "-1 … 2", "-1 (–) 0 (~) 1 (–) 2"],
    ["acos(x)", "-2 … 2", "-2 (–) -1 (~) 1 (–) 2"],
    ["x^0.5", "-1 … 1", "-1 (–) 0 (~) 1"],
    ["x^x", "-1 … 2", "-1 (–) 0 (~) 2"],
    // several formulas at once, and a range of one input
    ["abs(x^2 - 1) & 1/(x - 0.5)", "-2 … 2", "-2 (~, ~) -1 (~, ~) 0.5 (~, ~) 1 (~, ~) 2"],
    ["sqrt(x) & 1/x", "-1 … 1", "-1 (–, ~) 0 (~, ~) 1"],
    ["x", "2 … 2", "2"],
    // no ends
    ["abs(x)", "…", "(~) 0 (~)"],
    ["1/x", "0 …", "0 (~)"],
    // ln(8)/3 − ln(2) is 0, and sin²1 + cos²1 − 1 too, which nothing here proves
    ["1/(x + ln(8)/3 - ln(2))", "-1 … 1", "-1 (~) 0 (~) 1"],
    ["1/(sin(1)^2 + cos(1)^2 - 1)", "0 … 1", "open 0 to 1"],
    ["abs(x (sin(1)^2 + cos(1)^2 - 1))", "0 … 1", "open 0 to 1"],
  ])("%s on %s: %s", (formulas, range, wanted) => expect(taken(formulas, range)).toBe(wanted));

  // What a stair is on each of its steps is the value just inside.
  it.each([
    ["floor(x)", "0 … 3", "0 (0) 1 (1) 2 (2) 3"],
    ["floor(x)", "-1.5 … 0.5", "-1.5 (-2) -1 (-1) 0 (0) 0.5"],
    ["ceil(x)", "0.5 … 2", "0.5 (1) 1 (2) 2"],
    ["ceil(x)", "-2 … 0", "-2 (-1) -1 (0) 0"],
    // a half is rounded up
    ["round(x)", "0 … 2", "0 (0) 0.5 (1) 1.5 (2) 2"],
    ["round(x)", "-2 … 0.5", "-2 (-2) -1.5 (-1) -0.5 (0) 0.5"],
    ["floor(-x)", "-2 … 0", "-2 (1) -1 (0) 0"],
    ["ceil(-x)", "0 … 2", "0 (0) 1 (-1) 2"],
    ["round(-x)", "0 … 2", "0 (0) 0.5 (-1) 1.5 (-2) 2"],
    ["floor(x^2)", "0 … 2", "0 (0) 1 (1) 1.41421 (2) 1.73205 (3) 2"],
    ["floor(exp(x))", "0 … 1.3", "0 (1) 0.693147 (2) 1.09861 (3) 1.3"],
    ["floor(1/x)", "0.3 … 2", "0.3 (3) 0.333333 (2) 0.5 (1) 1 (0) 2"],
    ["floor(sin(x))", "0 … 4", "0 (0) 1.5708 (0) 3.14159 (-1) 4"],
    ["floor(x/1000) & ceil(x/2000)", "0 … 3000", "0 (0, 1) 1000 (1, 1) 2000 (2, 2) 3000"],
    ["step(x - 1)", "0 … 2", "0 (0) 1 (1) 2"],
    ["abs(x)/x", "-1 … 1", "-1 (-1) 0 (1) 1"],
    ["floor(2.5)", "0 … 1", "0 (2) 1"],
    // a stair in a stair: floor(x)/2 is a step on every whole number, and rises on every second
    ["floor(floor(x)/2)", "0 … 3", "0 (0) 1 (0) 2 (1) 3"],
  ])("%s on %s: %s", (formulas, range, wanted) => expect(taken(formulas, range, true)).toBe(wanted));

  it("steps are listed up to their limit, and are stairs beyond it", () => {
    const cells = (n: number) => partition([formulaOf("floor(x)")], table, rangeOf(`0 … ${n}`));
    expect(cells(MAX_STEPS - 1).filter((p) => p.kind === "cell").length).toBe(MAX_STEPS - 1);
    expect(told(cells(MAX_STEPS + 2), false)).toBe(`0 stairs ${MAX_STEPS + 2}`);
    expect(taken("floor(x)", "… 0")).toBe("stairs 0");
    expect(taken("floor(1/x)", "0 … 1")).toBe("0 stairs 1");
  });
  it("work that is used up leaves the rest open", () => {
    const cells = partition([formulaOf("floor(x)")], table, rangeOf("0 … 9"), newWork(10_000, 4));
    expect(cells.some((p) => p.kind === "open")).toBe(true);
    expect(told(partition([formulaOf("abs(x)")], table, rangeOf("-1 … 1"), newWork(10_000, 0)), false)).toBe(
      "open -1 to 1",
    );
  });
});

describe("cells parted at the zeros of what is asked of them", () => {
  const zeros = (formula: string, asked: string, range: string) =>
    told(
      refine(partition([formulaOf(formula)], table, rangeOf(range)), table, newWork(), () => [formulaOf(asked)]),
      false,
    );
  it.each([
    ["x", "x^2 - 2", "-2 … 2", "-2 (~) -1.41421 (~) 1.41421 (~) 2"],
    ["abs(x)", "x - 1", "-2 … 2", "-2 (~) 0 (~) 1 (~) 2"],
    // a zero at a place is no second one
    ["abs(x)", "x", "-1 … 1", "-1 (~) 0 (~) 1"],
    ["x", "x", "0 … 1", "0 (~) 1"],
    ["x", "x^2 + 1", "-1 … 1", "-1 (~) 1"],
    ["x", "sin(1)^2 + cos(1)^2 - 1", "0 … 1", "open 0 to 1"],
  ])("%s at the zeros of %s on %s: %s", (formula, asked, range, wanted) =>
    expect(zeros(formula, asked, range)).toBe(wanted),
  );
  it("the order of a zero goes with its place", () => {
    const parts = refine(partition([formulaOf("x")], table, rangeOf("-2 … 2")), table, newWork(), () => [
      formulaOf("(x - 1)^2 (x + 1)^3"),
    ]);
    const places = parts.flatMap((p) => (p.kind === "place" && p.because === "zero" ? [p] : []));
    expect(places.map((p) => [p.spot.rational?.equals(ratio(p.spot.at)), p.spot.at, p.multiplicity])).toEqual([
      [true, -1, 3],
      [true, 1, 2],
    ]);
  });
});

describe("what cannot be told is taken out, and the rest stands", () => {
  // e^(x − 1) − x + 10⁻¹⁷ is never 0, by less than rounding near 1; there neither side of |…| is told.
  const close = "abs(exp(x - 1) - x + 1e-17)";
  const kinds = (range: string) =>
    partition([formulaOf(close)], table, rangeOf(range)).map((p) =>
      p.kind === "place"
        ? sixDigits(p.spot.at)
        : p.kind === "open"
          ? p.hi - p.lo < 1e-3
            ? "open near 1"
            : "open"
          : p.kind,
    );
  it.each([
    ["0 … 3", ["0", "cell", "open near 1", "cell", "3"]],
    ["1 … 3", ["open near 1", "cell", "3"]],
    ["0 … 1", ["0", "cell", "open near 1"]],
    ["…", ["cell", "open near 1", "cell"]],
    ["1 …", ["open near 1", "cell"]],
    ["… 1", ["cell", "open near 1"]],
    ["2 … 3", ["2", "cell", "3"]],
  ])("on %s: %j", (range, wanted) => expect(kinds(range)).toEqual(wanted));

  it("with no work left the whole is open, whatever its ends", () => {
    const lazy = (range: string) =>
      told(partition([formulaOf("abs(exp(x) - x + 2 sin(5 x))")], table, rangeOf(range), newWork(0)), false);
    expect(["-1 … 1", "0 …", "… 0", "…"].map(lazy)).toEqual([
      "open -1 to 1",
      "open 0 to Infinity",
      "open -Infinity to 0",
      "open -Infinity to Infinity",
    ]);
  });
});
