import { describe, expect, it } from "vitest";
import { FunctionTable, findBest } from "./index";
import { formulaOf, rangeOf, sixDigits } from "./reading.fixture";

const table = new FunctionTable();

/** `value at places`, `→ value at place` where it is only approached, `∞ at place` where there is no bound. */
function told(text: string, range: string, sense: 1 | -1): string {
  const found = findBest(formulaOf(text), table, rangeOf(range), sense);
  if (found.status === "undefined") return "none";
  if (found.status !== "attained") {
    if (found.status === "unsettled") return "open";
    const { value, at, side } = found.bound;
    const where = at === null ? (side > 0 ? "far up" : "far down") : sixDigits(at);
    return `${value === null ? "∞" : `→ ${sixDigits(value)}`} at ${where}`;
  }
  const end = (x: number, isClosed: boolean) => `${sixDigits(x)}${isClosed ? "" : "°"}`;
  const places = [
    ...found.best.map((b) => `${sixDigits(b.at)}${b.kind === "endpoint" ? " (end)" : ""}`),
    ...found.flat.map((f) => `${end(f.lo, f.closedLo)}–${end(f.hi, f.closedHi)}`),
  ];
  return `${found.complete ? "" : "perhaps "}${sixDigits(found.value)} at ${places.join(", ")}`;
}

describe("greatest and least values", () => {
  it.each([
    ["x (10 - x)", "0 … 10", "25 at 5", "0 at 0 (end), 10 (end)"],
    ["x (10 - x)", "6 … 8", "24 at 6 (end)", "16 at 8 (end)"],
    ["x^3 - 3x", "-2 … 2", "2 at -1, 2 (end)", "-2 at -2 (end), 1"],
    ["abs(x - 1)", "0 … 3", "2 at 3 (end)", "0 at 1"],
    ["x^4", "-1 … 1", "1 at -1 (end), 1 (end)", "0 at 0"],
    ["7", "0 … 2", "7 at 0–2", "7 at 0–2"],
    ["x", "3 … 3", "3 at 3 (end)", "3 at 3 (end)"],
    // level stretches, with and without their ends
    ["min(x, 2)", "0 … 5", "2 at 2–5", "0 at 0 (end)"],
    ["floor(x)", "0 … 2.5", "2 at 2–2.5", "0 at 0–1°"],
    ["ceil(x)", "0.5 … 2", "2 at 1°–2", "1 at 0.5–1"],
    ["max(abs(x) - 1, 0)", "-2 … 2", "1 at -2 (end), 2 (end)", "0 at -1–1"],
    // only approached: what is best before a jump, beside a hole, at an edge
    ["x - floor(x)", "0 … 2", "→ 1 at 1", "0 at 0 (end), 1 (end), 2 (end)"],
    ["x^2/x", "-1 … 0", "→ 0 at 0", "-1 at -1 (end)"],
    ["sin(x)/x", "-3 … 3", "→ 1 at 0", `${sixDigits(Math.sin(3) / 3)} at -3 (end), 3 (end)`],
    ["exp(-1/x)", "0 … 1", `${sixDigits(Math.exp(-1))} at 1 (end)`, "→ 0 at 0"],
    // without bound
    ["1/x", "0 … 2", "∞ at 0", "0.5 at 2 (end)"],
    ["1/x", "-1 … 1", "∞ at 0", "∞ at 0"],
    ["ln(x)", "0 … 1", "0 at 1 (end)", "∞ at 0"],
    ["tan(x)", "0 … 2", "∞ at 1.5708", "∞ at 1.5708"],
    // no ends
    ["x exp(-x/100)", "0 …", `${sixDigits(100 / Math.E)} at 100`, "0 at 0 (end)"],
    ["x^2", "…", "∞ at far down", "0 at 0"],
    ["x^3", "…", "∞ at far up", "∞ at far down"],
    ["exp(-x)", "0 …", "1 at 0 (end)", "→ 0 at far up"],
    ["atan(x)", "…", "→ 1.5708 at far up", "→ -1.5708 at far down"],
    ["5 + 2 sin(pi x/6)", "0 …", "7 at 3", "3 at 9"],
    ["x/(x^2 + 1)", "…", "0.5 at 1", "-0.5 at -1"],
    // stairs without end, and without bound
    ["floor(x)", "0 …", "∞ at far up", "0 at 0–1°"],
    ["floor(x)", "… 0", "0 at 0 (end)", "∞ at far down"],
    ["ceil(-x)", "0 …", "0 at 0–1°", "∞ at far up"],
    ["floor(1/x)", "0 … 1", "∞ at 0", "1 at 0.5°–1"],
    ["floor(1/x)", "-1 … 0", "-1 at -1 (end)", "∞ at 0"],
    ["floor(1/x^2)", "-1 … 1", "∞ at 0", "1 at -1–-0.707107°, 0.707107°–1"],
    ["ceil(exp(x))", "… 5", "149 at 4.99721°–5", "1 at -Infinity°–0"],
    // no value on the range, or on a part of it
    ["ln(x - 9)", "0 … 5", "none", "none"],
    ["sqrt(x - 1)", "0 … 5", "2 at 5 (end)", "0 at 1 (end)"],
    ["sqrt(1 - x^2)", "-3 … 3", "1 at 0", "0 at -1 (end), 1 (end)"],
    ["abs(ln(x))", "-10 … 10", "∞ at 0", "0 at 1"],
    ["min(sqrt(x), 1)", "-2 … 3", "1 at 1–3", "0 at 0 (end)"],
  ])("%s on %s: greatest %s, least %s", (text, range, greatest, least) =>
    expect([told(text, range, 1), told(text, range, -1)]).toEqual([greatest, least]),
  );
  it("a tie that is not proven is doubt", () => {
    // Both peaks are 1; that sin²1 + cos²1 is 1 is not proven.
    const text = "max(1 - (x - 1)^2, (sin(1)^2 + cos(1)^2) (1 - (x - 4)^2))";
    expect(told(text, "0 … 5", 1)).toMatch(/^(perhaps|open)/);
  });
});
