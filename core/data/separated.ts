/** What a number looks like, as programs write it. */
const NUMBER = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/i;

/** What a cell of a file holds: a text, a number with all its digits, or nothing. */
export type FileCell = string | number | null;

/** Cells as the text of a CSV file or of the clipboard. */
export const cellsText = (rows: readonly (readonly FileCell[])[], separator: "," | "\t"): string =>
  separated(
    rows.map((row) => row.map((c) => (c === null ? "" : String(c)))),
    separator,
  );

/**
 * Rows as text for another program, with commas (RFC 4180) or tabs. A text that a spreadsheet would take for a formula
 * gets an apostrophe before it: what somebody named a constraint must not run anywhere.
 */
export function separated(rows: readonly (readonly string[])[], separator: "," | "\t"): string {
  const cell = (text: string): string => {
    const harmless = /^[=+\-@\t\r]/.test(text) && !NUMBER.test(text) ? `'${text}` : text;
    return harmless.includes(separator) || /["\r\n]/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless;
  };
  return rows.map((row) => row.map(cell).join(separator)).join("\n");
}
