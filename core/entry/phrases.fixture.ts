import type { CaseFile, Question } from "../model";
import { buildModel } from "../model";
import { withEntry, type Entry } from "./entry";
import type { Understanding } from "./understanding";

/** What a line should become: the keys of the case format, and how functions are judged by their values. */
export interface Want {
  readonly kind?: string;
  readonly or?: readonly Want[];
  readonly of?: readonly Want[] | string;
  readonly mentions?: readonly string[];
  readonly [key: string]: unknown;
}
export interface Phrase {
  readonly id: string;
  readonly context: string;
  readonly text: string;
  readonly want: Want;
  readonly optional?: boolean;
}
const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

function hasValues(name: string, values: readonly (readonly [number, number])[], source: CaseFile): boolean {
  const model = buildModel(source);
  return model.functions.has(name) && values.every(([x, y]) => near(model.table.number(name)(x), y));
}

/** Whether what was understood is what was wanted; a sentence that says why not. */
export function judged(got: Understanding, want: Want, before: CaseFile): string | null {
  if (want.or) {
    const all = want.or.map((w) => judged(got, w, before));
    return all.includes(null) ? null : all.join(" | ");
  }
  if (want.kind === "refused") {
    if (got.kind !== "refused") return `taken as ${JSON.stringify(got)}`;
    return !want.mentions || want.mentions.some((m) => got.message.includes(m)) ? null : `says ${got.message}`;
  }
  if (want.kind === "number") {
    if (got.kind !== "number") return `not a number: ${JSON.stringify(got)}`;
    return near(got.value, want.value as number) ? null : `is ${got.value}`;
  }
  if (got.kind !== "entries") return `not taken: ${JSON.stringify(got)}`;
  const after = got.entries.reduce(withEntry, before);
  const wanted = want.kind === "several" ? (want.of as readonly Want[]) : [want];
  const left = [...got.entries];
  for (const w of wanted) {
    const i = left.findIndex((e) => isWanted(e, w, after));
    if (i < 0) return `${JSON.stringify(w)} is not among ${JSON.stringify(got.entries)}`;
    left.splice(i, 1);
  }
  const known = new Set(
    [...(before.functions ?? []), ...(before.variables ?? []), ...(before.givens ?? [])].map((r) => r.name),
  );
  const odd = left.filter((e) => e.kind === "question" || known.has(e.row.name));
  return odd.length === 0 ? null : `also adds ${JSON.stringify(odd)}`;
}

function isWanted(entry: Entry, want: Want, after: CaseFile): boolean {
  if (entry.kind !== want.kind) return false;
  const row = entry.row as unknown as Record<string, unknown>;
  for (const [key, value] of Object.entries(want)) {
    if (key === "kind" || key === "values") continue;
    if (key === "function" && typeof value === "object") {
      if (!hasValues(String(row.function), (value as { values: [number, number][] }).values, after)) return false;
    } else if (!isSame(row[key], value)) return false;
  }
  if (want.values && !hasValues(String(row.name), want.values as [number, number][], after)) return false;
  return entry.kind !== "question" || isNotNarrowed(entry.row, want);
}
const isNotNarrowed = (q: Question, want: Want): boolean =>
  ["from", "to", "at", "between"].every((k) => k in want || (q as unknown as Record<string, unknown>)[k] === undefined);

function isSame(a: unknown, b: unknown): boolean {
  if (b === null) return a === undefined;
  if (typeof a === "number" && typeof b === "number") return near(a, b);
  if (Array.isArray(b)) return Array.isArray(a) && a.length === b.length && b.every((x, i) => isSame(a[i], x));
  if (typeof b === "object" && b && typeof a === "object" && a)
    return Object.entries(b).every(([k, v]) => isSame((a as Record<string, unknown>)[k], v));
  return a === b;
}
