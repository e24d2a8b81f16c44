import type { Span, Syntax } from "../formula";
import { PLAIN, isPlain, raised, sameDimension, sameUnit, times, type Unit } from "../units";

/** A place where units do not go together, and what would. */
export interface UnitProblem extends Span {
  readonly message: string;
  readonly mend?: string;
}

/** What the names of a formula are measured in; null where nobody said. */
export interface UnitNames {
  readonly variable: { readonly name: string; readonly unit: Unit | null } | null;
  givenUnit(name: string): Unit | null;
  /** unit of a function's values and of its input */
  functionUnits(name: string): { readonly value: Unit | null; readonly input: Unit | null } | null;
}

/**
 * `any`: a bare number is in it, which takes whatever unit makes things agree; `unknown`: somebody left a unit out.
 * Both agree with everything; only `known` can disagree.
 */
type Inferred =
  | {
      readonly kind: "known";
      readonly unit: Unit;
      /**
       * it comes from the variable alone, and a coefficient left out beside it is no claim: x² lanterns may be dollars
       */
      readonly isLoose: boolean;
    }
  | { readonly kind: "any" | "unknown" };
const ANY: Inferred = { kind: "any" };
const UNKNOWN: Inferred = { kind: "unknown" };
const known = (unit: Unit, isLoose = false): Inferred => ({ kind: "known", unit, isLoose });
const of = (unit: Unit | null): Inferred => (unit ? known(unit) : UNKNOWN);

export const unitName = (u: Unit): string =>
  u.text ||
  (isPlain(u)
    ? "a plain number"
    : Object.entries(u.powers)
        .map(([n, p]) => (p === 1 ? n : `${n}^${p}`))
        .join(" "));

export interface UnitCheck {
  /** the unit of the whole, where it follows from the parts */
  readonly unit: Unit | null;
  readonly problems: readonly UnitProblem[];
  /** whether any name in it carries a unit at all */
  readonly anything: boolean;
}

/**
 * Follows the units through a formula. Disagreements are findings about the text, each at its place; nothing is
 * converted silently.
 */
export function checkUnits(syntax: Syntax, text: string, names: UnitNames): UnitCheck {
  const checker = new Checker(text, names);
  const result = checker.of(syntax);
  const own = names.variable?.unit;
  const isClaim = result.kind === "known" && (!result.isLoose || (own ? sameUnit(result.unit, own) : false));
  // Nobody measures in m^0.5: a part of a unit left over is no unit of the whole.
  const isUnit = isClaim && Object.values(result.unit.powers).every(Number.isInteger);
  return { unit: isUnit ? result.unit : null, problems: checker.problems, anything: checker.anything };
}

/** Says how two units differ: in kind, or only in scale. */
export function difference(found: Unit, wanted: Unit): string {
  if (!sameDimension(found, wanted)) return `${unitName(found)} is not ${unitName(wanted)}`;
  const factor = found.factor / wanted.factor;
  const times = Number((factor >= 1 ? factor : 1 / factor).toPrecision(6));
  return (
    `${unitName(found)} and ${unitName(wanted)} measure the same at another scale; ` +
    `${factor >= 1 ? "multiply" : "divide"} the ${unitName(found)} side by ${times}`
  );
}

class Checker {
  readonly problems: UnitProblem[] = [];
  anything = false;
  constructor(
    private readonly text: string,
    private readonly names: UnitNames,
  ) {}

  of(s: Syntax): Inferred {
    switch (s.type) {
      case "number":
        return s.percent ? known(PLAIN) : ANY;
      case "bracket":
        return this.of(s.of);
      case "negate":
        return this.of(s.of);
      case "name":
        return this.name(s.name);
      case "apply":
        return this.applied(s);
      case "operation":
        return this.operation(s);
    }
  }

  private seen(i: Inferred): Inferred {
    if (i.kind === "known") this.anything = true;
    return i;
  }

