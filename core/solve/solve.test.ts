import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { resolve, type Expression } from "../formula";
import { ratio } from "../numeric";
import { formulaText } from "../formula/formulaText.fixture";
import { findRoots, integrate, leastOf, whereRelation, spotOfRational } from "./index";
import { between } from "./range.fixture";
import { names, read, table, num, roots, places } from "./solving.fixture";

describe("shown by the issue", () => {
  it("sin(20x)+x/10 on −10…10: all of them", () => {
    // Zeros lie where |x|/10 <= 1; a sign scan at a millionth of the range counts the same.
    const found = roots("sin(20x) + x/10", "-10", "10");
    const f = (x: number) => Math.sin(20 * x) + x / 10;
    let changes = 0;
    for (let i = 0; i < 1_000_000; i++) {
      const a = -10.00001 + i * 2e-5;
      if (f(a) * f(a + 2e-5) < 0) changes++;
    }
    expect(found.open).toEqual([]);
    expect(found.roots.length).toBe(changes);
  });
  it("(x−1)² and 1−cos x touch, x⁹ crosses flatly", () => {
    expect(places("(x-1)^2", "-2", "4")).toEqual([[1, "touching"]]);
    expect(places("1 - cos(x)", "-7", "7").map(([x, k]) => [Number((x as number).toFixed(6)), k])).toEqual([
      [-6.283185, "touching"],
      [0, "touching"],
      [6.283185, "touching"],
    ]);
    expect(places("x^9", "-1", "2")).toEqual([[0, "crossing"]]);
  });
  it("a pole is no root, and e^−x on 0…50 is never 0", () => {
    expect(places("tan(x)", "1", "2")).toEqual([]);
    expect(places("1/(x-2)", "0", "5")).toEqual([]);
    expect(places("exp(-x)", "0", "50")).toEqual([]);
    expect(places("exp(-x)", null, null)).toEqual([]);
  });
  it("a jump over the level is no answer, and is told", () => {
    const jump = roots("step(x - 3) - 0.5", "0", "6");
    expect([jump.roots, jump.jumps]).toEqual([[], [3]]);
  });
});

describe("roots of every sort", () => {
  const cases: [string, string, string, [number, string][]][] = [
    [
      "x^2 - 4",
      "-2",
      "2",
      [
        [-2, "endpoint"],
        [2, "endpoint"],
      ],
    ],
    [
      "x^3 - x",
      "-2",
      "2",
      [
        [-1, "crossing"],
        [0, "crossing"],
        [1, "crossing"],
      ],
    ],
    [
      "abs(x - 2) - 1",
      "0",
      "6",
      [
        [1, "crossing"],
        [3, "crossing"],
      ],
    ],
    [
      "abs(x^2 - 4)",
      "-5",
      "5",
      [
        [-2, "touching"],
        [2, "touching"],
      ],
    ],
    ["(x^2 - 4)/(x - 2)", "-5", "5", [[-2, "crossing"]]],
    ["sqrt(x - 1)", "1", "5", [[1, "endpoint"]]],
    ["x ln(x)", "0", "3", [[1, "crossing"]]],
    ["floor(x/3) - 2", "0", "20", []],
    [
      "min(x, 4 - x)",
      "-1",
      "5",
      [
        [0, "crossing"],
        [4, "crossing"],
      ],
    ],
    ["max(x - 1, 0)", "2", "5", []],
    [
      "exp(2x) - 3 exp(x) + 2",
      "-1",
      "2",
      [
        [0, "crossing"],
        [Math.LN2, "crossing"],
      ],
    ],
    [
      "x - 5 sqrt(x) + 6",
      "0",
      "20",
      [
        [4, "crossing"],
        [9, "crossing"],
      ],
    ],
    ["2000*1.03^x - 1500*1.05^x", "0", "60", [[Math.log(4 / 3) / Math.log(1.05 / 1.03), "crossing"]]],
    ["500 - 500*0.97^x", "-1", "5", [[0, "crossing"]]],
    ["(x-1)^2 exp(x)", "-3", "3", [[1, "touching"]]],
    ["ln(x^2 + 1) - x", "-1", "3", [[0, "crossing"]]],
  ];
  for (const [text, from, to, wanted] of cases) {
    it(text, () => {
      const found = places(text, from, to);
      expect(found.map(([, k]) => k)).toEqual(wanted.map(([, k]) => k));
      found.forEach(([x], i) => expect(x).toBeCloseTo(wanted[i]![0], 8));
    });
  }
  it("a stretch of zeros is told as one", () => {
    const found = roots("max(x - 2, 0)", "0", "5");
    expect(found.everywhere).toMatchObject([{ lo: 0, hi: 2, closedLo: true, closedHi: true }]);
    expect(found.roots).toEqual([]);
  });
  it("what cannot be proven stays open and is never claimed", () => {
    // Touches 0 where x eˣ = 2: no short name, so neither touch nor miss can be proven.
    const found = roots("(x exp(x) - 2)^2 + (x exp(x) - 2)^4 + 0 x", "0", "2");
    const near = roots("x exp(1 - x) - 1 - (x-1)^2/1000000000000000000000000", "0", "3");
    for (const f of [found, near]) for (const r of f.roots) expect(r.kind).toBe("touching");
    expect(near.open.length + near.roots.length).toBeGreaterThan(0);
  });
});

