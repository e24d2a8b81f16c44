import { describe, expect, it } from "vitest";
import type { WordsRun } from "../model";
import { briefHtml, briefLatex, briefMarkdown, type BriefPage, type HtmlMeans } from ".";
import { demo, ownWords, pageOf } from "./brief.fixture";

const path = (key: string) => `pictures/${key}.png`;
const MEANS: HtmlMeans = { math: (latex) => `<math>${latex}</math>`, svg: (key) => `<svg id="${key}"/>`, sheet: "a4" };
const stall = pageOf(demo("lantern-stall"));
const plan = pageOf(demo("two-lanterns"));
/** Own words that mean something in every language that is written. */
const HOSTILE: WordsRun[] = [
  { text: '1. <b>50 % & more</b> of $F_1$ \\input{x} `a` *b* [c](d) | #e ~f ^g "h"', bold: true },
  { given: "F" },
  { math: "F/2" },
];
const hostile = pageOf({ ...ownWords(HOSTILE), title: "<script>alert(1)</script> & 5 %" });

describe("the brief as Markdown", () => {
  const text = briefMarkdown(stall, path);
  it.each([
    "# Sell 172 lanterns at \\$8.25\n",
    "> **17 lanterns is the first whole number that pays.**",
    "## What we know",
    "| F | permit and workbench | \\$180 |",
    "|---|---|---:|",
    "$$p(q) = 14 - \\frac{q}{30}$$",
    "](pictures/graph.png)",
    "- The price line $p(q) = 14 - \\frac{q}{30}$ rests on two readings",
  ])("has %j", (part) => expect(text).toContain(part));
  it("takes signs of its own out of what people wrote", () => {
    const text = briefMarkdown(hostile, path);
    expect(text).toContain("**1. \\<b\\>50 % & more\\</b\\> of \\$F\\_1\\$ \\\\input{x} \\`a\\`");
    expect(text).toContain('\\*b\\* \\[c\\](d) \\| \\#e \\~f ^g "h"**\\$90$\\frac{F}{2}$');
    const listed = ownWords([{ text: "2. no list" }]);
    expect(briefMarkdown(pageOf(listed), path)).toContain("\n2\\. no list");
  });
  it("keeps blanks out of what is bold", () => {
    const page = pageOf(ownWords([{ text: " a ", bold: true, italic: true }, { text: "b" }]));
    expect(briefMarkdown(page, path)).toContain(" ***a*** b");
  });
});

describe("the brief as LaTeX", () => {
  const text = briefLatex(stall, path, "a4");
  it.each([
    "\\documentclass[11pt]{article}",
    "\\usepackage[a4paper,margin=25mm]{geometry}",
    "\\title{Sell 172 lanterns at \\$8.25\\\\\\large The lantern stall, for one evening in May}",
    "\\[ p(q) = 14 - \\frac{q}{30} \\]",
    "F & permit and workbench & \\$180 \\\\",
    "\\includegraphics[width=\\linewidth]{pictures/graph.png}",
    "\\begin{itemize}\n\\item The price line $p(q) = 14 - \\frac{q}{30}$",
  ])("has %j", (part) => expect(text).toContain(part));
  it("has as many ends as beginnings, and nothing that people wrote is a command", () => {
    for (const page of [stall, plan, hostile]) {
      const source = briefLatex(page, path, "letter");
      expect(source.match(/\\begin\{/g)).toHaveLength(source.match(/\\end\{/g)!.length);
      expect(source).not.toContain("\\input");
    }
    expect(briefLatex(hostile, path, "a4")).toContain("\\textbackslash{}input\\{x\\}");
  });
});

describe("the brief as a page of its own", () => {
  const text = briefHtml(stall, MEANS);
  it.each([
    "<title>Sell 172 lanterns at $8.25</title>",
    '<div class="answer"><p>17 lanterns is the first whole number that pays.</p>',
    "<h2>What we know</h2>",
    '<td class="number">$180</td>',
    "<math>p(q) = 14 - \\frac{q}{30}</math>",
    '<svg id="graph"/>',
    "size: A4",
  ])("has %j", (part) => expect(text).toContain(part));
  it("asks for nothing, runs nothing, and shows what people wrote as they wrote it", () => {
    for (const page of [stall, plan, hostile]) {
      const html = briefHtml(page, MEANS);
      expect(html).not.toMatch(/<script|<link|<img|src=|href=|url\(|@import/i);
    }
    expect(briefHtml(hostile, MEANS)).toContain("<strong>1. &lt;b&gt;50 % &amp; more&lt;/b&gt;");
    expect(briefHtml(hostile, MEANS)).toContain("<h1>&lt;script&gt;alert(1)&lt;/script&gt; &amp; 5 %</h1>");
  });
  it("says where a number is gone", () => {
    const page = pageOf(ownWords([{ given: "G" }]));
    expect(briefHtml(page, MEANS)).toContain('<span class="gone">[no longer in the case]</span>');
  });
});

describe("every number", () => {
  const sentences = (page: BriefPage): string[] =>
    page.sections.flatMap((s) => s.blocks.flatMap((b) => (b.kind === "answer" ? b.lines : [])));
  it.each(["lantern-stall", "walk-fund", "sky-lantern", "two-lanterns", "boat-fare"])(
    "of the answer of %s stands in every file as it stands on the page",
    (name) => {
      const page = pageOf(demo(name));
      const files = [briefMarkdown(page, path), briefLatex(page, path, "a4"), briefHtml(page, MEANS)];
      for (const number of sentences(page).flatMap((says) => says.match(/\d[\d,.]*\d|\d/g) ?? []))
        for (const file of files) expect(file).toContain(number);
    },
  );
});
