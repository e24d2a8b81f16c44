import { describe, expect, it } from "vitest";
import { rationalOfDecimal } from "../numeric";
import { piecesOf } from "./pieces.fixture";
import { call } from "../formula";
import { findRoots, stretchesWhere, stretchOf, searchedOf, type RootSearch } from "./roots";
import { place, type CellPart } from "./parts";
import type { PartSign, SignedPart } from "./signedParts";
import { spotOfRational } from "./spot";
import { doubtful, formulaOf, rangeOf, sixDigits } from "./reading.fixture";
import { FunctionTable } from "./table";

const table = new FunctionTable();
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ x - 1 ) 2", "2 [ x - 3 ] 5", "6 [ x - 6 ] 9") });

const kinds = { crossing: "x", touching: "o", endpoint: "end" } as const;
/** `-2 x, 1 o`: places by the way the function goes through 0; `=0–3` where it is 0 throughout; `jump 2`; open. */
function told(found: RootSearch): string {
  const end = (x: number, isClosed: boolean) => `${sixDigits(x)}${isClosed ? "" : "°"}`;
  return [
    ...found.roots.map((r) => `${sixDigits(r.at)} ${kinds[r.kind]}`),
    ...found.everywhere.map((s) => `=${end(s.lo, s.closedLo)}–${end(s.hi, s.closedHi)}`),
    ...found.jumps.map((j) => `jump ${sixDigits(j)}`),
    ...found.open.map((o) => `open ${sixDigits(o.lo)}–${sixDigits(o.hi)}`),
    ...(found.period ? [`every ${sixDigits(found.period.every.at)}`] : []),
    ...(found.searched ? [`within ${sixDigits(found.searched.from)}–${sixDigits(found.searched.to)}`] : []),
  ].join(", ");
}
const roots = (text: string, range: string) =>
  told(findRoots(text === "v" ? call("v", 0, formulaOf("x")) : doubtful(text), table, rangeOf(range)));

describe("every place at which a function is 0, and how it is there", () => {
  it.each([
    ["x - 2", "0 … 5", "2 x"],
    ["x - 2", "2 … 5", "2 end"],
    ["x - 2", "0 … 2", "2 end"],
    ["(x - 2)^2", "0 … 5", "2 o"],
    ["(x - 2)^3", "0 … 5", "2 x"],
    ["x^2 - 4", "-3 … 3", "-2 x, 2 x"],
    ["x^2 + 1", "-3 … 3", ""],
    // kinks and edges of the domain
    ["abs(x - 1)", "0 … 3", "1 o"],
    ["abs(x) - x^2", "-2 … 2", "-1 x, 0 o, 1 x"],
    ["cbrt(x)", "-1 … 1", "0 x"],
    ["sqrt(x)", "-1 … 1", "0 end"],
    ["sqrt(x - 1) - 1", "0 … 4", "2 x"],
    // 0 throughout
    ["max(x - 2, 0)", "0 … 5", "=0–2"],
    ["max(abs(x) - 1, 0)", "-3 … 3", "=-1–1"],
    ["x - x", "0 … 1", "=0–1"],
    ["floor(x)", "-1 … 2", "=0–1°"],
    ["ceil(x)", "-1.5 … 1.5", "=-1°–0"],
    // jumps over 0, and poles, which are none
    ["step(x - 3) - 0.5", "0 … 6", "jump 3"],
    ["0.5 - step(x - 3)", "0 … 6", "jump 3"],
    ["floor(x) - 1.5", "0 … 4", "jump 2"],
    ["1/(x - 1)", "0 … 3", ""],
    ["1/(x - 1)^2", "0 … 3", ""],
    ["x/abs(x)", "-1 … 1", "jump 0"],
    ["x + 2 x/abs(x)", "-1 … 1", "jump 0"],
    ["step(x - 3) + 0.5", "0 … 6", ""],
    ["v", "0 … 9", "1 x, 3 x, 6 end, jump 2"],
    // a hole takes no value
    ["x (x - 1)/(x - 1)", "0 … 3", "0 end"],
    ["(x - 1)^2/(x - 1)", "0 … 3", ""],
    // without end
    ["x^3 - x", "…", "-1 x, 0 x, 1 x"],
    ["exp(-x) - x", "0 …", "0.567143 x"],
    // repeated for ever: what is in the first period, its end not counted again
    ["sin(x)", "0 …", "0 x, 3.14159 x, every 6.28319"],
    ["sin(x)", "…", "0 x, 3.14159 x, every 6.28319"],
    ["sin(x) - 1", "0 …", "1.5708 o, every 6.28319"],
    ["1 - cos(x)", "0 …", "0 o, every 6.28319"],
    ["abs(sin(x))", "0 …", "0 o, 3.14159 o, every 6.28319"],
    ["sin(x) - 2", "0 …", "every 6.28319"],
    // what is not told
    ["x - 1 + D", "0 … 3", "1 x"],
    ["D", "0 … 3", "open 0–3"],
    ["x D", "0 … 3", "open 0–3"],
  ])("%s on %s: %s", (text, range, wanted) => expect(roots(text, range)).toBe(wanted));

  it("on both sides of a place the sign is told, and the formula's zero is known closely", () => {
    const [root] = findRoots(formulaOf("2 - x^2"), table, rangeOf("0 … 3")).roots;
    expect([root!.left, root!.right, root!.multiplicity, root!.exact?.text]).toEqual([1, -1, 1, "sqrt(2)"]);
    expect(root!.hi - root!.lo).toBeLessThan(1e-12);
    const [edge] = findRoots(formulaOf("sqrt(x)"), table, rangeOf("-1 … 1")).roots;
    expect([edge!.left, edge!.right]).toEqual(["none", 1]);
    const [start] = findRoots(formulaOf("1 - cos(x)"), table, rangeOf("0 …")).roots;
    expect([start!.left, start!.right]).toEqual([1, 1]);
  });
});

