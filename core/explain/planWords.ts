import type { Plan } from "../model";
import type { PlanPoint, PlanResult } from "../plan";
import { parseUnit, singular, type Unit } from "../units";
import { formatNumber, formatQuantity } from "./quantity";
import { list } from "./list";

export interface PlanWords {
  readonly says: string;
  readonly more: readonly string[];
  readonly chips: readonly { readonly text: string; readonly tone: "sure" | "open" | "aside" }[];
}

/** An unlabelled `x >= 0`: a matter of course. */
export function isPlainSign(plan: Plan, id: string): boolean {
  const c = plan.constraints.find((k) => k.id === id);
  return (
    c !== undefined &&
    !c.label &&
    /^\s*(?:0\s*(?:<=|≤)\s*\p{L}[\p{L}\p{Nd}_]*|\p{L}[\p{L}\p{Nd}_]*\s*(?:>=|≥)\s*0)\s*$/u.test(c.text)
  );
}

/** The answer of a plan as sentences, in the words of its labels and units. */
export function planWords(plan: Plan, r: PlanResult): PlanWords {
  const unit: Unit | null = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const value = (v: number | null) => (v === null ? "" : formatQuantity(v, unit));
  const amounts = (p: PlanPoint) =>
    list(
      shown(plan, p)
        .map((i) => {
          const v = plan.variables[i]!;
          return v.label
            ? `${p.at[i] === 0 ? "no" : formatNumber(p.at[i]!)} ${p.at[i] === 1 ? oneOf(v.label) : v.label}`
            : `${v.name} = ${v.unit ? formatQuantity(p.at[i]!, parseUnit(v.unit).unit) : formatNumber(p.at[i]!)}`;
        })
        .concat(left(plan, p)),
      "and",
    );
  const label = (id: string) => plan.constraints.find((c) => c.id === id)?.label ?? id;
  const sense = plan.objective?.sense ?? "greatest";
  const more: string[] = [];
  const chips: { text: string; tone: "sure" | "open" | "aside" }[] = [];
  if (r.status === "infeasible")
    return {
      says: "No point keeps all constraints.",
      more: [
        r.conflict.length > 12
          ? `${r.conflict.length} constraints cannot hold together.`
          : `${list(r.conflict.map(label), "and")} cannot hold together; without any one of them the others can.`,
      ],
      chips: [{ text: r.compiled ? "no point, by the compiled solver" : "proven: empty", tone: "sure" }],
    };
  if (r.status === null)
    return {
      says:
        r.notes[0] ??
        `The region has ${r.corners.length} corner${r.corners.length === 1 ? "" : "s"}` +
          `${r.regionBounded === false ? " and goes on without end" : ""}.`,
      more: ["Write what is to be made greatest or least to see which corner is best."],
      chips,
    };
  if (r.status === "unbounded")
    return {
      says: `There is no ${sense} value: it goes on without end.`,
      more: [
        r.ray === null
          ? "A limit may be missing."
          : `It grows for ever along ${way(plan, r.ray)}, and every constraint holds all the ` +
            "way; a limit may be missing.",
      ],
      chips: [{ text: "unbounded", tone: "open" }],
    };
  if (r.whole === null && r.best[0] && plan.variables.some((v) => v.whole))
    return {
      says: r.notes[r.notes.length - 1] ?? "The best whole point is not settled.",
      more: [
        `Not in whole numbers, ${amounts(r.best[0])} would give ${value(r.best[0].value)}.`,
        ...r.notes.slice(0, -1),
      ],
      chips: [{ text: "no whole point", tone: "open" }],
    };
  const best = r.whole ?? r.best[0]!;
  const moved = r.whole !== null && !r.best.some((b) => b.at.every((v, i) => v === r.whole!.at[i]));
  const says =
    r.status === "tied" && !moved && r.best.length > 1
      ? `${amounts(r.best[0]!)}, or ${amounts(r.best[1]!)}, or any mix of the two on the ` +
        `edge between: ${value(best.value)}.`
      : `Make ${amounts(best)}: ${value(best.value)}.`;
  if (moved)
    more.push(
      `Not in whole numbers, ${amounts(r.best[0]!)} would give ${value(r.best[0]!.value)}; ` +
        "rounding that is not the best.",
    );
  if (r.wholeTies) more.push(`${r.wholeTies.length} whole points are equally good.`);
  // That a variable is not negative is no supply that could run out.
  const rooms = moved && r.wholeSlack ? r.wholeSlack : null;
  const out = rooms
    ? Object.entries(rooms).flatMap(([id, room]) => (room === 0 && !isPlainSign(plan, id) ? [id] : []))
    : r.binding.filter((id) => r.multipliers[id] !== 0 && !isPlainSign(plan, id));
  if (out.length > 0 && out.length <= 12) more.push(`Nothing is left of ${list(out.map(label), "and")}.`);
  const spare = Object.entries(rooms ?? r.slack)
    .filter(([, room]) => room !== 0)
    .filter(([id]) => plan.constraints.find((c) => c.id === id)?.label);
  if (spare.length > 0 && spare.length <= 8)
    more.push(`${spare.map(([id, s]) => `${label(id)}: ${formatNumber(s)} to spare`).join("; ")}.`);
  if (r.regionBounded === false)
    more.push(
      `The region goes on without end along ${list(
        r.directions.slice(0, 3).map((d) => `(${d.map((v) => formatNumber(v)).join(", ")})`),
        "and",
      )}; the best value is reached all the same.`,
    );
  more.push(...r.notes);
  if (r.gap !== null)
    more.unshift(`Not proven the best: what is still possible lies ${formatNumber(r.gap * 100, 3)} % beyond it.`);
  if (r.compiled)
    chips.push(
      r.secondWay !== null
        ? { text: "tested: all kept, and its multipliers prove it", tone: "sure" }
        : { text: "by the compiled solver", tone: "open" },
    );
  else chips.push({ text: r.status === "tied" ? "a whole edge is best" : "one best corner", tone: "sure" });
  if (r.whole)
    chips.push(
      r.gap !== null
        ? { text: "best whole point so far", tone: "open" }
        : { text: moved ? "best whole point, proven" : "whole already", tone: "sure" },
    );
  if (r.secondWay !== null && !r.compiled)
    chips.push(
      r.secondWay < 1e-7 ? { text: "two methods agree", tone: "sure" } : { text: "two methods differ", tone: "open" },
    );
  return { says, more, chips };
}

