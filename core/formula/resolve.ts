import { ONE, isInteger, isZero, toDouble, type Rational } from "../numeric";
import { Enclosure, down, up } from "../interval";
import { EULER, PI, VARIABLE, enclosedNumber, exactNumber } from "./numbers";
import { add, apply, call, divide, multiply, negate, nthRoot, power, extreme, subtract } from "./build";
import type { Expression, Unary } from "./expression";
import { nearProduct, problem, quoted, type Problem, type ProblemCode, type Span } from "./problem";
import { parse } from "./syntax";
import type { Syntax } from "./syntaxTree";
import { keptAsWritten, writtenAs } from "./asWritten";
import { knownElsewhere } from "./elsewhere";
import { UNARY, BUILTIN_FUNCTIONS, CONSTANTS, RESERVED } from "./builtin";

type Applied = Syntax & { readonly type: "apply" };

/** A number a name stands for: as a double, exactly where it is a fraction, and its enclosure. */
export interface NamedNumber {
  readonly value: number;
  readonly exact: Rational | null;
  readonly within: Enclosure;
  /** as a person says it, where the plain number would not be known again: 4.15% */
  readonly written?: string;
}

/** What the names of a formula may mean. */
export interface Names {
  /** the formula's own variable; null where none may stand (a bound, a given) */
  readonly variable: string | null;
  readonly givens: ReadonlyMap<string, NamedNumber>;
  /** every function of the case, with the variable it is of */
  readonly functions: ReadonlyMap<string, { readonly of: string }>;
  /** other variables, known but not usable here */
  readonly variables: ReadonlySet<string>;
}

export interface Resolved {
  readonly syntax: Syntax | null;
  /** null when there are problems */
  readonly expression: Expression | null;
  readonly problems: readonly Problem[];
  readonly warnings: readonly Problem[];
  /** functions and givens it uses, each with the first place */
  readonly uses: ReadonlyMap<string, { start: number; end: number }>;
}

export const isFunctionName = (name: string, names: Names): boolean =>
  RESERVED.has(name) ? !CONSTANTS.includes(name) : names.functions.has(name) && !names.givens.has(name);

/**
 * Reads a formula and looks up its names. All problems with names are reported at once, each with its place.
 * @param keeps  whether numbers that fold into one stay as they were written, for people to read
 */
export function resolve(text: string, names: Names, keeps: "values" | "writing" = "values"): Resolved {
  const parsed = parse(text, (name) => isFunctionName(name, names) || isLostFunction(name, names));
  if (!parsed.ok) return { syntax: null, expression: null, problems: [parsed.problem], warnings: [], uses: new Map() };
  const resolver = new Resolver(names, keeps === "writing");
  const expression = resolver.of(parsed.syntax);
  return {
    syntax: parsed.syntax,
    expression: resolver.problems.length > 0 ? null : expression,
    problems: resolver.problems,
    warnings: parsed.warnings,
    uses: resolver.uses,
  };
}

/** An unknown name before a bracket was meant as a function more often than as a factor. */
function isLostFunction(name: string, names: Names): boolean {
  return !RESERVED.has(name) && !names.givens.has(name) && name !== names.variable && !names.variables.has(name);
}

/** Stands in for a part that could not be read, so that the rest can still be checked. */
const LOST: Expression = exactNumber(ONE);

class Resolver {
  readonly problems: Problem[] = [];
  readonly uses = new Map<string, { start: number; end: number }>();
  constructor(
    private readonly names: Names,
    private readonly isWritten: boolean,
  ) {}

  of(s: Syntax): Expression {
    switch (s.type) {
      case "number":
        return this.number(s);
      case "bracket":
        return this.of(s.of);
      case "negate":
        return negate(this.of(s.of));
      case "name":
        return this.name(s);
      case "apply":
        return this.application(s);
      case "operation":
        return this.isWritten ? keptAsWritten(this.operation(s), s.op, this.last) : this.operation(s);
    }
  }
  /** the two sides of the operation that was read last */
  private last: readonly [Expression, Expression] = [LOST, LOST];

