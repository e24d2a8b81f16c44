import type { PlanResult } from "./planResult";

/**
 * How far two results of one plan lie apart: the relative difference of their best values (whole ones too); ∞ when
 * they tell different stories.
 */
export function apart(exact: PlanResult, other: PlanResult): number {
  const kind = (r: PlanResult) => (r.status === "tied" ? "optimal" : r.status);
  if (kind(exact) !== kind(other)) return Infinity;
  const off = (a: number | null | undefined, b: number | null | undefined) =>
    a == null || b == null ? (a == null && b == null ? 0 : Infinity) : Math.abs(a - b) / Math.max(1, Math.abs(a));
  return Math.max(
    off(exact.best[0]?.value, other.best[0]?.value),
    other.gap === null ? off(exact.whole?.value, other.whole?.value) : 0,
  );
}
