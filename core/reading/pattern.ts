/**
 * A pattern written over several lines: line ends, and the white space after them, are no part of it.
 *
 * @example re("i")`\b(?:costs?|
 *   rents?)\b` // as /\b(?:costs?|rents?)\b/i
 */
export const re =
  (flags = "") =>
  ({ raw }: TemplateStringsArray): RegExp =>
    new RegExp(raw.join("").replaceAll(/\n\s*/g, ""), flags);
