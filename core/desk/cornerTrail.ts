import type { CaseFile } from "../model";
import { wordsOf } from "../plan";

/** What a corner of a plan rests on, in the case's own order. */
export interface CornerTrail {
  /** the constraints that meet there, by their id */
  readonly constraints: readonly string[];
  /** the givens these are written with */
  readonly givens: readonly string[];
  /** the words of the story that these come from */
  readonly phrases: readonly string[];
}

/** @param on  the ids of the constraints that meet in the corner */
export function cornerTrail(on: readonly string[], source: CaseFile): CornerTrail {
  const meeting = (source.plan?.constraints ?? []).filter((c) => on.includes(c.id));
  const words = new Set(meeting.flatMap((c) => wordsOf(c.text)));
  const givens = (source.givens ?? []).map((g) => g.name).filter((name) => words.has(name));
  const rests = new Set([...on, ...givens]);
  const { text = "", marks = [] } = source.story ?? {};
  return {
    constraints: meeting.map((c) => c.id),
    givens,
    phrases: marks.filter((m) => m.of !== undefined && rests.has(m.of)).map((m) => text.slice(m.start, m.end)),
  };
}