describe("parts by their signs, put together", () => {
  const spot = (x: number) => spotOfRational(rationalOfDecimal(String(x))!);
  const at = (x: number, sign: PartSign): SignedPart => ({ part: place(spot(x), "break"), sign, formula: null });
  const cell = (from: number | null, to: number | null, sign: PartSign): SignedPart => ({
    part: {
      kind: "cell",
      from: from === null ? null : spot(from),
      to: to === null ? null : spot(to),
      formulas: [],
    } as CellPart,
    sign,
    formula: null,
  });
  const open = (lo: number, hi: number, sign: PartSign = "open"): SignedPart => ({
    part: { kind: "open", lo, hi },
    sign,
    formula: null,
  });
  const above = (...parts: SignedPart[]) =>
    stretchesWhere(parts, (s) => s === 1 || s === "open")
      .map((s) => `${s.closedLo ? "[" : "("}${s.lo} ${s.hi}${s.closedHi ? "]" : ")"}`)
      .join(" ");
  it("neighbours that hold are one stretch, closed where its end is a place that holds", () => {
    expect(above(at(0, 1), cell(0, 1, 1), at(1, 1), cell(1, 2, 1), at(2, -1), cell(2, 3, 1))).toBe("[0 2) (2 3)");
    expect(above(at(0, -1), cell(0, 1, 1), at(1, 1), cell(1, 2, -1))).toBe("(0 1]");
    expect(above(cell(null, 1, 1), at(1, 1), cell(1, null, 1))).toBe("(-Infinity Infinity)");
    expect(above(cell(0, 1, -1), at(1, 1), cell(1, 2, -1))).toBe("[1 1]");
    expect(above(cell(0, 1, -1))).toBe("");
    // what is open is in none, and parts the two sides of it
    expect(above(cell(0, 1, 1), open(1, 2), cell(2, 3, 1))).toBe("(0 1) (2 3)");
    const [stretch] = stretchesWhere([at(0, 1), cell(0, 1, 1), at(1, 1)], (s) => s === 1);
    expect([stretch!.from!.at, stretch!.to!.at]).toEqual([0, 1]);
  });
  it("a part as a stretch of inputs", () => {
    expect(stretchOf(at(2, 0).part)).toEqual({ lo: 2, hi: 2 });
    expect(stretchOf(open(1, 2).part)).toEqual({ lo: 1, hi: 2 });
    expect(stretchOf(cell(1, null, 1).part)).toEqual({ lo: 1, hi: Infinity });
    expect(stretchOf(cell(null, 3, 1).part)).toEqual({ lo: -Infinity, hi: 3 });
  });
  it("of an unbounded range with an open tail the part that was looked at is told", () => {
    const [left, right] = [
      { lo: -Infinity, hi: -1024 },
      { lo: 1024, hi: Infinity },
    ];
    const range = rangeOf;
    expect(searchedOf([right!], range("0 …"))).toEqual({ from: 0, to: 1024 });
    expect(searchedOf([left!], range("… 7"))).toEqual({ from: -1024, to: 7 });
    expect(searchedOf([left!, right!], range("…"))).toEqual({ from: -1024, to: 1024 });
    expect(searchedOf([{ lo: 1, hi: 2 }], range("0 … 9"))).toBeNull();
    expect(searchedOf([], range("…"))).toBeNull();
    expect(searchedOf([right!], range("…"))).toBeNull();
    expect(searchedOf([{ lo: -Infinity, hi: Infinity }], range("…"))).toBeNull();
  });
});
