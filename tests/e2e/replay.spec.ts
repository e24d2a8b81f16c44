import { sentenceOf, analyse } from "#core/question";
import { readFileSync } from "node:fs";
import type { CaseFile } from "#core/model";
import { DEMO_LINES, typedTogether } from "../shared/demoLines";
import { Hand } from "./hand";
import { newCase, says } from "./pages";
import { expect, test } from "./server";

for (const [name, lines] of Object.entries(DEMO_LINES)) {
  const demo = JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;
  test(`${demo.title}, from an empty case`, async ({ page, server }) => {
    await newCase(page, server);
    const hand = new Hand(page);
    for (const line of typedTogether(lines)) await hand.desk(line);
    const { model, findings } = analyse(demo);
    // Labels are not typed; the answers are the same.
    const plain = (s: string) => s.replaceAll("`", "");
    await expect(says(page)).toHaveText(findings.map((f) => plain(sentenceOf(f, model))));
    console.log(`${demo.title}: ${hand.actions} actions for ${demo.questions!.length} findings`);
    // A line an entry were as many actions as lines.
    expect(hand.actions).toBeLessThanOrEqual((lines.length * 2) / 3);
  });
}

const walks: { job: string; most: number; walk: (a: Hand) => Promise<void>; answer: RegExp[]; details?: RegExp }[] = [
  // 40 + 28 n = 210 + 11 n at n = 170/17 = 10
  {
    job: "break-even of two lines",
    most: 4,
    walk: async (a) => {
      const lines = ["n = 0 … 30 nights, whole", "H(n) = 40 + 28 n", "B(n) = 210 + 11 n", "H = B ?"];
      for (const line of lines) await a.desk(line);
    },
    answer: [/10 nights/],
  },
  // sin(x) = 1/2 at π/6 + 2πk and 5π/6 + 2πk: on 0 … 20 six of them (0.5236, 2.618, 6.807, 8.901, 13.09, 15.18),
  // then 19.37: seven
  {
    job: "all crossings of a threshold",
    most: 3,
    walk: async (a) => {
      for (const l of ["x = 0 … 20", "f(x) = 40 sin(x)", "f = 20 ?"]) await a.desk(l);
    },
    answer: [/7 places/],
    details: /0\.52359878, 2\.6179939, 6\.8067841, 8\.9011792, 13\.089969, 15\.184364, 19\.373155/,
  },
  // q (14 − q/30) − 180 − 2.5 q is greatest at 172.5, price 14 − 5.75 = 8.25
  {
    job: "best price from two readings",
    most: 5,
    walk: async (a) => {
      for (const l of [
        "q = 0 … 320 lanterns",
        "p(q) = line (240, 6), (150, 9)",
        "P(q) = q p − (180 + 2.5 q)",
        "greatest P ?",
        "p(answer of q1) ?",
      ])
        await a.desk(l);
    },
    answer: [/172\.5/, /8\.25/],
  },
  // 1/0.014 · 3y · (3y/(3+2y))^(2/3) · 0.03 = 12 at y = 2.0533…
  {
    job: "an unknown in a formula from science",
    most: 6,
    walk: async (a) => {
      await a.click("Forms");
      await a.fill("Search the forms", "channel", false);
      await a.click("Put on the desk", a.page.getByRole("dialog"));
      await a.desk("Q = 12 ?");
    },
    answer: [/^Q is 12 at y = 2\.05\d+ m\.$/],
  },
  // ∫ 3t from 0 to 6 = 54, then ∫ (18 − 2(t − 6)) from 6 to 15 = 81: 135; greatest 18 at 6; steps: 3t − 5(t
  // − 6) from 6 on
  {
    job: "a piecewise model with its step form",
    most: 10,
    walk: async (a) => {
      for (const l of [
        "t = 0 … 15 s",
        "v(t) = 3 t for 0 <= t < 6; 18 - 2 (t - 6) for 6 <= t <= 15",
        "w(t) = 3 t - 5 (t - 6) step(t - 6)",
        "s(t) = total of v",
        "v = w ?",
        "greatest v ?",
        "s(15) ?",
      ])
        await a.desk(l);
    },
    answer: [/equal everywhere/, /t = 6 s: 18/, /135/],
  },
];
for (const w of walks)
  test(`${w.job} takes at most ${w.most} actions`, async ({ page, server }) => {
    await newCase(page, server);
    const hand = new Hand(page);
    await w.walk(hand);
    for (const [i, answer] of w.answer.entries()) await expect(says(page).nth(i)).toHaveText(answer);
    if (w.details) await expect(page.locator(".findings .card").first()).toContainText(w.details);
    console.log(`${w.job}: ${hand.actions} actions (at most ${w.most})`);
    expect(hand.actions).toBeLessThanOrEqual(w.most);
  });
