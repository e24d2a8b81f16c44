import { toDouble } from "../numeric";
import { VARIABLE, call, latexName, polynomialLatex } from "../formula";
import { inline, polynomialForm } from "../solve";
import {
  formatInput,
  formatNumber,
  formatQuantity,
  inputNoun,
  isMoney,
  questionPartsWithRounding,
  estimateWords,
  sentenceOf,
  workingOf,
  type QuestionPart,
  type WorkingStep,
} from "../explain";
import type { Unit } from "../units";
import { deskLinks } from "./links";
import { unitName, type Analysis, type CaseProblem, type Finding, type Model, type Question } from "../model";

/** How sure an answer is, what was set aside, what to look at: a short note beside a finding. */
export interface Chip {
  readonly tone: "sure" | "aside" | "open";
  readonly text: string;
}

export interface DeskFinding {
  readonly id: string;
  readonly status: Finding["status"];
  /** cut short; it may be looked at longer */
  readonly isCut: boolean;
  readonly question: readonly QuestionPart[];
  readonly says: string;
  /** exact form as LaTeX, one for each solution that has one */
  readonly exact: readonly { latex: string; text: string; near: string }[];
  readonly details: readonly string[];
  readonly chips: readonly Chip[];
  readonly message: string | null;
  readonly solutions: readonly { at: number; value: number | null }[];
  /** the steps a student would write, where there are such */
  readonly working: readonly WorkingStep[];
}
export interface DeskFunction {
  readonly name: string;
  readonly of: string;
  readonly label: string;
  readonly latex: string;
  readonly text: string;
  readonly note: string;
  readonly unit: string;
  readonly unitsAgree: boolean | null;
  readonly unitMessage: string | null;
  readonly trouble: string | null;
  readonly warnings: readonly string[];
}
export interface DeskVariable {
  readonly name: string;
  readonly label: string;
  readonly unit: string;
  readonly range: string;
  readonly whole: boolean;
}
export interface DeskGiven {
  readonly name: string;
  readonly label: string;
  readonly shown: string;
  readonly unit: string;
  readonly warnings: readonly string[];
}

/** What the Desk shows of a case beside the graph: words, typeset formulas, findings, and what feeds what. */
export interface Desk {
  readonly variables: readonly DeskVariable[];
  readonly givens: readonly DeskGiven[];
  readonly functions: readonly DeskFunction[];
  readonly findings: readonly DeskFinding[];
  /** the questions that are not answered yet, in words */
  readonly waiting: readonly { readonly id: string; readonly question: readonly QuestionPart[] }[];
  /** [from, to]: `to` is made with `from`; keys such as `given:F`, `variable:q`, `function:P`, `question:q1` */
  readonly links: readonly (readonly [string, string])[];
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
}

export function deskOf({ model, findings }: Analysis): Desk {
  const { source } = model;
  return {
    variables: [...model.variables.values()].map((v) => {
      const noun = inputNoun(v.name, v.unit);
      const range =
        `${v.from ? formatInput(toDouble(v.from), v.unit) : "−∞"} … ` +
        `${v.to ? formatInput(toDouble(v.to), v.unit) : "∞"}`;
      return {
        name: v.name,
        label: v.label,
        unit: noun === v.name ? (v.unit?.text ?? "") : noun,
        range,
        whole: v.whole,
      };
    }),
    givens: (source.givens ?? []).map((g, i) => ({
      name: g.name,
      label: g.label ?? "",
      unit: g.unit ?? "",
      shown: formatQuantity(g.value, model.givens.get(g.name)?.unit ?? null, 12),
      warnings: messages(model.warnings, `givens[${i}]`),
    })),
    functions: (source.functions ?? []).flatMap((row, i) => {
      const f = model.functions.get(row.name);
      return f ? [functionRow(model, row.name, i)] : [];
    }),
    findings: (source.questions ?? []).flatMap((q) => {
      const f = findings.find((x) => x.id === q.id);
      return f ? [findingCard(q, f, model)] : [];
    }),
    waiting: (source.questions ?? []).flatMap((q) =>
      findings.some((x) => x.id === q.id) ? [] : [{ id: q.id, question: questionPartsWithRounding(q, model) }],
    ),
    links: deskLinks(model),
    errors: model.errors,
    warnings: model.warnings,
  };
}

