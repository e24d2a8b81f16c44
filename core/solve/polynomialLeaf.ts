import { ONE, poly, rationalOfDouble, type Polynomial, type Rational } from "../numeric";
import { Enclosure, iv } from "../interval";
import { encloseRational } from "../formula";
import type { Leaf } from "./seriesIntegral";

/** Inputs that are whole numbers of these are put in exactly, so that a sum that is a fraction is known as one. */
const SIMPLE = 2 ** -10;

/** A polynomial between fractions: sums up to simple numbers are exact, others by the powers of x − from. */
export class PolynomialLeaf implements Leaf {
  readonly lo: number;
  readonly hi: number;
  readonly sum: Enclosure;
  private readonly start: Enclosure;
  /** ∫ of the polynomial as one of x − from */
  private readonly whole: Polynomial;
  private readonly rounded: readonly Enclosure[];

  constructor(
    p: Polynomial,
    private readonly from: Rational,
    to: Rational,
  ) {
    const shifted = p.reduceRight<Polynomial>((sum, c) => poly.add(poly.multiply(sum, [from, ONE]), [c]), []);
    this.whole = poly.antiderivative(poly.trim([...shifted]));
    this.rounded = this.whole.map(encloseRational);
    this.start = encloseRational(from);
    this.lo = this.start.hi;
    this.hi = encloseRational(to).lo;
    this.sum = this.upToExactly(to);
  }

  private upToExactly(x: Rational): Enclosure {
    return encloseRational(poly.valueAt(this.whole, x.sub(this.from)));
  }
  upTo(x: number): Enclosure {
    if (Number.isSafeInteger(x / SIMPLE)) return this.upToExactly(rationalOfDouble(x));
    const t = iv.subtract(new Enclosure(x, x), this.start);
    return this.rounded.reduceRight((sum, c) => iv.add(iv.multiply(sum, t), c), new Enclosure(0, 0));
  }
}
