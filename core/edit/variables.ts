import type { CaseFile, NumberText, Variable } from "../model";
import { changedRow, named, typedText, way, withField } from "./way";

const withVariable = (source: CaseFile, name: string, to: (variable: Variable) => Variable): CaseFile => ({
  ...source,
  variables: changedRow(source.variables, named(name), to),
});

export const variableEdits = {
  /** Both ends; one that is not there leaves the range open. */
  setRange: way<{ name: string; from?: NumberText | undefined; to?: NumberText | undefined }>({
    says: (p) => `set the range of ${p.name}`,
    apply: (source, { name, from, to }) =>
      withVariable(source, name, (v) => withField(withField(v, "from", from), "to", to)),
  }),
  /** One end, the other stays. */
  moveEnd: way<{ name: string; end: "from" | "to"; value: NumberText }>({
    says: (p) => `set the range of ${p.name}`,
    apply: (source, { name, end, value }) => withVariable(source, name, (v) => ({ ...v, [end]: value })),
  }),
  setWhole: way<{ name: string; whole: boolean }>({
    says: (p) => `whole numbers of ${p.name}`,
    apply: (source, { name, whole }) => withVariable(source, name, (v) => withField(v, "whole", whole || undefined)),
  }),
  describeVariable: way<{ name: string; label: string }>({
    says: (p) => `describe ${p.name}`,
    apply: (source, { name, label }) => withVariable(source, name, (v) => withField(v, "label", typedText(label))),
  }),
};
