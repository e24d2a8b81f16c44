import { latexOf, nearName, quoted, resolve, type Names, type Resolved } from "../formula";
import { CaseFunctions } from "../solve";
import { sameUnit, type Unit } from "../units";
import { readAmount } from "./amount";
import type { CaseFile, FunctionRow } from "./case";
import { checkNames } from "./checkNames";
import { checkData, checkMarks } from "./checkRest";
import type { ModelFit } from "./fits";
import { Bench, type Shop } from "./made/bench";
import type { UnitsFound } from "./made/units";
import type { Made } from "./made/way";
import { wayOf } from "./made/ways";
import type { Model, ModelFunction } from "./model";
import { findCircles, inOrder } from "./order";
import { Problems, Trouble } from "./problems";
import { readGivens } from "./readGivens";
import { readUnit } from "./readUnit";
import { readVariables } from "./readVariables";
import { difference, unitName, type UnitNames } from "./unitCheck";

/**
 * Puts a case together: numbers, units, names and formulas, with every problem found on the way. A function with a
 * problem stays in the model with its `trouble` said, so that all others can still be looked at.
 *
 * @param unknownGiven  a given to be treated as an unknown (for questions about a given)
 */
export function buildModel(source: CaseFile, unknownGiven: string | null = null): Model {
  const problems = new Problems();
  checkNames(source, problems);
  const givens = readGivens(source, unknownGiven, problems);
  const rows = rowsByName(source);
  const namesFor = (variable: string | null): Names => ({
    variable,
    givens,
    functions: new Map([...rows.values()].map(({ row }) => [row.name, { of: row.of }])),
    variables: new Set((source.variables ?? []).map((v) => v.name)),
  });
  const variables = readVariables(source, namesFor(null), problems);
  const functions = new Map<string, ModelFunction>();
  const fits = new Map<string, ModelFit>();
  const table = new CaseFunctions();
  const shop: Shop = {
    problems,
    variables,
    functions,
    functionNames: [...rows.keys()],
    data: source.data ?? [],
    table,
    costs: new Map(),
    fits,
    namesFor,
  };
  const benches = new Map(
    [...rows.values()].map(({ row, path }) => [row.name, new Bench(shop, row, path, formulasOf(row, path, shop))]),
  );
  makeAll(benches, functions, { ...shop, givens });
  checkMarks(source, problems);
  checkData(source, problems);
  const names = namesFor(null);
  return {
    source,
    givens,
    variables,
    functions: new Map([...rows.keys()].map((name) => [name, functions.get(name)!])),
    table,
    fits,
    names,
    amount: (value) => readAmount(value, names),
    errors: problems.errors,
    warnings: problems.warnings,
  };
}

/** The first row of each name, with its path. */
function rowsByName(source: CaseFile): Map<string, { row: FunctionRow; path: string }> {
  const rows = new Map<string, { row: FunctionRow; path: string }>();
  source.functions?.forEach((row, i) => {
    if (!rows.has(row.name)) rows.set(row.name, { row, path: `functions[${i}]` });
  });
  return rows;
}

/** The formulas of a function, read; what is wrong in them is said. */
function formulasOf(row: FunctionRow, path: string, { problems, variables, namesFor }: Shop): Resolved[] {
  if (!variables.has(row.of)) {
    const near = nearName(row.of, [...variables.keys()]);
    const instead = near ? `Did you mean ${quoted(near)}?` : "Write the variable first.";
    const message = `${quoted(row.name)} is of ${quoted(row.of)}, which is no variable of this case. ${instead}`;
    problems.error(`${path}.of`, message);
  }
  const names = namesFor(row.of);
  return wayOf(row.by)
    .texts(row.by)
    .map(({ text, path: place }) => {
      const read = resolve(text, names);
      for (const p of read.problems) problems.error(`${path}.${place}`, p.message, p);
      for (const w of read.warnings) problems.warn(`${path}.${place}`, w.message, w);
      return read;
    });
}

