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
    ["tan(x)", "0 …", "3.14159: 0 to 3.14159"],
    ["tan(x/2) + sin(3x)", "0 …", "6.28319: 0 to 6.28319"],
    ["sin(-x/2)", "0 …", "12.5664: 0 to 12.5664"],
    ["abs(sin(2 pi x)) + floor(cos(2 pi x))", "0 …", "1: 0 to 1"],
    // What goes up with its stairs: the wait for a bus that comes every 12 minutes; a share of a stair's stair.
    ["x - floor(x)", "…", "1: 0 to 1"],
    ["12 ceil(x/12) - x", "5 …", "12: 5 to 17"],
    ["sqrt(2x - floor(2x)) + cos(pi x)", "0 …", "2: 0 to 2"],
    ["floor(x) - 3 floor(floor(x)/3)", "0 …", "3: 0 to 3"],
    ["sin(pi floor(x)/2)", "0 …", "4: 0 to 4"],
    ["max(x, floor(x) + 0.5) - x", "0 …", "1: 0 to 1"],
  ])("%s on %s: %s", (text, range, wanted) => expect(told(text, range)).toBe(wanted));

  it.each([
    ["sin(x)", "0 … 9"],
    ["5", "0 …"],
    ["x sin(x)", "0 …"],
    ["sin(x^2)", "0 …"],
    ["sin(x) + sin(sqrt(2) x)", "0 …"],
    ["sin(x) + sin(pi x)", "0 …"],
    ["exp(-x) + sin(x)", "0 …"],
    ["x + floor(x)", "0 …"],
    ["x - floor(2x)", "0 …"],
    ["(x - floor(x)) x", "0 …"],
    ["sin(x) + x - floor(x)", "0 …"],
    // Halves are rounded away from 0, so that what is evenly so beyond 0 is not so across it.
    ["x - round(x)", "…"],
  ])("%s on %s does not, or need not be asked", (text, range) => expect(told(text, range)).toBeNull());
});
