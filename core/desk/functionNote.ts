import { formatNumber, formatQuantity } from "../explain";
import type { FunctionBy, FunctionRow, Model } from "../model";
import type { Unit } from "../units";

/** How a function was made, in a few words, by its way; a formula says it itself. */
const NOTES: { readonly [K in FunctionBy["kind"]]: (by: FunctionBy & { kind: K }, name: string, m: Model) => string } =
  {
    formula: () => "",
    line(by, name, model) {
      const unit = moneyOnly(model.functions.get(name)?.unit ?? null);
      const readings = by.through.map(([x, y]) => `(${x}, ${typeof y === "number" ? formatQuantity(y, unit) : y})`);
      return `line through ${by.through.length} readings ${readings.join(" and ")}`;
    },
    pieces: (by) => `${by.pieces.length} pieces`,
    total: (by) => `running total of ${by.function}`,
    slope: (by) => `slope of ${by.function}`,
    fit: (by, name, model) => fitNote(name, by.data, model),
  };

export const noteOf = ({ by, name }: FunctionRow, model: Model): string =>
  (NOTES[by.kind] as (by: FunctionBy, name: string, model: Model) => string)(by, name, model);

const moneyOnly = (unit: Unit | null): Unit | null =>
  unit && unit.text.startsWith("$") ? { powers: { "currency:USD": 1 }, factor: 1, text: "$" } : null;

/** `logistic, fitted to 10 rows of followers, R² 0.9998`, with growth beside an exponential. */
function fitNote(name: string, data: string, model: Model): string {
  const fitted = model.fits.get(name);
  if (!fitted) return `fitted to ${data}`;
  const { by, fit, skipped } = fitted;
  const way = `${by.model === "own" ? "own formula" : by.model}${by.method === "logs" ? " on logarithms" : ""}`;
  const rows = `fitted to ${fit.n} rows of ${data}${skipped > 0 ? ` (${skipped} left out)` : ""}`;
  const quality = fit.r2 === null ? [] : [`R² ${formatNumber(fit.r2, 4)}`];
  const growth = by.model === "exponential" ? growthWords(fit.constants[1]!.value) : [];
  return [way, rows, ...quality, ...growth].join(", ");
}

/** What a rate b in e^(b t) comes to. */
function growthWords(b: number): string[] {
  const [factor, share] = [formatNumber(Math.exp(b), 5), formatNumber(Math.expm1(b) * 100, 4)];
  const time = formatNumber(Math.abs(Math.LN2 / b), 4);
  const change = b >= 0 ? "growth" : "decay";
  return [`factor ${factor}`, `${change} ${share} %`, `${b > 0 ? "doubles" : "halves"} in ${time}`];
}