const messages = (list: readonly CaseProblem[], path: string): string[] =>
  list.filter((p) => p.path === path || p.path.startsWith(`${path}.`)).map((p) => p.message);

function functionRow(model: Model, name: string, index: number): DeskFunction {
  const f = model.functions.get(name)!;
  const row = model.source.functions![index]!;
  const by = row.by;
  const head = `${latexName(name)}(${latexName(f.of)}) = `;
  let latex = f.latex;
  if (!f.trouble && by.kind === "formula") {
    // The profit written out: what a student would get by clearing the brackets.
    const p = polynomialForm(inline(call(name, 0, VARIABLE), model.table));
    const simple = p && p.length <= 4 && f.uses.some((u) => model.functions.has(u)) ? polynomialLatex(p, f.of) : null;
    if (simple && simple.length < 60 && simple !== latex) latex += ` = ${simple}`;
  }
  const reading = ([x, y]: readonly [number | string, number | string]) =>
    `(${x}, ${typeof y === "number" ? formatQuantity(y, moneyOnly(f.unit)) : y})`;
  const note =
    by.kind === "line"
      ? `line through ${by.through.length} readings ${by.through.map(reading).join(" and ")}`
      : by.kind === "pieces"
        ? `${by.pieces.length} pieces`
        : by.kind === "total"
          ? `running total of ${by.function}`
          : by.kind === "slope"
            ? `slope of ${by.function}`
            : by.kind === "fit"
              ? fitNote(model, name, by.data)
              : "";
  const unitMessage = f.unitProblems[0]?.message ?? null;
  return {
    name,
    of: f.of,
    label: f.label,
    text: f.text,
    note,
    trouble: f.trouble,
    unit: f.unit ? unitName(f.unit).replace("a plain number", "") : "",
    unitsAgree: f.unitsAgree,
    unitMessage,
    latex: latex ? head + latex : "",
    warnings: messages(model.warnings, `functions[${index}]`).filter(
      (m) => m !== unitMessage && !f.unitProblems.some((p) => p.message === m),
    ),
  };
}
/** `logistic, fitted to 10 rows of followers, R² 0.9998`, with growth beside an exponential. */
function fitNote(model: Model, name: string, data: string): string {
  const f = model.fits.get(name);
  if (!f) return `fitted to ${data}`;
  const b = f.by.model === "exponential" ? f.fit.constants[1]!.value : null;
  const growth =
    b === null
      ? ""
      : `, factor ${formatNumber(Math.exp(b), 5)}, ${b >= 0 ? "growth" : "decay"} ` +
        `${formatNumber(Math.expm1(b) * 100, 4)} %, ` +
        `${b > 0 ? `doubles in ${formatNumber(Math.LN2 / b, 4)}` : `halves in ${formatNumber(-Math.LN2 / b, 4)}`}`;
  return (
    `${f.by.model === "own" ? "own formula" : f.by.model}` +
    `${f.by.method === "logs" ? " on logarithms" : ""}, fitted to ${f.fit.n} rows of ` +
    `${data}${f.skipped > 0 ? ` (${f.skipped} left out)` : ""}` +
    `${f.fit.r2 === null ? "" : `, R² ${formatNumber(f.fit.r2, 4)}`}${growth}`
  );
}
const moneyOnly = (unit: Unit | null): Unit | null =>
  unit && unit.text.startsWith("$") ? { powers: { "currency:USD": 1 }, factor: 1, text: "$" } : null;

/** Exact forms shown on a card; more answers than this are listed as decimals. */
const MAX_EXACT = 6;
const MAX_LISTED = 60;
/** Set-aside places told one by one. */
const MAX_ASIDE = 3;