  private name(name: string): Inferred {
    const variable = this.names.variable;
    if (variable?.name === name) return this.seen(variable.unit ? known(variable.unit, true) : UNKNOWN);
    if (name === "e" || name === "pi" || name === "π") return known(PLAIN);
    const f = this.names.functionUnits(name);
    return this.seen(f ? of(f.value) : of(this.names.givenUnit(name)));
  }

  private part(s: Syntax): string {
    return this.text.slice(s.start, s.end);
  }
  private report(at: Span, message: string, mend?: string): void {
    this.problems.push({ start: at.start, end: at.end, message, ...(mend ? { mend } : {}) });
  }

  private operation(s: Syntax & { type: "operation" }): Inferred {
    const a = this.of(s.left);
    const b = this.of(s.right);
    switch (s.op) {
      case "+":
      case "-":
        return this.sum(s, a, b);
      case "*":
        return a.kind === "known" && b.kind === "known"
          ? known(times(a.unit, b.unit), a.isLoose && b.isLoose)
          : a.kind === "any" || b.kind === "any"
            ? ANY
            : UNKNOWN;
      case "/":
        return a.kind === "known" && b.kind === "known"
          ? known(times(a.unit, b.unit, -1), a.isLoose && b.isLoose)
          : a.kind === "any" || b.kind === "any"
            ? ANY
            : UNKNOWN;
      case "^":
        return this.power(s, a, b);
    }
  }

  private sum(s: Syntax & { type: "operation" }, a: Inferred, b: Inferred): Inferred {
    if (a.kind !== "known") return b.kind === "known" ? (b.isLoose ? a : b) : a.kind === "any" ? b : a;
    if (b.kind !== "known") return a.isLoose ? b : a;
    if (sameUnit(a.unit, b.unit)) return a.isLoose ? b : a;
    if (!sameDimension(a.unit, b.unit) && (this.isOpen(a) || this.isOpen(b))) return this.isOpen(a) ? b : a;
    const verb = s.op === "+" ? "adds" : "subtracts";
    const [left, right] = s.op === "+" ? [b, a] : [b, a];
    const x = this.names.variable;
    // A per-unit amount beside a whole amount is the classic slip: the quantity was forgotten.
    let hint = "";
    let mend: string | undefined;
    if (x?.unit && !isPlain(x.unit)) {
      const forgotten = sameUnit(times(b.unit, x.unit), a.unit)
        ? s.right
        : sameUnit(times(a.unit, x.unit), b.unit)
          ? s.left
          : null;
      if (forgotten) {
        mend = `${this.part(forgotten)} ${x.name}`;
        hint = `; did you mean ${this.part(forgotten)}·${x.name}?`;
      }
      if (forgotten) {
        this.report(forgotten, this.mixed(verb, left.unit, right.unit, s.op) + hint, mend);
        return a;
      }
    }
    if (sameDimension(a.unit, b.unit))
      this.report(
        s.right,
        `${this.mixed(verb, left.unit, right.unit, s.op)}: ${difference(b.unit, a.unit)}.`,
        this.converted(s.right, b.unit.factor / a.unit.factor),
      );
    else this.report(s, `${this.mixed(verb, left.unit, right.unit, s.op)}.`);
    return a;
  }

  /** A power of the variable with its coefficient left out: x² lanterns may be dollars. The variable itself is not. */
  private isOpen({ unit, isLoose }: Inferred & { kind: "known" }): boolean {
    const own = this.names.variable?.unit;
    return isLoose && !(own && sameUnit(unit, own));
  }

  private mixed(verb: string, what: Unit, to: Unit, op: string): string {
    return `This ${verb} ${unitName(what)} ${op === "+" ? "to" : "from"} ${unitName(to)}`;
  }

  /** The part turned into the unit of the other side: minutes beside hours become t/60. */
  private converted(s: Syntax, factor: number): string | undefined {
    const text =
      s.type === "name" || s.type === "number" || s.type === "bracket" || s.type === "apply"
        ? this.part(s)
        : `(${this.part(s)})`;
    const up = Number(factor.toPrecision(12));
    const down = Number((1 / factor).toPrecision(12));
    return Number.isInteger(down) ? `${text}/${down}` : Number.isInteger(up) ? `${up} ${text}` : undefined;
  }

