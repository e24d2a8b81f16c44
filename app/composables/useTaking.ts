import { useEventListener } from "@vueuse/core";
import { readCase } from "#shared/schemas/case";
import { caseApi } from "~/utils/caseApi";
import { isWriting } from "~/utils/writing";
import type { Offer } from "./useTakeOff";

/** Where what comes from elsewhere is put. */
export interface TakingPlaces {
  /** whether what is pasted belongs to a dialog just now */
  readonly isHeld: () => boolean;
  readonly table: (from: string | File) => void;
  readonly story: (text: string) => void;
  readonly plan: () => void;
  readonly line: (text: string) => void;
}

type Tell = (summary: string, detail: string, isTrouble?: boolean) => void;

/** What takes pasted text itself. */
const OWN_PASTE = ".grid, .p-dialog";
/** A larger file is no case. */
const MOST_BYTES = 8_000_000;

/** What is pasted or dropped anywhere in a case goes where it belongs, and is said; one undo takes it back. */
export function useTaking(places: TakingPlaces, undo: () => void) {
  const store = useCaseStore();
  const toast = useToast();
  const tell: Tell = (summary, detail, isTrouble = false) =>
    toast.add({ severity: isTrouble ? "warn" : "info", summary, detail, life: isTrouble ? 9000 : 6000 });

  const taken = (summary: string) => {
    const offer: Offer = { says: "Undo", act: undo };
    toast.add({ severity: "info", summary, life: 8000, ...{ offer } });
  };

  async function takeText(text: string): Promise<void> {
    const { foreignText } = await import("~/utils/foreignText");
    const source = store.document;
    if (!source || text.trim() === "") return;
    const found = foreignText(text, source);
    if (found.kind === "case") return takeCase(text, tell);
    if (found.kind === "table") return places.table(text);
    if (found.kind === "line") return places.line(text.trim());
    if (found.kind === "lines") {
      const count = found.entries.length;
      const saying = count === 1 ? "paste a line" : `paste ${count} lines`;
      store.apply({ kind: "enter", entries: found.entries, saying });
      taken(count === 1 ? "One line was taken." : `${count} lines were taken.`);
    } else if (found.kind === "constraints") {
      store.apply({ kind: "addPlanLines", lines: found.lines });
      places.plan();
      taken(`${found.lines.length} lines went to the plan.`);
    } else {
      places.story(text);
      taken("The text went to the story.");
    }
  }
  async function takeFile(file: File): Promise<void> {
    if (!file.name.toLowerCase().endsWith(".json") || file.size > MOST_BYTES) return places.table(file);
    const text = await file.text();
    return text.includes('"pasear-case"') ? takeCase(text, tell) : places.table(file);
  }

  useArrivals(places.isHeld, takeText, takeFile);
  return { takeText };
}

/** A case is opened beside this one, which stays as it is. */
async function takeCase(text: string, tell: Tell): Promise<void> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (failure) {
    return tell("This case cannot be read.", `${(failure as Error).message}.`, true);
  }
  const read = readCase(document);
  if (!read.ok) return tell("This case cannot be read.", read.errors[0]!.message, true);
  try {
    const made = await caseApi.create(read.case);
    await navigateTo(`/case/${made.id}`);
    tell(`“${read.case.title}” was put on the shelf and opened.`, "The case you came from is kept as it was.");
  } catch (failure) {
    tell("The case could not be put on the shelf.", (failure as Error).message, true);
  }
}

/** Hears what is pasted or dropped where nothing else takes it. */
function useArrivals(
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
