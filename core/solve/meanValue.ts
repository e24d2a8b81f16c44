import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "../interval";
import { compileEnclosure, compileSlopes, type Expression } from "../formula";
import type { FunctionTable } from "./table";

const UNIT = new Enclosure(1, 1);

/**
 * Bounds of a smooth formula on a box by the mean value theorem: its value in the middle, and as much more as its slope
 * may add. Null over a pole, a gap or a jump, where there is no mean value.
 */
export function meanValueBounds(smooth: Expression, table: FunctionTable): (box: Enclosure) => Enclosure | null {
  const [value, slopes] = [compileEnclosure(smooth, table.enclosure), compileSlopes(smooth, table.slopes)];
  return (box) => {
    const at = box.lo / 2 + box.hi / 2;
    if (!Number.isFinite(at)) return null;
    const middle = new Enclosure(at, at);
    const [there, all] = [value(middle), slopes({ value: box, slope: UNIT })];
    if ((there.flags | all.value.flags) & (EMPTY | PARTIAL | BROKEN)) return null;
    const near = iv.add(there, iv.multiply(all.slope, iv.subtract(box, middle)));
    const [lo, hi] = [Math.max(all.value.lo, near.lo), Math.min(all.value.hi, near.hi)];
    return lo <= hi ? new Enclosure(lo, hi) : all.value;
  };
}
