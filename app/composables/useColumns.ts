import type { UnwrapNestedRefs } from "vue";
import { buildModel, readingOf, rowsOf, type CaseFile } from "#core/model";
import { countingOf, type Source } from "#core/data";
import { formatQuantity } from "#core/explain";
import { parseUnit, type Unit } from "#core/units";

/** Which table of a case is shown, and which of its columns is read off which. */
export function useColumns(source: Readonly<Ref<CaseFile>>) {
  const tables = computed(() => source.value.data ?? []);
  const tableName = ref("");
  const index = computed(() =>
    Math.max(
      0,
      tables.value.findIndex((t) => t.name === tableName.value),
    ),
  );
  const table = computed(() => tables.value[index.value] ?? null);
  const x = ref("");
  const y = ref("");
  watch(
    table,
    (t) => {
      if (!t) return;
      const has = (name: string) => t.columns.some((c) => c.name === name);
      if (!has(x.value)) x.value = t.columns[0]?.name ?? "";
      if (!has(y.value) || y.value === x.value) y.value = t.columns.find((c) => c.name !== x.value)?.name ?? "";
    },
    { immediate: true },
  );

  const unitOf = (name: string): Unit | null => {
    const text = table.value?.columns.find((c) => c.name === name)?.unit;
    return text ? parseUnit(text).unit : null;
  };
  const rows = computed(() =>
    table.value && x.value && y.value ? rowsOf({ x: x.value, y: y.value }, table.value) : null,
  );
  const from = computed((): Source | null => (table.value ? { table: table.value, x: x.value, y: y.value } : null));

  const variable = computed(() => source.value.variables?.find((v) => v.name === x.value) ?? null);
  const modelVariable = computed(() =>
    variable.value
      ? buildModel({ ...source.value, functions: [], questions: [] }).variables.get(variable.value.name)
      : undefined,
  );
  /** What an input means by the calendar; null where it counts nothing. */
  const reads = (input: number): string | null => (modelVariable.value ? readingOf(input, modelVariable.value) : null);
  const counting = computed(() => (variable.value && from.value ? countingOf(variable.value) : null));
  /** A value of the column that is read off, with its unit. */
  const yOut = (v: number): string => formatQuantity(v, unitOf(y.value), 4);

  return { tables, tableName, index, table, x, y, unitOf, rows, from, reads, counting, yOut };
}
export type Columns = UnwrapNestedRefs<ReturnType<typeof useColumns>>;
