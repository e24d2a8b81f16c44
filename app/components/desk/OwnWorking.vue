<script setup lang="ts">
import type { Verdict } from "#core/judging";
import type { Question } from "#core/model";

/** Lines a student writes under a question, each judged against the one above. */
const props = defineProps<{ q: Question }>();
const store = useCaseStore();

const draft = ref((props.q.working ?? []).join("\n"));
const lines = computed(() => draft.value.split("\n"));
const { judged, failure } = useJudged(() => props.q, lines);
const shown = computed(() => judged.value.filter((line) => line.verdict !== "blank"));
const firstWrong = computed(() => shown.value.findIndex((line) => BAD.has(line.verdict)));

/** What a case keeps; more stays in the field, and that it is not kept is said. */
const MOST = { lines: 200, characters: 2000 };
const isTooMuch = computed(
  () => lines.value.length > MOST.lines || lines.value.some((line) => line.length > MOST.characters),
);
function typed(text: string | undefined): void {
  draft.value = text ?? "";
  if (isTooMuch.value) return;
  store.apply({ kind: "writeWorking", id: props.q.id, lines: lines.value });
}
// Undone, or changed in another window: what is kept stands here too, as long as nobody has written further.
watch(
  () => props.q.working,
  (kept) => {
    const text = (kept ?? []).join("\n");
    if (text.trimEnd() !== draft.value.trimEnd()) draft.value = text;
  },
);

const WORDS: Readonly<Record<Verdict, string>> = {
  follows: "follows",
  loses: "loses an answer",
  brings: "brings one in",
  wrong: "does not follow",
  open: "not settled",
  unread: "not read",
  blank: "",
};
const BAD: ReadonlySet<Verdict> = new Set<Verdict>(["wrong", "loses"]);
const tone = (verdict: Verdict): string => (BAD.has(verdict) ? "bad" : verdict === "follows" ? "good" : "open");
</script>

<template>
  <div class="own">
    <label :for="`own-${q.id}`">My own working, a line at a time</label>
    <Textarea
      :id="`own-${q.id}`"
      :model-value="draft"
      auto-resize
      rows="3"
      spellcheck="false"
      :aria-describedby="`judged-${q.id}`"
      @update:model-value="typed"
      @keydown.stop
    />
    <p class="quiet">Type or paste equations; LaTeX is read too. Each line is judged against the one above.</p>
    <ProblemNote
      v-if="isTooMuch"
      :text="`A case keeps ${MOST.lines} lines of ${MOST.characters} characters; what is more is not kept.`"
    />
    <ProblemNote v-if="failure" :text="`The lines could not be judged: ${failure}`" />
    <ol :id="`judged-${q.id}`" aria-live="polite" aria-label="What is to be said of each line">
      <li v-for="(line, i) in shown" :key="i" :class="[tone(line.verdict), { first: i === firstWrong }]">
        <span class="line"
          ><MathText v-if="line.latex" :latex="line.latex" :text="line.text" /><code v-else>{{ line.text }}</code></span
        >
        <span class="verdict">{{ WORDS[line.verdict] }}</span>
        <span v-if="line.says && line.says !== 'Follows.'" class="says">{{ line.says }}</span>
        <span v-if="line.slip" class="says slip">{{ line.slip }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.own {
  display: grid;
  gap: 0.3rem;
  margin-top: 0.6rem;
  padding-top: 0.5rem;
  border-top: 1px solid var(--hairline);
}
label {
  font-size: 0.87rem;
  font-weight: 650;
}
.own :deep(textarea) {
  width: 100%;
  font-size: 0.92rem;
}
ol {
  display: grid;
  gap: 0.35rem;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 0.8rem;
  align-items: baseline;
  padding: 0.15rem 0 0.15rem 0.6rem;
  border-left: 3px solid var(--hairline);
  font-size: 0.9rem;
}
.line {
  overflow-x: auto;
  overflow-y: hidden;
}
.verdict {
  font-size: 0.82rem;
  color: var(--ink-2);
}
.says {
  grid-column: 1 / -1;
  font-size: 0.85rem;
  color: var(--ink-2);
}
li.good {
  border-left-color: var(--jade);
}
li.bad {
  border-left-color: var(--brick);
}
li.bad .verdict {
  color: var(--brick);
  font-weight: 650;
}
.slip {
  color: var(--ink);
}
</style>
