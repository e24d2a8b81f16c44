import { formatMoney, formatNumber } from "#core/explain";

/** A number beside a tick of an axis, in the unit of the axis. */
export const tickText = (value: number, unit: string): string =>
  unit === "$" || unit.startsWith("$/")
    ? Math.abs(value) < 1 && value !== 0
      ? formatMoney(value, "USD")
      : formatMoney(value, "USD").replace(/\.00$/, "")
    : unit.startsWith("%")
      ? `${formatNumber(value * 100, 4)} %`
      : formatNumber(value, 6);
