import { useEventListener } from "@vueuse/core";
import { isWriting } from "~/utils/writing";

/** What takes pasted text itself. */
const OWN_PASTE = ".grid, .p-dialog";
/** Hears what is pasted or dropped where nothing else takes it. */
export function useArrivals(
  isHeld: () => boolean,
  takeText: (text: string) => Promise<void>,
  takeFile: (file: File) => Promise<void> | void,
): void {
  const isOwn = (event: Event) => {
    const target = event.target as Element;
    return event.defaultPrevented || isWriting(target) || target.closest(OWN_PASTE) !== null || isHeld();
  };
  useEventListener(window, "paste", (event: ClipboardEvent) => {
    if (isOwn(event)) return;
    const text = event.clipboardData?.getData("text/plain") ?? "";
    const file = event.clipboardData?.files[0];
    if (text === "" && !file) return;
    event.preventDefault();
    void (text === "" ? takeFile(file!) : takeText(text));
  });
  // What is dragged within the page, a row of a list or words that are selected, comes from nowhere else.
  let isOurs = false;
  useEventListener(window, "dragstart", () => {
    isOurs = true;
  });
  useEventListener(window, "dragend", () => {
    isOurs = false;
  });
  useEventListener(window, "dragover", (event: DragEvent) => {
    if (!isOurs) event.preventDefault();
  });
  useEventListener(window, "drop", (event: DragEvent) => {
    if (isOurs) return;
    const { defaultPrevented, dataTransfer } = event;
    // A file that is dropped beside its place must not take the page away.
    event.preventDefault();
    if (defaultPrevented || (event.target as Element).closest(OWN_PASTE)) return;
    const file = dataTransfer?.files[0];
    if (file) void takeFile(file);
    else if (!isWriting(event.target as Element)) void takeText(dataTransfer?.getData("text/plain") ?? "");
  });
}
