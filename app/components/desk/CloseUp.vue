<script setup lang="ts">
import { analyse } from "#core/question";
import { functionsOf, modelOf, type CaseFile, type Question } from "#core/model";
import { closeUpOf, type DeskFinding } from "#core/desk";
import { picture } from "#core/graph";

/** A finding's own close-up of the graph, around its answers. */
const props = defineProps<{ document: CaseFile; question: Question; card: DeskFinding }>();
const emit = defineEmits<{ look: [view: { from: number; to: number }] }>();
const names = computed(() => functionsOf(props.question));
const ends = computed(() => closeUpOf(modelOf(props.document), props.question, props.card));
const drawing = computed(() => {
  if (!ends.value) return null;
  const wanted = new Set(names.value);
  const of = props.document.functions?.find((f) => wanted.has(f.name))?.of;
  const functions = (props.document.functions ?? []).map((f) => ({ ...f, shown: wanted.has(f.name) }));
  // Earlier questions stay, since this one may use their answers; only its own are drawn.
  return picture(analyse({ ...props.document, functions }), {
    ...(of ? { variable: of } : {}),
    ...ends.value,
  });
});
</script>

<template>
  <div v-if="drawing && ends">
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
