import type { FunctionBy } from "../case";
import type { UnitNames } from "../unitCheck";
import type { Bench } from "./bench";
import type { UnitsFound } from "./units";

export type WayKind = FunctionBy["kind"];
export type ByOf<K extends WayKind> = Extract<FunctionBy, { kind: K }>;

/** A function as it is shown: as formula text, and typeset. */
export interface Made {
  readonly text: string;
  readonly latex: string;
}

/** A way to make a function, all that making it takes: a room of its own, named in `ways.ts`. */
export interface Way<K extends WayKind> {
  /** The formulas that are typed for it, each with its place below the function. */
  texts(by: ByOf<K>): { readonly text: string; readonly path: string }[];
  /** Functions it is made of beside those its formulas name. */
  uses(by: ByOf<K>): string[];
  /**
   * Defines the function in the table and says how it is written.
   * @throws Trouble where it cannot be made; what is wrong with the case has been said then
   */
  make(by: ByOf<K>, bench: Bench): Made;
  /** The unit that follows from what it is made of, and what disagrees there. */
  units(by: ByOf<K>, bench: Bench, names: UnitNames): UnitsFound;
}
