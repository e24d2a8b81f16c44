import type { ModelsAsked, RankedCard, RoundingLine, SplitCard } from "#core/choice";
import type { Split } from "#core/fit";
import type { TableResult } from "#core/data";
import type { CaseFile } from "#core/model";

/** What the data worker is asked, and what it sends back; all plain data. */
export type DataRequest =
  | { readonly kind: "read"; readonly job: number; readonly text?: string; readonly file?: File }
  | ({ readonly kind: "rank"; readonly job: number } & ModelsAsked)
  | {
      readonly kind: "rounding";
      readonly job: number;
      readonly source: CaseFile;
      readonly name: string;
      readonly digits: number;
    };

export type DataReply =
  | { readonly kind: "progress"; readonly job: number; readonly done: number; readonly all: number }
  | { readonly kind: "read"; readonly job: number; readonly result: TableResult }
  | {
      readonly kind: "rank";
      readonly job: number;
      readonly cards: readonly RankedCard[];
      readonly split: Split | null;
      readonly splitCard: SplitCard | null;
      readonly ms: number;
    }
  | { readonly kind: "rounding"; readonly job: number; readonly lines: readonly RoundingLine[] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
