import type { MarkRole } from "#core/model";

/** What a phrase of a story can be, in the order of the legend. */
export const MARK_ROLES: readonly MarkRole[] = ["given", "relation", "limit", "question"];

/** A phrase that is chosen to be marked, and where on the page, in pixels from the corner of the story. */
export interface ChosenPhrase {
  readonly start: number;
  readonly end: number;
  readonly phrase: string;
  readonly x: number;
  readonly y: number;
  /** place among the marks of the story; null for a new one */
  readonly existing: number | null;
}

/** What is selected on the page as a stretch of the story's text, without blanks at its ends; runs tell their start. */
export function selectedStretch(range: Range, text: string): { start: number; end: number } | null {
  const [start, end] = [
    offsetOf(range.startContainer, range.startOffset),
    offsetOf(range.endContainer, range.endOffset),
  ];
  if (start === null || end === null || end <= start) return null;
  const phrase = text.slice(start, end);
  const trimmed = phrase.trim();
  if (trimmed === "") return null;
  const first = start + phrase.indexOf(trimmed);
  return { start: first, end: first + trimmed.length };
}

function offsetOf(node: Node, offset: number): number | null {
  const isText = node.nodeType === Node.TEXT_NODE;
  const run = (isText ? node.parentElement : (node as Element))?.closest<HTMLElement>("[data-start]");
  return run ? Number(run.dataset.start) + (isText ? offset : 0) : null;
}