function findingCard(q: Question, f: Finding, model: Model): DeskFinding {
  const variable = model.variables.get(f.about.variable);
  const name = f.about.given ?? f.about.variable;
  const output = model.functions.get(f.about.functions[0] ?? "")?.unit ?? null;
  const exact = f.solutions.slice(0, f.solutions.length <= MAX_EXACT ? MAX_EXACT : 0).flatMap((s) =>
    s.exactLatex && s.exact && !isShortDecimal(s.exact)
      ? [
          {
            latex: `${latexName(name)} = ${s.exactLatex}`,
            text: `${name} = ${s.exact}`,
            near: formatNumber(s.at, 10),
          },
        ]
      : [],
  );
  const input = f.about.given ? (model.givens.get(f.about.given)?.unit ?? null) : (variable?.unit ?? null);
  const shown = (x: number, digits?: number) => formatInput(x, input, digits);
  const details: string[] = [];
  if (
    f.solutions.length > 0 &&
    f.solutions.length <= MAX_EXACT &&
    exact.length === 0 &&
    (f.ask === "meet" || f.ask === "reach" || f.ask === "multiply" || f.ask === "given") &&
    f.solutions.some((s) => !Number.isInteger(s.at))
  )
    details.push(`${name} ≈ ${f.solutions.map((s) => shown(s.at, 10)).join(", ")}`);
  // The sentence tells only the first and last of many; here stands every one.
  if (f.solutions.length > MAX_EXACT && f.ask !== "where")
    details.push(
      `${name} ≈ ${f.solutions
        .slice(0, MAX_LISTED)
        .map((s) => shown(s.at, 8))
        .join(", ")}${f.solutions.length > MAX_LISTED ? ` and ${f.solutions.length - MAX_LISTED} more` : ""}`,
    );
  for (const s of f.solutions.slice(0, 3)) {
    const w = s.whole;
    if (!w || (f.ask !== "meet" && f.ask !== "reach") || w.at === s.at) continue;
    const signed = (v: number) => `${v > 0 ? "+" : ""}${formatQuantity(v, output)}`;
    details.push([w, ...(w.other ? [w.other] : [])].map((n) => `at ${shown(n.at)}: ${signed(n.value)}`).join(" · "));
  }
  if ((f.ask === "greatest" || f.ask === "least") && f.solutions[0]) {
    const s = f.solutions[0];
    const peak = f.ask === "greatest" ? "peak" : "low point";
    if (f.wholeTies)
      details.push(
        `${peak} at ${name} = ${shown(s.at)}, between ` +
          `${f.wholeTies.length === 2 ? "two equal whole neighbours" : "equal whole neighbours"}`,
      );
    else if (s.kind === "endpoint") details.push(`at the end of the range: ${name} = ${shown(s.at)}`);
    else if (exact.length === 0 && !s.whole && !Number.isInteger(s.at) && !sentenceOf(f, model).includes(shown(s.at)))
      details.push(`${name} ≈ ${shown(s.at, 10)}`);
    else if (s.whole && s.whole.at !== s.at)
      details.push(`${peak} ${formatQuantity(f.value ?? 0, output)} at ${name} = ${shown(s.at)}`);
  }
  if (f.estimate && f.estimate.low !== null && f.estimate.high !== null)
    details.push(
      "if the model holds, 95 of 100 readings there lie between " +
        `${formatQuantity(f.estimate.low, output, 4)} and ` +
        `${formatQuantity(f.estimate.high, output, 4)}`,
    );
  if (
    f.value !== null &&
    f.exactValue &&
    /[a-z/]/.test(f.exactValue) &&
    !isShortDecimal(f.exactValue) &&
    !isMoney(output)
  )
    details.push(`exactly ${f.exactValue}`);
  const range =
    variable?.from && variable.to && f.about.from !== null && f.about.to !== null
      ? `${shown(f.about.from)} … ${shown(f.about.to)}`
      : null;
  return {
    id: f.id,
    status: f.status,
    isCut: f.isCut,
    question: questionPartsWithRounding(q, model),
    says: sentenceOf(f, model),
    exact,
    details,
    chips: [...chips(f, range, shown), ...beyondChips(f, model)],
    message: f.status === "error" ? null : f.message && !sentenceOf(f, model).includes(f.message) ? f.message : null,
    solutions: f.solutions.map((s) => ({ at: s.at, value: s.value })),
    working: f.status === "error" ? [] : workingOf(q, model),
  };
}

