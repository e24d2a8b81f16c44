import { describe, expect, it } from "vitest";
import { separated } from "./separated";

describe("rows for another program", () => {
  it.each([
    [
      [
        ["a", "b"],
        ["1", "2"],
      ],
      "a,b\n1,2",
      "a\tb\n1\t2",
    ],
    [[["1,234", "x"]], '"1,234",x', "1,234\tx"],
    [[['say "so"', ""]], '"say ""so""",', '"say ""so"""\t'],
    [[["two\nlines", "two\tcells"]], '"two\nlines",two\tcells', '"two\nlines"\t"two\tcells"'],
    // Numbers stay numbers; what a spreadsheet would run is a text.
    [[["-5.2", "+1e-3", "-.5"]], "-5.2,+1e-3,-.5", "-5.2\t+1e-3\t-.5"],
    [[["=1+1", "@sum", "-x + y <= 4", "+a"]], "'=1+1,'@sum,'-x + y <= 4,'+a", "'=1+1\t'@sum\t'-x + y <= 4\t'+a"],
    [[['=cmd|"/c calc"!A1']], `"'=cmd|""/c calc""!A1"`, `"'=cmd|""/c calc""!A1"`],
  ] as [string[][], string, string][])("%j", (rows, commas, tabs) => {
    expect(separated(rows, ",")).toBe(commas);
    expect(separated(rows, "\t")).toBe(tabs);
  });
});
