import { sentenceOf, analyse } from "#core/question";
import { readFileSync } from "node:fs";
import { planWords } from "#core/explain";
import { buildModel, type CaseFile } from "#core/model";
import { solvePlan } from "#core/plan";
import { Hand } from "./hand";
import { newCase, says } from "./pages";
import { expect, test } from "./server";

/**
 * The demo cases with data or a plan, from an empty case to their findings through the real interface; the number of
 * actions is printed.
 */
const demo = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;

/** The rows of a demo as they would be pasted; a counted column goes back to its dates or years. */
function pasted(source: CaseFile, name: string): string {
  const table = source.data!.find((t) => t.name === name)!;
  const since = source.variables!.find((v) => v.name === table.columns[0]!.name)?.since;
  const first = (t: number) =>
    since === undefined
      ? String(t)
      : typeof since === "number"
        ? String(since + t)
        : new Date(Date.parse(since) + t * 7 * 86_400_000).toISOString().slice(0, 10);
  const head = table.columns
    .map((c, j) => (j === 0 && since !== undefined ? (c.label ?? c.name) : `${c.name} [${c.unit}]`))
    .join("\t");
  return [head, ...table.rows.map(([t, ...rest]) => [first(t as number), ...rest].join("\t"))].join("\n");
}

const walks: Record<string, { most: number; walk: (h: Hand, source: CaseFile) => Promise<void> }> = {
  "walk-followers": {
    most: 15,
    walk: async (h, source) => {
      await h.view("Data");
      await h.table(pasted(source, "followers"));
      await h.model("logistic");
      await h.fill("Name of the function", "N");
      await h.view("Data");
      await h.click("Split here");
      await h.fill("Place of the break", "5.5");
      await h.choose("Model of the left side", "exponential on logs");
      await h.fill("Name of the function", "E", false);
      await h.click(/^the left side as E/);
      await h.desk("t = 0 … 20 weeks");
      for (const l of ["N = 4500 ?", "N(12) ?", "E times 2 ?"]) await h.desk(l);
    },
  },
  "lantern-demand": {
    most: 21,
    walk: async (h, source) => {
      await h.view("Data");
      await h.table(pasted(source, "demand"));
      await h.model("power");
      await h.fill("Name of the function", "D");
      await h.view("Data");
      await h.model("linear");
      await h.fill("Name of the function", "L");
      await h.view("Data");
      await h.table(pasted(source, "mill"));
      await h.model("quadratic");
      await h.fill("Name of the function", "K");
      for (const l of [
        "p = 3 … 14 $/lantern",
        "q = 60 … 340 lanterns",
        "R(p) = p D",
        "G(p) = R - K(D(p))",
        "greatest G ?",
        "D(answer of q1) ?",
        "L(9) ?",
        "D(9) ?",
      ])
        await h.desk(l);
    },
  },
  "footbridge-counts": {
    most: 12,
    walk: async (h, source) => {
      await h.desk("t = 0 … 22 days");
      await h.view("Data");
      await h.table(pasted(source, "counts"));
      await h.click(/^Split at 6/);
      await h.fill("Place of the break", "6.8");
      await h.choose("Model of the left side", "linear");
      await h.choose("Model of the right side", "linear");
      await h.choose("Which side owns the break", "left");
      await h.click(/in pieces$/);
      for (const l of ["least P ?", "P = 900 ?"]) await h.desk(l);
    },
  },
  "lent-frames": {
    most: 11,
    walk: async (h, source) => {
      await h.view("Data");
      await h.table(pasted(source, "lent"));
      await h.click(/^Start of counting/);
      await h.fill("Start of counting", "2022");
      await h.model("logarithmic");
      await h.click(/^Use as F/);
      await h.desk("V(t) = slope of F");
      for (const l of ["F = 280 ?", "F(10) ?", "V(8) ?"]) await h.desk(l);
    },
  },
  "two-lanterns": plan(
    ["greatest 3.5x + 4y in $", "paper: 2x + 3y <= 240", "time: 4x + 2y <= 320", "orders: y >= 20", "x >= 0"],
    8,
    true,
  ),
  "helpers-mix": plan(
    [
      "least 1.1n + 0.8f in $",
      "fat: 15n + 2f >= 90",
      "sugar: 3n + 12f >= 60",
      "fibre: 3n + 3f >= 24",
      "n >= 0",
      "f >= 0",
    ],
    7,
  ),
  "boats-to-hire": plan(
    ["least 21l + 16s in $", "seats: 8l + 5s >= 34", "lamps: 3l + 2s <= 13", "l >= 0", "s >= 0"],
    8,
    true,
  ),
  "five-lanterns": {
    most: 14,
    walk: async (h, source) => {
      for (const l of ["P = 600 sheets", "W = 420 m", "T = 960 min"]) await h.desk(l);
      await h.view("Plan");
      await h.plan("greatest 3.5a + 4b + 3c + 7d + 8.5g in $");
      for (const c of source.plan!.constraints) await h.plan(c.text);
    },
  },
};
function plan(
  lines: readonly string[],
  most: number,
  whole = false,
): { most: number; walk: (h: Hand) => Promise<void> } {
  return {
    most,
    walk: async (h) => {
      await h.view("Plan");
      for (const l of lines) await h.plan(l);
      if (whole)
        for (const box of await h.page.getByRole("checkbox", { name: "whole" }).all()) {
          h.actions++;
          await box.check();
        }
    },
  };
}

for (const [name, { most, walk }] of Object.entries(walks)) {
  const source = demo(name);
  test(`${source.title}, whole, from an empty case`, async ({ page, server }) => {
    await newCase(page, server);
    const hand = new Hand(page);
    await walk(hand, source);
    if (source.plan) {
      // Labels of the variables are not typed; the answer is the same in bare names.
      const bare = {
        ...source.plan,
        variables: source.plan.variables.map(({ label: _label, unit: _unit, ...v }) => v),
      };
      const { result } = solvePlan(bare, buildModel(source).names);
      await expect(page.locator(".plan .says")).toHaveText(planWords(bare, result!).says);
    } else {
      const { model, findings } = analyse(source);
      const own = name === "footbridge-counts" ? (s: string) => s.replaceAll(/\bN\b/g, "P") : (s: string) => s;
      await expect(says(page)).toHaveText(findings.map((f) => own(sentenceOf(f, model)).replaceAll("`", "")));
    }
    console.log(`${source.title}: ${hand.actions} actions (at most ${most})`);
    expect(hand.actions).toBeLessThanOrEqual(most);
  });
}
