import type { Solution } from "../finding";
import type { AnswerPoint, Canvas } from "../kind";

/** Answers of one question that are marked on the graph. */
const MOST_MARKED = 60;

/** Answers as places on the curve that is drawn; those without a value are not. */
export function pointsOf(
  solutions: readonly Solution[],
  canvas: Canvas,
  label: (x: string, y: number) => string,
): AnswerPoint[] {
  const value = canvas.values(canvas.drawn);
  return solutions.slice(0, MOST_MARKED).flatMap((s) => {
    const y = s.value ?? value?.(s.at) ?? NaN;
    return Number.isFinite(y) ? [{ x: s.at, y, function: canvas.drawn, label: label(canvas.x(s.at), y) }] : [];
  });
}
