import { comesOf } from "../desk";
import { named, way } from "./way";
import type { CaseFile } from "../model";

/** What can be taken off the desk; its key among the links is `given:F`, `question:q1`. */
export type Removable = "given" | "variable" | "function" | "question";
export interface Thing {
  readonly kind: Removable;
  readonly name: string;
}
type Links = readonly (readonly [string, string])[];

const keyOf = ({ kind, name }: Thing): string => `${kind}:${name}`;
const thingOf = (key: string): Thing => {
  const at = key.indexOf(":");
  return { kind: key.slice(0, at) as Removable, name: key.slice(at + 1) };
};

/** What is made with a thing, directly or by way of others. */
export const dependentsOf = (thing: Thing, links: Links): Thing[] =>
  [...comesOf(keyOf(thing), links)].slice(1).map(thingOf);

const without = (source: CaseFile, { kind, name }: Thing): CaseFile => {
  switch (kind) {
    case "given":
      return { ...source, givens: (source.givens ?? []).filter((g) => !named(name)(g)) };
    case "variable":
      return { ...source, variables: (source.variables ?? []).filter((v) => !named(name)(v)) };
    case "function":
      return { ...source, functions: (source.functions ?? []).filter((f) => !named(name)(f)) };
    case "question":
      return { ...source, questions: (source.questions ?? []).filter((q) => q.id !== name) };
  }
};

export const removeEdits = {
  /** Takes a thing off the desk, and with it what is named beside it. */
  remove: way<{ thing: Thing; with?: readonly Thing[] | undefined }>({
    says: ({ thing, with: others = [] }) => {
      const what = thing.kind === "question" ? "a question" : thing.name;
      return others.length > 0 ? `delete ${what} and what needs it` : `delete ${what}`;
    },
    apply: (source, { thing, with: others = [] }) => [thing, ...others].reduce(without, source),
  }),
  removeTable: way<{ name: string }>({
    says: (p) => `delete the data ${p.name}`,
    apply: (source, { name }) => ({ ...source, data: (source.data ?? []).filter((t) => !named(name)(t)) }),
  }),
};
