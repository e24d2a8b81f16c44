<script setup lang="ts">
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { eachLine, readPlanLines } from "#core/plan";

/** The line where constraints and the objective are written, or pasted several at once. */
const props = defineProps<{ plan: Plan | null; names: Names }>();
const store = useCaseStore();
const line = ref("");
const problem = ref<string | null>(null);
const field = useTemplateRef<{ $el: HTMLInputElement }>("field");

/** Adds what lines say, up to the first that cannot be: that one and the rest wait in the field. */
function add(texts: readonly string[]): void {
  const read = readPlanLines(texts, props.plan, props.names);
  const [only, ...more] = read.lines;
  if (only)
    store.apply(more.length > 0 ? { kind: "addPlanLines", lines: read.lines } : { kind: "addPlanLine", line: only });
  problem.value = read.problem;
  line.value = texts.slice(read.lines.length).join("; ");
}
function enter(): void {
  if (line.value.trim() !== "") add(eachLine(line.value));
}
function pasted(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData("text") ?? "";
  const lines = text.split(/\r?\n/).flatMap((l) => l.trim() || []);
  if (lines.length < 2) return;
  event.preventDefault();
  add(lines.flatMap(eachLine));
}
/** Puts the start of a line into the field, with the cursor where the rest is wanted. */
function begin(text: string): void {
  line.value = text;
  void nextTick(() => {
    const relation = text.search(/[<>=]/);
    const cursor = relation < 0 ? text.length : relation;
    field.value?.$el.focus();
    field.value?.$el.setSelectionRange(cursor, cursor);
  });
}
defineExpose({ begin });
</script>

<template>
  <form @submit.prevent="enter">
    <label
      ><span class="sr-only">A constraint or the objective</span
      ><InputText
        ref="field"
        v-model="line"
        fluid
        size="small"
        spellcheck="false"
        autocomplete="off"
        placeholder="paper: 2x + 3y <= 240"
        aria-label="A constraint or the objective"
        :invalid="problem !== null"
        @paste="pasted"
        @input="problem = null"
    /></label>
    <ProblemNote v-if="problem" class="why" role="alert" :text="problem" />
  </form>
</template>

<style scoped>
/* Clear of the ring around the field. */
.why {
  margin-block-start: 0.4rem;
}
</style>
