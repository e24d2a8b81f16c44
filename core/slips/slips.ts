import { toDouble } from "../numeric";
import { formatNumber, isMoney } from "../explain";
import type { CaseFile, CaseProblem, FunctionRow, Model, ModelFunction } from "../model";
import type { Analysis } from "../question";
import { findingSlips } from "./findingSlips";
import type { Slip } from "./slip";
import { unusedNumbers } from "./unusedNumbers";

/** Two numbers of a story that differ by less than this part are one. */
const SAME = 1e-9;

/** All slips of a case, in the order of the desk: story, givens, functions, findings. */
export function slipsOf(analysis: Analysis): Slip[] {
  const { model, findings } = analysis;
  return [
    ...unusedNumbers(model),
    ...warned(model),
    ...givenSlips(model),
    ...profitSlips(model),
    ...findings.flatMap((f) => findingSlips(f, model)),
  ];
}

// ---- warnings of the model that a change would mend --------------------------------------------------------------

function warned(model: Model): Slip[] {
  return model.warnings.flatMap((w): Slip[] => {
    const row = /^(givens|variables|functions)\[(\d+)\]/.exec(w.path);
    if (!row) return [];
    const source = model.source[row[1] as "givens" | "variables" | "functions"]?.[Number(row[2])];
    if (!source) return [];
    const change = changeFor(w, source, model);
    const key =
      `${{ givens: "given", variables: "variable", functions: "function" }[row[1] as "givens"]}` + `:${source.name}`;
    return change ? [{ key, message: w.message, mend: change }] : [];
  });
}

function changeFor(w: CaseProblem, row: { name: string }, model: Model): Slip["mend"] {
  const reading = /^functions\[\d+\]\.by\.through\[(\d+)\]$/.exec(w.path);
  if (reading)
    return {
      says: "Leave this reading out",
      change: { kind: "dropReading", name: row.name, index: Number(reading[1]) },
    };
  if (w.path.endsWith(".name")) {
    const to = otherName(row as { name: string; label?: string }, model);
    return { says: `Call it ${to}`, change: { kind: "rename", from: row.name, to } };
  }
  if (w.path.endsWith(".value")) {
    const g = row as { name: string; value: number; unit: string };
    return {
      says: `Read it as ${formatNumber(g.value)} %`,
      change: { kind: "setGiven", name: g.name, value: hundredth(g.value), unit: g.unit },
    };
  }
  const place = /^functions\[\d+\]\.by\.(?:text|pieces\[(\d+)\]\.text)$/.exec(w.path);
  if (place && w.mend !== undefined && w.at !== undefined && w.end !== undefined) {
    const by = (row as FunctionRow).by;
    const piece = place[1] === undefined ? null : Number(place[1]);
    const text = by.kind === "formula" ? by.text : by.kind === "pieces" ? by.pieces[piece ?? 0]!.text : "";
    return {
      says: `Write ${w.mend}`,
      change: { kind: "setText", name: row.name, piece, text: text.slice(0, w.at) + w.mend + text.slice(w.end) },
    };
  }
  return null;
}

const hundredth = (value: number): number => Number((value / 100).toPrecision(15));

function namesOf(source: CaseFile): Set<string> {
  return new Set(
    [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].map((r) => r.name),
  );
}

/**
 * A name that differs from all others in more than capitals: the last word of the meaning, or the name with a number.
 */
function otherName(row: { name: string; label?: string | undefined }, model: Model): string {
  const taken = new Set([...namesOf(model.source)].map((n) => n.toLowerCase()));
  const word = row.label
    ?.match(/\p{L}{3,}/gu)
    ?.at(-1)
    ?.toLowerCase();
  if (word && !taken.has(word) && !["sin", "cos", "tan", "exp", "min", "max", "abs", "root", "step"].includes(word))
    return word;
  for (let i = 2; ; i++) if (!taken.has(`${row.name.toLowerCase()}_${i}`)) return `${row.name}_${i}`;
}

// ---- rates -------------------------------------------------------------------------------------------------------

const RATE = /\b(rate|percent(?:age)?|interest|inflation|tax|discount|share|growth)\b/i;

/** A name as it stands, within a pattern. */
const asPattern = (name: string): string => name.replaceAll(/[\\^$.*+?()[\]{}|/]/g, String.raw`\$&`);

/** Whether a formula has the name in the base of a power as a rate stands there: `(1 + i)^t`, `(1 − i/12)^(12 t)`. */
function growsBy(name: string, model: Model): boolean {
  const base = new RegExp(String.raw`\(\s*1\s*[+−-]\s*${asPattern(name)}(?:\s*/\s*\d+)?\s*\)\s*\^`, "u");
  return (model.source.functions ?? []).some((f) => f.by.kind === "formula" && base.test(f.by.text));
}

