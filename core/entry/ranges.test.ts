import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { understand } from ".";

const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "Ranges" };
const KNOWN: CaseFile = { ...EMPTY, variables: [{ name: "q", label: "lanterns made", from: 0, to: 400 }] };

const variable = (line: string, source: CaseFile) => {
  const read = understand(line, source);
  if (read.kind === "refused") return read.message;
  return read.kind === "entries" && read.entries.length === 1 && read.entries[0]!.kind === "variable"
    ? read.entries[0]!.row
    : read;
};

describe("a range with the unit told by itself", () => {
  it.each([
    ["r in %, 2 … 5", { name: "r", unit: "%", from: 0.02, to: 0.05 }],
    ["r in %, 2 % … 5 %", { name: "r", unit: "%", from: 0.02, to: 0.05 }],
    ["r in %, 0.02 … 0.05", { name: "r", unit: "%", from: 0.02, to: 0.05 }],
    ["r in %/year from 2 to 5", { name: "r", unit: "%/year", from: 0.02, to: 0.05 }],
    ["q in lanterns, 0 … 300", { name: "q", unit: "lantern", from: 0, to: 300 }],
    ["q in lanterns: 0 to 300", { name: "q", unit: "lantern", from: 0, to: 300 }],
    ["q, in lanterns, between 0 and 300", { name: "q", unit: "lantern", from: 0, to: 300 }],
    ["p in $/lantern, 2.5 to 12", { name: "p", unit: "$/lantern", from: 2.5, to: 12 }],
    ["t in h, t >= 0", { name: "t", unit: "h", from: 0 }],
    ["t in h, 0 <= t <= 24", { name: "t", unit: "h", from: 0, to: 24 }],
    ["p: 2 $ … 5 $", { name: "p", unit: "$", from: 2, to: 5 }],
    ["q in the range 0 to 300", { name: "q", from: 0, to: 300 }],
  ])("%s", (line, wanted) => expect(variable(line, EMPTY)).toEqual(wanted));
  it("keeps what else is known of the variable", () =>
    expect(variable("q in lanterns, 10 … 300", KNOWN)).toEqual({
      name: "q",
      label: "lanterns made",
      unit: "lantern",
      from: 10,
      to: 300,
    }));
  it("tells one end in words, of a variable that is there", () => {
    expect(variable("q at least 30", KNOWN)).toEqual({ name: "q", label: "lanterns made", from: 30, to: 400 });
    expect(variable("q is no more than 250", KNOWN)).toEqual({ name: "q", label: "lanterns made", from: 0, to: 250 });
    expect(typeof variable("q at least 30", EMPTY)).toBe("string");
  });
  it.each(["q in lanterns = 3", "q in lanterns, up", "f(x) in m = 3x", "q in lanterns, 3"])(
    "%s is none, and is refused in words",
    (line) => expect(typeof variable(line, EMPTY)).toBe("string"),
  );
});
