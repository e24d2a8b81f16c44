import type { Card } from "../common/card";
import type { BestFinding, Solution } from "../finding";

/** Where the peak itself lies, beside the whole answer or the end that it is. */
export function details(f: BestFinding, card: Card): string[] {
  const [first] = f.solutions;
  if (!first) return [];
  const note = noteOn(first, f, card);
  return note === null ? [] : [note];
}

function noteOn(s: Solution, f: BestFinding, card: Card): string | null {
  const peak = f.ask === "greatest" ? "peak" : "low point";
  const at = `${card.unknown} = ${card.input(s.at)}`;
  if (f.wholeTies)
    return `${peak} at ${at}, between ${f.wholeTies.length === 2 ? "two equal" : "equal"} whole neighbours`;
  if (s.kind === "endpoint") return `at the end of the range: ${at}`;
  const isTold = Number.isInteger(s.at) || card.says.includes(card.input(s.at));
  if (!card.showsExact && !s.whole && !isTold) return `${card.unknown} ≈ ${card.input(s.at, 10)}`;
  return s.whole && s.whole.at !== s.at ? `${peak} ${card.output(f.value ?? 0)} at ${at}` : null;
}