/** A fraction that its decimal shows in full says nothing more. */
function isShortDecimal(exact: string): boolean {
  const m = /^-?\d+(?:\/(\d+))?$/.exec(exact);
  return m !== null && (!m[1] || /^(?:2|4|5|8|10|16|20|25|40|50|80|100|125|200|250|400|500|1000)$/.test(m[1]));
}

/** Answers of functions that come from data, where they lie beyond the rows. */
function beyondChips(f: Finding, model: Model): Chip[] {
  if (f.status === "error" || f.about.given || f.estimate) return [];
  const variable = model.variables.get(f.about.variable);
  const fits = [...fittedUnder(f.about.functions, model)].flatMap((name) => {
    const fit = model.fits.get(name);
    return fit && model.functions.get(name)?.of === f.about.variable ? [fit] : [];
  });
  if (fits.length === 0 || f.solutions.length === 0) return [];
  const [from, to] = [Math.min(...fits.map((k) => k.from)), Math.max(...fits.map((k) => k.to))];
  const off = f.solutions.map((s) => (s.at > to ? s.at - to : s.at < from ? s.at - from : 0)).filter((v) => v !== 0);
  if (off.length === 0) return [{ tone: "sure", text: "inside the data" }];
  const far = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  return [{ tone: "open", text: estimateWords(Number(far.toPrecision(4)), variable?.unit ?? null) }];
}
/** The fitted functions that some functions are made of. */
function fittedUnder(names: readonly string[], model: Model, seen = new Set<string>()): Set<string> {
  for (const name of names) {
    if (seen.has(name)) continue;
    seen.add(name);
    fittedUnder(model.functions.get(name)?.uses.filter((u) => model.functions.has(u)) ?? [], model, seen);
  }
  return seen;
}

function chips(f: Finding, range: string | null, shown: (x: number, digits?: number) => string): Chip[] {
  const out: Chip[] = [];
  if (f.status === "error") return out;
  if (f.estimate)
    out.push(
      f.estimate.beyond === 0
        ? { tone: "sure", text: "inside the data" }
        : { tone: "open", text: "an estimate beyond the data" },
    );
  const on = range ? ` on ${range}` : "";
  const n = f.solutions.length;
  if (f.complete) {
    if (f.ask === "meet" || f.ask === "reach") {
      const touching = f.solutions.every((s) => s.kind === "touching");
      const word = touching ? "touching" : "crossing";
      if (n === 1) out.push({ tone: "sure", text: `the only ${word}${on}` });
      else if (n > 1) out.push({ tone: "sure", text: `${n === 2 ? "both places" : `all ${n} places`}${on}` });
      else if (f.status === "none") out.push({ tone: "sure", text: `proven: none${on}` });
    } else if (f.ask === "where" || f.ask === "compare") out.push({ tone: "sure", text: `every stretch${on}` });
    else if ((f.ask === "greatest" || f.ask === "least") && f.status === "found")
      out.push({ tone: "sure", text: n === 1 ? `the ${f.ask}${on}, proven` : `all ${n} best inputs, proven` });
    else if (f.ask === "given" && n > 0)
      out.push({ tone: "sure", text: n === 1 ? "the only such value" : `all ${n} such values` });
  } else if (f.status !== "unsettled")
    out.push({
      tone: "open",
      text: f.searched ? `searched ${shown(f.searched.from)} … ${shown(f.searched.to)} only` : "not proven complete",
    });
  else out.push({ tone: "open", text: "not settled" });
  if (f.secondWay)
    out.push(
      f.secondWay.agrees
        ? { tone: "sure", text: "two methods agree" }
        : { tone: "open", text: `a second method differs by ${formatNumber(f.secondWay.difference, 3)}` },
    );
  for (const s of f.setAside.slice(0, MAX_ASIDE))
    out.push({ tone: "aside", text: `${shown(s.at, 5)} set aside: ${s.below ? "below" : "over"} the limit` });
  if (f.setAside.length > MAX_ASIDE)
    out.push({ tone: "aside", text: `${f.setAside.length - MAX_ASIDE} more set aside outside the range` });
  if (f.jumps.length > 0 && n === 0) out.push({ tone: "aside", text: `a jump at ${shown(f.jumps[0]!)} is no answer` });
  return out;
}
