<script setup lang="ts">
import type { CaseFile } from "#core/model";
import { RequestFailure, caseApi, type ShelfCase } from "~/utils/caseApi";

/** A case changed this long ago has what is shown of it by now, or will have none; in ms. */
const FRESH = 60_000;
const LOOK_AGAIN = 1000;

const toast = useToast();
const router = useRouter();
const list = ref<ShelfCase[]>([]);
const trouble = ref<string | null>(null);
const loading = ref(true);
const lastDeleted = ref<ShelfCase | null>(null);
useHead({ title: "Cases · Pasear" });

async function load(): Promise<void> {
  try {
    list.value = await caseApi.list();
    trouble.value = null;
  } catch (failure) {
    trouble.value = `The cases could not be read. ${(failure as RequestFailure).message}`;
  }
  loading.value = false;
}
onMounted(load);
// What the shelf shows of a case comes a moment after the case itself.
let again: ReturnType<typeof setTimeout> | undefined;
watch(list, (now) => {
  clearTimeout(again);
  const isFresh = (c: ShelfCase) => c.summary === null && Date.now() - c.updatedAt < FRESH;
  if (now.some(isFresh)) again = setTimeout(load, LOOK_AGAIN);
});
onScopeDispose(() => clearTimeout(again));

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
  const document: CaseFile = { format: "pasear-case", version: 1, title: freeTitle("New case") };
  const made = await attempt("Making a case", () => caseApi.create(document));
  if (made) await router.push(`/case/${made.id}`);
}
function freeTitle(title: string): string {
  const taken = new Set(list.value.map((c) => c.title));
  if (!taken.has(title)) return title;
  for (let i = 2; ; i++) if (!taken.has(`${title} ${i}`)) return `${title} ${i}`;
}
async function copy(c: ShelfCase): Promise<void> {
  const done = await attempt("Copying", async () => {
    const kept = await caseApi.get(c.id);
    return caseApi.create({ ...kept.case, title: freeTitle(`${kept.case.title}, copy`) });
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
function when(at: number): string {
  const minutes = Math.round((Date.now() - at) / 60000);
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  const sameDay = new Date(at).toDateString() === new Date().toDateString();
  return new Intl.DateTimeFormat(
    "en-GB",
    sameDay ? { hour: "2-digit", minute: "2-digit" } : { day: "numeric", month: "long", year: "numeric" },
  ).format(at);
}
const path = (curve: [number, number][]) =>
  curve.map(([x, y], i) => `${i === 0 ? "M" : "L"}${(4 + x * 112).toFixed(1)} ${(66 - y * 58).toFixed(1)}`).join("");
const DASH = ["", "7 3", "2 3", "6 2 2 2"];
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
        <Button label="New case" @click="create" />
      </div>
      <p v-if="trouble" class="problem" role="alert">
        {{ trouble }} <button type="button" class="word-button" @click="load">Try again</button>
      </p>
      <p v-else-if="!loading && list.length === 0" class="quiet">
        The shelf is empty. Start a new case, and write or paste its story.
      </p>
      <p v-if="lastDeleted" class="undo" role="status">
        “{{ lastDeleted.title }}” is deleted. <button type="button" class="word-button" @click="bringBack">Undo</button>
      </p>
      <ul class="cards" aria-label="Cases">
        <li v-for="c in list" :key="c.id" class="card">
          <NuxtLink :to="`/case/${c.id}`" class="open" :aria-label="`Open ${c.title}`">
            <svg viewBox="0 0 120 72" class="mini" aria-hidden="true">
              <path d="M4 4V68H116" class="axes" />
              <path
                v-for="(curve, i) in c.summary?.curves ?? []"
                :key="i"
                :d="path(curve)"
                :style="{ stroke: `var(--curve-${i})` }"
                :stroke-dasharray="DASH[i]"
              />
            </svg>
          </NuxtLink>
          <div class="words">
            <h2>
              <EditText
                plain
                :value="c.title"
                :label="`Title of ${c.title}`"
                :check="(t) => (t.trim() ? null : 'A case needs a title.')"
                @keep="rename(c, $event)"
              />
            </h2>
            <p class="says">{{ c.summary ? c.summary.says || "Nothing is decided yet." : "…" }}</p>
            <p class="quiet">touched {{ when(c.updatedAt) }}</p>
            <div class="ways">
              <NuxtLink :to="`/case/${c.id}`">Open</NuxtLink
              ><button type="button" class="word-button" @click="copy(c)">Copy</button
              ><button type="button" class="word-button" @click="remove(c)">Delete</button>
            </div>
          </div>
        </li>
      </ul>
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
.card {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 1rem;
  padding: 0.9rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
}
.mini {
  width: 150px;
  fill: none;
  stroke-width: 2;
  display: block;
}
.axes {
  stroke: var(--ink-3);
  stroke-width: 1;
}
.open {
  border-radius: 6px;
}
.words {
  display: grid;
  gap: 0.3rem;
  align-content: start;
}
h2 {
  font-size: 1.02rem;
}
.says {
  font-family: var(--book);
  line-height: 1.4;
}
.ways {
  display: flex;
  gap: 1rem;
  align-items: baseline;
  font-size: 0.87rem;
  margin-top: 0.2rem;
}
.ways a {
  font-weight: 600;
  text-decoration: none;
}
.undo {
  padding: 0.5rem 0.9rem;
  margin-bottom: 0.9rem;
  background: var(--jade-soft);
  border-radius: 6px;
}
@media (max-width: 480px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
