<script setup lang="ts">
import { changeSlot, type Slot } from "#core/question";
import type { CaseFile, Question } from "#core/model";
import { findingLatex, findingMarkdown, findingText, type DeskFinding, type InfluenceReport } from "#core/desk";
import type { Slip } from "#core/slips";

/**
 * One question with what was found. While a given is dragged its parts change one by one, so nothing here depends on
 * the whole case.
 */
const props = defineProps<{
  q: Question;
  card: DeskFinding | null;
  /** the question in words, as long as there is no answer */
  waiting: DeskFinding["question"] | null;
  names: string;
  dim: boolean;
  lit: boolean;
  stale: boolean;
  slips: readonly Slip[];
  was: string | null;
  ghostName: string | null;
  closeUp: CaseFile | null;
  influence: { report: InfluenceReport | null; state: "closed" | "working" | "ready" | "failed" } | null;
}>();
const emit = defineEmits<{
  point: [key: string | null];
  look: [view: { from: number; to: number }];
  close: [id: string];
  weigh: [id: string];
  remove: [q: Question];
  longer: [id: string];
}>();
const store = useCaseStore();
const copying = useCopying();

const analysis = useAnalysisStore();
const unfolded = ref(false);
watch(unfolded, (is) => analysis.lookAt(props.q.id, is));
onBeforeUnmount(() => analysis.lookAt(props.q.id, false));
const COPIES = {
  text: [findingText, ""],
  latex: [findingLatex, " as LaTeX"],
  markdown: [findingMarkdown, " as Markdown"],
} as const;
async function copy(kind: keyof typeof COPIES): Promise<void> {
  if (!props.card) return;
  const [write, as] = COPIES[kind];
  const text = write(props.card, unfolded.value);
  const withWorking = unfolded.value && props.card.working?.length ? ", with its working" : "";
  const summary = `The finding is copied${as}${withWorking}.`;
  await copying.copy(text, summary);
}
function keep(slot: Slot, text: string): void {
  const result = changeSlot(props.q, slot, text, deskCoreAtHand().modelOf(store.document!));
  if (result.ok) store.apply({ kind: "changeQuestion", question: result.question });
}
</script>

<script lang="ts">
// What unfolds below a finding comes when it is asked for.
const CloseUp = later(() => import("./CloseUp.vue"));
const InfluenceBars = later(() => import("./InfluenceBars.vue"));
</script>

<template>
  <PointedRow
    :id="`question:${q.id}`"
    class="card"
    :class="{ first: lit, stale, broken: card?.status === 'error' }"
    :dim="dim"
    :data-id="q.id"
    @point="emit('point', $event)"
  >
    <QuestionLine v-if="card || waiting" :q="q" :parts="(card?.question ?? waiting)!" :names="names" @keep="keep" />
    <p v-if="!card" class="quiet">Not worked out yet.</p>
    <p v-if="card" class="says"><PlainText :text="card.says" /></p>
    <p v-for="(e, i) in card?.exact ?? []" :key="i" class="exact" tabindex="0">
      exact <MathText :latex="e.latex" :text="e.text" /> ≈ {{ e.near }}
    </p>
    <p v-for="(d, i) in card?.details ?? []" :key="i" class="quiet">{{ d }}</p>
    <ProblemNote v-if="card?.message" :text="card.message" />
    <p v-if="was" class="quiet">{{ ghostName }}: <PlainText :text="was" /></p>
    <SlipNote v-for="s in slips" :key="s.message" :slip="s" />
    <ChipList v-if="card" :chips="card.chips" />
    <FindingWorking v-if="card && card.status !== 'error'" v-model:open="unfolded" :q="q" :steps="card.working" />
    <p v-if="card && card.status !== 'error'" class="more">
      <Button v-if="card.isCut" link @click="emit('longer', q.id)">look longer</Button>
      <Button v-if="card.solutions.length > 0" link :aria-expanded="closeUp !== null" @click="emit('close', q.id)">
        close-up
      </Button>
      <Button link :aria-expanded="influence !== null" @click="emit('weigh', q.id)"> what matters most </Button>
      <Button link @click="copy('text')">copy</Button>
      <Button link @click="copy('latex')">copy as LaTeX</Button>
      <Button link @click="copy('markdown')">copy as Markdown</Button>
    </p>
    <CloseUp v-if="closeUp && card" :document="closeUp" :question="q" :card="card" @look="emit('look', $event)" />
    <InfluenceBars v-if="influence" :report="influence.report" :state="influence.state" />
    <Button text class="icon-button bin" :aria-label="`Delete question ${q.id}`" @click="emit('remove', q)">
      <IconBin />
    </Button>
  </PointedRow>
</template>

<style scoped>
.card {
  position: relative;
  padding: 0.6rem 0.8rem;
  margin-bottom: 0.6rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
  display: grid;
  gap: 0.25rem;
  contain: layout paint style;
}
.card.first {
  border-color: var(--amber);
  box-shadow: 0 0 0 2px var(--amber-soft);
}
.card.dim {
  background: none;
}
.card.stale .says,
.card.stale .exact {
  opacity: 0.5;
}
.card.broken .says {
  color: var(--brick);
  font-size: 0.95rem;
  font-family: var(--face);
  font-weight: 400;
}
.says {
  font-family: var(--book);
  font-size: 1.13rem;
  font-weight: 650;
  line-height: 1.35;
}
.exact {
  font-size: 0.9rem;
  color: var(--ink-2);
  overflow-x: auto;
  overflow-y: hidden;
  padding: 3px 0 5px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
}
.more .p-button-link {
  font-size: 0.85rem;
  font-weight: 400;
}
.bin {
  position: absolute;
  top: 0.45rem;
  right: 0.4rem;
  opacity: 0;
}
.card:hover .bin,
.card:focus-within .bin {
  opacity: 1;
}
</style>
