import { PI, wholeNumber } from "../formula/numbers";
import { add, divide, multiply, negate, subtract } from "../formula/build";
import { dependsOnVariable, differentiate, parts, type Expression, type Unary } from "../formula";
import { isStair } from "./breaking";
import { constantSign } from "./terms";

/** How a function goes on for ever: a steady drift, and what turns round while it drifts. */
export interface Course {
  /** value-unit by which it is ahead after each x-unit, once everything in it has turned round whole times */
  readonly drift: Expression;
  /** angle/x-unit, none of them 0: how fast each part of it turns */
  readonly turns: readonly Expression[];
}

/**
 * The course of a function whose sines go round as their arguments drift, and whose stairs go up as theirs do: after a
 * way in which all of them have turned whole times, the function is ahead by its drift times that way, wherever it is
 * looked at. x − ⌊x⌋ drifts by 1 − 1 = 0, so it repeats. Null where the input stands anywhere else.
 */
export function courseOf(e: Expression): Course | null {
  if (!dependsOnVariable(e)) return { drift: NOTHING, turns: [] };
  switch (e.kind) {
    case "variable":
      return { drift: wholeNumber(1), turns: [] };
    case "call":
      return null;
    case "negate":
      return changed(courseOf(e.a), negate);
    case "add":
      return joined(courseOf(e.a), courseOf(e.b), add);
    case "subtract":
      return joined(courseOf(e.a), courseOf(e.b), subtract);
    case "multiply":
      if (!dependsOnVariable(e.a)) return changed(courseOf(e.b), (drift) => multiply(e.a, drift));
      if (!dependsOnVariable(e.b)) return changed(courseOf(e.a), (drift) => multiply(drift, e.b));
      return ofStill(e);
    case "divide":
      return dependsOnVariable(e.b) ? ofStill(e) : changed(courseOf(e.a), (drift) => divide(drift, e.b));
    case "min":
    case "max":
      return ofSideBySide(courseOf(e.a), courseOf(e.b));
    case "apply":
      if (isStair(e) && isRegular(e.name)) return ofStair(courseOf(e.a));
      return TURNING[e.name] ? ofWave(e.a, TURNING[e.name]!) : ofStill(e);
    case "flat":
      if (isStair(e) && isRegular(e.name)) return changed(ofStair(courseOf(e.a)), () => NOTHING);
      return ofStill(e);
    default:
      return ofStill(e);
  }
}

/** Halves are rounded away from 0: round(−½) + 1 is 0, and round(½) is 1. Only the other stairs go on evenly. */
const isRegular = (name: string): boolean => name === "floor" || name === "ceil";

const NOTHING = wholeNumber(0);
const FULL_TURN = multiply(wholeNumber(2), PI);

/** A stair of what drifts goes up as that does, and stands in its step as before after each whole step. */
function ofStair(inner: Course | null): Course | null {
  if (!inner) return null;
  const sign = constantSign(inner.drift);
  if (sign === null) return null;
  return sign === 0 ? inner : { drift: inner.drift, turns: [...inner.turns, multiply(FULL_TURN, inner.drift)] };
}

/** How often a wave comes back in a full turn of its argument. */
const TURNING: Readonly<Partial<Record<Unary, number>>> = { sin: 1, cos: 1, tan: 2 };

function ofWave(argument: Expression, often: number): Course | null {
  const inner = courseOf(argument);
  if (!inner) return null;
  // The slope of a line is its drift, in the shape that is told.
  const slope = differentiate(argument);
  const speed = dependsOnVariable(slope) ? inner.drift : slope;
  const sign = constantSign(speed);
  if (sign === null) return null;
  const turn = often === 1 ? speed : multiply(wholeNumber(often), speed);
  return { drift: NOTHING, turns: sign === 0 ? inner.turns : [...inner.turns, turn] };
}

/** Of two that drift together the better one drifts as both do. */
const ofSideBySide = (a: Course | null, b: Course | null): Course | null =>
  a && b && constantSign(subtract(a.drift, b.drift)) === 0 ? joined(a, b, (drift) => drift) : null;

/** Anything made of parts that do not drift comes back as they do. */
function ofStill(e: Expression): Course | null {
  const inner = parts(e).map(courseOf);
  if (!inner.every((c) => c !== null && constantSign(c.drift) === 0)) return null;
  return { drift: NOTHING, turns: inner.flatMap((c) => c!.turns) };
}

const changed = (c: Course | null, by: (drift: Expression) => Expression): Course | null =>
  c && { ...c, drift: by(c.drift) };

const joined = (a: Course | null, b: Course | null, by: (a: Expression, b: Expression) => Expression): Course | null =>
  a && b && { drift: by(a.drift, b.drift), turns: [...a.turns, ...b.turns] };
