import { describe, expect, it } from "vitest";
import { FunctionTable, leastOf, whereRelation, type Relation, type Stretch } from "./index";
import { formulaOf, rangeOf, sixDigits } from "./reading.fixture";

const table = new FunctionTable();
const stretch = (s: Stretch) =>
  `${s.closedLo ? "[" : "("}${sixDigits(s.lo)}, ${sixDigits(s.hi)}${s.closedHi ? "]" : ")"}`;

describe("where a function stands in a relation to 0", () => {
  const where = (text: string, relation: Relation, range: string) =>
    whereRelation(formulaOf(text), table, rangeOf(range), relation).stretches.map(stretch).join(" ");
  it.each([
    ["x^2 - 4", ">=", "-5 … 5", "[-5, -2] [2, 5]"],
    ["x^2 - 4", ">", "-5 … 5", "[-5, -2) (2, 5]"],
    ["x^2 - 4", "<", "-5 … 5", "(-2, 2)"],
    ["x^2 - 4", "<=", "…", "[-2, 2]"],
    ["x^2 - 4", ">", "…", "(-Infinity, -2) (2, Infinity)"],
    // touching: the place alone, or all but it
    ["(x - 1)^2", "<=", "0 … 3", "[1, 1]"],
    ["(x - 1)^2", ">", "0 … 3", "[0, 1) (1, 3]"],
    ["(x - 1)^2", ">=", "0 … 3", "[0, 3]"],
    ["(x - 1)^2", "<", "0 … 3", ""],
    // a pole and an edge of the domain belong to no side
    ["1/x", ">=", "-1 … 1", "(0, 1]"],
    ["1/x", "<", "-1 … 1", "[-1, 0)"],
    ["1/x^2", ">", "-1 … 1", "[-1, 0) (0, 1]"],
    ["sqrt(x)", ">=", "-1 … 1", "[0, 1]"],
    ["sqrt(x)", ">", "-1 … 1", "(0, 1]"],
    ["ln(x)", "<", "-1 … 3", "(0, 1)"],
    // stairs own their steps
    ["floor(x) - 1", ">=", "0 … 3", "[1, 3]"],
    ["floor(x) - 1", "<=", "0 … 3", "[0, 2)"],
    ["ceil(x) - 1", "<=", "0 … 3", "[0, 1]"],
    ["ceil(x) - 2", ">=", "0 … 3", "(1, 3]"],
    ["max(x, 0)", "<=", "-1 … 1", "[-1, 0]"],
    ["max(x, 0)", ">", "-1 … 1", "(0, 1]"],
    ["x - x", ">=", "0 … 1", "[0, 1]"],
    ["x - x", ">", "0 … 1", ""],
    ["x", ">=", "0 … 0", "[0, 0]"],
    ["x", ">", "0 … 0", ""],
  ] as const)("%s %s 0 on %s: %s", (text, relation, range, wanted) =>
    expect(where(text, relation, range)).toBe(wanted),
  );
  it("what cannot be settled is in no stretch, and said so", () => {
    const found = whereRelation(formulaOf("x (sin(1)^2 + cos(1)^2 - 1)"), table, rangeOf("0 … 1"), ">=");
    expect(found.search.open.length).toBeGreaterThan(0);
    expect(found.stretches.every((s) => s.lo === s.hi)).toBe(true);
  });
});

