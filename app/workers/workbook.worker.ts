import writeWorkbook from "write-excel-file/universal";
import { answering } from "./answering";
import type { WorkbookRequest } from "./workbookProtocol";

/** Characters that the name of a sheet may not have (ECMA-376, part 1, 18.2.19), and how many it may. */
const FORBIDDEN = /[\\/?*[\]:]/g;
const LONGEST = 31;
const sheetName = (title: string): string => title.replaceAll(FORBIDDEN, " ").trim().slice(0, LONGEST) || "Data";

/** The header stands bold and stays in sight. */
function workbookOf({ title, rows: [head = [], ...rows] }: WorkbookRequest): Promise<Blob> {
  const bold = head.map((value) => ({ value: String(value ?? ""), fontWeight: "bold" as const }));
  return writeWorkbook([bold, ...rows.map((row) => [...row])], {
    sheet: sheetName(title),
    stickyRowsCount: 1,
  }).toBlob();
}

answering(workbookOf);
