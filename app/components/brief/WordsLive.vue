<script setup lang="ts">
import { NodeViewWrapper, nodeViewProps } from "@tiptap/vue-3";
import { GONE } from "#core/brief";
import { WORDS_MEANS } from "~/brief/wordsEditor";

/** A number of the case among own words. */
const props = defineProps(nodeViewProps);
const means = inject(WORDS_MEANS)!;
const text = computed(() => (props.node.attrs.live ? means.says(props.node.attrs.live) : null));
</script>

<template>
  <NodeViewWrapper
    as="span"
    class="live"
    :class="{ gone: text === null, chosen: selected }"
    :title="text === null ? 'What this number referred to is not in the case any more' : 'This number follows the case'"
    >{{ text ?? GONE }}</NodeViewWrapper
  >
</template>

<style scoped>
.live {
  border-bottom: 1px dotted var(--jade);
}
.live.gone {
  color: var(--brick);
  border-color: var(--brick);
}
.chosen {
  background: var(--jade-soft);
}
@media print {
  .live {
    border: 0;
  }
}
</style>
