<script setup lang="ts">
import { NodeViewWrapper, nodeViewProps } from "@tiptap/vue-3";
import { WORDS_MEANS } from "~/brief/wordsEditor";

/** Mathematics among own words: typeset, and written in a field when it is pressed. */
const props = defineProps(nodeViewProps);
const means = inject(WORDS_MEANS)!;
const typed = computed(() => String(props.node.attrs.typed ?? ""));
const latex = computed(() => means.latex(typed.value));
const check = (text: string) =>
  !text.trim() || means.latex(text) !== null ? null : "This cannot be read as mathematics: write it as in a function.";

const edit = useTemplateRef<{ open: () => Promise<void> }>("edit");
// What was just put there is written at once.
onMounted(() => {
  if (!typed.value) void nextTick(() => edit.value?.open());
});
function keep(text: string): void {
  if (text.trim()) props.updateAttributes({ typed: text.trim() });
  else props.deleteNode();
  props.editor.commands.focus();
}
</script>

<template>
  <NodeViewWrapper as="span" class="set" :class="{ chosen: selected }" contenteditable="false">
    <EditText ref="edit" :value="typed" label="Mathematics" :check="check" plain placeholder="P(q) = R - C" @keep="keep"
      ><MathText v-if="latex !== null && typed" :latex="latex" :text="typed" /><em v-else>{{
        typed || "mathematics"
      }}</em></EditText
    >
  </NodeViewWrapper>
</template>

<style scoped>
.set {
  display: inline-block;
}
.chosen {
  background: var(--jade-soft);
}
</style>
