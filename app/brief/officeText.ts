import { GONE, type BriefBlock, type BriefTable, type Run } from "#core/brief";
import {
  AlignmentType,
  BorderStyle,
  Document,
  Footer,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  LineRuleType,
  Packer,
  PageNumber,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
  type FileChild,
  type ParagraphChild,
} from "docx";
import type { BriefFileRequest } from "~/workers/briefProtocol";
import { officeEquation } from "./officeMath";

/** Sizes of paper and the margin, in twentieths of a point. */
const PAPER = { a4: { width: 11_906, height: 16_838 }, letter: { width: 12_240, height: 15_840 } } as const;
const MARGIN = 1247;
/** A picture as wide as the text, in px of the document. */
const WIDTH = 620;
const JADE = "0C7A66";
const QUIET = "556070";
const NUMBERED = "numbered";

/** The brief as a text document with real headings, tables, equations, and pictures that have a text of their own. */
export async function officeText(asked: BriefFileRequest, told: (done: number, all: number) => void) {
  const { page } = asked;
  const all = page.sections.reduce((sum, s) => sum + s.blocks.length, 0) + 1;
  let done = 0;
  let lists = 0;
  const sections = page.sections.flatMap(({ title, blocks }): FileChild[] => [
    ...(title === null ? [] : [new Paragraph({ text: title, heading: HeadingLevel.HEADING_1 })]),
    ...blocks.flatMap((b) => {
      told(done++, all);
      if (b.kind === "list") lists++;
      return block(b, asked, lists);
    }),
  ]);
  const document = new Document({
    title: page.heading,
    creator: page.byline || "Pasear",
    styles: { default: STYLES },
    numbering: { config: [{ reference: NUMBERED, levels: [LEVEL] }] },
    sections: [
      {
        properties: {
          page: { size: PAPER[asked.sheet], margin: { top: MARGIN, bottom: MARGIN, left: MARGIN, right: MARGIN } },
        },
        footers: { default: new Footer({ children: [numberedPage()] }) },
        children: [...head(asked), ...sections],
      },
    ],
  });
  return new Uint8Array(await Packer.toArrayBuffer(document));
}

const LEVEL = {
  level: 0,
  format: LevelFormat.DECIMAL,
  text: "%1.",
  alignment: AlignmentType.START,
  style: { paragraph: { indent: { left: 560, hanging: 280 } } },
} as const;
const STYLES = {
  document: {
    run: { font: "Georgia", size: 22 },
    paragraph: { spacing: { after: 100, line: 288, lineRule: LineRuleType.AUTO } },
  },
  title: { run: { font: "Georgia", size: 38, bold: true, color: "1D2530" }, paragraph: { spacing: { after: 60 } } },
  heading1: {
    run: { font: "Georgia", size: 26, bold: true, color: JADE },
    paragraph: { spacing: { before: 300, after: 80 }, keepNext: true },
  },
  heading2: { run: { font: "Georgia", size: 24, bold: true, color: "1D2530" }, paragraph: { keepNext: true } },
};

const numberedPage = () =>
  new Paragraph({
    alignment: AlignmentType.CENTER,
    children: [new TextRun({ children: [PageNumber.CURRENT, " / ", PageNumber.TOTAL_PAGES], size: 18, color: QUIET })],
  });
const quietly = (text: string) => new Paragraph({ children: [new TextRun({ text, color: QUIET, size: 20 })] });

function head({ page }: BriefFileRequest): FileChild[] {
  const lines = [page.about, page.byline].filter(Boolean).map(quietly);
  return [new Paragraph({ text: page.heading, heading: HeadingLevel.TITLE }), ...lines];
}

function block(b: BriefBlock, asked: BriefFileRequest, list: number): FileChild[] {
  switch (b.kind) {
    case "answer":
      return b.lines.map(
        (text, i) =>
          new Paragraph({
            children: [new TextRun({ text, bold: i === 0, size: i === 0 ? 26 : 22 })],
            indent: { left: 240 },
            border: { left: { style: BorderStyle.SINGLE, size: 18, space: 8, color: "F0A02C" } },
          }),
      );
    case "heading":
      return [new Paragraph({ heading: HeadingLevel.HEADING_2, children: line(b.runs) })];
    case "paragraph":
    case "question":
      return [new Paragraph({ children: line(b.runs) })];
    case "quiet":
      return [new Paragraph({ children: line(b.runs, { color: QUIET, size: 20 }) })];
    case "list":
      return b.items.map((item) => {
        const place = b.ordered
          ? { numbering: { reference: NUMBERED, level: 0, instance: list } }
          : { bullet: { level: 0 } };
        return new Paragraph({ children: line(item), ...place });
      });
    case "formulas":
      return b.lines.map((f) => {
        const note = f.note ? [new TextRun({ text: `    ${f.note}`, color: QUIET, size: 20 })] : [];
        return new Paragraph({ children: [officeEquation(f.latex), ...note] });
      });
    case "table":
      return table(b);
    case "picture":
      return picture(b.key, b.caption, b.described, asked);
  }
}

interface Looks {
  readonly color?: string;
  readonly size?: number;
}
const line = (runs: readonly Run[], looks: Looks = {}): ParagraphChild[] =>
  runs.map((r) => {
    if ("latex" in r) return officeEquation(r.latex);
    if ("live" in r) return new TextRun({ text: r.text ?? GONE, ...looks });
    return new TextRun({ text: r.text, bold: r.bold ?? false, italics: r.italic ?? false, ...looks });
  });

const HAIRLINE = { style: BorderStyle.SINGLE, size: 4, color: "DFE3E8" };
const NONE = { style: BorderStyle.NONE, size: 0, color: "auto" };
function table({ caption, columns, rows, more }: BriefTable): FileChild[] {
  const row = (cells: readonly string[], isHead: boolean) =>
    new TableRow({
      ...(isHead ? { tableHeader: true } : {}),
      cantSplit: true,
      children: cells.map(
        (text, j) =>
          new TableCell({
            borders: { top: NONE, left: NONE, right: NONE, bottom: HAIRLINE },
            margins: { top: 40, bottom: 40, left: 60, right: 120 },
            children: [
              new Paragraph({
                alignment: columns[j]?.isNumber ? AlignmentType.END : AlignmentType.START,
                children: [new TextRun({ text, bold: isHead, size: 20 })],
              }),
            ],
          }),
      ),
    });
  const names = columns.map((c) => c.name);
  return [
    new Paragraph({ keepNext: true, children: [new TextRun({ text: caption, color: QUIET, size: 20 })] }),
    new Table({
      width: { size: 100, type: WidthType.PERCENTAGE },
      rows: [row(names, true), ...rows.map((cells) => row(cells, false))],
    }),
    quietly(more),
  ];
}

function picture(key: string, caption: string, described: string, { images }: BriefFileRequest): FileChild[] {
  const image = images.get(key);
  if (!image?.png) return [quietly(`(${caption})`)];
  const width = Math.min(WIDTH, image.width);
  const size = { width, height: Math.round((image.height * width) / image.width) };
  return [
    new Paragraph({
      alignment: AlignmentType.CENTER,
      keepNext: true,
      children: [
        new ImageRun({
          type: "png",
          data: image.png,
          transformation: size,
          altText: { name: key, title: caption, description: described },
        }),
      ],
    }),
    new Paragraph({
      alignment: AlignmentType.CENTER,
      children: [new TextRun({ text: caption, color: QUIET, size: 20 })],
    }),
  ];
}
