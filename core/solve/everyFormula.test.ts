import fc from "fast-check";
import { expect, it } from "vitest";
import { formulaText } from "../formula/formulaText.fixture";
import { resolve } from "../formula";
import { ratio } from "../numeric";
import { findBest, findRoots, FunctionTable, type OptimumSearch, type RootSearch } from ".";
import { between } from "./range.fixture";

const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const [FROM, TO] = [ratio(-2), ratio(3)];

/** What is wrong with an answer as such: a number that is none, bounds that do not hold it, a place outside the range. */
function troubleOfRoots({ roots, open, everywhere }: RootSearch): string | null {
  for (const r of roots)
    if (!(r.lo <= r.at && r.at <= r.hi && r.at >= -2 && r.at <= 3)) return `root ${r.at} in ${r.lo}…${r.hi}`;
  for (const s of [...open, ...everywhere]) if (!(s.lo <= s.hi)) return `stretch ${s.lo}…${s.hi}`;
  return null;
}
function troubleOfBest(b: OptimumSearch): string | null {
  if (b.status === "attained") {
    if (!Number.isFinite(b.value)) return `best value ${b.value}`;
    for (const p of b.best) if (!(p.lo <= p.hi && p.at >= -2 && p.at <= 3)) return `best at ${p.at}`;
  }
  if (b.status === "approached" && !Number.isFinite(b.limit)) return `limit ${b.limit}`;
  return null;
}

// Every formula is solved; every fourth is also asked for its greatest value. A throw or an endless loop fails the test as well.
it("no formula of 100,000 throws, hangs, or has an answer that is no number", () => {
  let solved = 0;
  const bad: string[] = [];
  for (let chunk = 0; chunk < 100; chunk++) {
    for (const text of fc.sample(formulaText, { numRuns: 1000, seed: 1000 + chunk })) {
      const e = resolve(text, names).expression;
      if (!e) continue;
      solved++;
      const table = new FunctionTable();
      const trouble =
        troubleOfRoots(findRoots(e, table, between(FROM, TO))) ??
        (solved % 4 === 0 ? troubleOfBest(findBest(e, table, between(FROM, TO), 1)) : null);
      if (trouble) bad.push(`${text}: ${trouble}`);
    }
  }
  expect(bad).toEqual([]);
  expect(solved).toBeGreaterThan(95_000);
}, 1_200_000);
