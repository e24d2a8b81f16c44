import { expect, it } from "vitest";
import { Tally, tryDecimals } from "./run";

const SEED = Number(process.env.PASEAR_SEED ?? 1);
const CASES_AT_ONCE = 15;
const parts = Array.from({ length: 8 }, (_, part) => part);

// Ranges, breaks and levels such as 0.3 lie beside the doubles that stand for them.
it.each(parts)("part %i: no value contradicts what is claimed of decimals, and no second method", (part) => {
  const tally = new Tally();
  for (let i = 0; i < CASES_AT_ONCE; i++) tryDecimals(SEED * 1_000_003 + part * CASES_AT_ONCE + i, tally);
  expect(tally.contradictions).toEqual([]);
  expect(tally.faults).toEqual([]);
  expect(tally.disagreements).toEqual([]);
  expect(tally.claims).toBeGreaterThan(90);
  expect(tally.open).toBeLessThan(tally.claims / 4);
});
