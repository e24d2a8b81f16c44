import { formatInput, formatUnitElsewhere, isPercent } from "#core/explain";
import { listedInputs, roundStep, steppedInputs, tableCells, valueTable, withOpened, type TableRow } from "#core/graph";
import { modelOf, type CaseFile } from "#core/model";
import { toDouble, type Rational } from "#core/numeric";
import type { RowsTableRow } from "~/components/common/RowsTable.vue";

/** About so many rows a table begins with. */
const ROWS_AT_FIRST = 16;
/** How far an input goes at first whose range has no end. */
const OPEN_END = 10;
/** Significant digits of a cell. */
const DIGITS = 8;

type Model = ReturnType<typeof modelOf>;
type Variable = NonNullable<ReturnType<Model["variables"]["get"]>>;

/** A line of the table as it is shown, with the row it tells. */
export interface ValueLine extends RowsTableRow {
  readonly line: TableRow;
  /** rows can still be put between it and the next */
  readonly opens: boolean;
}

interface Inputs {
  readonly inputs: readonly Rational[];
  readonly wrong: string | null;
}

/** The table of values of one variable: which inputs, which functions, and what its rows say. */
export function useValueTable(document: () => CaseFile, variable: () => string) {
  const model = computed(() => modelOf(document()));
  const of = computed(() => model.value.variables.get(variable()) ?? null);
  const functions = computed(() =>
    [...model.value.functions.values()].filter((f) => f.of === variable() && !f.trouble),
  );
  /** names of functions that have no column */
  const left = ref<ReadonlySet<string>>(new Set());
  const chosen = computed(() => functions.value.map((f) => f.name).filter((name) => !left.value.has(name)));
  function turn(name: string): void {
    left.value = new Set([...left.value].filter((n) => n !== name).concat(left.value.has(name) ? [] : [name]));
  }

  const { way, step, own, asked } = useTableInputs(model, of, variable);
  /** rows that were opened between others */
  const opened = shallowRef<readonly Rational[]>([]);
  watch([way, () => ({ ...step }), own], () => (opened.value = []));

  const isWhole = computed(() => of.value?.whole ?? false);
  const inputs = computed(() => withOpened(asked.value.inputs, opened.value, isWhole.value));
  const rows = computed(() => valueTable(model.value, chosen.value, inputs.value));
  const unitOf = (name: string) => model.value.functions.get(name)?.unit ?? null;
  const withUnit = (name: string, unit: string | undefined) => (unit ? `${name} (${unit})` : name);
  const header = computed(() => [
    withUnit(variable(), of.value?.unit?.text),
    ...chosen.value.map((name) => withUnit(name, unitOf(name)?.text)),
  ]);
  const lines = computed(() =>
    rows.value.map((line, i): ValueLine => {
      const names = { text: formatInput(line.input, of.value?.unit ?? null, DIGITS), by: line.input };
      const values = line.values.map((y, k) => ({
        text: y === null ? line.missing[k]! : formatUnitElsewhere(y, unitOf(chosen.value[k]!), DIGITS),
        by: y,
      }));
      return { key: String(i), line, opens: opensAt(i), cells: [names, ...values] };
    }),
  );
  function opensAt(i: number): boolean {
    const [a, b] = [inputs.value[i], inputs.value[i + 1]];
    return a !== undefined && b !== undefined && (!isWhole.value || b.sub(a).compare(1) > 0);
  }
  function open(row: ValueLine): void {
    opened.value = [...opened.value, inputs.value[Number(row.key)]!];
  }
  const percents = () => [of.value?.unit ?? null, ...chosen.value.map(unitOf)].map(isPercent);
  /** the whole table with all its digits, for another program */
  const cells = () => tableCells(header.value, rows.value, percents());
  return { functions, chosen, turn, way, step, own, opened, asked, rows, header, lines, open, cells };
}

/** Which inputs a table of values is asked for: in steps, or one by one. */
function useTableInputs(model: Readonly<Ref<Model>>, of: Readonly<Ref<Variable | null>>, variable: () => string) {
  const way = ref<"step" | "own">("step");
  const step = reactive({ from: "0", to: "10", by: "1" });
  const own = ref("");
  watch(variable, () => Object.assign(step, firstSteps(of.value)), { immediate: true });
  const asked = computed((): Inputs => (way.value === "own" ? ownInputs() : stepInputs()));

  function ownInputs(): Inputs {
    const { inputs, wrong } = listedInputs(own.value, model.value);
    return { inputs, wrong: wrong === null ? null : `“${wrong}” is no number; fractions such as 7/3 are.` };
  }
  function stepInputs(): Inputs {
    const read = [step.from, step.to, step.by].map((text) => model.value.amount(text.trim()));
    const exact: Rational[] = [];
    for (const r of read) {
      if (!r.ok) return { inputs: [], wrong: r.problem.message };
      exact.push(r.exact);
    }
    const [from, to, by] = exact as [Rational, Rational, Rational];
    if (by.compare(0) <= 0) return { inputs: [], wrong: "The step should be above 0." };
    if (from.compare(to) > 0) return { inputs: [], wrong: "The start lies after the end." };
    return { inputs: steppedInputs(from, to, by), wrong: null };
  }
  return { way, step, own, asked };
}

/** The steps a table begins with: over the range of its variable, written as it was typed (a rate in percent). */
function firstSteps(of: Variable | null) {
  const from = of?.from ? toDouble(of.from) : 0;
  const to = of?.to ? toDouble(of.to) : from + OPEN_END;
  const by = roundStep(to - from, ROWS_AT_FIRST);
  const written = (x: number) => (isPercent(of?.unit ?? null) ? `${Number((x * 100).toPrecision(12))}%` : String(x));
  return { from: written(from), to: written(to), by: written(of?.whole ? Math.max(1, by) : by) };
}
