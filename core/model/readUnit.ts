import { quoted } from "../formula";
import { parseUnit, type Unit } from "../units";
import type { Problems } from "./problems";

/** A unit as it is written; null where there is none, or none that is one. */
export function readUnit(text: string | undefined, path: string, problems: Problems): Unit | null {
  if (text === undefined || text.trim() === "") return null;
  const read = parseUnit(text);
  if (read.unit) return read.unit;
  const examples = "Examples: `$`, `$/lantern`, `m/s^2`.";
  problems.error(path, `${quoted(text)} is not a unit: ${read.reason}. ${examples}`);
  return null;
}
