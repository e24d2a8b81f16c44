import { describe, expect, it } from "vitest";
import type { Card } from "./card";
import { exactNote } from "./exactNote";

const note = (exactValue: string, value = 1) => exactNote({ value, exactValue }, { outputUnit: null } as Card);

describe("a value in its exact form", () => {
  it.each([
    // 1000 · 1.08^7 = 1713.82426877952, by multiplying seven times
    ["83682825624/48828125", ["exactly 1,713.82426877952"]],
    ["-83682825624/48828125", ["exactly −1,713.82426877952"]],
    // shorter as it is, or without an end as a decimal
    ["1/64", ["exactly 1/64"]],
    ["22/7", ["exactly 22/7"]],
    ["(345 - sqrt(97425))/2", ["exactly (345 - sqrt(97425))/2"]],
    // more digits than a double tells exactly: 1/2^40 = 9.094947017729282379150390625 · 10⁻¹³
    ["1/1099511627776", ["exactly 1/1099511627776"]],
    // told already
    ["7/4", []],
    ["12", []],
  ])("%s: %o", (exact, wanted) => expect(note(exact)).toEqual(wanted));
});
