import { Enclosure, iv } from "../interval";
import { MARGIN } from "./growth";

/** How bounded functions start at 0: f(v)/v for |v| up to a size of at most 1, and f itself. */
export const BOUNDED: Readonly<
  Record<string, { of: (v: Enclosure) => Enclosure; start?: (size: number) => Enclosure | undefined }>
> = {
  sin: { of: iv.sin, start: (v) => new Enclosure((1 - (v * v) / 6) / MARGIN, 1) },
  cos: { of: iv.cos },
  atan: { of: iv.atan, start: (v) => new Enclosure(1 / (1 + v * v) / MARGIN, 1) },
  asin: { of: iv.asin, start: (v) => new Enclosure(1, v < 0.5 ? (1 + v * v) * MARGIN : 1.5708) },
  acos: { of: iv.acos },
};
