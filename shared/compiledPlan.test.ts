import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { valueAt, worstBreak } from "#core/plan";
import { solveCompiled } from "./compiledPlan";
import { highs, program, compiled, exact, close, twoVariables } from "./compiledPlan.fixture";

describe("the exact answer against the compiled solver", () => {
  it("2,000 plans of two variables: status, best value, every corner, multipliers", () => {
    const seen: Record<string, number> = {};
    fc.assert(
      fc.property(twoVariables(false), (plan) => {
        const [mine, theirs] = [exact(plan), compiled(plan)];
        seen[mine.status!] = (seen[mine.status!] ?? 0) + 1;
        expect(mine.status === "tied" ? "optimal" : mine.status).toBe(theirs.status);
        if (mine.status === "infeasible") {
          // Their conflict may be another one; mine must be a conflict for them too.
          expect(
            compiled({ ...plan, constraints: plan.constraints.filter((c) => mine.conflict.includes(c.id)) }).status,
          ).toBe("infeasible");
          return;
        }
        const p = program(plan);
        for (const c of mine.corners) expect(worstBreak(p, c.at)).toBeLessThan(1e-9);
        if (mine.status === "unbounded") {
          const up = p.cost!.map((c) => (p.greatest ? c : -c));
          expect(mine.ray!.reduce((s, v, j) => s + v * up[j]!, 0)).toBeGreaterThan(0);
          for (const r of p.rows) {
            const along = r.entries.reduce((s, [j, v]) => s + v * mine.ray![j]!, 0);
            if (r.upper !== Infinity) expect(along).toBeLessThanOrEqual(1e-9);
            if (r.lower !== -Infinity) expect(along).toBeGreaterThanOrEqual(-1e-9);
          }
          return;
        }
        expect(close(mine.best[0]!.value!, theirs.best[0]!.value!)).toBe(true);
        for (const b of mine.best) expect(close(valueAt(p, b.at), mine.best[0]!.value!)).toBe(true);
        // A multiplier that is one number is the solver's too.
        for (const [id, worth] of Object.entries(mine.multipliers))
          if (worth !== null && p.rows.filter((r) => r.id === id).length === 1)
            expect(close(worth, theirs.multipliers[id]!), `${id} ${worth} ${theirs.multipliers[id]}`).toBe(true);
      }),
      { numRuns: 2000 },
    );
    // Every kind of plan was among them.
    for (const kind of ["optimal", "tied", "unbounded", "infeasible"]) expect(seen[kind], kind).toBeGreaterThan(40);
  }, 120_000);
  it("whole plans of two variables", () => {
    fc.assert(
      fc.property(twoVariables(true), (plan) => {
        const [mine, theirs] = [exact(plan), compiled(plan)];
        expect(mine.whole === null).toBe(theirs.whole === null);
        if (mine.whole && theirs.whole) expect(close(mine.whole.value!, theirs.whole.value!)).toBe(true);
      }),
      { numRuns: 250 },
    );
  }, 60_000);
  it("the range told for a right-hand side holds up to its very end, also where that is no double", () => {
    const plan = {
      variables: [{ name: "x" }, { name: "y" }],
      constraints: ["2x > 18", "-x + 6y >= -2", "5y <= 6", "0 <= x <= 9", "0 <= y <= 9"].map((text, i) => ({
        id: `c${i}`,
        text,
      })),
      objective: { text: "-y", sense: "least" as const },
    };
    // x is 9, so that y is at least 7/6: the right-hand side 5y <= b may fall to 35/6, which no double is.
    const [from] = exact(plan).ranges.c2!;
    expect(from! * 6).toBeGreaterThanOrEqual(35);
    expect(from!).toBeCloseTo(35 / 6, 12);
  });
  it("ranges of right-hand sides and coefficients hold inside and end at their ends", () => {
    fc.assert(
      fc.property(twoVariables(false), (plan) => {
        const r = exact(plan);
        if (r.status !== "optimal") return;
        const p = program(plan);
        const at = (k: number, bound: number) => {
          const rows = p.rows.map((row, i) =>
            i === k
              ? {
                  ...row,
                  lower: row.lower === -Infinity ? row.lower : bound,
                  upper: row.upper === Infinity ? row.upper : bound,
                }
              : row,
          );
          const a = solveCompiled(highs, { ...p, rows });
          return a.relaxed ? valueAt(p, a.relaxed.at) : NaN;
        };
        p.rows.forEach((row, k) => {
          const worth = r.multipliers[row.id];
          const range = r.ranges[row.id];
          if (!worth || !range || p.rows.filter((q) => q.id === row.id).length > 1) return;
          const bound = row.upper === Infinity ? row.lower : row.upper;
          for (const end of range) {
            const inner = end === null ? bound + (range.indexOf(end) === 0 ? -3 : 3) : end;
            expect(close(at(k, inner), r.best[0]!.value! + worth * (inner - bound)), `${row.id} to ${inner}`).toBe(
              true,
            );
            if (end === null || end === bound) continue;
            const beyond = end + Math.sign(end - bound) * 0.5;
            expect(close(at(k, beyond), r.best[0]!.value! + worth * (beyond - bound)), `${row.id} beyond ${end}`).toBe(
              false,
            );
          }
        });
        p.variables.forEach((v, j) => {
          const range = r.stays[v.name]!;
          const best = r.best[0]!.at;
          const keeps = (c: number) => {
            const q = { ...p, cost: p.cost!.map((d, k) => (k === j ? c : d)) };
            const a = solveCompiled(highs, q);
            return a.status === "optimal" && close(valueAt(q, a.relaxed!.at), valueAt(q, best));
          };
          expect(keeps(range[0] ?? -50) && keeps(range[1] ?? 50)).toBe(true);
          if (range[0] !== null) expect(keeps(range[0] - 0.25)).toBe(false);
          if (range[1] !== null) expect(keeps(range[1] + 0.25)).toBe(false);
        });
      }),
      { numRuns: 150 },
    );
  }, 60_000);
});
