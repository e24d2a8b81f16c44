import type { CaseFile } from "#core/model";
import { MOST_CASES } from "~/stores/shelf";
import { caseApi, reasonOf, type ShelfCase } from "~/utils/caseApi";

/** Does what was asked, or tells why not. @returns null where it did not work */
function useAttempt() {
  const toast = useToast();
  return async function attempt<T>(what: string, work: () => Promise<T>): Promise<T | null> {
    try {
      return await work();
    } catch (failure) {
      const detail = reasonOf(failure, "nothing was changed");
      toast.add({ severity: "error", summary: `${what} did not work.`, detail, life: 7000 });
      return null;
    }
  };
}

/** Cases are taken off the shelf, put back, and cleared away for good. */
export function useShelfTrash() {
  const shelf = useShelfStore();
  const attempt = useAttempt();
  const lastDeleted = ref<ShelfCase | null>(null);

  async function remove(c: ShelfCase): Promise<void> {
    if (!(await attempt("Deleting", () => caseApi.remove(c.id)))) return;
    lastDeleted.value = c;
    await shelf.load();
  }
  async function bringBack(c: ShelfCase): Promise<void> {
    if (!(await attempt("Bringing it back", () => caseApi.restore(c.id)))) return;
    if (lastDeleted.value?.id === c.id) lastDeleted.value = null;
    await shelf.load();
  }
  /** Clears deleted cases away for good, one after the other. */
  async function clear(list: readonly ShelfCase[]): Promise<void> {
    for (const c of list) if (!(await attempt("Deleting for good", () => caseApi.clear(c.id)))) break;
    await shelf.load();
  }
  return { lastDeleted, remove, bringBack, clear };
}

/** What is done to the cases on the shelf; whatever fails is told, and the shelf shows what came of it. */
export function useShelfActions() {
  const shelf = useShelfStore();
  const toast = useToast();
  const router = useRouter();
  const attempt = useAttempt();

  async function create(): Promise<void> {
    const made = await attempt("Making a case", async () => {
      const document: CaseFile = { format: "pasear-case", version: 1, title: await freeTitle("New case") };
      return caseApi.create(document);
    });
    if (made) await router.push(`/case/${made.id}`);
  }
  async function copy(c: ShelfCase): Promise<void> {
    const done = await attempt("Copying", async () => {
      const kept = await caseApi.get(c.id);
      return caseApi.create({ ...kept.case, title: await freeTitle(`${kept.case.title}, copy`) });
    });
    if (!done) return;
    await shelf.load();
    toast.add({ severity: "info", summary: `A copy of “${c.title}” is on the shelf.`, life: 3000 });
  }
  async function rename(c: ShelfCase, title: string): Promise<void> {
    await attempt("Renaming", async () => {
      const kept = await caseApi.get(c.id);
      return caseApi.write(c.id, kept.revision, { ...kept.case, title: title.trim() });
    });
    await shelf.load();
  }
  /** The same case once more, to be given other numbers; each names the other. */
  async function another(c: ShelfCase): Promise<void> {
    const made = await attempt("Making another version", async () => {
      const kept = await caseApi.get(c.id);
      const title = freeTitleBeside(
        kept.title,
        (kept.relatives ?? []).map((r) => r.title),
      );
      return caseApi.create({ ...kept.case, title }, c.id);
    });
    if (made) await router.push(`/case/${made.id}`);
  }
  async function setTags(c: ShelfCase, tags: readonly string[]): Promise<void> {
    await attempt("Tagging", () => caseApi.setTags(c.id, tags));
    await shelf.load();
  }
  return { create, copy, rename, another, setTags };
}

async function freeTitle(title: string): Promise<string> {
  const taken = new Set((await caseApi.list(MOST_CASES, null, { find: title })).map((c) => c.title));
  if (!taken.has(title)) return title;
  for (let i = 2; ; i++) if (!taken.has(`${title} ${i}`)) return `${title} ${i}`;
}
