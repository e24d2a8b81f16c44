import { same } from "./same";

export type Side = "mine" | "theirs";

/** One part of two versions: of the side that changed it; where both did, of the preferred one, and it is a clash. */
export function settle<T>(base: T, mine: T, theirs: T, prefer: Side): { value: T; isClash: boolean } {
  if (same(mine, theirs) || same(base, theirs)) return { value: mine, isClash: false };
  if (same(base, mine)) return { value: theirs, isClash: false };
  return { value: prefer === "mine" ? mine : theirs, isClash: true };
}
