import { describe, expect, it } from "vitest";
import { ratio } from "../numeric";
import { FunctionTable, encloseConstant, limitAt, spotOfConstant, spotOfRational } from "./index";
import { expressionText } from "../formula";
import { approaches } from "./limits";
import { formulaOf } from "./reading.fixture";

const table = new FunctionTable();
const SPOTS: Record<string, ReturnType<typeof spotOfRational> | null> = {
  "0": spotOfRational(ratio(0)),
  "1": spotOfRational(ratio(1)),
  "3": spotOfRational(ratio(3)),
  pi: spotOfConstant(formulaOf("pi")),
  far: null,
};

// One-sided limits as any book of calculus has them; `>` from above or towards ∞, `<` from below or towards −∞.
describe("limits", () => {
  it.each([
    ["sin(x)/x", "0", ">", "1"],
    ["sin(x)/x", "0", "<", "1"],
    ["(1 - cos(x))/x^2", "0", ">", "0.5"],
    ["(exp(x) - 1)/x", "0", "<", "1"],
    ["ln(1 + x)/x", "0", ">", "1"],
    ["tan(3x)/x", "0", ">", "3"],
    ["(x - 1)/(x^2 - 1)", "1", ">", "0.5"],
    ["x^2 + 1", "3", ">", "10"],
    ["sin(x)/(x - pi)", "pi", "<", "-1"],
    ["x ln(x)", "0", ">", "0"],
    ["x^x", "0", ">", "1"],
    ["1/ln(x)", "0", ">", "0"],
    ["exp(1/x)", "0", "<", "0"],
    ["x sin(1/x)", "0", ">", "0"],
    ["sqrt(x)", "0", ">", "0"],
    ["atan(1/x)", "0", ">", "pi/2"],
    ["atan(1/x)", "0", "<", "-pi/2"],
    ["1/(1 + exp(1/x))", "0", ">", "0"],
    ["1/(1 + exp(1/x))", "0", "<", "1"],
    ["x exp(-x)", "far", ">", "0"],
    ["x^3 exp(-x)", "far", ">", "0"],
    ["ln(x)/x", "far", ">", "0"],
    ["ln(x)^2/sqrt(x)", "far", ">", "0"],
    ["(2x^2 + 1)/(x^2 - 5)", "far", ">", "2"],
    ["(2x^2 + 1)/(x^2 - 5)", "far", "<", "2"],
    ["x - sqrt(x^2 + x)", "far", ">", "-0.5"],
    ["(1 + 1/x)^x", "far", ">", "exp(1)"],
    ["(1 + 2/x)^(3x)", "far", ">", "exp(6)"],
    ["atan(x)", "far", "<", "-pi/2"],
    ["tanh(x)", "far", ">", "1"],
    ["tanh(x)", "far", "<", "-1"],
    ["tanh(-x)", "far", ">", "-1"],
    // a stair is within 1 of its argument
    ["floor(x)/x", "far", ">", "1"],
    ["ceil(x)/x", "far", "<", "1"],
    ["round(3x)/x", "far", "<", "3"],
    ["ceil(x^2)/x^2", "far", "<", "1"],
    ["tanh(1/x)", "0", "<", "-1"],
    ["tanh(x)/x", "0", ">", "1"],
    ["exp(-x) + 7", "far", ">", "7"],
    ["2^x/3^x", "far", ">", "0"],
    ["1/(1 + exp(-x))", "far", "<", "0"],
    ["1000/(1 + 9 exp(-x/2))", "far", ">", "1000"],
    ["x/(x + sin(x))", "far", ">", "1"],
    ["7", "far", ">", "7"],
    ["x ln(1 + 5/x)", "far", ">", "5"],
  ] as const)("%s at %s, %s: %s", (text, at, side, wanted) => {
    const found = limitAt(formulaOf(text), SPOTS[at]!, side === ">" ? 1 : -1, 1, table);
    const { lo, hi } = encloseConstant(formulaOf(wanted));
    expect(found.kind).toBe("finite");
    if (found.kind !== "finite") return;
    expect(found.lo).toBeLessThanOrEqual(hi);
    expect(found.hi).toBeGreaterThanOrEqual(lo);
    expect(found.hi - found.lo).toBeLessThanOrEqual(1e-12 * Math.max(1, Math.abs(hi)));
    expect(found.form).not.toBeNull();
  });

  it.each([
    ["1/x", "0", ">", 1],
    ["1/x", "0", "<", -1],
    ["-1/x^2", "0", "<", -1],
    ["exp(1/x)", "0", ">", 1],
    ["ln(x)", "0", ">", -1],
    ["ln(x)/x", "0", ">", -1],
    ["1/(x ln(x))", "0", ">", -1],
    ["(x - 2)/(x^2 - 1)", "1", ">", -1],
    ["(x - 2)/(x^2 - 1)", "1", "<", 1],
    ["exp(x)/x^9", "far", ">", 1],
    ["exp(-x) + 7", "far", "<", 1],
    ["x^3 - 1000 x^2", "far", ">", 1],
    ["x^3 - 1000 x^2", "far", "<", -1],
    ["x - 1e-14 x^2", "far", ">", -1],
    ["ln(x) - sqrt(x)", "far", ">", -1],
    ["x (2 + sin(x))", "far", "<", -1],
  ] as const)("%s at %s, %s: ∞ · %s", (text, at, side, sign) =>
    expect(limitAt(formulaOf(text), SPOTS[at]!, side === ">" ? 1 : -1, 1, table)).toEqual({ kind: "infinite", sign }),
  );

  it.each([
    ["sin(x)", "far", -1, 1],
    ["3 + 2 cos(x)", "far", 1, 5],
    ["sin(1/x)", "0", -1, 1],
  ] as const)("%s at %s has none, and stays between %s and %s", (text, at, lo, hi) =>
    expect(limitAt(formulaOf(text), SPOTS[at]!, 1, 1, table)).toEqual({ kind: "open", lo, hi }),
  );

  const D = "(sin(1)^2 + cos(1)^2 - 1)";
  it.each([
    // what may grow without bound, to a side that is told or not
    ["x (1 + sin(x))", "far", 1, 0, Infinity],
    ["-x (1 + sin(x))", "far", 1, -Infinity, 0],
    ["x sin(x)", "far", 1, -Infinity, Infinity],
    [`${D}/x`, "0", 1, -Infinity, Infinity],
    [`x ${D}`, "far", 1, -Infinity, Infinity],
    // no value at all nearby
    ["ln(-x)", "0", 1, -Infinity, Infinity],
  ] as const)("%s at %s from side %s is open, between %s and %s", (text, at, side, lo, hi) =>
    expect(limitAt(formulaOf(text), SPOTS[at]!, side, 1, table)).toEqual({ kind: "open", lo, hi }),
  );
  it("where the formula goes on smoothly, the limit is its value, in closed form", () => {
    const named = (text: string, at: string) => {
      const found = limitAt(formulaOf(text), SPOTS[at]!, 1, 1, table);
      return found.kind === "finite" && found.form ? expressionText(found.form, "x") : found.kind;
    };
    expect(["x^2", "exp(x)", "sqrt(x)", "5 + x - x"].map((t) => named(t, "3"))).toEqual([
      "9",
      "exp(3)",
      "sqrt(3)",
      "5",
    ]);
    expect(named("exp(2)", "0")).toBe("exp(2)");
    expect(named("x + exp(-1/x)", "0")).toBe("0");
    expect(named("2 + exp(-1/x)", "0")).toBe("2");
  });
  it("sides come closer step by step, within half the room", () => {
    const deltas = (room: number) => approaches(SPOTS["0"]!, 1, room).map((a) => [a.side, a.delta]);
    expect(deltas(1)).toEqual([0, 12, 26, 40, 80, 320].map((k) => [1, 2 ** (-4 - k)]));
    expect(deltas(1 / 16)).toEqual([0, 12, 26, 40, 80, 320].map((k) => [1, 2 ** (-5 - k)]));
    expect(deltas(0)).toEqual([]);
    expect(approaches(null, -1, 0).map((a) => [a.spot, a.side, a.delta])).toEqual(
      [8, 16, 30, 48, 80, 320].map((k) => [null, -1, 2 ** -k]),
    );
  });

  it("where two growths cancel and what is left is not seen, nothing is claimed", () =>
    expect(limitAt(formulaOf("ln(x + 1) - ln(x)"), null, 1, 1, table).kind).toBe("open"));

  it("what is looked at reaches no further than the room there is", () => {
    // With room 1 the pole at 1/2 is inside what is looked at first; closer, the limit is found all the same.
    const found = limitAt(formulaOf("sin(x)/x + 0 /(2x - 1)"), SPOTS["0"]!, 1, 1, table);
    expect(found).toMatchObject({ kind: "finite" });
  });
});
