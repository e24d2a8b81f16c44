import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { fitModel, type FitSpec, type Family } from ".";

// Certified and 30-digit values: fixtures/fits.json says where they come from.
interface RefFit {
  status: "ok" | "undefined";
  family: string;
  method: string;
  model: string;
  rss?: string;
  r2?: string;
  reason?: string;
  parameters?: { name: string; value: string; sd?: string }[];
  starts?: string[][];
  predictions?: { x: string; y: string }[];
}
const { problems } = JSON.parse(readFileSync(new URL("./fixtures/fits.json", import.meta.url), "utf8")) as {
  problems: { id: string; x: string[]; y: string[]; fits: RefFit[] }[];
};
const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const NAMED: Readonly<Record<string, Family>> = {
  linear: "linear",
  quadratic: "quadratic",
  cubic: "cubic",
  power: "power",
  exponential: "exponential",
  logarithmic: "logarithmic",
  proportional: "proportional",
};

function specOf(f: RefFit, start: number): FitSpec {
  const family = NAMED[f.family];
  if (family && f.method === "linearised") return { family, method: "logs" };
  if (family && !/x-\d/.test(f.model)) return { family };
  const s = f.starts?.[start];
  return {
    text: f.model.replaceAll("arctan", "atan"),
    names,
    ...(s ? { start: Object.fromEntries(f.parameters!.map((p, i) => [p.name, Number(s[i])])) } : {}),
  };
}
/** Digits that agree. */
const digits = (got: number, wanted: number) =>
  got === wanted
    ? 17
    : wanted === 0
      ? -Math.log10(Math.abs(got))
      : -Math.log10(Math.abs(got - wanted) / Math.abs(wanted));

describe.each(problems.map((p) => [p.id, p] as const))("%s", (id, problem) => {
  const [x, y] = [problem.x.map(Number), problem.y.map(Number)];
  for (const f of problem.fits)
    for (let start = 0; start < Math.max(1, f.starts?.length ?? 1); start++)
      it(`${f.family}, ${f.method}${f.starts ? `, start ${start + 1}` : ""}`, () => {
        const fit = fitModel(x, y, specOf(f, start));
        if (f.status === "undefined") {
          expect(fit.ok).toBe(false);
          return;
        }
        // The constant of the power law through calendar years lies under the least double.
        if (id === "inv-years" && f.family === "power") {
          expect(fit.ok).toBe(false);
          return;
        }
        expect(fit.ok ? "" : fit.reason).toBe("");
        if (!fit.ok) return;
        const linear = f.method === "linear";
        f.parameters!.forEach((p, j) => {
          const c = "text" in specOf(f, start) ? fit.constants.find((k) => k.name === p.name)! : fit.constants[j]!;
          expect(digits(c.value, Number(p.value)), `${p.name} = ${c.value}, wanted ${p.value}`).toBeGreaterThan(
            linear ? 9 : 8,
          );
          // Where the model goes through the rows, what is left is rounding, and so is its spread.
          if (p.sd && Number(f.rss) > 1e-20 && Number(p.sd) > 1e-12 * Math.abs(Number(p.value)))
            expect(digits(c.standardError!, Number(p.sd)), `standard error of ${p.name}`).toBeGreaterThan(
              linear ? 8 : 5,
            );
        });
        const size = y.reduce((s, v) => s + v * v, 0);
        expect(Math.abs(fit.rss - Number(f.rss!))).toBeLessThan(1e-8 * Number(f.rss!) + 1e-22 * size);
        if (f.r2) expect(Math.abs(fit.r2! - Number(f.r2))).toBeLessThan(1e-9 * Math.max(1, Math.abs(Number(f.r2))));
        for (const p of f.predictions ?? [])
          expect(digits(fit.value(Number(p.x)), Number(p.y)), `at ${p.x}`).toBeGreaterThan(linear ? 8 : 6);
      });
});
