import { namesTaken } from "../data";
import type { CaseFile } from "../model";

/** Lines that work in this very case, as it stands; only functions in one unit are set against each other. */
export interface LineExamples {
  readonly given: string;
  readonly function: string;
  /** null without a function to ask about */
  readonly question: string | null;
}
export function lineExamples(source: CaseFile): LineExamples {
  const functions = source.functions ?? [];
  const taken = namesTaken(source);
  const variable = source.variables?.[0]?.name ?? "x";
  const [f, g] =
    functions
      .flatMap((a, i) => functions.slice(i + 1).map((b) => [a, b] as const))
      .find(([a, b]) => a.of === b.of && a.unit === b.unit) ?? [];
  const [first] = functions;
  return {
    given: `${["F", "a", "b", "c"].find((n) => !taken.has(n)) ?? "k_2"} = 180 $`,
    function: f && g ? `D(${f.of}) = ${f.name} − ${g.name}` : `f(${variable}) = 3${variable} + 2`,
    question: f && g ? `${f.name} = ${g.name} ?` : first ? `${first.name} = 0 ?` : null,
  };
}

/** A plain calculation as the line that keeps it under a free name. */
export function namedCalculation(text: string, source: CaseFile): string {
  const taken = namesTaken(source);
  const name = ["a", "b", "c", "k"].find((n) => !taken.has(n)) ?? `a${taken.size}`;
  return `${name} = ${text.replace(/\s*=?\s*\??\s*$/, "")}`;
}
