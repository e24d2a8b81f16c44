import { functionsOf, type Model, type Question } from "../model";
import { toDouble } from "../numeric";
import type { DeskFinding } from "./findingCard";

/** Room beside the answers: a part of what they span, or of the range where there is one alone. */
const BESIDE = { several: 0.25, one: 0.06 } as const;

/** The stretch of the axis around the answers of a finding; null without an answer. */
export function closeUpOf(
  model: Model,
  q: Question,
  { solutions }: Pick<DeskFinding, "solutions">,
): { readonly from: number; readonly to: number } | null {
  if (solutions.length === 0) return null;
  const places = solutions.map((s) => s.at);
  const [lo, hi] = [Math.min(...places), Math.max(...places)];
  const v = model.variables.get(model.functions.get(functionsOf(q)[0] ?? "")?.of ?? "");
  const range = v?.from && v.to ? toDouble(v.to.sub(v.from)) : Math.max(1, Math.abs(hi) * 2);
  const room = hi > lo ? (hi - lo) * BESIDE.several : range * BESIDE.one;
  return { from: lo - room, to: hi + room };
}
