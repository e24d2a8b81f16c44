import { analyse, inFull } from "../question";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { influenceOn, trackOf, trackStep } from ".";

const stall = JSON.parse(
  readFileSync(new URL("../../demo/lantern-stall.pasear.json", import.meta.url), "utf8"),
) as CaseFile;

describe("what matters most", () => {
  it("greatest profit of the Lantern stall: materials before the permit", () => {
    // P(q) = q(14 − q/30) − F − k q has its peak 30/4 (14 − k)² − F: at k = 2.25 and 2.75 it is
    // 30/4·11.75² − 180 and 30/4·11.25² − 180; F moves it by 18.
    const report = influenceOn(stall, "q2")!;
    expect(report.base).toBeCloseTo((30 / 4) * 11.5 ** 2 - 180, 0);
    expect(report.rows.map((r) => r.given)).toEqual(["k", "F", "M"]);
    const [k, F, M] = report.rows;
    expect(k!.less).toBeCloseTo((30 / 4) * 11.75 ** 2 - 180, 0);
    expect(k!.more).toBeCloseTo((30 / 4) * 11.25 ** 2 - 180, 0);
    expect([F!.less! - report.base, F!.more! - report.base]).toEqual([18, -18]);
    expect(M!.change).toBe(0);
    expect(F!.moreText).toMatch(/^\$/);
  });
  it("agrees with working the case out anew for each given", () => {
    for (const id of ["q1", "q2", "q3"]) {
      const report = influenceOn(stall, id)!;
      for (const r of report.rows) {
        const found = analyse({
          ...stall,
          givens: stall.givens!.map((g) => (g.name === r.given ? { ...g, value: g.value * 1.1 } : g)),
        }).findings.find((x) => x.id === id)!;
        const f = inFull(found);
        expect(r.more).toBeCloseTo(id === "q1" ? f.solutions[0]!.at : f.value!, 6);
      }
    }
  });
  it("an answer that goes away comes first and is said in words", () => {
    const source: CaseFile = {
      format: "pasear-case",
      version: 1,
      title: "t",
      givens: [
        { name: "a", value: 10 },
        { name: "b", value: 1 },
      ],
      variables: [{ name: "x", from: 0, to: 10.5 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x + 0 b" } }],
      questions: [{ id: "q1", ask: "reach", function: "f", value: "a" }],
    };
    const report = influenceOn(source, "q1")!;
    expect(report.rows[0]).toMatchObject({ given: "a", less: 9, more: null, change: Infinity });
    expect(report.rows[0]!.moreText).toMatch(/never/);
  });
  it("says nothing where there is no number", () => {
    expect(
      influenceOn({ ...stall, questions: [{ id: "q1", ask: "reach", function: "P", value: 1e6 }] }, "q1"),
    ).toBeNull();
    expect(influenceOn(stall, "q99")).toBeNull();
  });
});

it.each([
  [180, 0, 360],
  [-3, -6, 0],
  [0, -10, 10],
  [0.0425, 0, 0.085],
])("a track for %s runs %s … %s", (value, from, to) => {
  expect(trackOf(value)).toEqual({ from, to });
});

it.each([
  [0, 500, 5],
  [0, 400, 2],
  [-0.3, 0.1, 0.002],
  [0, 1, 0.005],
])("the track %d … %d moves by %d", (from, to, step) => expect(trackStep({ from, to })).toBeCloseTo(step, 12));
