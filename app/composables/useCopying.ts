import { separated } from "#core/data";

/** Copies text, or rows as CSV, to the clipboard, and says that it is there or that the browser does not allow it. */
export function useCopying() {
  const toast = useToast();
  async function copy(text: string, summary: string): Promise<void> {
    try {
      await navigator.clipboard.writeText(text);
      toast.add({ severity: "info", summary, life: 2500 });
    } catch {
      toast.add({ severity: "warn", summary: "The browser does not allow copying here.", life: 4000 });
    }
  }
  const copyRows = (rows: readonly (readonly string[])[], what: string): Promise<void> =>
    copy(separated(rows, ","), `${what} copied as CSV.`);
  return { copy, copyRows };
}
