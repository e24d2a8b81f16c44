import { describe, expect, it } from "vitest";
import { fitModel, type FitMethod, type FitSpec } from "../fit";
import { fitWorking } from ".";

function lines(
  x: number[],
  y: number[],
  family: "linear" | "proportional" | "power" | "exponential" | "quadratic",
  method: FitMethod = "direct",
) {
  const fit = fitModel(x, y, { family, method } as FitSpec);
  if (!fit.ok) throw new Error("no fit");
  return fitWorking(x, y, { family, method, constants: fit.constants }, "t").map((s) => s.text);
}

describe("constants by hand", () => {
  // Σx = 10, Σy = 26, Σx² = 30, Σxy = 76:
  // b = (4·76 − 10·26)/(4·30 − 100) = 44/20 = 2.2, a = 6.5 − 2.2·2.5 = 1
  it("a line by its sums", () =>
    expect(lines([1, 2, 3, 4], [3, 6, 7, 10], "linear")).toEqual([
      "sum of t = 10, sum of y = 26, sum of t squared = 30, sum of t times y = 76",
      "b = (4*76 - 10*26)/(4*30 - 10^2) = 2.2",
      "a = 6.5 - 2.2*2.5 = 1",
    ]));
  it("two rows exactly", () =>
    expect(lines([150, 240], [9, 6], "linear")).toEqual([
      "b = (6 - 9)/(240 - 150) ≈ -0.03333333",
      "a = 7.5 - (-0.03333333)*195 ≈ 14",
    ]));
  // 0.1 + 0.2 is not 0.3 in doubles; the rows are decimals, and so is their sum
  it("sums of decimals are told as they are", () =>
    expect(lines([0.1, 0.2], [0.3, 0.6], "proportional")).toEqual(["b = 0.15/0.05 = 3"]));
  it("a sum that is told in part is not told as equal", () =>
    expect(lines([1.0001, 2.0003, 3], [1.0001, 2.0003, 3], "linear")[0]).toBe(
      "sum of t = 6.0004, sum of y = 6.0004, sum of t squared ≈ 14.0014, sum of t times y ≈ 14.0014",
    ));
  it("through the origin", () => expect(lines([1, 2], [3, 5], "proportional")).toEqual(["b = 13/5 = 2.6"]));
  // y = 3·2^x: ln y is a line of slope ln 2 through ln 3
  it("an exponential on logarithms", () => {
    const list = lines([0, 1, 2], [3, 6, 12], "exponential", "logs");
    expect(list[0]).toBe("ln y = ln a + b t");
    expect(list.at(-1)).toBe("a = e^(1.098612) ≈ 3");
    expect(list.at(-3)).toMatch(/≈ 0\.6931472$/);
  });
  it("a power on logarithms", () => {
    const list = lines([1, 2, 4], [5, 20, 80], "power", "logs");
    expect(list[0]).toBe("ln y = ln a + b ln t");
    expect(list.at(-1)).toBe("a = e^(1.609438) ≈ 5");
  });
  it("models without such a way have none", () => {
    expect(lines([1, 2, 3, 4], [1, 4, 9, 16], "quadratic")).toEqual([]);
    expect(lines([0, 1, 2], [3, 6, 12], "exponential")).toEqual([]);
  });
});
