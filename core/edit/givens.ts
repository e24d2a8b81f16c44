import type { CaseFile, Given } from "../model";
import { changedRow, named, typedText, way, withField } from "./way";

const withGiven = (source: CaseFile, name: string, to: (given: Given) => Given): CaseFile => ({
  ...source,
  givens: changedRow(source.givens, named(name), to),
});

export const givenEdits = {
  /** Another value, in its unit or another; a track that it leaves grows up to it. */
  setGiven: way<{ name: string; value: number; unit?: string | undefined }>({
    says: (p) => `change ${p.name}`,
    apply: (source, { name, value, unit }) =>
      withGiven(source, name, (g) => ({
        ...g,
        value,
        ...(unit ? { unit } : {}),
        ...(g.vary ? { vary: { from: Math.min(g.vary.from, value), to: Math.max(g.vary.to, value) } } : {}),
      })),
  }),
  /** A hand on its track. */
  slideGiven: way<{ name: string; value: number; in: "desk" | "plan" }>({
    says: (p) => `vary ${p.name}`,
    apply: (source, { name, value }) => withGiven(source, name, (g) => ({ ...g, value })),
    group: (p) => `${p.in === "desk" ? "vary" : "slide"}:${p.name}`,
  }),
  /** A track to vary it on; none takes it away. */
  setTrack: way<{ name: string; track: { from: number; to: number } | null }>({
    says: (p) => `${p.track ? "vary" : "stop varying"} ${p.name}`,
    apply: (source, { name, track }) => withGiven(source, name, (g) => withField(g, "vary", track ?? undefined)),
  }),
  describeGiven: way<{ name: string; label: string }>({
    says: (p) => `describe ${p.name}`,
    apply: (source, { name, label }) => withGiven(source, name, (g) => withField(g, "label", typedText(label))),
  }),
  /** A number of the story becomes a given, and its phrase a mark. */
  markGiven: way<{ name: string; value: number; unit: string | null; label: string; start: number; end: number }>({
    says: (p) => `make ${p.name} a given`,
    apply(source, { name, value, unit, label, start, end }) {
      const row: Given = { name, value, ...(unit ? { unit } : {}), ...(label ? { label } : {}) };
      const marks = [...(source.story?.marks ?? []), { start, end, role: "given" as const, of: name }];
      return {
        ...source,
        givens: [...(source.givens ?? []), row],
        ...(source.story ? { story: { ...source.story, marks: marks.sort((a, b) => a.start - b.start) } } : {}),
      };
    },
  }),
};