describe("which of several functions is least", () => {
  const least = (texts: string, range: string) => {
    const found = leastOf(texts.split("; ").map(formulaOf), table, rangeOf(range));
    const names = ["a", "b", "c"];
    return {
      leaders: found.leaders.map((l) => `${l.least === null ? "=" : names[l.least]}${stretch(l)}`).join(" "),
      meets: found.meets.map((m) => `${names[m.a]}${names[m.b]} ${sixDigits(m.at)}`).join(", "),
      isOpen: found.open.length > 0,
    };
  };
  it.each([
    ["x; 2 - x", "0 … 3", "a[0, 1] b[1, 3]", "ab 1"],
    ["2 - x; x", "0 … 3", "b[0, 1] a[1, 3]", "ab 1"],
    // equal on a stretch, and before and after it
    ["x; min(x, 2)", "0 … 4", "=[0, 2] b[2, 4]", "ab 2"],
    ["max(x, 1); max(x, 2)", "0 … 4", "a[0, 2] =[2, 4]", "ab 2"],
    ["x; x", "0 … 1", "=[0, 1]", ""],
    // three at one place
    ["x; 2x; 3x", "-1 … 1", "c[-1, 0] a[0, 1]", "ab 0"],
    // one that has no value is not the least, and where none has one nobody is
    ["sqrt(x); 5", "-1 … 1", "b[-1, 0) a[0, 1]", ""],
    ["sqrt(x); sqrt(x - 1) + 3", "-2 … 2", "a[0, 2]", ""],
    ["80/(x - 4); 10", "0 … 14", "a[0, 4) b[4, 12] a[12, 14]", "ab 12"],
    // touching does not change who is least
    ["x^2; 0 x", "-1 … 1", "b[-1, 1]", "ab 0"],
    ["floor(x); 1.5", "0 … 3", "a[0, 2) b[2, 3]", ""],
    ["ceil(x); 1.5", "0 … 3", "a[0, 1] b(1, 3]", ""],
    // at 2 both, and at the ends the constant as well
    ["1 + abs(x - 2); 1 + 2 abs(x - 2); 3", "0 … 4", "a[0, 4]", "ac 0, ab 2, ac 4"],
    ["1 + abs(x - 1); 1 + 1/2", "1.5 … 1.5", "=[1.5, 1.5]", "ab 1.5"],
    // a place whose least belongs to no side of it
    ["floor(x); ceil(x) - 1", "0 … 2", "b[0, 0] =(0, 1) b[1, 1] =(1, 2) b[2, 2]", ""],
    ["ceil(x); 1 + floor(x)", "0.5 … 1.5", "=[0.5, 1) a[1, 1] =(1, 1.5]", ""],
    ["sqrt(-x^2); 1", "-1 … 1", "b[-1, 0) a[0, 0] b(0, 1]", ""],
    ["sqrt(-x^2) + 1; 1", "-1 … 1", "b[-1, 1]", "ab 0"],
    // apart by less than doubles hold
    ["1 + x; 1 + x + 1e-30", "0 … 1", "a[0, 1]", ""],
    ["1 + x + 1e-30; 1 + x", "0 … 1", "b[0, 1]", ""],
    // without end
    ["x; 0 x", "…", "a(-Infinity, 0] b[0, Infinity)", "ab 0"],
    ["exp(x); exp(-x)", "…", "a(-Infinity, 0] b[0, Infinity)", "ab 0"],
    ["x^2 - 2; 0 x", "0 …", "a[0, 1.41421] b[1.41421, Infinity)", "ab 1.41421"],
    // nobody has a value
    ["sqrt(x); ln(x)", "-2 … -1", "", ""],
    ["sqrt(x); ln(x)", "-1 … 1", "a[0, 0] b(0, 1]", ""],
    // three of which two are one
    ["x; x; 2x", "-1 … 1", "c[-1, 0] =[0, 1]", "ab 0"],
    ["2x; x; x", "-1 … 1", "a[-1, 0] =[0, 1]", "ab 0"],
    ["x; 1; 1", "0 … 2", "a[0, 1] =[1, 2]", "ab 1"],
  ])("%s on %s: %s", (texts, range, leaders, meets) => {
    const found = least(texts, range);
    expect(found.isOpen).toBe(false);
    expect([found.leaders, found.meets]).toEqual([leaders, meets]);
  });
  it("functions that are not told apart have no leader there", () => {
    const found = least("sin(1)^2 + cos(1)^2; 1", "0 … 1");
    expect(found).toEqual({ leaders: "", meets: "", isOpen: true });
  });
});
