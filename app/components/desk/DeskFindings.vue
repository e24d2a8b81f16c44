<script setup lang="ts">
import type { Progress } from "#core/question";
import { watchDebounced } from "@vueuse/core";
import type { Suggestion } from "#core/story";
import type { CaseFile, Question } from "#core/model";
import type { Desk } from "#core/desk";
import type { Slip } from "#core/slips";
import type { GhostAnswer } from "~/workers/protocol";
import type { ComponentPublicInstance } from "vue";

const props = defineProps<{
  document: CaseFile;
  desk: Desk | null;
  lit: ReadonlySet<string> | null;
  stale: boolean;
  slips: readonly Slip[];
  ghost: readonly GhostAnswer[];
  ghostName: string | null;
  progress: Progress | null;
  stopped: boolean;
  failed: boolean;
}>();
const emit = defineEmits<{
  point: [key: string | null];
  begin: [text: string];
  look: [view: { from: number; to: number }];
  longer: [id: string];
  stop: [];
  resume: [];
}>();
const store = useCaseStore();
const takeOff = useTakeOff();

const questions = computed(() => props.document.questions ?? []);
/** The first answers are still to come: a card without them would be small, and push what is below it when they do. */
const isOpening = computed(() => questions.value.length > 0 && !props.desk && !props.stopped && !props.failed);
const offers = shallowRef<Suggestion[]>([]);
// Offers wait until the case is calm: they must not flicker while somebody types or drags.
const offer = async () => {
  await afterGraph();
  const core = await deskCore();
  offers.value = core?.suggestions(core.modelOf(props.document)) ?? [];
};
watchDebounced(() => props.desk, offer, { debounce: 250, maxWait: 2000, immediate: true });
function ask(wanted: Suggestion): void {
  store.apply({ kind: "ask", question: wanted.question });
}
const cards = useTemplateRef<ComponentPublicInstance[]>("cards");
const rows = useFindingRows(
  questions,
  () => props.desk,
  () => props.slips,
  () => (cards.value ?? []).map((c) => c.$el as HTMLElement),
);
/** The first cards come one a frame, since together they would hold the page up; what is added later comes at once. */
const drawn = useInParts(() => (isOpening.value ? 0 : questions.value.length), 1);
watchEffect(() => {
  if (!isOpening.value && drawn.value >= questions.value.length) drawn.value = Infinity;
});
/** Changes only when a name or its description does. */
const names = computed(() =>
  JSON.stringify(
    [props.document.functions, props.document.givens].map((list) => (list ?? []).map((r) => [r.name, r.label])),
  ),
);
/** Examples of questions are about a function that is there. */
const firstFunction = computed(() => props.document.functions?.[0]?.name ?? null);
const was = (id: string, says: string | undefined) => {
  const g = says === undefined ? undefined : props.ghost.find((a) => a.id === id);
  return g && g.says !== says ? g.says : null;
};

// ---- what matters most
const document_ = computed(() => props.document);
const influence = useInfluence(document_);
const weighed = computed(() => ({ report: influence.report.value, state: influence.state.value }));
function weigh(id: string): void {
  if (influence.question.value === id) influence.close();
  else influence.open(id);
}

// ---- a closer look at one answer
const closeUp = ref<string | null>(null);
function remove(q: Question): void {
  takeOff({ kind: "question", name: q.id }, props.desk?.links ?? []);
}
</script>

<template>
  <section class="panel findings" aria-labelledby="findings-title">
    <div class="panel-head">
      <h2 id="findings-title" class="panel-title" tabindex="-1">
        Findings<span class="panel-count">{{ questions.length }}</span>
      </h2>
      <Button link @click="emit('begin', '')">+ Question</Button>
    </div>
    <FindingsPace v-if="progress || stopped" :progress="progress" @stop="emit('stop')" @resume="emit('resume')" />
    <p v-if="questions.length === 0 && !$slots.default" class="quiet">
      No question yet. A line with a question mark asks<template v-if="firstFunction"
        >: <code>{{ firstFunction }} = 0 ?</code>, <code>greatest {{ firstFunction }} ?</code>,
        <code>{{ firstFunction }}(10) ?</code></template
      ><template v-else>, once there is a function to ask about.</template>
    </p>
    <p v-if="isOpening && !progress" class="quiet">Working it out …</p>
    <ol v-if="!isOpening">
      <FindingCard
        ref="cards"
        v-for="{ q, card, waiting, slips: notes } in rows.slice(0, drawn)"
        :key="q.id"
        :q="q"
        :card="card"
        :waiting="waiting"
        :names="names"
        :slips="notes"
        :stale="stale"
        :dim="lit !== null && !lit.has(`question:${q.id}`)"
        :lit="lit?.has(`question:${q.id}`) ?? false"
        :was="was(q.id, card?.says)"
        :ghost-name="ghostName"
        :close-up="closeUp === q.id ? document : null"
        :influence="influence.question.value === q.id ? weighed : null"
        @point="emit('point', $event)"
        @look="emit('look', $event)"
        @close="closeUp = closeUp === q.id ? null : q.id"
        @weigh="weigh"
        @remove="remove"
        @longer="emit('longer', $event)"
      />
    </ol>
    <slot />
    <div v-if="offers.length > 0 && drawn === Infinity" class="offers">
      <p class="quiet">You could ask:</p>
      <ul>
        <li v-for="o in offers" :key="o.says">
          <Button text class="offered" @click="ask(o)">{{ o.says }}</Button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.findings {
  background: var(--panel);
}
.offers {
  margin-top: 0.8rem;
}
.offers ul {
  display: grid;
  gap: 0.3rem;
  margin-top: 0.3rem;
  justify-items: start;
}
</style>
