import type { Unit } from "../units";
import type { CurveEnd } from "./ends";
import type { Run } from "./sample";
import type { Axis } from "./scale";

export interface Curve {
  readonly name: string;
  readonly pane: number;
  readonly colour: number;
  readonly runs: readonly Run[];
  readonly ends: readonly CurveEnd[];
}
/** A curve of another case or of earlier givens, for comparison. */
export interface Ghost {
  readonly name: string;
  readonly pane: number;
  readonly colour: number;
  readonly runs: readonly Run[];
}
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly pane: number;
  readonly kind: "answer" | "aside" | "reading" | "row";
  readonly question: string | null;
  readonly function: string;
  readonly label: string;
}
export interface Threshold {
  readonly y: number;
  readonly pane: number;
  readonly question: string;
  readonly label: string;
  /**
   * what moves when it is dragged: the value in the question, or the given that holds it; null where it is worked out
   */
  readonly moves: { readonly kind: "question" | "given"; readonly name: string } | null;
}
export interface Shade {
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly at: number;
}
export interface Pane {
  readonly unit: string;
  readonly functions: readonly string[];
  readonly y: Axis;
  readonly share: number;
  /** written over its axis instead of its unit; empty: nothing */
  readonly title?: string | undefined;
}

/** Everything a drawing needs, in the case's own numbers; how it is drawn is the caller's business. */
export interface Picture {
  readonly variable: string;
  readonly variables: readonly string[];
  readonly xLabel: string;
  /** unit of the inputs: a share or a rate is marked in percent along the axis */
  readonly xUnit: Unit | null;
  readonly x: Axis;
  readonly framed: boolean;
  readonly panes: readonly Pane[];
  readonly curves: readonly Curve[];
  readonly ghosts: readonly Ghost[];
  readonly points: readonly Point[];
  readonly thresholds: readonly Threshold[];
  readonly shades: readonly Shade[];
  /** "framed to show both break-evens, the peak and the room limit" */
  readonly caption: string;
  /** the picture in words */
  readonly described: string;
}

export interface View {
  readonly variable?: string;
  readonly from?: number;
  readonly to?: number;
  /** inputs of table rows that show on the curves */
  readonly rows?: readonly number[];
}
