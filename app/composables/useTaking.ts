/** Where what comes from elsewhere is put. */
export interface TakingPlaces {
  /** whether what is pasted belongs to a dialog just now */
  readonly isHeld: () => boolean;
  readonly table: (from: string | File) => void;
  readonly story: (text: string) => void;
  readonly plan: () => void;
  readonly line: (text: string) => void;
}

const KEPT = "The case you came from is kept as it was.";

/** What is pasted or dropped anywhere in a case goes where it belongs, and is said; one undo takes it back. */
export function useTaking(places: TakingPlaces, undo: () => void) {
  const store = useCaseStore();
  const offered = useStandingOffer();
  const tell = useTelling();

  const taken = (summary: string) => offered({ severity: "info", summary }, { says: "Undo", act: undo });

  const cases = () => import("~/utils/takeCase");
  async function takeText(text: string): Promise<void> {
    const { foreignText } = await import("~/utils/foreignText");
    const source = store.document;
    if (!source || text.trim() === "") return;
    const found = foreignText(text, source);
    if (found.kind === "case") return (await cases()).takeCase(text, tell, KEPT);
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
    const { caseTextOf, takeCase } = await cases();
    const text = await caseTextOf(file);
    return text === null ? places.table(file) : takeCase(text, tell, KEPT, file.name);
  }

  useArrivals(places.isHeld, takeText, takeFile);
  return { takeText };
}
