import { useFileDialog } from "@vueuse/core";

/** Cases come onto the shelf from files: dropped, pasted, or chosen. @returns what opens the choice */
export function useShelfTaking(): () => void {
  const tell = useTelling();
  const shelf = useShelfStore();
  // What reads a case comes when there is one to read: the shelf is light without it.
  async function takeText(text: string): Promise<void> {
    const { isCaseText, takeCase } = await import("~/utils/takeCase");
    if (isCaseText(text)) return takeCase(text, tell, "");
    tell("Only a case can be put on the shelf.", "A story, a table or lines are pasted into an open case.", true);
  }
  async function takeFile(file: File): Promise<void> {
    const { caseTextOf, takeCase, takeZip } = await import("~/utils/takeCase");
    if (file.name.toLowerCase().endsWith(".zip")) {
      await takeZip(file, tell);
      return shelf.load();
    }
    const text = await caseTextOf(file);
    if (text !== null) return takeCase(text, tell, "", file.name);
    tell(
      `“${file.name}” is no case.`,
      "A case is a file that ends in .pasear.json, several are a .zip; a table is dropped into an open case.",
      true,
    );
  }
  useArrivals(() => false, takeText, takeFile);
  const { open, onChange } = useFileDialog({ accept: ".json,.zip", multiple: false, reset: true });
  onChange((files) => {
    if (files?.[0]) void takeFile(files[0]);
  });
  return () => open();
}
