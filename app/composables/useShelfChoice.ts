import { TRASH_DAYS, caseApi, type ShelfCase } from "~/utils/caseApi";
import { fileName, saveFile } from "~/paper/saveFile";

/** Several cases of the shelf at once: saved as one file, tagged, deleted. */
export function useShelfChoice(list: Readonly<Ref<readonly ShelfCase[]>>) {
  const shelf = useShelfStore();
  const tell = useTelling();
  const ids = ref<string[]>([]);
  /** Only what is still shown is chosen. */
  const chosen = computed(() => list.value.filter((c) => ids.value.includes(c.id)));
  const isChoosing = ref(false);
  function none(): void {
    ids.value = [];
    isChoosing.value = false;
  }

  /** Does the same to each that is chosen; what fails is told, and the others are done. */
  async function each(what: string, work: (c: ShelfCase) => Promise<unknown>): Promise<number> {
    const failures: string[] = [];
    let done = 0;
    for (const c of chosen.value)
      try {
        await work(c);
        done++;
      } catch (failure) {
        failures.push(`${c.title}: ${(failure as Error).message}`);
      }
    if (failures.length > 0) tell(`${what} did not work for ${failures.length}.`, failures.slice(0, 5).join(" "), true);
    await shelf.load();
    return done;
  }
  async function remove(): Promise<void> {
    const done = await each("Deleting", (c) => caseApi.remove(c.id));
    none();
    tell(`${counted(done)} deleted.`, `They can be put back for ${TRASH_DAYS} days, from the deleted cases.`);
  }
  async function addTag(tag: string): Promise<void> {
    const done = await each("Tagging", (c) => caseApi.setTags(c.id, [...new Set([...c.tags, tag.trim()])]));
    tell(`${counted(done)} tagged “${tag.trim()}”.`, "");
  }
  /** All that are chosen as one zip of case files. */
  async function save(): Promise<void> {
    const { zipSync, strToU8 } = await import("fflate");
    const files: Record<string, Uint8Array> = Object.create(null);
    try {
      for (const c of chosen.value) {
        const { case: document } = await caseApi.get(c.id);
        const stem = fileName(document.title, "case");
        let name = `${stem}.pasear.json`;
        for (let i = 2; name in files; i++) name = `${stem}-${i}.pasear.json`;
        files[name] = strToU8(`${JSON.stringify(document, null, 2)}\n`);
      }
    } catch (failure) {
      return tell("The cases could not be saved.", (failure as Error).message, true);
    }
    saveFile("cases.pasear.zip", new Blob([zipSync(files) as Uint8Array<ArrayBuffer>], { type: "application/zip" }));
    tell(`${counted(Object.keys(files).length)} saved in one file.`, "");
  }
  return { ids, chosen, isChoosing, none, remove, addTag, save };
}
const counted = (n: number): string => (n === 1 ? "1 case is" : `${n} cases are`);
