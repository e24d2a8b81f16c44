import { rowsOf, type Model, type ModelFunction } from "../model";

/** A reading or a row of data, and the function made of it. */
export interface Reading {
  readonly f: string;
  readonly x: number;
  readonly y: number;
}

/** The readings of lines, and the rows that functions are fitted to. */
export function readingsOf(model: Model, functions: readonly ModelFunction[]): Reading[] {
  const drawn = new Set(functions.map((f) => f.name));
  const readings = (model.source.functions ?? []).flatMap(({ name, by }) =>
    by.kind === "line" && drawn.has(name) ? by.through.map(([x, y]) => ({ f: name, x: Number(x), y: Number(y) })) : [],
  );
  return [...readings.filter((p) => Number.isFinite(p.x) && Number.isFinite(p.y)), ...dataPoints(model, drawn)];
}

/** Rows drawn for one function; of more, the least and greatest reading of each narrow stretch stand for the rest. */
const MOST_ROWS = 600;

/** The rows that functions are fitted to, each set once. */
function dataPoints(model: Model, shown: ReadonlySet<string>): Reading[] {
  const seen = new Set<string>();
  return [...model.fits].flatMap(([name, { by }]) => {
    const key = `${by.data} ${by.x} ${by.y} ${by.rows?.from ?? ""} ${by.rows?.to ?? ""}`;
    const table = model.source.data?.find((t) => t.name === by.data);
    if (!shown.has(name) || !table || seen.has(key)) return [];
    seen.add(key);
    const rows = rowsOf(by, table);
    return thinnedRows(rows.x, rows.y).map(([x, y]) => ({ f: name, x, y }));
  });
}
/** Rows for drawing: all, or the extremes of each stretch, so that no outlier goes unseen. */
export function thinnedRows(x: readonly number[], y: readonly number[]): [number, number][] {
  if (x.length <= MOST_ROWS) return x.map((v, i) => [v, y[i]!]);
  const [lo, hi] = [x.reduce((m, v) => Math.min(m, v), Infinity), x.reduce((m, v) => Math.max(m, v), -Infinity)];
  const bins = MOST_ROWS / 2;
  const least = new Array<number>(bins).fill(-1);
  const most = new Array<number>(bins).fill(-1);
  x.forEach((v, i) => {
    const b = Math.min(bins - 1, Math.floor(((v - lo) / (hi - lo || 1)) * bins));
    if (least[b]! < 0 || y[i]! < y[least[b]!]!) least[b] = i;
    if (most[b]! < 0 || y[i]! > y[most[b]!]!) most[b] = i;
  });
  return [...new Set([...least, ...most])]
    .filter((i) => i >= 0)
    .sort((a, b) => x[a]! - x[b]!)
    .map((i) => [x[i]!, y[i]!]);
}