/** A rate of 4.2 in a plain number is 420 %. */
function givenSlips(model: Model): Slip[] {
  return (model.source.givens ?? []).flatMap((g): Slip[] => {
    if (
      g.unit ||
      Math.abs(g.value) <= 1 ||
      Math.abs(g.value) > 100 ||
      !(RATE.test(g.label ?? "") || growsBy(g.name, model))
    )
      return [];
    const factor = /\bfactor\b/i.test(g.label ?? "");
    return factor
      ? []
      : [
          {
            key: `given:${g.name}`,
            message:
              `${g.name} is a rate of ${formatNumber(g.value)}, which is ` +
              `${formatNumber(g.value * 100)} %. Was ${formatNumber(g.value)} % meant?`,
            mend: {
              says: `Read it as ${formatNumber(g.value)} %`,
              change: { kind: "setGiven", name: g.name, value: hundredth(g.value), unit: "%" },
            },
          },
        ];
  });
}

// ---- profit without its cost --------------------------------------------------------------------------------------

const isCalled = (f: ModelFunction, word: RegExp): boolean => word.test(f.label) || word.test(f.name);

function profitSlips(model: Model): Slip[] {
  const all = [...model.functions.values()].filter((f) => !f.trouble);
  return all
    .filter((f) => isCalled(f, /\bprofit\b/i))
    .flatMap((profit): Slip[] => {
      const row = model.source.functions!.find((r) => r.name === profit.name)!;
      if (row.by.kind !== "formula") return [];
      const beside = all.filter((f) => f !== profit && f.of === profit.of);
      const cost =
        beside.find((f) => isCalled(f, /\bcosts?\b/i) && !isCalled(f, /\b(average|unit|per)\b/i)) ??
        beside.find((f) => f.name === "C" && isMoney(f.unit));
      const revenue =
        beside.find((f) => isCalled(f, /\b(revenue|income|takings|sales)\b/i)) ??
        beside.find((f) => f.name === "R" && isMoney(f.unit));
      if (!cost)
        return [...model.givens.keys()].some((n) => profit.uses.includes(n)) || all.length > 1
          ? []
          : [
              {
                key: `function:${profit.name}`,
                message: `${profit.name} is called profit, but the case has no cost that is taken off.`,
                mend: null,
              },
            ];
      if (uses(profit.name, cost.name, model)) return [];
      const fits = revenue && agree(model, profit.name, revenue.name, cost.name);
      if (fits) return [];
      const base = revenue && profit.name !== revenue.name ? revenue.name : null;
      const parts = usesAny(profit, cost, model);
      const message = parts
        ? `${profit.name} is called profit, but it is not ${base ?? "the revenue"} − ` +
          `${cost.name}: only a part of the cost is taken off.`
        : `${profit.name} is called profit, but the cost ${cost.name} is not taken off.`;
      const text = base ? `${base} - ${cost.name}` : `${row.by.text} - ${cost.name}`;
      return [
        {
          key: `function:${profit.name}`,
          message,
          mend: {
            says: `Write ${profit.name} = ${text.replace(" - ", " − ")}`,
            change: { kind: "setText", name: profit.name, piece: null, text },
          },
        },
      ];
    });
}

/** Whether a function needs another, however far down. */
function uses(name: string, wanted: string, model: Model, seen = new Set<string>()): boolean {
  if (seen.has(name)) return false;
  seen.add(name);
  return (model.functions.get(name)?.uses ?? []).some((u) => u === wanted || uses(u, wanted, model, seen));
}
const usesAny = (profit: ModelFunction, cost: ModelFunction, model: Model): boolean =>
  cost.uses.some((u) => model.givens.has(u) && profit.uses.includes(u));

/** Whether the profit is revenue less cost all the same, written out: compared at inputs over the range. */
function agree(model: Model, profit: string, revenue: string, cost: string): boolean {
  const variable = model.variables.get(model.functions.get(profit)!.of);
  const lo = variable?.from ? toDouble(variable.from) : 0;
  const hi = variable?.to ? toDouble(variable.to) : lo + 100;
  const [p, r, c] = [profit, revenue, cost].map((n) => model.table.number(n));
  return [0.137, 0.41, 0.773, 0.99].every((share) => {
    const x = lo + (hi - lo) * share;
    const [a, b] = [p!(x), r!(x) - c!(x)];
    return Math.abs(a - b) <= SAME * Math.max(1, Math.abs(a), Math.abs(b));
  });
}
