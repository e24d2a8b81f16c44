import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { analysed } from "./full.fixture";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** A question about a formula f on a range with decimal ends, or about its slope s or its slope elsewhere m. */
function ask(text: string, [from, to]: readonly [number, number | null], q: Asked) {
  const given = oneFunction(text, to === null ? { from } : { from, to }, [q]);
  const pieces: CaseFile["functions"] = [
    { name: "h", of: "x", by: { kind: "pieces", pieces: [{ text: "10 + x", from, to: to ?? 10, ends: "[]" }] } },
    { name: "s", of: "x", by: { kind: "slope", function: "h" } },
    { name: "m", of: "x", by: { kind: "formula", text: "h'(6 - x) + x" } },
  ];
  return analysed({ ...given, functions: [...given.functions!, ...pieces] }).findings[0]!;
}

// 0.3 is no double, and 6 − 6.001 in doubles lies beside −0.001: what plain numbers have no value for may have one.
describe("edges at decimals", () => {
  it.each([-0.001, 0.1, 0.3, 1.15])("a slope at the end %d of all values is that of one side, by two methods", (from) =>
    expect(ask("x", [from, 5], { ask: "value", function: "s", at: from })).toMatchObject({
      complete: true,
      value: 1,
      secondWay: { agrees: true, second: 1 },
    }),
  );
  it.each<[string, number, Asked, number]>([
    ["x", -0.001, { ask: "value", function: "m", at: 6.001 }, 7.001],
    ["sqrt(x - 0.1 - 0.2)", 0.3, { ask: "value", function: "f", at: 0.3 }, 0],
    // √4.7/4.7
    ["sqrt(x - 0.1 - 0.2)", 0.3, { ask: "rate", function: "f", between: [0.3, 5] }, 1 / Math.sqrt(4.7)],
  ])("%s from %d on: where doubles fall over the edge, no second method speaks", (text, from, q, wanted) => {
    const found = ask(text, [from, 5], q);
    expect(found).toMatchObject({ complete: true, secondWay: null });
    expect(found.value).toBeCloseTo(wanted, 14);
  });
  it.each([
    // cbrt(0.3), at which the root begins, lies between two doubles
    ["sqrt((0.3/x - x x) x)", 5.7],
    ["sqrt(x + 0.05 - 2 + 0.05 - (atan(x) - 1.05))", null],
  ] as const)("the least value of %s is 0 at the end of the root, by two methods", (text, to) =>
    expect(ask(text, [0.1, to], { ask: "least", function: "f" })).toMatchObject({
      complete: true,
      value: 0,
      secondWay: { agrees: true },
    }),
  );
  it("a zero is looked for again on its own stretch: sin(4.7x) is positive on every other half wave", () => {
    const found = ask("(x sin(4.7 x))^1.5", [0.3, 30], { ask: "reach", function: "f", value: 0.6 });
    expect(found).toMatchObject({ complete: true, secondWay: { agrees: true } });
    for (const { at } of found.solutions) expect((at * Math.sin(4.7 * at)) ** 1.5).toBeCloseTo(0.6, 8);
  });
  it("nor is it looked for on stretches left open, where there may be others", () => {
    const where: Asked = { ask: "where", function: "f", relation: "<", value: 0.2 };
    const [found] = analysed(oneFunction("cbrt(x/(x/x))^3 - floor(x)", {}, [where])).findings;
    expect(found).toMatchObject({ complete: false, secondWay: { agrees: true } });
  });
});
