/** A place in a text, in UTF-16 code units: `end` is one past the last. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

export type ProblemCode =
  | "empty"
  | "too-long"
  | "too-deep"
  | "strange-character"
  | "unfinished"
  | "unclosed"
  | "unopened"
  | "missing-operator"
  | "unexpected"
  | "unknown-name"
  | "unknown-function"
  | "arguments"
  | "needs-argument"
  | "other-variable"
  | "division-by-zero"
  | "domain"
  | "not-whole"
  | "reserved"
  | "reads-otherwise"
  | "no-slope";

/** What is wrong with a formula text, where, and what would be right. */
export interface Problem extends Span {
  readonly code: ProblemCode;
  readonly message: string;
  /** a replacement for the text of the span that would mend it, where there is one */
  readonly mend?: string;
}

export const problem = (code: ProblemCode, span: Span, message: string, mend?: string): Problem => ({
  code,
  start: span.start,
  end: span.end,
  message,
  ...(mend === undefined ? {} : { mend }),
});

/** The text in typewriter quotes, shortened so that a sentence stays readable. */
export const quoted = (text: string): string => `\`${text.length > 40 ? `…${text.slice(-38)}` : text}\``;

/** Number of single-letter changes (insert, delete, replace, swap neighbours) between two words (Damerau 1964). */
function letterChanges(a: string, b: string): number {
  const rows: number[][] = [];
  for (let i = 0; i <= a.length; i++) {
    rows.push([i]);
    for (let j = 1; j <= b.length; j++) {
      if (i === 0) {
        rows[0]!.push(j);
        continue;
      }
      let least = Math.min(
        rows[i - 1]![j]! + 1,
        rows[i]![j - 1]! + 1,
        rows[i - 1]![j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1),
      );
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]!.push(least);
    }
  }
  return rows[a.length]![b.length]!;
}

const sameLetters = (name: string, known: readonly string[]): string | null =>
  known.find((k) => k.toLowerCase() === name.toLowerCase()) ?? null;

/** Which one of some names a mistyped one was probably meant to be: one in other capitals, or a near spelling. */
export const nearName = (name: string, known: readonly string[]): string | null =>
  sameLetters(name, known) ?? nearSpelling(name, known);

/**
 * What a mistyped name in a formula was probably meant to be: one of the names, or a product of some.
 * @param wholeFirst  a near spelling is likelier than a product (before a bracket)
 */
export function nearProduct(name: string, known: readonly string[], wholeFirst = false): string | null {
  const alike = sameLetters(name, known);
  if (alike) return alike;
  const split = splitIntoNames(name, new Set(known));
  if (split && !(wholeFirst && nearSpelling(name, known))) return split.join(" ");
  return nearSpelling(name, known);
}

function nearSpelling(name: string, known: readonly string[]): string | null {
  if (name.length < 3) return null;
  let best: string | null = null;
  let least = name.length > 5 ? 3 : 2;
  for (const k of known) {
    if (Math.abs(k.length - name.length) >= least) continue;
    const changes = letterChanges(name, k);
    if (changes < least) {
      least = changes;
      best = k;
    }
  }
  return best;
}

/** `cq` with c and q known is c · q. The fewest parts win. */
function splitIntoNames(name: string, known: ReadonlySet<string>): string[] | null {
  const best: (string[] | null)[] = [[]];
  for (let end = 1; end <= name.length; end++) {
    best.push(null);
    for (let start = Math.max(0, end - 40); start < end; start++) {
      const before = best[start];
      const part = name.slice(start, end);
      if (before && known.has(part) && (best[end] === null || before.length + 1 < best[end]!.length))
        best[end] = [...before, part];
    }
  }
  return name.length > 1 ? best[name.length]! : null;
}
