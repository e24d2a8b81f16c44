import { freshId } from "../entry";
import type {
  CaseFile,
  DataTable,
  FunctionRow,
  Given,
  Mark,
  MarkRole,
  Plan,
  Question,
  Story,
  Variable,
} from "../model";
import { freeConstraintId } from "../plan";
import { withMarks } from "./marks";

/** A row that a story offers: the words it comes from, and what they are to it. */
export type Offered = {
  readonly from: { readonly start: number; readonly end: number } | null;
  /** where it is another than its kind has: a given may be a limit */
  readonly role?: MarkRole;
} & (
  | { readonly kind: "given"; readonly row: Given }
  | { readonly kind: "variable"; readonly row: Variable }
  | { readonly kind: "data"; readonly row: DataTable }
  | { readonly kind: "function"; readonly row: FunctionRow }
  | { readonly kind: "question"; readonly row: Question }
  | { readonly kind: "plan-variable"; readonly row: Plan["variables"][number] }
  | { readonly kind: "constraint"; readonly row: Plan["constraints"][number] }
  | { readonly kind: "objective"; readonly row: NonNullable<Plan["objective"]> }
);

const ROLES: Readonly<Record<Offered["kind"], MarkRole>> = {
  given: "given",
  variable: "limit",
  data: "relation",
  function: "relation",
  question: "question",
  "plan-variable": "relation",
  constraint: "limit",
  objective: "question",
};
/** What the words of an offer are to it. */
export const roleOf = (o: Offered): MarkRole => o.role ?? ROLES[o.kind];

/** Names and ids of offers, and those they got in a case. */
type Renamed = ReadonlyMap<string, string>;
const EMPTY_PLAN: Plan = { variables: [], constraints: [] };

/**
 * A case with offers put in, and marks where their words stand. Questions and constraints get ids that are free there;
 * what is named there stays, and so do the words of marks.
 */
export function withOffers(source: CaseFile, offers: readonly Offered[]): CaseFile {
  const ids = new Map<string, string>();
  const taken = offers.reduce((c, o) => withOffer(c, o, ids), source);
  if (!taken.story) return taken;
  const marks = [...(taken.story.marks ?? [])];
  for (const mark of offers.flatMap((o) => markOf(o, ids) ?? []))
    if (!marks.some((m) => mark.start < m.end && m.start < mark.end)) marks.push(mark);
  return { ...taken, story: withMarks(taken.story, marks) };
}

function withOffer(source: CaseFile, o: Offered, ids: Map<string, string>): CaseFile {
  const put = <T extends { name: string }>(list: readonly T[] | undefined, row: T): T[] =>
    (list ?? []).some((r) => r.name === row.name) ? [...list!] : [...(list ?? []), row];
  const plan = source.plan ?? EMPTY_PLAN;
  switch (o.kind) {
    case "given":
      return { ...source, givens: put(source.givens, o.row) };
    case "variable":
      return { ...source, variables: put(source.variables, o.row) };
    case "data":
      return { ...source, data: put(source.data, o.row) };
    case "function":
      return { ...source, functions: put(source.functions, o.row) };
    case "question": {
      const id = freshId(source);
      ids.set(`question:${o.row.id}`, id);
      return { ...source, questions: [...(source.questions ?? []), { ...renumbered(o.row, ids), id }] };
    }
    case "plan-variable":
      return { ...source, plan: { ...plan, variables: put(plan.variables, o.row) } };
    case "constraint": {
      const id = freeConstraintId(plan.constraints);
      ids.set(`constraint:${o.row.id}`, id);
      return { ...source, plan: { ...plan, constraints: [...plan.constraints, { ...o.row, id }] } };
    }
    case "objective":
      return { ...source, plan: { ...plan, objective: plan.objective ?? o.row } };
  }
}

/** A question that uses an earlier answer follows the earlier one to its new id. */
function renumbered(q: Question, ids: Renamed): Question {
  if (!("at" in q) || typeof q.at !== "object" || q.at === null) return q;
  return { ...q, at: { ...q.at, of: ids.get(`question:${q.at.of}`) ?? q.at.of } } as Question;
}

/** The mark of an offer's words, under the name it has in the case; ranges, tables and plan variables have none. */
function markOf(o: Offered, ids: Renamed): Mark | null {
  if (!o.from || o.kind === "variable" || o.kind === "data" || o.kind === "plan-variable") return null;
  const mark = { start: o.from.start, end: o.from.end, role: roleOf(o) };
  if (o.kind === "objective") return mark;
  return { ...mark, of: "id" in o.row ? (ids.get(`${o.kind}:${o.row.id}`) ?? o.row.id) : o.row.name };
}

/** Words and letters of a title that is taken from a story. */
const LONGEST_TITLE = { words: 7, letters: 60 } as const;

/** The first words of a story, for a case that nobody named; null where it has none. */
export function titleOfStory({ text }: Pick<Story, "text">): string | null {
  const words = text
    .trim()
    .split(/[.!?\n]/)[0]!
    .split(/\s+/);
  const title = words.slice(0, LONGEST_TITLE.words).join(" ");
  return title.replace(/[,;:]+$/, "").slice(0, LONGEST_TITLE.letters) || null;
}
