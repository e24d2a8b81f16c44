import type { DeskFunction } from "#core/desk";
import { mathMarkup } from "./mathMarkup";

const escaped = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/** A page with every formula of a case as MathML, and under it its LaTeX; it needs nothing else. */
export function formulaPage(
  title: string,
  functions: readonly Pick<DeskFunction, "name" | "latex" | "label">[],
): string {
  const parts = functions
    .filter((f) => f.latex !== "")
    .map(
      (f) =>
        `<section><h2>${escaped(f.label || f.name)}</h2><p>${mathMarkup(f.latex, true)}</p>` +
        `<pre>${escaped(f.latex)}</pre></section>`,
    );
  return (
    `<!doctype html>\n<html lang="en"><meta charset="utf-8"><title>${escaped(title)}</title>\n` +
    `<h1>${escaped(title)}</h1>\n${parts.join("\n")}\n</html>\n`
  );
}
