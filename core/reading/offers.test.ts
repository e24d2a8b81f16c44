import { describe, expect, it } from "vitest";
import { stories } from "../../bench/stories";
import { edited } from "../edit";
import { understand } from "../entry";
import type { CaseFile } from "../model";
import { offersOf } from ".";

const blank = (text: string): CaseFile => ({ format: "pasear-case", version: 1, title: "New case", story: { text } });
const KITES = blank(stories().find((s) => s.name === "kite-club")!.text);
const taken = (source: CaseFile, pick: (name: string | null) => boolean = () => true): CaseFile => {
  const offers = offersOf(source)
    .offers.filter((o) => pick(o.name))
    .map((o) => o.offered);
  return edited(source, { kind: "takeOffers", offers });
};
const names = (source: CaseFile) => offersOf(source).offers.map((o) => o.name ?? o.label);

describe("offers of a story", () => {
  it("say where they will stand, what they are and which words they come from", () => {
    const { offers } = offersOf(KITES);
    expect(offers.map((o) => `${o.place} ${o.name ?? ""} ${o.shown}`.trim())).toEqual([
      "givens F $240",
      "givens k $4/kite",
      "givens q 0 … ∞, whole",
      "givens p $10/kite",
      "functions R $",
      "functions C $",
      "functions P $",
      "findings",
      "findings",
    ]);
    expect(offers[0]!.phrase).toBe("A kite club pays $240");
    expect(offers[5]).toMatchObject({ latex: "C(q) = F + k\\, q", typed: "C(q) = F + k q" });
    expect(offers[7]!.label).toMatch(/^Where do revenue R and cost C meet/);
  });
  it.each(stories().map((s) => [s.title, s.text]))(
    "%s: what can be changed first is a line that is read",
    (_, text) => {
      const { offers } = offersOf(blank(text));
      for (const offer of offers.filter((o) => o.typed !== null)) {
        const wanted = new Set(offer.needs);
        // Offers stand in the order they are made, so that one look back finds all they rest on.
        for (const o of offers.toReversed()) if (wanted.has(o.key)) o.needs.forEach((key) => wanted.add(key));
        const before = offers.filter((o) => wanted.has(o.key)).map((o) => o.offered);
        const there = edited(blank(text), { kind: "takeOffers", offers: before });
        expect([offer.typed, understand(offer.typed!, there).kind]).toEqual([offer.typed, "entries"]);
      }
    },
  );
  it("know what they are made with", () => {
    const { offers } = offersOf(KITES);
    const keyOf = (name: string) => offers.find((o) => o.name === name)!.key;
    expect(offers.find((o) => o.name === "C")!.needs).toEqual([keyOf("F"), keyOf("k"), keyOf("q")]);
  });
  it("are gone once they are taken, and their words are marks", () => {
    const after = taken(KITES);
    expect(offersOf(after).offers).toEqual([]);
    expect(after.title).toBe("A kite club pays $240 for a");
    expect(after.questions!.map((q) => q.id)).toEqual(["q1", "q2"]);
    const { text, marks } = after.story!;
    expect(marks!.map((m) => [m.role, m.of, text.slice(m.start, m.end)])).toContainEqual(["given", "F", "$240"]);
  });
  it("go on after some are taken", () => {
    expect(names(taken(KITES, (n) => n === "F" || n === "k"))).toEqual(expect.arrayContaining(["p", "R", "C", "P"]));
  });
  it("stay away when they are refused, with all that is made of them, also after an edit elsewhere", () => {
    const [first] = offersOf(KITES).offers;
    const without = edited(KITES, { kind: "leaveOffers", keys: [first!.key] });
    expect(names(without)).toEqual(["k", "q", "p", "R"]);
    const later = edited(without, { kind: "editStory", text: `It is May. ${KITES.story!.text}` });
    expect(names(later)).toEqual(["k", "q", "p", "R"]);
  });
  it("are none beside functions that somebody made in another way", () => {
    const own = {
      ...KITES,
      variables: [{ name: "n" }],
      functions: [{ name: "E", of: "n", by: { kind: "formula" as const, text: "2 n" } }],
    };
    expect(names(own)).toEqual([]);
  });
  it("of a plan become its variables, constraints and objective", () => {
    const after = taken(blank(stories().find((s) => s.name === "two-kites")!.text));
    expect(after.plan).toMatchObject({
      variables: [{ name: "b" }, { name: "s" }],
      objective: { text: "12 b + 14 s", sense: "greatest", unit: "$" },
    });
    expect(after.plan!.constraints.map((c) => c.text)).toEqual([
      "3 b + 2 s <= 60",
      "2 b + 4 s <= 80",
      "b >= 0",
      "s >= 0",
    ]);
  });
});
