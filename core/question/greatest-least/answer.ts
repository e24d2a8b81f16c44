import type { QuestionOf } from "../kind";
import { BROKEN, EMPTY, Enclosure, down, up } from "../../interval";
import { rationalOfDouble, rationalText, toDouble } from "../../numeric";
import { compileEnclosure, compileNumber } from "../../formula";
import {
  findBest,
  isExactlyZero,
  newWork,
  partition,
  spotOfRational,
  turningParts,
  type Attained,
  type Bound,
  type OptimumSearch,
} from "../../solve";
import { readingOf } from "../../model";
import type { BestFinding, FindingStretch, Solution, WholeReading } from "../finding";
import { goldenSection } from "../common/secondWay";
import { bestWhole, type BestWhole } from "../common/whole";
import type { Asking } from "../common/asking";
import { isClose, onlyBetween } from "../common/digits";
import { exactShown, readable } from "../common/exactShown";
import { isWholeRange, openMessage, told, toldOpen, wholesIn } from "../common/stretches";

/** How much of the range is looked at around a best value by the second way, and how much at the least. */
const [NEIGHBOURHOOD, LEAST_SPAN] = [1e-3, 1e-9];

type BestAsking = Asking<QuestionOf<"greatest" | "least">>;

export function best(asking: BestAsking): BestFinding {
  const sense = asking.q.ask === "greatest" ? 1 : -1;
  const found = findBest(asking.body(), asking.table, asking.range, sense, asking.work);
  const wholes = wholesOf(asking, found, sense);
  if (found.status === "attained" && !Number.isFinite(found.value))
    // Larger than any number here: which of such values is best cannot be told.
    return { ...without(asking), status: "unsettled", open: [...found.open, ...found.flat].map(toldOpen) };
  if (found.status === "attained") return attained(asking, found, wholes, sense);
  const bound = found.status === "approached" || found.status === "unbounded" ? found.bound : null;
  const isKnown = wholes?.complete || found.status !== "unsettled";
  if (wholes && wholes.best.length > 0 && isKnown) return wholeOnly(asking, wholes, bound);
  if (found.status === "undefined")
    return {
      ...without(asking),
      status: "none",
      complete: true,
      message: `${asking.name} has no value anywhere on the range.`,
    };
  if (found.status === "unsettled") return { ...without(asking), status: "unsettled", open: found.open.map(toldOpen) };
  const limit = found.bound;
  const between = { lo: limit.low, hi: limit.high };
  const isTold = limit.value === null || isClose(between);
  return {
    ...without(asking),
    status: "none",
    complete: isTold,
    bound: toldBound(limit),
    repeats: found.period && limit.at !== null ? { every: found.period.every.at } : null,
    message: isTold ? null : onlyBetween("what it comes closer to", between),
  };
}

/** An answer without a best value, to begin with. */
const without = (asking: BestAsking): BestFinding => ({
  ask: asking.q.ask,
  ...asking.answered(),
  solutions: [],
  wholeTies: null,
  stretches: [],
  bound: null,
  repeats: null,
  value: null,
  exactValue: null,
});

/**
 * The best whole inputs, where the variable counts; of a function that repeats, those of the first period are not all.
 */
function wholesOf(asking: Asking, found: OptimumSearch, sense: 1 | -1): BestWhole | null {
  if (!asking.variable.whole || asking.q.round === "none") return null;
  const parts = found.period
    ? turningParts(
        asking.body(),
        asking.table,
        partition([asking.body()], asking.table, asking.range, newWork(4000)),
        sense,
        newWork(4000),
      )
    : found.parts;
  return bestWhole(asking.body(), asking.table, parts, asking.range, sense);
}

const toldBound = (b: Bound): BestFinding["bound"] => ({ value: b.value, at: b.at, side: b.side });

