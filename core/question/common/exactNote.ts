import { formatNumber, isMoney } from "../../explain";
import { isShortDecimal, type Card } from "./card";

/** A value in its exact form, where that says more than its decimal does. */
export function exactNote(f: { value: number | null; exactValue: string | null }, card: Card): string[] {
  const { value, exactValue: exact } = f;
  if (value === null || exact === null || isMoney(card.outputUnit)) return [];
  return /[a-z/]/.test(exact) && !isShortDecimal(exact) ? [`exactly ${shorter(exact)}`] : [];
}

/** Digits that a double tells exactly. */
const SURE_DIGITS = 15;

/** 83682825624/48828125 as 1,713.82426877952: a fraction that ends as a decimal, where that is shorter. */
function shorter(exact: string): string {
  const [, over, under] = /^(-?\d+)\/(\d+)$/.exec(exact) ?? [];
  if (!over || !under) return exact;
  const scale = 10n ** BigInt(SURE_DIGITS);
  const ends = (BigInt(over) * scale) % BigInt(under) === 0n;
  const decimal = ends ? ((BigInt(over) * scale) / BigInt(under)).toString().replace(/^-|0+$/g, "") : "";
  const text = ends && decimal.length <= SURE_DIGITS ? formatNumber(Number(over) / Number(under), SURE_DIGITS) : exact;
  return text.length < exact.length ? text : exact;
}
