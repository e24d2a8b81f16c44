import type { CaseFile } from "../model";
import type { Starter } from "../starters";
import { way } from "./way";

/** Whether nothing has been put into a case yet, beside its title. */
export const isBlank = ({ story, plan, ...d }: CaseFile): boolean =>
  !story?.text && !plan && [d.givens, d.functions, d.variables, d.data].every((rows) => (rows ?? []).length === 0);

/** A title that nobody gave. */
const UNTITLED = /^New case( \d+)?$/;
export const isUntitled = ({ title }: CaseFile): boolean => UNTITLED.test(title);

export const beginEdits = {
  /** An earlier state takes the place of the present one; undo brings that back. */
  bringBack: way<{ document: CaseFile; state: string }>({
    says: (p) => `bring back ${p.state}`,
    apply: (_, { document }) => document,
  }),
  /** A blank case takes all of a starter, and its title where it has none of its own; any other stays as it is. */
  begin: way<{ starter: Starter }>({
    says: (p) => `begin with “${p.starter.title}”`,
    apply: (source, { starter: { title, rest } }) =>
      isBlank(source) ? { ...source, ...rest, title: isUntitled(source) ? title : source.title } : source,
  }),
};
