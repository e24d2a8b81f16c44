import { BUILTIN_FUNCTIONS, CONSTANTS, RESERVED, latexName, latexOf, resolve } from "../formula";
import { formatInput, isPercent } from "../explain";
import { modelOf, type CaseFile, type FunctionRow } from "../model";
import { MAX_LINE, interpret } from "../entry";
import { parseUnit } from "../units";

export type Paint = "given" | "variable" | "function" | "built-in" | "number" | "sign" | "word";
export interface Stroke {
  readonly from: number;
  readonly to: number;
  readonly paint: Paint;
}

const NUMBER = String.raw`(?<number>\d[\d,]*(?:\.\d+)?%?|\.\d+)`;
const WORD = String.raw`(?<name>\p{L}[\p{L}\p{Nd}_]*)`;
const SIGN = String.raw`(?<sign>[-+*/^=<>≤≥−·×÷?…();,[\]'])`;
const PART = new RegExp(`${NUMBER}|${WORD}|${SIGN}`, "gu");

/** What each part of a line is, so that it can be coloured; unknown names stay plain. */
export function paintLine(text: string, source: CaseFile): Stroke[] {
  if (text.length > MAX_LINE) return [];
  const kinds = new Map<string, Paint>();
  for (const b of [...BUILTIN_FUNCTIONS, ...CONSTANTS]) kinds.set(b, "built-in");
  for (const w of [
    "greatest",
    "least",
    "total",
    "average",
    "rate",
    "line",
    "slope",
    "of",
    "from",
    "over",
    "for",
    "whole",
    "between",
    "at",
    "when",
    "times",
    "since",
    "to",
    "in",
    "running",
    "compare",
    "so",
    "that",
  ])
    kinds.set(w, "word");
  for (const g of source.givens ?? []) kinds.set(g.name, "given");
  for (const v of source.variables ?? []) kinds.set(v.name, "variable");
  for (const f of source.functions ?? []) kinds.set(f.name, "function");
  const out: Stroke[] = [];
  for (const m of text.matchAll(PART)) {
    const { number, name } = m.groups!;
    const paint: Paint | undefined = number !== undefined ? "number" : name !== undefined ? kinds.get(name) : "sign";
    if (paint) out.push({ from: m.index, to: m.index + m[0].length, paint });
  }
  return out;
}

/** Whether a line is written in words: two side by side that name nothing, or one without a sign of mathematics. */
export function isWorded(text: string, source: CaseFile): boolean {
  const { givens, variables, functions } = modelOf(source);
  const isKnown = (w: string) => RESERVED.has(w) || givens.has(w) || variables.has(w) || functions.has(w);
  const words = text.replace(/\p{L}[\p{L}\p{Nd}_]+/gu, (w) => (isKnown(w) ? "" : "word"));
  return /word\s+word/.test(words) || (words.includes("word") && !/[-+*/^=<>≤≥·×÷()]/.test(text));
}

/**
 * The line as typeset mathematics, where it is mathematics: a function, a variable's range, a question about two sides.
 * Null: nothing to typeset.
 */
export function typesetLine(text: string, source: CaseFile): string | null {
  const read = interpret(text, source);
  if (text.length > MAX_LINE || ((!read.ok || read.entry.kind === "question") && isWorded(text, source))) return null;
  if (!read.ok) return typesetDraft(text, source);
  const { entry } = read;
  if (entry.kind === "function") return typesetFunction(entry.row, source);
  if (entry.kind === "variable") {
    const unit = entry.row.unit ? parseUnit(entry.row.unit).unit : null;
    const number = (b: number) => (isPercent(unit) ? formatInput(b, unit, 12).replace(" %", "\\,\\%") : String(b));
    const bound = (b: number | string | undefined, open: string) =>
      b === undefined ? open : typeof b === "number" ? number(b) : (formula(b, null, source) ?? b);
    return (
      `${bound(entry.row.from, "-\\infty")} \\le ${latexName(entry.row.name)} \\le ` +
      `${bound(entry.row.to, "\\infty")}`
    );
  }
  if (entry.kind === "question") return typesetDraft(text.replace(/\?\s*$/, ""), source);
  return null;
}

function typesetFunction(row: FunctionRow, source: CaseFile): string | null {
  const head = `${latexName(row.name)}(${latexName(row.of)}) = `;
  const by = row.by;
  if (by.kind === "formula") {
    const f = formula(by.text, row.of, source, row.name);
    return f && head + f;
  }
  if (by.kind === "slope") return `${head}${latexName(by.function)}'(${latexName(row.of)})`;
  if (by.kind === "total") return `${head}\\int_{${by.from ?? 0}}^{${latexName(row.of)}} ${latexName(by.function)}`;
  if (by.kind === "pieces") {
    const lines = by.pieces.map((p) => {
      const ends = p.ends ?? "[]";
      const low = p.from === undefined ? "" : `${p.from} ${ends.startsWith("[") ? "\\le" : "<"} `;
      const high = p.to === undefined ? "" : ` ${ends.endsWith("]") ? "\\le" : "<"} ${p.to}`;
      return `${formula(p.text, row.of, source, row.name) ?? p.text} & ${low}${latexName(row.of)}${high}`;
    });
    return `${head}\\begin{cases}${lines.join("\\\\")}\\end{cases}`;
  }
  return null;
}

/** One or two sides of a relation, as far as each can be read by itself. */
function typesetDraft(text: string, source: CaseFile): string | null {
  const sides = text.split(/(<=|>=|[=<>≤≥])/);
  if (sides.length > 3) return null;
  const variable = source.variables?.[0]?.name ?? null;
  const out = sides.map((s, i) =>
    i === 1
      ? ({ "=": "=", "<": "<", ">": ">", "<=": "\\le", ">=": "\\ge", "≤": "\\le", "≥": "\\ge" }[s] ?? null)
      : s.trim() === ""
        ? null
        : formula(s, variable, source),
  );
  return out.every((s) => s !== null) && out.join("").length > 1 ? out.join(" ") : null;
}

function formula(
  text: string,
  variable: string | null,
  source: CaseFile,
  ownName: string | null = null,
): string | null {
  const model = modelOf(source);
  const functions = new Map(model.names.functions);
  if (ownName && variable) functions.set(ownName, { of: variable });
  const r = resolve(text, { ...model.names, functions, variable: variable ?? model.names.variable });
  if (r.syntax && r.problems.every((p) => p.code !== "empty")) return latexOf(r.syntax);
  const amount = model.amount(text);
  return amount.ok ? text.trim() : null;
}
