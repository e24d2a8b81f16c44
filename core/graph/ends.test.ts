import { analyse } from "../question";
import { describe, expect, it } from "vitest";
import type { CaseFile, FunctionRow } from "../model";
import { picture } from ".";

const of = (by: FunctionRow["by"], from = -5, to = 5) => {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "t",
    variables: [{ name: "x", from, to }],
    functions: [{ name: "f", of: "x", by }],
  };
  const p = picture(analyse(source))!;
  return p.curves[0]!.ends.map(
    (e) => `${e.closed ? "●" : "○"} ${Number(e.x.toPrecision(6))} ${Math.round(e.y * 1e4) / 1e4 + 0}`,
  );
};
const formula = (text: string) => of({ kind: "formula", text });

describe("ends, holes and jumps as mathematics draws them", () => {
  it.each([
    ["(x^2 - 1)/(x - 1)", ["○ 1 2"]],
    ["(x^2 - 4)/(x^2 - 3x + 2)", ["○ 2 4"]],
    ["1/(x - 1)", []],
    ["x^2", []],
    ["abs(x)", []],
    ["step(x - 2)", ["○ 2 0", "● 2 1"]],
    ["x + 3 step(x)", ["○ 0 0", "● 0 3"]],
  ])("%s", (text, ends) => {
    expect(formula(text)).toEqual(ends);
  });
  it("pieces that do not meet, and who owns the break", () => {
    const pieces = (ends: "[)" | "[]") =>
      of({
        kind: "pieces",
        pieces: [
          { text: "2x", from: 0, to: 2, ends },
          { text: "1", from: 2, to: 4, ends: ends === "[)" ? "[]" : "(]" },
        ],
      });
    expect(pieces("[)")).toEqual(["● 0 0", "○ 2 4", "● 2 1", "● 4 1"]);
    expect(pieces("[]")).toEqual(["● 0 0", "○ 2 1", "● 2 4", "● 4 1"]);
  });
  it("pieces that meet show nothing at the break", () => {
    expect(
      of({
        kind: "pieces",
        pieces: [
          { text: "2x", to: 2, ends: "[)" },
          { text: "6 - x", from: 2 },
        ],
      }),
    ).toEqual([]);
  });
  it("a gap between pieces is open on both sides that do not own it", () => {
    expect(
      of({
        kind: "pieces",
        pieces: [
          { text: "x", to: 1, ends: "[)" },
          { text: "x", from: 1, ends: "(]" },
        ],
      }),
    ).toEqual(["○ 1 1"]);
  });
});

describe("ghosts and rows", () => {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "t",
    givens: [{ name: "a", value: 2 }],
    variables: [{ name: "x", from: 0, to: 10 }],
    functions: [
      { name: "f", of: "x", by: { kind: "formula", text: "a x" } },
      { name: "g", of: "x", unit: "m", by: { kind: "formula", text: "x" } },
    ],
  };
  it("a ghost is framed with the curve it stands beside", () => {
    const ghost = analyse({ ...source, givens: [{ name: "a", value: 9 }] }).model;
    const p = picture(analyse(source), {}, ghost)!;
    expect(p.ghosts.map((g) => g.name)).toEqual(["f", "g"]);
    const f = p.ghosts[0]!.runs[0]!;
    expect(f[f.length - 1]).toBe(90);
    expect(p.panes[p.ghosts[0]!.pane]!.y.max).toBeGreaterThanOrEqual(90);
    expect(p.curves[0]!.colour).toBe(p.ghosts[0]!.colour);
  });
  it("a function in another unit has no ghost", () => {
    const ghost = analyse({ ...source, functions: [{ ...source.functions![1]!, unit: "kg" }] }).model;
    expect(picture(analyse(source), {}, ghost)!.ghosts).toEqual([]);
  });
  it("rows of the table stand on every curve", () => {
    const p = picture(analyse(source), { rows: [2.5, 4] })!;
    expect(p.points.filter((q) => q.kind === "row").map((q) => [q.function, q.x, q.y])).toEqual([
      ["f", 2.5, 5],
      ["g", 2.5, 2.5],
      ["f", 4, 8],
      ["g", 4, 4],
    ]);
  });
});

describe("thresholds say what moves when they are dragged", () => {
  it.each([
    [6, { kind: "question", name: "q1" }],
    ["a", { kind: "given", name: "a" }],
    ["2 a", null],
    ["6", { kind: "question", name: "q1" }],
  ])("%s", (value, moves) => {
    const source: CaseFile = {
      format: "pasear-case",
      version: 1,
      title: "t",
      givens: [{ name: "a", value: 3 }],
      variables: [{ name: "x", from: 0, to: 10 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x" } }],
      questions: [{ id: "q1", ask: "reach", function: "f", value }],
    };
    expect(picture(analyse(source))!.thresholds[0]!.moves).toEqual(moves);
  });
});

describe("beyond all doubles", () => {
  it("a question at the largest of them is drawn without breaks, and without a fault", () => {
    const source: CaseFile = {
      format: "pasear-case",
      version: 1,
      title: "t",
      variables: [{ name: "x", from: 1, to: 16 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "3/x" } }],
      questions: [{ id: "q1", ask: "value", function: "f", at: Number.MAX_VALUE }],
    };
    expect(picture(analyse(source))!.curves[0]!.ends).toEqual([]);
  });
});
