<script setup lang="ts">
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { eachLine, readPlanLine } from "#core/plan";

/** The line where constraints and the objective are written, or pasted several at once. */
const props = defineProps<{ plan: Plan | null; names: Names }>();
const store = useCaseStore();
const line = ref("");
const problem = ref<string | null>(null);
const field = useTemplateRef<{ $el: HTMLInputElement }>("field");

/** Adds what a line says; what is wrong with it otherwise. */
function add(text: string): string | null {
  if (text.trim() === "") return null;
  for (const part of eachLine(text)) {
    const read = readPlanLine(part, props.plan, props.names);
    if (!read.ok) return read.message;
    store.apply({ kind: "addPlanLine", line: read.line });
  }
  return null;
}
function enter(): void {
  problem.value = add(line.value);
  if (!problem.value) line.value = "";
}
/** Lines are added up to the first that cannot be; that one waits in the field. */
function pasted(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData("text") ?? "";
  const lines = text.split(/\r?\n/).flatMap((l) => l.trim() || []);
  if (lines.length < 2) return;
  event.preventDefault();
  problem.value = null;
  for (const l of lines) {
    problem.value = add(l);
    if (!problem.value) continue;
    line.value = l;
    return;
  }
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
    <ProblemNote v-if="problem" role="alert" :text="problem" />
  </form>
</template>
