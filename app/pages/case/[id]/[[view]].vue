<script setup lang="ts">
import { CircleHelp, Redo2, Undo2 } from "@lucide/vue";
import { trailOf } from "#core/desk";
import { useTimeoutFn } from "@vueuse/core";
import type { ToastMessageOptions } from "primevue/toast";
import type { View } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { Slip } from "#core/slips";
import { RequestFailure } from "~/utils/caseApi";
import type { Travelled } from "~/utils/undoSteps";
import type DeskEntry from "~/components/desk/DeskEntry.vue";
import type DeskFunctions from "~/components/desk/DeskFunctions.vue";

// The other views come when they are asked for, and so do dialogs.
const CaseData = later(() => import("~/components/data/CaseData.vue"));
const CasePlan = later(() => import("~/components/plan/CasePlan.vue"));
const CompareDialog = later(() => import("~/components/desk/CompareDialog.vue"));
const KeysDialog = later(() => import("~/components/desk/KeysDialog.vue"));
const StaleDialog = later(() => import("~/components/desk/StaleDialog.vue"));
const TrailDialog = later(() => import("~/components/desk/TrailDialog.vue"));

// A change of view is not another page: the case stays open.
definePageMeta({ key: (to) => `case ${String(to.params.id)}` });
const route = useRoute();
const store = useCaseStore();
const toast = useToast();
const missing = ref<string | null>(null);
const document_ = computed(() => store.document);
const view = shallowRef<View>({});
/** Another case, or this one with earlier numbers, drawn faintly to compare with. */
const ghost = shallowRef<{ name: string; document: CaseFile } | null>(null);
const ghostDocument = computed(() => ghost.value?.document ?? null);
const { shown, desk, picture, slips, ghostAnswers, working, failure, progress, stopped, stop, lookLonger } =
  useAnalysis(document_, view, ghostDocument, store.isDragged);
const storySlips = computed((before: Slip[] | undefined) =>
  shareParts(
    before,
    slips.value.filter((x) => x.key === "story"),
  ),
);
const compareDialog = ref(false);
const compareWanted = useWanted(compareDialog);
const trailDialog = ref(false);
const trailWanted = useWanted(trailDialog);
const trailStart = ref<string | null>(null);
const functionsPanel = useTemplateRef<InstanceType<typeof DeskFunctions>>("functionsPanel");
function compare(): void {
  if (ghost.value) ghost.value = null;
  else compareDialog.value = true;
}
/** The lists wait for what is worked out of them, or for word that it takes long; and never longer than this, in ms. */
const MOMENT = 3000;
const isLate = ref(false);
const { start: waitAMoment } = useTimeoutFn(
  () => {
    isLate.value = true;
  },
  MOMENT,
  { immediate: false },
);
const isVeiled = computed(
  () => !isLate.value && desk.value === null && progress.value === null && failure.value === null && !stopped.value,
);
const staleDialog = ref(false);
const staleWanted = useWanted(staleDialog);
const keysDialog = ref(false);
const keysWanted = useWanted(keysDialog);
const entry = useTemplateRef<InstanceType<typeof DeskEntry>>("entry");

async function open(): Promise<void> {
  try {
    await store.open(String(route.params.id));
    missing.value = null;
  } catch (reason) {
    missing.value =
      reason instanceof RequestFailure && reason.status === 404
        ? "There is no such case; it may have been deleted."
        : "The case could not be opened: the server does not answer.";
  }
}
await open();
watch(
  () => store.keeping.state,
  (state) => {
    if (state === "stale") staleDialog.value = true;
  },
  { immediate: true },
);
// What the head shows of the case, by itself: the page is not drawn anew with every change of a number.
const isOpen = computed(() => store.document !== null);
const title = computed(() => store.document?.title ?? null);
const dataCount = computed(() => store.document?.data?.length ?? 0);
const undoName = computed(() => store.undoSteps.at(-1)?.name ?? null);
const redoName = computed(() => store.redoSteps.at(-1)?.name ?? null);
useHead({ title: computed(() => (title.value === null ? "Pasear" : `${title.value} · Pasear`)) });

// ---- the trail: whatever is pointed at lights up what it came from and what comes of it
const pointed = ref<string | null>(null);
const lit = computed(() => (pointed.value && desk.value ? trailOf(pointed.value, desk.value.links) : null));
const point = (key: string | null) => {
  pointed.value = key;
};
const colours = computed((before: Record<string, number> | undefined) =>
  shareParts(before, Object.fromEntries((picture.value?.curves ?? []).map((c) => [c.name, c.colour]))),
);
/** An unfinished or broken formula keeps the last good picture, dimmed. */
const broken = computed(() => (desk.value?.functions ?? []).some((f) => f.trouble !== null) || failure.value !== null);

