import { ratio, type Rational } from "../numeric";
import { EMPTY, Enclosure, PARTIAL } from "../interval";
import { compileEnclosure, differentiate, exactNumber, parts, same, wholeNumber, type Expression } from "../formula";
import { add, mapParts } from "../formula/build";
import { isStair } from "./breaking";
import { meanValueBounds } from "./meanValue";
import type { FunctionTable } from "./table";
import { withoutNothing } from "./withoutNothing";

/** What a stair adds to its argument just below the border where that steps up, and from there on. */
const BESIDE: Record<"floor" | "ceil" | "round", { readonly below: Rational; readonly above: Rational }> = {
  floor: { below: ratio(-1), above: ratio(0) },
  ceil: { below: ratio(0), above: ratio(1) },
  round: { below: ratio(-1, 2), above: ratio(1, 2) },
};

/** Bounds of a function with many steps on a box; null where they cannot be told this way. */
export type StepBounds = (box: Enclosure) => Enclosure | null;

/**
 * Bounds that come from the ends of steps alone. Where a function goes one way along every step of its only stair, its
 * best value on each lies at an end, and there the step is its argument but for a known number: 50x − ⌊x²/3⌋
 * comes to 50x − (x²/3 − 1) at the right end of each step, and all right ends stay below the greatest of that.
 */
export function stepEndBounds(e: Expression, table: FunctionTable): StepBounds {
  const stair = onlyStair(e);
  if (!stair) return () => null;
  const { below, above } = BESIDE[stair.name as keyof typeof BESIDE];
  const atBorder = (share: Rational) => withoutNothing(withSteps(e, exactNumber(share)));
  const [belowAll, aboveAll] = [below, above].map((share) => meanValueBounds(atBorder(share), table));
  const compiled = (f: Expression) => compileEnclosure(f, table.enclosure);
  const [along, steepness, value] = [stillStairs(differentiate(e)), differentiate(stair.a), e].map(compiled);
  return (box) => {
    const [onStep, up] = [signOf(along!(box)), signOf(steepness!(box))];
    if (onStep === 0 || up === 0) return null;
    // To the right along a step is towards where its argument steps up if that grows, else to where it stepped down.
    const [ofBest, ofWorst] = onStep === up ? [belowAll!(box), aboveAll!(box)] : [aboveAll!(box), belowAll!(box)];
    if (!ofBest || !ofWorst) return null;
    const ends = [box.lo, box.hi].map((x) => value!(new Enclosure(x, x)));
    if (ends.some((v) => v.flags & (EMPTY | PARTIAL))) return null;
    const [a, b] = ends as [Enclosure, Enclosure];
    return new Enclosure(Math.min(a.lo, b.lo, ofWorst.lo), Math.max(a.hi, b.hi, ofBest.hi));
  };
}

/** The one stair that a formula has, wherever it stands; null where there are several, or one inside another. */
function onlyStair(e: Expression): (Expression & { kind: "apply" }) | null {
  const all = stairsIn(e);
  const first = all[0];
  if (first?.kind !== "apply" || !all.every((s) => same(s, first)) || stairsIn(first.a).length > 0) return null;
  return first;
}
const stairsIn = (e: Expression): Expression[] => (isStair(e) ? [e] : parts(e).flatMap(stairsIn));

/** A formula with each step as its argument and a share. */
const withSteps = (e: Expression, share: Expression): Expression =>
  isStair(e) ? add(e.a, share) : mapParts(e, (part) => withSteps(part, share));

/** A slope along a step, on which no stair has any. */
const stillStairs = (e: Expression): Expression => (e.kind === "flat" ? wholeNumber(0) : mapParts(e, stillStairs));

function signOf(v: Enclosure): -1 | 0 | 1 {
  if (v.flags & (EMPTY | PARTIAL)) return 0;
  return v.lo > 0 ? 1 : v.hi < 0 ? -1 : 0;
}
