import type { Rational } from "../numeric";
import { Enclosure } from "../interval";
import type { Unit } from "../units";
import type { NamedNumber, Names } from "../formula";
import type { FunctionTable, Spot } from "../solve";
import type { AmountRead } from "./amount";
import type { CaseFile, NumberText } from "./case";
import type { ModelFit } from "./fits";
import type { UnitProblem } from "./unitCheck";

/**
 * Something wrong with a case, at a path such as `functions[2].by.text`, and at a place in the text where there is one.
 */
export interface CaseProblem {
  readonly path: string;
  readonly message: string;
  readonly at?: number;
  readonly end?: number;
  readonly mend?: string;
}

export interface ModelVariable {
  readonly name: string;
  readonly unit: Unit | null;
  readonly label: string;
  readonly whole: boolean;
  /** null: unbounded */
  readonly from: Rational | null;
  readonly to: Rational | null;
  /** the ends as they are, also where they are no fractions */
  readonly start: Spot | null;
  readonly end: Spot | null;
  readonly since: string | number | null;
}

export interface ModelFunction {
  readonly name: string;
  readonly of: string;
  readonly label: string;
  /** declared, else derived from its parts */
  readonly unit: Unit | null;
  readonly unitsAgree: boolean | null;
  readonly unitProblems: readonly UnitProblem[];
  /** as formula text, for people and for files */
  readonly text: string;
  readonly latex: string;
  /** givens and functions it is made of */
  readonly uses: readonly string[];
  /** null: it can be used; else why not, in a plain sentence */
  readonly trouble: string | null;
}

export interface Model {
  readonly source: CaseFile;
  readonly givens: ReadonlyMap<string, NamedNumber & { readonly unit: Unit | null }>;
  readonly variables: ReadonlyMap<string, ModelVariable>;
  readonly functions: ReadonlyMap<string, ModelFunction>;
  readonly table: FunctionTable;
  /** functions fitted to data, by name */
  readonly fits: ReadonlyMap<string, ModelFit>;
  readonly names: Names;
  /** Reads a number or a formula text in givens. */
  amount(value: NumberText): AmountRead;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
}

/** Stands in the place of one given, to be turned into an unknown afterwards; recognised by identity. */
export const UNKNOWN_GIVEN = new Enclosure(-Infinity, Infinity);
