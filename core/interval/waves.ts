import { downWide, upWide } from "./round";
import { PARTIAL, BROKEN, EMPTY, Enclosure, NOTHING, make, cut, monotone } from "./enclosure";

/** How far the reduction by a period may be off, as a part of the inputs: several roundings of 2^-53. */
const SLACK = 1e-15;

const TWO_PI = 2 * Math.PI;

/** Inputs past this are so coarse that a period passes between neighbours: nothing is known but the range. */
const FAR = 1e15;

/** Whether some `offset + 2πk` may lie in [lo, hi]: errs only towards yes. */
function meetsPeriod(lo: number, hi: number, offset: number): boolean {
  const slack = SLACK * (4 + Math.abs(lo) + Math.abs(hi));
  return Math.ceil((lo - offset - slack) / TWO_PI) <= Math.floor((hi - offset + slack) / TWO_PI);
}

function wave(a: Enclosure, f: (x: number) => number, top: number, bottom: number): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  if (!(a.hi - a.lo < TWO_PI) || Math.abs(a.lo) > FAR || Math.abs(a.hi) > FAR) return new Enclosure(-1, 1, a.flags);
  const x = f(a.lo);
  const y = f(a.hi);
  const hi = meetsPeriod(a.lo, a.hi, top) ? 1 : Math.min(1, Math.max(x, y) === 0 ? 0 : upWide(Math.max(x, y)));
  const lo = meetsPeriod(a.lo, a.hi, bottom) ? -1 : Math.max(-1, Math.min(x, y) === 0 ? 0 : downWide(Math.min(x, y)));
  return new Enclosure(lo, hi, a.flags);
}

export function sin(a: Enclosure): Enclosure {
  return wave(a, Math.sin, Math.PI / 2, -Math.PI / 2);
}

export function cos(a: Enclosure): Enclosure {
  if (a.lo === 0 && a.hi === 0) return new Enclosure(1, 1, a.flags);
  return wave(a, Math.cos, 0, Math.PI);
}

export function tan(a: Enclosure): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  const pole =
    !(a.hi - a.lo < Math.PI) ||
    Math.abs(a.lo) > FAR ||
    Math.abs(a.hi) > FAR ||
    Math.ceil((a.lo - Math.PI / 2 - SLACK * (4 + Math.abs(a.lo))) / Math.PI) <=
      Math.floor((a.hi - Math.PI / 2 + SLACK * (4 + Math.abs(a.hi))) / Math.PI);
  if (pole) return new Enclosure(-Infinity, Infinity, a.flags | PARTIAL | BROKEN);
  return make(a.lo === 0 ? 0 : downWide(Math.tan(a.lo)), a.hi === 0 ? 0 : upWide(Math.tan(a.hi)), a.flags);
}

export function asin(a: Enclosure): Enclosure {
  const p = cut(a, -1, 1);
  return p.flags & EMPTY ? NOTHING : monotone(p, Math.asin);
}

export function acos(a: Enclosure): Enclosure {
  const p = cut(a, -1, 1);
  return p.flags & EMPTY
    ? NOTHING
    : make(p.hi === 1 ? 0 : Math.max(0, downWide(Math.acos(p.hi))), p.lo === 1 ? 0 : upWide(Math.acos(p.lo)), p.flags);
}

export const atan = (a: Enclosure): Enclosure => monotone(a, Math.atan);

/** A rising function that is 0 at 0, exactly, and stays between −most and most. */
const throughZero = (a: Enclosure, f: (x: number) => number, most = Infinity): Enclosure =>
  a.flags & EMPTY
    ? NOTHING
    : make(
        a.lo === 0 ? 0 : Math.max(-most, downWide(f(a.lo))),
        a.hi === 0 ? 0 : Math.min(most, upWide(f(a.hi))),
        a.flags,
      );

export const sinh = (a: Enclosure): Enclosure => throughZero(a, Math.sinh);

export const tanh = (a: Enclosure): Enclosure => throughZero(a, Math.tanh, 1);

export function cosh(a: Enclosure): Enclosure {
  if (a.flags & EMPTY) return NOTHING;
  const least = a.lo > 0 ? a.lo : a.hi < 0 ? -a.hi : 0;
  const most = Math.max(-a.lo, a.hi);
  return make(
    least === 0 ? 1 : Math.max(1, downWide(Math.cosh(least))),
    most === 0 ? 1 : upWide(Math.cosh(most)),
    a.flags,
  );
}
