import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { rankModels, suggestSplit, tooFewRuns, fitModel } from ".";

const free = { context: { notNegative: false, limit: null } };
const weeks = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9];
const followers = [71, 117, 233, 387, 710, 1142, 1844, 2552, 3399, 4009];

describe("which model", () => {
  const ranked = rankModels(weeks, followers, { context: { notNegative: true, limit: null } });
  const of = (family: string, method = "direct") => ranked.find((m) => m.family === family && m.method === method)!;
  it("followers that level off: logistic first, judged on rows it did not see", () => {
    expect(ranked[0]!.family).toBe("logistic");
    // Refits without each row, done once with other software-free arithmetic (a table of ten lines for the straight
    // one).
    expect(of("linear").fit!.leaveOneOut!).toBeCloseTo(leaveOneOutLine(weeks, followers), 6);
    expect(of("logistic").fit!.leaveOneOut!).toBeLessThan(40);
  });
  it("says what each does beyond the data", () => {
    expect(of("logistic").beyond).toEqual([expect.objectContaining({ kind: "levels", side: "after" })]);
    expect(of("exponential").beyond.some((b) => b.kind === "explodes")).toBe(true);
    expect(of("quadratic").beyond.some((b) => b.kind === "turns" && b.way === "rises")).toBe(true);
    const line = of("linear").beyond.find((b) => b.kind === "negative");
    expect(line).toMatchObject({ side: "before" });
  });
  it("a dip below 0 ends where it ends", () => {
    // (x − 2)² − 1/2 through all four: below 0 between 2 ∓ √½
    const dip = rankModels([0, 1, 3, 4], [3.5, 0.5, 0.5, 3.5], { context: { notNegative: true, limit: null } });
    const quadratic = dip.find((m) => m.family === "quadratic")!;
    const [from, until] = [2 - Math.SQRT1_2, 2 + Math.SQRT1_2].map((v) => expect.closeTo(v, 6) as number);
    expect(quadratic.beyond).toContainEqual({ kind: "negative", from, until, side: "after" });
  });
  it("what decays comes to 0, not to a trace of it", () => {
    const x = [0, 1, 2, 3, 4, 5, 6];
    const decay = rankModels(
      x,
      x.map((v) => 80 * Math.exp(-v)),
      free,
    ).find((m) => m.family === "exponential")!;
    expect(decay.beyond).toEqual([{ kind: "levels", near: 0, side: "after" }]);
  });
  it("a logistic that has most of its growth before it slows all the same", () => {
    const x = [0, 1, 2, 3, 4, 5, 6];
    // Up to 6 only a twentieth of the way is done; at 12 it is 14 times the last reading.
    const y = x.map((v) => 10_000 / (1 + 9999 * Math.exp(-v * 1.05)));
    const logistic = rankModels(x, y, free).find((m) => m.family === "logistic")!;
    expect(logistic.beyond).toEqual([{ kind: "levels", near: expect.closeTo(10_000, 0) as number, side: "after" }]);
  });
  it("models that cannot be fitted say why, the others come", () => {
    expect(of("power", "logs")).toMatchObject({
      fit: null,
      reason: "Logarithms need inputs above 0, and there is one at or below 0.",
      place: null,
    });
    expect(of("logarithmic").reason).toMatch(/inputs above 0/);
  });
  it("differences that do not matter are ties, and the simpler stands first", () => {
    const x = Array.from({ length: 12 }, (_, i) => i);
    const y = x.map((v, i) => 3 + 2 * v + [0.3, -0.2, 0.1, -0.3, 0.2, -0.1][i % 6]!);
    const list = rankModels(x, y, free);
    expect(list[0]!.family).toBe("linear");
    expect(list.findIndex((m) => m.family === "cubic")).toBeGreaterThan(0);
  });
  it("an exact law wins with an error of 0", () => {
    const x = [1, 2, 3, 4, 5, 6];
    expect(
      rankModels(
        x,
        x.map((v) => 5 * v ** 1.5),
        free,
      )[0],
    ).toMatchObject({ family: "power", place: 1 });
    expect(
      rankModels(
        x,
        x.map((v) => 4 * v),
        free,
      )[0],
    ).toMatchObject({ family: "proportional" });
    expect(
      rankModels(
        x,
        x.map((v) => 7 - 2 * Math.log(v)),
        free,
      )[0],
    ).toMatchObject({ family: "logarithmic" });
  });
});
/** By its definition: fit without each row, and look at what is missed. */
function leaveOneOutLine(x: number[], y: number[]): number {
  const misses = x.map((_, i) => {
    const [xs, ys] = [x.filter((_v, k) => k !== i), y.filter((_v, k) => k !== i)];
    const [mx, my] = [xs.reduce((a, b) => a + b) / xs.length, ys.reduce((a, b) => a + b) / ys.length];
    const slope = xs.reduce((s, v, k) => s + (v - mx) * (ys[k]! - my), 0) / xs.reduce((s, v) => s + (v - mx) ** 2, 0);
    return y[i]! - (my + slope * (x[i]! - mx));
  });
  return Math.sqrt(misses.reduce((s, e) => s + e * e, 0) / x.length);
}

