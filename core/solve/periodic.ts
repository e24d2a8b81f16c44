import { PI, exactNumber, wholeNumber } from "../formula/numbers";
import { add, multiply, negate, subtract } from "../formula/build";
import { compileEnclosure, type Expression } from "../formula";
import { EMPTY, Enclosure } from "../interval";
import { ONE, ZERO, isInteger, isZero, ratio, signOf, type Rational } from "../numeric";
import { exactRational } from "./constant";
import { angleOf } from "./angle";
import { encloseConstant } from "./encloseConstant";
import { NONE, merge, withMultiplicity, type Equation, type Stretch, type ZeroSet } from "./zeroSet";

/** How many solutions of a periodic equation are listed one by one. */
const MAX_PERIODS = 1000;

/** sin v = c and its kin: every branch of the inverse that v can reach on the stretch. */
export function periodic(
  name: "sin" | "cos" | "tan",
  v: Expression,
  c: Expression,
  s: Stretch,
  deeper: Equation,
): ZeroSet | null {
  const reach = compileEnclosure(v, s.table.enclosure)(new Enclosure(s.lo, s.hi));
  if (reach.flags & EMPTY) return NONE;
  if (!Number.isFinite(reach.lo) || !Number.isFinite(reach.hi)) return null;
  const turns = (reach.hi - reach.lo) / (name === "tan" ? Math.PI : 2 * Math.PI);
  if (turns > Math.min(MAX_PERIODS, s.budget.boxes / 10)) return null;
  const at = (base: Expression, everyHalfTurns: number): ZeroSet[] => {
    const period = everyHalfTurns * Math.PI;
    const start = encloseConstant(base);
    const out: ZeroSet[] = [];
    for (
      let k = Math.floor((reach.lo - start.hi) / period) - 1;
      k <= Math.ceil((reach.hi - start.lo) / period) + 1;
      k++
    ) {
      const level = turned(base, k * everyHalfTurns);
      const w = encloseConstant(level);
      if (w.hi < reach.lo || w.lo > reach.hi) continue;
      out.push(deeper(v, level));
    }
    return out;
  };
  const r = exactRational(c);
  const half = (sign: 1 | -1) => multiply(exactNumber(ratio(sign, 2)), PI);
  if (name === "tan")
    return merge(
      at(
        r && isZero(r)
          ? wholeNumber(0)
          : r && r.abs().compare(ONE) === 0
            ? multiply(exactNumber(ratio(signOf(r), 4)), PI)
            : angleOf("tan", c),
        1,
      ),
    );
  const level = encloseConstant(c);
  if (level.lo > 1 || level.hi < -1) return NONE;
  if (r && isZero(r)) return merge(at(name === "sin" ? wholeNumber(0) : half(1), 1));
  if (r && isInteger(r)) {
    const top = signOf(r) > 0;
    const base = name === "sin" ? half(top ? 1 : -1) : top ? wholeNumber(0) : PI;
    return merge(at(base, 2).map((set) => withMultiplicity(set, (m) => m && m * 2)));
  }
  if (level.hi >= 1 || level.lo <= -1) return null;
  const inverse = niceAngle(name, r) ?? angleOf(name, c);
  return merge(
    name === "sin"
      ? [...at(inverse, 2), ...at(ofTurns(inverse, (t) => ONE.sub(t)) ?? subtract(PI, inverse), 2)]
      : [...at(inverse, 2), ...at(ofTurns(inverse, (t) => t.neg()) ?? negate(inverse), 2)],
  );
}

/** Another fraction of π in place of one; null for an angle that is none. */
function ofTurns(angle: Expression, to: (turns: Rational) => Rational): Expression | null {
  const turns = angle.kind === "multiply" && angle.b === PI ? exactRational(angle.a) : null;
  return turns && multiply(exactNumber(to(turns)), PI);
}

/** base + n π, in one term where the base is a fraction of π itself. */
function turned(base: Expression, n: number): Expression {
  if (n === 0) return base;
  const turns =
    base.kind === "multiply" && base.b === PI
      ? exactRational(base.a)
      : base === PI
        ? ONE
        : exactRational(base) && isZero(exactRational(base)!)
          ? ZERO
          : null;
  return turns ? multiply(exactNumber(turns.add(ratio(n))), PI) : add(base, multiply(wholeNumber(n), PI));
}

/** asin or acos of ±1/2 as a fraction of π. */
function niceAngle(name: "sin" | "cos", r: Rational | null): Expression | null {
  if (!r || r.abs().compare(ratio(1, 2)) !== 0) return null;
  const positive = signOf(r) > 0;
  return multiply(exactNumber(name === "sin" ? ratio(positive ? 1 : -1, 6) : ratio(positive ? 1 : 2, 3)), PI);
}
