import type { Rational } from "../numeric";
import { EMPTY, Enclosure, ENTIRE, BROKEN, NOTHING, PARTIAL, iv } from "../interval";
import {
  compileEnclosure,
  compileNumber,
  compileSeries,
  compileSlopes,
  differentiate,
  integrated,
  type EnclosureFunction,
  type Expression,
  type NumberFunction,
  type SeriesFunction,
  type SlopeFunction,
  type Slopes,
} from "../formula";

/** One row of a function by pieces; null bounds are open to infinity. */
export interface Piece {
  readonly expression: Expression;
  readonly from: Rational | null;
  readonly to: Rational | null;
  /** the bounds as doubles, -Infinity and Infinity where open */
  readonly low: number;
  readonly high: number;
  readonly closedFrom: boolean;
  readonly closedTo: boolean;
}

export type Definition =
  | { readonly kind: "expression"; readonly expression: Expression }
  | { readonly kind: "pieces"; readonly pieces: readonly Piece[] }
  /** ready-made closures (a running total of a function without an antiderivative in closed form) and its slope */
  | {
      readonly kind: "closures";
      readonly number: NumberFunction;
      readonly enclosure: EnclosureFunction;
      readonly slope: Expression;
    };

/** The functions of a case by name, compiled three ways when first asked for. */
export class FunctionTable {
  private readonly numbers = new Map<string, NumberFunction>();
  private readonly enclosures = new Map<string, EnclosureFunction>();
  private readonly slopeFunctions = new Map<string, SlopeFunction>();
  private readonly seriesFunctions = new Map<string, SeriesFunction>();
  private readonly definitions = new Map<string, Definition>();

  define(name: string, definition: Definition): void {
    this.definitions.set(`${name}#0`, definition);
  }
  has(name: string): boolean {
    return this.definitions.has(`${name}#0`);
  }

  /** The `order`-th derivative of a function; null when the name has no definition. */
  definition(name: string, order = 0): Definition | null {
    const key = `${name}#${order}`;
    const known = this.definitions.get(key);
    if (known) return known;
    if (order === 0) return null;
    const below = this.definition(name, order - 1);
    if (!below) return null;
    const slope: Definition =
      below.kind === "expression"
        ? { kind: "expression", expression: differentiate(below.expression) }
        : below.kind === "closures"
          ? { kind: "expression", expression: below.slope }
          : {
              kind: "pieces",
              pieces: openedAtJoints(below.pieces.map((p) => ({ ...p, expression: differentiate(p.expression) }))),
            };
    this.definitions.set(key, slope);
    return slope;
  }

  readonly number = (name: string, order = 0): NumberFunction =>
    this.memo(
      this.numbers,
      name,
      order,
      (d) =>
        d.kind === "closures"
          ? d.number
          : d.kind === "expression"
            ? compileNumber(d.expression, this.number)
            : piecesNumber(
                d.pieces,
                d.pieces.map((p) => compileNumber(p.expression, this.number)),
              ),
      () => NaN,
    );

  readonly enclosure = (name: string, order = 0): EnclosureFunction =>
    this.memo(
      this.enclosures,
      name,
      order,
      (d) =>
        d.kind === "closures"
          ? d.enclosure
          : d.kind === "expression"
            ? compileEnclosure(d.expression, this.enclosure)
            : piecesEnclosure(
                d.pieces,
                d.pieces.map((p) => compileEnclosure(p.expression, this.enclosure)),
              ),
      () => NOTHING,
    );

  readonly slopes = (name: string, order = 0): SlopeFunction =>
    this.memo(
      this.slopeFunctions,
      name,
      order,
      (d) => {
        if (d.kind === "closures") {
          const slope = compileEnclosure(d.slope, this.enclosure);
          return (x) => {
            const s = slope(x.value);
            return { value: d.enclosure(x.value), slope: s.flags ? ENTIRE : iv.multiply(s, x.slope) };
          };
        }
        return d.kind === "expression"
          ? compileSlopes(d.expression, this.slopes)
          : piecesSlopes(
              d.pieces,
              d.pieces.map((p) => compileSlopes(p.expression, this.slopes)),
            );
      },
      () => ({ value: NOTHING, slope: ENTIRE }),
    );