/** Between the whole inputs a function may do what it likes; the best of them is still the answer. */
function wholeOnly(asking: BestAsking, wholes: BestWhole, bound: Bound | null): BestFinding {
  const readings = wholeReadings(wholes);
  const [first] = readings;
  const solutions = readings.map((w): Solution => ({
    at: w.at,
    value: w.value,
    low: w.at,
    high: w.at,
    kind: "interior",
    exact: w.n ? rationalText(w.n) : null,
    exactLatex: w.n ? rationalText(w.n) : null,
    whole: w,
    reads: readingOf(w.at, asking.variable),
    turns: 0,
    spot: spotOfRational(w.n ?? rationalOfDouble(w.at)),
  }));
  return {
    ...without(asking),
    // Where even the bounds between the whole inputs are open, the answer stands and is not called complete.
    complete: wholes.complete && bound !== null,
    solutions,
    value: first!.value,
    wholeTies: readings.length > 1 ? readings : null,
    bound: bound && toldBound(bound),
    message: wholes.complete ? null : "Whether another whole input is as good could not be settled.",
  };
}

const wholeReadings = (wholes: BestWhole | null): WholeReading[] =>
  (wholes?.best ?? []).map(({ at, n, value }) => ({ at, n, value }));

function attained(
  asking: BestAsking,
  found: OptimumSearch & Attained,
  wholes: BestWhole | null,
  sense: 1 | -1,
): BestFinding {
  const readings = wholeReadings(wholes);
  const isCounted = asking.variable.whole && asking.q.round !== "none";
  const solutions: Solution[] = found.best.map((b) => ({
    at: b.spot.rational ? toDouble(b.spot.rational) : b.at,
    value: found.value,
    low: b.lo,
    high: b.hi,
    kind: b.kind,
    ...exactShown(b.exact),
    whole: nearestOf(readings, b.at),
    reads: readingOf(b.at, asking.variable),
    turns: 0,
    spot: b.spot,
  }));
  const isEverywhere = found.flat.some((s) => isWholeRange(s, asking.range));
  const bounds = { lo: found.low, hi: found.high };
  const isKnown = found.exactValue !== null || isClose(bounds) || (found.form !== null && isExactlyZero(found.form));
  const stretches = found.flat.map((f): FindingStretch => ({
    ...told(f),
    ...(isCounted ? wholesIn(f, asking.table) : {}),
  }));
  return {
    ...without(asking),
    status: isEverywhere ? "everywhere" : "found",
    complete: found.complete && isKnown && (wholes?.complete ?? true),
    solutions,
    value: found.value,
    exactValue: found.exactValue ? readable(rationalText(found.exactValue)) : null,
    wholeTies: readings.length > 1 ? readings : null,
    repeats: found.period && !isEverywhere ? { every: found.period.every.at } : null,
    stretches,
    secondWay: confirmBest(asking, found, sense),
    message: !found.complete
      ? openMessage(found.open, asking.variable.name)
      : isKnown
        ? null
        : onlyBetween("this value", bounds),
  };
}

function confirmBest(asking: Asking, found: Attained, sense: 1 | -1) {
  const [peak] = found.best;
  if (!peak) return null;
  const [lo, hi] = [asking.range.from?.at ?? null, asking.range.to?.at ?? null];
  const near = span(lo, hi, peak.at);
  const number = compileNumber(asking.body(), asking.table.number);
  const enclosure = compileEnclosure(asking.body(), asking.table.enclosure);
  // Where the function jumps at an input that no double is, plain values are those of one side or the other.
  if (peak.lo < peak.hi && enclosure(new Enclosure(peak.lo, peak.hi)).flags & BROKEN) return null;
  // The place itself may lie between two doubles.
  const roundingAt = (x: number) => {
    const v = enclosure(new Enclosure(down(x), up(x)));
    return v.flags & EMPTY ? 0 : v.hi - v.lo;
  };
  return goldenSection(
    number,
    sense,
    peak.at,
    found.value,
    Math.max(lo ?? -Infinity, peak.at - near),
    Math.min(hi ?? Infinity, peak.at + near),
    roundingAt,
  );
}

const span = (lo: number | null, hi: number | null, at: number): number =>
  Math.max(LEAST_SPAN, (lo !== null && hi !== null ? hi - lo : Math.max(1, Math.abs(at))) * NEIGHBOURHOOD);

function nearestOf(wholes: readonly WholeReading[], at: number): WholeReading | null {
  let nearest: WholeReading | null = null;
  for (const w of wholes) if (!nearest || Math.abs(w.at - at) < Math.abs(nearest.at - at)) nearest = w;
  return nearest;
}
