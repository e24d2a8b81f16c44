import { describe, expect, it } from "vitest";
import { mapOf } from "~/utils/functionMap";

const links = (pairs: string) => pairs.split(" ").map((p) => [`function:${p[0]}`, `function:${p[1]}`] as const);

describe("the map of functions", () => {
  const map = mapOf(
    ["p", "R", "C", "P"],
    [...links("pR RP CP"), ["given:F", "function:C"], ["function:P", "question:q1"]],
  );
  it("has a place for every function and an arrow for every use among them", () => {
    expect(map.nodes.map((n) => n.name).sort()).toEqual(["C", "P", "R", "p"]);
    expect(map.edges.map((e) => `${e.from}>${e.to}`).sort()).toEqual([
      "function:C>function:P",
      "function:R>function:P",
      "function:p>function:R",
    ]);
  });
  it("goes one way: what feeds stands before what is fed", () => {
    const at = (name: string) => map.nodes.find((n) => n.name === name)!;
    for (const [a, b] of [
      ["p", "R"],
      ["R", "P"],
      ["C", "P"],
    ] as const)
      expect(Math.max(at(b).x - at(a).x, at(b).y - at(a).y)).toBeGreaterThan(20);
  });
  it("no two places overlap, and all lie inside", () => {
    for (const a of map.nodes) {
      expect(a.x - a.width / 2).toBeGreaterThanOrEqual(0);
      expect(a.x + a.width / 2).toBeLessThanOrEqual(map.width);
      for (const b of map.nodes)
        if (a !== b) expect(Math.abs(a.x - b.x) >= (a.width + b.width) / 2 || Math.abs(a.y - b.y) >= 24).toBe(true);
    }
  });
  it("functions that feed nothing still have a place", () => {
    expect(mapOf(["f", "g"], []).nodes).toHaveLength(2);
  });
});
