import { add, apply, divide, exactNumber, multiply, subtract, type Expression } from "../formula";
import { EMPTY } from "../interval";
import { ONE, ZERO, isInteger, poly, ratio, toDouble, type Rational } from "../numeric";
import { exactRational } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { formOf, rationalExact } from "./exactForm";
import { polynomialForm } from "./rationalForm";
import { constantSign } from "./terms";
import { NONE, merge, outward, type Stretch, type ZeroSet } from "./zeroSet";

/** A zero given by a closed form: its proven bounds, kept only inside the stretch. */
export function zeroAt(exact: Expression, s: Stretch, multiplicity: number | null): ZeroSet {
  const r = exactRational(exact);
  if (r) {
    if ((s.from && r.compare(s.from) < 0) || (s.to && r.compare(s.to) > 0)) return NONE;
    return {
      zeros: [{ at: toDouble(r), lo: outward(r, -1), hi: outward(r, 1), multiplicity, exact: rationalExact(r) }],
      everywhere: false,
      open: [],
      algebraic: true,
    };
  }
  const v = encloseConstant(exact);
  if (v.flags & EMPTY || v.hi < s.lo || v.lo > s.hi) return NONE;
  const at = v.lo + (v.hi - v.lo) / 2;
  return {
    zeros: [{ at, lo: v.lo, hi: v.hi, multiplicity, exact: formOf(exact) }],
    everywhere: false,
    open: [],
    algebraic: true,
  };
}

/** p(x) = c with c irrational: solved for x where school algebra can. */
export function linearOrQuadratic(u: Expression, c: Expression, s: Stretch): ZeroSet | null {
  const p = polynomialForm(u);
  if (!p || poly.degree(p) < 1 || poly.degree(p) > 2) return null;
  if (poly.degree(p) === 1) return zeroAt(scaledBy(subtract(c, exactNumber(p[0] ?? ZERO)), ONE.div(p[1]!)), s, 1);
  // x = -b/2a ± √((b/2a)² − (p0 − c)/a)
  const centre = p[1]!.div(p[2]!).div(ratio(-2));
  const radicand = add(exactNumber(centre.mul(centre).sub(p[0]!.div(p[2]!))), divide(c, exactNumber(p[2]!)));
  const sign = constantSign(radicand);
  if (sign === null) return null;
  if (sign < 0) return NONE;
  if (sign === 0) return zeroAt(exactNumber(centre), s, 2);
  const root = apply("sqrt", radicand);
  return merge([zeroAt(subtract(exactNumber(centre), root), s, 1), zeroAt(add(exactNumber(centre), root), s, 1)]);
}

function scaledBy(e: Expression, r: Rational): Expression {
  const under = ONE.div(r);
  // ln 2/(12 ln 1.003), not ln 2/ln 1.003/12
  if (e.kind === "divide" && isInteger(under)) return divide(e.a, multiply(exactNumber(under), e.b));
  return isInteger(under) ? divide(e, exactNumber(under)) : multiply(exactNumber(r), e);
}
