import type { Unit } from "../../units";
import type { Solution } from "../finding";

/** What the notes of a card are written with. */
export interface Card {
  /** the unknown: the variable, or the given that is looked for */
  readonly unknown: string;
  /** an input in words, to so many digits */
  input(x: number, digits?: number): string;
  /** an end of a range of inputs, with the sign of its unit */
  end(x: number): string;
  output(y: number, digits?: number): string;
  readonly outputUnit: Unit | null;
  /** exact forms stand on the card already */
  readonly showsExact: boolean;
  /** the sentence of the card */
  readonly says: string;
}

/** More answers than this are listed as decimals, without exact forms. */
export const MAX_EXACT = 6;

/** Closer numbers of answers that are no whole ones, where no exact form says it better. */
export function closer(solutions: readonly { readonly at: number }[], card: Card): string[] {
  const isFew = solutions.length > 0 && solutions.length <= MAX_EXACT;
  if (!isFew || card.showsExact || solutions.every((s) => Number.isInteger(s.at))) return [];
  return [`${card.unknown} ≈ ${solutions.map((s) => card.input(s.at, 10)).join(", ")}`];
}

/** Answers whose neighbours are told. */
const MOST_NEIGHBOURED = 3;

/** The values at the whole inputs on both sides of an answer. */
export function neighbours(solutions: readonly Solution[], card: Card): string[] {
  const signed = (v: number) => `${v > 0 ? "+" : ""}${card.output(v)}`;
  return solutions.slice(0, MOST_NEIGHBOURED).flatMap(({ at, whole }) => {
    if (!whole || whole.at === at) return [];
    return [
      [whole, ...(whole.other ? [whole.other] : [])]
        .map((n) => `at ${card.input(n.at)}: ${signed(n.value)}`)
        .join(" · "),
    ];
  });
}

/** A fraction that its decimal shows in full says nothing more. */
export function isShortDecimal(exact: string): boolean {
  const m = /^-?\d+(?:\/(\d+))?$/.exec(exact);
  return m !== null && (!m[1] || /^(?:2|4|5|8|10|16|20|25|40|50|80|100|125|200|250|400|500|1000)$/.test(m[1]));
}
