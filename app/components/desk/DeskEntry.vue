<script setup lang="ts">
import { interpret, interpretLines, typesetLine } from "#core/story";
import type { CaseFile } from "#core/model";
import type CodeLine from "~/components/common/CodeLine.vue";

const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ added: [key: string]; form: [id: string] }>();
const store = useCaseStore();
const field = useTemplateRef<InstanceType<typeof CodeLine>>("field");
const text = ref("");
const focused = ref(false);
const history = ref<string[]>([]);
const back = ref(0);
/** What was typed before walking back through the history. */
const kept = ref("");

const preview = computed(() => (text.value.trim() === "" ? null : interpret(text.value, props.document)));
const wrong = computed(() => {
  const p = preview.value;
  return !p || p.ok || p.end <= p.at || (p.at === 0 && p.end >= text.value.length) ? null : { from: p.at, to: p.end };
});
/** The mathematics of the line; what could last be typeset stays, dimmed, while the line is unfinished. */
const mathematics = ref<{ latex: string; now: boolean } | null>(null);
watch([text, () => props.document], () => {
  if (text.value.trim() === "") {
    mathematics.value = null;
    return;
  }
  const latex = typesetLine(text.value, props.document);
  mathematics.value = latex ? { latex, now: true } : mathematics.value && { ...mathematics.value, now: false };
});

/** Lines that work in this very case, as it stands; only functions in one unit are set against each other. */
const examples = computed(() => {
  const functions = props.document.functions ?? [];
  const [first] = functions;
  const variable = props.document.variables?.[0]?.name ?? "x";
  const pair = functions
    .flatMap((f, i) => functions.slice(i + 1).map((g) => [f, g] as const))
    .find(([f, g]) => f.of === g.of && f.unit === g.unit);
  return {
    given: "F = 180 $",
    function: pair ? `D(${pair[0].of}) = ${pair[0].name} − ${pair[1].name}` : `f(${variable}) = 3${variable} + 2`,
    question: pair ? `${pair[0].name} = ${pair[1].name} ?` : first ? `${first.name} = 0 ?` : null,
  };
});

function enter(): void {
  const p = preview.value;
  if (!p?.ok) return;
  const key = "name" in p.entry.row ? `${p.entry.kind}:${p.entry.row.name}` : `question:${p.entry.row.id}`;
  store.apply({ kind: "enter", entries: [p.entry], saying: p.says });
  history.value.push(text.value);
  back.value = 0;
  text.value = "";
  emit("added", key);
}
function walk(step: number): void {
  const next = back.value + step;
  if (next < 0 || next > history.value.length) return;
  if (back.value === 0) kept.value = text.value;
  back.value = next;
  text.value = next === 0 ? kept.value : history.value[history.value.length - next]!;
}
function takeLines(lines: string[]): void {
  // Several lines become several entries, as far as they can be read; the first that cannot stays in the line.
  const { entries, stopped } = interpretLines(lines, props.document);
  if (entries.length > 0) store.apply({ kind: "enter", entries, saying: `paste ${lines.length} lines` });
  text.value = stopped;
}
function begin(start: string): void {
  text.value = start;
  field.value?.focus();
}
defineExpose({ focus: () => field.value?.focus(), begin });
</script>

<template>
  <form class="entry" aria-label="Entry line" @submit.prevent="enter">
    <div class="line" :class="{ focused, bad: preview && !preview.ok }">
      <span class="sign" aria-hidden="true">›</span>
      <CodeLine
        ref="field"
        v-model="text"
        class="writing"
        :document="document"
        label="Entry line: a given, a variable, a function or a question"
        described-by="entry-says"
        :placeholder="examples.question ?? examples.function"
        :wrong="wrong"
        @enter="enter"
        @leave="field?.blur()"
        @up="walk(1)"
        @down="walk(-1)"
        @lines="takeLines"
        @form="emit('form', $event)"
        @focused="focused = $event"
      />
      <p v-if="preview?.ok" id="entry-says" class="says" role="status">{{ preview.says }} <kbd>Enter</kbd></p>
      <p v-else-if="preview" id="entry-says" class="says wrong" role="status"><PlainText :text="preview.message" /></p>
      <p v-else id="entry-says" class="sr-only">A line with a question mark at its end asks.</p>
    </div>
    <p v-if="preview?.ok && preview.warning" class="aside brick"><PlainText :text="preview.warning" /></p>
    <div v-else-if="mathematics" class="aside typeset" :class="{ old: !mathematics.now }">
      <MathText :latex="mathematics.latex" :text="text" />
    </div>
    <p v-else class="aside">
      a given <b>{{ examples.given }}</b> · a function <b>{{ examples.function }}</b>
      <template v-if="examples.question">
        · a question <b>{{ examples.question }}</b></template
      >
    </p>
  </form>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.8rem;
  align-items: center;
  padding: 0.5rem 1.1rem;
  background: var(--paper);
  border-block: 1px solid var(--hairline);
}
.line {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 36px;
  padding: 0 0.8rem;
  border: 1px solid var(--ink-3);
  border-radius: 8px;
  background: var(--paper);
  flex-wrap: wrap;
}
.line.focused {
  border-color: var(--jade);
  box-shadow: 0 0 0 3px var(--jade-soft);
}
.line.bad {
  border-color: var(--brick);
}
.sign {
  color: var(--jade);
  font-weight: 700;
}
.writing {
  flex: 1 1 14rem;
  font-size: 1.05rem;
}
.says {
  padding: 3px 9px;
  border-radius: 6px;
  background: var(--jade-soft);
  color: var(--jade);
  font-size: 0.9rem;
  max-width: 100%;
}
.says.wrong {
  background: var(--brick-soft);
  color: var(--brick);
  margin-block: 3px;
}
kbd {
  font: inherit;
  font-size: 0.8rem;
  padding: 1px 6px;
  margin-left: 6px;
  border: 1px solid var(--hairline);
  border-radius: 4px;
  background: var(--paper);
  color: var(--ink);
}
.aside {
  color: var(--ink-2);
  font-size: 0.85rem;
  max-width: 24rem;
}
.aside b {
  font-weight: 600;
  color: var(--ink);
  white-space: nowrap;
}
.typeset {
  max-width: 28rem;
  overflow-x: auto;
  overflow-y: hidden;
  color: var(--ink);
  font-size: 1rem;
  padding: 2px 0;
}
.old {
  opacity: 0.4;
}
.brick {
  color: var(--brick);
}
@media (max-width: 900px) {
  .entry {
    grid-template-columns: minmax(0, 1fr);
  }
  .aside {
    display: none;
  }
  .aside.brick {
    display: block;
  }
}
</style>
