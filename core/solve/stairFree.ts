import { add, mapParts } from "../formula/build";
import { dependsOnVariable, parts, wholeExponent, type Expression, type Unary } from "../formula";
import { isStair } from "./breaking";
import { limitAt } from "./limits";
import { partition, type Work } from "./partition";
import type { StairsPart } from "./parts";
import type { FunctionTable } from "./table";

/** Functions that have a value for every argument. */
const EVERYWHERE: ReadonlySet<Unary> = new Set(
  "exp sin cos sinh cosh tanh atan cbrt abs step floor ceil round".split(" ") as Unary[],
);
/** Those that have one for every argument above 0. */
const ABOVE_ZERO: ReadonlySet<Unary> = new Set("sqrt ln log10 log2".split(" ") as Unary[]);

/** The sign that a formula comes to have, wherever it has a value, close enough to an end; 0: not known. */
type SignBeside = (u: Expression) => -1 | 0 | 1;

/**
 * Whether stairs that are too many to list have values for all inputs beside an end of theirs. What they grow to there
 * is what their values grow to, if they have any.
 */
export function hasValuesBeside(p: StairsPart, end: "from" | "to", table: FunctionTable, work: Work): boolean {
  const spot = p[end];
  const side = spot ? (end === "from" ? 1 : -1) : end === "from" ? -1 : 1;
  const room = p.from && p.to ? p.to.lo - p.from.hi : 1;
  const e = withoutStairs(p.formulas[0]!, (u) => {
    const limit = limitAt(u, spot, side, room, table);
    if (limit.kind === "infinite") return limit.sign;
    return limit.kind === "open" ? 0 : limit.lo > 0 ? 1 : limit.hi < 0 ? -1 : 0;
  });
  if (!e) return false;
  const inner = partition([e], table, { from: p.from, to: p.to }, work);
  const cells = inner.filter((q) => !(q.kind === "place" && q.because === "range"));
  const beside = end === "from" ? cells[0] : cells.at(-1);
  return beside?.kind === "cell" && beside.formulas[0] !== null;
}

/** A formula without stairs: where that has values close enough to the end, `e` has; null where none is at hand. */
function withoutStairs(e: Expression, sign: SignBeside): Expression | null {
  if (!hasStairs(e)) return e;
  if (!passesOn(e, sign)) return null;
  const inner = parts(e).map((p) => withoutStairs(p, sign));
  if (inner.includes(null)) return null;
  const known = inner as Expression[];
  // Of a part that never comes in the way, the values of its own parts are all that matters.
  if ((e.kind === "divide" && hasStairs(e.b)) || e.kind === "power" || e.kind === "root" || e.kind === "apply")
    return known.reduce((a, b) => add(a, b));
  let next = 0;
  return mapParts(e, () => known[next++]!);
}

/** Whether this very part has a value close enough to the end wherever its own parts have. */
function passesOn(e: Expression, sign: SignBeside): boolean {
  switch (e.kind) {
    case "add":
    case "subtract":
    case "multiply":
    case "negate":
    case "min":
    case "max":
      return true;
    case "divide":
      return !hasStairs(e.b) || sign(e.b) !== 0;
    case "power":
      return (wholeExponent(e.b) ?? -1) >= 0 || sign(e.a) > 0;
    case "root":
      return e.n % 2 !== 0 || sign(e.a) > 0;
    case "apply":
      return EVERYWHERE.has(e.name) || (ABOVE_ZERO.has(e.name) && sign(e.a) > 0);
    default:
      return false;
  }
}

const hasStairs = (e: Expression): boolean =>
  dependsOnVariable(e) && (isStair(e) || e.kind === "flat" || parts(e).some(hasStairs));
