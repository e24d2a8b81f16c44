<script setup lang="ts">
import { trailOf } from "#core/desk";
import { isBlank } from "#core/edit";
import { RequestFailure } from "~/utils/caseApi";
import type CaseDesk from "~/components/desk/CaseDesk.vue";

// The other views come when they are asked for, and so do dialogs.
const CaseData = later(() => import("~/components/data/CaseData.vue"));
const CaseBrief = later(() => import("~/components/brief/CaseBrief.vue"));
const CasePlan = later(() => import("~/components/plan/CasePlan.vue"));
const CompareDialog = later(() => import("~/components/desk/CompareDialog.vue"));
const HelpDialog = later(() => import("~/components/case/HelpDialog.vue"));
const StaleDialog = later(() => import("~/components/desk/StaleDialog.vue"));
const TrailDialog = later(() => import("~/components/desk/TrailDialog.vue"));
const VersionsDialog = later(() => import("~/components/versions/VersionsDialog.vue"));

// A change of view is not another page: the case stays open.
definePageMeta({ key: (to) => `case ${String(to.params.id)}` });
const route = useRoute();
const store = useCaseStore();
const travel = useTravel();
useLeaving();

// ---- what is worked out of the case
const analysis = useAnalysisStore();
onMounted(analysis.follow);

// ---- the trail: whatever is pointed at lights up what it came from and what comes of it
const { pointed, rested, point } = usePointing(store.isDragged);
const lit = computed(() => (rested.value && analysis.desk ? trailOf(rested.value, analysis.desk.links) : null));
const trailStart = ref<string | null>(null);

// ---- views of the case
const desk = useTemplateRef<InstanceType<typeof CaseDesk>>("desk");
const data = useTemplateRef<{ take: (from: string | File) => Promise<void>; show: (table: string) => void }>("data");
const { where, go: goView, write, takeTable, showTable } = useCaseViews(desk, data);

// ---- dialogs
const dialogs = reactive({ compare: false, trail: false, stale: false, help: false, versions: false });
const wanted = {
  compare: useWanted(toRef(dialogs, "compare")),
  trail: useWanted(toRef(dialogs, "trail")),
  stale: useWanted(toRef(dialogs, "stale")),
  help: useWanted(toRef(dialogs, "help")),
  versions: useWanted(toRef(dialogs, "versions")),
};
function compare(): void {
  if (analysis.ghost) analysis.ghost = null;
  else dialogs.compare = true;
}
function showGhost(ghost: NonNullable<typeof analysis.ghost>): void {
  analysis.ghost = ghost;
  goView("desk");
}
function trail(): boolean {
  if (!pointed.value || !analysis.desk) return false;
  trailStart.value = pointed.value;
  dialogs.trail = true;
  return true;
}
watchEffect(() => {
  if (store.keeping.state === "stale") dialogs.stale = true;
});
useCaseKeys({
  isHeld: () => dialogs.stale,
  undo: travel.undo,
  redo: travel.redo,
  goView,
  write: () => void write(),
  trail,
  large: () => desk.value?.large() ?? false,
  accept: () => desk.value?.accept() ?? false,
  help: () => {
    dialogs.help = true;
  },
  unpoint: () => point(null),
});

const places = {
  isHeld: () => dialogs.stale,
  table: takeTable,
  story(text: string) {
    const before = store.document?.story?.text.trim() ?? "";
    store.apply({ kind: "editStory", text: before ? `${before}\n\n${text.trim()}` : text.trim() });
    goView("desk");
  },
  plan: () => goView("plan"),
  line: (text: string) => void write(text),
};
const { takeText } = useTaking(places, travel.undo);

// What the head shows of the case, by itself: the page is not drawn anew with every change of a number.
const title = computed(() => store.document?.title ?? null);
useHead({ title: computed(() => (title.value === null ? "Pasear" : `${title.value} · Pasear`)) });

/** In a case without anything the first line is written at once. */
onMounted(() => {
  if (store.document && isBlank(store.document)) void nextTick(() => desk.value?.write());
});

const missing = ref<string | null>(null);
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
const isOpen = computed(() => store.document !== null && !missing.value);
</script>

<template>
  <div class="whole">
    <CaseHead
      :title="title"
      :where="where"
      :undo-name="travel.undoName.value"
      :redo-name="travel.redoName.value"
      @go="goView"
      @undo="travel.undo"
      @redo="travel.redo"
      @help="dialogs.help = true"
      @choose="dialogs.stale = true"
      @versions="dialogs.versions = true"
    />
    <CaseData v-if="isOpen && where === 'data'" ref="data" :document="store.document!" @used="goView('desk')" />
    <CasePlan v-else-if="isOpen && where === 'plan'" :document="store.document!" />
    <CaseBrief v-else-if="isOpen && where === 'brief'" :document="store.document!" />
    <CaseDesk
      v-else-if="isOpen && analysis.shown"
      ref="desk"
      :shown="analysis.shown"
      :lit="lit"
      @point="point"
      @compare="compare"
      @data="goView('data')"
      @foreign="takeText"
    />
    <main v-else class="missing">
      <p>{{ missing ?? "Opening …" }}</p>
      <NuxtLink to="/">To the shelf of cases</NuxtLink>
      <Button v-if="missing" link @click="open">Try again</Button>
    </main>
    <VersionsDialog
      v-if="isOpen && wanted.versions.value"
      v-model:visible="dialogs.versions"
      :case-id="String(route.params.id)"
      :document="store.document!"
      @ghost="showGhost"
    />
    <StaleDialog v-if="wanted.stale.value" v-model:visible="dialogs.stale" />
    <HelpDialog
      v-if="isOpen && wanted.help.value"
      v-model:visible="dialogs.help"
      :document="store.document!"
      @try="write"
    />
    <CompareDialog
      v-if="analysis.shown && wanted.compare.value"
      v-model:visible="dialogs.compare"
      :document="analysis.shown"
      :own-id="store.id ?? ''"
      @choose="analysis.ghost = $event"
    />
    <TrailDialog
      v-if="analysis.shown && analysis.desk && wanted.trail.value"
      v-model:visible="dialogs.trail"
      :document="analysis.shown"
      :desk="analysis.desk"
      :start="trailStart"
      @data="showTable"
    />
  </div>
</template>

<style scoped>
.whole {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
@media print {
  .whole {
    min-height: 0;
  }
}
.missing {
  padding: 3rem 1.5rem;
  display: grid;
  gap: 0.8rem;
  justify-items: start;
}
</style>
