import { describe, expect, it } from "vitest";
import { readFileSync } from "node:fs";
import type { CaseFile, FunctionRow } from "../model";
import { offersOf } from ".";

const demo = (name: string): CaseFile =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;
const asked = (source: CaseFile) =>
  offersOf(source).offers.map(({ offered: { kind, row } }) => {
    const { id: _id, ...rest } = { id: "", ...row };
    return { kind, ...rest };
  });
const visitors = (story: string, functions: readonly FunctionRow[], unit = "day"): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Visitors",
  story: { text: story },
  variables: [{ name: "t", unit, from: 0, since: "2031-12-06" }],
  functions: [...functions],
});
const fn = (name: string, more: Partial<FunctionRow> = {}): FunctionRow => ({
  name,
  of: "t",
  by: { kind: "formula", text: "900 - 40 t + t^2" },
  ...more,
});
const N = fn("N", { unit: "visitor", label: "visitors of the mill" });

describe("what a story asks about functions that are there", () => {
  it.each(["footbridge-counts", "walk-followers"])("%s: as soon as its functions are made from its data", (name) => {
    const source = demo(name);
    const wanted = source
      .questions!.filter((q) => q.ask !== "multiply")
      .map(({ id: _, ...q }) => ({ kind: "question", ...q }));
    expect(asked({ ...source, questions: [] })).toEqual(wanted);
    expect(asked(source)).toEqual([]);
  });
  it.each([
    ["When will 700 visitors come?", { ask: "reach", function: "N", value: 700 }],
    ["When do the fewest visitors come?", { ask: "least", function: "N" }],
    ["How many visitors will there be after 12 days?", { ask: "value", function: "N", at: 12 }],
    // the year after, where the day is past in the first
    ["How many visitors will there be on 5 January?", { ask: "value", function: "N", at: 30 }],
    ["How many visitors will there be on December 16?", { ask: "value", function: "N", at: 10 }],
    ["How many visitors come on 16 December?", { ask: "value", function: "N", at: 10 }],
    ["How many visitors will there be on 6 December 2032?", { ask: "value", function: "N", at: 366 }],
    ["How long until the number of visitors doubles?", { ask: "multiply", function: "N", factor: 2 }],
  ])("%s", (story, question) => expect(asked(visitors(story, [N]))).toEqual([{ kind: "question", ...question }]));
  it("weeks are counted by sevens of days", () =>
    expect(asked(visitors("How many visitors will there be on 27 December?", [N], "week"))).toEqual([
      { kind: "question", ask: "value", function: "N", at: 3 },
    ]));
  it("nothing is offered where it is not plain which function is meant", () => {
    const M = fn("M", { unit: "visitor", label: "visitors by boat" });
    expect(asked(visitors("When were the fewest visitors?", [N, M]))).toEqual([]);
    // nothing in the story speaks of f, and breaking even is asked of profits alone
    expect(asked(visitors("When were the fewest visitors?", [fn("f")]))).toEqual([]);
    expect(asked(visitors("The visitors pay $4. When does the mill break even?", [N]))).toEqual([]);
    // hidden ones are parts of others
    expect(asked(visitors("When were the fewest visitors?", [N, { ...M, shown: false }]))).toHaveLength(1);
  });
});
