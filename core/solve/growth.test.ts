import { describe, expect, it } from "vitest";
import { ratio, type Rational } from "../numeric";
import { Enclosure } from "../interval";
import { encloseConstant } from "./encloseConstant";
import { grows, isNought, orderBound, vanishes, type Term } from "./growth";
import { TermAlgebra, isDecided, isPlain, isUsable, plainTerm } from "./termAlgebra";
import { formulaOf } from "./reading.fixture";

interface Parts {
  c?: readonly [number, number];
  r?: Rational;
  s?: Rational;
  w?: readonly [source: string, Parts];
  lead?: string | null;
}
/** c t^r L^s exp(w); 1 where nothing is given. */
function term({ c = [1, 1], r = ratio(0), s = ratio(0), w, lead = "1" }: Parts): Term {
  const growth = w ? { source: formulaOf(w[0]), term: term(w[1]) } : null;
  return { c: new Enclosure(c[0], c[1]), r, s, w: growth, lead: lead === null ? null : formulaOf(lead) };
}
const FAST = term({ w: ["x", { r: ratio(-1) }] });
const FASTER = term({ w: ["x^2", { r: ratio(-2) }] });
const FADING = term({ w: ["-x", { r: ratio(-1), c: [-1, -1], lead: "-1" }] });

describe("whether a term vanishes or grows", () => {
  it.each([
    ["1", term({}), false, false],
    ["t", term({ r: ratio(1) }), true, false],
    ["1/t", term({ r: ratio(-1) }), false, true],
    ["L", term({ s: ratio(1) }), false, true],
    ["1/L", term({ s: ratio(-1) }), true, false],
    ["t L^5", term({ r: ratio(1), s: ratio(5) }), true, false],
    ["L^−5/t", term({ r: ratio(-1), s: ratio(-5) }), false, true],
    ["exp(x)", FAST, false, true],
    ["exp(−x)/t^9", { ...FADING, r: ratio(-9) }, true, false],
    ["t^9 exp(x)", { ...FAST, r: ratio(9) }, false, true],
    ["nothing", term({ c: [0, 0], r: ratio(-1) }), true, false],
    ["an exponent that may be 0", term({ w: ["x", { r: ratio(-1), c: [0, 1] }] }), false, false],
    ["an exponent that may be 0, below", term({ w: ["x", { r: ratio(-1), c: [-1, 0] }] }), false, false],
  ])("%s", (_, t, isVanishing, isGrowing) => expect([vanishes(t), grows(t)]).toEqual([isVanishing, isGrowing]));
});

