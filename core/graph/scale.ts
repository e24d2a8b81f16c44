import { NEARLY_WHOLE } from "../numeric";
/** An axis: its ends and the round numbers on it. */
export interface Axis {
  readonly min: number;
  readonly max: number;
  readonly ticks: readonly number[];
}

/** The round step (1, 2, 5 times a power of ten) that cuts a width into about `count` parts. */
export function roundStep(width: number, count: number): number {
  const raw = width / Math.max(1, count);
  const power = 10 ** Math.floor(Math.log10(raw));
  const share = raw / power;
  return (share < 1.5 ? 1 : share < 3 ? 2 : share < 7 ? 5 : 10) * power;
}

/** An axis around [min, max], widened to round ends when asked. */
export function axis(min: number, max: number, count: number, roundEnds: boolean): Axis {
  if (!(max > min)) {
    const by = Math.max(Math.abs(min), 1) * 0.5;
    min -= by;
    max += by;
  }
  const step = roundStep(max - min, count);
  const lo = roundEnds ? Math.floor(min / step + NEARLY_WHOLE) * step : min;
  const hi = roundEnds ? Math.ceil(max / step - NEARLY_WHOLE) * step : max;
  const ticks: number[] = [];
  for (let k = Math.ceil(lo / step - NEARLY_WHOLE); k * step <= hi + step * NEARLY_WHOLE && ticks.length < 40; k++)
    ticks.push(Number((k * step).toPrecision(12)));
  return { min: lo, max: hi, ticks };
}
