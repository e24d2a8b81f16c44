import { toDouble } from "../numeric";
import { VARIABLE, call, latexName, polynomialLatex } from "../formula";
import { inline, polynomialForm } from "../solve";
import { formatInput, formatQuantity, inputNoun } from "../explain";
import { deskLinks } from "./links";
import { unitName, type CaseProblem, type Model } from "../model";
import { questionPartsWithRounding, workingOf, type Analysis, type QuestionPart } from "../question";
import { noteOf } from "./functionNote";
import { findingCard, type DeskFinding } from "./findingCard";

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
  /** its ends in words; null: open */
  readonly from: string | null;
  readonly to: string | null;
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

/**
 * What the Desk shows of a case.
 * @param worked  the questions whose working is looked at: it takes as long as the answers do
 */
export function deskOf({ model, findings }: Analysis, worked: "all" | readonly string[] = []): Desk {
  const { source } = model;
  const answers = (id: string) => findings.find((x) => x.id === id) ?? null;
  const isLookedAt = (id: string) => worked === "all" || worked.includes(id);
  return {
    variables: [...model.variables.values()].map((v) => {
      const noun = inputNoun(v.name, v.unit);
      const [from, to] = [v.from, v.to].map((end) => end && formatInput(toDouble(end), v.unit));
      return {
        name: v.name,
        label: v.label,
        unit: noun === v.name ? (v.unit?.text ?? "") : noun,
        range: `${from ?? "−∞"} … ${to ?? "∞"}`,
        from: from ?? null,
        to: to ?? null,
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
      return f ? [findingCard(q, f, model, isLookedAt(q.id) ? workingOf(q, f, model, answers) : null)] : [];
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
  const note = noteOf(row, model);
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