describe("least squares, as properties", () => {
  const rows = fc
    .array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -99, max: 99 })), {
      minLength: 4,
      maxLength: 25,
    })
    .filter((r) => new Set(r.map(([x]) => x)).size >= 4);
  it("the residuals of a cubic stand square on 1, x, x² and x³", () => {
    fc.assert(
      fc.property(rows, (r) => {
        const fit = fitModel(
          r.map(([x]) => x),
          r.map(([, y]) => y),
          { family: "cubic" },
        );
        if (!fit.ok) throw new Error(fit.reason);
        for (let k = 0; k <= 3; k++)
          expect(Math.abs(r.reduce((s, [x, y]) => s + (y - fit.value(x)) * x ** k, 0))).toBeLessThan(
            1e-6 * 50 ** k * 99 * r.length,
          );
      }),
    );
  });
  it("scaling the readings scales the constants", () => {
    fc.assert(
      fc.property(rows, fc.integer({ min: 2, max: 40 }), (r, by) => {
        const [a, b] = [1, by].map((f) =>
          fitModel(
            r.map(([x]) => x),
            r.map(([, y]) => y * f),
            { family: "quadratic" },
          ),
        );
        if (!a!.ok || !b!.ok) throw new Error("no fit");
        a!.constants.forEach((c, j) => expect(b!.ok && b!.constants[j]!.value).toBeCloseTo(c.value * by, 6));
      }),
    );
  });
  it("shifting the inputs of an exponential changes only its factor", () => {
    const y = followers.slice(0, 6);
    const [a, b] = [0, 200].map((s) =>
      fitModel(
        weeks.slice(0, 6).map((v) => v + s),
        y,
        { family: "exponential" },
      ),
    );
    if (!a!.ok || !b!.ok) throw new Error("no fit");
    expect(b!.constants[1]!.value).toBeCloseTo(a!.constants[1]!.value, 10);
    expect(b!.rss).toBeCloseTo(a!.rss, 4);
  });
  it("two readings through a power or an exponential are met exactly, by both methods", () => {
    for (const family of ["power", "exponential"] as const)
      for (const method of ["direct", "logs"] as const) {
        const fit = fitModel([2, 5], [7, 40], { family, method });
        if (!fit.ok) throw new Error(fit.reason);
        expect(fit.value(2)).toBeCloseTo(7, 9);
        expect(fit.value(5)).toBeCloseTo(40, 9);
        expect(fit.constants.every((c) => c.standardError === null)).toBe(true);
      }
  });
});

describe("what cannot be fitted", () => {
  it.each([
    ["linear", [3, 3, 3], [1, 2, 3], /All inputs are equal/],
    ["quadratic", [1, 1, 2, 2], [1, 2, 3, 4], /3 constants, but there are only 2 different inputs/],
    ["proportional", [0, 0], [1, 2], /inputs are 0/],
    ["power", [-1, 2, 3], [1, 2, 3], /needs inputs of 0 or more/],
    ["logistic", [0, 1, 2, 3, 4], [0, 1, 2, 3, 4].map(Math.exp), /levels off/],
    ["linear", [], [], /no rows/],
  ] as const)("%s %j", (family, x, y, reason) => {
    const fit = fitModel(x, y, { family });
    expect(fit.ok ? "" : fit.reason).toMatch(reason);
  });
});

describe("breaks", () => {
  it("counts that fall and then rise: the turn is found", () => {
    const x = Array.from({ length: 16 }, (_, i) => i);
    const y = x.map((v, i) => (v < 7 ? 900 - 80 * v : 380 + 60 * (v - 7)) + [6, -4, 3, -6, 2][i % 5]!);
    const split = suggestSplit(x, y)!;
    expect(split.degree).toBe(1);
    expect(split.breaks).toHaveLength(1);
    expect(split.breaks[0]).toBeGreaterThan(5.9);
    expect(split.breaks[0]).toBeLessThan(8);
  });
  it("a straight row of data needs none", () => {
    const x = Array.from({ length: 20 }, (_, i) => i);
    expect(
      suggestSplit(
        x,
        x.map(
          (v, i) =>
            5 +
            3 * v +
            [
              0.4, -1.1, 0.9, 0.2, -0.6, 1.3, -0.2, -0.9, 0.1, 0.7, -1.4, 0.5, 0.3, -0.8, 1.0, -0.1, 0.6, -1.2, 0.8,
              -0.4,
            ][i]!,
        ),
      ),
    ).toBeNull();
  });
  it("three stretches have two breaks", () => {
    const x = Array.from({ length: 30 }, (_, i) => i);
    expect(
      suggestSplit(
        x,
        x.map((v) => (v < 10 ? 2 * v : v < 20 ? 20 : 20 - 3 * (v - 20))),
      )!.breaks,
    ).toHaveLength(2);
  });
});
it("runs", () => {
  expect(tooFewRuns([1, 1, 1, 1, 1, -1, -1, -1, -1, -1], 1)).toBe(true);
  expect(tooFewRuns([1, -1, 1, -1, 1, -1, 1, 1, -1, -1], 1)).toBe(false);
});
it("fitted directly, no model misses the readings more than on logarithms", () => {
  fc.assert(
    fc.property(
      fc
        .array(fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 500 })), {
          minLength: 4,
          maxLength: 14,
        })
        .filter((r) => new Set(r.map(([x]) => x)).size >= 3),
      fc.constantFrom("power" as const, "exponential" as const),
      (rows, family) => {
        const [x, y] = [rows.map(([v]) => v), rows.map(([, v]) => v)];
        const [direct, logs] = [fitModel(x, y, { family }), fitModel(x, y, { family, method: "logs" })];
        if (!direct.ok || !logs.ok) return;
        expect(direct.rss).toBeLessThanOrEqual(logs.rss * (1 + 1e-9));
      },
    ),
    { numRuns: 150 },
  );
});
