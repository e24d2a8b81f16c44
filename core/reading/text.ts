/** A stretch of the story, in UTF-16 code units. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** A sentence of the story: its words, and where they stand. */
export interface Sentence extends Span {
  readonly text: string;
  /** it asks, or tells somebody to find something */
  readonly asks: boolean;
}

/** A full stop that ends no sentence: inside a number, or after a short word. */
const SHORT = /(?:\b(?:a\.m|p\.m|e\.g|i\.e|etc|approx|ca|no|mr|mrs|ms|dr|st|vs|min|max|hr|sec|ft|p\.a)|\b\p{Lu})$/iu;
const ASKING = new RegExp(
  String.raw`\?\s*$|^\s*(?:\(?[a-z\d]\)|[a-z\d][.)])?\s*(?:please\s+)?(?:find|determine|calculate|compute|work out|` +
    String.raw`tell|show|give|state|decide|estimate|predict|forecast|name)\b`,
  "i",
);

/** The sentences of a story. A line of its own ends one, a semicolon does not. */
export function sentencesOf(story: string): Sentence[] {
  const out: Sentence[] = [];
  const add = (start: number, end: number) => {
    const text = story.slice(start, end);
    const lead = /^\s*/.exec(text)![0].length;
    const kept = text.trim();
    if (kept !== "")
      out.push({ text: kept, start: start + lead, end: start + lead + kept.length, asks: ASKING.test(kept) });
  };
  let from = 0;
  for (const stop of story.matchAll(/[.!?]+["”’')]*(?=\s|$)|\n+/gu)) {
    const isDot = stop[0].startsWith(".") && !stop[0].includes("?");
    if (isDot && SHORT.test(story.slice(from, stop.index)) && /^\s+[\p{Ll}\d]/u.test(story.slice(stop.index + 1)))
      continue;
    add(from, stop.index + stop[0].length);
    from = stop.index + stop[0].length;
  }
  add(from, story.length);
  return out;
}

/** The sentence a place stands in. */
export const sentenceAt = (sentences: readonly Sentence[], at: number): Sentence =>
  sentences.find((s) => at >= s.start && at < s.end) ?? sentences[sentences.length - 1]!;

/** The smallest stretch that holds all of these. */
export const hull = (spans: readonly Span[]): Span => ({
  start: Math.min(...spans.map((s) => s.start)),
  end: Math.max(...spans.map((s) => s.end)),
});

/** A text without white space or signs at its ends. */
export function trimmed(story: string, span: Span): Span {
  const text = story.slice(span.start, span.end);
  const lead = /^[\s,;:.(“"]*/u.exec(text)![0].length;
  const tail = /[\s,;:.)”"]*$/u.exec(text)![0].length;
  return span.start + lead < span.end - tail ? { start: span.start + lead, end: span.end - tail } : span;
}
