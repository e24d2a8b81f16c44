import { expect } from "vitest";
import { Tally, tryCase } from "./run";

/** Fewer where mutants are tried, each of them anew. */
const CLAIMS = Number(process.env.PASEAR_CLAIMS ?? 20_000);
const CASES_AT_ONCE = 100;

/**
 * Holds a share of all claims against plain values: 20,000 in two files, which run beside each other.
 * @param part  0 or 1, each with cases of its own
 */
export function holdClaims(part: 0 | 1): void {
  const tally = new Tally();
  const seed = Number(process.env.PASEAR_SEED ?? 1);
  const wanted = CLAIMS / 2;
  for (let from = 0; tally.claims < wanted; from += CASES_AT_ONCE)
    for (let i = 0; i < CASES_AT_ONCE; i++) tryCase(seed * 1_000_003 + part * 500_000 + from + i, tally);
  expect(tally.contradictions).toEqual([]);
  expect(tally.faults).toEqual([]);
  // A check that claims nothing would pass too, and so would one of formulas that are nearly all refused.
  expect(tally.refused).toBeLessThan(tally.claims / 4);
  for (const [kind, { claims, open }] of Object.entries(tally.byKind)) {
    expect(claims, kind).toBeGreaterThan(wanted / 40);
    expect(open / (claims + open), kind).toBeLessThan(0.12);
  }
}
