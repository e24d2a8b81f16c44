import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Plan } from "../model";
import { solvePlan } from "./index";

const NAMES = { variable: null, givens: new Map(), functions: new Map(), variables: new Set<string>() };
const solved = (plan: Plan) => solvePlan(plan, NAMES).result!;
/** A plan of lines: its objective first, then one constraint a line, c0, c1, … */
const planOf = (objective: string, ...constraints: string[]): Plan => ({
  variables: [...new Set(constraints.join(" ").match(/[xy]/g))].sort().map((name) => ({ name })),
  objective: { text: objective.replace(/^\w+ /, ""), sense: objective.startsWith("least") ? "least" : "greatest" },
  constraints: constraints.map((text, i) => ({ id: `c${i}`, text })),
});

describe("for which right-hand sides a worth holds", () => {
  it.each([
    // x goes up with its own limit until the next one stops it, however far off that is, and down to 0
    ["greatest x", ["x <= 3", "x <= 5*10^10", "x >= 0", "y >= 0", "y <= 7"], "c0", 1, [0, 5e10]],
    ["greatest x", ["x <= 3", "x >= 0", "y >= 0", "y <= 7"], "c0", 1, [0, null]],
    // x + y ≤ b with y = 4 fixed: x = b − 4 is at most 2·10¹²
    ["greatest x + 0 y", ["x + y <= 9", "y = 4", "x <= 2*10^12", "x >= 0"], "c0", 1, [4, 2000000000004]],
    // three through (2, 2): each may go where the other two leave it
    ["greatest x + y", ["x + y <= 4", "x <= 2", "y <= 2"], "c0", null, undefined],
    // of two sides the one that is worth something; the other ends its range
    ["greatest x", ["2 <= x <= 5"], "c0", 1, [2, null]],
    ["least x", ["2 <= x <= 5"], "c0", 1, [null, 5]],
    // a limit is one more wherever it is written, and what it holds for is told as it is written
    ["greatest x + y", ["12 >= x + 4", "y <= 3", "x >= 0", "y >= 0"], "c0", 1, [4, null]],
    ["greatest x + y", ["2x + 4 <= 4y + 20", "y <= 3", "x >= 0", "y >= 0"], "c0", 0.5, [-8, null]],
    // what does not bind goes as far as the best point lies from it
    ["greatest x", ["x <= 3", "x >= 1"], "c1", 0, [null, 3]],
    ["greatest x", ["x <= 3", "x <= 8"], "c1", 0, [3, null]],
  ] as const)("%s, %j, %s", (objective, constraints, id, worth, range) => {
    const { multipliers, ranges } = solved(planOf(objective, ...constraints));
    expect([multipliers[id], ranges[id]]).toEqual([worth, range]);
  });

  const few = fc.integer({ min: -3, max: 6 });
  const size = fc.constantFrom(1, 1, 1e3, 1e10, 3e12);
  const row = fc.tuple(few, few, fc.constantFrom("<=", ">="), fc.integer({ min: 0, max: 30 }), size);
  it("it holds up to there, and no further", () => {
    let tried = 0;
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 4 }), few, few, (drawn, p, q) => {
        const rows = drawn.filter(([a, b]) => a !== 0 || b !== 0);
        const lines = rows.map(([a, b, sense, c, by]) => ({ left: `${a} x + ${b} y ${sense}`, right: c * by }));
        const all = [...lines, { left: "x >=", right: 0 }, { left: "y >=", right: 0 }];
        const at = (which: number, right: number) =>
          solved(
            planOf(`greatest ${p} x + ${q} y`, ...all.map((l, i) => `${l.left} ${i === which ? right : l.right}`)),
          );
        const { best, multipliers, ranges } = at(-1, 0);
        const [now] = best;
        if (!now) return;
        for (const [i, { right }] of all.entries()) {
          const [worth, range] = [multipliers[`c${i}`], ranges[`c${i}`]];
          if (worth === null || worth === undefined || !range) continue;
          const scale = Math.max(1, Math.abs(now.value!));
          const promised = (to: number) => now.value! + worth * (to - right);
          const isKept = (to: number) => {
            const value = at(i, to).best[0]?.value ?? NaN;
            return Math.abs(value - promised(to)) <= 1e-9 * Math.max(scale, Math.abs(to));
          };
          range.forEach((end, k) => {
            const side = k === 0 ? -1 : 1;
            expect(isKept(end === null ? right + side * 2 ** 50 : right + (end - right) * 0.99)).toBe(true);
            // A worth of 0 of what does not bind is told as far as this best point lies from it.
            if (end !== null && worth !== 0)
              expect(isKept(end + (side * Math.max(scale, Math.abs(end))) / 64)).toBe(false);
            tried++;
          });
        }
      }),
      { seed: 20261201, numRuns: 150 },
    );
    expect(tried).toBeGreaterThan(400);
  });
});

describe("the corners of a plan of large numbers", () => {
  it("are all there, also where doubles see them outside", () => {
    // Six of the first less nine of the second is -6x: 6*3402000000000027776 - 9*2268000000000018592 = -672 over
    // 5292, so that x = 112/5292 = 4/189.
    const { corners } = solved(
      planOf(
        "greatest x + y",
        "5x + 9y <= 3402000000000027776/5292",
        "4x + 6y <= 2268000000000018592/5292",
        "x >= 0",
        "y >= 0",
      ),
    );
    expect(corners.map((c) => c.at[0])).toContainEqual(expect.closeTo(4 / 189, 12));
  });
});
