import type { FileCell } from "#core/data";

/** A table to be written as a workbook, its first row the header. */
export interface WorkbookRequest {
  readonly job: number;
  readonly title: string;
  readonly rows: readonly (readonly FileCell[])[];
}
