import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Plan } from "#core/model";
import { compiledResult, dualGap, planOfProgram, worstBreak, type PlanResult } from "#core/plan";
import { solveCompiled, type PlanProgress } from "./compiledPlan";
import { programFile, readProgram } from "./planFile";
import { highs, program, compiled, exact, close, twoVariables } from "./compiledPlan.fixture";

describe("larger plans", () => {
  const random = (seed: number) => () => {
    seed = (seed * 48271) % 2147483647;
    return seed / 2147483647;
  };
  function large(n: number, m: number, whole: boolean, seed: number): Plan {
    const r = random(seed);
    const variables = Array.from({ length: n }, (_, j) => ({ name: `x${j}`, ...(whole ? { whole: true } : {}) }));
    return {
      variables,
      objective: { text: variables.map((v) => `${Math.floor(r() * 40) + 5} ${v.name}`).join(" + "), sense: "greatest" },
      constraints: [
        ...Array.from({ length: m }, (_, i) => ({
          id: `r${i}`,
          text: `${variables
            .filter(() => r() < 0.3)
            .concat(variables[i % n]!)
            .map((v) => `${Math.floor(r() * 30) + 2} ${v.name}`)
            .join(" + ")} <= ${Math.floor(r() * 400) + 200}`,
        })),
        ...variables.map((v) => ({ id: `n_${v.name}`, text: `0 <= ${v.name} <= 30` })),
      ],
    };
  }
  it("five to twelve variables: the fractions and the solver find the same", () => {
    for (let seed = 1; seed <= 12; seed++) {
      const plan = large(4 + (seed % 9), 6, false, seed * 7919);
      const [mine, theirs] = [exact(plan), compiled(plan)];
      expect(close(mine.best[0]!.value!, theirs.best[0]!.value!)).toBe(true);
      if (mine.status !== "optimal") continue;
      mine.best[0]!.at.forEach((v, j) => {
        expect(close(v, theirs.best[0]!.at[j]!)).toBe(true);
      });
      for (const v of plan.variables) {
        if (mine.reduced[v.name] !== null)
          expect(close(mine.reduced[v.name]!, theirs.reduced[v.name]!), v.name).toBe(true);
      }
    }
  });
  it("120 variables: the best value is proven by its multipliers, not by the solver’s word", () => {
    const plan = large(120, 80, false, 4242);
    const p = program(plan);
    const a = solveCompiled(highs, p);
    expect(worstBreak(p, a.relaxed!.at)).toBeLessThan(1e-9);
    expect(dualGap(p, a.relaxed!.at, a.relaxed!.worth)).toBeLessThan(1e-9);
    // Turned multipliers prove nothing.
    expect(
      dualGap(
        p,
        a.relaxed!.at,
        a.relaxed!.worth.map((y) => -y),
      ),
    ).toBeGreaterThan(0.01);
    expect(compiledResult(plan, p, a)).toMatchObject({ status: "optimal", compiled: true, gap: null, notes: [] });
  });
  it("a plan that takes too long is told with the best so far and its gap, and says how far it is on the way", () => {
    const told: PlanProgress[] = [];
    const plan = large(60, 40, true, 77);
    const p = program(plan);
    const r = compiledResult(plan, p, solveCompiled(highs, p, { seconds: 1.5, progress: (x) => told.push(x) }));
    expect(r.whole).not.toBeNull();
    expect(worstBreak(p, r.whole!.at)).toBe(0);
    expect(r.whole!.value!).toBeLessThanOrEqual(r.best[0]!.value! + 1e-6);
    if (r.gap !== null) expect(r.gap).toBeGreaterThan(0);
    expect(told.length).toBeGreaterThan(0);
  });
  it("rows that cannot hold together are named among many", () => {
    const plan = large(30, 20, false, 5);
    const bad: Plan = { ...plan, constraints: [...plan.constraints, { id: "much", text: "x3 + x4 >= 70" }] };
    // x3 and x4 are at most 30 each.
    expect([...compiled(bad).conflict].sort()).toEqual(["much", "n_x3", "n_x4"]);
  });
  it("an unbounded plan has a way in which it grows", () => {
    const plan: Plan = {
      variables: ["a", "b", "c"].map((name) => ({ name })),
      constraints: [
        { id: "A", text: "a + b <= 10" },
        { id: "B", text: "a >= 0" },
        { id: "C", text: "c <= a" },
      ],
      objective: { text: "a - b", sense: "greatest" },
    };
    const r = compiled(plan);
    expect(r.status).toBe("unbounded");
    expect(r.ray![0]! - r.ray![1]!).toBeGreaterThan(0);
    // The exact method has such a way too: c may follow a, and a − b grows where b falls.
    const mine = exact(plan);
    expect([
      mine.status,
      mine.ray![0]! - mine.ray![1]! > 0,
      mine.ray![0]! + mine.ray![1]! <= 0,
      mine.ray![2]! <= mine.ray![0]!,
    ]).toEqual(["unbounded", true, true, true]);
  });
});

