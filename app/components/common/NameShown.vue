<script setup lang="ts">
import { nameParts } from "#core/formula";

/** A name as formulas show it: an index stands below, and a word is upright. */
const props = defineProps<{ name: string }>();
const parts = computed(() => nameParts(props.name));
const isWord = computed(() => [...parts.value.stem].length > 1);
</script>

<template>
  <span :class="{ word: isWord }"
    >{{ parts.stem }}<sub v-if="parts.below">{{ parts.below }}</sub></span
  >
</template>

<style scoped>
.word {
  font-style: normal;
}
sub {
  font-size: 0.7em;
  font-style: normal;
  line-height: 0;
}
</style>
