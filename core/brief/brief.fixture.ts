import { readFileSync } from "node:fs";
import { deskOf, influenceOn } from "../desk";
import { modelOf, type CaseFile, type WordsRun } from "../model";
import { planPicture, solvePlan } from "../plan";
import { analyse } from "../question";
import { briefPage, planTold, type BriefPage, type PlanTold } from ".";

/** A case of the demo. */
export const demo = (name: string): CaseFile =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8")) as CaseFile;

/** The page of a case as the interface puts it together. */
export function pageOf(source: CaseFile): BriefPage {
  return briefPage({
    source,
    desk: deskOf(analyse(source), "all"),
    names: modelOf(source).names,
    plan: toldPlan(source),
    influences: (source.questions ?? []).slice(0, 2).flatMap((q) => influenceOn(source, q.id) ?? []),
    graph: (source.functions ?? []).length > 0 ? "a graph" : null,
  });
}

function toldPlan(source: CaseFile): PlanTold | null {
  if (!source.plan) return null;
  const { names } = modelOf(source);
  const { result } = solvePlan(source.plan, names);
  return result && planTold(source.plan, result, planPicture(source.plan, names, result) !== null);
}

/** A case of one given and one function, with a brief of own words only. */
export const ownWords = (runs: WordsRun[]): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Boats",
  givens: [{ name: "F", value: 90, unit: "$", label: "mooring" }],
  variables: [{ name: "n", unit: "boat", from: 0, to: 40, whole: true }],
  functions: [{ name: "P", of: "n", unit: "$", by: { kind: "formula", text: "7 n - F" } }],
  questions: [{ id: "q1", ask: "reach", function: "P", value: 0 }],
  brief: {
    rows: [
      { id: "words1", blocks: [{ kind: "paragraph", runs }] },
      ...["answer", "known", "model", "graph", "findings", "checks"].map((id) => ({ id, off: true })),
    ],
  },
});
