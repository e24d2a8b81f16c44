import { describe, expect, it } from "vitest";
import { readCase } from "#shared/schemas/case";
import type { CaseFile } from "../model";
import { analyse, sentenceOf } from "../question";
import { slipsOf } from "../slips";
import { edited, isBlank } from "../edit";
import { STARTERS, type Starter } from "./index";

const BLANK: CaseFile = { format: "pasear-case", version: 1, title: "New case 2" };
const begun = (source: CaseFile, starter: Starter) => edited(source, { kind: "begin", starter });
const caseOf = (id: string) =>
  begun(
    BLANK,
    STARTERS.find((s) => s.id === id)!,
  );

/** What each is found to say, worked out by hand. */
const SAYS: Record<string, string[]> = {
  // 150 / 7.5; 7.5 · 80 − 150
  "cost-revenue": ["R and C meet at exactly 20 lanterns.", "80 lanterns: $450."],
  // 240/24; p (240 − 12p) = 900: p = 5 and 15
  "price-demand": ["R is greatest at $10: $1,200.", "R is $900 at $5 and $15."],
  // ln 1.25 / (4 ln 1.0075); ln 2 / (4 ln 1.0075)
  savings: ["B is $3,000 at 7.46598 years.", "B comes to $4,800 after 23.1914 years."],
  // ln 2 / ln 1.06; ln 6.25 / ln 1.06
  growth: ["N comes to 320 readers after 11.8957 weeks.", "N is 1,000 readers at 31.4504 weeks."],
  // 14/9.81; 1.5 + 14²/19.62; (14 + √(196 + 29.43))/9.81; 14 − 9.81
  launch: [
    "h is greatest at t = 1.42712 s: 11.4898 m.",
    "h is 0 m at t = 2.95763 s.",
    "At t = 1 s h changes by 4.19 m per second.",
  ],
  // 12 + 36 + 12; 4 s for 12 m, then 18 m at 6 m/s
  velocity: ["The total of v from t = 0 to 14 s is 60 m.", "s is 30 m at t = 7 s."],
  plan: [],
  // least squares by hand: mean t 50, mean h 10.4, Stt 7000, Sth −502; h = 10.4 − 0.0717143 (t − 50)
  data: ["h is 2 cm at t = 167.131 min."],
};

describe("starters", () => {
  it.each(STARTERS)("$kind is a whole case, read and answered without a fault", ({ id, title }) => {
    const made = caseOf(id);
    expect(made.title).toBe(title);
    const read = readCase(JSON.parse(JSON.stringify(made)));
    expect(read).toMatchObject({ ok: true });
    const analysis = analyse(made);
    const { model, findings } = analysis;
    expect(model.errors).toEqual([]);
    expect(model.warnings).toEqual([]);
    expect(findings.filter((f) => !f.complete)).toEqual([]);
    expect(findings.map((f) => sentenceOf(f, model))).toEqual(SAYS[id]);
    expect(slipsOf(analysis).map((s) => s.message)).toEqual([]);
  });
  it("each has an id and a kind of its own", () => {
    expect(new Set(STARTERS.map((s) => s.id)).size).toBe(STARTERS.length);
    expect(new Set(STARTERS.map((s) => s.kind)).size).toBe(STARTERS.length);
  });
  it("only a blank case is begun with one, and a title of one's own stays", () => {
    expect(isBlank(BLANK)).toBe(true);
    const own = { ...BLANK, title: "Homework 3" };
    expect(begun(own, STARTERS[0]!).title).toBe("Homework 3");
    const used: CaseFile = { ...BLANK, givens: [{ name: "F", value: 1 }] };
    expect(isBlank(used)).toBe(false);
    expect(begun(used, STARTERS[0]!)).toBe(used);
    expect(isBlank({ ...BLANK, story: { text: "" }, givens: [] })).toBe(true);
    expect(isBlank({ ...BLANK, story: { text: "A stall" } })).toBe(false);
  });
});
