import { bare } from "#core/numeric";
/** The fewest parts a line of each section has. */
const FEWEST = bare<{ parts: number; wants: string }>({
  ROWS: { parts: 2, wants: "a kind (N, L, G or E) and a name" },
  COLUMNS: { parts: 3, wants: "a variable, a row and a number" },
  RHS: { parts: 2, wants: "a row and a number" },
  RANGES: { parts: 2, wants: "a row and a number" },
  BOUNDS: { parts: 2, wants: "a kind and a variable" },
});

/**
 * The first line of an MPS file that cannot be one, in words; null where there is none. The solver's own reader never
 * comes back from some of them.
 */
export function mpsTrouble(text: string): string | null {
  let section = "";
  for (const [i, line] of text.split(/\r\n|[\r\n]/).entries()) {
    if (line.trim() === "" || line.startsWith("*")) continue;
    const parts = line.trim().split(/\s+/);
    if (/^\S/.test(line)) {
      section = parts[0]!.toUpperCase();
      if (section === "ENDATA") return null;
      continue;
    }
    const least = FEWEST[section];
    if (least && parts.length < least.parts)
      return `Line ${i + 1} of the file, under ${section}, should have ${least.wants}.`;
  }
  return null;
}