describe("files", () => {
  const plan: Plan = {
    variables: [{ name: "x", whole: true }, { name: "y" }, { name: "z" }],
    objective: { text: "3.5x + 4y - z + 7", sense: "greatest" },
    constraints: [
      { id: "paper", text: "2x + 3y <= 240" },
      { id: "hands", text: "80 <= 4x + 2y <= 320" },
      { id: "same", text: "y - z = 5" },
      { id: "orders", text: "y >= 20" },
      { id: "few", text: "0 <= x <= 50" },
    ],
  };
  const summary = (r: PlanResult) => [r.status, r.best[0]?.value, r.whole?.value];
  it.each(["lp", "mps"] as const)("a plan written as %s and read again has the same answer", (format) => {
    const file = programFile(highs, program(plan), format);
    expect(file).toMatch(
      format === "lp" ? /max[\s\S]*paper:[\s\S]*general|max[\s\S]*paper/i : /ROWS[\s\S]*COLUMNS[\s\S]*ENDATA/,
    );
    const { program: back, notes } = readProgram(highs, file, format, new Set());
    expect(notes).toEqual([]);
    const again = planOfProgram(back);
    expect(again.variables).toEqual([{ name: "x", whole: true }, { name: "y" }, { name: "z" }]);
    expect(again.constraints.map((c) => c.id)).toEqual(expect.arrayContaining(["paper", "hands", "same"]));
    // 3.5·48 + 4·48 − 43 + 7 with x = 48, y = 48: both methods, both plans
    expect(summary(exact(again))).toEqual(summary(exact(plan)));
    expect(summary(compiled(again))[1]).toBeCloseTo(exact(plan).best[0]!.value!, 8);
  });
  it("any plan comes back from its file with the same status and best value", () =>
    fc.assert(
      fc.property(twoVariables(false), fc.constantFrom("lp" as const, "mps" as const), (plan, format) => {
        const { program: back } = readProgram(highs, programFile(highs, program(plan), format), format, new Set());
        const [before, after] = [exact(plan), exact(planOfProgram(back))];
        // A variable that no row and no objective names is left out of a file; nothing else may change.
        if (before.status === "optimal" || before.status === "tied") {
          expect(["optimal", "tied", null]).toContain(after.status);
          if (after.status !== null) expect(close(after.best[0]!.value!, before.best[0]!.value!)).toBe(true);
        } else expect(after.status === before.status || after.status === null).toBe(true);
      }),
      { numRuns: 150 },
    ));
  it("names that are not ours are changed and told", () => {
    const { program: p, notes } = readProgram(
      highs,
      "Maximize\n obj: 2 make#1 + 3 F\nSubject To\n c1: make#1 + F <= 4\nBounds\n F <= 3\nEnd\n",
      "lp",
      new Set(["F"]),
    );
    expect(p.variables.map((v) => v.name)).toEqual(["make_1", "F_2"]);
    expect(notes).toEqual(["make#1 is called make_1", "F is called F_2"]);
    // LP format has variables of at least 0 where it says nothing.
    expect(planOfProgram(p).constraints.map((c) => c.text)).toEqual([
      "make_1 + F_2 <= 4",
      "make_1 >= 0",
      "0 <= F_2 <= 3",
    ]);
  });
  it.each([
    ["lp", "this is no program"],
    ["mps", "NAME x\nnothing"],
  ] as const)("what is no %s file is refused with a sentence", (format, content) => {
    expect(() => readProgram(highs, content, format, new Set())).toThrow(/could not be read as/);
  });
  it("squares are refused", () => {
    expect(() =>
      readProgram(highs, "Minimize\n obj: x + [ x ^2 ] / 2\nSubject To\n c1: x >= 1\nEnd\n", "lp", new Set()),
    ).toThrow(/squares or products/);
  });
});
