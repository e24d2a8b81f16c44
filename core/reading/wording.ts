import type { Amount } from "./amount";
import type { Draft } from "./draft";
import type { Told } from "./told";

/** Where the wording and the numbers of a story do not go together, and what was left out. */
export function notesOf(told: Told, draft: Draft | null): string[] {
  return [...(draft?.notes ?? []), ...unread(told, draft), ...unanswered(told, draft), ...withoutCost(told, draft)];
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
const unanswered = (told: Told, draft: Draft | null): string[] =>
  told.asks
    .filter((a) => !draft?.answered.has(a.start))
    .map((a) => `Not read as a question of this case: “${a.text}”.`);

/** A question about profit where no cost was named. */
function withoutCost(told: Told, draft: Draft | null): string[] {
  const asksProfit = told.asks.some((a) => /\bprofit\b/i.test(a.text));
  const functions = draft?.offers.filter((o) => o.kind === "function") ?? [];
  const hasCost = functions.some((o) => o.kind === "function" && (o.row.label === "cost" || o.row.label === "profit"));
  const hasRevenue = functions.some((o) => o.kind === "function" && o.row.label === "revenue");
  return asksProfit && hasRevenue && !hasCost ? ["Profit is asked for, and the story names no cost."] : [];
}
