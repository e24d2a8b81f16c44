import type { CaseFile } from "../model";

/** One kind of change of a case: what undo calls it, and how it is made. The case passed in stays as it is. */
export interface Way<P> {
  says(p: P): string;
  apply(source: CaseFile, p: P): CaseFile;
  /** quick changes of one group are one step of undo */
  group?(p: P): string;
}
export const way = <P>(made: Way<P>): Way<P> => made;

/** The rows of a list, one of them changed; a list that is not there stays so. */
export const changedRow = <T>(list: readonly T[] | undefined, is: (row: T) => boolean, to: (row: T) => T): T[] =>
  (list ?? []).map((row) => (is(row) ? to(row) : row));

export const named =
  (name: string) =>
  (row: { readonly name: string }): boolean =>
    row.name === name;

/** A row with a field set, or without the field where there is nothing to set. */
export function withField<T extends object, K extends keyof T>(row: T, field: K, value: T[K] | undefined): T {
  if (value !== undefined) return { ...row, [field]: value };
  const { [field]: _gone, ...rest } = row;
  return rest as unknown as T;
}
/** What was typed in a field: nothing where it is blank. */
export const typedText = (text: string): string | undefined => text.trim() || undefined;
