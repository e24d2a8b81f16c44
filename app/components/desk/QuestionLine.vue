<script setup lang="ts">
import { changeSlot, slotOf, slotText, type Choice, type QuestionPart, type Slot } from "#core/question";
import type { Question } from "#core/model";

/**
 * A question as a sentence; each underlined part is changed where it stands. `names` says which names there are, so
 * that the choices follow them.
 */
const props = defineProps<{ q: Question; parts: readonly QuestionPart[]; names: string }>();
const emit = defineEmits<{ keep: [slot: Slot, text: string] }>();
const store = useCaseStore();

const shown = computed(() =>
  props.parts.map((part) => {
    const slot = part.slot && slotOf(props.q, part.slot);
    return {
      ...part,
      value: slot ? slotText(slot, props.q, part.text) : "",
      options: slot ? choicesOf(slot.choices, props.names) : null,
      check: part.slot ? check(part.slot) : undefined,
    };
  }),
);

function choicesOf(choices: "functions" | "givens" | readonly Choice[] | null, _names: string): Choice[] | null {
  if (choices !== "functions" && choices !== "givens") return choices && [...choices];
  const rows: readonly { name: string; label?: string | undefined }[] = store.document?.[choices] ?? [];
  return rows.map((row) => ({ value: row.name, text: row.label ? `${row.label} ${row.name}` : row.name }));
}
const check =
  (slot: Slot) =>
  (text: string): string | null | Promise<string | null> =>
    withDeskCore(({ modelOf }) => {
      const result = changeSlot(props.q, slot, text, modelOf(store.document!));
      return result.ok ? null : result.message;
    });
</script>

<template>
  <p class="question">
    <template v-for="(part, i) in shown" :key="i"
      ><EditText
        v-if="part.slot"
        :value="part.value"
        :label="`Part of the question: ${part.text}`"
        :options="part.options"
        :check="part.check"
        @keep="emit('keep', part.slot, $event)"
        >{{ part.text }}</EditText
      ><template v-else>{{ part.text }}</template></template
    >
    <span class="id">{{ q.id }}</span>
  </p>
</template>

<style scoped>
.question {
  font-size: 0.93rem;
  color: var(--ink-2);
  padding-right: 1.4rem;
  line-height: 1.5;
}
.id {
  color: var(--ink-3);
  font-size: 0.8rem;
  margin-left: 0.5rem;
}
</style>
