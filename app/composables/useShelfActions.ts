import type { CaseFile } from "#core/model";
import { MOST_CASES } from "~/stores/shelf";
import { RequestFailure, caseApi, type ShelfCase } from "~/utils/caseApi";

/** What is done to the cases on the shelf; whatever fails is told, and the shelf shows what came of it. */
export function useShelfActions() {
  const shelf = useShelfStore();
  const toast = useToast();
  const router = useRouter();
  const lastDeleted = ref<ShelfCase | null>(null);

  async function attempt<T>(what: string, work: () => Promise<T>): Promise<T | null> {
    try {
      return await work();
    } catch (failure) {
      const isRefused = failure instanceof RequestFailure && failure.status;
      const detail = isRefused ? failure.message : "The server does not answer; nothing was changed.";
      toast.add({ severity: "error", summary: `${what} did not work.`, detail, life: 7000 });
      return null;
    }
  }
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
  async function remove(c: ShelfCase): Promise<void> {
    if (!(await attempt("Deleting", () => caseApi.remove(c.id)))) return;
    lastDeleted.value = c;
    await shelf.load();
  }
  async function bringBack(): Promise<void> {
    const c = lastDeleted.value;
    if (!c || !(await attempt("Bringing it back", () => caseApi.restore(c.id)))) return;
    lastDeleted.value = null;
    await shelf.load();
  }
  return { lastDeleted, create, copy, rename, remove, bringBack };
}

async function freeTitle(title: string): Promise<string> {
  const taken = new Set((await caseApi.list(MOST_CASES, null, title)).map((c) => c.title));
  if (!taken.has(title)) return title;
  for (let i = 2; ; i++) if (!taken.has(`${title} ${i}`)) return `${title} ${i}`;
}
