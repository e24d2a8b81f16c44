import type { CaseFile } from "../model";
import { beginEdits } from "./begin";
import { briefEdits } from "./brief";
import { dataEdits } from "./data";
import { functionEdits } from "./functions";
import { givenEdits } from "./givens";
import { offerEdits } from "./offers";
import { planEdits } from "./plan";
import { questionEdits } from "./questions";
import { removeEdits } from "./remove";
import { storyEdits } from "./story";
import { variableEdits } from "./variables";
import type { Way } from "./way";

export { isBlank } from "./begin";
export type { BriefField } from "./brief";
export { dependentsOf, type Removable, type Thing } from "./remove";
export { renamed, renamedText } from "./rename";

/** Every change of a case there is, by its name. */
const EDITS = {
  ...beginEdits,
  ...storyEdits,
  ...givenEdits,
  ...variableEdits,
  ...functionEdits,
  ...questionEdits,
  ...dataEdits,
  ...planEdits,
  ...offerEdits,
  ...removeEdits,
  ...briefEdits,
};
type Edits = typeof EDITS;
export type EditKind = keyof Edits;

/** One change of a case as plain data: its kind, and what it is made with. */
export type Edit = {
  [K in EditKind]: Edits[K] extends Way<infer P> ? { readonly kind: K } & Readonly<P> : never;
}[EditKind];

// What belongs to one kind is only ever handed to the way of that kind.
const wayOf = (edit: Edit): Way<Edit> => EDITS[edit.kind] as unknown as Way<Edit>;

/** The case with the change made; the one passed in stays as it is. */
export const edited = (source: CaseFile, edit: Edit): CaseFile => wayOf(edit).apply(source, edit);

/** What undo calls it. */
export const editWords = (edit: Edit): string => wayOf(edit).says(edit);

/** Quick changes of one group are one step of undo; null where each is one by itself. */
export const editGroup = (edit: Edit): string | null => wayOf(edit).group?.(edit) ?? null;

/** One of the many changes that a hand makes while it drags. */
export const isDrag = (edit: Edit): boolean => /^(?:vary|threshold):/.test(editGroup(edit) ?? "");
