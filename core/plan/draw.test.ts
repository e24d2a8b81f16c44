import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildModel, type Plan } from "../model";
import { planPicture, readConstraint, segment, solvePlan } from ".";

const { names } = buildModel({ format: "pasear-case", version: 1, title: "T" });
const coefficient = fc.integer({ min: -7, max: 7 });
const relation = fc
  .record({ a: coefficient, b: coefficient, s: fc.constantFrom("<=", ">="), c: fc.integer({ min: -25, max: 25 }) })
  .filter((r) => r.a !== 0 || r.b !== 0);
const plans = (box: boolean) =>
  fc.array(relation, { minLength: 1, maxLength: 6 }).map((rs): Plan => ({
    variables: [{ name: "x" }, { name: "y" }],
    objective: { text: "x + 2y", sense: "greatest" },
    constraints: [
      ...rs.map((r, i) => ({ id: `c${i}`, text: `${r.a} x + ${r.b} y ${r.s} ${r.c}` })),
      ...(box
        ? [
            { id: "X", text: "-10 <= x <= 12" },
            { id: "Y", text: "-9 <= y <= 11" },
          ]
        : []),
    ],
  }));
const drawn = (plan: Plan) => {
  const { result } = solvePlan(plan, names);
  return { result: result!, picture: planPicture(plan, names, result!)! };
};
const area = (p: readonly (readonly [number, number])[]) =>
  Math.abs(
    p.reduce((s, [x, y], i) => {
      const [u, v] = p[(i + 1) % p.length]!;
      return s + x * v - u * y;
    }, 0),
  ) / 2;

describe("the region as it is drawn", () => {
  it("has the area of its exact corners when it is bounded, and shows them all", () => {
    let full = 0;
    fc.assert(
      fc.property(plans(true), (plan) => {
        const { result, picture } = drawn(plan);
        if (result.status === "infeasible") {
          expect(area(picture.region)).toBeLessThan(1e-9);
          return;
        }
        const corners = result.corners.map((c) => [c.at[0]!, c.at[1]!] as const);
        if (corners.length > 2) full++;
        expect(Math.abs(area(picture.region) - area(corners))).toBeLessThan(1e-6 * (1 + area(corners)));
        const { x0, x1, y0, y1 } = picture.frame;
        for (const [x, y] of corners) expect(x >= x0 && x <= x1 && y >= y0 && y <= y1).toBe(true);
      }),
      { numRuns: 300 },
    );
    expect(full).toBeGreaterThan(80);
  });
  it("keeps every constraint at each of its points, bounded or not", () => {
    fc.assert(
      fc.property(plans(false), (plan) => {
        const { picture } = drawn(plan);
        const relations = plan.constraints.flatMap((c) => {
          const r = readConstraint(c.text, ["x", "y"], names);
          return r.ok ? r.relations : [];
        });
        for (const [x, y] of picture.region)
          for (const r of relations) {
            const [a, b, c] = [
              Number(r.coefficients[0]!.valueOf()),
              Number(r.coefficients[1]!.valueOf()),
              Number(r.bound.valueOf()),
            ];
            const v = a * x + b * y - c;
            const room = 1e-6 * (Math.abs(a * x) + Math.abs(b * y) + Math.abs(c) + 1);
            expect(r.sense === "<=" ? v <= room : v >= -room).toBe(true);
          }
      }),
      { numRuns: 250 },
    );
  });
  it("the directions of a region without end keep every constraint for ever", () => {
    let open = 0;
    fc.assert(
      fc.property(plans(false), (plan) => {
        const { result } = drawn(plan);
        const start = result.corners[0]?.at ?? result.best[0]?.at;
        if (result.status === "infeasible" || !start || result.regionBounded) return;
        open++;
        for (const d of result.directions)
          for (const c of plan.constraints) {
            const r = readConstraint(c.text, ["x", "y"], names);
            if (!r.ok) continue;
            for (const k of r.relations) {
              const along = Number(k.coefficients[0]!.valueOf()) * d[0]! + Number(k.coefficients[1]!.valueOf()) * d[1]!;
              expect(k.sense === "<=" ? along <= 1e-12 : along >= -1e-12).toBe(true);
            }
          }
      }),
      { numRuns: 250 },
    );
    expect(open).toBeGreaterThan(60);
  });
  it("a line is drawn from one edge of the frame to another", () => {
    const frame = { x0: -3, x1: 5, y0: -2, y1: 7 };
    const onEdge = ([x, y]: readonly [number, number]) =>
      [x - frame.x0, x - frame.x1, y - frame.y0, y - frame.y1].some((v) => Math.abs(v) < 1e-9);
    fc.assert(
      fc.property(coefficient, coefficient, fc.integer({ min: -20, max: 20 }), (a, b, c) => {
        if (a === 0 && b === 0) return;
        const s = segment({ a, b, c }, frame);
        // The line crosses the frame just where its corners lie on both sides.
        const sides = [
          [-3, -2],
          [5, -2],
          [5, 7],
          [-3, 7],
        ].map(([x, y]) => Math.sign(a * x! + b * y! - c));
        if (s) {
          for (const p of s) {
            expect(onEdge(p)).toBe(true);
            expect(Math.abs(a * p[0] + b * p[1] - c)).toBeLessThan(1e-9);
          }
        } else expect(new Set(sides.filter((v) => v !== 0)).size).toBeLessThan(2);
      }),
      { numRuns: 300 },
    );
  });
});
