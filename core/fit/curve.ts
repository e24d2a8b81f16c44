/** A model with n constants, for least squares: value and slopes by the constants at one input. */
export interface Curve {
  readonly names: readonly string[];
  value(x: number, p: Float64Array): number;
  /** writes ∂f/∂p_j into `out` */
  slopes(x: number, p: Float64Array, out: Float64Array): void;
}
export const residuals = (curve: Curve, x: Float64Array, y: Float64Array, p: Float64Array): Float64Array =>
  y.map((v, i) => v - curve.value(x[i]!, p));
export function rssOf(curve: Curve, x: Float64Array, y: Float64Array, p: Float64Array): number {
  let s = 0;
  for (let i = 0; i < x.length; i++) {
    const r = y[i]! - curve.value(x[i]!, p);
    s += r * r;
  }
  return s;
}
/** The columns of the Jacobian, p of n. */
export function slopeColumns(curve: Curve, x: Float64Array, p: Float64Array): Float64Array[] {
  const columns = curve.names.map(() => new Float64Array(x.length));
  const row = new Float64Array(p.length);
  for (let i = 0; i < x.length; i++) {
    curve.slopes(x[i]!, p, row);
    for (let j = 0; j < p.length; j++) columns[j]![i] = row[j]!;
  }
  return columns;
}
