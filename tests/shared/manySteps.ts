import type { CaseFile } from "#core/model";

/**
 * A case of two stairs of which one has so many steps that where they meet takes about half a second to be cut, so many
 * times over, after a value that is known at once.
 */
export const manySteps = (times: number): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Many steps",
  variables: [{ name: "x", from: -5, to: 5 }],
  functions: [
    { name: "g", of: "x", by: { kind: "formula", text: "ceil(-2 - 2x)" } },
    { name: "h", of: "x", by: { kind: "formula", text: "floor(tan(x^3))" } },
  ],
  questions: [
    { id: "q0", ask: "value", function: "g", at: 1 },
    ...Array.from({ length: times }, (_, i) => ({
      id: `q${i + 1}`,
      ask: "meet" as const,
      functions: ["h", "g"],
    })),
  ],
});
