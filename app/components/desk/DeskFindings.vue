<script setup lang="ts">
import type { Progress } from "#core/question";
import { useIntersectionObserver, watchDebounced } from "@vueuse/core";
import { suggestions, type Suggestion } from "#core/story";
import { buildModel, type CaseFile, type Question } from "#core/model";
import type { Desk, DeskFinding } from "#core/desk";
import type { Slip } from "#core/slips";
import type { GhostAnswer } from "~/workers/protocol";
import type { ComponentPublicInstance } from "vue";

/** A hand that has moved nothing for this long rests, in ms. */
const REST = 150;

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
const offer = () => {
  offers.value = suggestions(buildModel(props.document));
};
watchDebounced(() => props.desk, offer, { debounce: 250, maxWait: 2000, immediate: true });
function ask(wanted: Suggestion): void {
  store.apply({ kind: "ask", question: wanted.question });
}
const NONE: readonly Slip[] = [];
const slipsBy = computed(() => new Map(props.slips.map((s) => [s.key, props.slips.filter((r) => r.key === s.key)])));
interface Row {
  readonly q: Question;
  readonly card: DeskFinding | null;
  /** the question in words, as long as there is no answer */
  readonly waiting: DeskFinding["question"] | null;
  readonly slips: readonly Slip[];
}
const rowOf = (q: Question): Row => ({
  q,
  card: props.desk?.findings.find((f) => f.id === q.id) ?? null,
  waiting: props.desk?.waiting.find((f) => f.id === q.id)?.question ?? null,
  slips: slipsBy.value.get(`question:${q.id}`) ?? NONE,
});

// ---- While a hand drags, the cards nobody can see wait until it rests; those in sight change in every frame.
const cards = useTemplateRef<ComponentPublicInstance[]>("cards");
const outOfSight = new Set<string>();
useIntersectionObserver(
  () => (cards.value ?? []).map((c) => c.$el as HTMLElement),
  (entries) => {
    for (const { target, isIntersecting } of entries) {
      const id = (target as HTMLElement).dataset.id!;
      if (isIntersecting) outOfSight.delete(id);
      else outOfSight.add(id);
    }
  },
  { rootMargin: "60px" },
);
/** Counts how often a dragging hand came to rest. */
const rests = ref(0);
watchDebounced(
  () => props.desk,
  () => {
    if (store.isDragged()) rests.value++;
  },
  { debounce: REST },
);
let restsSeen = 0;
const rows = computed((before: Row[] | undefined) => {
  const waits = before !== undefined && store.isDragged() && rests.value === restsSeen;
  restsSeen = rests.value;
  return questions.value.map(
    (q) => (waits && outOfSight.has(q.id) ? before.find((r) => r.q.id === q.id) : undefined) ?? rowOf(q),
  );
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
    <div v-if="progress || stopped" class="quiet pace" role="status">
      <template v-if="progress">
        <ProgressBar
          :value="(100 * progress.done) / progress.of"
          :show-value="false"
          aria-label="Questions worked out"
        />
        <span>Working out question {{ progress.done + 1 }} of {{ progress.of }} …</span>
        <Button link @click="emit('stop')">Stop</Button>
      </template>
      <template v-else>
        <span>Stopped. What stands here may be of the case as it was before.</span>
        <Button link @click="emit('resume')">Work it out</Button>
      </template>
    </div>
    <p v-if="questions.length === 0" class="quiet">
      No question yet. A line with a question mark asks<template v-if="firstFunction"
        >: <code>{{ firstFunction }} = 0 ?</code>, <code>greatest {{ firstFunction }} ?</code>,
        <code>{{ firstFunction }}(10) ?</code></template
      ><template v-else>, once there is a function to ask about.</template>
    </p>
    <p v-if="isOpening && !progress" class="quiet">Working it out …</p>
    <ol v-if="!isOpening">
      <FindingCard
        ref="cards"
        v-for="{ q, card, waiting, slips: notes } in rows"
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
    <div v-if="offers.length > 0 && !isOpening" class="offers">
      <p class="quiet">You could ask:</p>
      <ul>
        <li v-for="o in offers" :key="o.says">
          <Button text class="offer" @click="ask(o)">{{ o.says }}</Button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.findings {
  background: var(--panel);
}
.pace {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.6rem;
  padding-bottom: 0.5rem;
}
.pace :deep(.p-progressbar) {
  flex: 1 0 100%;
  height: 4px;
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
.offer {
  border: 1px dashed var(--ink-3);
  background: none;
  border-radius: 12px;
  padding: 3px 11px;
  cursor: pointer;
  font-size: 0.9rem;
  color: var(--ink);
  text-align: left;
}
.offer:hover {
  border-color: var(--jade);
  color: var(--jade);
  background: var(--jade-soft);
}
</style>
