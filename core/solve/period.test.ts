import { describe, expect, it } from "vitest";
import { FunctionTable, periodOf } from "./index";
import { formulaOf, rangeOf, sixDigits } from "./reading.fixture";

const table = new FunctionTable();
const told = (text: string, range: string): string | null => {
  const p = periodOf(formulaOf(text), table, rangeOf(range));
  return p && `${sixDigits(p.every.at)}: ${sixDigits(p.range.from!.at)} to ${sixDigits(p.range.to!.at)}`;
};

describe("a function that repeats for ever", () => {
  it.each([
    ["sin(x)", "…", "6.28319: 0 to 6.28319"],
    ["sin(x)", "2 …", "6.28319: 2 to 8.28319"],
    ["sin(x)", "… 3", "6.28319: -3.28319 to 3"],
    ["5 + 2 sin(pi x/6)", "0 …", "12: 0 to 12"],
    // frequencies 2 and 3, 1/3 and 1/2, 1/2 backwards: the least common multiple of the periods
    ["sin(2x) + cos(3x)", "0 …", "6.28319: 0 to 6.28319"],
    ["cos(x/3) sin(x/2)", "0 …", "37.6991: 0 to 37.6991"],
    ["sin(4x) + sin(6x)", "0 …", "3.14159: 0 to 3.14159"],
    ["sin(-x/2)", "0 …", "12.5664: 0 to 12.5664"],
    ["abs(sin(2 pi x)) + floor(cos(2 pi x))", "0 …", "1: 0 to 1"],
  ])("%s on %s: %s", (text, range, wanted) => expect(told(text, range)).toBe(wanted));

  it.each([
    ["sin(x)", "0 … 9"],
    ["5", "0 …"],
    ["x sin(x)", "0 …"],
    ["sin(x^2)", "0 …"],
    ["sin(x) + sin(sqrt(2) x)", "0 …"],
    ["sin(x) + sin(pi x)", "0 …"],
    ["exp(-x) + sin(x)", "0 …"],
  ])("%s on %s does not, or need not be asked", (text, range) => expect(told(text, range)).toBeNull());
});
