import type { Plan } from "../model";
import { readForm, type PlanResult } from "../plan";
import type { Names } from "../formula";
import { ownOf, toDouble } from "../numeric";
import { parseUnit } from "../units";
import { isPlainSign } from "./planWords";
import { formatNumber, formatRate } from "./quantity";

/** Sentences told at most; of hundreds of constraints the strongest are said. */
const MOST = 12;
/** Of more that are worth nothing, none is told. */
const MOST_IDLE = 6;

/** Ends of a range in words: `200 … 480`, `up to 40`, `from 40 on`, `always`. */
export function rangeText(
  ends: readonly [number | null, number | null] | undefined,
  told: (end: number) => string = formatNumber,
): string {
  if (!ends) return "";
  const [a, b] = ends.map((v) => (v === null ? null : told(v)));
  return a && b ? (a === b ? `exactly ${a}` : `${a} … ${b}`) : a ? `from ${a} on` : b ? `up to ${b}` : "always";
}

/** A constraint as it is read: `2x + 3y ≤ 240`. */
export const relationShown = (text: string): string =>
  text.replaceAll("<=", "≤").replaceAll(">=", "≥").replaceAll("-", "−").replaceAll("*", "·");

/** What one more of each constraint is worth, as sentences, the strongest first. */
export function worthSentences(plan: Plan, r: PlanResult): string[] {
  const unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const least = plan.objective?.sense === "least";
  const label = (id: string) => {
    const c = plan.constraints.find((row) => row.id === id);
    return c?.label ?? (c ? relationShown(c.text) : id);
  };
  const strong = Object.entries(r.multipliers)
    .filter(([id, w]) => w !== 0 && !isPlainSign(plan, id))
    .sort((a, b) => Math.abs(b[1] ?? Infinity) - Math.abs(a[1] ?? Infinity));
  const out = strong.slice(0, MOST).map(([id, worth]) => {
    if (worth === null)
      return (
        `One more of ${label(id)} and one less do not change the best value alike: several ` +
        "constraints meet at the best point."
      );
    const verb = least ? (worth > 0 ? "adds" : "saves") : worth > 0 ? "brings" : "costs";
    return `One more of ${label(id)} ${verb} ${formatRate(Math.abs(worth), unit)}${holding(ownOf(r.ranges, id))}.`;
  });
  const idle = Object.entries(r.multipliers).flatMap(([id, w]) => {
    const range = ownOf(r.ranges, id);
    return w === 0 && range && plan.constraints.find((c) => c.id === id)?.label ? [{ id, range }] : [];
  });
  if (idle.length <= MOST_IDLE) {
    const free = idle.filter(({ range }) => range[1] === null).map(({ id }) => label(id));
    if (free.length > 0) out.push(`One more of ${free.join(" or ")} changes nothing.`);
    // Of what has to be reached, one more may be too much.
    for (const { id, range } of idle)
      if (range[1] !== null) out.push(`One more of ${label(id)} changes nothing${holding(range)}.`);
  }
  if (strong.length > MOST)
    out.push(`${strong.length - MOST} more constraints are worth something; the table has them all.`);
  if (out.length > 0 && plan.variables.some((v) => v.whole))
    out.push("These worths are those of the plan without regard to whole values.");
  return out;
}

/** For which right-hand sides a worth holds; nothing where it does for all. */
function holding(range: readonly [number | null, number | null] | undefined): string {
  const [from, to] = range ?? [null, null];
  if (from === null && to === null) return "";
  if (from === null) return `, for a right-hand side up to ${formatNumber(to!)}`;
  if (to === null) return `, for a right-hand side from ${formatNumber(from)} on`;
  return `, for a right-hand side from ${formatNumber(from)} to ${formatNumber(to)}`;
}

export interface CoefficientRow {
  readonly name: string;
  readonly label: string;
  readonly at: number;
  readonly now: number;
  readonly stays: readonly [number | null, number | null] | null;
  readonly reduced: number | null;
  readonly says: string;
}

/**
 * For each variable: its coefficient in the objective, for which coefficients the plan stays best, and its reduced
 * cost; each also as a sentence.
 */
export function coefficientRows(plan: Plan, r: PlanResult, names: Names): CoefficientRow[] {
  const best = r.best[0];
  if (!best || !plan.objective) return [];
  const form = readForm(
    plan.objective.text,
    plan.variables.map((v) => v.name),
    names,
  );
  if (!form.ok) return [];
  const unit = plan.objective.unit ? parseUnit(plan.objective.unit).unit : null;
  const least = plan.objective.sense === "least";
  return plan.variables.map((v, j) => {
    const now = toDouble(form.form.coefficients[j]!);
    const stays = ownOf(r.stays, v.name) ?? null;
    const reduced = ownOf(r.reduced, v.name) ?? null;
    const at = best.at[j]!;
    const rate = (x: number) => formatRate(x, unit);
    let says = "";
    if (at === 0 && reduced !== null && reduced !== 0) {
      // Nothing of it is made: making one would lose its reduced cost, until its coefficient is better by that much.
      const turn = least ? stays?.[0] : stays?.[1];
      says =
        `None of ${v.label ?? v.name}: each would ${least ? "add" : "cost"} ` +
        `${rate(Math.abs(reduced))}` +
        `${turn == null ? "" : `; it pays ${least ? "below" : "above"} ${rate(turn)} each`}.`;
    } else if (stays) {
      const [a, b] = stays;
      const span =
        a !== null && b !== null
          ? `between ${rate(a)} and ${rate(b)}`
          : a !== null
            ? `at least ${rate(a)}`
            : b !== null
              ? `at most ${rate(b)}`
              : "any amount";
      says =
        `The same plan stays best as long as ${v.label ?? v.name} ` +
        `${v.label ? (least ? "cost" : "bring") : least ? "costs" : "brings"} ${span} each ` +
        `(now ${rate(now)}).`;
    }
    return { name: v.name, label: v.label ?? "", at, now, stays, reduced, says };
  });
}