describe("the greatest value of t^a L^b exp(−decay t^−m) on (0, δ]", () => {
  const L = Math.log(256);
  it.each([
    [1, 0, 1 / 256, 1 / 256],
    [1, 1, 1 / 256, L / 256],
    [2, -1, 1 / 256, 1 / 256 ** 2 / L],
    [0, -1, 1 / 256, 1 / L],
    [0, 0, 1 / 256, 1],
    [1, 0, Math.exp(-1), Math.exp(-1)],
    // greatest inside, at L = b/a: (b/(a e))^b
    [0.1, 1, 1 / 256, 10 / Math.E],
    [0.1, 2, 1 / 256, (20 / Math.E) ** 2],
    // where L = b/a lies beyond δ, it is greatest at δ
    [0.5, 2, 1 / 256, L ** 2 / 16],
    // what does not go to 0, or a side too wide for a logarithm above 1
    [-1, 0, 1 / 256, null],
    [-1, -4, 1 / 256, null],
    [0, 1, 1 / 256, null],
    [1, 0, 0.5, null],
  ])("t^%s L^%s up to %s: %s", (a, b, delta, most) => {
    const found = orderBound(a, b, null, delta);
    if (most === null) return expect(found).toBeNull();
    expect(found! / most).toBeCloseTo(1, 7);
    expect(found).toBeGreaterThan(most);
  });

  const decay = (c: number, r: number, s = 0): Term => term({ c: [-9, -c], r: ratio(r), s: ratio(s) });
  it.each([
    [-3, 0, decay(2, -1), 0.25, Math.exp(-8) * 4 ** 3],
    [1, 0, decay(2, -1), 0.25, Math.exp(-8) / 4],
    [0, 0, decay(2, -1), 0.25, Math.exp(-8)],
    // L is replaced by 1/t; a power of it below 0 by nothing
    [-1, 1, decay(2, -1), 0.25, Math.exp(-8) * 4 ** 2],
    [-1, -1, decay(2, -1), 0.25, Math.exp(-8) * 4],
    // greatest inside, where y = q/decay
    [-20, 0, decay(2, -1), 0.25, Math.exp(-20) * 10 ** 20],
    [-2, 0, decay(2, -2), 0.25, Math.exp(-32) * 16],
    [-8, 0, decay(0.05, -2), 0.25, Math.exp(-4) * 80 ** 4],
    [0, 0, decay(0, -1), 0.25, null],
    [0, 0, decay(-1, -1), 0.25, null],
    [0, 0, decay(1, 0), 0.25, null],
    [0, 0, decay(1, 1), 0.25, null],
    [0, 0, decay(1, -1, -1), 0.25, null],
    [0, 0, decay(1, -1), 0.5, null],
  ])("t^%s L^%s with an exponent, row %#", (a, b, w, delta, most) => {
    const found = orderBound(a, b, w, delta);
    if (most === null) return expect(found).toBeNull();
    expect(found! / most).toBeCloseTo(1, 7);
    expect(found).toBeGreaterThan(most);
  });
});

