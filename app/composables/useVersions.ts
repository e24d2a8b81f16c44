import type { Compared } from "#core/merge";
import type { CaseFile } from "#core/model";
import { caseApi, reasonOf, type KeptCase, type KeptVersion } from "~/utils/caseApi";
import { CompareWorker } from "~/utils/influenceWorker";

/** The state of a case as it stands on the page. */
export const NOW = 0;

/** The kept states of the open case, its other versions, and two of them side by side. */
export function useVersions(id: () => string, present: () => CaseFile) {
  const list = shallowRef<readonly KeptVersion[] | null>(null);
  const relatives = shallowRef<NonNullable<KeptCase["relatives"]>>([]);
  const trouble = ref<string | null>(null);
  /** revisions of the two that are compared; the later may be `NOW` */
  const earlier = ref<number | null>(null);
  const later = ref(NOW);
  const compared = shallowRef<Compared | null>(null);
  const isBusy = ref(false);
  const documents = new Map<number, CaseFile>();
  const worker = new CompareWorker();

  async function attempt<T>(what: string, work: () => Promise<T>): Promise<T | null> {
    trouble.value = null;
    try {
      return await work();
    } catch (failure) {
      trouble.value = `${what} did not work. ${reasonOf(failure, "nothing was changed")}`;
      return null;
    }
  }
  async function load(): Promise<void> {
    const found = await attempt("Reading the states", () => Promise.all([caseApi.versions(id()), caseApi.get(id())]));
    if (!found) return;
    [list.value, relatives.value] = [found[0], found[1].relatives ?? []];
    const isThere = (revision: number) => found[0].some((v) => v.revision === revision);
    if (earlier.value === null || !isThere(earlier.value)) earlier.value = found[0][1]?.revision ?? null;
    if (!isThere(later.value)) later.value = NOW;
  }
  async function documentOf(revision: number): Promise<CaseFile> {
    if (revision === NOW) return present();
    const known = documents.get(revision);
    if (known) return known;
    const { case: document } = await caseApi.version(id(), revision);
    documents.set(revision, document);
    return document;
  }
  let turn = 0;
  async function compare(): Promise<void> {
    const [first, second, mine] = [earlier.value, later.value, ++turn];
    compared.value = null;
    if (first === null || first === second) return;
    isBusy.value = true;
    const found = await attempt("Comparing", async () => worker.ask(await documentOf(first), await documentOf(second)));
    if (mine !== turn) return;
    compared.value = found;
    isBusy.value = false;
  }
  watch([earlier, later], compare);
  async function rename(revision: number, name: string | null): Promise<void> {
    if (await attempt("Naming", () => caseApi.nameVersion(id(), revision, name))) await load();
  }
  onScopeDispose(() => worker.end());
  return { list, relatives, trouble, earlier, later, compared, isBusy, load, compare, documentOf, rename, attempt };
}
