import { sinceWords } from "#core/calendar";
import type { Counting } from "#core/data";
import { thinnedRows } from "#core/graph";
import type { DataTable } from "#core/model";
import type { RankedCard } from "#core/choice";
import { cardKey } from "~/utils/cardKey";
import type { DataPicture } from "./dataOption";

/** Models that are drawn beside the chosen one, best first. */
const BESIDE = 4;

type Curve = DataPicture["curves"][number];

/** What is drawn of a table: its rows, what was left out of the fits, models or the two sides of a break. */
export interface Drawn {
  readonly table: DataTable;
  readonly x: string;
  readonly y: string;
  /** the rows that take part in the fits */
  readonly rows: { readonly x: readonly number[]; readonly y: readonly number[] };
  readonly counting: Counting | null;
  readonly cards: readonly RankedCard[];
  readonly chosen: string;
  readonly pointed: string | null;
  /** where the data are split, and the curve of each side that has a model */
  readonly split: number | null;
  readonly sides: readonly { readonly key: string; readonly points: readonly number[] }[];
}

export function dataPicture(d: Drawn): DataPicture | null {
  const { x, y } = d.rows;
  if (x.length === 0) return null;
  const fitted = d.cards.filter((c) => c.reason === null);
  const chosen = fitted.find((c) => cardKey(c) === d.chosen);
  return {
    rows: thinnedRows(x, y),
    leftOut: leftOutOf(d),
    residuals: d.split === null ? (chosen?.residuals ?? []) : [],
    from: x.reduce((m, v) => Math.min(m, v), Infinity),
    to: x.reduce((m, v) => Math.max(m, v), -Infinity),
    split: d.split,
    curves: d.sides.length > 0 ? d.sides.map((s): Curve => ({ ...s, weight: "chosen" })) : modelCurves(d, fitted),
    x: { name: d.x, unit: d.counting ? countedIn(d.counting) : unitOf(d.table, d.x) },
    y: { name: d.y, unit: unitOf(d.table, d.y) },
  };
}

const countedIn = ({ unit, since }: Counting): string => `${unit}s since ${sinceWords(since)}`;
const unitOf = (table: DataTable, name: string): string => table.columns.find((c) => c.name === name)?.unit ?? "";

function leftOutOf(d: Drawn): [number, number][] {
  const place = (name: string) => d.table.columns.findIndex((c) => c.name === name);
  const [i, j] = [place(d.x), place(d.y)];
  return (d.table.left ?? []).flatMap(({ row }): [number, number][] => {
    const [x, y] = [d.table.rows[row]?.[i], d.table.rows[row]?.[j]];
    return x != null && y != null ? [[x, y]] : [];
  });
}

/** The best models, and the chosen and the pointed one wherever they stand. */
function modelCurves(d: Drawn, fitted: readonly RankedCard[]): Curve[] {
  const weightOf = (key: string): Curve["weight"] =>
    key === d.chosen ? "chosen" : key === d.pointed ? "pointed" : "other";
  return fitted
    .map((c, rank) => ({ rank, curve: { key: cardKey(c), points: c.curve, weight: weightOf(cardKey(c)) } }))
    .filter(({ rank, curve }) => curve.weight !== "other" || rank < BESIDE)
    .map(({ curve }) => curve);
}
