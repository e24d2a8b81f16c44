<script setup lang="ts">
import { useIntersectionObserver, watchDebounced } from "@vueuse/core";
import type { CaseFile } from "#core/model";
import { RequestFailure, caseApi, type ShelfCase } from "~/utils/caseApi";

/** A case changed this long ago has what is shown of it by now, or will have none; in ms. */
const FRESH = 60_000;
const LOOK_AGAIN = 1000;
/** Cases that are fetched at a time: more than a large screen shows. */
const PAGE = 40;
/** Most that are looked at again at once. */
const MOST = 1000;

const toast = useToast();
const router = useRouter();
const list = shallowRef<readonly ShelfCase[]>([]);
const trouble = ref<string | null>(null);
const loading = ref(true);
const lastDeleted = ref<ShelfCase | null>(null);
useHead({ title: "Cases · Pasear" });

const find = ref("");
const isSearched = computed(() => find.value.trim() !== "");
/** whether more cases follow those that are shown */
const hasMore = ref(false);
let asked = 0;
/** when the server told what is shown, where it does not answer now; in ms */
const asOf = ref<number | null>(null);
const clock = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
/** Fetches what is shown again, or the first page. */
async function load(): Promise<void> {
  const now = ++asked;
  const count = Math.min(MOST, Math.max(PAGE, list.value.length));
  loading.value = true;
  try {
    const { of: found, keptAt } = await caseApi.readList(count, null, find.value.trim());
    // An answer to what was typed before is out of date.
    if (now !== asked) return;
    // Cards that did not change stay as they are.
    list.value = shareParts(list.value, found);
    hasMore.value = found.length === count;
    trouble.value = null;
    asOf.value = keptAt;
    lookAgain();
  } catch (failure) {
    if (now === asked) trouble.value = `The cases could not be read. ${(failure as RequestFailure).message}`;
  }
  if (now === asked) loading.value = false;
}
// What the shelf shows of a case comes a moment after the case itself.
let again: ReturnType<typeof setTimeout> | undefined;
function lookAgain(): void {
  clearTimeout(again);
  const isFresh = (c: ShelfCase) => c.summary === null && Date.now() - c.updatedAt < FRESH;
  if (list.value.some(isFresh)) again = setTimeout(load, LOOK_AGAIN);
}
onScopeDispose(() => clearTimeout(again));
async function more(): Promise<void> {
  const last = list.value.at(-1);
  if (!last || !hasMore.value || loading.value) return;
  loading.value = true;
  // Looking again waits for the page: it would take the page's answer for one that is out of date.
  clearTimeout(again);
  const now = ++asked;
  try {
    const found = await caseApi.list(PAGE, last, find.value.trim());
    if (now !== asked) return;
    list.value = [...list.value, ...found];
    hasMore.value = found.length === PAGE;
    lookAgain();
  } catch (failure) {
    if (now === asked) trouble.value = `More cases could not be read. ${(failure as RequestFailure).message}`;
  }
  if (now === asked) loading.value = false;
}
onMounted(load);
watchDebounced(
  find,
  () => {
    list.value = [];
    void load();
  },
  { debounce: 200 },
);
// The next page comes as its place comes near, and the one after it where the place is still near then.
const end = useTemplateRef<HTMLElement>("end");
const isEndNear = ref(false);
useIntersectionObserver(end, ([entry]) => (isEndNear.value = entry?.isIntersecting ?? false), { rootMargin: "800px" });
watch([isEndNear, loading, trouble], () => isEndNear.value && !trouble.value && void more(), { flush: "post" });

