<script setup lang="ts">
import type { Understanding, Understood } from "#core/entry";

/** What the line that is being typed would do, or why it cannot be read and what would be. */
const props = defineProps<{ id: string; preview: Understanding | null }>();
const emit = defineEmits<{ take: [text: string]; put: [entries: Understood] }>();
const refused = computed(() => (props.preview?.kind === "refused" ? props.preview : null));
</script>

<template>
  <p v-if="refused" :id="id" class="says wrong" role="status">
    <OfferText :text="refused.message" :offers="refused.instead" @take="emit('take', $event)" />
  </p>
  <p v-else-if="preview?.kind === 'number'" :id="id" class="says" role="status">
    <PlainText :text="preview.says" /> <kbd>Enter</kbd> names it
  </p>
  <p v-else-if="preview?.kind === 'entries'" :id="id" class="says" role="status">
    {{ preview.says }} <kbd>Enter</kbd>
    <Button v-if="preview.or" link class="or" @click="emit('put', preview.or)">or {{ preview.or.says }}</Button>
  </p>
  <p v-else :id="id" class="sr-only">Write a number, a function or a question, in symbols or in words.</p>
</template>

<style scoped>
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
.or {
  margin-left: 0.6rem;
}
</style>
