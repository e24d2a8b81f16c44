import { DOMParser, type Element } from "@xmldom/xmldom";
import { strFromU8, unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demo, pageOf } from "../../core/brief/brief.fixture";
import { briefFile } from "~/brief/briefFile";
import { editorDocument, keptWords } from "~/brief/wordsDocument";
import type { BriefFileKind, BriefImage } from "~/workers/briefProtocol";
import type { WordsBlock } from "#core/model";

/** A picture of one point, 1 by 1 (PNG specification, the smallest file of its kind). */
const POINT = Uint8Array.from(
  atob("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=="),
  (c) => c.charCodeAt(0),
);
const IMAGE: BriefImage = { svg: "<svg/>", png: POINT, width: 640, height: 300 };
const page = pageOf(demo("lantern-stall"));
const made = async (kind: BriefFileKind, told: [number, number][] = []) =>
  briefFile({ kind, page, sheet: "a4", images: new Map([["graph", IMAGE]]) }, (done, all) => told.push([done, all]));
const textOf = (file: Uint8Array, name: string) => strFromU8(unzipSync(file)[name]!);

describe("a brief as a text document, read back", async () => {
  const told: [number, number][] = [];
  const { file, ending } = await made("docx", told);
  const body = new DOMParser().parseFromString(textOf(file, "word/document.xml"), "text/xml");
  const all = (tag: string): Element[] => [...body.getElementsByTagName(tag)];
  const paragraphs = all("w:p");
  const styled = (style: string) =>
    paragraphs
      .filter((p) => p.getElementsByTagName("w:pStyle")[0]?.getAttribute("w:val") === style)
      .map((p) => p.textContent);

  it("has its title and real headings", () => {
    expect(ending).toBe("docx");
    expect(styled("Title")).toEqual(["Sell 172 lanterns at $8.25"]);
    expect(styled("Heading1")).toEqual(page.sections.flatMap((s) => s.title ?? []));
    expect(styled("Heading2")).toEqual(["What we do not know"]);
  });
  it("has the answer and every given, to the digit", () => {
    const text = paragraphs.map((p) => p.textContent);
    expect(text).toContain("172 or 173 lanterns: $811.87.");
    const propose = "We propose to ask $8.25/lantern and to make 172 lanterns. That leaves $811.87 after the permit";
    expect(text).toContain(`${propose} and all paper, wire and candle.`);
    const [first] = all("w:tbl");
    const cells = [...first!.getElementsByTagName("w:tc")].map((c) => c.textContent);
    expect(cells.slice(3, 6)).toEqual(["F", "permit and workbench", "$180"]);
    expect(first!.getElementsByTagName("w:tblHeader")).toHaveLength(1);
  });
  it("has native equations: a fraction, a root", () => {
    const equations = all("m:oMath");
    expect(equations[0]!.textContent).toBe("p(q)=14−q30");
    expect(equations[0]!.getElementsByTagName("m:f")).toHaveLength(1);
    const root = equations.find((e) => e.textContent!.includes("433"))!;
    expect(root.getElementsByTagName("m:rad")).toHaveLength(1);
    expect(root.textContent).toContain("16.43510965");
    const square = equations.find((e) => e.textContent!.startsWith("P(q)"))!;
    expect(square.getElementsByTagName("m:sSup")).toHaveLength(1);
  });
  it("has the picture with a text of its own, and says how far it came", () => {
    const [picture] = all("wp:docPr");
    expect(picture!.getAttribute("descr")).toBe("a graph");
    expect(picture!.getAttribute("title")).toBe("Price p, revenue R, cost C and profit P against q.");
    expect(Object.keys(unzipSync(file)).filter((n) => n.startsWith("word/media/"))).toHaveLength(1);
    expect(told.at(-1)![0]).toBeGreaterThan(10);
    expect(told.every(([done, sum]) => done < sum)).toBe(true);
  });
});

describe("the other files", () => {
  it.each([
    ["markdown", "brief.md", "![a graph](pictures/graph.png)"],
    ["latex", "brief.tex", "\\includegraphics[width=\\linewidth]{pictures/graph.png}"],
  ] as const)("%s comes with its pictures beside it", async (kind, name, part) => {
    const { file } = await made(kind);
    expect(textOf(file, name)).toContain(part);
    expect(unzipSync(file)["pictures/graph.png"]).toEqual(POINT);
  });
  it("a page of its own has its mathematics and its pictures in it", async () => {
    const { file, ending } = await made("html");
    const text = strFromU8(file);
    expect(ending).toBe("html");
    expect(text).toContain("<mfrac><mi>q</mi><mn>30</mn></mfrac>");
    expect(text).toContain("<svg/><figcaption>");
  });
});

describe("own words in the editor", () => {
  const WORDS: WordsBlock[] = [
    { kind: "heading", runs: [{ text: "Why" }] },
    {
      kind: "paragraph",
      runs: [{ text: "a", bold: true }, { given: "F" }, { math: "2 F" }, { text: "b", italic: true }],
    },
    { kind: "list", items: [[{ text: "one" }], [{ finding: "q1", show: "at" }]] },
    { kind: "list", ordered: true, items: [[{ text: "first" }]] },
    { kind: "paragraph", runs: [] },
  ];
  it("come back as they went in", () => expect(keptWords(editorDocument(WORDS))).toEqual(WORDS));
  it("a list inside a list becomes points of it", () => {
    const point = (text: string) => ({ type: "paragraph", content: [{ type: "text", text }] });
    const inner = { type: "bulletList", content: [{ type: "listItem", content: [point("b")] }] };
    const outer = { type: "bulletList", content: [{ type: "listItem", content: [point("a"), inner] }] };
    expect(keptWords({ type: "doc", content: [outer] })).toEqual([
      { kind: "list", items: [[{ text: "a" }], [{ text: "b" }]] },
    ]);
  });
  it("nothing is a paragraph to write in", () => {
    expect(editorDocument([])).toEqual({ type: "doc", content: [{ type: "paragraph" }] });
  });
});
