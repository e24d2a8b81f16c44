import { analysed as analyse } from "./full.fixture";
import { describe, expect, it } from "vitest";
import { oneFunction } from "./oneFunction.fixture";

const reach = (text: string, from: number, to: number) =>
  analyse(oneFunction(text, { from, to }, [{ ask: "reach", function: "f", value: 0 }])).findings[0]!;

// Near 0 each is about x², moved by a little: by hand its zeros lie at ± the root of what it is moved by.
describe("places closer together than the search looks", () => {
  it.each([
    ["x sin(x) - 1e-20", 1e-10],
    ["x sin(x) - 1e-24", 1e-12],
    ["x (exp(x) - exp(-x)) - 2e-20", 1e-10],
    ["1e-20 - x sin(x)", 1e-10],
  ])("%s: two", (text, at) => {
    const f = reach(text, -1, 1);
    expect(f).toMatchObject({ complete: true, status: "found" });
    const places = f.solutions.map((s) => s.at);
    expect(places).toHaveLength(2);
    expect(places[0]! / -at).toBeCloseTo(1, 6);
    expect(places[1]! / at).toBeCloseTo(1, 6);
    for (const s of f.solutions) expect(s.kind).toBe("crossing");
  });
  it.each(["x sin(x) + 1e-20", "x (exp(x) - exp(-x)) + 2e-20", "-1e-20 - x sin(x)"])("%s: none", (text) =>
    expect(reach(text, -1, 1)).toMatchObject({ complete: true, status: "none", solutions: [] }),
  );
  it.each(["x sin(x)", "x (exp(x) - exp(-x))"])("%s: one, touching", (text) => {
    const f = reach(text, -1, 1);
    expect(f).toMatchObject({ complete: true, status: "found" });
    expect(f.solutions).toMatchObject([{ at: 0, kind: "touching" }]);
  });
});
