import { describe, expect, it } from "vitest";
import { Enclosure } from "../interval";
import { BestSearch } from "./bestSearch";
import { place, type Because, type CellPart, type Part } from "./parts";
import { doubtful, sixDigits } from "./reading.fixture";
import { spotOfConstant, type Spot } from "./spot";
import { FunctionTable } from "./table";
import { isContinuous, isIn, joinedFlats, middleOf, Taken, type Flat } from "./taken";

const table = new FunctionTable();
const spot = (text: string): Spot => spotOfConstant(doubtful(text));
const end = (text: string) => (text === "…" ? null : spot(text));

/**
 * `0 r` a place at the range's end, `1` where something breaks, `1 z` a zero of the slope, `[0 1]` open, `(0 1) x^2`.
 */
function partOf(text: string): Part {
  const [, open, close] = /^\[(\S+) (\S+)\]$/.exec(text) ?? [];
  if (open) return { kind: "open", lo: Number(open), hi: Number(close) };
  const [, kind, from, to, of] = /^(stairs|quiet|)\((\S+) (\S+)\)(.*)$/.exec(text) ?? [];
  if (from) {
    const between = { from: end(from), to: end(to!) };
    if (kind === "stairs") return { kind, ...between, formulas: [doubtful(of!)] };
    if (kind === "quiet") return { kind, ...between, values: new Enclosure(0, 1) };
    return { kind: "cell", ...between, formulas: [of!.trim() === "–" ? null : doubtful(of!)] } as CellPart;
  }
  const [at, why] = text.split(" ") as [string, string | undefined];
  const reasons: Record<string, Because> = { r: "range", z: "zero", p: "piece" };
  return place(spot(at), why ? reasons[why]! : "break");
}

function told(whole: string, parts: string, sense: 1 | -1 = 1, isRepeated = false): string {
  const list = parts.split("; ").filter(Boolean).map(partOf);
  const found = new BestSearch(doubtful(whole), table, list, sense, isRepeated).result();
  if (found.status === "undefined") return "none";
  const open = (stretches: readonly { lo: number; hi: number }[]) =>
    stretches.map((o) => ` [${sixDigits(o.lo)} ${sixDigits(o.hi)}]`).join("");
  if (found.status === "unsettled") return `open${open(found.open)}`;
  if (found.status !== "attained") {
    const { value, at, side } = found.bound;
    const where = at === null ? (side > 0 ? "far up" : "far down") : sixDigits(at);
    return `${value === null ? "∞" : `→ ${sixDigits(value)}`} at ${where}`;
  }
  const limit = (x: number, isClosed: boolean) => `${sixDigits(x)}${isClosed ? "" : "°"}`;
  const at = [
    ...found.best.map((b) => `${sixDigits(b.at)}${b.kind === "endpoint" ? "e" : ""}`),
    ...found.flat.map((f) => `${limit(f.lo, f.closedLo)}–${limit(f.hi, f.closedHi)}`),
  ].join(" ");
  return `${sixDigits(found.value)} at ${at}${found.complete ? "" : ` but${open(found.open)}`}`;
}