describe("terms are added, multiplied and raised", () => {
  const DELTA = 1 / 256;
  const algebra = new TermAlgebra(DELTA);
  const NOUGHT = term({ c: [0, 0], lead: "0" });
  /** factor, orders, the exponent's order and sign, the number the quotient comes to */
  const told = (t: Term | null) =>
    t && [
      [t.c.lo, t.c.hi].map((x) => Number(x.toPrecision(9))),
      t.r.toFraction(),
      t.s.toFraction(),
      t.w && [t.w.term.r.toFraction(), Math.sign(t.w.term.c.lo)],
      t.lead && Number(encloseConstant(t.lead).lo.toPrecision(9)),
    ];
  const two = term({ c: [2, 3], r: ratio(1), s: ratio(-1), lead: "2" });
  const five = term({ c: [5, 7], r: ratio(2), s: ratio(3), lead: "5" });
  const unclear = term({ c: [-1, 1], lead: null });

  it.each([
    ["product", () => algebra.product(two, five), [[10, 21], "3", "2", null, 10]],
    [
      "product without a number it comes to",
      () => algebra.product(two, { ...five, lead: null }),
      [[10, 21], "3", "2", null, null],
    ],
    ["product with nothing", () => algebra.product(NOUGHT, FAST), [[0, 0], "0", "0", null, 0]],
    ["product with nothing, the other way", () => algebra.product(FAST, NOUGHT), [[0, 0], "0", "0", null, 0]],
    ["exp(x) · 1", () => algebra.product(FAST, two), [[2, 3], "1", "-1", ["-1", 1], 2]],
    ["1 · exp(x)", () => algebra.product(two, FAST), [[2, 3], "1", "-1", ["-1", 1], 2]],
    ["exp(x) exp(x²)", () => algebra.product(FAST, FASTER), [[1, 1], "0", "0", ["-2", 1], 1]],
    ["exp(x) exp(−x)", () => algebra.product(FAST, FADING), [[1, 1], "0", "0", null, 1]],
    [
      "exp(x) exp(−x/2 …), by how much is unclear",
      () => algebra.product(FAST, term({ w: ["-x/2", { r: ratio(-1), c: [-2, -0.5] }] })),
      null,
    ],
    [
      "exponents whose sum grows like a logarithm only",
      () => algebra.product(term({ w: ["ln(x)^2", { s: ratio(2) }] }), term({ w: ["ln(x)", { s: ratio(1) }] })),
      null,
    ],
    [
      "exponents whose sum has a divisor L",
      () =>
        algebra.product(
          term({ w: ["x/ln(x)", { r: ratio(-1), s: ratio(-1) }] }),
          term({ w: ["ln(x)", { s: ratio(1) }] }),
        ),
      null,
    ],
    [
      "quotient",
      () => algebra.quotient(two, term({ c: [5, 5], r: ratio(2), s: ratio(3), lead: "5" })),
      [[0.4, 0.6], "-1", "-4", null, 0.4],
    ],
    [
      "quotient of what comes to 0",
      () => algebra.quotient(two, { ...five, lead: formulaOf("0") }),
      [[0.285714286, 0.6], "-1", "-4", null, null],
    ],
    [
      "quotient without a number",
      () => algebra.quotient(two, { ...five, lead: null }),
      [[0.285714286, 0.6], "-1", "-4", null, null],
    ],
    [
      "quotient of no number",
      () => algebra.quotient({ ...two, lead: null }, five),
      [[0.285714286, 0.6], "-1", "-4", null, null],
    ],
    ["divided by what may be 0", () => algebra.quotient(two, unclear), null],
    ["nothing divided by what may be 0", () => algebra.quotient(NOUGHT, unclear), null],
    ["nothing divided", () => algebra.quotient(NOUGHT, FAST), [[0, 0], "0", "0", null, 0]],
    ["1/exp(x)", () => algebra.quotient(two, FAST), [[2, 3], "1", "-1", ["-1", -1], 2]],
    ["exp(x)/exp(x)", () => algebra.quotient(FAST, FAST), [[1, 1], "0", "0", null, 1]],
    ["exp(x)/exp(x²)", () => algebra.quotient(FAST, FASTER), [[1, 1], "0", "0", ["-2", -1], 1]],
    ["no sum", () => algebra.sum([]), [[0, 0], "0", "0", null, 0]],
    ["nothing and t", () => algebra.sum([NOUGHT, two]), [[2, 3], "1", "-1", null, 2]],
    ["two of one order", () => algebra.sum([two, two]), [[4, 6], "1", "-1", null, 4]],
    [
      "two of one order, one unknown",
      () => algebra.sum([two, { ...two, lead: null }]),
      [[4, 6], "1", "-1", null, null],
    ],
    [
      "1/t + 1: the share of 1 is at most δ",
      () => algebra.sum([term({ r: ratio(-1) }), term({})]),
      [[1, 1 + DELTA], "-1", "0", null, 1],
    ],
    ["1 + 1/t", () => algebra.sum([term({}), term({ r: ratio(-1) })]), [[1, 1 + DELTA], "-1", "0", null, 1]],
    [
      "1/t − 2 L",
      () => algebra.sum([term({ r: ratio(-1) }), term({ c: [-2, -2], s: ratio(1) })]),
      [[Number((1 - 2 * DELTA * Math.log(256)).toPrecision(9)), 1], "-1", "0", null, 1],
    ],
    [
      "L − 1",
      () => algebra.sum([term({ s: ratio(1) }), term({ c: [-1, -1] })]),
      [[Number((1 - 1 / Math.log(256)).toPrecision(9)), 1], "0", "1", null, 1],
    ],
    ["exp(x) + 1/t^5", () => algebra.sum([term({ r: ratio(-5) }), FAST]), [[1, 1], "0", "0", ["-1", 1], 1]],
    [
      "exp(x²) − exp(x)",
      () => algebra.sum([FASTER, term({ c: [-1, -1], w: ["x", { r: ratio(-1) }] })]),
      [[1, 1], "0", "0", ["-2", 1], 1],
    ],
    ["−", () => algebra.negated(two), [[-3, -2], "1", "-1", null, -2]],
    ["− of no number", () => algebra.negated({ ...two, lead: null }), [[-3, -2], "1", "-1", null, null]],
    ["three times", () => algebra.scaled(two, ratio(3)), [[6, 9], "1", "-1", null, 6]],
    ["square", () => algebra.raised(two, ratio(2), false), [[4, 9], "2", "-2", null, 4]],
    [
      "divided into 1",
      () => algebra.raised(term({ c: [2, 4], r: ratio(1), lead: "2" }), ratio(-1), false),
      [[0.25, 0.5], "-1", "0", null, 0.5],
    ],
    [
      "root",
      () => algebra.raised(term({ c: [4, 9], r: ratio(1), lead: "4" }), ratio(1, 2), false),
      [[2, 3], "1/2", "0", null, 2],
    ],
    [
      "root of what may be below 0, but has a value",
      () => algebra.raised(term({ c: [-1, 4], lead: null }), ratio(1, 2), false),
      [[0, 2], "0", "0", null, null],
    ],
    ["root of what is below 0", () => algebra.raised(term({ c: [-4, -1] }), ratio(1, 2), false), null],
    [
      "cube root below 0",
      () => algebra.raised(term({ c: [-8, -1], r: ratio(3) }), ratio(1, 3), true),
      [[-2, -1], "1", "0", null, null],
    ],
    [
      "fifth root below 0",
      () => algebra.raised(term({ c: [-32, -1] }), ratio(1, 5), true),
      [[-2, -1], "0", "0", null, null],
    ],
    ["square of what may be 0", () => algebra.raised(unclear, ratio(2), false), [[0, 1], "0", "0", null, null]],
    ["1 divided by what may be 0", () => algebra.raised(unclear, ratio(-1), false), null],
    ["nothing squared", () => algebra.raised(NOUGHT, ratio(2), false), [[0, 0], "0", "0", null, 0]],
    ["1 divided by nothing", () => algebra.raised(NOUGHT, ratio(-1), false), null],
    ["nothing to the power 0", () => algebra.raised(NOUGHT, ratio(0), false), null],
    ["√exp(x)", () => algebra.raised(FAST, ratio(1, 2), false), [[1, 1], "0", "0", ["-1", 1], 1]],
    ["exp(x)^−2", () => algebra.raised(FAST, ratio(-2), false), [[1, 1], "0", "0", ["-1", -1], 1]],
  ] as const)("%s", (_, found, wanted) => expect(told(found())).toEqual(wanted));

  it.each([
    ["1 … 2", term({ c: [1, 2] }), [1, 2]],
    ["t", term({ r: ratio(1) }), [0, DELTA]],
    ["−3 t", term({ c: [-3, -3], r: ratio(1) }), [-3 * DELTA, 0]],
    ["exp(−x), below 10^−100", FADING, [0, Math.exp(-256)]],
    ["1/t", term({ r: ratio(-1) }), null],
    ["exp(x)", FAST, null],
  ] as const)("all values of %s up to δ", (_, t, wanted) => {
    const range = algebra.rangeOf(t);
    expect(range && [range.lo, range.hi]).toEqual(wanted && wanted.map((x) => expect.closeTo(x, 9)));
  });

  it("plain: neither grows nor vanishes; nothing: its factor is 0; decided: it is not", () => {
    expect([term({}), two, FAST, term({ s: ratio(1) })].map(isPlain)).toEqual([true, false, false, false]);
    expect([NOUGHT, unclear, two, term({ c: [0, 1] }), term({ c: [-1, 0] })].map(isNought)).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
    expect([two, unclear, NOUGHT].map(isDecided)).toEqual([true, false, false]);
    expect([new Enclosure(1, 2), new Enclosure(-Infinity, 2), new Enclosure(1, Infinity)].map(isUsable)).toEqual([
      true,
      false,
      false,
    ]);
    expect(plainTerm(new Enclosure(1, 2), null)).toEqual({ ...term({ c: [1, 2] }), lead: null });
  });
});
