import { poly, toDouble, type Polynomial, type Rational } from "../../numeric";
import { polynomialExpression, type Piece } from "../../solve";

/** The pieces of a running total of a function whose parts are polynomials: joined without a jump, and 0 at `from`. */
export function totalPieces(
  parts: readonly { from: Rational | null; to: Rational | null }[],
  polynomials: readonly (Polynomial | null)[],
  from: Rational,
): Piece[] {
  const home = parts.findIndex(
    (p, i) => polynomials[i] && (!p.from || p.from.compare(from) <= 0) && (!p.to || p.to.compare(from) >= 0),
  );
  if (home < 0) return [];
  const whole = polynomials.map((p) => p && poly.antiderivative(p));
  const constants: (Rational | null)[] = parts.map(() => null);
  constants[home] = poly.valueAt(whole[home]!, from).neg();
  const at = (i: number, x: Rational) => poly.valueAt(whole[i]!, x).add(constants[i]!);
  for (let i = home + 1; i < parts.length && whole[i] && constants[i - 1]; i++)
    constants[i] = at(i - 1, parts[i]!.from!).sub(poly.valueAt(whole[i]!, parts[i]!.from!));
  for (let i = home - 1; i >= 0 && whole[i] && constants[i + 1]; i--)
    constants[i] = at(i + 1, parts[i]!.to!).sub(poly.valueAt(whole[i]!, parts[i]!.to!));
  return parts.flatMap((p, i) => {
    const constant = constants[i];
    if (!whole[i] || !constant) return [];
    const expression = polynomialExpression(poly.add(whole[i]!, poly.constant(constant)));
    return [
      {
        expression,
        from: p.from,
        to: p.to,
        low: p.from ? toDouble(p.from) : -Infinity,
        high: p.to ? toDouble(p.to) : Infinity,
        closedFrom: true,
        closedTo: i === parts.length - 1 || !constants[i + 1],
      },
    ];
  });
}
