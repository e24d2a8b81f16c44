import type { BriefRow, LiveNumber } from "../model";

/** What stands in a line of the brief: words, mathematics, or a number of the case that follows it. */
export type Run =
  | { readonly text: string; readonly bold?: boolean | undefined; readonly italic?: boolean | undefined }
  | { readonly latex: string; readonly typed: string }
  /** `text` is null where what it refers to is gone */
  | { readonly live: LiveNumber; readonly text: string | null };

/** A formula on a line of its own, with what it means. */
export interface FormulaLine {
  readonly latex: string;
  readonly text: string;
  readonly note: string;
}
export interface BriefTable {
  readonly kind: "table";
  readonly caption: string;
  readonly columns: readonly { readonly name: string; readonly isNumber: boolean }[];
  readonly rows: readonly (readonly string[])[];
  /** said under a table that is cut: "and 76 more rows" */
  readonly more: string;
}
export interface BriefPicture {
  readonly kind: "picture";
  /** `graph`, `region`, or `finding:q1` */
  readonly key: string;
  readonly caption: string;
  /** the picture in words, for those who do not see it */
  readonly described: string;
}
export type BriefBlock =
  | { readonly kind: "answer"; readonly lines: readonly string[] }
  | { readonly kind: "paragraph" | "heading" | "question" | "quiet"; readonly runs: readonly Run[] }
  | { readonly kind: "list"; readonly ordered: boolean; readonly items: readonly (readonly Run[])[] }
  | { readonly kind: "formulas"; readonly lines: readonly FormulaLine[] }
  | BriefTable
  | BriefPicture;

export interface BriefSection {
  /** the name of the part, or the id of own words */
  readonly id: string;
  /** null: the answer, which speaks for itself, and own words, which bring headings of their own */
  readonly title: string | null;
  /** own words */
  readonly isOwn: boolean;
  readonly blocks: readonly BriefBlock[];
}

/** The write-up as plain data: what the page shows and every export writes. */
export interface BriefPage {
  readonly heading: string;
  readonly about: string;
  /** author and date, as far as there are such */
  readonly byline: string;
  readonly sections: readonly BriefSection[];
}

/** @param row  what the person set for the part: a caption of their own stands before the one that writes itself */
export const picture = (
  key: string,
  { captions }: BriefRow,
  by: { readonly itself: string; readonly described: string },
): BriefPicture => ({ kind: "picture", key, caption: captions?.[key] ?? by.itself, described: by.described });

export const plain = (text: string): Run => ({ text });
export const bold = (text: string): Run => ({ text, bold: true });
export const italic = (text: string): Run => ({ text, italic: true });
export const paragraph = (...runs: Run[]): BriefBlock => ({ kind: "paragraph", runs });
/** What was asked, over what was found. */
export const asked = (text: string): BriefBlock => ({ kind: "question", runs: [italic(text)] });
export const quiet = (text: string): BriefBlock => ({ kind: "quiet", runs: [plain(text)] });

/** What a run says in plain words; a number whose source is gone says so. */
export const runText = (run: Run): string =>
  "latex" in run ? run.typed : "live" in run ? (run.text ?? GONE) : run.text;
export const runsText = (runs: readonly Run[]): string => runs.map(runText).join("");
/** Stands in place of a number whose given or finding is not there any more. */
export const GONE = "[no longer in the case]";
