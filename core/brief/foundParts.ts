import { functionsOf } from "../model";
import { earlierOf } from "../question";
import type { DeskFinding, Influence, InfluenceReport } from "../desk";
import { list } from "../explain";
import { asked, bold, italic, paragraph, picture, plain, quiet, type BriefBlock, type BriefTable } from "./page";
import { planWorking, type WorkingStep } from "../working";
import { questionOf, type PartSource } from "./told";

/** Findings that the answer names where nobody said which ones count. */
const MOST_ANSWERS = 4;
/** Findings whose givens are weighed: each costs a few runs of the whole case. */
export const MOST_WEIGHED = 4;
/** Givens told for one finding. */
const MOST_GIVENS = 5;

/** What the story asks, answered: the findings its questions are marked with, else the first ones. */
export function answer({ source, desk, plan }: PartSource): BriefBlock[] {
  const wanted = (source.story?.marks ?? []).filter((m) => m.role === "question" && m.of).map((m) => m.of!);
  const marked = [...new Set(wanted.flatMap((id) => withEarlier(id, source)))].flatMap((id) =>
    desk.findings.filter((f) => f.id === id),
  );
  const chosen = marked.length > 0 ? marked : desk.findings;
  const lines = chosen
    .filter((f) => f.status !== "error")
    .slice(0, MOST_ANSWERS)
    .map(saidWithDoubt);
  if (plan && marked.length > 0) lines.push(plan.words.says);
  else if (plan) lines.unshift(plan.words.says);
  return lines.length > 0 ? [{ kind: "answer", lines }] : [quiet("Nothing is answered yet.")];
}

/** The sentence of a finding, and in brackets what is open about it. */
function saidWithDoubt({ says, chips }: DeskFinding): string {
  const open = chips.filter((c) => c.tone === "open" && !says.toLowerCase().includes(c.text)).map((c) => c.text);
  return open.length > 0 ? `${says} (${open.join("; ")})` : says;
}

/** A finding after those whose answers it uses: the greatest profit before the price at it. */
function withEarlier(id: string, source: PartSource["source"]): string[] {
  const question = source.questions?.find((q) => q.id === id);
  return question ? [...earlierOf(question), id] : [];
}

/** Every finding: what was asked, what was found, exactly and in numbers; and what is still to be found. */
export const findings = (from: PartSource): BriefBlock[] => [
  ...from.desk.findings.flatMap((f) => finding(f, from)),
  ...from.desk.waiting.flatMap((w) => [asked(questionOf(w)), quiet("It is being worked out …")]),
];

function finding(f: DeskFinding, { row, graph, source }: PartSource): BriefBlock[] {
  const exact = f.exact.map((e) => ({ latex: `${e.latex} \\approx ${latexNear(e.near)}`, text: e.text, note: "" }));
  const question = source.questions?.find((q) => q.id === f.id);
  const isPictured = row.graphs && graph !== null && question && f.solutions.length > 0;
  return [
    asked(questionOf(f)),
    paragraph(bold(f.says)),
    ...(exact.length > 0 ? [{ kind: "formulas", lines: exact } as const] : []),
    ...f.details.map((d) => paragraph(plain(d))),
    ...(f.message ? [quiet(f.message)] : []),
    ...(isPictured
      ? [picture(`finding:${f.id}`, row, { itself: `${list(functionsOf(question))}. ${f.says}`, described: f.says })]
      : []),
  ];
}

/** How sure each answer is, what was set aside, and whether units agree. */
export function checks({ desk }: PartSource): BriefBlock[] {
  const items = desk.findings.map((f) => {
    const chips = f.chips.map((c) => c.text).join("; ");
    const nothing = f.status === "error" ? "could not be answered" : "no second way was taken";
    return [italic(`${questionOf(f)} `), plain(chips || nothing)];
  });
  const judged = desk.functions.filter((f) => f.unitsAgree !== null);
  const wrong = judged.filter((f) => f.unitsAgree === false).map((f) => f.name);
  const units =
    wrong.length > 0
      ? `Units do not agree in ${list(wrong)}.`
      : judged.length > 0
        ? "Units agree in every function that has them."
        : "";
  return [{ kind: "list", ordered: false, items }, ...(units ? [paragraph(plain(units))] : [])];
}

/** What each answer would be with a given a tenth smaller or larger. */
export function changes({ influences, desk }: PartSource): BriefBlock[] {
  if (influences === null) return [quiet("It is being worked out what matters most …")];
  const weighed = influences.filter((r) => r.rows.length > 0);
  const others = desk.findings.length - weighed.length;
  const first = desk.findings.length > MOST_WEIGHED ? ` The first ${MOST_WEIGHED} findings were looked at.` : "";
  const rest =
    others > 0 ? [quiet(`Of ${counted(others, "finding", "findings")} no number was followed here.${first}`)] : [];
  return [...weighed.map(influenceTable), ...rest];
}

function influenceTable({ asked: question, baseText, rows }: InfluenceReport): BriefTable {
  return {
    kind: "table",
    caption: `${question} Now ${baseText}.`,
    columns: [
      { name: "given", isNumber: false },
      { name: "10 % less of it", isNumber: true },
      { name: "10 % more of it", isNumber: true },
    ],
    rows: rows
      .filter((r) => !isSame(r, baseText))
      .slice(0, MOST_GIVENS)
      .map((r) => [named(r), r.lessText, r.moreText]),
    more: idle(rows.filter((r) => isSame(r, baseText)).map(named)),
  };
}
/** Nothing that is shown changes: two tries say no more than that. */
const isSame = ({ lessText, moreText }: Influence, now: string): boolean => lessText === now && moreText === now;
const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;
const named = ({ given, label }: Influence): string => (label ? `${given}, ${label}` : given);
const idle = (names: readonly string[]): string =>
  names.length > 0 ? `With 10 % less or more of ${list(names, "or")} it is the same, to the digits shown.` : "";

/** The steps a student would write, for each finding that has such, and for a plan. */
export function working({ desk, plan, names }: PartSource): BriefBlock[] {
  const worked = desk.findings.filter((f) => f.working !== null && f.working.length > 0);
  const planned = plan ? planWorking(plan.plan, plan.result, names) : [];
  if (worked.length === 0 && planned.length === 0)
    return [quiet("No finding of this case has steps to be written by hand.")];
  return [
    ...worked.flatMap((f): BriefBlock[] => [asked(questionOf(f)), ...stepsBlocks(f.working!)]),
    ...(planned.length > 0
      ? [
          asked(plan!.plan.variables.length > 2 ? "The plan: why nothing is better." : "The plan, corner by corner."),
          ...stepsBlocks(planned),
        ]
      : []),
  ];
}
/** The lines of mathematics, and the sentence after them. */
const stepsBlocks = (steps: readonly WorkingStep[]): BriefBlock[] => [
  {
    kind: "formulas",
    lines: steps.filter((w) => w.latex !== "").map((w) => ({ latex: w.latex, text: w.text, note: w.says })),
  },
  ...steps.filter((w) => w.latex === "").map((w) => paragraph(plain(`${w.says} ${w.text}`))),
];

const latexNear = (near: string): string => near.replace(/,/g, "{,}").replace(/−/g, "-");
