import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  resolve,
  compileNumber,
  compileEnclosure,
  box,
  multiply,
  subtract,
  exactNumber,
  substitute,
  VARIABLE,
  type Expression,
} from "../formula";
import { ratio, rationalOfDecimal, isolateRealRoots, poly, type Rational } from "../numeric";
import { formulaText } from "../formula/formulaText.fixture";
import {
  FunctionTable,
  encloseConstant,
  findBest,
  findRoots,
  integrate,
  isExactlyZero,
  leastOf,
  whereRelation,
  spotOfRational,
} from "./index";
import { between } from "./range.fixture";

const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => {
  const r = resolve(text, names);
  if (!r.expression) throw new Error(`${text}: ${r.problems[0]!.message}`);
  return r.expression;
};
const table = new FunctionTable();
const num = (t: string): Rational => rationalOfDecimal(t)!;
const roots = (text: string, from: string | null, to: string | null) =>
  findRoots(read(text), table, between(from === null ? null : num(from), to === null ? null : num(to)));
const places = (text: string, from: string | null, to: string | null) => {
  const r = roots(text, from, to);
  expect(r.open).toEqual([]);
  return r.roots.map((z) => [Number(z.at.toPrecision(10)), z.kind]);
};

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

describe("properties", () => {
  // Each root of any formula that is claimed must be one: a change of sign around a crossing, and 0 within rounding at
  // every root.
  it("no claimed root is false, and no sign change is missed, for 1,500 formulas", () => {
    let found = 0;
    fc.assert(
      fc.property(formulaText, fc.integer({ min: -4, max: 2 }), fc.integer({ min: 1, max: 6 }), (text, from, width) => {
        const r = resolve(text, names);
        if (!r.expression) return;
        const e = r.expression;
        const search = findRoots(e, table, between(ratio(from), ratio(from + width)));
        const enclosure = compileEnclosure(e, table.enclosure);
        const f = compileNumber(e, table.number);
        for (const z of search.roots) {
          found++;
          expect(Number.isFinite(z.at)).toBe(true);
          expect(z.lo <= z.at && z.at <= z.hi).toBe(true);
          const there = enclosure(box(z.lo, z.hi));
          if (!(there.lo <= 1e-9 && there.hi >= -1e-9)) throw new Error(`${text}: ${z.at} is no root`);
        }
        if (search.everywhere.length > 0) return;
        // A continuous change of sign between neighbouring samples needs a root, an open stretch, or a break between
        // them.
        const step = width / 97;
        for (let i = 0; i < 97; i++) {
          const a = from + i * step;
          const b = a + step;
          const [fa, fb] = [f(a), f(b)];
          if (!(fa * fb < 0) || Math.abs(fa) < 1e-9 || Math.abs(fb) < 1e-9) continue;
          if (enclosure(box(a, b)).flags) continue;
          if (!search.roots.some((z) => z.hi >= a && z.lo <= b) && !search.open.some((o) => o.hi >= a && o.lo <= b))
            throw new Error(`${text}: a sign change in ${a} … ${b} is missed`);
        }
      }),
      { numRuns: 1500, seed: 3 },
    );
    expect(found).toBeGreaterThan(400);
  }, 120_000);

  it("shifting and scaling move roots as they must", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -40, max: 40 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: -9, max: 9 }),
        fc.integer({ min: 1, max: 7 }),
        (list, shift, by) => {
          const product = list
            .map((r) => subtract(VARIABLE, exactNumber(ratio(r, 4))))
            .reduce((a, b) => multiply(a, b));
          const moved = substitute(
            product,
            subtract(multiply(exactNumber(ratio(by)), VARIABLE), exactNumber(ratio(shift))),
          );
          const wanted = [...new Set(list)].map((r) => (r / 4 + shift) / by).sort((a, b) => a - b);
          const found = findRoots(multiply(moved, exactNumber(ratio(-7, 3))), table, between(null, null));
          expect(found.roots.map((z) => z.at)).toHaveLength(wanted.length);
          found.roots.forEach((z, i) => {
            expect(z.at).toBeCloseTo(wanted[i]!, 10);
            expect(z.multiplicity).toBe(list.filter((r) => Math.abs((r / 4 + shift) / by - z.at) < 1e-9).length);
          });
        },
      ),
      { numRuns: 200, seed: 5 },
    );
  });

  it("the exact path and the interval path agree on polynomials", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 2, maxLength: 6 }), (c) => {
        const p = poly.trim(c.map((n) => ratio(n)));
        if (poly.degree(p) < 1) return;
        const exact = isolateRealRoots(p, ratio(-30), ratio(30)).filter((r) => r.multiplicity === 1);
        // e^x · p has the same zeros, and is no polynomial.
        const text = `exp(x/100) (${c
          .map((n, i) => `${n < 0 ? "-" : "+"} ${Math.abs(n)} x^${i}`)
          .join(" ")
          .replace(/^\+/, "")}) + 0`;
        const found = findRoots(read(text), table, between(ratio(-30), ratio(30)));
        for (const r of exact)
          expect(found.roots.some((z) => Math.abs(z.at - r.at) < 1e-9 * Math.max(1, Math.abs(r.at)))).toBe(true);
      }),
      { numRuns: 200, seed: 9 },
    );
  });
});