function undo(): void {
  tellTravel("Undone", store.undo());
}
function redo(): void {
  tellTravel("Done again", store.redo());
}
function tellTravel(word: string, way: Travelled | null): void {
  if (!way) return;
  if (way.clashes.length === 0) toast.add({ severity: "secondary", summary: `${word}: ${way.name}`, life: 1800 });
  else
    toast.add({
      severity: "warn",
      summary: `"${way.name}" stays as it is.`,
      detail: `Changed elsewhere since: ${way.clashes.join("; ")}.`,
      life: 6000,
    });
}
/** A hand in another tab changes much in little time: only the last of it is told. */
let told: ToastMessageOptions | null = null;
watch(
  () => store.arrived,
  (parts) => {
    if (told) toast.remove(told);
    told = { severity: "info", summary: "Changed elsewhere", detail: `${parts.join("; ")}.`, life: 4000 };
    toast.add(told);
  },
);
function rename(typed: string): void {
  store.apply({ kind: "renameCase", title: typed });
}
const checkTitle = (typed: string) => (typed.trim() ? null : "A case needs a title.");
async function added(key: string): Promise<void> {
  await nextTick();
  setTimeout(() => {
    if (key.startsWith("question:"))
      window.document
        .querySelector("#findings-title")
        ?.closest("section")
        ?.querySelector("ol > li:last-child")
        ?.scrollIntoView({ block: "nearest" });
  }, 60);
}

// ---- views of the case
const VIEWS = [
  { id: "desk", name: "Desk" },
  { id: "data", name: "Data" },
  { id: "plan", name: "Plan" },
] as const;
type ViewId = (typeof VIEWS)[number]["id"];
/** A case that is only a plan opens there. */
const home = computed((): ViewId =>
  store.document?.plan && (store.document.functions ?? []).length === 0 ? "plan" : "desk",
);
const where = computed((): ViewId => VIEWS.find((v) => v.id === route.params.view)?.id ?? home.value);
function goView(id: ViewId): void {
  if (id !== where.value) void navigateTo(`/case/${String(route.params.id)}/${id}`);
}

const titles = { s: "story-title", g: "givens-title", f: "functions-title", n: "findings-title" } as const;
function goTo(key: keyof typeof titles): void {
  const section = window.document.getElementById(titles[key])?.closest("section");
  const target =
    section?.querySelector<HTMLElement>("[data-row]") ??
    section?.querySelector<HTMLElement>('[tabindex="0"], [tabindex="-1"]');
  target?.focus();
  target?.scrollIntoView({ block: "nearest" });
}
/** What takes letters and digits itself: a list jumps to the entry that begins with them. */
const WRITTEN_IN = "input, textarea, select, [contenteditable], [role='combobox'], [role='listbox']";
function key(event: KeyboardEvent): void {
  const target = event.target as HTMLElement;
  const writing = target.closest(WRITTEN_IN) !== null;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
    // In a field that has something in it, undo belongs to the field.
    if (writing && (target.closest(".cm-content")?.textContent || (target as HTMLInputElement).value)) return;
    event.preventDefault();
    if (event.shiftKey) redo();
    else undo();
    return;
  }
  if (writing || event.ctrlKey || event.metaKey || event.altKey || staleDialog.value) return;
  const view_ = VIEWS[Number(event.key) - 1];
  if (view_ && /^[1-9]$/.test(event.key)) {
    event.preventDefault();
    goView(view_.id);
  } else if (event.key === "/") {
    event.preventDefault();
    goView("desk");
    void nextTick(() => entry.value?.focus());
  } else if (event.key === "t" && pointed.value && desk.value) {
    event.preventDefault();
    trailStart.value = pointed.value;
    trailDialog.value = true;
  } else if (event.key === "?") {
    event.preventDefault();
    keysDialog.value = true;
  } else if (event.key in titles) {
    event.preventDefault();
    goTo(event.key as keyof typeof titles);
  } else if (event.key === "Escape") {
    pointed.value = null;
    (window.document.activeElement as HTMLElement | null)?.blur();
  } else if ((event.key === "ArrowDown" || event.key === "ArrowUp") && target.closest("[data-row]")) {
    const rows = [...(target.closest("section")?.querySelectorAll<HTMLElement>("[data-row]") ?? [])];
    const now = rows.indexOf(target.closest<HTMLElement>("[data-row]")!);
    const next = rows[now + (event.key === "ArrowDown" ? 1 : -1)];
    if (next) {
      event.preventDefault();
      next.focus();
    }
  } else if (event.key === "Enter" && target.matches("[data-row]")) {
    event.preventDefault();
    target.querySelector<HTMLElement>(".edit-text .shown")?.click();
  }
}
/** Only where leaving would lose something. */
const warn = (event: BeforeUnloadEvent) => {
  if (store.isAtRisk()) event.preventDefault();
};
const hide = () => {
  if (window.document.visibilityState === "hidden") store.flush();
  else void store.lookAgain();
};
/** In a case without anything the first line is written at once. */
const isBlank = ({ story, plan, ...d }: CaseFile): boolean =>
  !story?.text && !plan && [d.givens, d.functions, d.variables, d.data].every((rows) => (rows ?? []).length === 0);
