import { parseUnit } from "../../units";
import type { Amount } from "../amount";

/** An amount in another unit of its kind: 3 m in cm, 90 min in h; null where the two measure different things. */
export function inUnit(a: Amount, unit: string | null): number | null {
  if (a.unit === unit || unit === null || a.unit === null) return a.value;
  const [from, to] = [parseUnit(a.unit).unit, parseUnit(unit).unit];
  if (!from || !to || JSON.stringify(Object.entries(from.powers)) !== JSON.stringify(Object.entries(to.powers)))
    return null;
  return Number(((a.value * from.factor) / to.factor).toPrecision(15));
}

/** A level in the unit of its function; as it is told where the two measure different things. */
export const levelIn = (a: Amount, unit: string | null): number => inUnit(a, unit) ?? a.value;