  private number(s: Syntax & { readonly type: "number" }): Expression {
    const plain = s.exact ? exactNumber(s.exact) : enclosedNumber(s.value, new Enclosure(down(s.value), up(s.value)));
    return this.isWritten && s.percent ? writtenAs(plain, s.text.replace(/\s*%$/, "%")) : plain;
  }

  private lost(p: Problem): Expression {
    this.problems.push(p);
    return LOST;
  }

  private use(name: string, at: Span): void {
    if (!this.uses.has(name)) this.uses.set(name, { start: at.start, end: at.end });
  }

  private name(s: Syntax & { type: "name" }): Expression {
    const { name } = s;
    if (name === this.names.variable) return VARIABLE;
    if (name === "e") return EULER;
    if (name === "pi" || name === "π") return PI;
    const given = this.names.givens.get(name);
    if (given) {
      this.use(name, s);
      const plain = given.exact ? exactNumber(given.exact) : enclosedNumber(given.value, given.within);
      return this.isWritten && given.written ? writtenAs(plain, given.written) : plain;
    }
    const f = this.names.functions.get(name);
    if (f) {
      this.use(name, s);
      if (f.of === this.names.variable) return call(name, 0, VARIABLE);
      return this.lost(
        problem(
          "needs-argument",
          s,
          `${quoted(name)} is a function of ${f.of}; say at which input, as in \`${name}(` +
            `${this.names.variable ?? "3"})\`.`,
        ),
      );
    }
    if (BUILTIN_FUNCTIONS.includes(name))
      return this.lost(
        problem(
          "needs-argument",
          s,
          `${quoted(name)} needs its input in brackets, as in \`${name}(${this.names.variable ?? "2"})\`.`,
        ),
      );
    if (this.names.variables.has(name)) {
      return this.lost(
        problem(
          "other-variable",
          s,
          this.names.variable
            ? `This formula is of ${this.names.variable}; ${quoted(name)} is another variable and has no value here.`
            : `Only numbers and givens may stand here; ${quoted(name)} is a variable.`,
        ),
      );
    }
    return this.lost(this.unknown(name, s, false));
  }

  private unknown(name: string, at: { start: number; end: number }, applied: boolean): Problem {
    const code = applied ? "unknown-function" : "unknown-name";
    const span = { start: at.start, end: at.start + name.length };
    const elsewhere = knownElsewhere(name);
    if (elsewhere) return problem(code, span, elsewhere.says, elsewhere.mend ?? undefined);
    const known = [
      ...this.names.givens.keys(),
      ...this.names.functions.keys(),
      ...(this.names.variable ? [this.names.variable] : []),
      ...RESERVED,
    ];
    const near = nearProduct(name, known, applied);
    const hint = near
      ? ` Did you mean ${quoted(near)}?`
      : applied
        ? ` Write a given or a function of that name first, or a times sign if it is a product.`
        : ` Write it as a given first, for example \`${name} = 12\`.`;
    return problem(code, span, `${quoted(name)} is not known here.${hint}`, near ?? undefined);
  }

