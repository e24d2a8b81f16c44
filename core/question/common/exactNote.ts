import { isMoney } from "../../explain";
import { isShortDecimal, type Card } from "./card";

/** A value in its exact form, where that says more than its decimal does. */
export function exactNote(f: { value: number | null; exactValue: string | null }, card: Card): string[] {
  const { value, exactValue: exact } = f;
  if (value === null || exact === null || isMoney(card.outputUnit)) return [];
  return /[a-z/]/.test(exact) && !isShortDecimal(exact) ? [`exactly ${exact}`] : [];
}
