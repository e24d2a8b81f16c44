import { readdirSync, readFileSync } from "node:fs";
import { amountsIn, caseOfStory } from "#core/reading";
import type { CaseFile, FunctionRow, Question } from "#core/model";
import { solveReport } from "#shared/solveReport";

/** A story of our own with what a careful reader finds in it, and the answers worked out by hand. */
export interface Story {
  readonly name: string;
  readonly title: string;
  readonly kind: string;
  readonly text: string;
  /** value, and unit as it stands beside it */
  readonly numbers: readonly (readonly [number, string])[];
  readonly offers: readonly string[];
  readonly answers: readonly number[];
}

/** What was found of a story: counts of what is there, and of what should be. */
export interface Measured {
  readonly name: string;
  readonly numbers: number;
  readonly units: number;
  readonly right: number;
  readonly wrong: readonly string[];
  readonly missing: readonly string[];
  /** every answer is among the findings, to four figures */
  readonly isAnswered: boolean;
}

const FOLDER = "demo/stories";
export const stories = (): Story[] =>
  readdirSync(FOLDER)
    .filter((f) => f.endsWith(".story.json"))
    .sort()
    .map(
      (f) => ({ name: f.replace(".story.json", ""), ...JSON.parse(readFileSync(`${FOLDER}/${f}`, "utf8")) }) as Story,
    );

/** A number in answers agrees to this share of itself: four figures are how it was written down. */
const AGREES = 2e-4;
export const agrees = (a: number, b: number): boolean => Math.abs(a - b) <= AGREES * Math.max(1e-9, Math.abs(b));

/** What a reading offers, a line each, without the names it chose. */
export function offersIn(made: CaseFile): string[] {
  const functions = made.functions ?? [];
  return [
    ...(made.givens ?? []).map((g) => `given ${g.value} ${g.unit ?? ""}`.trim()),
    ...(made.variables ?? []).map((v) => `variable ${v.unit ?? ""}${v.whole ? ", whole" : ""}`),
    ...(made.data ?? []).map((d) => `data of ${d.rows.length} rows`),
    ...functions.map((f) => `function ${f.label}`),
    ...(made.plan?.variables ?? []).map((v) => `plan variable ${v.label}`),
    ...(made.plan?.constraints ?? []).map((c) => `constraint ${c.text}`),
    ...(made.plan?.objective ? [`objective ${made.plan.objective.sense} ${made.plan.objective.text}`] : []),
    ...(made.questions ?? []).map((q) => questionLine(q, functions)),
  ];
}
function questionLine(q: Question, functions: readonly FunctionRow[]): string {
  const of = "function" in q ? ` ${functions.find((f) => f.name === q.function)?.label ?? q.function}` : "";
  const level = "value" in q && typeof q.value === "number" ? ` ${q.value}` : "";
  const at = "at" in q && typeof q.at === "number" ? ` at ${q.at}` : "";
  return `question ${q.ask}${of}${level}${at}${"factor" in q ? ` ${String(q.factor)}` : ""}`;
}

/** How many of some things are among others, each counted once. */
function among<T>(wanted: readonly T[], found: readonly T[], is: (a: T, b: T) => boolean): number {
  const left = [...found];
  return wanted.filter((w) => {
    const at = left.findIndex((f) => is(f, w));
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  }).length;
}

/** Every number that the answers to a case have: inputs, values and corners. */
export function numbersAnswered(made: CaseFile): number[] {
  const report = solveReport({ ...made, notes: undefined }, null);
  if ("errors" in report) return [];
  const findings = report.findings.flatMap((f) => [
    ...f.solutions.flatMap((s) => [s.at, s.value, s.whole?.at, s.whole?.value]),
    ...f.stretches.flatMap((s) => [s.from, s.to]),
    f.value,
    ...(f.wholeTies ?? []).flatMap((t) => [t.at, t.value]),
  ]);
  const { plan } = report;
  const corners = [...(plan?.best ?? []), ...(plan?.whole ? [plan.whole] : [])].flatMap((b) => [...b.at, b.value]);
  return [...findings, ...corners].filter((v): v is number => typeof v === "number");
}

/** Reads one story and holds it against what it should have given. */
export function measured(story: Story): Measured {
  const amounts = amountsIn(story.text);
  const made = caseOfStory(story.text);
  const found = amounts.map((a) => [a.value, a.unit] as const);
  const offered = offersIn(made);
  const answers = numbersAnswered(made);
  const left = [...story.offers];
  const wrong = offered.filter((o) => {
    const at = left.indexOf(o);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
  return {
    name: story.name,
    numbers: among(story.numbers, found, (a, b) => agrees(a[0], b[0])),
    units: among(story.numbers, found, (a, b) => agrees(a[0], b[0]) && a[1] === b[1]),
    right: offered.length - wrong.length,
    wrong,
    missing: left,
    isAnswered: story.answers.every((a) => answers.some((n) => agrees(n, a))),
  };
}
