import type { Fit } from "./fitShape";

/** A model has settled when it moves by less than this part of what the data span. */
const SETTLED = 1e-3;

/** What a model says outside its rows: the classic ways a good fit is a bad guide. */
export type Beyond =
  | { readonly kind: "levels"; readonly near: number; readonly side: "after" | "before" }
  /** below 0 from an input on, up to where it comes back, if it was seen to */
  | {
      readonly kind: "negative";
      readonly from: number;
      readonly until: number | null;
      readonly side: "after" | "before";
    }
  | { readonly kind: "above"; readonly limit: number; readonly from: number; readonly side: "after" | "before" }
  /** far from all that was read: so many times the largest of it */
  | { readonly kind: "explodes"; readonly at: number; readonly value: number; readonly times: number }
  | {
      readonly kind: "turns";
      readonly at: number;
      readonly way: "falls" | "rises";
      readonly where: "inside" | "after" | "before";
    }
  | { readonly kind: "stops"; readonly at: number; readonly side: "after" | "before" };

export interface Context {
  /** readings can never be below 0 */ readonly notNegative: boolean;
  /** readings can never be above this */ readonly limit: number | null;
}

/** How far beyond the rows is looked, in widths of the data. */
const REACH = 1;
const STEPS = 240;
/** A dip smaller than this share of the readings' span is no turn. */
const TURN = 0.002;
/** A value this many times the greatest reading, within one width beyond, explodes. */
const EXPLODES = 8;

/**
 * Looks at a model on its rows and one width of them to each side.
 * @param from  least input of the rows
 * @param to  greatest
 */
export function beyondData(
  fit: Fit,
  from: number,
  to: number,
  greatest: number,
  least: number,
  context: Context,
): Beyond[] {
  const width = to - from || Math.max(1, Math.abs(to));
  const out: Beyond[] = [];
  const at = (i: number, side: "after" | "before") =>
    side === "after" ? to + (width * REACH * i) / STEPS : from - (width * REACH * i) / STEPS;
  const span = greatest - least || Math.abs(greatest) || 1;
  if (context.notNegative && least >= 0) {
    const xs = Array.from({ length: 2 * STEPS + 1 }, (_, i) => from + ((to - from + width * REACH) * i) / (2 * STEPS));
    const first = xs.findIndex((x) => fit.value(x) < 0);
    const lastStart = first === 0 ? xs.findIndex((x) => fit.value(x) >= 0) : -1;
    const crossed = (i: number) => crossing(fit, xs[i - 1]!, xs[i]!, 0);
    const back = xs.findIndex((x, i) => i > first && fit.value(x) >= 0);
    if (first > 0)
      out.push({ kind: "negative", from: crossed(first), until: back > 0 ? crossed(back) : null, side: "after" });
    else if (lastStart > 0) out.push({ kind: "negative", from: crossed(lastStart), until: null, side: "before" });
  }
  for (const side of ["after", "before"] as const) {
    // Counting begins at 0 in most stories: what a model says of the time before matters only where there is one.
    if (side === "before" && from <= 0) continue;
    const end_ = side === "before" ? Math.min(STEPS, Math.floor((from / width) * STEPS)) : STEPS;
    const values = Array.from({ length: end_ + 1 }, (_, i) => fit.value(at(i, side)));
    const stop = values.findIndex((v) => !Number.isFinite(v));
    if (stop >= 0) {
      if (side === "after" || at(stop, side) > 0)
        out.push({ kind: "stops", at: at(Math.max(0, stop - 1), side), side });
      continue;
    }
    const negative = values.findIndex((v) => v < 0);
    if (side === "before" && context.notNegative && least >= 0 && negative > 0)
      out.push({
        kind: "negative",
        from: crossing(fit, at(negative - 1, side), at(negative, side), 0),
        until: null,
        side,
      });
    const over = context.limit === null ? -1 : values.findIndex((v) => v > context.limit!);
    if (over >= 0)
      out.push({
        kind: "above",
        limit: context.limit!,
        from: crossing(fit, at(Math.max(0, over - 1), side), at(over, side), context.limit!),
        side,
      });
    if (side === "after")
      out.push(...farAfter(fit, to, width, span, values, Math.max(Math.abs(greatest), Math.abs(least))));
  }
  const turn = turningPoint(fit, from, to + width * REACH, span);
  if (turn) out.push({ kind: "turns", at: turn.at, way: turn.way, where: turn.at > to ? "after" : "inside" });
  return out;
}

/** Whether a model levels off after the rows, and near what, or runs away from all that was read. */
function farAfter(
  fit: Fit,
  to: number,
  width: number,
  span: number,
  values: readonly number[],
  largest: number,
): Beyond[] {
  const [start, end] = [values[0]!, values[values.length - 1]!];
  const [far, farther] = [fit.value(to + 40 * width), fit.value(to + 400 * width)];
  const isSettled = Number.isFinite(far) && Math.abs(far - farther) < SETTLED * Math.max(span, Math.abs(far));
  const runsAway = Math.abs(end) > EXPLODES * largest;
  // What comes to rest in the end does slow, however far up.
  if (runsAway && !isSettled)
    return [{ kind: "explodes", at: to + width * REACH, value: end, times: Math.abs(end) / largest }];
  const isSoon = Math.abs(far - end) < 0.15 * span && Math.abs(far - start) < 3 * span;
  if (!isSettled || !(isSoon || runsAway)) return [];
  return [{ kind: "levels", near: Math.abs(far) < NOTHING * span ? 0 : far, side: "after" }];
}
/** A level this small beside the span of the readings is 0. */
const NOTHING = 1e-6;

function crossing(fit: Fit, a: number, b: number, level: number): number {
  let [lo, hi] = [a, b];
  const side = Math.sign(fit.value(lo) - level);
  for (let i = 0; i < 50; i++) {
    const m = (lo + hi) / 2;
    if (Math.sign(fit.value(m) - level) === side) lo = m;
    else hi = m;
  }
  return (lo + hi) / 2;
}
/** The first place where a model turns round by more than a small share of the span of the readings. */
function turningPoint(fit: Fit, from: number, to: number, span: number): { at: number; way: "falls" | "rises" } | null {
  const xs = Array.from({ length: STEPS + 1 }, (_, i) => from + ((to - from) * i) / STEPS);
  const ys = xs.map((x) => fit.value(x));
  if (ys.some((y) => !Number.isFinite(y))) return null;
  for (let i = 1; i < STEPS; i++) {
    const [up, down] = [ys[i]! > ys[i - 1]! && ys[i]! >= ys[i + 1]!, ys[i]! < ys[i - 1]! && ys[i]! <= ys[i + 1]!];
    if (!up && !down) continue;
    const after = ys.slice(i);
    const reach = up ? ys[i]! - Math.min(...after) : Math.max(...after) - ys[i]!;
    const before = up ? ys[i]! - Math.min(...ys.slice(0, i)) : Math.max(...ys.slice(0, i)) - ys[i]!;
    if (reach > span * TURN && before > span * TURN) return { at: xs[i]!, way: up ? "falls" : "rises" };
  }
  return null;
}
