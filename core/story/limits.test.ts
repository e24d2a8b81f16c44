import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Plan } from "../model";
import { readConstraint } from "../plan";
import { limitPhrases } from ".";

const { names } = buildModel({ format: "pasear-case", version: 1, title: "T" });
const lanterns: Plan = {
  variables: [
    { name: "x", label: "river lanterns" },
    { name: "y", label: "sky lanterns" },
  ],
  constraints: [],
};
const read = (text: string, plan: Plan = lanterns) =>
  limitPhrases(text, plan, names).map(
    (p) => `${p.phrase} → ${p.constraint ?? `${p.begin} …`}${p.label ? ` (${p.label})` : ""}`,
  );

describe("limits in the words of a story", () => {
  it.each([
    ["At least 20 sky lanterns are ordered.", ["At least 20 sky lanterns → y >= 20"]],
    ["We make no more than 1,200 river lanterns.", ["no more than 1,200 river lanterns → x <= 1200"]],
    ["No fewer than ten river lanterns must be made.", ["No fewer than ten river lanterns → x >= 10"]],
    ["Exactly 12 sky lanterns go to the mayor.", ["Exactly 12 sky lanterns → y = 12"]],
    ["There is room for at most 90 lanterns.", ["at most 90 lanterns → x + y <= 90"]],
    ["Between 10 and 50 sky lanterns can be hung.", ["Between 10 and 50 sky lanterns → 10 <= y <= 50"]],
    [
      "There are twice as many sky lanterns as river lanterns.",
      ["twice as many sky lanterns as river lanterns → y = 2x"],
    ],
    [
      "We want at least three times as many river lanterns as sky lanterns.",
      ["at least three times as many river lanterns as sky lanterns → x >= 3y"],
    ],
    [
      "At most half as many sky lanterns as river lanterns.",
      ["At most half as many sky lanterns as river lanterns → y <= 0.5 x"],
    ],
    ["Each lantern costs $4 and the evening is long.", []],
    ["The hall holds up to 300 people.", ["up to 300 people → people: <= 300 … (people)"]],
  ])("%s", (text, wanted) => {
    expect(read(text)).toEqual(wanted);
  });
  it("what each takes is read from the story too", () => {
    expect(
      read(
        "A river lantern takes 2 sheets of paper and 4 minutes, a sky lantern 3 sheets and 2 " +
          "minutes. There are at most 240 sheets and 320 minutes, and at least 20 sky lanterns " +
          "are ordered.",
      ),
    ).toEqual([
      "at most 240 sheets → 2x + 3y <= 240 (sheets)",
      "320 minutes → 4x + 2y <= 320 (minutes)",
      "at least 20 sky lanterns → y >= 20",
    ]);
  });
  it("a list of numbers before one noun is not guessed at; what is limited is begun", () => {
    const mix: Plan = {
      variables: [
        { name: "n", label: "portions of nuts" },
        { name: "f", label: "portions of fruit" },
      ],
      constraints: [],
    };
    expect(
      read(
        "A bag must have at least 90 grams of fat and 24 of fibre. A portion of nuts has 15, " +
          "3 and 3 grams; a portion of fruit 2, 12 and 3 grams.",
        mix,
      ),
    ).toEqual(["at least 90 grams of fat → fat: >= 90 … (fat)", "24 of fibre → fibre: >= 24 … (fibre)"]);
  });
  it("what stands in the plan already is not offered again, however it is written", () => {
    const plan: Plan = {
      ...lanterns,
      constraints: [
        { id: "A", text: "2 y >= 40" },
        { id: "B", text: "240 >= 3y + 2x", label: "paper" },
      ],
    };
    expect(
      read(
        "A river lantern takes 2 sheets, a sky lantern 3 sheets. At most 240 sheets; at least 20 sky lanterns.",
        plan,
      ),
    ).toEqual([]);
  });
  it("a plan whose variables have no words yet only begins the constraints", () => {
    const bare: Plan = { variables: [{ name: "x" }, { name: "y" }], constraints: [] };
    expect(read("There are at most 240 sheets.", bare)).toEqual(["at most 240 sheets → sheets: <= 240 … (sheets)"]);
  });
  it("the demo case offers nothing that it already has, and everything when it is empty", () => {
    const demo = JSON.parse(readFileSync("demo/two-lanterns.pasear.json", "utf8")) as CaseFile;
    expect(read(demo.story!.text, demo.plan!)).toEqual([]);
    expect(read(demo.story!.text, { ...demo.plan!, constraints: [] })).toHaveLength(3);
  });
  it("whatever the story, nothing throws, and every constraint offered can be read and points at its words", () => {
    const word = fc.constantFrom(
      "at least",
      "at most",
      "exactly",
      "between",
      "and",
      "twice as many",
      "as",
      "sky lanterns",
      "river lanterns",
      "sheets",
      "of paper",
      "takes",
      "a",
      "12",
      "1,200",
      "3.5",
      "ten",
      "$4",
      "no more than",
      ".",
      ",",
      "A river lantern",
      "each",
      "%",
      "are ordered",
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 24 }), (list) => {
        const text = list.join(" ");
        for (const p of limitPhrases(text, lanterns, names)) {
          expect(p.constraint === null).toBe(p.begin !== null);
          if (p.constraint !== null)
            expect(readConstraint(p.constraint, ["x", "y"], names).ok, `${p.constraint} from ${text}`).toBe(true);
          expect(text.slice(p.start, p.end).length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 600 },
    );
  });
  it("places are places in the story", () => {
    const text = "First this. At least 20 sky lanterns.";
    const [p] = limitPhrases(text, lanterns, names);
    expect(text.slice(p!.start, p!.end)).toBe("At least 20 sky lanterns");
  });
});
