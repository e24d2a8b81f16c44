/** A title as the name of a file that any system takes. @param otherwise  where nothing of the title is left */
export const fileName = (title: string, otherwise: string): string =>
  title
    .trim()
    .replace(/[^\p{L}\p{Nd}]+/gu, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || otherwise;

/** Text as a file; a table keeps its letters where a program would guess another alphabet. */
export const saveText = (name: string, text: string, type: "text/csv" | "text/html"): void =>
  saveFile(name, new Blob([type === "text/csv" ? "\ufeff" : "", text], { type: `${type};charset=utf-8` }));

export function saveFile(name: string, content: Blob): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
