import { cellsText, type FileCell } from "#core/data";
import { fileName, saveFile, saveText } from "~/paper/saveFile";

export type TableFileKind = "csv" | "xlsx";

/** Saves a table, the first row its header, as a file for another program, and says so. */
export function useTableFile() {
  const toast = useToast();
  const worker = new WorkbookWorker();
  onBeforeUnmount(() => worker.end());

  async function save(title: string, rows: readonly (readonly FileCell[])[], kind: TableFileKind): Promise<void> {
    const name = `${fileName(title, "data")}.${kind}`;
    try {
      if (kind === "csv") saveText(name, cellsText(rows, ","), "text/csv");
      else saveFile(name, await worker.make(title, rows));
      toast.add({ severity: "info", summary: `${name} is saved.`, life: 2500 });
    } catch (failure) {
      const detail = failure instanceof Error ? failure.message : "";
      toast.add({ severity: "warn", summary: "The file was not made.", detail, life: 6000 });
    }
  }
  return { save };
}
