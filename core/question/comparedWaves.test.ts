import { describe, expect, it } from "vitest";
import type { Question } from "../model";
import { roomOf, type Canvas, type CompareFinding } from ".";
import { analysed, saidOf } from "./full.fixture";

/** Which of two functions of x is least. */
function compared(f: string, g: string, range: object) {
  const formula = (name: string, text: string) => ({ name, of: "x", by: { kind: "formula" as const, text } });
  const { findings, model } = analysed({
    format: "pasear-case",
    version: 1,
    title: "Waves",
    variables: [{ name: "x", ...range }],
    functions: [formula("f", f), formula("g", g)],
    questions: [{ id: "q", ask: "compare", functions: ["f", "g"] } as Question],
  });
  return { ...findings[0]!, says: saidOf(findings[0]!, model) };
}

describe("waves compared on a range without an end", () => {
  // sin x is 1/2 at π/6 = 0.523599, 5π/6 = 2.61799, 17π/6 = 8.90118 and 25π/6 = 13.09;
  // it is cos x at 5π/4 = 3.92699, half a period on at 9π/4 = 7.06858
  it.each<[string, string, object, string]>([
    ["sin(x)", "0.5", {}, "f from x = 0 to 0.523599; g from x = 0.523599 to 2.61799; f from x = 2.61799 to 6.28319"],
    [
      "sin(x)",
      "cos(x)",
      { to: 10 },
      "g from x = 3.71681 to 3.92699; f from x = 3.92699 to 7.06858; g from x = 7.06858 to 10",
    ],
    [
      "x + sin(x)",
      "x + 0.5",
      { from: 7 },
      "g from x = 7 to 8.90118; f from x = 8.90118 to 13.09; g from x = 13.09 to 13.2832",
    ],
  ])("%s, %s, %o repeat for ever: %s", (f, g, range, stretches) => {
    const every = { repeats: { every: 2 * Math.PI }, says: `Least: ${stretches}, and again every 6.28319.` };
    expect(compared(f, g, range)).toMatchObject({ status: "found", complete: true, ...every });
  });
  it("who is least throughout a period is so for ever", () =>
    expect(compared("2 + sin(x)", "cos(x) - 1", { from: 0 })).toMatchObject({
      complete: true,
      repeats: null,
      says: "Least: g everywhere from x = 0 on.",
    }));
  it("waves about a root, which has an edge, are compared between two ends", () => {
    const [f, g] = ["sqrt(x) + sin(x)", "sqrt(x)"];
    expect(compared(f, g, { from: 0 }).message).toBe(
      "These repeat without end; give x a start and an end to compare them.",
    );
    expect(compared(f, g, { from: 0, to: 6 }).status).toBe("found");
  });
  it.each<[string, string, object, number[]]>([
    // f is least at the end of a period and at the beginning of the next one: nothing changes there
    ["sin(x)", "0.5", {}, [0.5236, 2.618]],
    // g at the end, f at the beginning
    ["-sin(x)", "0", {}, [0, 3.1416]],
  ])("%s and %s, %o: what is least changes at %o", (f, g, range, wanted) => {
    const canvas = { values: () => () => 1, x: String } as unknown as Canvas;
    const found = compared(f, g, range) as unknown as CompareFinding;
    const points = roomOf(found).points(found, canvas);
    expect(points.map((p) => Number(p.x.toFixed(4)))).toEqual(wanted);
  });
});
