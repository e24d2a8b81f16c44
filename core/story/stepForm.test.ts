import { expect, it, describe } from "vitest";
import fc from "fast-check";
import { buildModel, type CaseFile, type PieceRow } from "../model";
import { stepForm } from ".";

describe("pieces as unit steps", () => {
  it.each<[PieceRow[], string]>([
    [
      [
        { text: "2t", to: 4, ends: "[)" },
        { text: "8", from: 4, to: 10, ends: "[)" },
        { text: "0", from: 10 },
      ],
      "2t + (8 - 2t) step(t - 4) + (-8) step(t - 10)",
    ],
    [
      [
        { text: "0", to: 3, ends: "[)" },
        { text: "5", from: 3 },
      ],
      "5 step(t - 3)",
    ],
    [
      [
        { text: "0", to: 0, ends: "[)" },
        { text: "t + 1", from: 0 },
      ],
      "(t + 1) step(t)",
    ],
    [
      [
        { text: "t", to: -2, ends: "[)" },
        { text: "t - 1", from: -2 },
      ],
      "t + (t - 1 - t) step(t + 2)",
    ],
  ])("%j", (pieces, text) => {
    expect(stepForm(pieces, "t")).toEqual({ ok: true, text });
  });
  it.each<[PieceRow[], RegExp]>([
    [
      [
        { text: "1", to: 2 },
        { text: "2", from: 2, ends: "(]" },
      ],
      /piece 1 owns the break/,
    ],
    [
      [
        { text: "1", to: 2, ends: "[)" },
        { text: "2", from: 3 },
      ],
      /does not start where piece 1 ends/,
    ],
    [[], /no piece/],
  ])("%j is said to be impossible", (pieces, words) => {
    const r = stepForm(pieces, "t");
    expect(r.ok ? "" : r.message).toMatch(words);
  });
  it("has the same values as the pieces, breaks included", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom("2t", "8", "t^2 - 3", "0", "-t", "1 - t/4"), fc.integer({ min: 1, max: 5 })),
          { minLength: 2, maxLength: 5 },
        ),
        (list) => {
          let at = 0;
          const pieces: PieceRow[] = list.map(([text, width], i) => {
            const from = at;
            at += width;
            return {
              text,
              ...(i > 0 ? { from } : {}),
              ...(i < list.length - 1 ? { to: at, ends: "[)" as const } : {}),
            };
          });
          const made = stepForm(pieces, "t");
          expect(made.ok).toBe(true);
          const source: CaseFile = {
            format: "pasear-case",
            version: 1,
            title: "t",
            variables: [{ name: "t" }],
            functions: [
              { name: "f", of: "t", by: { kind: "pieces", pieces } },
              { name: "g", of: "t", by: { kind: "formula", text: made.ok ? made.text : "0" } },
            ],
          };
          const { table } = buildModel(source);
          for (let t = -2; t <= at + 2; t += 0.5) expect(table.number("g")(t)).toBeCloseTo(table.number("f")(t), 9);
        },
      ),
    );
  });
});
