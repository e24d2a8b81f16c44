import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { understand } from "../entry";
import { BUILTIN_FUNCTIONS } from "../formula";
import type { CaseFile } from "../model";
import { helpTopics } from "./index";

const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "T" };
const FROM_EXAMPLES: CaseFile = {
  ...EMPTY,
  givens: [{ name: "a", value: 3 }],
  variables: [{ name: "x", from: 0, to: 20 }],
  functions: [
    { name: "g", of: "x", by: { kind: "formula", text: "60 - a x" } },
    { name: "f", of: "x", by: { kind: "formula", text: "a x + 5" } },
  ],
};
const demo = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;

/** Lines of a topic that a case would not take, each with why. */
const refused = (source: CaseFile, title: string) =>
  helpTopics(source)
    .find((t) => t.title === title)!
    .items.flatMap((item) => item.lines)
    .map((line) => ({ line, read: understand(line, source) }))
    .flatMap(({ line, read }) => (read.kind === "refused" ? [`${line}: ${read.message}`] : []));

describe("help", () => {
  it.each([
    ["the example's own names", FROM_EXAMPLES],
    ["the stall", demo("lantern-stall")],
    ["a launch", demo("sky-lantern")],
    ["followers", demo("walk-followers")],
  ])("every line of it can be tried with %s", (_what, source) => {
    expect(refused(source, "Questions")).toEqual([]);
    expect(refused(source, "Formulas")).toEqual([]);
  });
  it("every statement can be tried in an empty case, but for those that need a function", () => {
    const needy = /(?:slope|total) of/;
    expect(refused(EMPTY, "Statements").filter((line) => !needy.test(line))).toEqual([]);
    expect(
      refused(
        {
          ...FROM_EXAMPLES,
          variables: [{ name: "w" }],
          functions: [{ name: "f", of: "w", by: { kind: "formula", text: "3 w" } }],
        },
        "Statements",
      ),
    ).toEqual([]);
  });
  it("tells all there is: every kind of question, every built-in function, units and forms", () => {
    const topics = helpTopics(EMPTY);
    expect(topics.map((t) => t.title)).toEqual(["Statements", "Questions", "Formulas", "Units", "Forms"]);
    const formulas = topics[2]!.items.map((i) => i.what);
    for (const name of BUILTIN_FUNCTIONS) expect(formulas).toContain(name);
    for (const { title, items } of topics) {
      expect(items.length, title).toBeGreaterThan(4);
      for (const { what, says, lines } of items)
        expect(`${what}${says}${lines.join("")}`).not.toMatch(/[{}]|undefined/);
      expect(new Set(items.map((i) => i.what)).size, title).toBe(items.length);
    }
    expect(topics[2]!.items.every((i) => i.says !== "")).toBe(true);
  });
});
