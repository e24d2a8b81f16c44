import { describe, expect, it } from "vitest";
import { analyse, workingOf, type WorkingStep } from "./index";
import { oneQuestion, type Asked, type Range as Setting } from "./oneQuestion.fixture";

function halvingOf(functions: Record<string, string>, q: Asked, setting: Setting): WorkingStep[] {
  const c = oneQuestion(functions, q, setting);
  const { model, findings } = analyse(c);
  return workingOf(c.questions[0], findings[0]!, model, () => null).filter((s) => s.rule === "halving");
}

// No rule of algebra isolates x in these; what is said about the others is what the search has proven.
describe("halving says how many answers there are", () => {
  it("one", () => {
    const list = halvingOf({ f: "x + sin(x)" }, { ask: "reach", function: "f", value: 2 }, { to: 3 });
    expect(list.at(-1)!.says).toBe("Enclosures show that there is no other on the range.");
    expect(list.at(-1)!.text).toMatch(/^x ≈ 1\.106060/);
  });
  // Both sides are 1000 at x = 0, an end of the range: no change of sign stands there. The other: 1.05^18.8376 =
  // e^(18.8376·0.0487902) = e^0.919090 = 2.50701, and 1 + 0.08·18.8376 = 2.50701.
  it("one at an end of the range is not forgotten", () => {
    const meet: Asked = { ask: "meet", functions: ["f", "g"] };
    const list = halvingOf({ f: "1000*1.05^x", g: "1000 + 80x" }, meet, { to: 40 });
    const says = list.map((s) => s.says);
    expect(says).toContain("Enclosures hold one more.");
    expect(list[says.indexOf("Enclosures hold one more.")]!.text).toBe("x = 0");
    expect(says.at(-1)).toBe("Enclosures show that these 2 are all on the range.");
    expect(list.at(-1)!.text).toMatch(/^x = 0 or x ≈ 18\.8376/);
  });
  it("more than are shown row by row are counted and told", () => {
    const list = halvingOf({ f: "sin(x) + x/20" }, { ask: "reach", function: "f", value: 0.5 }, { to: 14 });
    const count = Number(/these (\d+) are all/.exec(list.at(-1)!.says)![1]);
    expect(list.at(-1)!.text.split(" or ")).toHaveLength(count);
    expect(list.filter((s) => s.says === "And so on.")).toHaveLength(3);
    expect(list.map((s) => s.says)).toContain(
      count === 4 ? "Enclosures hold one more." : `Enclosures hold ${count - 3} more.`,
    );
  });
  it("each row stands between inputs of proven, different signs", () => {
    const list = halvingOf({ f: "x + sin(x)" }, { ask: "reach", function: "f", value: 2 }, { to: 3 });
    const rows = list.flatMap((s) => {
      const m = /Between ([\d.]+) and ([\d.]+): the middle/.exec(s.says);
      return m ? [[Number(m[1]), Number(m[2])] as const] : [];
    });
    expect(rows.length).toBeGreaterThan(2);
    const d = (x: number) => x + Math.sin(x) - 2;
    for (const [a, b] of rows) expect(d(a) * d(b)).toBeLessThan(0);
  });
});
