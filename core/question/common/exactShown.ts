import type { ExactForm } from "../../solve";

/**
 * A number with more digits than a person reads came out of data, not out of a story; an exact form of it says nothing.
 */
const UNREADABLE = /[\d.]{12,}/;
/** Longest closed form that is easier to read than its decimal. */
const MAX_TEXT = 60;

export const readable = (text: string): string | null =>
  UNREADABLE.test(text) || text.length > MAX_TEXT ? null : text;

export const exactShown = (form: ExactForm | null | undefined): { exact: string | null; exactLatex: string | null } =>
  form && readable(form.text) ? { exact: form.text, exactLatex: form.latex } : { exact: null, exactLatex: null };
