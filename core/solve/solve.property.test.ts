import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { VARIABLE, exactNumber } from "../formula/numbers";
import { multiply, substitute, subtract } from "../formula/build";
import { resolve, compileNumber, compileEnclosure, box } from "../formula";
import { ratio, isolateRealRoots, poly } from "../numeric";
import { formulaText } from "../formula/formulaText.fixture";
import { findRoots } from "./index";
import { between } from "./range.fixture";
import { names, read, table } from "./solving.fixture";

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
