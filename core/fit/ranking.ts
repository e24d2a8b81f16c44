import { beyondData, type Beyond, type Context } from "./beyond";
import { FAMILIES, FAMILY_CONSTANTS, type Family } from "./families";
import { fitModel } from "./fit";
import type { Fit, FitMethod, FitSpec } from "./fitShape";

/** Misses below this part of the readings are rounding. */
const ROUNDING = 1e-9;

/** One model on the list: fitted, or why it could not be. */
export interface RankedModel {
  readonly family: Family | "own";
  readonly method: FitMethod;
  readonly fit: Fit | null;
  readonly reason: string | null;
  /** position from 1; models whose difference does not matter share one */
  readonly place: number | null;
  /** as good as the one before it: the difference does not matter, and this has more constants */
  readonly tied: boolean;
  readonly beyond: readonly Beyond[];
  /** runs of residuals of one sign are fewer than chance would give (Wald & Wolfowitz 1940, one-sided 2.5 %) */
  readonly fewRuns: boolean;
}

/** Errors closer than this, relative, are no difference: a tenth of the spread that leaving rows out has. */
export const TIE = 0.05;

/** Inputs below which a piece of advice is none. */
export interface RankingOptions {
  readonly context: Context;
  readonly own?: FitSpec | undefined;
  readonly progress?: ((done: number, all: number) => void) | undefined;
}

/**
 * Fits every family (power and exponential by both methods) and ranks them by what each misses on rows it did not see.
 * Rows go in the order of x for the runs.
 */
export function rankModels(x: readonly number[], y: readonly number[], options: RankingOptions): RankedModel[] {
  const methods = (family: Family): readonly FitMethod[] =>
    family === "power" || family === "exponential" ? ["direct", "logs"] : ["direct"];
  const specs: { family: Family | "own"; method: FitMethod; spec: FitSpec }[] = [
    ...FAMILIES.flatMap((family) => methods(family).map((method) => ({ family, method, spec: { family, method } }))),
    ...(options.own ? [{ family: "own" as const, method: "direct" as const, spec: options.own }] : []),
  ];
  const [from, to] = extent(x);
  const [least, greatest] = extent(y);
  const scale = Math.max(Math.abs(least), Math.abs(greatest));
  const order = x.map((_, i) => i).sort((a, b) => x[a]! - x[b]!);
  const fitted = specs.map(({ family, method, spec }, i) => {
    const made = fitModel(x, y, spec);
    options.progress?.(i + 1, specs.length);
    const fit = made.ok ? made : null;
    return {
      family,
      method,
      fit,
      reason: made.ok ? null : made.reason,
      beyond: fit ? beyondData(fit, from, to, greatest, least, options.context) : [],
      fewRuns: fit
        ? tooFewRuns(
            order.map((k) => y[k]! - fit.value(x[k]!)),
            scale,
          )
        : false,
    };
  });
  // A model that goes through every row has an error of rounding size, whatever it is.
  const error = (m: (typeof fitted)[number]) => {
    const e = m.fit?.leaveOneOut;
    return e === null || e === undefined ? Infinity : e < scale * ROUNDING ? 0 : e;
  };
  const constants = (m: (typeof fitted)[number]) =>
    m.family === "own" ? (m.fit?.constants.length ?? 9) : FAMILY_CONSTANTS[m.family].length;
  const good = fitted.filter((m) => m.fit).sort((a, b) => error(a) - error(b) || constants(a) - constants(b));
  // Within a group whose errors do not differ by more than the margin from the best of the group, the simpler stands
  // first.
  const out: RankedModel[] = [];
  let place = 0;
  for (let i = 0; i < good.length;) {
    const best = error(good[i]!);
    let j = i + 1;
    while (j < good.length && Number.isFinite(error(good[j]!)) && error(good[j]!) <= best * (1 + TIE)) j++;
    const group = good.slice(i, j).sort((a, b) => constants(a) - constants(b) || error(a) - error(b));
    place++;
    group.forEach((m, k) => out.push({ ...m, place, tied: k > 0 }));
    i = j;
  }
  return [...out, ...fitted.filter((m) => !m.fit).map((m) => ({ ...m, place: null, tied: false }))];
}
export const extent = (a: readonly number[]): [number, number] => [
  a.reduce((m, v) => Math.min(m, v), Infinity),
  a.reduce((m, v) => Math.max(m, v), -Infinity),
];

/** Whether residuals keep their sign longer than chance would let them. */
export function tooFewRuns(residuals: readonly number[], scale: number): boolean {
  const signs = residuals.filter((r) => Math.abs(r) > scale * ROUNDING).map(Math.sign);
  const up = signs.filter((s) => s > 0).length;
  const down = signs.length - up;
  if (up < 2 || down < 2 || signs.length < 8) return false;
  const runs = 1 + signs.slice(1).filter((s, i) => s !== signs[i]).length;
  const n = up + down;
  const mean = (2 * up * down) / n + 1;
  const deviation = Math.sqrt(((mean - 1) * (mean - 2)) / (n - 1));
  return deviation > 0 && (runs - mean) / deviation < -1.96;
}
