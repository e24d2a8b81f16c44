import type { CaseFile, Mark } from "../model";
import { shiftMarks, withMarks } from "../story";
import { withEntry, type Entry } from "../entry";
import { way } from "./way";

/** The case with a line that was typed put in; several lines at once are one step. */
const entered = (source: CaseFile, entries: readonly Entry[]): CaseFile => entries.reduce(withEntry, source);

export const storyEdits = {
  renameCase: way<{ title: string }>({
    says: () => "rename the case",
    apply: (source, { title }) => ({ ...source, title: title.trim() }),
  }),
  /** Marks stay on their words. */
  editStory: way<{ text: string }>({
    says: () => "edit the story",
    apply: (source, { text }) => ({
      ...source,
      story: withMarks(
        { ...source.story, text },
        shiftMarks(source.story?.marks ?? [], source.story?.text ?? "", text),
      ),
    }),
    group: () => "story",
  }),
  /** A phrase becomes a mark, or one that is marked another; with it comes what it is made into, where that is new. */
  mark: way<{ mark: Mark; existing: number | null; entry?: Entry | undefined }>({
    says: (p) => (p.existing === null ? "mark a phrase" : "change a mark"),
    apply(source, { mark, existing, entry }) {
      const after = entry ? entered(source, [entry]) : source;
      const marks = (after.story?.marks ?? []).filter(
        (m, i) => i !== existing && (m.end <= mark.start || m.start >= mark.end),
      );
      return { ...after, story: withMarks(after.story ?? { text: "" }, [...marks, mark]) };
    },
  }),
  unmark: way<{ index: number }>({
    says: () => "remove a mark",
    apply: (source, { index }) =>
      source.story
        ? {
            ...source,
            story: withMarks(
              source.story,
              (source.story.marks ?? []).filter((_, i) => i !== index),
            ),
          }
        : source,
  }),
  /** Lines of the entry line. `saying` is what the line said it would do. */
  enter: way<{ entries: readonly Entry[]; saying: string }>({
    says: (p) => p.saying,
    apply: (source, { entries }) => entered(source, entries),
  }),
};
