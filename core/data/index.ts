export { readCell, readDate, type Cell, type DecimalSign } from "./cells";
export { countFrom, recounted, suggestCounting, type CountUnit, type Counting } from "./counting";
export { COUNT_UNITS, countingOf, countsFromDate, headShown, headTrouble, readHead, startTrouble } from "./columnHead";
export { cellsText, separated, type FileCell } from "./separated";
export { freeName, keepTable, type Kept } from "./keep";
export { readTable, type OddCell, type ReadColumn, type ReadTable, type TableResult } from "./readTable";
export {
  meetingNear,
  namesTaken,
  nameTrouble,
  offeredName,
  rowRange,
  stretchOf,
  stretchesOf,
  unusedColumn,
  withModel,
  withPieces,
  type Model,
  type Owner,
  type RowRange,
  type Source,
  type WithFunction,
} from "./onDesk";
export type { ColumnKind } from "./tableHead";
