import { formatQuantity, isCounted } from "../explain";
import type { Unit } from "../units";

/**
 * What a model misses rows by, typically, in three figures: people and the like whole, less than one as "under 1".
 * @param miss  null where it is not known
 */
export function missWords(miss: number | null, unit: Unit | null): string | null {
  if (miss === null) return null;
  const inThree = (x: number) => Number(x.toPrecision(3));
  if (!isCounted(unit) || miss === 0) return formatQuantity(inThree(miss), unit, 3);
  return miss < 1 ? `under ${formatQuantity(1, unit, 3)}` : formatQuantity(inThree(Math.round(miss)), unit);
}
