import { ownModel } from "./own";
import { ownStarts, startsAround } from "./starts";
import { type OwnSpec, type Fit, type NoFit, no } from "./fitShape";
import { linearFit } from "./fitLinear";
import { bestFrom, curvedFit } from "./fitCurved";

// ---- a formula of one's own ---------------------------------------------------------------------------------------

export function fitOwn(x: Float64Array, y: Float64Array, spec: OwnSpec): Fit | NoFit {
  const read = ownModel(spec.text, spec.names);
  if (!read.ok)
    return { ok: false, reason: read.problem.message, at: { start: read.problem.start, end: read.problem.end } };
  const { model } = read;
  const { curve, linear } = model;
  const unknown = Object.keys(spec.start ?? {}).find((name) => !curve.names.includes(name));
  if (unknown !== undefined)
    return no(
      `There is a start for \`${unknown}\`, but the formula has no such free constant; it ` +
        `has ${curve.names.map((c) => `\`${c}\``).join(", ")}.`,
    );
  if (x.length < curve.names.length)
    return no(`The formula has ${curve.names.length} free constants, but there are only ${x.length} rows.`);
  if (linear) {
    const columns = linear.map((g) => Float64Array.from(x, g));
    if (columns.some((c) => c.some((v) => !Number.isFinite(v))))
      return no("The formula has no value at one of the rows.");
    return linearFit(
      x,
      y,
      curve.names,
      columns,
      model.polynomials,
      (p) => (at) => curve.value(at, Float64Array.from(p)),
      (at) => linear.map((g) => g(at)),
      model,
    );
  }
  const starts = ownStarts(curve, x, y, spec.start ?? {});
  const first = bestFrom(curve, x, y, starts);
  // A start that led nowhere may be of the wrong size.
  const best =
    first?.converged || !starts[0] ? first : (bestFrom(curve, x, y, startsAround(curve, x, y, starts[0])) ?? first);
  if (!best)
    return no(
      "The formula has no value at one of the rows for any start that was tried; give starts for its constants.",
    );
  if (!best.converged)
    return no(
      "The search for the constants did not come to rest; give other starts, or a formula with fewer constants.",
    );
  const p = best.parameters;
  const slopes = new Float64Array(p.length);
  return curvedFit(
    curve,
    x,
    y,
    p,
    curve.names,
    p,
    (at) => curve.value(at, p),
    (at) => {
      curve.slopes(at, p, slopes);
      return [...slopes];
    },
    model,
  );
}
