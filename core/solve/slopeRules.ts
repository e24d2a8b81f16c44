import { BROKEN, EMPTY, ENTIRE, Enclosure, NOTHING, PARTIAL } from "../interval";
import {
  compileEnclosure,
  dependsOnVariable,
  differentiate,
  isZeroNumber,
  parts,
  wholeExponent,
  type EnclosureFunction,
  type Expression,
  type NumberFunction,
  type SeriesFunction,
  type SlopeFunction,
} from "../formula";
import type { Definition, Derivative, Piece, RuleDefinition } from "./definition";

/** Tells how a function, or a derivative of it, is defined. */
type Lookup = (name: string, order: number) => Definition | null;

/** The slope of a function that is defined like this. */
export function slopeDefinition(below: Definition, of: Derivative, definition: Lookup): Definition {
  switch (below.kind) {
    // A total has the slope of what is summed, but where that jumps.
    case "closures":
      return { kind: "slope", of, rule: { kind: "expression", expression: below.slope } };
    case "slope":
      return { kind: "slope", of, rule: byRule(below.rule) };
    case "pieces":
      return { kind: "slope", of, rule: byRule(below) };
    case "expression": {
      const rule = byRule(below);
      return holdsEverywhere(below.expression, definition) ? rule : { kind: "slope", of, rule };
    }
  }
}

const byRule = (d: RuleDefinition): RuleDefinition =>
  d.kind === "expression"
    ? { kind: "expression", expression: differentiate(d.expression) }
    : { kind: "pieces", pieces: openedAtJoints(d.pieces) };

/** What a slope is at a joint, the rules do not say. */
const openedAtJoints = (pieces: readonly Piece[]): Piece[] =>
  pieces.map((p) => ({ ...p, expression: differentiate(p.expression), closedFrom: false, closedTo: false }));

/** Names of functions that are smooth wherever they have a value, and whose slope has a value nowhere else. */
const SMOOTH_NAMES: ReadonlySet<string> = new Set("exp sin cos tan atan sinh cosh tanh".split(" "));

/** Whether a number without variable surely exists; one that calls a function is not looked into. */
function isValued(e: Expression): boolean {
  const { flags } = compileEnclosure(e, () => () => NOTHING)(new Enclosure(0, 0));
  return !(flags & (EMPTY | PARTIAL));
}

/** Whether the derivative by the usual rules has its value wherever the function has a slope, and nowhere else. */
function holdsEverywhere(e: Expression, definition: Lookup): boolean {
  if (e.kind === "number" || e.kind === "variable") return true;
  // A number that does not exist, 1/sin(0), is gone from the slope.
  if (!dependsOnVariable(e)) return isValued(e);
  // 0 · u is dropped where a product is differentiated, and with it what u has no value at.
  if (isZeroNumber(differentiate(e))) return false;
  switch (e.kind) {
    case "multiply":
    case "divide":
      if (isZeroNumber(e.a) || isZeroNumber(e.b)) return false;
      break;
    case "add":
    case "subtract":
    case "negate":
      break;
    case "power": {
      const n = wholeExponent(e.b);
      if (n === null || n === 0) return false;
      break;
    }
    case "apply":
      if (!SMOOTH_NAMES.has(e.name)) return false;
      break;
    case "call": {
      const d = definition(e.name, e.order);
      if (d?.kind !== "expression" || !holdsEverywhere(d.expression, definition)) return false;
      break;
    }
    default:
      return false;
  }
  return parts(e).every((p) => holdsEverywhere(p, definition));
}

// ---- compiled -----------------------------------------------------------------------------------------------

/**
 * On doubles: by the rules, and where they have no value by what is proven of the slope at this one input.
 * @param proven  the slope at an input, NaN where it has none or none is known
 */
export function slopeNumber(rule: NumberFunction, f: NumberFunction, proven: NumberFunction): NumberFunction {
  return (x) => {
    const own = f(x);
    if (Number.isNaN(own)) return NaN;
    const slope = rule(x);
    if (!Number.isNaN(slope)) return slope;
    return isLevel(f, x, own) ? 0 : proven(x);
  };
}

/** How far beside an input a function is looked at for being level, as a part of the input or of 1. */
const BESIDE = 1e-6;
const isLevel = (f: NumberFunction, x: number, own: number): boolean => {
  const h = BESIDE * Math.max(1, Math.abs(x));
  return [-h, -h / 2, h / 2, h].every((step) => f(x + step) === own);
};

const UNKNOWN = new Enclosure(ENTIRE.lo, ENTIRE.hi, PARTIAL | BROKEN);

/**
 * Where the rules have values beside it, a slope is among their bounds: it is what slopes close by come to. Where they
 * have none at all, nothing is known of it.
 */
export function slopeEnclosure(rule: EnclosureFunction, f: EnclosureFunction): EnclosureFunction {
  return (x) => {
    const own = f(x);
    if (own.flags & EMPTY) return NOTHING;
    const slope = rule(x);
    if (slope.flags & EMPTY) return UNKNOWN;
    return own.flags & PARTIAL ? new Enclosure(slope.lo, slope.hi, slope.flags | PARTIAL | BROKEN) : slope;
  };
}

export function slopeSlopes(rule: SlopeFunction, value: EnclosureFunction): SlopeFunction {
  return (x) => {
    const own = value(x.value);
    return { value: own, slope: own.flags ? ENTIRE : rule(x).slope };
  };
}

export function slopeSeries(rule: SeriesFunction, f: EnclosureFunction): SeriesFunction {
  return (x) => (f(x[0]!).flags ? null : rule(x));
}
