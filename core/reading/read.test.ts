import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { measured, stories } from "../../bench/stories";
import { buildModel } from "../model";
import { readCase } from "../../shared/schemas/case";
import { caseOfStory, MOST_READ, readStory } from ".";

const all = stories();
const results = all.map((s) => measured(s));
const total = (of: (i: number) => number): number => all.reduce((sum, _, i) => sum + of(i), 0);

describe("the stories of demo/stories", () => {
  it("forty of them, of every kind", () => {
    expect(all).toHaveLength(40);
    expect(new Set(all.map((s) => s.kind)).size).toBeGreaterThanOrEqual(10);
  });
  it("are read as well as they should be", () => {
    const numbers = total((i) => all[i]!.numbers.length);
    const offers = total((i) => all[i]!.offers.length);
    const wrong = total((i) => results[i]!.wrong.length);
    expect(total((i) => results[i]!.numbers) / numbers).toBeGreaterThanOrEqual(0.98);
    expect(total((i) => results[i]!.units) / numbers).toBeGreaterThanOrEqual(0.92);
    expect(total((i) => results[i]!.right) / offers).toBeGreaterThanOrEqual(0.85);
    expect(wrong / (wrong + total((i) => results[i]!.right))).toBeLessThanOrEqual(0.03);
    expect(results.filter((r) => r.isAnswered).length / all.length).toBeGreaterThanOrEqual(0.65);
  });
  it.each(all.map((s) => [s.title, s.text]))("%s makes a case that can be worked out", (_, text) => {
    const made = caseOfStory(text);
    expect(readCase(made)).toMatchObject({ ok: true });
    const model = buildModel(made);
    expect(model.errors).toEqual([]);
    expect([...model.functions.values()].filter((f) => f.unitsAgree === false).map((f) => f.name)).toEqual([]);
  });
});

describe("what cannot be read", () => {
  it.each([
    ["nonsense", "A 2 m long plank is cut. Nobody knows why. The dog is 7 years old. Blue 14, and then?"],
    ["another language", "Anna legt 2.000 Euro zu 3 % Zinsen im Jahr an. Wie viel hat sie nach 5 Jahren?"],
    ["nothing", " \n "],
    ["signs", "?!?? $$$ %%% 12 12 12 // per per each a dozen of of"],
  ])("%s gives few offers and no error", (_, text) => {
    expect(readStory(text).offers.length).toBeLessThanOrEqual(4);
  });
  it("what was left out stands in the notes", () => {
    expect(readStory("The dog is 7 years old. How heavy is it after 3 years?").notes.join(" ")).toMatch(/7 years/);
    const { notes } = readStory("Tickets cost $5 each. 12 dogs bark. What is the profit on 30 tickets?");
    expect(notes.join(" ")).toMatch(/12 dogs/);
  });
  it("a story of 20,000 characters is read to its end", () => {
    const text = all
      .map((s) => s.text)
      .join(" ")
      .repeat(4)
      .slice(0, MOST_READ);
    expect(text).toHaveLength(MOST_READ);
    expect(readCase(caseOfStory(text))).toMatchObject({ ok: true });
  });
});

describe("any text at all", () => {
  const words = all.flatMap((s) => s.text.split(/(?<=[\s.,?;])/));
  it("makes a case that is one, with marks inside the text, and the same one again", () => {
    const text = fc.array(fc.oneof(fc.constantFrom(...words), fc.string({ maxLength: 6 })), { maxLength: 60 });
    fc.assert(
      fc.property(text, (parts) => {
        const story = parts.join("");
        const made = caseOfStory(story);
        expect(readCase(made)).toMatchObject({ ok: true });
        expect(buildModel(made).errors).toEqual([]);
        expect(caseOfStory(story)).toEqual(made);
      }),
      { numRuns: 300, seed: 17 },
    );
  });
});
