import { GONE, type BriefBlock, type BriefPage, type BriefTable, type Run } from "./page";

/** Where the picture with a key is kept, as the text that refers to it should name it. */
export type PicturePath = (key: string) => string;

const SPECIAL = /[\\`*_[\]<>#|~$]/g;
const escaped = (text: string): string => text.replace(SPECIAL, (c) => `\\${c}`);

/** The brief as Markdown: pipes for tables, `$…$` for mathematics, pictures by their path. */
export function briefMarkdown(page: BriefPage, path: PicturePath): string {
  const head = [`# ${escaped(page.heading)}`, escaped(page.about), escaped(page.byline)].filter(Boolean);
  const sections = page.sections.flatMap(({ title, blocks }) => [
    ...(title === null ? [] : [`## ${escaped(title)}`]),
    ...blocks.map((b) => block(b, path)),
  ]);
  return `${[...head, ...sections].filter(Boolean).join("\n\n")}\n`;
}

function block(b: BriefBlock, path: PicturePath): string {
  switch (b.kind) {
    case "answer":
      return b.lines.map((line, i) => `> ${i === 0 ? `**${escaped(line)}**` : escaped(line)}`).join("\n>\n");
    case "heading":
      return `### ${line(b.runs)}`;
    case "paragraph":
    case "question":
    case "quiet":
      return fromStart(line(b.runs));
    case "list":
      return b.items.map((item, i) => `${b.ordered ? `${i + 1}.` : "-"} ${line(item)}`).join("\n");
    case "formulas":
      return b.lines.map((f) => `${f.note ? `${escaped(f.note)}\n\n` : ""}$$${f.latex}$$`).join("\n\n");
    case "table":
      return table(b);
    case "picture":
      return `![${escaped(b.described)}](${path(b.key)})\n\n*${escaped(b.caption)}*`;
  }
}

/** A line that begins like a list or a number would become one. */
const fromStart = (text: string): string => text.replace(/^(\s*\d*)([-+.)])(?=\s)/, "$1\\$2");
const line = (runs: readonly Run[]): string =>
  runs
    .map(run)
    .join("")
    .replace(/\s*\n\s*/g, "  \n");

function run(r: Run): string {
  if ("latex" in r) return `$${r.latex}$`;
  if ("live" in r) return escaped(r.text ?? GONE);
  const mark = `${r.bold ? "**" : ""}${r.italic ? "*" : ""}`;
  if (!mark) return escaped(r.text);
  // Blanks stand outside of what is set off.
  const [, before, inner, after] = /^(\s*)([\s\S]*?)(\s*)$/.exec(r.text)!;
  return inner ? `${before}${mark}${escaped(inner)}${[...mark].reverse().join("")}${after}` : r.text;
}

function table({ caption, columns, rows, more }: BriefTable): string {
  const cells = (row: readonly string[]) => `| ${row.map((c) => escaped(c)).join(" | ")} |`;
  const rule = `|${columns.map((c) => (c.isNumber ? "---:" : "---")).join("|")}|`;
  const body = [cells(columns.map((c) => c.name)), rule, ...rows.map(cells)].join("\n");
  return [`**${escaped(caption)}**`, body, more && escaped(more)].filter(Boolean).join("\n\n");
}
