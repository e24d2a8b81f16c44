import { ONE, ZERO, isZero, rationalOfDouble, type Rational } from "../numeric";
import {
  compileNumber,
  isFunctionName,
  nearProduct,
  parse,
  problem,
  quoted,
  resolve,
  type Names,
  type Problem,
  type Syntax,
} from "../formula";

/** Σ coefficients·variables + constant, exact, in the order of the plan's variables. */
export interface LinearForm {
  readonly coefficients: readonly Rational[];
  readonly constant: Rational;
}
export type Sense = "<=" | ">=" | "=";
/**
 * One relation of a constraint: Σ a x (sense) b. A chained constraint has two. A number on the left goes to the right:
 * `240 >= 2x + 3y` is `2x + 3y <= 240`.
 */
export interface Relation {
  readonly coefficients: readonly Rational[];
  readonly sense: Sense;
  readonly bound: Rational;
  /** the number that was written beside the variables: b is that much less than the limit as it was written */
  readonly beside?: Rational;
}
export type ConstraintRead =
  | { readonly ok: true; readonly relations: readonly Relation[]; readonly strict: boolean }
  | { readonly ok: false; readonly problem: Problem };
export type FormRead =
  { readonly ok: true; readonly form: LinearForm } | { readonly ok: false; readonly problem: Problem };

class NotLinear extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}
const SIGN = /<=|>=|=<|=>|≤|≥|<|>|=/g;
const SENSES: Readonly<Record<string, Sense>> = {
  "<=": "<=",
  "=<": "<=",
  "≤": "<=",
  "<": "<=",
  ">=": ">=",
  "=>": ">=",
  "≥": ">=",
  ">": ">=",
  "=": "=",
};

const TURNED: Readonly<Record<Sense, Sense>> = { "<=": ">=", ">=": "<=", "=": "=" };

/** Reads `2x + 3y <= 240`, `y >= 2x`, `0 <= x <= 75`; variables may stand on both sides, givens have their values. */
export function readConstraint(text: string, variables: readonly string[], names: Names): ConstraintRead {
  const signs = [...text.matchAll(SIGN)];
  const fail = (p: Problem): ConstraintRead => ({ ok: false, problem: p });
  if (signs.length === 0)
    return fail(
      problem(
        "unexpected",
        { start: 0, end: text.length },
        `${quoted(text.trim())} has no relation; a constraint reads like \`2x + 3y <= 240\`.`,
      ),
    );
  if (signs.length > 2)
    return fail(
      problem(
        "unexpected",
        { start: signs[2]!.index, end: signs[2]!.index + signs[2]![0].length },
        "A constraint has one relation, or two of one direction as in `10 <= x <= 50`.",
      ),
    );
  const sides: LinearForm[] = [];
  let at = 0;
  for (const end of [...signs.map((s) => s.index), text.length]) {
    const side = text.slice(at, end);
    const read = readForm(side, variables, names);
    if (!read.ok) return fail({ ...read.problem, start: read.problem.start + at, end: read.problem.end + at });
    sides.push(read.form);
    at = end + (signs.find((s) => s.index === end)?.[0].length ?? 0);
  }
  const senses = signs.map((s) => SENSES[s[0]]!);
  if (senses.length === 2 && (senses[0] !== senses[1] || senses[0] === "="))
    return fail(
      problem(
        "unexpected",
        { start: signs[1]!.index, end: signs[1]!.index + 1 },
        "Both relations of a chain point the same way, as in `10 <= x <= 50`.",
      ),
    );
  const relations = senses.map((sense, i): Relation => {
    const isTurned = sides[i]!.coefficients.every(isZero);
    const [l, r] = isTurned ? [sides[i + 1]!, sides[i]!] : [sides[i]!, sides[i + 1]!];
    const coefficients = l.coefficients.map((c, k) => c.sub(r.coefficients[k]!));
    const beside = isZero(l.constant) ? {} : { beside: l.constant };
    return { coefficients, sense: isTurned ? TURNED[sense] : sense, bound: r.constant.sub(l.constant), ...beside };
  });
  if (relations.some((r) => r.coefficients.every(isZero)))
    return fail(
      problem(
        "unexpected",
        { start: 0, end: text.length },
        `${quoted(text.trim())} says nothing of ${variables.join(" or ")}.`,
      ),
    );
  return { ok: true, relations, strict: signs.some((s) => s[0] === "<" || s[0] === ">") };
}

/** Reads a sum of the plan's variables: an objective, or a side of a constraint. */
export function readForm(text: string, variables: readonly string[], names: Names): FormRead {
  const parsed = parse(text, (name) => isFunctionName(name, names) && !variables.includes(name));
  if (!parsed.ok) return { ok: false, problem: parsed.problem };
  const sum: Sum = { terms: new Map(), constant: ZERO };
  try {
    collect(parsed.syntax, ONE, sum, { text, variables, places: new Map(variables.map((v, i) => [v, i])), names });
  } catch (failure) {
    if (failure instanceof NotLinear) return { ok: false, problem: failure.problem };
    throw failure;
  }
  return {
    ok: true,
    form: { coefficients: variables.map((_, j) => sum.terms.get(j) ?? ZERO), constant: sum.constant },
  };
}