  private power(s: Syntax & { type: "operation" }, a: Inferred, b: Inferred): Inferred {
    const exponent = constantOf(s.right);
    if (exponent !== null) return a.kind === "known" ? known(raised(a.unit, exponent), a.isLoose) : a;
    if (a.kind === "known" && b.kind === "known" && isRate(a.unit)) this.periods(s, a.unit, b.unit);
    if (a.kind === "known" && !isPlain(a.unit) && !isRate(a.unit))
      this.report(s.left, `A varying power of ${unitName(a.unit)} has no unit; the base should be a plain number.`);
    return b.kind === "unknown" && a.kind === "unknown" ? UNKNOWN : known(PLAIN);
  }

  /** (1 + r)^t: a rate a year wants a number of years, not of months. */
  private periods(s: Syntax & { type: "operation" }, rate: Unit, time: Unit): void {
    const product = times(rate, time);
    if (!sameDimension(product, PLAIN) || sameUnit(product, PLAIN)) return;
    const message = `The exponent is in ${unitName(time)}, and the rate in ${unitName(rate)}; they do not go together.`;
    this.report(s.right, message, this.converted(s.right, product.factor));
  }

  private applied(s: Syntax & { type: "apply" }): Inferred {
    const f = this.names.functionUnits(s.name);
    const args = s.args.map((a) => this.of(a));
    const first = args[0] ?? ANY;
    if (f) {
      if (f.input && first.kind === "known" && !sameUnit(first.unit, f.input))
        this.report(s.args[0]!, `${s.name} takes ${unitName(f.input)}: ${difference(first.unit, f.input)}.`);
      if (!f.value) return UNKNOWN;
      return this.seen(s.primes > 0 ? (f.input ? known(times(f.value, f.input, -s.primes)) : UNKNOWN) : known(f.value));
    }
    switch (s.name) {
      case "sqrt":
        return first.kind === "known" ? known(raised(first.unit, 1 / 2)) : first;
      case "cbrt":
        return first.kind === "known" ? known(raised(first.unit, 1 / 3)) : first;
      case "root": {
        const n = s.args[1] ? constantOf(s.args[1]) : null;
        return first.kind === "known" && n ? known(raised(first.unit, 1 / n)) : first;
      }
      case "abs":
      case "floor":
      case "ceil":
      case "round":
        return first;
      case "min":
      case "max": {
        const units = args.filter((a): a is Inferred & { kind: "known" } => a.kind === "known");
        const odd = units.find((u) => !sameUnit(u.unit, units[0]!.unit));
        if (odd) this.report(s, `${s.name} compares ${unitName(units[0]!.unit)} with ${unitName(odd.unit)}.`);
        return units[0] ?? first;
      }
      case "step":
        return known(PLAIN);
      default:
        if (first.kind === "known" && !isPlain(first.unit))
          this.report(
            s.args[0]!,
            `${s.name} takes a plain number, not ${unitName(first.unit)}; divide by a given in ` +
              `${unitName(first.unit)}.`,
          );
        return first.kind === "unknown" ? UNKNOWN : known(PLAIN);
    }
  }
}

/** 1/time: the base of (1 + r)^t with r in percent a year. */
const isRate = (u: Unit): boolean => Object.entries(u.powers).every(([n, p]) => n === "second" && p === -1);

function constantOf(s: Syntax): number | null {
  if (s.type === "number") return s.value;
  if (s.type === "bracket") return constantOf(s.of);
  if (s.type === "negate") {
    const v = constantOf(s.of);
    return v === null ? null : -v;
  }
  if (s.type === "operation" && (s.op === "/" || s.op === "-" || s.op === "+")) {
    const a = constantOf(s.left);
    const b = constantOf(s.right);
    return a === null || b === null ? null : s.op === "/" ? a / b : s.op === "-" ? a - b : a + b;
  }
  return null;
}
