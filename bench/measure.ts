// Everything is compared within one run, in turn (A B A B …), so that a machine whose speed drifts does not tilt a
// ratio.
export const median = (list: number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1]!;
export const percentile = (list: number[], p: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(p * list.length))]!;

/** Median time of one call in ms, of two works in turn. */
export function pair(
  a: () => void,
  b: () => void,
  rounds: number,
  calls: number,
): { a: number; b: number; ratio: number } {
  const times: [number, number][] = [];
  for (let r = 0; r < rounds + 2; r++) {
    const t0 = performance.now();
    for (let i = 0; i < calls; i++) a();
    const t1 = performance.now();
    for (let i = 0; i < calls; i++) b();
    const t2 = performance.now();
    if (r >= 2) times.push([(t1 - t0) / calls, (t2 - t1) / calls]);
  }
  return {
    a: median(times.map((t) => t[0])),
    b: median(times.map((t) => t[1])),
    ratio: median(times.map((t) => t[0] / t[1])),
  };
}

export const lines: string[] = [];
/** Prints a line, and keeps it for the page. */
export const say = (text = "") => {
  lines.push(text);
  console.log(text);
};
export const f2 = (v: number): string => (Math.abs(v) >= 1000 ? String(Math.round(v)) : v.toPrecision(3));
