import { readCell } from "../data";
import { formatNumber } from "./quantity";

/** Digits a cell shows; what is kept has all of its own. */
const [SHOWN, TYPED] = [10, 12];
const isShare = (unit: string | undefined): boolean => unit?.startsWith("%") ?? false;

/** What a cell of a column of this unit shows; a share as percent. */
export function cellShown(value: number | null | undefined, unit: string | undefined): string {
  if (value === null || value === undefined) return "";
  return isShare(unit) ? `${formatNumber(value * 100, SHOWN)} %` : formatNumber(value, SHOWN);
}
/** The same as it is typed. */
export function cellTyped(value: number | null | undefined, unit: string | undefined): string {
  if (value === null || value === undefined) return "";
  return isShare(unit) ? `${Number((value * 100).toPrecision(TYPED))} %` : String(value);
}

export type CellRead =
  { readonly ok: true; readonly value: number | null } | { readonly ok: false; readonly message: string };
/** Reads what was typed into a cell; empty is no reading, and a plain number among shares is of percent. */
export function cellRead(text: string, unit: string | undefined): CellRead {
  const cell = readCell(text.trim(), ".", false);
  if (cell.kind === "empty") return { ok: true, value: null };
  if (cell.kind !== "number") {
    const message = `“${text.trim()}” is no number; write it as 1,234.5 or leave the cell empty.`;
    return { ok: false, message };
  }
  const isBare = isShare(unit) && !cell.percent;
  return { ok: true, value: isBare ? Number((cell.value / 100).toPrecision(15)) : cell.value };
}

/** The cells of a block that is pasted, tab by tab, or why it is none; null for one cell alone. */
export function blockRead(text: string): { readonly cells: (number | null)[][] } | { readonly message: string } | null {
  const lines = text
    .split(/\r?\n/)
    .filter((l) => l.trim() !== "")
    .map((l) => l.split("\t"));
  if (lines.length === 0 || (lines.length === 1 && lines[0]!.length === 1)) return null;
  const read = lines.map((l) => l.map((c) => readCell(c, ".", false)));
  if (read.some((l) => l.some((c) => c.kind === "text" || c.kind === "date")))
    return { message: "The block has cells that are no numbers; use Paste above to see how it would be read." };
  return { cells: read.map((l) => l.map((c) => (c.kind === "number" ? c.value : null))) };
}
