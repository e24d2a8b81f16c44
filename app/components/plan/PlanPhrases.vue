<script setup lang="ts">
import { limitPhrases, type LimitPhrase } from "#core/story";
import type { Names } from "#core/formula";
import type { CaseFile } from "#core/model";

/** Limits that the words of the story tell, offered as constraints. */
const props = defineProps<{ document: CaseFile; names: Names }>();
const emit = defineEmits<{ add: [phrase: LimitPhrase]; begin: [text: string] }>();
/** Offers shown at once, at most. */
const MOST = 8;
const phrases = computed(() => {
  const { plan, story } = props.document;
  return plan && story?.text ? limitPhrases(story.text, plan, props.names).slice(0, MOST) : [];
});
</script>

<template>
  <section v-if="phrases.length > 0" class="phrases" aria-label="Constraints in the words of the story">
    <p class="quiet">The story says:</p>
    <ul>
      <li v-for="p in phrases" :key="p.start">
        <Button text class="offered" @click="p.constraint ? emit('add', p) : emit('begin', p.begin ?? '')">
          <q>{{ p.phrase }}</q> <b v-if="p.constraint">{{ p.constraint }}</b><span v-else>begin {{ p.begin }}</span>
        </Button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.phrases {
  display: grid;
  gap: 0.3rem;
}
ul {
  display: grid;
  gap: 0.3rem;
  justify-items: start;
}
b {
  font-family: var(--book);
  font-weight: 600;
  margin-left: 0.3rem;
}
</style>
