import type { Beyond, Context, FitMethod, Family, Split } from "#core/fit";
import type { TableResult } from "#core/data";
import type { CaseFile } from "#core/model";

/** What the data worker is asked, and what it sends back; all plain data. */
export type DataRequest =
  | { readonly kind: "read"; readonly job: number; readonly text?: string; readonly file?: File }
  | {
      readonly kind: "rank";
      readonly job: number;
      readonly x: readonly number[];
      readonly y: readonly number[];
      readonly variable: string;
      readonly context: Context;
      readonly own: string | null;
      readonly givens: readonly (readonly [string, number])[];
    }
  | {
      readonly kind: "rounding";
      readonly job: number;
      readonly source: CaseFile;
      readonly name: string;
      readonly digits: number;
    };

export interface RankedCard {
  readonly family: Family | "own";
  readonly method: FitMethod;
  readonly reason: string | null;
  readonly place: number | null;
  readonly tied: boolean;
  readonly latex: string;
  readonly text: string;
  readonly constants: readonly {
    readonly name: string;
    readonly value: number;
    readonly standardError: number | null;
  }[];
  readonly n: number;
  readonly rss: number;
  readonly r2: number | null;
  readonly residualSd: number | null;
  readonly aicc: number | null;
  readonly leaveOneOut: number | null;
  readonly beyond: readonly Beyond[];
  readonly fewRuns: boolean;
  /** x and y in turn, over the rows and half a width beyond */
  readonly curve: readonly number[];
  /** x and y − model in turn, thinned for drawing */
  readonly residuals: readonly number[];
  /** root of the mean square of the residuals after rounding the constants to 2 … 8 digits, against none */
  readonly rounded: readonly { readonly digits: number; readonly text: string; readonly off: number }[];
}
export interface RoundingLine {
  readonly id: string;
  readonly full: string;
  readonly rounded: string;
}
export type DataReply =
  | { readonly kind: "progress"; readonly job: number; readonly done: number; readonly all: number }
  | { readonly kind: "read"; readonly job: number; readonly result: TableResult }
  | {
      readonly kind: "rank";
      readonly job: number;
      readonly cards: readonly RankedCard[];
      readonly split: Split | null;
      readonly ms: number;
    }
  | { readonly kind: "rounding"; readonly job: number; readonly lines: readonly RoundingLine[] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
