<script setup lang="ts">
import type { CaseFile } from "#core/model";
import { caseApi, type KeptVersion } from "~/utils/caseApi";
import { NOW } from "~/composables/useVersions";

/** Earlier states of the case, each to be seen, named and brought back, and its other versions with other numbers. */
const props = defineProps<{ caseId: string; document: CaseFile }>();
const visible = defineModel<boolean>("visible", { required: true });
const emit = defineEmits<{ ghost: [ghost: { name: string; document: CaseFile }] }>();
const store = useCaseStore();
const toast = useToast();
const versions = useVersions(
  () => props.caseId,
  () => props.document,
);
const { list, relatives, trouble, earlier, later, compared, isBusy } = versions;
const whole = useTemplateRef<HTMLElement>("whole");
/** The states are read anew; they are what the keyboard begins with. */
async function open(): Promise<void> {
  await versions.load();
  await nextTick();
  whole.value?.querySelector<HTMLElement>("[role='listbox']")?.focus();
}
watch(visible, (now) => now && void open(), { immediate: true });

const TIME = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
/** Of today's states several may be of one minute. */
const CLOCK = new Intl.DateTimeFormat("en-GB", { timeStyle: "medium" });
const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });
function when({ keptAt }: KeptVersion): string {
  const isToday = new Date(keptAt).toDateString() === new Date().toDateString();
  return isToday ? CLOCK.format(keptAt) : `${DAY.format(keptAt)}, ${TIME.format(keptAt)}`;
}
const wordsOf = (v: KeptVersion): string => (v.name ? `“${v.name}”` : `the state of ${when(v)}`);
const chosen = computed(() => list.value?.find((v) => v.revision === earlier.value) ?? null);
const choices = computed(() => [
  { revision: NOW, text: "as it is now" },
  ...(list.value ?? [])
    .filter((v) => v.revision !== earlier.value)
    .map((v) => ({ revision: v.revision, text: v.name ?? when(v) })),
]);

async function bringBack(): Promise<void> {
  const v = chosen.value;
  const found = v && (await versions.attempt("Bringing it back", () => versions.documentOf(v.revision)));
  if (!found) return;
  store.apply({ kind: "bringBack", document: found, state: wordsOf(v) });
  toast.add({ severity: "info", summary: `This is ${wordsOf(v)} again.`, detail: "Undo goes back.", life: 4000 });
  visible.value = false;
}
async function beside(): Promise<void> {
  const v = chosen.value;
  const found = v && (await versions.attempt("Showing it", () => versions.documentOf(v.revision)));
  if (!found) return;
  emit("ghost", { name: v.name ?? when(v), document: found });
  visible.value = false;
}
/** The same case once more, to be given other numbers; each names the other. */
async function another(): Promise<void> {
  const title = freeTitleBeside(
    props.document.title,
    relatives.value.map((r) => r.title),
  );
  const made = await versions.attempt("Making another version", () =>
    caseApi.create({ ...toRaw(props.document), title }, props.caseId),
  );
  if (made) await navigateTo(`/case/${made.id}`);
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Versions" :style="{ width: '62rem', maxWidth: '96vw' }">
    <ProblemNote v-if="trouble" role="alert" :text="trouble" />
    <div class="family">
      <Button label="Another version with other numbers" size="small" @click="another" />
      <span v-if="relatives.length > 0"
        >Other versions:
        <template v-for="(r, i) in relatives" :key="r.id"
          ><NuxtLink :to="`/case/${r.id}`">{{ r.title }}</NuxtLink
          >{{ i < relatives.length - 1 ? ", " : "" }}</template
        ></span
      ><span v-else class="quiet">The two name each other.</span>
    </div>
    <div v-if="list" ref="whole" class="sides">
      <VersionsList v-model="earlier" :list="list" :when="when" @rename="versions.rename" />
      <section class="seen" aria-labelledby="compared-title">
        <template v-if="chosen">
          <h3 id="compared-title" class="panel-title">
            {{ chosen.name ?? when(chosen) }}, compared with
            <Select
              v-model="later"
              size="small"
              aria-label="Compared with"
              :options="choices"
              option-label="text"
              option-value="revision"
            />
          </h3>
          <p v-if="isBusy" class="quiet" role="status">Being worked out …</p>
          <ComparedShown
            v-if="compared"
            :compared="compared"
            :earlier="chosen.name ?? when(chosen)"
            :later="choices.find((c) => c.revision === later)?.text ?? ''"
          />
          <div class="ways">
            <Button label="Bring it back" size="small" severity="secondary" outlined @click="bringBack" />
            <Button link @click="beside">Its curves beside these</Button>
          </div>
        </template>
        <p v-else class="quiet">Nothing was changed so far. Every change leaves a state here.</p>
      </section>
    </div>
    <p v-else-if="!trouble" class="quiet" role="status">…</p>
    <p class="quiet foot">
      All states of the last hour stay, then one an hour for a day, and one a day after. One that has a name stays.
    </p>
  </Dialog>
</template>

<style scoped>
.family {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  margin-bottom: 1rem;
}
.sides {
  display: grid;
  grid-template-columns: 17rem minmax(0, 1fr);
  gap: 1.4rem;
}
.seen {
  display: grid;
  gap: 0.7rem;
  align-content: start;
}
.seen h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  text-transform: none;
  letter-spacing: 0;
}
.ways {
  display: flex;
  gap: 1rem;
  align-items: center;
}
.foot {
  margin-top: 1rem;
}
@media (max-width: 760px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
