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

type Chip = PlanWords["chips"][number];
/** More constraints or values than these are counted, not listed. */
const MOST_IN_CONFLICT = 12;
const MOST_SPARE = 8;

/** The answer of a plan as sentences, in the words of its labels and units. */
export function planWords(plan: Plan, r: PlanResult): PlanWords {
  const told = new PlanTelling(plan, r);
  if (r.status === "infeasible") return told.infeasible();
  if (r.status === null) return told.withoutGoal();
  if (r.status === "unbounded") return told.unbounded();
  if (r.whole === null && r.best[0] && plan.variables.some((v) => v.whole)) return told.withoutWhole(r.best[0]);
  return told.best();
}

class PlanTelling {
  private readonly unit: Unit | null;
  /** the best whole point is no corner */
  private readonly isMoved: boolean;
  constructor(
    private readonly plan: Plan,
    private readonly r: PlanResult,
  ) {
    this.unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
    this.isMoved = r.whole !== null && !r.best.some((b) => b.at.every((v, i) => v === r.whole!.at[i]));
  }

  infeasible(): PlanWords {
    const { conflict, compiled } = this.r;
    const which =
      conflict.length > MOST_IN_CONFLICT
        ? `${conflict.length} constraints cannot hold together.`
        : `${list(conflict.map(this.label), "and")} cannot hold together; without any one of them the others can.`;
    const chip: Chip = { text: compiled ? "no point, by the compiled solver" : "proven: empty", tone: "sure" };
    return { says: "No point keeps all constraints.", more: [which], chips: [chip] };
  }
  withoutGoal(): PlanWords {
    const { notes, corners, regionBounded } = this.r;
    const region =
      `The region has ${corners.length} corner${corners.length === 1 ? "" : "s"}` +
      `${regionBounded === false ? " and goes on without end" : ""}.`;
    const more = ["Write what is to be made greatest or least to see which corner is best."];
    return { says: notes[0] ?? region, more, chips: [] };
  }
  unbounded(): PlanWords {
    const { ray } = this.r;
    const why =
      ray === null
        ? "A limit may be missing."
        : `It grows for ever along ${way(this.plan, ray)}, and every constraint holds all the ` +
          "way; a limit may be missing.";
    const sense = this.plan.objective?.sense ?? "greatest";
    const says = `There is no ${sense} value: it goes on without end.`;
    return { says, more: [why], chips: [{ text: "unbounded", tone: "open" }] };
  }
  withoutWhole(corner: PlanPoint): PlanWords {
    const { notes } = this.r;
    return {
      says: notes[notes.length - 1] ?? "The best whole point is not settled.",
      more: [
        `Not in whole numbers, ${this.amounts(corner)} would give ${this.value(corner.value)}.`,
        ...notes.slice(0, -1),
      ],
      chips: [{ text: "no whole point", tone: "open" }],
    };
  }

  best(): PlanWords {
    const { r } = this;
    const best = r.whole ?? r.best[0]!;
    const says =
      r.status === "tied" && !this.isMoved && r.best.length > 1
        ? `${this.amounts(r.best[0]!)}, or ${this.amounts(r.best[1]!)}, or any mix of the two on the ` +
          `edge between: ${this.value(best.value)}.`
        : `Make ${this.amounts(best)}: ${this.value(best.value)}.`;
    const beyond = r.gap === null ? null : formatNumber(r.gap * 100, 3);
    const more = [
      ...(beyond === null ? [] : [`Not proven the best: what is still possible lies ${beyond} % beyond it.`]),
      ...this.besideWhole(),
      ...this.rooms(),
      ...this.directions(),
      ...r.notes,
    ];
    return { says, more, chips: this.chips() };
  }
  private besideWhole(): string[] {
    const { r } = this;
    const corner = r.best[0];
    const moved = this.isMoved && corner;
    return [
      ...(moved
        ? [
            `Not in whole numbers, ${this.amounts(moved)} would give ${this.value(moved.value)}; ` +
              "rounding that is not the best.",
          ]
        : []),
      ...(r.wholeTies ? [`${r.wholeTies.length} whole points are equally good.`] : []),
    ];
  }
  /** What is used up, and what is left of the constraints that have a name. */
  private rooms(): string[] {
    const { r, plan } = this;
    // That a variable is not negative is no supply that could run out.
    const own = this.isMoved && r.wholeSlack ? r.wholeSlack : null;
    const isSupply = (id: string) => !isPlainSign(plan, id);
    const out = own
      ? Object.entries(own).flatMap(([id, room]) => (room === 0 && isSupply(id) ? [id] : []))
      : r.binding.filter((id) => r.multipliers[id] !== 0 && isSupply(id));
    const isNamed = (id: string) => plan.constraints.find((c) => c.id === id)?.label;
    const spare = Object.entries(own ?? r.slack).filter(([id, room]) => room !== 0 && isNamed(id));
    const spareText = spare.map(([id, room]) => `${this.label(id)}: ${formatNumber(room)} to spare`).join("; ");
    return [
      ...(out.length > 0 && out.length <= MOST_IN_CONFLICT
        ? [`Nothing is left of ${list(out.map(this.label), "and")}.`]
        : []),
      ...(spare.length > 0 && spare.length <= MOST_SPARE ? [`${spareText}.`] : []),
    ];
  }
  private directions(): string[] {
    if (this.r.regionBounded !== false) return [];
    const ways = this.r.directions.slice(0, 3).map((d) => `(${d.map((v) => formatNumber(v)).join(", ")})`);
    return [`The region goes on without end along ${list(ways, "and")}; the best value is reached all the same.`];
  }

  private chips(): Chip[] {
    const { r } = this;
    const corner: Chip = { text: r.status === "tied" ? "a whole edge is best" : "one best corner", tone: "sure" };
    const tested: Chip =
      r.secondWay !== null
        ? { text: "tested: all kept, and its multipliers prove it", tone: "sure" }
        : { text: "by the compiled solver", tone: "open" };
    const chips = [r.compiled ? tested : corner];
    if (r.whole && r.gap !== null) chips.push({ text: "best whole point so far", tone: "open" });
    else if (r.whole) chips.push({ text: this.isMoved ? "best whole point, proven" : "whole already", tone: "sure" });
    if (r.secondWay !== null && !r.compiled)
      chips.push(
        r.secondWay < AGREE_TOL
          ? { text: "two methods agree", tone: "sure" }
          : { text: "two methods differ", tone: "open" },
      );
    return chips;
  }

  private readonly label = (id: string): string => this.plan.constraints.find((c) => c.id === id)?.label ?? id;
  private value(v: number | null): string {
    return v === null ? "" : formatQuantity(v, this.unit);
  }
  private amounts(p: PlanPoint): string {
    const { plan } = this;
    const each = shown(plan, p).map((i) => {
      const [v, at] = [plan.variables[i]!, p.at[i]!];
      return v.label
        ? `${at === 0 ? "no" : formatNumber(at)} ${at === 1 ? oneOf(v.label) : v.label}`
        : `${v.name} = ${v.unit ? formatQuantity(at, parseUnit(v.unit).unit) : formatNumber(at)}`;
    });
    return list(each.concat(left(plan, p)), "and");
  }
}
/** Best values of two methods this close, relative to their size, agree: the rest is rounding. */
const AGREE_TOL = 1e-7;

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
