import { describe, expect, it } from "vitest";
import fc from "fast-check";
import type { CaseFile } from "../model";
import { formulaText } from "../formula/formulaText.fixture";
import { interpret, understand, type Understanding } from ".";

const STALL: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "T",
  givens: [{ name: "F", value: 240, unit: "$" }],
  variables: [{ name: "x", from: 0, to: 10 }],
  functions: [{ name: "R", of: "x", by: { kind: "formula", text: "12 x" } }],
};
const rowOf = (read: Understanding) => (read.kind === "entries" ? read.entries.map((e) => e.row) : read);

// What is written in the strict way must never become something else because words are understood too.
describe("what the strict reader takes, the reader of words takes alike", () => {
  it("functions of any formula", () => {
    fc.assert(
      fc.property(formulaText, fc.constantFrom("f(x) =", "f(x)=", "g(x) = ", "C(x) ="), (formula, head) => {
        const line = `${head} ${formula}`;
        const strict = interpret(line, STALL);
        if (strict.ok) expect(rowOf(understand(line, STALL))).toEqual([strict.entry.row]);
      }),
      { numRuns: 400 },
    );
  });
  it("questions in their own form", () => {
    const amount = fc.constantFrom("0", "100", "2 F", "12.5", "F/2", "$300");
    const ask = fc.oneof(
      fc.tuple(fc.constantFrom("=", "<", "<=", ">", ">="), amount).map(([sign, v]) => `R ${sign} ${v} ?`),
      amount.map((v) => `R(${v}) ?`),
      fc.constantFrom("greatest R ?", "least R ?", "R doubles ?", "greatest R for x = 1 … 5 ?"),
      fc.tuple(fc.constantFrom("rate", "total", "average"), amount).map(([w, v]) => `${w} R on 0 … ${v} ?`),
    );
    fc.assert(
      fc.property(ask, (line) => {
        const strict = interpret(line, STALL);
        if (strict.ok) expect(rowOf(understand(line, STALL))).toEqual([strict.entry.row]);
      }),
      { numRuns: 200 },
    );
  });
  it("givens with their units", () => {
    const unit = fc.constantFrom("", " $", " $/kite", " km/h", " people", " %", " %/year", " °C", " m/s^2");
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), unit, (v, u) => {
        const line = `k = ${Number(v.toPrecision(6))}${u}`;
        const strict = interpret(line, STALL);
        if (strict.ok) expect(rowOf(understand(line, STALL))).toEqual([strict.entry.row]);
      }),
      { numRuns: 300 },
    );
  });
});
