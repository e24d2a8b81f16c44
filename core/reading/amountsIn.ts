import { amountsOf } from "./amounts";

/** The quantities of a text: value, unit as it stands beside it, and where; what only multiplies is none. */
export const amountsIn = (text: string): { value: number; unit: string; start: number; end: number }[] =>
  amountsOf(text)
    .filter((a) => a.kind !== "times")
    .map(({ value, unit, per, start, end }) => ({
      value,
      unit: per !== null && per !== "each" ? `${unit ?? ""}/${per}` : (unit ?? ""),
      start,
      end,
    }));
