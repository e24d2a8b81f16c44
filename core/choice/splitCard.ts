import { TIE, fitModel, type Family, type RankedModel, type Split } from "../fit";

/** A split of the rows as one of the models: pieces of one kind, each fitted to its own rows. */
export interface SplitCard {
  readonly breaks: readonly number[];
  readonly family: Family;
  /** what it misses on rows it did not see, the breaks held fixed; null where a piece cannot tell */
  readonly leaveOneOut: number | null;
  /** rows of the smallest piece */
  readonly fewest: number;
  /** fitted models that stand before it */
  readonly after: number;
}

/**
 * A split, judged as the models are.
 * @param ranked  the models of the same rows, best first
 * @returns null where the best model's misses change their sign as chance would have it: nothing calls for a break
 */
export function splitCard(
  split: Split | null,
  ranked: readonly RankedModel[],
  x: readonly number[],
  y: readonly number[],
): SplitCard | null {
  if (!split || !ranked[0]?.fewRuns) return null;
  const family = split.degree === 1 ? "linear" : "quadratic";
  const pieces = [...split.breaks, Infinity].map((end, k) => {
    const start = split.breaks[k - 1] ?? -Infinity;
    const own = x.flatMap((v, i) => (v >= start && v < end ? [i] : []));
    const fit = fitModel(
      own.map((i) => x[i]!),
      own.map((i) => y[i]!),
      { family },
    );
    return { rows: own.length, miss: fit.ok ? fit.leaveOneOut : null };
  });
  const squares = pieces.map(({ rows, miss }) => (miss === null ? null : rows * miss ** 2));
  const leaveOneOut = squares.includes(null)
    ? null
    : Math.sqrt(squares.reduce<number>((sum, s) => sum + s!, 0) / x.length);
  // Where the difference does not matter a model without a break stands first.
  const isBefore = ({ fit }: RankedModel) =>
    fit !== null && (leaveOneOut === null || (fit.leaveOneOut ?? Infinity) <= leaveOneOut * (1 + TIE));
  return {
    breaks: split.breaks,
    family,
    leaveOneOut,
    fewest: Math.min(...pieces.map((p) => p.rows)),
    after: ranked.filter(isBefore).length,
  };
}

/** What a side of a split says of itself where it has hardly more rows than its model has constants; else null. */
export function thinWords(rows: number, constants: number): string | null {
  if (rows >= constants + 2 || constants === 0) return null;
  const counted = counting(constants, "constant");
  return rows <= constants
    ? `${counting(rows, "row")} and ${counted}: it goes through them, whatever they are`
    : `only ${counting(rows, "row")} for ${counted}: its misses say little`;
}
const counting = (n: number, noun: string): string => `${n} ${noun}${n === 1 ? "" : "s"}`;
