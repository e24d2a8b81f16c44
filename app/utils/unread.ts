import type { CaseFile } from "#core/model";

/** A case that has a story and nothing made of it yet: it is read when it is opened. */
export const isUnread = ({ story, functions, plan, data }: CaseFile): boolean =>
  Boolean(story?.text) && (functions ?? []).length === 0 && (data ?? []).length === 0 && !plan;