describe("the best of what is taken, against limits and what is open", () => {
  it.each([
    // nothing at all, nothing with a value, nothing that is told
    ["x", "", "none"],
    ["1/x", "0", "none"],
    ["ln(x)", "-1 r; (-1 0) –; 0", "none"],
    ["x", "[0 1]", "open [0 1]"],
    ["x", "quiet(0 1)", "open [0 1]"],
    ["floor(x)", "stairs(0 1) floor(x)", "open [0 1]"],
    ["sqrt(D) + x", "2", "open [2 2]"],
    // a place, and its kind
    ["x", "2 r", "2 at 2e"],
    ["x (4 - x)", "0 r; (0 2) x (4 - x); 2 z; (2 4) x (4 - x); 4 r", "4 at 2"],
    ["abs(x)", "-1 r; (-1 0) -x; 0; (0 1) x; 1 r", "1 at -1e 1e"],
    ["-abs(x)", "-1 r; (-1 0) x; 0; (0 1) -x; 1 r", "0 at 0"],
    ["x step(1 - x)", "0 r; (0 1) x; 1; (1 2) 0; 2 r", "1 at 1e"],
    ["sqrt(x)", "-1 r; (-1 0) –; 0; (0 4) sqrt(x); 4 r", "2 at 4e"],
    ["-sqrt(x)", "-1 r; (-1 0) –; 0; (0 4) -sqrt(x); 4 r", "0 at 0e"],
    // functions that may jump: where both sides come to the very value, it does not
    ["-abs(x) step(x + 9)", "-1 r; (-1 0) x; 0; (0 1) -x; 1 r", "0 at 0"],
    ["-abs(x^2 - 2) step(x)", "1 r; (1 sqrt(2)) x^2 - 2; sqrt(2); (sqrt(2) 2) 2 - x^2; 2 r", "0 at 1.41421"],
    ["x step(x - 1)", "0 r; (0 1) 0; 1; (1 2) x; 2 r", "2 at 2e"],
    ["x step(1 - x) + 2 step(x - 3)", "0 r; (0 1) x; 1; (1 2) 0", "1 at 1e"],
    ["step(x - 1) (3 - x)", "0 r; (0 1) 0; 1; (1 2) 3 - x; 2 r", "2 at 1e"],
    ["step(x - 1) (3 - x) - step(-x)", "0 r; (0 1) 0; 1; (1 2) 3 - x; 2 r", "2 at 1e"],
    ["step(x - 1) (3 + D - x)", "0 r; (0 1) 0; 1; (1 2) 3 + D - x; 2 r", "2 at 1e"],
    // the zero of a slope, worth what the formula beside it is worth there
    ["floor(5 + 0 x) - (x - 1)^2", "(0 1) 5 - (x - 1)^2; 1 z", "5 at 1"],
    ["floor(5 + 0 x) - (x - 1)^2", "1 z; (1 2) 5 - (x - 1)^2; 2 r", "5 at 1"],
    ["exp(exp(x))", "9 r", "open [9 9]"],
    ["-exp(exp(x))", "0 r; 9 r", "-2.71828 at 0e"],
    // level: with the places that join it
    ["min(x, 2) max(x, 2)/x", "2; (2 4) 2; 4 r", "2 at 2–4"],
    ["0 x + 3", "(0 …) 0 x + 3", "3 at 0°–Infinity°"],
    ["min(x, 1)", "(1 2) 1; 2 r", "1 at 1°–2"],
    ["5", "0 r; (0 1) 5; 1 r", "5 at 0–1"],
    ["min(x, 1)", "0 r; (0 1) x; 1; (1 2) 1; 2 r", "1 at 1–2"],
    ["floor(x)", "1; (1 2) 1", "1 at 1–2°"],
    ["0 x + 3", "(… 0) 0 x + 3; 0", "3 at -Infinity°–0"],
    ["0 x + 3", "(… …) 0 x + 3", "3 at -Infinity°–Infinity°"],
    // limits that are not taken
    ["x step(-x) - step(x)", "-1 r; (-1 0) x; 0; (0 1) -1; 1 r", "→ 0 at 0"],
    ["1/x", "0; (0 1) 1/x; 1 r", "∞ at 0"],
    ["1/x", "-1 r; (-1 0) 1/x; 0; (0 1) 1/x; 1 r", "∞ at 0"],
    ["-1/x", "0; (0 1) -1/x; 1 r", "-1 at 1e"],
    ["x", "0 r; (0 …) x", "∞ at far up"],
    ["-x", "(… 0) -x; 0 r", "∞ at far down"],
    ["1 - exp(-x)", "0 r; (0 …) 1 - exp(-x)", "→ 1 at far up"],
    ["1 - exp(x)", "(… 0) 1 - exp(x); 0 r", "→ 1 at far down"],
    ["x/(x + 1)", "0 r; (0 …) x/(x + 1)", "→ 1 at far up"],
    // the higher of two, and one that is no more than what is taken
    ["atan(x) + step(x)", "(… 0) atan(x); 0; (0 …) atan(x) + 1", "→ 2.5708 at far up"],
    ["atan(x) - step(x)", "(… 0) atan(x); 0; (0 …) atan(x) - 1", "→ 0.570796 at far up"],
    ["sin(x)/x", "-3 r; (-3 0) sin(x)/x; 0; (0 3) sin(x)/x; 3 r", "→ 1 at 0"],
    ["max(sin(x)/x, cos(x - 3))", "0; (0 1) sin(x)/x; 1; (1 3) cos(x - 3); 3 z; (3 4) cos(x - 3); 4 r", "1 at 3"],
    ["max(sin(x)/x, 2 cos(x - 3))", "0; (0 1) sin(x)/x; 1; (1 3) 2 cos(x - 3); 3 z; (3 4) 2 cos(x - 3); 4 r", "2 at 3"],
    // a limit that is equal to what is taken, which nothing proves
    [
      "max(sin(x)/x, cos(x - 3) + D)",
      "0; (0 1) sin(x)/x; 1; (1 3) cos(x - 3) + D; 3 z; (3 4) cos(x - 3) + D; 4 r",
      "1 at 3 but [0 0]",
    ],
    // ties: by fractions, by forms, by a symmetry, or in doubt
    [
      "abs(x^2 - 2)",
      "-2 r; (-2 -sqrt(2)) x^2 - 2; -sqrt(2); (-sqrt(2) 0) 2 - x^2; 0 z; " +
        "(0 sqrt(2)) 2 - x^2; sqrt(2); (sqrt(2) 2) x^2 - 2; 2 r",
      "2 at -2e 0 2e",
    ],
    ["x^2 exp(-x^2)", "-1 z; 0 z; 1 z", "0.367879 at -1 1"],
    ["exp(cos(x))", "-2 r; 2 r", "0.659583 at -2e 2e"],
    ["max(1 - (x - 1)^2, (1 + D) (1 - (x - 4)^2))", "1 z; 4 z", "1 at 1 but [4 4]"],
    ["x", "sqrt(2); 1 r", "1.41421 at 1.41421e"],
  ])("of %s over %s: %s", (whole, parts, wanted) => expect(told(whole, parts)).toBe(wanted));

  it.each([
    ["x^2", "-1 r; (-1 0) x^2; 0 z; (0 2) x^2; 2 r", "0 at 0"],
    ["x", "0 r; (0 1) x; 1 r", "0 at 0e"],
    ["1/x", "0; (0 1) 1/x; 1 r", "1 at 1e"],
    ["-1/x", "0; (0 1) -1/x; 1 r", "∞ at 0"],
    ["exp(-x)", "0 r; (0 …) exp(-x)", "→ 0 at far up"],
    ["exp(x)", "(… 0) exp(x); 0 r", "→ 0 at far down"],
    ["-x", "0 r; (0 …) -x", "∞ at far up"],
    ["max(x, 1)", "0 r; (0 1) 1; 1; (1 2) x; 2 r", "1 at 0–1"],
    ["1 - sin(x)/x", "0; (0 3) 1 - sin(x)/x; 3 r", "→ 0 at 0"],
    ["abs(x^2 - 3)", "-sqrt(3); 0; sqrt(3)", "0 at -1.73205e 1.73205e"],
    ["x", "1/3; 2/6; 1/2", "0.333333 at 0.333333e 0.333333e"],
    ["-x^2", "-2 r; 1 r; 2 r", "-4 at -2e 2e"],
    ["x", "3 r; 1 r; 2 r", "1 at 1e"],
  ])("the least of %s over %s: %s", (whole, parts, wanted) => expect(told(whole, parts, -1)).toBe(wanted));

  it.each([
    // what is open matters where it may hold more, or as much
    ["x", "[0 1]; 2 r", "2 at 2e"],
    ["x", "[0 3]; 2 r", "2 at 2e but [0 3]"],
    ["x", "[0 2]; 2 r", "2 at 2e but [0 2]"],
    ["step(x)", "0 r; [1 3]", "1 at 0e but [1 3]"],
    ["step(x)", "0 r; quiet(1 3)", "1 at 0e but [1 3]"],
    ["2 step(x)", "0 r; quiet(1 3)", "2 at 0e"],
    ["x (4 - x)", "[0 1.9]; 2 z", "4 at 2"],
    ["x (4 - x)", "[0 2.5]; 2 z", "4 at 2 but [0 2.5]"],
    ["exp(-x)", "0 r; [1 Infinity]", "1 at 0e"],
    ["exp(x)", "0 r; [-Infinity -1]", "1 at 0e"],
    ["atan(x)", "0 r; [1 Infinity]", "0 at 0e but [1 Infinity]"],
    ["1/(1 + x^2)", "0 z; [-Infinity -1]; [1 Infinity]", "1 at 0"],
    ["sqrt(x)", "4 r; [-3 -1]", "2 at 4e"],
    ["x", "quiet(0 1); 2 r", "2 at 2e"],
    ["x", "quiet(0 3); 2 r", "2 at 2e"],
    ["x", "quiet(0 3); 0.5 r", "0.5 at 0.5e but [0 3]"],
    // beside a limit that is more than all, only what may hold still more
    ["1 - exp(-x)", "0 r; (0 …) 1 - exp(-x); [-2 -1]", "→ 1 at far up"],
    ["atan(x)", "0 r; (0 1) atan(x); 1 r; [2 Infinity]", "0.785398 at 1e but [2 Infinity]"],
    // the limit itself is not told: the cell, or the far end, is open
    ["x + D/x", "0; (0 1) x + D/x; 1 r", "1 at 1e but [0 1]"],
    ["D x", "0 r; (0 …) D x", "0 at 0e but [0 Infinity]"],
    ["1 + D x", "2 r; (2 …) 1 + D x", "1 at 2e but [2 Infinity]"],
    ["1 + D x", "(… -2) 1 + D x; -2 r", "1 at -2e but [-Infinity -2]"],
    ["D/x - 5", "0; (0 1) -5 + D/x; 1 r", "-5 at 1e but [0 1]"],
    ["D x", "(… 0) D x; 0 r", "0 at 0e but [-Infinity 0]"],
  ])("of %s over %s, what is open beside it: %s", (whole, parts, wanted) => expect(told(whole, parts)).toBe(wanted));

  it("of a function that repeats, the end of the first period is not told again, and no end is one", () => {
    const parts = "0 r; (0 pi) cos(x); pi z; (pi 2pi) cos(x); 2pi r".replaceAll("2pi", "2*pi");
    expect(told("cos(x)", parts, 1, true)).toBe("1 at 0");
    expect(told("cos(x)", parts, 1, false)).toBe("1 at 0e 6.28319e");
    expect(told("cos(x)", "0 r", 1, true)).toBe("1 at 0e");
    // a jump where one period ends and the next begins
    expect(told("floor(x) - x + 3", "0 r; (0 1) 3 - x; 1 r", 1, true)).toBe("3 at 0e");
  });
});

