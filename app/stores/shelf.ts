import { defineStore } from "pinia";
import { caseApi, type ShelfCase, type ShelfSort, type ShelfWish } from "~/utils/caseApi";
import { shareParts } from "~/utils/share";

/** A case changed this long ago has what is shown of it by now, or will have none; in ms. */
const FRESH = 60_000;
const LOOK_AGAIN = 1000;
/** Cases that are fetched at a time: more than a large screen shows. */
const PAGE = 40;
/** Most that are looked at again at once. */
export const MOST_CASES = 1000;

/** One request after another; an answer to what was asked before is out of date, and is not taken. */
function newestOnly() {
  const loading = ref(true);
  const trouble = ref<string | null>(null);
  let asked = 0;
  async function ask(what: string, work: (isCurrent: () => boolean) => Promise<void>): Promise<void> {
    const now = ++asked;
    loading.value = true;
    try {
      await work(() => now === asked);
    } catch (failure) {
      if (now === asked) trouble.value = `${what} could not be read. ${(failure as Error).message}`;
    }
    if (now === asked) loading.value = false;
  }
  const drop = () => void asked++;
  return { loading, trouble, ask, drop };
}

/** Which cases are wanted, and in which order; the order stays when the shelf is left. */
function wishing() {
  const find = ref("");
  const sort = ref<ShelfSort>("touched");
  const tag = ref("");
  /** the cases that were deleted, instead of those on the shelf */
  const isTrash = ref(false);
  const wish = (): ShelfWish => ({ find: find.value.trim(), sort: sort.value, tag: tag.value, isTrash: isTrash.value });
  function forget(): void {
    find.value = "";
    tag.value = "";
    isTrash.value = false;
  }
  return { find, sort, tag, isTrash, wish, forget };
}

/** The cases on the shelf, page by page, as far as they were asked for. */
export const useShelfStore = defineStore("shelf", () => {
  const list = shallowRef<readonly ShelfCase[]>([]);
  const { wish, forget, ...wishes } = wishing();
  const { loading, trouble, ask, drop } = newestOnly();
  /** whether more cases follow those that are shown */
  const hasMore = ref(false);
  /** when the server told what is shown, where it does not answer now; in ms */
  const asOf = ref<number | null>(null);
  let again: ReturnType<typeof setTimeout> | undefined;

  /** Fetches what is shown again, or the first page. */
  function load(): Promise<void> {
    // Looking again waits: it would take the answer that is on its way for one that is out of date.
    clearTimeout(again);
    return ask("The cases", async (isCurrent) => {
      const count = Math.min(MOST_CASES, Math.max(PAGE, list.value.length));
      const { of: found, keptAt } = await caseApi.readList(count, null, wish());
      if (!isCurrent()) return;
      // Cards that did not change stay as they are.
      list.value = shareParts(list.value, found);
      hasMore.value = found.length === count;
      trouble.value = null;
      asOf.value = keptAt;
      lookAgain();
    });
  }
  async function more(): Promise<void> {
    const last = list.value.at(-1);
    if (!last || !hasMore.value || loading.value) return;
    clearTimeout(again);
    await ask("More cases", async (isCurrent) => {
      const found = await caseApi.list(PAGE, last, wish());
      if (!isCurrent()) return;
      list.value = [...list.value, ...found];
      hasMore.value = found.length === PAGE;
      lookAgain();
    });
  }
  /** What the shelf shows of a case comes a moment after the case itself. */
  function lookAgain(): void {
    const isFresh = (c: ShelfCase) => c.summary === null && Date.now() - c.updatedAt < FRESH;
    if (list.value.some(isFresh)) again = setTimeout(load, LOOK_AGAIN);
  }
  /** Other cases are wanted, or in another order. */
  function search(): Promise<void> {
    list.value = [];
    return load();
  }
  /** The shelf is out of sight: what is on its way is not waited for, and nothing is looked at again. */
  function leave(): void {
    drop();
    clearTimeout(again);
    forget();
  }
  return { list, ...wishes, trouble, loading, hasMore, asOf, load, more, search, leave };
});
