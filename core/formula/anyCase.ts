const ESCAPE = String.raw`\\[pP]\{[^}]*\}|\\u(?:\{[^}]*\}|[\dA-Fa-f]{4})|\\x[\dA-Fa-f]{2}|\\k<[^>]*>|\\.`;
/** Parts of a pattern: an escape, the name of a group, a class of characters, one character. */
const PARTS = new RegExp(String.raw`${ESCAPE}|\(\?<\w+>|\[(?:${ESCAPE}|[^\]\\])*\]|.`, "gsu");
/** Parts of a class: an escape, a stretch of characters, one. */
const CLASS_PARTS = new RegExp(String.raw`${ESCAPE}|.-[^\]\\]|.`, "gsu");

/** A letter or a stretch of letters, small and capital. */
function both(part: string): string {
  const [small, capital] = [part.toLowerCase(), part.toUpperCase()];
  return small === capital || small.length !== part.length || capital.length !== part.length ? part : small + capital;
}
function folded(part: string): string {
  if (part.startsWith("\\") || part.startsWith("(?<")) return part;
  if (part.startsWith("["))
    return `[${part.slice(1, -1).replace(CLASS_PARTS, (one) => (one.startsWith("\\") ? one : both(one)))}]`;
  const letters = both(part);
  return letters === part ? part : `[${letters}]`;
}
const folds = new Map<string, string>();
/** Patterns that are kept: those of a line are made anew at each sign that is typed. */
const MOST = 2000;

/**
 * A pattern in which letters are small or capital, whichever way they are written. The sign of the language for it
 * makes an engine look for relatives of every letter there is as soon as `\p{L}` stands in a pattern, which doubles
 * what the pattern costs at its first use, and a line that is typed is held against two hundred of them.
 *
 * A character written by its number stands for itself alone, and so does what an earlier group has found.
 *
 * @param more  further signs: `g`
 * @example anyCase(String.raw`\bmax\p{L}*`) // as \b[mM][aA][xX]\p{L}*
 */
export function anyCase(source: string, more = ""): RegExp {
  let text = folds.get(source);
  if (text === undefined) {
    text = source.replace(PARTS, folded);
    if (folds.size >= MOST) folds.clear();
    folds.set(source, text);
  }
  return new RegExp(text, `u${more}`);
}
