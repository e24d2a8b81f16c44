import { formatQuantity } from "../explain";
import { buildModel, type CaseFile, type Question } from "../model";
import { analyse, earlierOf, isStopped, questionText, roomOf, sentenceOf } from "../question";
import { deskLinks } from "./links";
import { trailOf } from "./trail";

/** How a finding moves when one given is 10 % smaller and 10 % larger. */
export interface Influence {
  readonly given: string;
  readonly label: string;
  /** the finding's number with the given smaller and larger; null where there is none then */
  readonly less: number | null;
  readonly more: number | null;
  /** the same in words, with units */
  readonly lessText: string;
  readonly moreText: string;
  /** the larger of the two changes; Infinity where the answer goes away */
  readonly change: number;
}
export interface InfluenceReport {
  readonly question: string;
  /** what is asked, in words */
  readonly asked: string;
  readonly base: number;
  readonly baseText: string;
  readonly rows: readonly Influence[];
}

/** Share by which each given is moved. */
const MOVE = 0.1;

/**
 * "What matters most": each given of a finding's trail moved by 10 % both ways, ranked by the change of the answer;
 * null when the finding has no number.
 */
export function influenceOn(source: CaseFile, id: string): InfluenceReport | null {
  const small = onlyNeeded(source, id);
  const base = look(small, id);
  if (base.number === null) return null;
  const trail = trailOf(`question:${id}`, deskLinks(buildModel(small)));
  const rows = (small.givens ?? [])
    .filter((g) => trail.has(`given:${g.name}`) && g.value !== 0)
    .map((g): Influence => {
      const [less, more] = [-1, 1].map((side) =>
        look(
          {
            ...small,
            givens: small.givens!.map((r) =>
              r.name === g.name ? { ...r, value: Number((r.value * (1 + side * MOVE)).toPrecision(15)) } : r,
            ),
          },
          id,
        ),
      ) as [Look, Look];
      const change = Math.max(
        ...[less, more].map((l) => (l.number === null ? Infinity : Math.abs(l.number - base.number!))),
      );
      return {
        given: g.name,
        label: g.label ?? "",
        less: less.number,
        more: more.number,
        lessText: less.text,
        moreText: more.text,
        change,
      };
    });
  const asked = questionText(
    small.questions!.find((q) => q.id === id)!,
    buildModel(small),
  );
  return {
    question: id,
    asked,
    base: base.number,
    baseText: base.text,
    rows: rows.sort((a, b) => b.change - a.change),
  };
}

interface Look {
  readonly number: number | null;
  readonly text: string;
}

function look(source: CaseFile, id: string): Look {
  const { model, findings } = analyse(source);
  const f = findings.find((x) => x.id === id);
  if (!f || f.status === "error") return { number: null, text: f?.message ?? "no answer" };
  const followed = isStopped(f) ? null : roomOf(f).followed(f, model);
  if (!followed) return { number: null, text: sentenceOf(f, model) };
  const text = formatQuantity(followed.value, followed.unit, 5);
  return { number: followed.value, text: f.complete ? text : `${text}, as far as is settled` };
}

/** The case with the one question and those whose answers it uses. */
function onlyNeeded(source: CaseFile, id: string): CaseFile {
  const all = new Map((source.questions ?? []).map((q) => [q.id, q]));
  const wanted = new Set<string>();
  const visit = (q: Question | undefined): void => {
    if (!q || wanted.has(q.id)) return;
    wanted.add(q.id);
    for (const earlier of earlierOf(q)) visit(all.get(earlier));
  };
  visit(all.get(id));
  return { ...source, questions: (source.questions ?? []).filter((q) => wanted.has(q.id)) };
}

/** What a track for a given may sensibly run over: round ends around its value. */
export function trackOf(value: number): { from: number; to: number } {
  if (value === 0) return { from: -10, to: 10 };
  const reach = Number((2 * Math.abs(value)).toPrecision(2));
  return value > 0 ? { from: 0, to: reach } : { from: -reach, to: 0 };
}

/** Stops of a track, about. */
const STOPS = 200;

/** The round step that a track moves by: 1, 2 or 5 times a power of ten, and no more stops than are told apart. */
export function trackStep({ from, to }: { readonly from: number; readonly to: number }): number {
  const least = (to - from) / STOPS;
  const power = 10 ** Math.floor(Math.log10(least || 1));
  return [1, 2, 5, 10].map((m) => m * power).find((s) => s >= least) ?? least;
}
