import { ENTIRE, NOTHING, iv } from "../interval";
import {
  VARIABLE,
  call,
  compileEnclosure,
  compileNumber,
  compileSeries,
  compileSlopes,
  integrated,
  type EnclosureFunction,
  type Expression,
  type NumberFunction,
  type SeriesFunction,
  type SlopeFunction,
} from "../formula";
import type { Definition, Piece, RuleDefinition } from "./definition";
import { piecesEnclosure, piecesNumber, piecesSeries, piecesSlopes } from "./piecesCompiled";
import { slopeDefinition, slopeEnclosure, slopeNumber, slopeSeries, slopeSlopes } from "./slopeRules";
import type { Spot } from "./spotType";

export type { Definition, Derivative, Piece } from "./definition";
export { holds } from "./piecesCompiled";

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
    const slope = slopeDefinition(below, { name, order: order - 1 }, (n, k) => this.definition(n, k));
    this.definitions.set(key, slope);
    return slope;
  }

  /**
   * The slope of an expression at one input, as a formula that holds there; "open" unless it is told by what stands on
   * this table (`slopes.ts`).
   */
  slopeAt(_e: Expression, _spot: Spot): Expression | "none" | "open" {
    return "open";
  }
  /** The same as a double; NaN where there is no slope, or none is known. */
  slopeNumberAt(_e: Expression, _x: number): number {
    return NaN;
  }

  readonly number = (name: string, order = 0): NumberFunction =>
    this.memo(this.numbers, name, order, this.numberOf, () => NaN);
  private readonly numberOf = (d: Definition): NumberFunction => {
    switch (d.kind) {
      case "closures":
        return d.number;
      case "expression":
        return compileNumber(d.expression, this.number);
      case "pieces":
        return piecesNumber(
          d.pieces,
          d.pieces.map((p) => compileNumber(p.expression, this.number)),
        );
      case "slope":
        return slopeNumber(this.numberOf(d.rule), this.number(d.of.name, d.of.order), (x) =>
          this.slopeNumberAt(call(d.of.name, d.of.order, VARIABLE), x),
        );
    }
  };

  readonly enclosure = (name: string, order = 0): EnclosureFunction =>
    this.memo(this.enclosures, name, order, this.enclosureOf, () => NOTHING);
  private readonly enclosureOf = (d: Definition): EnclosureFunction => {
    switch (d.kind) {
      case "closures":
        return d.enclosure;
      case "expression":
        return compileEnclosure(d.expression, this.enclosure);
      case "pieces":
        return piecesEnclosure(d.pieces, this.enclosuresOf(d.pieces));
      case "slope":
        // Where a total has a value is known of its cells; to sum anew for every box would take too long.
        return this.definition(d.of.name, d.of.order)?.kind === "closures"
          ? this.ruleEnclosure(d.rule)
          : slopeEnclosure(this.ruleEnclosure(d.rule), this.enclosure(d.of.name, d.of.order));
    }
  };
  private readonly ruleEnclosure = (d: RuleDefinition): EnclosureFunction =>
    d.kind === "pieces"
      ? piecesEnclosure(d.pieces, this.enclosuresOf(d.pieces), "open")
      : compileEnclosure(d.expression, this.enclosure);
  private readonly enclosuresOf = (pieces: readonly Piece[]): EnclosureFunction[] =>
    pieces.map((p) => compileEnclosure(p.expression, this.enclosure));

  readonly slopes = (name: string, order = 0): SlopeFunction =>
    this.memo(this.slopeFunctions, name, order, this.slopesOf, () => ({ value: NOTHING, slope: ENTIRE }));
  private readonly slopesOf = (d: Definition): SlopeFunction => {
    switch (d.kind) {
      case "closures": {
        const slope = compileEnclosure(d.slope, this.enclosure);
        return (x) => {
          const s = slope(x.value);
          return { value: d.enclosure(x.value), slope: s.flags ? ENTIRE : iv.multiply(s, x.slope) };
        };
      }
      case "expression":
        return compileSlopes(d.expression, this.slopes);
      case "pieces":
        return piecesSlopes(
          d.pieces,
          d.pieces.map((p) => compileSlopes(p.expression, this.slopes)),
        );
      case "slope":
        return slopeSlopes(this.slopesOf(d.rule), this.enclosureOf(d));
    }
  };

  /** Taylor series of a function; null on a box where it is not smooth or has no value. */
  readonly series = (name: string, order = 0): SeriesFunction =>
    this.memo(this.seriesFunctions, name, order, this.seriesOf, () => null);
  private readonly seriesOf = (d: Definition): SeriesFunction => {
    switch (d.kind) {
      case "closures": {
        const slope = compileSeries(d.slope, this.series);
        return (x) => {
          const s = slope(x);
          return s && integrated(d.enclosure(x[0]!), x, s);
        };
      }
      case "expression":
        return compileSeries(d.expression, this.series);
      case "pieces":
        return piecesSeries(
          d.pieces,
          d.pieces.map((p) => compileSeries(p.expression, this.series)),
        );
      case "slope":
        return slopeSeries(this.seriesOf(d.rule), this.enclosure(d.of.name, d.of.order));
    }
  };

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