onMounted(() => {
  waitAMoment();
  if (store.document && isBlank(store.document)) void nextTick(() => entry.value?.focus());
  window.addEventListener("keydown", key);
  window.document.addEventListener("visibilitychange", hide);
  window.addEventListener("pagehide", store.flush);
  window.addEventListener("beforeunload", warn);
});
onBeforeUnmount(() => {
  store.flush();
  window.removeEventListener("keydown", key);
  window.document.removeEventListener("visibilitychange", hide);
  window.removeEventListener("pagehide", store.flush);
  window.removeEventListener("beforeunload", warn);
});
</script>

<template>
  <div class="whole">
    <AppHead :title="title">
      <template #title
        ><h1 class="title">
          <EditText
            v-if="title !== null"
            plain
            :value="title"
            label="Title of the case"
            :check="checkTitle"
            @keep="rename"
          /></h1
      ></template>
      <template #views
        ><nav class="views" aria-label="Views">
          <Button
            v-for="(v, i) in VIEWS"
            :key="v.id"
            text
            class="view"
            :aria-current="where === v.id ? 'page' : undefined"
            :title="`${v.name} (${i + 1})`"
            @click="goView(v.id)"
          >
            {{ v.name }}<small v-if="v.id === 'data' && dataCount > 0">{{ dataCount }}</small
            ><i v-if="where === v.id" aria-hidden="true" />
          </Button></nav
      ></template>
      <template #side>
        <KeepState @choose="staleDialog = true" />
        <Button
          text
          class="icon-button light"
          :disabled="undoName === null"
          :title="undoName === null ? 'Nothing to undo' : `Undo: ${undoName}`"
          aria-label="Undo"
          @click="undo"
        >
          <Undo2 :size="17" aria-hidden="true" />
        </Button>
        <Button
          text
          class="icon-button light"
          :disabled="redoName === null"
          :title="redoName === null ? 'Nothing to do again' : `Do again: ${redoName}`"
          aria-label="Redo"
          @click="redo"
        >
          <Redo2 :size="17" aria-hidden="true" />
        </Button>
        <Button text class="icon-button light" title="Keys" aria-label="Keys" @click="keysDialog = true">
          <CircleHelp :size="17" aria-hidden="true" />
        </Button>
      </template>
    </AppHead>
    <CaseData v-if="isOpen && !missing && where === 'data'" :document="store.document!" @used="goView('desk')" />
    <CasePlan v-else-if="isOpen && !missing && where === 'plan'" :document="store.document!" />
    <main v-else-if="isOpen && shown && !missing" class="desk">
      <DeskStory :document="shown" :lit="lit" :slips="storySlips" @point="point" />
      <DeskGraph
        v-model:view="view"
        :picture="picture"
        :document="shown"
        :lit="lit"
        :stale="broken"
        :waiting="desk === null && (shown.functions ?? []).length > 0"
        @point="point"
      />
      <DeskEntry ref="entry" :document="shown" @added="added" @form="functionsPanel?.openForm($event)" />
      <div class="lower" :class="{ veiled: isVeiled }">
        <DeskGivens
          :document="shown"
          :desk="desk"
          :lit="lit"
          :slips="slips"
          :ghost-name="ghost?.name ?? null"
          @ghost="compare"
          @point="point"
          @begin="entry?.begin($event)"
        />
        <DeskFunctions
          ref="functionsPanel"
          :slips="slips"
          :document="shown"
          :desk="desk"
          :lit="lit"
          :colours="colours"
          @point="point"
          @begin="entry?.begin($event)"
        />
        <DeskFindings
          :document="shown"
          :desk="desk"
          :lit="lit"
          :stale="broken && working"
          :slips="slips"
          :ghost="ghostAnswers"
          :ghost-name="ghost?.name ?? null"
          :progress="progress"
          :stopped="stopped"
          :failed="failure !== null"
          @longer="lookLonger"
          @stop="stop"
          @resume="lookLonger(null)"
          @look="view = { ...view, ...$event }"
          @point="point"
          @begin="entry?.begin($event)"
        />
      </div>
      <p v-if="failure" class="problem failure" role="alert">
        The calculation stopped: {{ failure }}. What you typed is kept.
      </p>
    </main>
    <main v-else class="missing">
      <p>{{ missing ?? "Opening …" }}</p>
      <NuxtLink to="/">To the shelf of cases</NuxtLink>
      <Button v-if="missing" link @click="open">Try again</Button>
    </main>
    <StaleDialog v-if="staleWanted" v-model:visible="staleDialog" />
    <KeysDialog v-if="keysWanted" v-model:visible="keysDialog" />
    <CompareDialog
      v-if="shown && compareWanted"
      v-model:visible="compareDialog"
      :document="shown"
      :own-id="store.id ?? ''"
      @choose="ghost = $event"
    />
    <TrailDialog
      v-if="shown && desk && trailWanted"
      v-model:visible="trailDialog"
      :document="shown"
      :desk="desk"
      :start="trailStart"
    />
  </div>
