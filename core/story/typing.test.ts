import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { buildModel, type CaseFile } from "../model";
import { isWorded, offersAt, paintLine, typesetLine } from ".";
import { interpret, withEntry } from "../entry";

const stall = JSON.parse(
  readFileSync(new URL("../../demo/lantern-stall.pasear.json", import.meta.url), "utf8"),
) as CaseFile;
/** Completions at the bar. */
const offers = (line: string, explicit = false) => {
  const at = line.indexOf("|");
  return offersAt(line.replace("|", ""), at, stall, explicit);
};
const labels = (line: string, explicit = false) => offers(line, explicit)?.list.map((o) => o.label) ?? [];

describe("completion", () => {
  it.each([
    ["P(q) = rev|", "R"],
    ["prof|", "P"],
    ["R = C| ?", undefined],
    ["greatest P|", undefined],
    ["gre|", "greatest"],
    ["x(q) = sq|", "sqrt"],
    ["S = 20 la|", "lantern"],
    ["S = 20 $|", "$/lantern"],
    ["tot|", "total of"],
    ["comp|", "Interest compounded n times a year"],
    ["G(q) = 2 + comp|", undefined],
    ["S = 40 perm|", "F"],
    ["G(q) = mat|", "k"],
    ["|", undefined],
  ])("%s → %s", (line, first) => {
    expect(labels(line)[0]).toBe(first);
  });
  it("on request an empty word offers every name", () => {
    expect(labels("G(q) = |", true)).toEqual(
      expect.arrayContaining(["R", "C", "P", "p", "q", "F", "k", "M", "sqrt"].slice(0, 8)),
    );
  });
  it("tells what each name is", () => {
    expect(offers("G(q) = F|")).toBeNull();
    expect(offers("G(q) = perm|")!.list[0]).toMatchObject({
      write: "F",
      detail: "permit and workbench, $180",
      kind: "given",
    });
  });
  it("replaces just the word before the cursor", () => {
    expect(offers("G(q) = 2 rev| + 3")!.from).toBe(9);
  });
  it("never fails, whatever is typed", () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(..."Rq=(2 $.…?la%/^".split("")), maxLength: 24 }),
        fc.nat(24),
        (text, at) => {
          const o = offersAt(text, Math.min(at, text.length), stall, true);
          expect(o === null || (o.from >= 0 && o.from <= at && o.list.length > 0)).toBe(true);
        },
      ),
    );
  });
});

describe("colours of a line", () => {
  const paint = (text: string) =>
    paintLine(text, stall)
      .filter((s) => s.paint !== "sign")
      .map((s) => `${text.slice(s.from, s.to)} ${s.paint}`);
  it.each([
    ["P(q) = R - sqrt(F) + zz", ["P function", "q variable", "R function", "sqrt built-in", "F given"]],
    ["greatest P ?", ["greatest word", "P function"]],
    ["r = 4.2%", ["4.2% number"]],
    ["M = 1,200 lanterns", ["M given", "1,200 number"]],
  ])("%s", (text, parts) => {
    expect(paint(text)).toEqual(parts);
  });
  it("strokes lie in order and never overlap", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        let at = 0;
        for (const s of paintLine(text, stall)) {
          expect(s.from).toBeGreaterThanOrEqual(at);
          expect(s.to).toBeGreaterThan(s.from);
          at = s.to;
        }
        expect(at).toBeLessThanOrEqual(text.length);
      }),
    );
  });
});

describe("typeset while typing", () => {
  it.each([
    ["G(q) = sqrt(q)/2", "G(q) = \\frac{\\sqrt{q}}{2}"],
    ["R = C ?", "R = C"],
    ["P >= 500 ?", "P \\ge 500"],
    ["S = 20 $", null],
    ["Gain(q) = Revenue(q) - Cost(q)", "\\mathrm{Gain}(q) = \\mathrm{Revenue}(q) - \\mathrm{Cost}(q)"],
    ["Revenue(q) = 12 q", "\\mathrm{Revenue}(q) = 12\\, q"],
    ["n = 0 … 40", "0 \\le n \\le 40"],
    ["r = 4 … 9 %", "4\\,\\% \\le r \\le 9\\,\\%"],
    ["G(q) = 1/(q + ", null],
    [
      "w(q) = 2q for 0 <= q < 3; 6 for q >= 3",
      "w(q) = \\begin{cases}2\\, q & 0 \\le q < 3\\\\6 & 3 \\le q\\end{cases}",
    ],
    ["D(q) = slope of P", "D(q) = P'(q)"],
  ])("%s", (text, latex) => {
    expect(typesetLine(text, stall)).toBe(latex);
  });
  it.each(["Gain(q) = Revenue(q) - Cost(q)", "G(q) = 1/(q + ", "Profit = ", "P >= 500 ?"])(
    "%s is not written in words",
    (text) => {
      expect(isWorded(text, stall)).toBe(false);
    },
  );
  it.each([
    "when does the profit reach 300",
    "does P reach 300?",
    "wh",
    "N becomes 5 times after 2 ?",
    "P is most when?",
  ])("%s is written in words", (text) => {
    expect(isWorded(text, stall)).toBe(true);
    expect(typesetLine(text, stall)).toBeNull();
  });
});

