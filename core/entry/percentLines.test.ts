import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { understand } from ".";

// r is an input told in percent, m what a function tells in percent.
const CASE: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Rates",
  variables: [
    { name: "r", unit: "%", from: 0.02, to: 0.14 },
    { name: "q", from: 0, to: 400 },
  ],
  functions: [
    { name: "A", of: "r", unit: "$", by: { kind: "formula", text: "1000 (1 + r)^7" } },
    { name: "m", of: "q", unit: "%", by: { kind: "formula", text: "0.3 - 20/(q + 100)" } },
  ],
};

describe("a bare number of what is told in percent", () => {
  it.each([
    ["A at 6?", "asks: what is A at 6 %?"],
    ["A(6) ?", "asks: what is A at 6 %?"],
    ["A(0.06) ?", "asks: what is A at 6 %?"],
    ["A at 1 ?", "asks: what is A at 1 %?"],
    ["A at r = 0.5", "asks: what is A at 50 %?"],
    ["total of A from 0 to 1", "asks: what is the total of A over 0 % … 100 %?"],
    // with its sign, it is what it says
    ["A at 300 % ?", "asks: what is A at 300 %?"],
    ["total of A from 0.5 to 8", "asks: what is the total of A over 0.5 % … 8 %?"],
    ["greatest A for 3 … 9 ?", "asks: where is A greatest, for r = 3 % … 9 %?"],
    ["m = 20 ?", "asks: where is m equal to 20 %, for q = 0 … 400?"],
    ["m = 10 or 15 ?", "asks: where is m equal to 10 % or 15 %, for q = 0 … 400?"],
    // money, and inputs that are counted, are what they are
    ["A = 1500 ?", "asks: where is A equal to $1,500, for r = 2 % … 14 %?"],
    ["m(60) ?", "asks: what is m at 60?"],
  ])("%s %s", (line, wanted) => {
    const read = understand(line, CASE);
    expect(read.kind === "refused" ? read.message : read.says).toBe(wanted);
  });
});