/** One of what a label counts: `river lanterns` is a river lantern, `portions of nuts` a portion of nuts. */
function oneOf(label: string): string {
  const [, head, rest = ""] = /^(.*?)(\sof\s.*)?$/u.exec(label)!;
  return head!.replace(/\p{L}+$/u, (word) => singular(word)) + rest;
}
/** A direction in words: the point of a plane, or of many variables those that move. */
function way(plan: Plan, ray: readonly number[]): string {
  const least = Math.min(...ray.filter((v) => v !== 0).map(Math.abs));
  const steps = ray.map((v) => Number((v / least).toPrecision(10)));
  if (ray.length === 2) return `(${steps.map((v) => formatNumber(v)).join(", ")})`;
  const moving = plan.variables.flatMap((v, j) => (steps[j] === 0 ? [] : [`${v.name} by ${formatNumber(steps[j]!)}`]));
  return list(moving.length > NAMED ? [...moving.slice(0, NAMED), `${moving.length - NAMED} more`] : moving, "and");
}

/** Variables named in a sentence at most. */
const NAMED = 8;
/** The variables a sentence names: all of a few; of many those that are not 0, the first ones. */
function shown(plan: Plan, p: PlanPoint): number[] {
  const all = plan.variables.map((_, i) => i);
  return all.length <= NAMED ? all : all.filter((i) => p.at[i] !== 0).slice(0, NAMED);
}
function left(plan: Plan, p: PlanPoint): string[] {
  const rest = plan.variables.length <= NAMED ? 0 : p.at.filter((v) => v !== 0).length - shown(plan, p).length;
  return rest > 0 ? [`${rest} more that are not 0`] : [];
}