  /** Taylor series of a function; null on a box where it is not smooth or has no value. */
  readonly series = (name: string, order = 0): SeriesFunction =>
    this.memo(
      this.seriesFunctions,
      name,
      order,
      (d): SeriesFunction => {
        if (d.kind === "expression") return compileSeries(d.expression, this.series);
        if (d.kind === "closures") {
          const slope = compileSeries(d.slope, this.series);
          return (x) => {
            const s = slope(x);
            return s && integrated(d.enclosure(x[0]!), x, s);
          };
        }
        const rows = d.pieces.map((p) => ({ p, series: compileSeries(p.expression, this.series) }));
        return (x) => rows.find(({ p }) => x[0]!.lo > p.low && x[0]!.hi < p.high)?.series(x) ?? null;
      },
      () => null,
    );

  private memo<F>(
    store: Map<string, F>,
    name: string,
    order: number,
    make: (d: Definition) => F,
    none: F extends (x: infer X) => infer Y ? (x: X) => Y : never,
  ): F {
    const key = `${name}#${order}`;
    const known = store.get(key);
    if (known) return known;
    const definition = this.definition(name, order);
    // R(q) called twice at one input is worked out once; without this, functions of functions would cost twice as much
    // at every level.
    const made = definition
      ? (remembering(make(definition) as unknown as (x: unknown) => unknown) as unknown as F)
      : (none as F);
    store.set(key, made);
    return made;
  }
}

/** The same function, with its last input and result kept. Inputs are compared by identity (numbers by value). */
function remembering(f: (x: unknown) => unknown): (x: unknown) => unknown {
  let last: unknown = remembering;
  let result: unknown;
  return (x) => {
    if (x === last) return result;
    const y = f(x);
    last = x;
    result = y;
    return y;
  };
}

/** A slope at a joint exists only if both sides agree there; leaving the joint out is always true. */
function openedAtJoints(pieces: Piece[]): Piece[] {
  return pieces.map((p) => ({ ...p, closedFrom: false, closedTo: false }));
}

export const holds = (p: Piece, x: number): boolean =>
  (x > p.low || (x === p.low && p.closedFrom)) && (x < p.high || (x === p.high && p.closedTo));

const piecesNumber =
  (pieces: readonly Piece[], functions: readonly NumberFunction[]): NumberFunction =>
  (x) => {
    for (let i = 0; i < pieces.length; i++) if (holds(pieces[i]!, x)) return functions[i]!(x);
    return NaN;
  };

/** The parts of a box that lie in each piece, joined; more than one part may jump, a part not covered has no value. */
function piecesEnclosure(pieces: readonly Piece[], functions: readonly EnclosureFunction[]): EnclosureFunction {
  return (x) => {
    if (x.flags & EMPTY) return NOTHING;
    let result: Enclosure | null = null;
    let flags = x.flags;
    let covered = 0;
    for (let i = 0; i < pieces.length; i++) {
      const p = pieces[i]!;
      if (x.hi < p.low || x.lo > p.high || (x.hi === p.low && !p.closedFrom) || (x.lo === p.high && !p.closedTo))
        continue;
      const part = functions[i]!(new Enclosure(Math.max(x.lo, p.low), Math.min(x.hi, p.high), x.flags));
      result = result ? iv.hull(result, part) : part;
      covered++;
      if (x.lo < p.low || x.hi > p.high) flags |= PARTIAL | BROKEN;
    }
    if (!result || result.flags & EMPTY) return NOTHING;
    return new Enclosure(result.lo, result.hi, result.flags | flags | (covered > 1 ? BROKEN : 0));
  };
}

function piecesSlopes(pieces: readonly Piece[], functions: readonly SlopeFunction[]): SlopeFunction {
  const whole = piecesEnclosure(
    pieces,
    functions.map((f) => (x) => f({ value: x, slope: new Enclosure(1, 1) }).value),
  );
  return (x: Slopes) => {
    for (let i = 0; i < pieces.length; i++) {
      const p = pieces[i]!;
      if (x.value.lo > p.low && x.value.hi < p.high) return functions[i]!(x);
    }
    return { value: whole(x.value), slope: ENTIRE };
  };
}
