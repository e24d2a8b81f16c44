import { buildModel, type CaseFile, type Mark, type MarkRole } from "../model";
import type { Offered } from "./draft";

type Kind = Offered["kind"];
type RowOf<K extends Kind> = Extract<Offered, { kind: K }>["row"];

/** The rows of one kind among what is offered. */
const rowsOf = <K extends Kind>(offers: readonly Offered[], kind: K): RowOf<K>[] =>
  offers.filter((o): o is Extract<Offered, { kind: K }> => o.kind === kind).map((o) => o.row as RowOf<K>);

const ROLES: Readonly<Record<Kind, MarkRole>> = {
  given: "given",
  variable: "limit",
  data: "relation",
  function: "relation",
  question: "question",
  "plan-variable": "relation",
  constraint: "limit",
  objective: "question",
};

/** The case that offers make by themselves, with marks where their words stand. */
export function assembled(story: string, offers: readonly Offered[]): CaseFile {
  const planVariables = rowsOf(offers, "plan-variable");
  const [objective] = rowsOf(offers, "objective");
  const marks = marksOf(offers);
  const plan = {
    variables: planVariables,
    constraints: rowsOf(offers, "constraint"),
    ...(objective ? { objective } : {}),
  };
  return {
    format: "pasear-case",
    version: 1,
    title: titleOf(story),
    story: { text: story, ...(marks.length > 0 ? { marks } : {}) },
    givens: rowsOf(offers, "given"),
    variables: rowsOf(offers, "variable"),
    data: rowsOf(offers, "data"),
    functions: rowsOf(offers, "function"),
    questions: rowsOf(offers, "question"),
    ...(planVariables.length > 0 ? { plan } : {}),
  };
}

/** Whether a case that was read can be worked out as it stands, with units that agree. */
export function isSound(made: CaseFile): boolean {
  const model = buildModel(made);
  return model.errors.length === 0 && [...model.functions.values()].every((f) => f.unitsAgree !== false);
}

/** The mark that an offer's words become; null for what stands on no words of its own. */
export function markOf(o: Offered): Mark | null {
  if (!o.from || o.kind === "variable" || o.kind === "data" || o.kind === "plan-variable") return null;
  const of =
    o.kind === "objective" ? undefined : o.kind === "question" || o.kind === "constraint" ? o.row.id : o.row.name;
  return { start: o.from.start, end: o.from.end, role: o.role ?? ROLES[o.kind], ...(of ? { of } : {}) };
}

/** Marks of the words that offers come from; where two would overlap, the earlier offer keeps its words. */
export function marksOf(offers: readonly Offered[]): Mark[] {
  const out: Mark[] = [];
  for (const mark of offers.flatMap((o) => markOf(o) ?? []))
    if (!out.some((m) => mark.start < m.end && m.start < mark.end)) out.push({ ...mark });
  return out.sort((a, b) => a.start - b.start);
}

/** The first words of the story, as a title. */
function titleOf(story: string): string {
  const first = story
    .trim()
    .split(/[.!?\n]/)[0]!
    .trim();
  const words = first.split(/\s+/).slice(0, 7).join(" ");
  const clean = words.replace(/[,;:]+$/, "").slice(0, 60);
  return clean === "" ? "A story" : clean;
}
