import { describe, expect, it } from "vitest";
import fc from "fast-check";
import type { Plan } from "../model";
import { toDouble, ratio } from "../numeric";
import { maximise, type Relation } from ".";
import { number, problems, planOf, solved, sorted } from "./plans.fixture";

describe.each(problems.filter((p) => p.region).map((p) => [p.id, p] as const))("%s", (_, p) => {
  it("corners and whether it is bounded", () => {
    const r = solved(planOf(p, "greatest", false));
    expect(sorted(r.corners.map((c) => c.at))).toEqual(sorted(p.region!.vertices.map((v) => v.map(number))));
    if (p.region!.status === "empty") {
      expect(r.status).toBe("infeasible");
      expect(r.conflict.length).toBeGreaterThan(1);
    } else expect(r.regionBounded).toBe(p.region!.status === "bounded");
  });
  it.each([
    ["greatest", p.max!, p.integer_max!],
    ["least", p.min!, p.integer_min!],
  ] as const)("%s, real and whole", (sense, real, whole) => {
    const r = solved(planOf(p, sense, false));
    expect(r.status).toBe(real.status === "optimal" ? (real.ties === "none" ? "optimal" : "tied") : real.status);
    if (real.status === "optimal") {
      expect(r.best[0]!.value).toBeCloseTo(number(real.value!), 9);
      if (real.vertices!.length > 0)
        expect(sorted(r.best.map((b) => b.at))).toEqual(sorted(real.vertices!.map((v) => v.map(number))));
    }
    const w = solved(planOf(p, sense, true));
    if (whole.status === "optimal" && real.status === "optimal") {
      expect(w.whole?.value).toBeCloseTo(number(whole.value!), 9);
      const all = w.wholeTies?.map((t) => t.at) ?? [w.whole!.at];
      if (whole.count! <= 200 && w.wholeTies) expect(sorted(all)).toEqual(sorted(whole.points!));
    } else if (whole.status === "infeasible") expect(w.whole).toBeNull();
  });
});

describe("plans", () => {
  const lanterns: Plan = {
    variables: [
      { name: "x", whole: true },
      { name: "y", whole: true },
    ],
    objective: { text: "3.5x + 4y", sense: "greatest" },
    constraints: [
      { id: "A", text: "2x + 3y <= 240" },
      { id: "B", text: "4x + 2y <= 320" },
      { id: "D", text: "x >= 0" },
      { id: "E", text: "y >= 0" },
    ],
  };
  it("the format page’s own", () => {
    // Corners by hand: 2x + 3y = 240 and 4x + 2y = 320 meet at (60, 40); multipliers from 3.5 = 2a + 4b, 4 = 3a + 2b.
    expect(solved(lanterns)).toMatchObject({
      status: "optimal",
      best: [{ at: [60, 40], value: 370 }],
      whole: { at: [60, 40], value: 370 },
      binding: ["A", "B"],
      slack: { D: 60, E: 40 },
      multipliers: { A: 1.125, B: 0.3125, D: 0, E: 0 },
    });
    expect(solved(lanterns).corners.map((c) => c.at)).toEqual([
      [0, 0],
      [80, 0],
      [60, 40],
      [0, 80],
    ]);
  });
  it("a constraint switched off has no force", () => {
    expect(
      solved({ ...lanterns, constraints: lanterns.constraints.map((c) => (c.id === "B" ? { ...c, off: true } : c)) })
        .best[0]!.at,
    ).toEqual([120, 0]);
  });
  it("without an objective: corners and region only", () => {
    const { objective: _, ...rest } = lanterns;
    expect(solved(rest)).toMatchObject({ status: null, best: [], regionBounded: true });
  });
  it("whole values in a region without end: bounds move to values that can be had", () => {
    const free = (constraints: string[], objective: string): Plan => ({
      variables: [
        { name: "x", whole: true },
        { name: "y", whole: true },
      ],
      constraints: constraints.map((text, i) => ({ id: `c${i}`, text })),
      objective: { text: objective, sense: "greatest" },
    });
    // x − y ≤ 1/2 among whole numbers is x − y ≤ 0.
    expect(solved(free(["x - y <= 0.5", "x >= 0", "y >= 0"], "x - y")).whole).toMatchObject({ value: 0 });
    // 6x − 4y is even: at most 6 where 7 is allowed.
    expect(solved(free(["6x - 4y <= 7", "x >= 0", "y >= 0"], "6x - 4y")).whole).toMatchObject({ value: 6 });
    // 2x + 2y = 5 has no whole point.
    expect(solved(free(["2x + 2y = 5", "x >= 0", "y >= 0"], "x"))).toMatchObject({
      whole: null,
      notes: ["No point with whole values keeps all constraints."],
    });
    // Fractions: x/3 − y/2 ≤ 1/5, times 6: 2x − 3y ≤ 6/5, so at most 1.
    expect(solved(free(["x/3 - y/2 <= 1/5", "x >= 0", "y >= 0"], "2x - 3y")).whole).toMatchObject({ value: 1 });
  });
  it("a search among whole points that would go on for ever along a line of ties ends, and says so", () => {
    // Best along 6y + 4z = 37, which no whole y and z keep, and which has no end: each cut leaves as good a point.
    const plan: Plan = {
      variables: [{ name: "x" }, { name: "y", whole: true }, { name: "z", whole: true }],
      constraints: ["x + 6y + 4z >= 38", "x <= 1", "y <= 3", "z >= 0"].map((text, i) => ({ id: `c${i}`, text })),
      objective: { text: "2x - 3y - 2z", sense: "greatest" },
    };
    // −3y − 2z = −37/2 there, and 2x = 2.
    expect(solved(plan)).toMatchObject({
      best: [{ value: -16.5 }],
      whole: null,
      notes: ["The best whole point was not settled within the work allowed."],
    });
  });
  it("at a whole point that is no corner, what is left is that of the point", () => {
    // 3·2 + 2·3 = 12 of 12.5, 2 + 3·3 = 11 of 11
    const plan: Plan = {
      variables: [
        { name: "x", whole: true },
        { name: "y", whole: true },
      ],
      constraints: [
        { id: "A", text: "3x + 2y <= 12.5" },
        { id: "B", text: "x + 3y <= 11" },
        { id: "C", text: "x >= 0" },
        { id: "D", text: "y >= 0" },
      ],
      objective: { text: "5x + 6y", sense: "greatest" },
    };
    expect(solved(plan)).toMatchObject({
      whole: { at: [2, 3], value: 28 },
      wholeSlack: { A: 0.5, B: 0, C: 2, D: 3 },
      binding: ["A", "B"],
    });
  });
  it("a reduced cost is told even where two like constraints share their worth", () => {
    // At (0, 4): x would bring 1 but takes 2 of what y brings.
    const plan: Plan = {
      variables: [{ name: "x" }, { name: "y" }],
      constraints: [
        { id: "A", text: "x + y <= 4" },
        { id: "B", text: "2x + 2y <= 8" },
        { id: "C", text: "x >= 0" },
        { id: "D", text: "y >= 0" },
      ],
      objective: { text: "x + 2y", sense: "greatest" },
    };
    expect(solved(plan)).toMatchObject({ multipliers: { A: null, B: null, C: -1, D: 0 }, reduced: { x: -1, y: 0 } });
  });
  it("what cannot hold together is named, and nothing else", () => {
    const constraints = [...lanterns.constraints, { id: "F", text: "x + y >= 200" }];
    const { conflict } = solved({ ...lanterns, constraints });
    const only = (ids: readonly string[]) =>
      solved({ ...lanterns, constraints: constraints.filter((c) => ids.includes(c.id)) }).status;
    expect(only(conflict)).toBe("infeasible");
    for (const id of conflict) expect(only(conflict.filter((c) => c !== id))).not.toBe("infeasible");
  });
});

