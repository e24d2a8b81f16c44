import type { NumberFunction } from "#core/formula";

/** What people do without proofs: 2,000 points, a bracket at each change of sign, bisection. */
export function scanRoots(f: NumberFunction, lo: number, hi: number): number[] {
  const out: number[] = [];
  const n = 2000;
  let px = lo;
  let py = f(lo);
  for (let i = 1; i <= n; i++) {
    const x = lo + ((hi - lo) * i) / n;
    const y = f(x);
    if (py * y < 0) {
      let [a, b] = [px, x];
      for (let k = 0; k < 60 && b - a > Math.abs(a) * 2e-16; k++) {
        const m = (a + b) / 2;
        if (f(m) * py > 0) a = m;
        else b = m;
      }
      out.push((a + b) / 2);
    } else if (y === 0) out.push(x);
    px = x;
    py = y;
  }
  return out;
}
/** The best of 2,000 points, then ever closer around it. */
export function scanBest(f: NumberFunction, lo: number, hi: number): number {
  const n = 2000;
  let best = lo;
  for (let i = 0; i <= n; i++) {
    const x = lo + ((hi - lo) * i) / n;
    if (f(x) > f(best)) best = x;
  }
  let [a, b] = [Math.max(lo, best - (hi - lo) / n), Math.min(hi, best + (hi - lo) / n)];
  const g = (Math.sqrt(5) - 1) / 2;
  for (let k = 0; k < 60; k++) {
    const c = b - g * (b - a);
    const d = a + g * (b - a);
    if (f(c) > f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}
