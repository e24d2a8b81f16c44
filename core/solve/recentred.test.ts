import { describe, expect, it } from "vitest";
import { compileNumber, expressionText } from "../formula";
import { ratio } from "../numeric";
import { formulaOf, fractionOf } from "./reading.fixture";
import { recentred } from "./recentred";
import { FunctionTable } from "./table";

const table = new FunctionTable();

describe("an expression as it looks from a place", () => {
  // multiplied out by hand: (t + 3)² = t² + 6t + 9, (t + 2)³ = t³ + 6t² + 12t + 8
  it.each([
    ["x", "3", "x + 3"],
    ["x - 3", "3", "x"],
    ["x^2", "3", "x^2 + 6x + 9"],
    ["x^3 - 8", "2", "x^3 + 6x^2 + 12x"],
    ["sqrt(x - 3)", "3", "sqrt(x)"],
    ["ln(x - 2) + x - 3", "3", "ln(x + 1) + x"],
    // what cancels is gone, wherever it stands in the sum
    ["(sqrt(x - 3) + x) - 3", "3", "sqrt(x) + x"],
    ["x + exp(x) - 2x + 1/2", "1/2", "exp(x + 1/2) - x"],
    ["(x - 0.5)/(x + 1)", "1/2", "x/(x + 1.5)"],
    ["5", "3", "5"],
  ])("%s from %s is %s", (text, place, wanted) => {
    const moved = recentred(formulaOf(text), fractionOf(place))!;
    const [of, as] = [compileNumber(moved, table.number), compileNumber(formulaOf(wanted), table.number)];
    for (const t of [0.1, 0.7, 2]) expect(of(t), expressionText(moved, "x")).toBeCloseTo(as(t), 12);
    // and it has what cancels no more: close to the place nothing is lost
    if (as(0) === 0) expect(of(1e-200)).toBe(as(1e-200));
  });

  it.each([
    ["x^2", "0"],
    ["floor(x) + step(x - 2)", "1/7919793771223"],
  ])("%s is not looked at from %s", (text, place) => expect(recentred(formulaOf(text), fractionOf(place))).toBe(null));

  it("a power too high to be multiplied out keeps its place", () => {
    const moved = recentred(formulaOf("(x - 2)^30 + x^30"), ratio(2))!;
    expect(compileNumber(moved, table.number)(1e-3)).toBeCloseTo(2.001 ** 30, 0);
  });
});