describe("as properties", () => {
  const coefficient = fc.integer({ min: -9, max: 9 });
  const relation = fc
    .record({
      a: coefficient,
      b: coefficient,
      s: fc.constantFrom("<=" as const, ">=" as const, "=" as const),
      c: fc.integer({ min: -30, max: 30 }),
    })
    .filter((r) => r.a !== 0 || r.b !== 0);
  const text = (r: { a: number; b: number; s: string; c: number }) =>
    `${r.a} x + ${r.b} y ${r.s} ${r.c}`.replace("+ -", "- ");
  it("corners and the simplex method agree on status and value, over plans of every shape", () => {
    fc.assert(
      fc.property(fc.array(relation, { minLength: 1, maxLength: 7 }), coefficient, coefficient, (rs, p, q) => {
        const plan: Plan = {
          variables: [{ name: "x" }, { name: "y" }],
          constraints: rs.map((r, i) => ({ id: `c${i}`, text: text(r) })),
          objective: { text: `${p} x + ${q} y`, sense: "greatest" },
        };
        const r = solved(plan);
        const relations: Relation[] = rs.map((k) => ({
          coefficients: [ratio(k.a), ratio(k.b)],
          sense: k.s,
          bound: ratio(k.c),
        }));
        const s = maximise([ratio(p), ratio(q)], relations);
        expect(r.status === "tied" ? "optimal" : r.status).toBe(s.status);
        if (s.status === "optimal") {
          expect(r.best[0]!.value).toBeCloseTo(toDouble(s.value), 9);
          for (const c of r.corners) expect(c.value!).toBeLessThanOrEqual(r.best[0]!.value! + 1e-9);
        }
        for (const c of r.corners)
          for (const k of rs) {
            const v = k.a * c.at[0]! + k.b * c.at[1]! - k.c;
            expect(k.s === "<=" ? v <= 1e-9 : k.s === ">=" ? v >= -1e-9 : Math.abs(v) < 1e-9).toBe(true);
          }
      }),
      { numRuns: 600 },
    );
  });
  it("the best whole point is that of looking at all of them", () => {
    fc.assert(
      fc.property(
        fc.array(
          relation.filter((r) => r.s === "<="),
          { minLength: 0, maxLength: 4 },
        ),
        coefficient,
        coefficient,
        (rs, p, q) => {
          const plan: Plan = {
            variables: [
              { name: "x", whole: true },
              { name: "y", whole: true },
            ],
            constraints: [
              { id: "X", text: "0 <= x <= 7" },
              { id: "Y", text: "0 <= y <= 7" },
              ...rs.map((r, i) => ({ id: `c${i}`, text: text(r) })),
            ],
            objective: { text: `${p} x + ${q} y`, sense: "greatest" },
          };
          let best = -Infinity;
          for (let x = 0; x <= 7; x++)
            for (let y = 0; y <= 7; y++)
              if (rs.every((k) => k.a * x + k.b * y <= k.c)) best = Math.max(best, p * x + q * y);
          const r = solved(plan);
          if (best === -Infinity) expect(r.whole).toBeNull();
          else expect(r.whole!.value).toBe(best + 0);
        },
      ),
      { numRuns: 150 },
    );
  });
});
