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

/** What each walk took on the day on which the replays were first written, in actions: now two thirds at most. */
const walks: Record<string, { first: number; walk: (h: Hand, source: CaseFile) => Promise<void> }> = {
  "walk-followers": {
    first: 15,
    walk: async (h, source) => {
      await h.table(pasted(source, "followers"));
      await h.fill("Name of the function", "N");
      await h.view("Data");
      await h.click("Split here");
      await h.fill("Place of the break", "5.5");
      await h.choose("Model of the left side", "exponential on logs");
      await h.fill("Name of the function", "E", false);
      await h.click(/^the left side as E/);
      await h.desk("t = 0 … 20 weeks; N = 4500 ?; N(12) ?; E times 2 ?");
    },
  },
  "lantern-demand": {
    first: 21,
    walk: async (h, source) => {
      await h.table(pasted(source, "demand"));
      await h.model("power");
      await h.fill("Name of the function", "D");
      await h.view("Data");
      await h.model("linear");
      await h.fill("Name of the function", "L");
      await h.table(pasted(source, "mill"));
      await h.model("quadratic");
      await h.fill("Name of the function", "K");
      await h.desk("p = 3 … 14 $/lantern; q = 60 … 340 lanterns");
      await h.desk("R(p) = p D; G(p) = R - K(D(p))");
      await h.desk("greatest G ?; D(answer of q1) ?; L(9) ?; D(9) ?");
    },
  },
  "footbridge-counts": {
    first: 12,
    walk: async (h, source) => {
      await h.table(pasted(source, "counts"));
      await h.click(/^Split at 6/);
      await h.fill("Place of the break", "6.8");
      await h.choose("Model of the left side", "linear");
      await h.choose("Which side owns the break", "left");
      await h.click(/in pieces$/);
      await h.desk("t = 0 … 22 days; least P ?; P = 900 ?");
    },
  },
  "lent-frames": {
    first: 11,
    walk: async (h, source) => {
      await h.table(pasted(source, "lent"));
      await h.click(/^Start of counting/);
      await h.fill("Start of counting", "2022");
      await h.model("logarithmic");
      await h.click(/^Use as F/);
      await h.desk("V(t) = slope of F; F = 280 ?; F(10) ?; V(8) ?");
    },
  },
  "two-lanterns": plan(
    8,
    "greatest 3.5x + 4y in $; paper: 2x + 3y <= 240; time: 4x + 2y <= 320; orders: y >= 20; x >= 0",
    true,
  ),
  "helpers-mix": plan(
    7,
    "least 1.1n + 0.8f in $ subject to fat: 15n + 2f >= 90; sugar: 3n + 12f >= 60; fibre: 3n + 3f >= 24; n, f >= 0",
  ),
  "boats-to-hire": plan(8, "least 21l + 16s in $; seats: 8l + 5s >= 34; lamps: 3l + 2s <= 13; l, s >= 0", true),
  "five-lanterns": {
    first: 14,
    walk: async (h, source) => {
      await h.desk("P = 600 sheets; W = 420 m; T = 960 min");
      await h.view("Plan");
      await h.plan(
        ["greatest 3.5a + 4b + 3c + 7d + 8.5g in $", ...source.plan!.constraints.map((c) => c.text)].join("; "),
      );
    },
  },
};
function plan(first: number, line: string, whole = false): { first: number; walk: (h: Hand) => Promise<void> } {
  return {
    first,
    walk: async (h) => {
      await h.view("Plan");
      await h.plan(line);
      if (whole)
        for (const box of await h.page.getByRole("checkbox", { name: "whole" }).all()) {
          h.actions++;
          await box.check();
        }
    },
  };
}

for (const [name, { first, walk }] of Object.entries(walks)) {
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
    console.log(`${source.title}: ${hand.actions} actions (${first} at first)`);
    expect(hand.actions).toBeLessThanOrEqual((first * 2) / 3);
  });
}
