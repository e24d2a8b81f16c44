<script setup lang="ts">
import type { Understood } from "#core/entry";
import { lineExamples, namedCalculation } from "#core/story";
import type { CaseFile } from "#core/model";
import type CodeLine from "~/components/common/CodeLine.vue";

const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ added: [key: string]; form: [id: string]; foreign: [text: string] }>();
const store = useCaseStore();
const field = useTemplateRef<InstanceType<typeof CodeLine>>("field");
const text = ref("");
const focused = ref(false);
const { walk, remember } = useLineHistory(text);

const reader = useLineReader();
const many = useManyLines(text, reader);
const { waiting, waits } = many;
const preview = computed(() => (text.value.trim() === "" ? null : reader.read(text.value, props.document)));
const refused = computed(() => (preview.value?.kind === "refused" ? preview.value : null));
const wrong = computed(() => {
  const p = refused.value;
  return !p || p.end <= p.at || (p.at === 0 && p.end >= text.value.length) ? null : { from: p.at, to: p.end };
});
/** The mathematics of the line; what could last be typeset stays, dimmed, while the line is unfinished. */
const mathematics = ref<{ latex: string; now: boolean } | null>(null);
watch([text, () => props.document, deskCoreNow], () => {
  if (text.value.trim() === "") {
    mathematics.value = null;
    return;
  }
  // Who writes does not wait for the graph.
  void deskCore();
  const latex = deskCoreNow()?.typesetLine(text.value, props.document);
  if (latex) mathematics.value = { latex, now: true };
  else if (deskCoreNow()?.isWorded(text.value, props.document)) mathematics.value = null;
  else mathematics.value &&= { ...mathematics.value, now: false };
});

const examples = computed(() => lineExamples(props.document));

async function enter(): Promise<void> {
  const typed = text.value;
  await reader.ready();
  // What was typed on meanwhile waits for its own Enter.
  if (text.value !== typed) return;
  const p = preview.value;
  if (typed.trim() === "") many.goOn();
  if (p?.kind === "number") keepNumber();
  if (p?.kind === "entries") put(p);
}
function put(p: Understood): void {
  const last = p.entries.at(-1)!;
  const key = last.kind === "question" ? `question:${last.row.id}` : `${last.kind}:${last.row.name}`;
  store.apply({ kind: "enter", entries: p.entries, saying: p.says });
  remember();
  text.value = "";
  emit("added", key);
  many.goOn();
}
/** A plain calculation is kept by giving it a name: the line waits with one, and a second Enter makes the given. */
const keepNumber = (): void => begin(namedCalculation(text.value, props.document));
/** What belongs elsewhere goes there; several lines become several entries, as far as they can be read. */
async function takeMuch(pasted: string): Promise<void> {
  const { foreignText } = await import("~/utils/foreignText");
  const found = foreignText(pasted, props.document);
  const isElsewhere = found.kind === "story" ? found.isProse : ["case", "table", "constraints"].includes(found.kind);
  if (isElsewhere) return emit("foreign", pasted);
  await reader.ready();
  const lines = pasted.split(/\r?\n/).flatMap((line) => line.trim() || []);
  if (lines.length === 1) {
    text.value += lines[0]!;
    return;
  }
  // What stood in the line begins the first of them.
  const [first = "", ...others] = lines;
  many.paste([text.value + first, ...others]);
}
function begin(start: string): void {
  text.value = start;
  field.value?.focus();
}
defineExpose({ focus: () => field.value?.focus(), begin });
</script>

<template>
  <form class="entry" aria-label="Entry line" @submit.prevent="enter">
    <div class="line" :class="{ focused, bad: refused }">
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
        @much="takeMuch"
        @form="emit('form', $event)"
        @focused="focused = $event"
      />
      <EntrySays id="entry-says" :preview="preview" @take="begin" @put="put" />
    </div>
    <p v-if="preview?.kind === 'entries' && preview.warning" class="aside brick">
      <PlainText :text="preview.warning" />
    </p>
    <p v-else-if="waiting.length > 0" class="aside waits" role="status">
      {{ waits }} <code>{{ waiting[0] }}</code> {{ waiting.length > 1 ? "…" : "" }}
      <Button link @click="many.leave">leave {{ waiting.length === 1 ? "it" : "them" }} out</Button>
    </p>
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
  .aside.brick,
  .aside.waits {
    display: block;
  }
}
</style>
