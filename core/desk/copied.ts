import { lowered } from "../numeric";
import type { DeskFinding } from "./findingCard";

/**
 * A finding as plain text for a document: question, answer, exact form, details, how sure it is, and the working when
 * wanted.
 */
export function findingText(f: DeskFinding, withWorking: boolean): string {
  const lines = [f.question.map((p) => p.text).join(""), f.says];
  for (const e of f.exact) lines.push(`exact: ${e.text} ≈ ${e.near}`);
  lines.push(...f.details);
  if (f.chips.length > 0) lines.push(`(${f.chips.map((c) => c.text).join("; ")})`);
  if (withWorking && f.working?.length) lines.push("", ...f.working.map((w) => `${w.says} ${w.text}`));
  return lines.join("\n");
}

/** The same for a LaTeX document: sentences escaped, mathematics in displays. Needs no package. */
export function findingLatex(f: DeskFinding, withWorking: boolean): string {
  const lines = [
    `\\textit{${latexText(f.question.map((p) => p.text).join(""))}}`,
    "",
    `\\textbf{${latexText(f.says)}}`,
  ];
  for (const e of f.exact) lines.push(`\\[ ${e.latex} \\approx ${e.near.replace(/−/g, "-")} \\]`);
  for (const d of f.details) lines.push("", latexText(d));
  if (f.chips.length > 0) lines.push("", `(${latexText(f.chips.map((c) => c.text).join("; "))})`);
  if (withWorking) for (const w of f.working ?? []) lines.push("", ...stepLatex(w));
  return lines.join("\n");
}

/** The same as Markdown: mathematics between dollar signs, the steps as a list. */
export function findingMarkdown(f: DeskFinding, withWorking: boolean): string {
  const lines = [`*${f.question.map((p) => p.text).join("")}*`, "", `**${markdownText(f.says)}**`];
  for (const e of f.exact) lines.push("", `$${e.latex} \\approx ${e.near.replace(/−/g, "-")}$`);
  if (f.details.length > 0) lines.push("", ...f.details.map((d) => `- ${markdownText(d)}`));
  if (f.chips.length > 0) lines.push("", markdownText(`(${f.chips.map((c) => c.text).join("; ")})`));
  const steps = withWorking ? (f.working ?? []) : [];
  if (steps.length > 0) lines.push("", ...steps.map((w, i) => `${i + 1}. ${stepMarkdown(w)}`));
  return lines.join("\n");
}
type Step = NonNullable<DeskFinding["working"]>[number];
const stepLatex = ({ says, text, latex }: Step): string[] =>
  latex === "" ? [latexText(`${says} ${text}`)] : [latexText(says), `\\[ ${latex} \\]`];
const stepMarkdown = ({ says, text, latex }: Step): string =>
  latex === "" ? markdownText(`${says} ${text}`) : `${markdownText(says)}\\\n   $${latex}$`;
const markdownText = (text: string): string => text.replace(/[\\`*_{}[\]<>$|#]/g, "\\$&");

const SPECIAL: Readonly<Record<string, string>> = {
  "\\": "\\textbackslash{}",
  "{": "\\{",
  "}": "\\}",
  $: "\\$",
  "%": "\\%",
  "&": "\\&",
  "#": "\\#",
  _: "\\_",
  "^": "\\textasciicircum{}",
  "~": "\\textasciitilde{}",
  "−": "$-$",
  "≈": "$\\approx$",
  "…": "\\ldots{}",
  "≤": "$\\le$",
  "≥": "$\\ge$",
  "∞": "$\\infty$",
  "·": "$\\cdot$",
  "→": "$\\to$",
  π: "$\\pi$",
  "√": "$\\surd$",
  "×": "$\\times$",
  "€": "\\texteuro{}",
  "£": "\\pounds{}",
  "\u202f": "\\,",
  "\u00a0": "~",
};
/** Plain words with every character that means something in LaTeX written out. */
export const latexText = (text: string): string =>
  text
    .replace(/[\\{}$%&#_^~−≈…≤≥∞·→π√×€£\u202f\u00a0]/g, (c) => SPECIAL[c] ?? c)
    .replace(/⁻?[⁰¹²³⁴⁵⁶⁷⁸⁹]+/g, (power) => `\\textsuperscript{${lowered(power)}}`);
