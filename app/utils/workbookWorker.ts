import type { FileCell } from "#core/data";
import type { WorkbookRequest } from "~/workers/workbookProtocol";
import { AskedWorker } from "./askedWorker";

/** Makes workbooks (.xlsx) beside the page. */
export class WorkbookWorker extends AskedWorker<WorkbookRequest, Blob> {
  make(title: string, rows: readonly (readonly FileCell[])[]): Promise<Blob> {
    return this.request({ title, rows: toRaw(rows).map((row) => [...row]) });
  }
  protected override open(): Worker {
    return new Worker(new URL("../workers/workbook.worker.ts", import.meta.url), { type: "module" });
  }
}