</template>

<style scoped>
.whole {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
.title {
  font-size: 1rem;
  font-weight: 700;
  color: var(--river-ink);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.title :deep(input) {
  color: var(--ink);
}
.title :deep(.shown:hover) {
  color: var(--amber);
  border-bottom-color: var(--amber);
}
.views {
  display: flex;
  align-self: stretch;
  margin-left: 0.8rem;
  gap: 0.2rem;
}
/* What is worked out in a moment appears with all its lines, and moves nothing. */
.veiled {
  visibility: hidden;
}
.view {
  position: relative;
  border: 0;
  background: none;
  color: var(--river-soft);
  padding: 0 0.75rem;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 0.35rem;
}
.view:hover {
  color: var(--river-ink);
}
.view[aria-current] {
  color: var(--river-ink);
  font-weight: 700;
}
.view small {
  color: var(--river-soft);
  font-weight: 400;
}
.view i {
  position: absolute;
  left: 50%;
  bottom: 0;
  width: 9px;
  height: 9px;
  margin-left: -4px;
  border-radius: 3px 3px 0 0;
  background: var(--amber);
  box-shadow: 0 0 9px var(--amber);
}
.light {
  color: var(--river-ink);
}
.light:hover:not(:disabled) {
  color: var(--amber);
  background: none;
}
.desk {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 29fr) minmax(0, 71fr);
  grid-template-rows: minmax(300px, 355px) auto minmax(0, 1fr);
}
/* The desk fits the window: head, story, graph and entry line stay in sight, and what grows scrolls by itself. */
@media (min-width: 901px) and (min-height: 620px) {
  .desk {
    flex: none;
    height: calc(100dvh - var(--head-height));
    grid-template-rows: minmax(250px, 46fr) auto minmax(180px, 54fr);
  }
  .desk .lower {
    min-height: 0;
  }
  .desk .lower > * {
    overflow-y: auto;
    padding-top: 0;
  }
  .desk .lower :deep(.panel-head) {
    position: sticky;
    top: 0;
    z-index: 1;
    padding-top: 0.85rem;
    background: inherit;
  }
}
.desk > :nth-child(1) {
  border-right: 1px solid var(--hairline);
}
/* Each part is painted by itself, so that one that moves leaves the others as they are; what opens within one lies over
   its neighbours. */
.desk > :not(.lower),
.lower > * {
  isolation: isolate;
}
.desk > :nth-child(1),
.desk > :not(.lower):focus-within {
  z-index: 3;
}
.lower > :focus-within {
  z-index: 2;
}
.entry,
.lower,
.failure {
  grid-column: 1 / -1;
}
.lower {
  display: grid;
  grid-template-columns: 29fr 34fr 37fr;
  background: var(--paper);
}
.lower > * {
  padding: 0.85rem 1.1rem;
  min-width: 0;
}
.lower > * + * {
  border-left: 1px solid var(--hairline);
}
.failure {
  padding: 0.8rem 1.1rem;
}
.missing {
  padding: 3rem 1.5rem;
  display: grid;
  gap: 0.8rem;
  justify-items: start;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }
  .desk > :nth-child(1) {
    border-right: 0;
    border-bottom: 1px solid var(--hairline);
  }
  .desk > :nth-child(2) {
    position: sticky;
    top: 0;
    z-index: 4;
    height: 300px;
  }
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
  .lower > * + * {
    border-left: 0;
    border-top: 1px solid var(--hairline);
  }
  .views {
    margin-left: 0;
  }
  .view {
    padding: 0 0.4rem;
  }
}
</style>
