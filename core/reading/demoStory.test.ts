import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile } from "../model";
import { solvePlan } from "../plan";
import { analyse, sentenceOf } from "../question";
import { caseOfStory } from ".";

const demo = (name: string): CaseFile =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;
const bestOf = (c: CaseFile) => solvePlan(c.plan!, buildModel(c).names).result!.best.map((p) => [p.exact, p.value]);

describe("a demo case is made again from its own story", () => {
  it("lantern-demand: both tables, and with the two models changed by hand the same best price", () => {
    const source = demo("lantern-demand");
    const made = caseOfStory(source.story!.text);
    expect(made.data!.map((d) => d.rows)).toEqual(source.data!.map((d) => d.rows));
    const models = { N: "power", C: "quadratic" } as Record<string, "power" | "quadratic">;
    const functions = made.functions!.map((f) =>
      f.by.kind === "fit" && models[f.name] ? { ...f, by: { ...f.by, model: models[f.name]! } } : f,
    );
    const best = (c: CaseFile) => {
      const [found] = analyse(c).findings;
      return found!.complete && "solutions" in found! ? found.solutions.map((s) => [s.at, s.value]) : null;
    };
    const wanted = best(source)!;
    expect(wanted).toHaveLength(1);
    expect(best({ ...made, functions })).toEqual([wanted[0]!.map((x) => expect.closeTo(x!, 8))]);
  });
  it.each(["two-lanterns", "helpers-mix", "boats-to-hire", "five-lanterns"])("%s: the same plan is best", (name) => {
    const source = demo(name);
    expect(bestOf(caseOfStory(source.story!.text))).toEqual(bestOf(source));
  });
  it.each(["lantern-stall", "lantern-raft", "walk-fund", "sky-lantern", "mill-channel", "rule-of-thumb"])(
    "%s: the questions it asks",
    (name) => {
      const source = demo(name);
      const told = (c: CaseFile) => {
        const { model, findings } = analyse(c);
        return findings.map((f) => sentenceOf(f, model));
      };
      // A demo asks more than its story; what the story asks is answered in the same words.
      const known = told(source);
      const made = told(caseOfStory(source.story!.text));
      expect(made.length).toBeGreaterThan(0);
      expect(made.filter((sentence) => !known.includes(sentence))).toEqual([]);
    },
  );
});
