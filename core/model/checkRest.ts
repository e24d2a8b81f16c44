import { quoted } from "../formula";
import type { CaseFile, DataTable } from "./case";
import type { Problems } from "./problems";
import { readUnit } from "./readUnit";

/** Marks of the story lie inside its text. */
export function checkMarks(source: CaseFile, problems: Problems): void {
  const length = source.story?.text.length ?? 0;
  source.story?.marks?.forEach((m, i) => {
    if (m.start < m.end && m.end <= length) return;
    const message = `This mark covers ${m.start} to ${m.end}, but the story has ${length} characters.`;
    problems.error(`story.marks[${i}]`, message);
  });
}

/** Tables and their columns have names of their own, and every row a number for every column. */
export function checkData(source: CaseFile, problems: Problems): void {
  const seen = new Set<string>();
  source.data?.forEach((table, i) => {
    if (seen.has(table.name))
      problems.error(`data[${i}].name`, `Two tables are named ${quoted(table.name)}; each needs a name of its own.`);
    seen.add(table.name);
    checkColumns(table, `data[${i}]`, problems);
    const long = table.rows.findIndex((r) => r.length !== table.columns.length);
    if (long >= 0)
      problems.error(
        `data[${i}].rows[${long}]`,
        `Row ${long + 1} of ${quoted(table.name)} has ${table.rows[long]!.length} numbers, but there ` +
          `are ${table.columns.length} columns; write null for a number that is missing.`,
      );
  });
}

function checkColumns(table: DataTable, path: string, problems: Problems): void {
  const names = new Set<string>();
  table.columns.forEach((c, j) => {
    if (names.has(c.name)) {
      const message = `Two columns of ${quoted(table.name)} are named ${quoted(c.name)}.`;
      problems.error(`${path}.columns[${j}].name`, message);
    }
    names.add(c.name);
    readUnit(c.unit, `${path}.columns[${j}].unit`, problems);
  });
}
