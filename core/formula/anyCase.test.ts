import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyCase } from "./anyCase";

/** Patterns as the readers of lines write them: groups with names, looks around, classes, escapes, other letters. */
const PATTERNS = [
  String.raw`^(?:(?:solve|find)\s+)+(?<rest>\p{L}+)$`,
  String.raw`(?<![\p{L}\d])(?:F|k_1|höhe)(?![\p{L}\d(])`,
  String.raw`\b(?:at|in)\s+(?<at>[−-]?\s?[$€]?\d+)(?!\s*(?:<|%))`,
  String.raw`[a-f\u0061-\u0063x]+\.\x41{2,3}`,
  String.raw`(?<![\p{L}\ue000-\ue0ff])q(?!\s*\()`,
  String.raw`[^\]a\\-]z\u{20}?`,
];

describe("a pattern in any case", () => {
  it.each([
    [String.raw`\bmax\p{L}*`, String.raw`\b[mM][aA][xX]\p{L}*`],
    [String.raw`(?<Low>\d)é\u00E9[x-z]`, String.raw`(?<Low>\d)[éÉ]\u00E9[x-zX-Z]`],
    ["ß1 %", "ß1 %"],
  ])("%s is %s", (source, folded) => {
    expect(anyCase(source).source).toBe(folded);
    expect(anyCase(source, "g").flags).toBe("gu");
  });

  it.each(PATTERNS)("%s finds what the language's own sign for it finds", (pattern) => {
    const [own, plain] = [anyCase(pattern, "g"), new RegExp(pattern, "giu")];
    const piece = fc.constantFrom(
      ..."abcfxzFKk_1qQ éÉhÖö$€5%<(.\\-]Aß\ue001",
      "solve ",
      "FIND ",
      "At ",
      "in ",
      "HÖHE",
      "AB ab",
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
        const text = pieces.join("");
        const found = (p: RegExp) => [...text.matchAll(p)].map((m) => [m.index, ...m]);
        expect(found(own)).toEqual(found(plain));
      }),
      { numRuns: 2000, seed: 20311 },
    );
  });
});