  private application(s: Applied): Expression {
    const { name } = s;
    if (this.names.functions.has(name) || s.primes > 0) return this.ofCase(s);
    const args = s.args.map((a) => this.of(a));
    if (!RESERVED.has(name)) return this.lost(this.unknown(name, s.nameSpan, true));
    if (name === "min" || name === "max") {
      if (args.length >= 2) return args.reduce((a, b) => extreme(name, a, b));
      return this.refused("arguments", s, `${quoted(name)} compares at least two inputs, as in \`${name}(x, 3)\`.`);
    }
    const [input, second] = args;
    if (name === "root")
      return input && second && args.length === 2
        ? this.root(input, second, s)
        : this.refused("arguments", s, `${quoted("root")} takes two inputs, as in \`root(x, 3)\` for the cube root.`);
    if (!input || second) return this.refused("arguments", s, `${quoted(name)} takes one input, not ${args.length}.`);
    if (!UNARY.has(name)) return this.lost(this.unknown(name, s.nameSpan, true));
    const outside = outsideDomain(name, input);
    return outside ? this.refused("domain", s.args[0]!, outside) : apply(name as Unary, input);
  }
  /** A function of the case, or its slope, at an input. */
  private ofCase(s: Applied): Expression {
    const { name, primes, args } = s;
    const f = this.names.functions.get(name);
    if (!f) {
      const isOther = this.names.givens.has(name) || name === this.names.variable || RESERVED.has(name);
      if (!isOther) return this.lost(this.unknown(name, s.nameSpan, true));
      const asked = quoted(`${name}'`);
      return this.refused("no-slope", s, `${asked} asks for a slope, but ${quoted(name)} is no function of this case.`);
    }
    this.use(name, s.nameSpan);
    if (args.length === 0 && f.of !== this.names.variable)
      return this.refused("needs-argument", s, `Say at which input, as in \`${name}${"'".repeat(primes)}(3)\`.`);
    if (args.length > 1) return this.refused("arguments", s, `${quoted(name)} takes one input, not ${args.length}.`);
    return call(name, primes, args[0] ? this.of(args[0]) : VARIABLE);
  }
  private refused(code: ProblemCode, at: Span, message: string): Expression {
    return this.lost(problem(code, at, message));
  }

  private root(input: Expression, degree: Expression, s: Applied): Expression {
    const n = degree.kind === "number" && degree.exact && isInteger(degree.exact) ? toDouble(degree.exact) : NaN;
    if (!(n >= 2 && n <= 1000))
      return this.lost(
        problem("not-whole", s.args[1]!, "The second input of `root` is a whole number from 2 on, as in `root(x, 3)`."),
      );
    return nthRoot(input, n);
  }

  private operation(s: Syntax & { type: "operation" }): Expression {
    const a = this.of(s.left);
    const b = this.of(s.right);
    this.last = [a, b];
    switch (s.op) {
      case "+":
        return add(a, b);
      case "-":
        return subtract(a, b);
      case "*":
        return multiply(a, b);
      case "/":
        if (b.kind === "number" && b.exact && isZero(b.exact)) {
          return this.lost(
            problem(
              "division-by-zero",
              s.right,
              `This divides by 0 at place ${s.right.start + 1}, which has no value.`,
            ),
          );
        }
        return divide(a, b);
      case "^":
        if (a.kind === "number" && b.kind === "number" && a.within.hi < 0 && !(b.exact && isInteger(b.exact))) {
          return this.lost(
            problem(
              "domain",
              s,
              "A negative number to a fractional power has no value; use `root(x, n)` or `cbrt(x)` for odd roots.",
            ),
          );
        }
        if (a.kind === "number" && a.exact && isZero(a.exact) && b.kind === "number" && b.within.hi < 0) {
          return this.lost(problem("division-by-zero", s, "0 to a negative power divides by 0, which has no value."));
        }
        return power(a, b);
    }
  }
}

/** Why a number has no value under a built-in function; null where it has one, or the input is no number. */
function outsideDomain(name: string, input: Expression): string | null {
  if (input.kind !== "number") return null;
  const { lo, hi } = input.within;
  if ((name === "ln" || name === "log10" || name === "log2") && hi <= 0)
    return `${quoted(name)} of a number that is not above 0 has no value.`;
  if (name === "sqrt" && hi < 0) return "A square root of a negative number has no value.";
  if ((name === "asin" || name === "acos") && (hi < -1 || lo > 1))
    return `${quoted(name)} has values only for inputs from −1 to 1.`;
  return null;
}
