import type { DeskFinding } from "./findingCard";

const HEAD = ["finding", "question", "answer", "status", "at", "value", "exact"] as const;
/** Digits of a number for another program: all that a double has. */
const full = (v: number | null): string => (v === null ? "" : String(v));

/**
 * All findings as rows for another program, under a heading: each place a row, with all its digits; a finding without
 * places one row, with the value that its sentence tells.
 */
export function findingRows(findings: readonly DeskFinding[]): string[][] {
  const rows = findings.flatMap((f) => {
    const question = f.question.map((part) => part.text).join("");
    const common = [f.id, question, f.says.replaceAll("`", ""), f.status];
    if (f.solutions.length === 0) return [[...common, "", f.numbers.value ?? "", ""]];
    return f.solutions.map((s, i) => [...common, full(s.at), full(s.value), f.exact[i]?.text ?? ""]);
  });
  return [[...HEAD], ...rows];
}
