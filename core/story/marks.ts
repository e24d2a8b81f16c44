import type { CaseFile, Mark, Story } from "../model";

/** A story with other marks, in the order of its words. */
export const withMarks = ({ text, left }: Story, marks: readonly Mark[]): Story => ({
  text,
  ...(marks.length > 0 ? { marks: [...marks].sort((a, b) => a.start - b.start) } : {}),
  ...(left && left.length > 0 ? { left } : {}),
});

/**
 * Moves marks along with an edit of the text: what stands before the change stays, what stands after it shifts, and a
 * mark whose own words were changed keeps its unchanged ends, or goes when nothing of it is left.
 */
export function shiftMarks(marks: readonly Mark[], before: string, after: string): Mark[] {
  const { head, tail } = changed(marks, before, after);
  const removedEnd = before.length - tail;
  const shift = after.length - before.length;
  return marks.flatMap((m) => {
    if (removedEnd > head && m.start >= head && m.end <= removedEnd) return [];
    const start = m.start >= removedEnd ? m.start + shift : Math.min(m.start, head);
    const end = m.end <= head ? m.end : m.end >= removedEnd ? m.end + shift : head;
    return end > start ? [{ ...m, start, end }] : [];
  });
}

/**
 * How much stayed before and after an edit. Beside repeated letters it could have been at several places; one that cuts
 * no mark is preferred, then the last.
 */
function changed(marks: readonly Mark[], before: string, after: string): { head: number; tail: number } {
  let head = 0;
  while (head < before.length && head < after.length && before[head] === after[head]) head++;
  let tail = 0;
  while (
    tail < before.length - head &&
    tail < after.length - head &&
    before[before.length - 1 - tail] === after[after.length - 1 - tail]
  )
    tail++;
  const cuts = (at: number, end: number) =>
    marks.filter((m) => m.start < Math.max(end, at) && m.end > at && !(at === end && m.start === at)).length;
  let best = { head, tail, cost: cuts(head, before.length - tail) };
  for (
    let h = head - 1, t = tail + 1;
    h >= 0 && best.cost > 0 && before[before.length - t] === after[after.length - t];
    h--, t++
  ) {
    const cost = cuts(h, before.length - t);
    if (cost < best.cost) best = { head: h, tail: t, cost };
  }
  return best;
}

export interface StoryRun {
  readonly text: string;
  readonly start: number;
  readonly mark: Mark | null;
  readonly index: number;
}

/** Cuts the story into runs of plain and marked text, in order; of overlapping marks the earlier one wins. */
export function storyRuns(text: string, marks: readonly Mark[]): StoryRun[] {
  const out: StoryRun[] = [];
  let at = 0;
  const ordered = marks
    .map((mark, index) => ({ mark, index }))
    .sort((a, b) => a.mark.start - b.mark.start || b.mark.end - a.mark.end);
  for (const { mark, index } of ordered) {
    if (mark.start < at) continue;
    if (mark.start > at) out.push({ text: text.slice(at, mark.start), start: at, mark: null, index: -1 });
    out.push({ text: text.slice(mark.start, mark.end), start: mark.start, mark, index });
    at = mark.end;
  }
  if (at < text.length) out.push({ text: text.slice(at), start: at, mark: null, index: -1 });
  return out;
}

/** The key of what a mark belongs to; null where it belongs to nothing. */
export function keyOfMark({ of, role }: Mark, source: CaseFile): string | null {
  if (!of) return null;
  if (role === "question" || source.questions?.some((q) => q.id === of)) return `question:${of}`;
  if (source.givens?.some((g) => g.name === of)) return `given:${of}`;
  return source.functions?.some((f) => f.name === of) ? `function:${of}` : `variable:${of}`;
}
