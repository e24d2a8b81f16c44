import { GONE, type BriefBlock, type BriefPage, type BriefTable, type Run } from "./page";

/** What the writer of a page needs from elsewhere: mathematics as MathML, and pictures as SVG text. */
export interface HtmlMeans {
  readonly math: (latex: string, isDisplay: boolean) => string;
  readonly svg: (key: string) => string | null;
  readonly sheet: "a4" | "letter";
}

export const escapedHtml = (text: string): string =>
  text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;").replace(/"/g, "&quot;");

const STYLE = `
:root { color: #1d2530; background: #fff; font-family: Literata, Georgia, serif; line-height: 1.5; }
main { max-width: 42rem; margin: 2.5rem auto; padding: 0 1.2rem; }
h1 { font-size: 1.75rem; line-height: 1.25; margin: 0; }
h2 { font-size: 1.05rem; color: #0c7a66; margin: 1.9rem 0 0.4rem; }
h3 { font-size: 1rem; margin: 1.2rem 0 0.3rem; }
p { margin: 0.4rem 0; } .about, .quiet, figcaption, caption, .note { color: #556070; font-size: 0.92rem; }
.answer { border-left: 3px solid #f0a02c; padding: 0.1rem 0 0.1rem 1rem; margin: 1.2rem 0; }
.answer p:first-child { font-weight: 700; font-size: 1.15rem; }
figure { margin: 1rem 0; text-align: center; break-inside: avoid; } figure svg { width: 100%; height: auto; }
table { border-collapse: collapse; margin: 0.8rem 0; font-size: 0.95rem; }
caption { text-align: left; padding-bottom: 0.2rem; }
th, td { border-bottom: 1px solid #dfe3e8; padding: 0.25rem 1.2rem 0.25rem 0; text-align: left; vertical-align: top; }
th.number, td.number { text-align: right; font-variant-numeric: tabular-nums; }
math[display="block"] { margin: 0.4rem 0; } .gone { color: #b5432c; }
h2, h3 { break-after: avoid; } tr { break-inside: avoid; }
`;

/** The brief as one page that needs nothing else: no script, no request. */
export function briefHtml(page: BriefPage, means: HtmlMeans): string {
  const about = page.about ? `<p class="about">${escapedHtml(page.about)}</p>` : "";
  const byline = page.byline ? `<p class="about">${escapedHtml(page.byline)}</p>` : "";
  const sections = page.sections.map(({ title, blocks }) => {
    const head = title === null ? "" : `<h2>${escapedHtml(title)}</h2>\n`;
    return `<section>\n${head}${blocks.map((b) => block(b, means)).join("\n")}\n</section>`;
  });
  const paper = `@page { size: ${means.sheet === "a4" ? "A4" : "letter"}; margin: 22mm; }`;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapedHtml(page.heading)}</title>
<style>${STYLE}${paper}</style>
</head>
<body>
<main>
<h1>${escapedHtml(page.heading)}</h1>
${about}${byline}
${sections.join("\n")}
</main>
</body>
</html>
`;
}

function block(b: BriefBlock, means: HtmlMeans): string {
  switch (b.kind) {
    case "answer":
      return `<div class="answer">${b.lines.map((line) => `<p>${escapedHtml(line)}</p>`).join("")}</div>`;
    case "heading":
      return `<h3>${line(b.runs, means)}</h3>`;
    case "paragraph":
    case "question":
      return `<p>${line(b.runs, means)}</p>`;
    case "quiet":
      return `<p class="quiet">${line(b.runs, means)}</p>`;
    case "list": {
      const items = b.items.map((item) => `<li>${line(item, means)}</li>`).join("");
      return b.ordered ? `<ol>${items}</ol>` : `<ul>${items}</ul>`;
    }
    case "formulas":
      return b.lines
        .map((f) => `${f.note ? `<p class="note">${escapedHtml(f.note)}</p>` : ""}${means.math(f.latex, true)}`)
        .join("\n");
    case "table":
      return table(b);
    case "picture":
      return (
        `<figure aria-label="${escapedHtml(b.described)}">${means.svg(b.key) ?? ""}` +
        `<figcaption>${escapedHtml(b.caption)}</figcaption></figure>`
      );
  }
}

const line = (runs: readonly Run[], means: HtmlMeans): string => runs.map((r) => run(r, means)).join("");
function run(r: Run, means: HtmlMeans): string {
  if ("latex" in r) return means.math(r.latex, false);
  if ("live" in r) return r.text === null ? `<span class="gone">${GONE}</span>` : escapedHtml(r.text);
  const text = escapedHtml(r.text).replace(/\n/g, "<br>");
  const slanted = r.italic ? `<em>${text}</em>` : text;
  return r.bold ? `<strong>${slanted}</strong>` : slanted;
}

function table({ caption, columns, rows, more }: BriefTable): string {
  const cells = (row: readonly string[], tag: "th" | "td") =>
    `<tr>${row
      .map((text, j) => `<${tag}${columns[j]?.isNumber ? ' class="number"' : ""}>${escapedHtml(text)}</${tag}>`)
      .join("")}</tr>`;
  const head = cells(
    columns.map((c) => c.name),
    "th",
  );
  const foot = more ? `<p class="quiet">${escapedHtml(more)}</p>` : "";
  return (
    `<table><caption>${escapedHtml(caption)}</caption><thead>${head}</thead>` +
    `<tbody>${rows.map((row) => cells(row, "td")).join("")}</tbody></table>${foot}`
  );
}