/** Makes the functions, each after all it is made of; those in a circle get that for their trouble. */
function makeAll(
  benches: ReadonlyMap<string, Bench>,
  functions: Map<string, ModelFunction>,
  shop: Shop & Pick<Model, "givens">,
): void {
  const uses = new Map([...benches].map(([name, bench]) => [name, usesOf(bench)]));
  const known = (name: string) => uses.get(name)!.filter((used) => benches.has(used));
  const circled = new Map<string, string>();
  for (const { names, message } of findCircles([...benches.keys()], known)) {
    const last = benches.get(names[names.length - 2]!)!;
    const place = last.resolved.map((r) => r.uses.get(names[0]!)).find((p) => p);
    const [text] = wayOf(last.row.by).texts(last.row.by);
    shop.problems.error(`${last.path}.${text?.path ?? "by"}`, message, place);
    for (const name of names) circled.set(name, message);
  }
  for (const name of inOrder([...benches.keys()], known, (n) => circled.has(n)))
    functions.set(name, madeOf(benches.get(name)!, uses.get(name)!, circled.get(name) ?? null, shop));
}

function usesOf({ row, resolved }: Bench): string[] {
  const own = wayOf(row.by).uses(row.by);
  return own.length > 0 ? own : [...new Set(resolved.flatMap((r) => [...r.uses.keys()]))];
}

function madeOf(
  bench: Bench,
  uses: readonly string[],
  circle: string | null,
  shop: Shop & Pick<Model, "givens">,
): ModelFunction {
  const { row } = bench;
  const declared = readUnit(row.unit, `${bench.path}.unit`, shop.problems);
  const { made, trouble } = attempt(bench, uses, circle);
  const units = made ? judgeUnits(bench, declared, shop) : { agree: null, derived: null, problems: [] };
  const syntax = bench.resolved[0]?.syntax;
  return {
    name: row.name,
    of: row.of,
    label: row.label ?? "",
    unit: declared ?? units.derived,
    unitsAgree: units.agree,
    unitProblems: units.problems,
    text: made?.text ?? wayOf(row.by).texts(row.by)[0]?.text ?? "",
    latex: made?.latex ?? (syntax ? latexOf(syntax) : ""),
    uses,
    trouble,
  };
}

/** The function made, or why it cannot be. */
function attempt(
  bench: Bench,
  uses: readonly string[],
  circle: string | null,
): { made: Made | null; trouble: string | null } {
  const { row, shop } = bench;
  if (circle) return { made: null, trouble: circle };
  const broken = uses.map((u) => shop.functions.get(u)).find((f) => f?.trouble);
  if (broken) return { made: null, trouble: `${row.name} needs ${broken.name}. ${broken.trouble}` };
  if (!shop.variables.has(row.of))
    return { made: null, trouble: `${row.name} is of ${row.of}, which is no variable of this case.` };
  try {
    return { made: wayOf(row.by).make(row.by, bench), trouble: null };
  } catch (failure) {
    if (!(failure instanceof Trouble)) throw failure;
    return { made: null, trouble: failure.message };
  }
}

/** Whether the unit that is declared is the one that follows from what the function is made of. */
function judgeUnits(
  bench: Bench,
  declared: Unit | null,
  { variables, functions, givens, problems }: Shop & Pick<Model, "givens">,
): Pick<UnitsFound, "derived" | "problems"> & { agree: boolean | null } {
  const { row } = bench;
  const variable = variables.get(row.of);
  const names: UnitNames = {
    variable: variable ? { name: variable.name, unit: variable.unit } : null,
    givenUnit: (name) => givens.get(name)?.unit ?? null,
    functionUnits: (name) => {
      const f = functions.get(name);
      return f ? { value: f.unit, input: variables.get(f.of)?.unit ?? null } : null;
    },
  };
  const found = wayOf(row.by).units(row.by, bench, names);
  const { derived } = found;
  if (found.problems.length > 0) return { derived, problems: found.problems, agree: false };
  if (!declared || !derived || sameUnit(declared, derived))
    return { derived, problems: [], agree: declared || found.isTold ? true : null };
  const message =
    `${row.name} is said to be in ${unitName(declared)}, but its formula gives ` +
    `${unitName(derived)}: ${difference(derived, declared)}.`;
  problems.warn(`${bench.path}.unit`, message);
  return { derived, problems: [{ start: 0, end: 0, message }], agree: false };
}
