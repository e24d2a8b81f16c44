import type { Unit } from "../units";
import { formatQuantity } from "./quantity";

/** "8, 9 and 10" */
export function list(parts: readonly string[], word = "and"): string {
  if (parts.length <= 1) return parts[0] ?? "";
  return `${parts.slice(0, -1).join(", ")} ${word} ${parts[parts.length - 1]}`;
}

/** `inside the data`, `3 weeks beyond the last row`, `2 weeks before the first row`. */
export function estimateWords(beyond: number, input: Unit | null): string {
  return beyond === 0
    ? "inside the data"
    : `${formatQuantity(Math.abs(beyond), input, 6)} ${beyond > 0 ? "beyond the last row" : "before the first row"}`;
}
