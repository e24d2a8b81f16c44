import type { CaseFile, Mark, Plan, Question } from "../model";
import { freshId } from "../entry";
import type { Offered } from "../reading";
import { isUntitled } from "./begin";
import { freeConstraintId } from "./plan";
import { withMarks } from "./story";
import { way } from "./way";

const EMPTY_PLAN: Plan = { variables: [], constraints: [] };

/** A name or id of an offer, and the one it got in the case. */
type Renamed = ReadonlyMap<string, string>;

/** One offer put into a case. Questions and constraints get an id that is free there; what is named there stays. */
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

const ROLES = {
  given: "given",
  function: "relation",
  question: "question",
  constraint: "limit",
  objective: "question",
} as const;

/** The mark of an offer's words, under the name it has in the case. */
function markOf(o: Offered, ids: Renamed): Mark | null {
  if (!o.from || o.kind === "variable" || o.kind === "data" || o.kind === "plan-variable") return null;
  const { start, end } = o.from;
  if (o.kind === "objective") return { start, end, role: ROLES.objective };
  const of = "id" in o.row ? (ids.get(`${o.kind}:${o.row.id}`) ?? o.row.id) : o.row.name;
  return { start, end, role: o.role ?? ROLES[o.kind], of };
}

/** Marks that stand keep their words; of new ones that would overlap the first has them. */
function withOfferMarks(source: CaseFile, offers: readonly Offered[], ids: Renamed): CaseFile {
  if (!source.story) return source;
  const marks = [...(source.story.marks ?? [])];
  for (const mark of offers.flatMap((o) => markOf(o, ids) ?? []))
    if (!marks.some((m) => mark.start < m.end && m.start < mark.end)) marks.push(mark);
  return { ...source, story: withMarks(source.story, marks) };
}

export const offerEdits = {
  /** What the story offers, taken: rows of the case, and marks where their words stand. */
  takeOffers: way<{ offers: readonly Offered[]; title: string | null }>({
    says: ({ offers }) =>
      offers.length === 1 ? "take what the story offers" : `take ${offers.length} offers of the story`,
    apply(source, { offers, title }) {
      const ids = new Map<string, string>();
      const taken = offers.reduce((c, o) => withOffer(c, o, ids), source);
      const marked = withOfferMarks(taken, offers, ids);
      return title !== null && isUntitled(source) ? { ...marked, title } : marked;
    },
  }),
  /** What the story offers, refused: it is not offered again as long as its words stay. */
  leaveOffers: way<{ keys: readonly string[] }>({
    says: ({ keys }) =>
      keys.length === 1 ? "leave what the story offers" : `leave ${keys.length} offers of the story`,
    apply: (source, { keys }) =>
      source.story
        ? { ...source, story: { ...source.story, left: [...new Set([...(source.story.left ?? []), ...keys])] } }
        : source,
  }),
};
