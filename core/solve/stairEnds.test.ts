import { describe, expect, it } from "vitest";
import { Enclosure } from "../interval";
import { compileNumber } from "../formula";
import { formulaOf } from "./reading.fixture";
import { stepEndBounds } from "./stairEnds";
import { FunctionTable } from "./table";

const table = new FunctionTable();
const bounds = (text: string, lo: number, hi: number) => stepEndBounds(formulaOf(text), table)(new Enclosure(lo, hi));

// Up or down along the steps, steps that go up or down, and every kind of stair.
const FORMULAS = [
  "60x - floor(x^2/6)",
  "-3x + floor(7x)",
  "5x + 2 floor(100 exp(-x/9))",
  "-2x - ceil(90/(x+1))",
  "20 ln(x+1) - ceil(x^2)",
  "x^2 - 40 round(x/3)",
  "-x - round(300 exp(-x/20))",
  "(40 + x) floor(3x + 1/2)",
  "(200 + 3x + 80 ceil(x/5))/(x + 1)",
  "sqrt(x + floor(2x))",
];

describe("bounds from the ends of steps", () => {
  it.each(FORMULAS)("hold every value of %s", (text) => {
    const value = compileNumber(formulaOf(text), table.number);
    let told = 0;
    for (let i = 0; i < 60; i++) {
      const lo = 0.37 * i;
      const hi = lo + 0.05 * (1 + (i % 7) ** 3);
      const found = bounds(text, lo, hi);
      if (!found) continue;
      told++;
      for (let k = 0; k <= 400; k++) {
        const y = value(lo + ((hi - lo) * k) / 400);
        expect(y).toBeGreaterThanOrEqual(found.lo);
        expect(y).toBeLessThanOrEqual(found.hi);
      }
    }
    expect(told).toBeGreaterThan(5);
  });

  // The greatest of 60x − x²/6 + 1 up to 178 is 5400 1/3, while 60x − ⌊x²/6⌋ by itself may be 5401 there.
  it("leave out what comes close to the best no more", () => {
    const { lo, hi } = bounds("60x - floor(x^2/6)", 177.9, 178)!;
    expect(hi).toBeGreaterThanOrEqual(60 * 178 - 178 ** 2 / 6 + 1 - 1e-6);
    expect(hi).toBeLessThan(5400.4);
    expect(lo).toBeGreaterThan(5399.2);
  });

  it.each([
    ["two stairs", "x + floor(2x) + floor(3x)", 0, 9],
    ["a stair in a stair", "x + floor(x/2 + floor(3x))", 0, 9],
    ["no stair", "x^2", 0, 9],
    ["neither up nor down along a step", "x^2 - 40x - floor(x)", 0, 90],
    ["an argument that turns", "x - floor(50 sin(x))", 0, 9],
    ["a pole", "1/(x - 4) - floor(7x)", 3, 9],
    ["a jump besides", "x + 40 step(x - 4) - floor(7x)", 3, 9],
    ["an end without a value", "ln(x) + floor(7x)", 0, 9],
  ] as const)("are not taken where they prove nothing: %s", (_, text, lo, hi) =>
    expect(bounds(text, lo, hi)).toBeNull(),
  );
});
