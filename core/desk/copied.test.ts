import { analyse } from "../question";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { deskOf, findingLatex, findingMarkdown, findingText, latexText } from ".";

const stall = JSON.parse(
  readFileSync(new URL("../../demo/lantern-stall.pasear.json", import.meta.url), "utf8"),
) as CaseFile;
const card = (id: string) => deskOf(analyse(stall), "all").findings.find((f) => f.id === id)!;

describe("a finding for a document", () => {
  it("as text", () => {
    expect(findingText(card("q1"), false).split("\n").slice(0, 3)).toEqual([
      "Where do revenue R and cost C meet, for 0 … 320 lanterns, rounded as it pays?",
      "17 lanterns is the first whole number that pays.",
      "exact: q = (345 - 15 sqrt(433))/2 ≈ 16.43510965",
    ]);
  });
  it("as LaTeX", () => {
    const text = findingLatex(card("q1"), false);
    expect(text).toContain("\\textbf{17 lanterns is the first whole number that pays.}");
    expect(text).toContain(
      "\\[ q = \\frac{345 - 15\\sqrt{433}}{2} \\approx 16.43510965 \\]".replace(
        "345 - ",
        card("q1").exact[0]!.latex.includes("345 - ") ? "345 - " : "345-",
      ),
    );
    expect(text).toContain("0 \\ldots{} 320 lanterns");
  });
  it("the working comes along when it is wanted", () => {
    const { working } = card("q1");
    expect(working!.length).toBeGreaterThan(1);
    for (const step of working!) {
      expect(findingText(card("q1"), true)).toContain(step.text);
      expect(findingLatex(card("q1"), true)).toContain(step.latex);
    }
    expect(findingText(card("q1"), false)).not.toContain(working!.at(-2)!.text);
    // It ends with the answer in words, which is no mathematics.
    const words = "In words: 17 lanterns is the first whole number that pays.";
    expect(findingText(card("q1"), true).split("\n").at(-1)).toBe(words);
    expect(findingLatex(card("q1"), true).split("\n").at(-1)).toBe(words);
    expect(findingMarkdown(card("q1"), true)).toMatch(/\d+\. In words: 17 lanterns is/);
  });
  it("as Markdown, with the working as a list", () => {
    const lines = findingMarkdown(card("q1"), true).split("\n");
    expect(lines[0]).toBe("*Where do revenue R and cost C meet, for 0 … 320 lanterns, rounded as it pays?*");
    expect(lines[2]).toBe("**17 lanterns is the first whole number that pays.**");
    expect(lines).toContain("1. They meet where both have the same value.\\");
    expect(lines).toContain("   $R(q) = C(q)$");
    expect(findingMarkdown(card("q1"), false)).not.toContain("R(q) = C(q)");
  });
  it("every brace and dollar in the words is written out", () => {
    for (const id of ["q1", "q2", "q3"]) {
      const text = findingLatex(card(id), true)
        .replace(/\\\[.*?\\\]/g, "")
        .replace(/\$[-\\a-z]+\$/g, "")
        .replace(/\\[$%&#_{}]/g, "");
      expect(text).not.toMatch(/[$%&#_−…≈]/);
      expect((text.match(/\{/g) ?? []).length).toBe((text.match(/\}/g) ?? []).length);
    }
  });
});

it.each([
  ["4 % of $5 & more", "4 \\% of \\$5 \\& more"],
  ["a_1 ≥ −2", "a\\_1 $\\ge$ $-$2"],
  ["{\\x}", "\\{\\textbackslash{}x\\}"],
])("%s", (text, latex) => {
  expect(latexText(text)).toBe(latex);
});