describe("what is taken, put together", () => {
  const flat = (lo: number, hi: number): Flat => ({
    lo,
    hi,
    from: spot(String(lo)),
    to: spot(String(hi)),
    closedLo: false,
    closedHi: false,
  });
  const value = { kind: "value", lo: 1, hi: 1, exact: null, form: null } as const;
  const at = (x: number) => new Taken(value, { spot: spot(String(x)), kind: "interior" });
  const level = (lo: number, hi: number) => new Taken(value, flat(lo, hi));
  const joined = (...list: Taken[]) =>
    joinedFlats(list).map((f) => `${f.closedLo ? "[" : "("}${f.lo} ${f.hi}${f.closedHi ? "]" : ")"}`);
  it("level stretches that meet at a place that has the value too are one", () => {
    expect(joined(level(0, 1), at(1), level(1, 2))).toEqual(["(0 2)"]);
    expect(joined(level(1, 2), at(2), level(0, 1), at(1))).toEqual(["(0 2]"]);
    expect(joined(level(0, 1), level(1, 2))).toEqual(["(0 1)", "(1 2)"]);
    expect(joined(level(0, 1), at(0), at(2), level(2, 3))).toEqual(["[0 1)", "[2 3)"]);
    expect(joined(level(0, 1), at(1), level(1, 2), at(2), level(2, 3), at(3))).toEqual(["(0 3]"]);
    expect(joined(at(1))).toEqual([]);
    expect([isIn(spot("1"), flat(0, 1)), isIn(spot("0"), flat(0, 1)), isIn(spot("2"), flat(0, 1))]).toEqual([
      true,
      true,
      false,
    ]);
  });
  it("a stretch is split in its middle, one without end ever further out", () => {
    const [inf, none] = [Infinity, -Infinity];
    expect([middleOf(2, 6), middleOf(3, inf), middleOf(0, inf), middleOf(-5, inf)]).toEqual([4, 13, 16, 16]);
    expect([middleOf(none, -3), middleOf(none, 0), middleOf(none, 5), middleOf(none, inf)]).toEqual([-13, -16, -16, 0]);
  });
  it.each([
    ["x^2 + sin(x)", true],
    ["abs(x) + max(x, 1)", true],
    ["sqrt(x)/x", true],
    ["floor(x)", false],
    ["1 + ceil(x)", false],
    ["exp(round(x))", false],
    ["x step(x)", false],
  ])("%s never jumps where it has a value: %s", (text, wanted) => expect(isContinuous(doubtful(text))).toBe(wanted));
});
