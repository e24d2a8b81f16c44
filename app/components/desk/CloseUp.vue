<script setup lang="ts">
import { analyse } from "#core/question";
import { functionsOf, type CaseFile, type Question } from "#core/model";
import { picture } from "#core/graph";

/** A finding's own close-up of the graph, around its answers. */
const props = defineProps<{ document: CaseFile; question: Question; ends: { from: number; to: number } }>();
const emit = defineEmits<{ look: [view: { from: number; to: number }] }>();
const names = computed(() => functionsOf(props.question));
const drawing = computed(() => {
  const wanted = new Set(names.value);
  const of = props.document.functions?.find((f) => wanted.has(f.name))?.of;
  const functions = (props.document.functions ?? []).map((f) => ({ ...f, shown: wanted.has(f.name) }));
  // Earlier questions stay, since this one may use their answers; only its own are drawn.
  return picture(analyse({ ...props.document, functions }), {
    ...(of ? { variable: of } : {}),
    from: props.ends.from,
    to: props.ends.to,
  });
});
</script>

<template>
  <div v-if="drawing">
    <MiniGraph
      :picture="drawing"
      :names="names"
      :question="question.id"
      :label="`Close-up of ${question.id}: ${drawing.described}`"
      :height="150"
    />
    <Button link @click="emit('look', ends)">show on the graph</Button>
  </div>
</template>

<style scoped>
.p-button-link {
  font-size: 0.85rem;
  font-weight: 400;
}
</style>
