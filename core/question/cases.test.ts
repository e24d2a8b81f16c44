import { analysed as analyse, saidOf as sentenceOf } from "./full.fixture";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile } from "../model";
import { base, demo, formula, caseOf } from "./cases.fixture";

describe("the Lantern stall, as the issue shows it", () => {
  const { model, findings } = analyse(demo("lantern-stall"));
  const says = findings.map((f) => sentenceOf(f, model));
  it("17 is the first whole number that pays; 328.56 is set aside; the only crossing", () => {
    expect(findings[0]).toMatchObject({
      status: "found",
      complete: true,
      setAside: [{ reason: "above the range of q, 320" }],
    });
    expect(findings[0]!.solutions[0]).toMatchObject({ exact: "(345 - 15 sqrt(433))/2", whole: { at: 17 } });
    // P(17) = −289/30 + 195.5 − 180 = 5.8666…
    expect(findings[0]!.solutions[0]!.whole!.value).toBeCloseTo(88 / 15, 12);
    expect(findings[0]!.setAside[0]!.at).toBeCloseTo((345 + Math.sqrt(97425)) / 2, 9);
    expect(says[0]).toBe("17 lanterns is the first whole number that pays.");
  });
  it("172 and 173 tie", () => expect(findings[1]!.wholeTies!.map((t) => t.at)).toEqual([172, 173]));
  it("the price at the best quantity: 14 − 172.5/30 = 8.25", () => expect(findings[2]!.value).toBe(8.25));
  it("two ways agree on every answer", () => expect(findings.every((f) => f.secondWay?.agrees)).toBe(true));
  it("units agree in every function", () =>
    expect([...model.functions.values()].map((f) => f.unitsAgree)).toEqual([true, true, true, true]));
});

describe("what is wrong with a case is told, all of it, with its place", () => {
  const problems = (c: CaseFile) =>
    buildModel(c).errors.map((e) => `${e.path}${e.at === undefined ? "" : `@${e.at}`}: ${e.message}`);
  it("a circle of functions", () =>
    expect(problems(caseOf([formula("R", "P + 1"), formula("P", "2 R")]))).toEqual([
      expect.stringMatching(/^functions\[1\]\.by\.text@2: R needs P, and P needs R: a circle/),
    ]));
  it("a function made of itself", () =>
    expect(problems(caseOf([formula("R", "R + 1")]))[0]).toMatch(/R.* is made of itself/));
  it("a name used twice, a reserved name, and no name at all", () => {
    const found = problems({
      ...caseOf([formula("k", "x"), formula("sin", "x"), formula("2b", "x")]),
      givens: [{ name: "k", value: 1 }],
    });
    expect(found).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/functions\[0\]\.name: The name `k` is used twice: here and at givens\[0\]/),
        expect.stringMatching(/`sin` is the name of a built-in/),
        expect.stringMatching(/`2b` cannot be a name/),
      ]),
    );
  });
  it("names that differ only in case are no warning where each says what it means", () => {
    const [p, big] = [formula("p", "x"), formula("P", "x")];
    expect(
      buildModel(
        caseOf([
          { ...p, label: "price" },
          { ...big, label: "profit" },
        ]),
      ).warnings,
    ).toEqual([]);
    expect(buildModel(caseOf([{ ...p, label: "price" }, big])).warnings).toHaveLength(1);
  });
  it("names that differ only in case are a warning", () =>
    expect(buildModel(caseOf([formula("p", "x"), formula("P", "x")])).warnings[0]!.message).toMatch(
      /differ only in capitals/,
    ));
  it("overlapping pieces, and both owning the break", () => {
    const pieces = (a: number, ends: "[]" | "[)") =>
      caseOf([
        {
          name: "v",
          of: "x",
          by: {
            kind: "pieces",
            pieces: [
              { text: "3x", from: 0, to: 6, ends },
              { text: "18", from: a, to: 9 },
            ],
          },
        },
      ]);
    expect(problems(pieces(5, "[)"))[0]).toMatch(/overlap from 5 to 6/);
    expect(problems(pieces(6, "[]"))[0]).toMatch(/both own x = 6/);
    expect(problems(pieces(6, "[)"))).toEqual([]);
    expect(buildModel(pieces(7, "[)")).warnings[0]!.message).toMatch(/no value between x = 6 and 7/);
  });
  it("a jump between pieces is told with its size", () => {
    const c = caseOf([
      {
        name: "v",
        of: "x",
        by: {
          kind: "pieces",
          pieces: [
            { text: "3x", from: 0, to: 6, ends: "[)" },
            { text: "20", from: 6, to: 9 },
          ],
        },
      },
    ]);
    expect(buildModel(c).warnings.map((w) => w.message)).toContain("v jumps up by 2 at x = 6, from 18 to 20.");
  });
  it("a range that starts after its end, a unit that is none, a mark outside the story", () => {
    const found = problems({
      ...base,
      story: { text: "short", marks: [{ start: 2, end: 40, role: "given" }] },
      variables: [{ name: "x", from: 5, to: 1, unit: "$/" }],
    });
    expect(found).toHaveLength(3);
  });
  it("readings off the line, and readings at one input", () => {
    const line = (through: [number, number][]) => caseOf([{ name: "p", of: "x", by: { kind: "line", through } }]);
    expect(
      buildModel(
        line([
          [1, 2],
          [3, 6],
          [4, 9],
        ]),
      ).warnings[0]!.message,
    ).toMatch(/does not lie on the line.*gives 8 there/);
    expect(
      problems(
        line([
          [1, 2],
          [1, 6],
        ]),
      )[0],
    ).toMatch(/two different inputs/);
  });
  it("a percentage over 1 is asked about", () =>
    expect(buildModel({ ...base, givens: [{ name: "r", value: 4.2, unit: "%" }] }).warnings[0]!.message).toMatch(
      /420 %.*the value is 0.042/,
    ));
  it("one broken function leaves the others standing", () => {
    const { model, findings } = analyse(
      caseOf(
        [formula("A", "12x +"), formula("B", "x - 4"), formula("C", "A + 1")],
        [
          { id: "a", ask: "reach", function: "B", value: 0 },
          { id: "b", ask: "reach", function: "C", value: 0 },
        ],
      ),
    );
    expect(findings.map((f) => f.status)).toEqual(["found", "error"]);
    expect(model.functions.get("C")!.trouble).toMatch(/C needs A/);
  });
});
