import {
  extent,
  familyText,
  familyValue,
  type Beyond,
  type Family,
  type Fit,
  type FitMethod,
  type RankedModel,
} from "../fit";
import { fitWorking, type WorkingStep } from "../working";
import { thinnedRows } from "../graph";
import { fittedForm, type FitBy } from "../model";
import { BEYOND } from "./frame";

/** A model of some rows, as it is shown among others; all plain data. */
export interface RankedCard extends Pick<
  Fit,
  "constants" | "n" | "rss" | "r2" | "residualSd" | "aicc" | "leaveOneOut"
> {
  readonly family: Family | "own";
  readonly method: FitMethod;
  /** why it does not fit these rows; null where it does */
  readonly reason: string | null;
  readonly place: number | null;
  readonly tied: boolean;
  readonly latex: string;
  readonly text: string;
  readonly beyond: readonly Beyond[];
  readonly fewRuns: boolean;
  /** x and y in turn, over the rows and a part of their width beyond */
  readonly curve: readonly number[];
  /** x and y − model in turn, thinned for drawing */
  readonly residuals: readonly number[];
  /** how far the model is off at most, at any row, with its constants rounded to some digits */
  readonly rounded: readonly { readonly digits: number; readonly text: string; readonly off: number }[];
  /** how its constants come about by hand, where there is a way */
  readonly working: readonly WorkingStep[];
}
/** The rows a model was fitted to, and how they are written. */
export interface FittedRows {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly variable: string;
  /** text of the formula of one's own, where there is one */
  readonly own: string | null;
}

/** Points a curve is drawn from. */
const POINTS = 240;
/** Past the next mark of the axis, which ends the frame. */
const PAST_MARK = 0.3;
/** Digits that constants are tried with. */
const DIGITS = [2, 3, 4, 5, 6, 8] as const;

const UNFITTED = {
  place: null,
  tied: false,
  latex: "",
  text: "",
  constants: [],
  n: 0,
  rss: 0,
  r2: null,
  residualSd: null,
  aicc: null,
  leaveOneOut: null,
  beyond: [],
  fewRuns: false,
  curve: [],
  residuals: [],
  rounded: [],
  working: [],
} as const;

/** A ranked model as a card. */
export function cardOf(model: RankedModel, rows: FittedRows): RankedCard {
  const { family, method, fit } = model;
  if (!fit) return { ...UNFITTED, family, method, reason: model.reason };
  const { latex, text } = fittedForm(writtenAs(model, rows), fit, rows.variable);
  const { constants, n, rss, r2, residualSd, aicc, leaveOneOut } = fit;
  const misses = rows.x.map((v, i) => rows.y[i]! - fit.value(v));
  return {
    family,
    method,
    reason: null,
    place: model.place,
    tied: model.tied,
    latex,
    text,
    constants,
    n,
    rss,
    r2,
    residualSd,
    aicc,
    leaveOneOut,
    beyond: model.beyond,
    fewRuns: model.fewRuns,
    curve: curveOf(fit, rows.x),
    residuals: thinnedRows(rows.x, misses).flat(),
    rounded: family === "own" ? [] : DIGITS.map((digits) => roundedTo(digits, family, fit, rows)),
    working: fitWorking(rows.x, rows.y, { family, method, constants }, rows.variable),
  };
}

const writtenAs = ({ family, method }: RankedModel, { variable, own }: FittedRows): FitBy => ({
  kind: "fit",
  data: "",
  x: variable,
  y: "",
  model: family,
  ...(method === "logs" ? { method: "logs" } : {}),
  ...(family === "own" ? { text: own ?? "" } : {}),
});
function curveOf(fit: Fit, x: readonly number[]): number[] {
  const [lo, hi] = extent(x);
  const end = hi + (hi - lo || 1) * (BEYOND + PAST_MARK);
  return Array.from({ length: POINTS + 1 }, (_, i) => lo + ((end - lo) * i) / POINTS)
    .map((at) => [at, fit.value(at)] as const)
    .filter(([, v]) => Number.isFinite(v))
    .flat();
}
function roundedTo(digits: number, family: Family, fit: Fit, { x, variable }: FittedRows) {
  const constants = fit.constants.map((c) => c.value);
  const rounded = constants.map((v) => Number(v.toPrecision(digits)));
  const off = x.reduce((most, v) => Math.max(most, Math.abs(familyValue(family, rounded, v) - fit.value(v))), 0);
  return { digits, text: familyText(family, constants, variable, digits), off };
}