/** A sum while it is read: only the variables that occur. */
interface Sum {
  readonly terms: Map<number, Rational>;
  constant: Rational;
}
interface Reading {
  readonly text: string;
  readonly variables: readonly string[];
  readonly places: ReadonlyMap<string, number>;
  readonly names: Names;
}
const still = (s: Sum): boolean => [...s.terms.values()].every(isZero);
function apart(s: Syntax, reading: Reading): Sum {
  const out: Sum = { terms: new Map(), constant: ZERO };
  collect(s, ONE, out, reading);
  return out;
}
function addTimes(into: Sum, from: Sum, by: Rational): void {
  for (const [j, v] of from.terms) into.terms.set(j, (into.terms.get(j) ?? ZERO).add(v.mul(by)));
  into.constant = into.constant.add(from.constant.mul(by));
}

/** The number that a name stands for. @throws NotLinear where it stands for none */
function knownNumber(s: Syntax & { readonly type: "name" }, { variables, names }: Reading): Rational {
  const given = names.givens.get(s.name);
  if (given) return given.exact ?? rationalOfDouble(given.value);
  if (s.name === "e") return rationalOfDouble(Math.E);
  if (s.name === "pi" || s.name === "π") return rationalOfDouble(Math.PI);
  const meant = splitRun(s.name, variables) ?? nearProduct(s.name, [...variables, ...names.givens.keys()]);
  const there = `There ${variables.length === 1 ? "is" : "are"} ${variables.join(", ")}.`;
  const instead = meant ? `Did you mean ${quoted(meant)}?` : there;
  const says = `${quoted(s.name)} is no variable of the plan and no given. ${instead}`;
  throw new NotLinear(problem("unknown-name", s, says, meant ?? undefined));
}

const addNumber = (into: Sum, r: Rational): void => {
  into.constant = into.constant.add(r);
};
function refuse(s: Syntax, what: string, { text }: Reading): never {
  const part = quoted(text.slice(s.start, s.end).trim());
  throw new NotLinear(
    problem("unexpected", s, `${part} ${what}; a plan is made of sums, each variable times a number.`),
  );
}

/** Adds `times` what a part says to a sum; long sums are read in one pass. */
function collect(s: Syntax, times: Rational, into: Sum, reading: Reading): void {
  switch (s.type) {
    case "number":
      return addNumber(into, (s.exact ?? rationalOfDouble(s.value)).mul(times));
    case "bracket":
      return collect(s.of, times, into, reading);
    case "negate":
      return collect(s.of, times.neg(), into, reading);
    case "name": {
      const place = reading.places.get(s.name);
      if (place === undefined) addNumber(into, knownNumber(s, reading).mul(times));
      else into.terms.set(place, (into.terms.get(place) ?? ZERO).add(times));
      return;
    }
    case "operation":
      return collectOperation(s, times, into, reading);
    case "apply":
      for (const arg of s.args) if (!still(apart(arg, reading))) refuse(s, "puts a variable into a function", reading);
      return addNumber(into, numberOf(s, reading.text, reading.names).mul(times));
    default:
      refuse(s, "is not read here", reading);
  }
}
function collectOperation(s: Syntax & { type: "operation" }, times: Rational, into: Sum, reading: Reading): void {
  if (s.op === "+" || s.op === "-") {
    collect(s.left, times, into, reading);
    collect(s.right, s.op === "+" ? times : times.neg(), into, reading);
    return;
  }
  const [a, b] = [apart(s.left, reading), apart(s.right, reading)];
  switch (s.op) {
    case "*":
      if (still(a)) return addTimes(into, b, times.mul(a.constant));
      if (still(b)) return addTimes(into, a, times.mul(b.constant));
      return refuse(s, "multiplies variables with each other", reading);
    case "/":
      if (!still(b)) refuse(s, "divides by a variable", reading);
      if (isZero(b.constant)) refuse(s, "divides by 0", reading);
      return addTimes(into, a, times.div(b.constant));
    case "^":
      if (!still(a) || !still(b)) refuse(s, "has a power of a variable", reading);
      return addNumber(into, numberOf(s, reading.text, reading.names).mul(times));
    default:
      refuse(s, "is not read here", reading);
  }
}
/** `xy` is one name; with x and y variables, `x y` was meant (which is no sum either). */
function splitRun(name: string, variables: readonly string[]): string | null {
  return [...name].length > 1 && [...name].every((c) => variables.includes(c)) ? [...name].join(" ") : null;
}
function numberOf(s: Syntax, text: string, names: Names): Rational {
  const read = resolve(text.slice(s.start, s.end), { ...names, variable: null });
  const value = read.expression ? compileNumber(read.expression, () => () => NaN)(0) : NaN;
  if (!Number.isFinite(value))
    throw new NotLinear(problem("domain", s, `${quoted(text.slice(s.start, s.end))} has no value.`));
  return rationalOfDouble(value);
}