describe("exact forms", () => {
  const exact = (text: string, from: string, to: string) =>
    roots(text, from, to).roots.map((r) => r.exact?.text ?? null);
  const cases: [string, string, string, string[]][] = [
    ["3x - 7", "0", "10", ["7/3"]],
    ["x^2/30 - 11.5 x + 180", "0", "320", ["(345 - sqrt(97425))/2"]],
    ["x^2 - 2", "0", "2", ["sqrt(2)"]],
    ["x^2 - 4x + 1", "0", "5", ["2 - sqrt(3)", "2 + sqrt(3)"]],
    ["x^3 - 2", "0", "2", ["cbrt(2)"]],
    ["x^4 - 4 x^2 + 4", "0", "2", ["sqrt(2)"]],
    ["1500*1.034^x - 3000", "0", "60", ["ln(2)/ln(1.034)"]],
    ["40 exp(0.08x) - 80", "0", "60", ["12.5 ln(2)"]],
    ["ln(x) - 2", "1", "20", ["exp(2)"]],
    ["2 sin(x) - 1", "0", "2", ["pi/6"]],
  ];
  for (const [text, from, to, wanted] of cases)
    it(`${text}: ${wanted.join(", ")}`, () => expect(exact(text, from, to)).toEqual(wanted));
  it("every exact form lies in its proven enclosure", () => {
    for (const [text, from, to] of cases)
      for (const r of roots(text, from, to).roots) {
        const v = encloseConstant(r.exact!.expression);
        expect(v.lo <= r.hi + 1e-12 && v.hi >= r.lo - 1e-12).toBe(true);
      }
  });
  it.each([
    ["ln(8) - 3 ln(2)"],
    ["sqrt(12) - 2 sqrt(3)"],
    ["e^ln(5) - 5"],
    ["cos(pi/3) - 1/2"],
    ["sqrt(2) sqrt(8) - 4"],
    ["2^(1/2) 2^(3/2) - 4"],
    ["exp(2) exp(-2) - 1"],
    ["log10(0.01) + 2"],
    ["sin(7 pi/6) + 0.5"],
  ])("%s is proven 0", (text) => expect(isExactlyZero(read(text))).toBe(true));
  it.each([["ln(8) - 2.0794415"], ["pi - 355/113"], ["sqrt(2) - 1.41421356237"], ["e - 2.718281828459045"]])(
    "%s is not",
    (text) => expect(isExactlyZero(read(text))).toBe(false),
  );
});

describe("greatest and least", () => {
  const best = (text: string, from: string | null, to: string | null, sense: 1 | -1) =>
    findBest(read(text), table, between(from === null ? null : num(from), to === null ? null : num(to)), sense);
  it("an unbounded or never reached best value is told as such", () => {
    expect(best("1/x", "0", "5", 1)).toMatchObject({ status: "unbounded", bound: { value: null, at: 0 } });
    expect(best("x^2", null, null, 1)).toMatchObject({ status: "unbounded" });
    expect(best("exp(-x)", "0", null, -1)).toMatchObject({
      status: "approached",
      bound: { value: 0, at: null, side: 1 },
    });
    expect(best("ln(x - 9)", "0", "5", 1)).toMatchObject({ status: "undefined" });
  });
  it("the square of a distance is least at its kink, wherever it lies", () => {
    fc.assert(
      fc.property(fc.integer({ min: -90, max: 90 }), (k) => {
        const found = findBest(read(`abs(x - ${k}/10) + (x - ${k}/10)^2`), table, between(ratio(-10), ratio(10)), -1);
        expect(found.status === "attained" && found.best.map((b) => b.at)).toEqual([k / 10]);
      }),
      { numRuns: 40, seed: 4 },
    );
  });
  it("no sample beats a best value, for 400 formulas", () => {
    let looked = 0;
    fc.assert(
      fc.property(formulaText, fc.integer({ min: -3, max: 2 }), (text, from) => {
        const r = resolve(text, names);
        if (!r.expression) return;
        const found = findBest(r.expression, table, between(ratio(from), ratio(from + 3)), 1);
        if (found.status !== "attained" || !found.complete) return;
        looked++;
        const f = compileNumber(r.expression, table.number);
        for (let i = 0; i <= 60; i++) {
          const y = f(from + i / 20);
          if (Number.isFinite(y) && y > found.high + 1e-9 * Math.max(1, Math.abs(y)))
            throw new Error(`${text}: ${y} at ${from + i / 20} beats ${found.value}`);
        }
      }),
      { numRuns: 400, seed: 21 },
    );
    expect(looked).toBeGreaterThan(120);
  }, 60_000);
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
