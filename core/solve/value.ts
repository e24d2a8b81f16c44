import { ratio, type Rational, poly } from "../numeric";
import { EMPTY, Enclosure, containsZero } from "../interval";
import { compileEnclosure, dependsOnVariable, exactNumber, type Expression } from "../formula";
import { exactRational } from "./constant";
import { polynomialForm } from "./rationalForm";
import { putIn, signAtSpot, type Spot } from "./spot";
import type { FunctionTable } from "./table";

/** What a function is worth at one input. */
export type ValueAt =
  | { readonly kind: "none" }
  /** not decided whether it has a value, or which branch holds */
  | { readonly kind: "open" }
  | {
      readonly kind: "value";
      readonly lo: number;
      readonly hi: number;
      readonly exact: Rational | null;
      /** the value in closed form, where the input has one */
      readonly form: Expression | null;
    };

export const NONE: ValueAt = { kind: "none" };

export const OPEN: ValueAt = { kind: "open" };

export const rationalValue = (r: Rational): ValueAt & { kind: "value" } => {
  const form = exactNumber(r);
  const { lo, hi } = (form as Expression & { kind: "number" }).within;
  return { kind: "value", lo, hi, exact: r, form };
};

/**
 * The value of an expression that is smooth around a spot or has its domain's edge there, and is known to have a value.
 */
export function valueOf(e: Expression, spot: Spot, table: FunctionTable): ValueAt {
  const p = spot.rational && polynomialForm(e);
  if (p) return rationalValue(poly.valueAt(p, spot.rational!));
  const near = compileEnclosure(e, table.enclosure)(new Enclosure(spot.lo, spot.hi));
  if (!(near.flags & EMPTY) && !containsZero(near) && isNarrow(near))
    return new EnclosedValue(near.lo, near.hi, e, spot);
  const form = putIn(e, spot);
  const exact = form && exactRational(form);
  if (exact) return rationalValue(exact);
  if (signAtSpot(e, spot, table) === 0) return rationalValue(ratio(0));
  const closed = form && !dependsOnVariable(form) ? compileEnclosure(form, table.enclosure)(ORIGIN) : null;
  const sound = [near, closed].filter((v): v is Enclosure => v !== null && !(v.flags & EMPTY));
  if (sound.length === 0) return OPEN;
  const lo = Math.max(...sound.map((v) => v.lo));
  const hi = Math.min(...sound.map((v) => v.hi));
  return lo <= hi ? new EnclosedValue(lo, hi, e, spot) : new EnclosedValue(near.lo, near.hi, e, spot);
}

const ORIGIN = new Enclosure(0, 0);

/** A value known this closely, relative to its size, need not be worked out by its closed form to be compared. */
const NARROW = 1e-12;

const isNarrow = (v: Enclosure): boolean => v.hi - v.lo <= NARROW * Math.max(Math.abs(v.lo), Math.abs(v.hi));

/**
 * A value by its bounds; what it is exactly is worked out only when somebody wants to know, since that takes longest.
 */
class EnclosedValue {
  readonly kind = "value";
  private known: { exact: Rational | null; form: Expression | null } | null = null;

  constructor(
    readonly lo: number,
    readonly hi: number,
    private readonly expression: Expression,
    private readonly spot: Spot,
  ) {}

  private worked(): { exact: Rational | null; form: Expression | null } {
    if (!this.known) {
      const form = putIn(this.expression, this.spot);
      this.known = { exact: form && exactRational(form), form };
    }
    return this.known;
  }
  get exact(): Rational | null {
    return this.worked().exact;
  }
  get form(): Expression | null {
    return this.worked().form;
  }
}
