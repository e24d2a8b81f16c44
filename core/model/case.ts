/** The case file, as docs/case-file.md tells it; `shared/schemas/case.ts` checks documents against these types. */

/** A number, or a formula text in givens. */
export type NumberText = number | string;
/** A number, a formula text in givens, or an earlier answer. */
export type Amount = NumberText | { readonly of: string; readonly pick?: "first" | "last" | "whole" | undefined };

export type MarkRole = "given" | "relation" | "limit" | "question";
/** A phrase of the story, in UTF-16 code units, and the name or id it became. */
export interface Mark {
  start: number;
  end: number;
  role: MarkRole;
  of?: string | undefined;
}
export interface Story {
  text: string;
  marks?: Mark[] | undefined;
  /** what the story offers and somebody refused, by the offers' keys */
  left?: string[] | undefined;
}

export interface Given {
  name: string;
  value: number;
  unit?: string | undefined;
  label?: string | undefined;
  vary?: { from: number; to: number } | undefined;
}
export interface Variable {
  name: string;
  unit?: string | undefined;
  label?: string | undefined;
  from?: NumberText | undefined;
  to?: NumberText | undefined;
  whole?: boolean | undefined;
  /** an ISO date or a year: the variable counts from there in its unit */
  since?: string | number | undefined;
}
export interface DataTable {
  name: string;
  label?: string | undefined;
  columns: { name: string; unit?: string | undefined; label?: string | undefined }[];
  rows: (number | null)[][];
  /** rows that no fit uses, by their place, and why; they stay visible */
  left?: { row: number; reason?: string | undefined }[] | undefined;
}

export type Ends = "[]" | "[)" | "(]" | "()";
export interface PieceRow {
  text: string;
  from?: NumberText | undefined;
  to?: NumberText | undefined;
  ends?: Ends | undefined;
}
export type FitModel =
  "linear" | "proportional" | "quadratic" | "cubic" | "power" | "exponential" | "logarithmic" | "logistic" | "own";

export type FunctionBy =
  | { kind: "formula"; text: string }
  | { kind: "line"; through: [NumberText, NumberText][] }
  | { kind: "pieces"; pieces: PieceRow[] }
  | { kind: "total"; function: string; from?: NumberText | undefined }
  | { kind: "slope"; function: string }
  | {
      kind: "fit";
      data: string;
      x: string;
      y: string;
      model: FitModel;
      method?: "direct" | "logs" | undefined;
      rows?: { from?: number | undefined; to?: number | undefined } | undefined;
      text?: string | undefined;
      start?: Record<string, number> | undefined;
    };

export interface FunctionRow {
  name: string;
  of: string;
  unit?: string | undefined;
  label?: string | undefined;
  by: FunctionBy;
  /** drawn on the graph; true when missing */
  shown?: boolean | undefined;
  /** colour and dash of its curve, one of seven; its place in the list decides where none is chosen */
  look?: number | undefined;
}

export type Rounding = "up" | "down" | "nearest" | "none";
interface AnyQuestion {
  id: string;
  label?: string | undefined;
  from?: Amount | undefined;
  to?: Amount | undefined;
  round?: Rounding | undefined;
  /** lines of a student's own working, as they were typed */
  working?: string[] | undefined;
}
export type Question = AnyQuestion &
  (
    | { ask: "meet"; functions: string[] }
    | { ask: "reach"; function: string; value: Amount }
    | { ask: "reach-any"; function: string; values: Amount[] }
    | { ask: "where"; function: string; relation: "<" | "<=" | ">" | ">="; value: Amount }
    | { ask: "greatest" | "least"; function: string }
    | { ask: "value"; function: string; at: Amount }
    | {
        ask: "rate";
        function: string;
        between?: [Amount, Amount] | undefined;
        at?: Amount | undefined;
        as?: "percent" | undefined;
      }
    | { ask: "total" | "average"; function: string; between: [Amount, Amount] }
    | { ask: "multiply"; function: string; factor: Amount; start?: Amount | undefined }
    | { ask: "compare"; functions: string[] }
    | { ask: "given"; given: string; range: [Amount, Amount]; function: string; at: Amount; value: Amount }
  );

export interface Plan {
  variables: { name: string; unit?: string | undefined; label?: string | undefined; whole?: boolean | undefined }[];
  /** `off`: kept, but without force */
  constraints: { id: string; text: string; label?: string | undefined; off?: boolean | undefined }[];
  objective?: { text: string; sense: "greatest" | "least"; unit?: string | undefined } | undefined;
}

/** What the brief tells by itself. */
export type BriefPart =
  "answer" | "known" | "model" | "graph" | "data" | "findings" | "checks" | "changes" | "working" | "plan";
/** A number of the case that stands in own words and follows it: a given, or what a finding came to. */
export type LiveNumber = { given: string } | { finding: string; show: "at" | "value" | "whole" | "says" };
export type WordsRun =
  { text: string; bold?: boolean | undefined; italic?: boolean | undefined } | { math: string } | LiveNumber;
/** Own words in a brief, block by block. */
export type WordsBlock =
  | { kind: "paragraph" | "heading"; runs: WordsRun[] }
  | { kind: "list"; ordered?: boolean | undefined; items: WordsRun[][] };
/** One part of a brief; its id is the name of the part that writes itself, or that of own words, which have blocks. */
export interface BriefRow {
  id: string;
  off?: boolean | undefined;
  /** what stands under a picture, by its key (`graph`, `region`, `finding:q1`), where it does not write itself */
  captions?: Record<string, string> | undefined;
  /** each finding with a graph of its own */
  graphs?: boolean | undefined;
  blocks?: WordsBlock[] | undefined;
}
/** The write-up of a case: what is said over it, and its parts in order; parts that are not named follow. */
export interface Brief {
  heading?: string | undefined;
  about?: string | undefined;
  author?: string | undefined;
  date?: string | undefined;
  sheet?: "a4" | "letter" | undefined;
  rows?: BriefRow[] | undefined;
}

export interface CaseFile {
  format: "pasear-case";
  version: 1;
  title: string;
  story?: Story | undefined;
  givens?: Given[] | undefined;
  variables?: Variable[] | undefined;
  data?: DataTable[] | undefined;
  functions?: FunctionRow[] | undefined;
  questions?: Question[] | undefined;
  plan?: Plan | undefined;
  brief?: Brief | undefined;
  /** what a reader of plain text left out, and why; not used in solving */
  notes?: unknown;
}

export const functionsOf = (q: Question): string[] => ("functions" in q ? q.functions : [q.function]);
