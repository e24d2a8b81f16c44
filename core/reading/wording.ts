import type { Amount } from "./amount";
import type { Draft } from "./draft";
import { readingsOf } from "./situations/demand";
import { isTimeUnit } from "./spokenUnits";
import type { Told } from "./told";

/** Where the wording and the numbers of a story do not go together, and what was left out. */
export function notesOf(told: Told, draft: Draft | null): string[] {
  return [
    ...(draft?.notes ?? []),
    ...unread(told, draft),
    ...unanswered(told, draft),
    ...withoutCost(told, draft),
    ...otherTimes(told, draft),
    ...strictLimits(told, draft),
    ...offTheLine(told, draft),
  ];
}

/** Costs that are told for different times: $36 a day beside $900 a month. */
function otherTimes(told: Told, draft: Draft | null): string[] {
  const paid = told.stated.filter((a) => a.kind === "money" && isTimeUnit(a.per) && draft?.used.has(a));
  const hasCost = draft?.offers.some((o) => o.kind === "function" && o.row.label === "cost") ?? false;
  const times = hasCost ? [...new Set(paid.map((a) => a.per))] : [];
  if (times.length < 2) return [];
  const list = paid.map((a) => phrase(told, a)).join(" and ");
  return [
    `${list} are for different times: each stands as it is told, and one of them should be turned into the other.`,
  ];
}

/** "Fewer than 40" is a limit that 40 itself does not keep. */
const strictLimits = (told: Told, draft: Draft | null): string[] =>
  told.stated
    .filter((a) => draft?.used.has(a) && (a.limit === "<" || a.limit === ">"))
    .map((a) => `“${told.story.slice(a.limitStart, a.end)}” is read as a limit, ${a.value} itself still keeps it.`);

/** A reading that does not lie on the line through the first two. */
function offTheLine(told: Told, draft: Draft | null): string[] {
  const line = draft?.offers.find((o) => o.kind === "function" && o.row.by.kind === "line");
  if (line?.kind !== "function" || line.row.by.kind !== "line") return [];
  const [[a, u], [b, v]] = line.row.by.through as [[number, number], [number, number]];
  const others = readingsOf(told).slice(2);
  return others
    .filter(({ count, price }) => Math.abs(u + ((v - u) / (b - a)) * (count.value - a) - price.value) > 0.005)
    .map((r) => `“${told.story.slice(r.start, r.end)}” does not lie on the line through the first two readings.`);
}

const phrase = (told: Told, a: Amount): string => `“${told.story.slice(a.start, a.end)}”`;

/** A number that is never used. */
function unread(told: Told, draft: Draft | null): string[] {
  const left = told.amounts.filter((a) => a.kind !== "times" && !draft?.used.has(a));
  return left.length === 0
    ? []
    : [
        `Not used: ${left
          .slice(0, 12)
          .map((a) => phrase(told, a))
          .join(", ")}.`,
      ];
}

/** A question nothing was found for. */
function unanswered(told: Told, draft: Draft | null): string[] {
  const open = told.asks.filter((a) => !draft?.answered.has(a.start));
  const silent = told.sentences.filter((s) => s.asks && !told.asks.some((a) => a.start >= s.start && a.end <= s.end));
  return [...open, ...silent]
    .sort((a, b) => a.start - b.start)
    .map((a) => `Not read as a question of this case: “${a.text.trim().replace(/[?.!\s]+$/, "")}”.`);
}

/** A question about profit where no cost was named. */
function withoutCost(told: Told, draft: Draft | null): string[] {
  const asksProfit = told.asks.some((a) => /\bprofit\b/i.test(a.text));
  const functions = draft?.offers.filter((o) => o.kind === "function") ?? [];
  const hasCost = functions.some((o) => o.kind === "function" && (o.row.label === "cost" || o.row.label === "profit"));
  const hasRevenue = functions.some((o) => o.kind === "function" && o.row.label === "revenue");
  return asksProfit && hasRevenue && !hasCost ? ["Profit is asked for, and the story names no cost."] : [];
}
