import { isSince } from "../calendar";
import { toDouble, type Rational } from "../numeric";
import { quoted, type Names } from "../formula";
import { spotOfEnd } from "../solve";
import { readAmount } from "./amount";
import type { CaseFile, NumberText, Variable } from "./case";
import type { ModelVariable } from "./model";
import { said, type Problems } from "./problems";
import { readUnit } from "./readUnit";

/** The variables by name; a range that is the wrong way round is told, and used turned round. */
export function readVariables(source: CaseFile, names: Names, problems: Problems): Map<string, ModelVariable> {
  return new Map(
    (source.variables ?? []).map((v, i) => [v.name, readVariable(v, `variables[${i}]`, names, problems)] as const),
  );
}

function readVariable(v: Variable, path: string, names: Names, problems: Problems): ModelVariable {
  const [start, end] = [endOf(v.from, `${path}.from`, names, problems), endOf(v.to, `${path}.to`, names, problems)];
  const isTurned = start !== null && end !== null && start.exact.compare(end.exact) > 0;
  const shown = (end: Rational) => (v.unit?.startsWith("%") ? `${said(toDouble(end) * 100)} %` : said(toDouble(end)));
  if (isTurned)
    problems.error(
      `${path}.from`,
      `The range of ${quoted(v.name)} starts at ${shown(start.exact)}, after its end ` +
        `${shown(end.exact)}; exchange the two.`,
    );
  if (v.since !== undefined && !isSince(v.since))
    problems.error(
      `${path}.since`,
      `${quoted(String(v.since))} is no date; write a year such as 2031 or a date such as \`2031-01-06\`.`,
    );
  const [first, last] = isTurned ? [end, start] : [start, end];
  return {
    name: v.name,
    unit: readUnit(v.unit, `${path}.unit`, problems),
    label: v.label ?? "",
    whole: v.whole === true,
    since: v.since ?? null,
    from: first?.exact ?? null,
    to: last?.exact ?? null,
    start: first && spotOfEnd(first.exact, first.irrational),
    end: last && spotOfEnd(last.exact, last.irrational),
  };
}

function endOf(value: NumberText | undefined, path: string, names: Names, problems: Problems) {
  if (value === undefined) return null;
  const read = readAmount(value, names);
  if (read.ok) return read;
  problems.error(path, read.problem.message, read.problem);
  return null;
}
