import { formatQuantity } from "../explain";
import { same } from "./same";
import { buildModel, type CaseFile, type Given, type Model } from "../model";
import { analyse, questionText, sentenceOf } from "../question";
import { parseUnit } from "../units";

/** One thing that two states of a case have otherwise; null where one of them does not have it. */
export interface Difference {
  readonly name: string;
  /** what it is, in words, where that is known */
  readonly what: string;
  readonly before: string | null;
  readonly after: string | null;
}

/** Two states of a case, or two cases, side by side. */
export interface Compared {
  readonly givens: readonly Difference[];
  readonly functions: readonly Difference[];
  readonly findings: readonly Difference[];
  /** parts that differ and are not listed one by one: the story, the data, the plan */
  readonly others: readonly string[];
}

const OTHERS = [
  ["title", "the title"],
  ["story", "the story"],
  ["variables", "the variables"],
  ["data", "the data"],
  ["plan", "the plan"],
  ["brief", "the write-up"],
] as const;

export function comparedCases(before: CaseFile, after: CaseFile): Compared {
  return {
    givens: differences(before.givens ?? [], after.givens ?? [], ({ name, label }) => [name, label ?? ""], givenText),
    functions: functionDifferences(before, after),
    findings: findingDifferences(before, after),
    others: OTHERS.flatMap(([key, words]) => (same(before[key], after[key]) ? [] : [words])),
  };
}

/** What differs between two lists of rows that are known by their names, in the order of the later one. */
function differences<T>(
  before: readonly T[],
  after: readonly T[],
  nameOf: (row: T) => readonly [name: string, what: string],
  textOf: (row: T) => string,
): Difference[] {
  const named = (rows: readonly T[]) => new Map(rows.map((row) => [nameOf(row)[0], row]));
  const [old, now] = [named(before), named(after)];
  return [...new Set([...now.keys(), ...old.keys()])].flatMap((name) => {
    const [was, is] = [old.get(name), now.get(name)];
    const texts = { before: was === undefined ? null : textOf(was), after: is === undefined ? null : textOf(is) };
    return texts.before === texts.after ? [] : [{ name, what: nameOf((is ?? was)!)[1], ...texts }];
  });
}

const givenText = ({ value, unit }: Given): string => formatQuantity(value, unit ? parseUnit(unit).unit : null, 12);

function functionDifferences(before: CaseFile, after: CaseFile): Difference[] {
  const rowsOf = (model: Model) => [...model.functions.values()];
  return differences(
    rowsOf(buildModel(before)),
    rowsOf(buildModel(after)),
    (f) => [f.name, f.label ?? ""],
    (f) => (f.trouble ? "cannot be worked out" : `${f.text}${f.unit?.text ? `, in ${f.unit.text}` : ""}`),
  );
}

function findingDifferences(before: CaseFile, after: CaseFile): Difference[] {
  const rowsOf = (source: CaseFile) => {
    const { model, findings } = analyse(source);
    const questions = new Map((source.questions ?? []).map((q) => [q.id, q]));
    return findings.map((f) => ({
      id: f.id,
      asks: questions.has(f.id) ? questionText(questions.get(f.id)!, model) : "",
      says: sentenceOf(f, model),
    }));
  };
  return differences(
    rowsOf(before),
    rowsOf(after),
    (f) => [f.id, f.asks],
    (f) => f.says,
  );
}
