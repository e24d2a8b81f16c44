import type { QuestionOf } from "../kind";
import { rationalText, toDouble, type Rational } from "../../numeric";
import { Enclosure, iv } from "../../interval";
import { compileNumber } from "../../formula";
import { compareSpots, integrate, partition, type Integral, type Spot } from "../../solve";
import type { TotalFinding } from "../finding";
import { gaussSum } from "../common/secondWay";
import { Refusal, type Asking } from "../common/asking";
import { readable } from "../common/exactShown";
import { isClose, onlyBetween } from "../common/digits";
import { isNought } from "../common/nought";

export function total(asking: Asking<QuestionOf<"total" | "average">>): TotalFinding {
  const { q, table, name } = asking;
  const x = asking.variable.name;
  const from = asking.amount(q.between[0], "the start");
  const to = asking.amount(q.between[1], "the end");
  const order = compareSpots(from, to, table);
  const without: TotalFinding = {
    ask: q.ask,
    ...asking.answered(),
    between: [from.at, to.at],
    value: null,
    exactValue: null,
  };
  if (q.ask === "average" && order === 0) throw new Refusal("An average needs a stretch; both ends are the same.");
  const e = asking.body();
  const sum = integrate(e, table, from, to);
  if (!sum.ok) {
    const near = `near ${x} = ${asking.shown({ at: sum.near, rational: null })}`;
    switch (sum.reason) {
      case "work":
        return {
          ...without,
          status: "unsettled",
          message: `The total could not be bounded within the work allowed; it is hard ${near}.`,
        };
      case "undefined":
        return {
          ...without,
          status: "none",
          complete: true,
          message: `${name} has no value on part of the stretch, ${near}, so that it has no total.`,
        };
      case "unbounded":
        return {
          ...without,
          status: "none",
          complete: true,
          message: `${name} has no bound ${near}, and neither has what is summed; no total can be given.`,
        };
    }
  }
  const [lo, hi] = order === 1 ? [to, from] : [from, to];
  const bounds = { lo: sum.low, hi: sum.high };
  const isKnown = sum.exact !== null || isClose(bounds);
  if (!isKnown && !(sum.value === 0 && !sum.isImproper && isNought(e, table, from, to)))
    return { ...without, status: "unsettled", message: onlyBetween("the total", bounds) };
  const breaks = partition([e], table, { from: lo, to: hi }).flatMap((p) => (p.kind === "place" ? [p.spot.at] : []));
  const plain = compileNumber(e, table.number);
  return {
    ...without,
    complete: true,
    ...(q.ask === "average"
      ? averaged(sum, from, to)
      : { value: sum.value === 0 ? 0 : sum.value, exactValue: written(sum.exact) }),
    // Plain sums cannot follow a function that is not bounded at an end.
    secondWay: sum.isImproper ? null : gaussSum(plain, from.at, to.at, sum.value, breaks),
  };
}

/** A total spread over its stretch, the ends of which differ. */
function averaged(sum: Integral & { ok: true }, from: Spot, to: Spot): { value: number; exactValue: string | null } {
  if (sum.exact && from.rational && to.rational) {
    const exact = sum.exact.div(to.rational.sub(from.rational));
    return { value: toDouble(exact), exactValue: written(exact) };
  }
  if (sum.value === 0) return { value: 0, exactValue: null };
  const length = iv.subtract(new Enclosure(to.lo, to.hi), new Enclosure(from.lo, from.hi));
  const { lo, hi } = iv.divide(new Enclosure(sum.low, sum.high), length);
  return { value: lo + (hi - lo) / 2, exactValue: null };
}

const written = (exact: Rational | null): string | null => exact && readable(rationalText(exact));