describe("unbounded ranges", () => {
  it("polynomials and exponentials need no bounds", () => {
    expect(places("x^3 - 2x - 5", null, null).length).toBe(1);
    expect(places("1500*1.034^x - 3000", null, null)[0]![0]).toBeCloseTo(20.731324139, 8);
  });
  it("a tail that is proven free of roots closes the range; one that is not is named", () => {
    const closed = roots("exp(-x) - x", "0", null);
    expect([closed.roots.length, closed.searched]).toEqual([1, null]);
    const open = roots("sin(x) + exp(-x)", "0", null);
    expect(open.searched).not.toBeNull();
  });
});

describe("signs, leaders, totals", () => {
  it("a product is positive outside its roots, ends owned by the relation", () => {
    const where = (relation: "<" | "<=" | ">" | ">=") =>
      whereRelation(read("(x - 1)(x - 3)"), table, between(num("0"), num("5")), relation).stretches.map(
        (s) => `${s.closedLo ? "[" : "("}${s.lo},${s.hi}${s.closedHi ? "]" : ")"}`,
      );
    expect(where(">=")).toEqual(["[0,1]", "[3,5]"]);
    expect(where(">")).toEqual(["[0,1)", "(3,5]"]);
    expect(where("<")).toEqual(["(1,3)"]);
  });
  it("a pole parts stretches without being in any", () => {
    const found = whereRelation(read("1/(x - 2)"), table, between(num("0"), num("5")), ">=");
    expect(found.stretches).toMatchObject([{ lo: 2, hi: 5, closedLo: false, closedHi: true }]);
  });
  it("the cheapest of three plans, stretch by stretch", () => {
    const found = leastOf(["40 + 28x", "210 + 11x", "500 + 0x"].map(read), table, between(num("0"), num("40")));
    // 40+28x = 210+11x at 10; 210+11x = 500 at 290/11
    expect(found.leaders.map((l) => [l.least, Number(l.hi.toFixed(6))])).toEqual([
      [0, 10],
      [1, Number((290 / 11).toFixed(6))],
      [2, 40],
    ]);
  });
  it("integrals: exact for polynomials, within proven bounds elsewhere", () => {
    const total = (text: string, a: string, b: string) => {
      const r = integrate(read(text), table, spotOfRational(num(a)), spotOfRational(num(b)));
      if (!r.ok) throw new Error(r.reason);
      return r;
    };
    expect(total("x^3 - 2x + 1", "-1", "2").exact!.toFraction()).toBe("15/4");
    for (const [text, a, b, wanted] of [
      ["exp(-x^2)", "0", "2", 0.88208139076242],
      ["sin(100 x)", "0", "1", 0.00137681127712316],
      ["sin(x)/x", "1", "6", 0.478604480913323],
      ["sqrt(x)", "0", "4", 16 / 3],
      ["abs(sin(x))", "0", "3", 1 - Math.cos(3)],
    ] as const) {
      const r = total(text, a, b);
      expect(r.low <= wanted && wanted <= r.high, `${text}: ${r.low} … ${r.high}`).toBe(true);
      expect(r.high - r.low).toBeLessThan(1e-6);
    }
    expect(integrate(read("1/x"), table, spotOfRational(num("0")), spotOfRational(num("1")))).toMatchObject({
      ok: false,
    });
  });
});

it("asked again, the same formula has the same answers", () => {
  const bounds = (e: Expression) => {
    const r = findRoots(e, table, between(ratio(-2), ratio(3)));
    return {
      roots: r.roots.map((z) => [z.lo, z.hi, z.kind, z.multiplicity]),
      open: r.open,
      everywhere: r.everywhere.map((s) => [s.lo, s.hi]),
    };
  };
  const same = (e: Expression) => {
    const first = bounds(e);
    return expect(bounds(e)).toEqual(first);
  };
  for (const text of [
    "sin(20 x) + x/10",
    "sin(10 x) + sin(11 x)",
    "abs(x - 1) (x^2 - 2)",
    "x/(x - 2) - 1/2",
    "floor(2 x) - x",
  ])
    same(read(text));
  for (const text of fc.sample(formulaText, { numRuns: 400, seed: 77 })) {
    const e = resolve(text, names).expression;
    if (e) same(e);
  }
});
