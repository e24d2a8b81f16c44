import { briefHtml, briefLatex, briefMarkdown, briefPage, planTold } from "#core/brief";
import { analyse, type Analysis } from "#core/question";
import { deskOf, findingLatex, findingText, trailOf, type Desk } from "#core/desk";
import { picture } from "#core/graph";
import { buildModel, type CaseFile } from "#core/model";
import { readPlan, solvePlan } from "#core/plan";
import { slipsOf } from "#core/slips";
import { offersAt, paintLine, pastedText, storyRuns, suggestions } from "#core/story";
import { interpret, withEntry, understand } from "#core/entry";
import { solveReport } from "#shared/solveReport";
import { cellsOfText } from "../../app/utils/tableFiles";
import { summarise } from "../../server/utils/caseSummary";

/** Words that only a fault brings into a sentence. */
const FAULTS = /\b(?:NaN|undefined|Infinity|\[object)\b/;

/**
 * Does with a case all that the page, the server and the command line do with it.
 * @throws what any of them throws, or an error with a sentence that has a fault's word in it
 */
export function everythingWith(source: CaseFile): void {
  const analysis = analyse(source);
  const desk = deskOf(analysis);
  const drawn = picture(analysis, {}, null);
  const told = [
    ...desk.findings.flatMap((f) => [
      f.says,
      findingText(f, true),
      findingLatex(f, true),
      ...f.details,
      f.message ?? "",
    ]),
    ...desk.functions.flatMap((f) => [f.text, f.note, f.trouble ?? "", f.unitMessage ?? "", ...f.warnings]),
    ...desk.givens.map((g) => g.shown),
    ...desk.variables.map((v) => v.range),
    ...[...desk.errors, ...desk.warnings].map((e) => e.message),
    ...slipsOf(analysis).map((s) => s.message),
    ...suggestions(buildModel(source)).map((s) => s.says),
    drawn?.described ?? "",
    summarise(source).says,
  ];
  for (const [from] of desk.links.slice(0, 3)) trailOf(from, desk.links);
  storyRuns(source.story?.text ?? "", source.story?.marks ?? []);
  if (source.plan) {
    readPlan(source.plan, analysis.model.names);
  }
  told.push(...written(source, analysis, desk, drawn?.described ?? null));
  solveReport(source);
  sound(told, JSON.stringify(source));
}

/** The brief of a case in every language it is written in. */
function written(source: CaseFile, { model }: Analysis, desk: Desk, graph: string | null): string[] {
  const result = source.plan && solvePlan(source.plan, model.names).result;
  const plan = source.plan && result ? planTold(source.plan, result, true) : null;
  const page = briefPage({ source, desk, names: model.names, plan, influences: [], graph });
  const math = (latex: string) => `<math>${latex}</math>`;
  return [
    briefMarkdown(page, (key) => key),
    briefLatex(page, (key) => key, "a4"),
    briefHtml(page, { math, svg: () => null, sheet: "letter" }),
  ];
}

/** Does with a line all that happens while it is typed and entered. */
export function everythingWithLine(line: string, source: CaseFile): void {
  interpret(line, source);
  const read = understand(line, source);
  sound([read.kind === "refused" ? read.message : read.says], line);
  paintLine(line, source);
  pastedText(line, cellsOfText(line), source);
  if (read.kind === "entries" && read.or) sound([read.or.says], line);
  for (const at of [0, line.length >> 1, line.length]) offersAt(line, at, source, true);
  if (read.kind === "entries") everythingWith(read.entries.reduce(withEntry, source));
}

/** A fault's word may stand in what is told only where it stands in what was typed. */
export function sound(told: readonly string[], typed: string): void {
  const fault = told.find((text) => FAULTS.test(text));
  if (fault !== undefined && !FAULTS.test(typed)) throw new Error(`told: ${fault}`);
}