async function attempt<T>(what: string, work: () => Promise<T>): Promise<T | null> {
  try {
    return await work();
  } catch (failure) {
    toast.add({
      severity: "error",
      summary: `${what} did not work.`,
      detail:
        failure instanceof RequestFailure && failure.status
          ? failure.message
          : "The server does not answer; nothing was changed.",
      life: 7000,
    });
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
async function freeTitle(title: string): Promise<string> {
  const taken = new Set((await caseApi.list(MOST, null, title)).map((c) => c.title));
  if (!taken.has(title)) return title;
  for (let i = 2; ; i++) if (!taken.has(`${title} ${i}`)) return `${title} ${i}`;
}
async function copy(c: ShelfCase): Promise<void> {
  const done = await attempt("Copying", async () => {
    const kept = await caseApi.get(c.id);
    return caseApi.create({ ...kept.case, title: await freeTitle(`${kept.case.title}, copy`) });
  });
  if (done) {
    await load();
    toast.add({ severity: "info", summary: `A copy of “${c.title}” is on the shelf.`, life: 3000 });
  }
}
async function rename(c: ShelfCase, title: string): Promise<void> {
  await attempt("Renaming", async () => {
    const kept = await caseApi.get(c.id);
    return caseApi.write(c.id, kept.revision, { ...kept.case, title: title.trim() });
  });
  await load();
}
async function remove(c: ShelfCase): Promise<void> {
  if (await attempt("Deleting", () => caseApi.remove(c.id))) {
    lastDeleted.value = c;
    await load();
  }
}
async function bringBack(): Promise<void> {
  const c = lastDeleted.value;
  if (c && (await attempt("Bringing it back", () => caseApi.restore(c.id)))) {
    lastDeleted.value = null;
    await load();
  }
}
</script>

<template>
  <div>
    <AppHead />
    <main class="shelf">
      <div class="top">
        <div>
          <h1>Cases</h1>
          <p class="quiet">Each case is a walk from a story to a decision.</p>
        </div>
        <div class="side">
          <InputText
            v-if="isSearched || hasMore || list.length > 12"
            v-model="find"
            type="search"
            placeholder="Find by title"
            aria-label="Find a case by its title"
          />
          <Button label="New case" @click="create" />
        </div>
      </div>
      <p v-if="trouble" class="problem" role="alert">{{ trouble }} <Button link @click="load">Try again</Button></p>
      <p v-else-if="asOf !== null" class="problem" role="status">
        The server does not answer. This is the shelf as it was on {{ clock.format(asOf) }}; what is changed in a case
        is held in this browser. <Button link @click="load">Try again</Button>
      </p>
      <p v-if="!trouble && !loading && list.length === 0 && isSearched" class="quiet" role="status">
        No case has “{{ find.trim() }}” in its title.
      </p>
      <p v-else-if="!trouble && !loading && list.length === 0" class="quiet">
        The shelf is empty. Start a new case, and write or paste its story.
      </p>
      <p v-if="lastDeleted" class="undo" role="status">
        “{{ lastDeleted.title }}” is deleted.
        <Button link @click="bringBack">Undo</Button>
      </p>
      <ul class="cards" aria-label="Cases">
        <ShelfCard
          v-for="c in list"
          :key="c.id"
          :of="c"
          @rename="rename(c, $event)"
          @copy="copy(c)"
          @remove="remove(c)"
        />
      </ul>
      <p v-if="hasMore" ref="end" class="more">
        <Button link @click="more">More cases</Button>
      </p>
    </main>
  </div>
</template>

<style scoped>
.shelf {
  max-width: 1080px;
  margin: 0 auto;
  padding: 1.6rem 1.2rem 3rem;
}
.top {
  display: flex;
  align-items: end;
  justify-content: space-between;
  margin-bottom: 1.2rem;
}
h1 {
  font-family: var(--book);
  font-size: 1.7rem;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 440px), 1fr));
  gap: 0.9rem;
}
.side {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}
.shelf > .problem {
  margin-bottom: 0.9rem;
}
.more {
  padding: 1rem 0;
  text-align: center;
}
.undo {
  padding: 0.5rem 0.9rem;
  margin-bottom: 0.9rem;
  background: var(--jade-soft);
  border-radius: 6px;
}
</style>
