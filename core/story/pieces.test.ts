import { describe, expect, it } from "vitest";
import type { CaseFile, FunctionRow } from "../model";
import * as story from ".";

const source: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Cable car",
  variables: [{ name: "t", from: 0, to: 9, unit: "s" }],
  functions: [
    { name: "v", of: "t", by: { kind: "formula", text: "3 t" } },
    { name: "s", of: "t", by: { kind: "formula", text: "v(t) t" } },
  ],
  questions: [{ id: "q1", ask: "value", function: "v", at: 2 }],
};
const piece = (text: string, from: string, to: string, low = true, high = true): story.TypedPiece => ({
  text,
  from,
  to,
  low,
  high,
});
const rowOf = (pieces: readonly story.TypedPiece[], name = "u"): FunctionRow => ({
  name,
  of: "t",
  by: { kind: "pieces", pieces: story.piecesWritten(pieces) },
});
const tried = (pieces: readonly story.TypedPiece[]) => {
  const row = rowOf(pieces);
  return story.piecesTried(story.caseWithFunction(source, row, null), row, pieces);
};

describe("pieces while they are written", () => {
  it("a new function begins with two over the range of the variable, under a name nothing has", () => {
    expect(story.piecesBegun(source, null)).toEqual({ of: "t", pieces: [piece("", "0", ""), piece("", "", "9")] });
    expect(story.freeFunctionName(source)).toBe("f");
    const all = ["v", "f", "g", "h", "u", "w"].map((name) => ({ name, value: 1 }));
    expect(story.freeFunctionName({ ...source, givens: all })).toBe("f_2");
  });
  it("a formula becomes the only piece; pieces come back as they were kept", () => {
    expect(story.piecesBegun(source, source.functions![0]!).pieces).toEqual([piece("3 t", "", "")]);
    const kept = [piece("3 t", "0", "3", true, false), piece("9", "3", "t_1", true, true)];
    expect(story.piecesBegun(source, rowOf(kept)).pieces).toEqual(kept);
  });
  it("ends are numbers where they are written as such, names else, and left out where empty", () => {
    expect(story.piecesWritten([piece(" 3 t ", "", "2.5", true, false), piece("9", " -1 ", "T", false, true)])).toEqual(
      [
        { text: "3 t", to: 2.5, ends: "[)" },
        { text: "9", from: -1, to: "T", ends: "(]" },
      ],
    );
  });
  it("a further piece begins where the last ends, and owns that break", () => {
    expect(story.pieceAdded([piece("3 t", "0", "3")])).toEqual([
      piece("3 t", "0", "3", true, false),
      piece("", "3", ""),
    ]);
    expect(story.pieceAdded([piece("3 t", "0", "")])).toEqual([piece("3 t", "0", ""), piece("", "", "")]);
    expect(story.pieceAdded([])).toEqual([piece("", "", "")]);
  });
  it("a break has one owner, from whichever side it is given; other breaks stay", () => {
    const two = [piece("3 t", "0", "3", true, false), piece("9", "3", "9")];
    const given = [piece("3 t", "0", "3", true, true), piece("9", "3", "9", false, true)];
    expect(story.ownerTurned(two, 0, "high")).toEqual(given);
    expect(story.ownerTurned(two, 1, "low")).toEqual(given);
    expect(story.ownerTurned(given, 1, "low")).toEqual(two);
    // beside a gap nobody else has the end
    const apart = [piece("3 t", "0", "2"), piece("9", "3", "9")];
    expect(story.ownerTurned(apart, 0, "high")).toEqual([piece("3 t", "0", "2", true, false), apart[1]]);
    expect(story.ownerTurned(two, 0, "low")).toEqual([piece("3 t", "0", "3", false, false), two[1]]);
  });
});

describe("pieces tried in the case", () => {
  it("what is missing or wrong is told, of these pieces alone", () => {
    expect(tried([]).problems).toEqual(["Add a piece."]);
    expect(tried([piece("3 t", "0", "3"), piece(" ", "3", "9")]).problems).toEqual(["Piece 2 has no formula yet."]);
    const unknown = tried([piece("3 k", "0", "9")]);
    expect(unknown.problems.join()).toContain("`k` is not known");
    expect([unknown.picture, unknown.notes]).toEqual([null, []]);
  });
  it("what is right is drawn, without the questions of the case", () => {
    const { problems, picture } = tried([piece("3 t", "0", "3", true, false), piece("9", "3", "9")]);
    expect(problems).toEqual([]);
    expect(picture!.curves.map((c) => c.name)).toEqual(["u"]);
    expect(picture!.points.every((p) => p.question === null)).toBe(true);
  });
  it("a changed function stands in its place, a new one at the end", () => {
    const row = rowOf([piece("t", "0", "9")], "w");
    expect(story.caseWithFunction(source, row, "v").functions!.map((f) => f.name)).toEqual(["w", "s"]);
    expect(story.caseWithFunction(source, row, null).functions!.map((f) => f.name)).toEqual(["v", "s", "w"]);
  });
  it("the twin with unit steps has a free name, the unit, and a question of its own", () => {
    const row = { ...rowOf([piece("3 t", "0", "9")]), unit: "m/s" };
    const { twin, question } = story.stepTwin(source, row, "3 t");
    expect(twin).toMatchObject({ name: "u_s", of: "t", unit: "m/s", by: { kind: "formula", text: "3 t" } });
    expect(question).toMatchObject({ ask: "meet", functions: ["u", "u_s"] });
    expect(question.id).not.toBe("q1");
    const taken = { ...source, functions: [{ name: "u_s", of: "t", by: { kind: "formula", text: "1" } }] } as CaseFile;
    expect(story.stepTwin(taken, row, "3 t").twin.name).toBe("u_step");
  });
});