describe("what may stand in a question", () => {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    givens: [
      { name: "a", value: 2 },
      { name: "w", value: 3 },
    ],
    variables: [{ name: "x", unit: "night", from: 0, to: 10 }],
    functions: [
      { name: "f", of: "x", by: { kind: "formula", text: "a x" } },
      { name: "g", of: "x", by: { kind: "formula", text: "w + x" } },
    ],
    questions: [{ id: "q1", ask: "meet", functions: ["f", "g"] }],
  };
  const ask = (line: string) => {
    const read = interpret(line, source);
    return read.ok ? read.entry.row : read.message;
  };
  it.each([
    ["f(answer of q1) ?", { ask: "value", at: { of: "q1" } }],
    ["f(the whole answer of q1) ?", { at: { of: "q1", pick: "whole" } }],
    ["least of f, g ?", { ask: "compare", functions: ["f", "g"] }],
    ["which of f and g is least ?", { ask: "compare", functions: ["f", "g"] }],
    ["compare f, g ?", { ask: "compare" }],
    ["f times 2 ?", { ask: "multiply", factor: 2 }],
    ["f becomes 3 times after 1 ?", { ask: "multiply", factor: 3, start: 1 }],
    ["f doubles ?", { factor: 2 }],
    ["f = 3 from 1 to 2 a + w ?", { ask: "reach", from: 1, to: "2 a + w" }],
    ["f = 3 for x = 0 … a nights ?", { from: 0, to: "a" }],
    ["f = 3 from 1 to 8 nights ?", { from: 1, to: 8 }],
    ["a in 0.5 … 10 so that f(1) = 3 ?", { ask: "given", range: [0.5, 10] }],
    ["a = 0.5 … 10 so that f(1) = 3 ?", { ask: "given", range: [0.5, 10] }],
  ])("%s", (line, wanted) => expect(ask(line)).toMatchObject(wanted));
  it("an answer that is not there is named", () =>
    expect(ask("f(answer of q7) ?")).toBe("There is no question `q7` before this one. There is q1."));
});

describe("amounts with powers in their unit", () => {
  it.each([
    ["m = 6 passenger^2/$", 6, "passenger^2/$"],
    ["g = 9.81 m/s^2", 9.81, "m/s^2"],
    ["A = 3 m²", 3, "m²"],
    ["k = $2.50/lantern", 2.5, "$/lantern"],
  ])("%s", (line, value, unit) => {
    const read = interpret(line, { format: "pasear-case", version: 1, title: "T" });
    expect(read.ok && read.entry.row).toMatchObject({ value, unit });
  });
});

describe("a value typed over another", () => {
  const after = (line: string, value: number, unit: string) => {
    const read = interpret(line, {
      format: "pasear-case",
      version: 1,
      title: "T",
      givens: [{ name: "i", value, unit }],
    });
    return read.ok ? read.entry.row : read.message;
  };
  it.each([
    ["i = 6.5 %", "%/year", 0.065, "%/year"],
    ["i = 6.5", "%/year", 0.065, "%/year"],
    ["i = $3", "$/lantern", 3, "$/lantern"],
    ["i = 3", "$/lantern", 3, "$/lantern"],
    ["i = 3 $/jar", "$/lantern", 3, "$/jar"],
    ["i = 3 m", "s", 3, "m"],
    ["i = 4.2 % a month", "%/year", 0.042, "%/month"],
  ])("%s over a value in %s", (line, before, value, unit) => {
    expect(after(line, 1, before)).toMatchObject({ value, unit });
  });
});

describe("an empty case takes its own examples", () => {
  const empty: CaseFile = { format: "pasear-case", version: 1, title: "Empty" };
  it.each([
    ["f(x) = 3x + 2", { name: "f", of: "x" }, { name: "x" }],
    ["C(q) = 90 + 7 q", { name: "C", of: "q" }, { name: "q" }],
    ["p(q) = line (240, 6), (150, 9)", { name: "p", of: "q" }, { name: "q" }],
    ["C = 90 + 7x", { name: "C", of: "x" }, { name: "x" }],
  ])("%s makes a function and its variable, with an open range that is told", (line, row, variable) => {
    const read = interpret(line, empty);
    expect(read).toMatchObject({ ok: true, entry: { kind: "function", row, variable } });
    expect(read.ok && read.says).toContain(`its variable ${variable.name}, for now any number`);
    const after = read.ok ? withEntry(empty, read.entry) : empty;
    expect(buildModel(after).errors).toEqual([]);
    expect(after.variables).toEqual([variable]);
  });
  it("a word that looks like a slip of a known name makes no variable", () => {
    const known: CaseFile = { ...empty, givens: [{ name: "rent", value: 90 }] };
    expect(interpret("C = 2 rnet + 7", known).ok).toBe(false);
  });
  it("a known variable is not made again", () => {
    const known: CaseFile = { ...empty, variables: [{ name: "x", from: 0, to: 9 }] };
    const read = interpret("f(x) = 3x + 2", known);
    expect(read.ok && read.entry).not.toHaveProperty("variable");
  });
});
