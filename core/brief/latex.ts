import { latexText } from "../desk";
import { GONE, type BriefBlock, type BriefPage, type BriefTable, type Run } from "./page";
import type { PicturePath } from "./markdown";

const PREAMBLE = String.raw`\documentclass[11pt]{article}
\usepackage[T1]{fontenc}
\usepackage[utf8]{inputenc}
\usepackage{textcomp}
\usepackage{amsmath,amssymb}
\usepackage{graphicx}
\usepackage{longtable}`;

/**
 * The brief as LaTeX source that compiles by itself, beside its pictures.
 * @param paper  the paper of the brief
 */
export function briefLatex(page: BriefPage, path: PicturePath, paper: "a4" | "letter"): string {
  const [about, byline] = [page.about, page.byline].map(latexText);
  const sections = page.sections.flatMap(({ title, blocks }) => [
    ...(title === null ? [] : [`\\section*{${latexText(title)}}`]),
    ...blocks.map((b) => block(b, path)),
  ]);
  return [
    PREAMBLE,
    `\\usepackage[${paper}paper,margin=25mm]{geometry}`,
    "\\setlength{\\parindent}{0pt}\\setlength{\\parskip}{6pt}",
    `\\title{${latexText(page.heading)}${about ? `\\\\\\large ${about}` : ""}}`,
    `\\author{${byline}}`,
    "\\date{}",
    "\\begin{document}",
    "\\maketitle",
    ...sections,
    "\\end{document}",
    "",
  ].join("\n\n");
}

function block(b: BriefBlock, path: PicturePath): string {
  switch (b.kind) {
    case "answer":
      return `\\begin{quote}\n${b.lines
        .map((text, i) => (i === 0 ? `\\textbf{${latexText(text)}}` : latexText(text)))
        .join("\n\n")}\n\\end{quote}`;
    case "heading":
      return `\\subsection*{${line(b.runs)}}`;
    case "paragraph":
    case "question":
      return line(b.runs);
    case "quiet":
      return `{\\small ${line(b.runs)}}`;
    case "list": {
      const kind = b.ordered ? "enumerate" : "itemize";
      return `\\begin{${kind}}\n${b.items.map((item) => `\\item ${line(item)}`).join("\n")}\n\\end{${kind}}`;
    }
    case "formulas":
      return b.lines.map((f) => `${f.note ? `${latexText(f.note)}\n` : ""}\\[ ${f.latex} \\]`).join("\n");
    case "table":
      return table(b);
    case "picture":
      return (
        `\\begin{center}\n\\includegraphics[width=\\linewidth]{${path(b.key)}}\n\n` +
        `{\\small ${latexText(b.caption)}}\n\\end{center}`
      );
  }
}

const line = (runs: readonly Run[]): string => runs.map(run).join("");
function run(r: Run): string {
  if ("latex" in r) return `$${r.latex}$`;
  if ("live" in r) return latexText(r.text ?? GONE);
  const set = latexText(r.text).replace(/\n/g, "\\newline{}");
  const slanted = r.italic ? `\\textit{${set}}` : set;
  return r.bold ? `\\textbf{${slanted}}` : slanted;
}

function table({ caption, columns, rows, more }: BriefTable): string {
  // Few columns of words may be wide, and break into lines; numbers stand to the right.
  const width = (0.84 / columns.length).toFixed(2);
  const shape = columns.map((c) => (c.isNumber ? "r" : `p{${width}\\linewidth}`)).join("");
  const cells = (row: readonly string[]) => `${row.map(latexText).join(" & ")} \\\\`;
  return [
    `\\textbf{${latexText(caption)}}`,
    "",
    `\\begin{longtable}{${shape}}`,
    cells(columns.map((c) => c.name)),
    "\\hline\\noalign{\\smallskip}",
    ...rows.map(cells),
    "\\end{longtable}",
    ...(more ? [latexText(more)] : []),
  ].join("\n");
}
