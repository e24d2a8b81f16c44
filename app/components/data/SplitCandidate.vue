<script setup lang="ts">
import { missWords, type SplitCard } from "#core/choice";
import { formatNumber } from "#core/explain";
import type { Unit } from "#core/units";

/** The rows split into pieces, as one of the models: its miss, and the way to it. */
const props = defineProps<{ split: SplitCard; name: string; x: string; output: Unit | null; isFree: boolean }>();
const emit = defineEmits<{ take: [] }>();
const NUMBERS = ["", "", "two", "three"];
const pieces = computed(() => NUMBERS[props.split.breaks.length + 1]);
const shape = computed(() => (props.split.family === "linear" ? "straight lines" : "parabolas"));
const breaks = computed(() => props.split.breaks.map((b) => formatNumber(b)).join(" and "));
const miss = computed(() => missWords(props.split.leaveOneOut, props.output));
</script>

<template>
  <section class="split-candidate" aria-label="Split into pieces">
    <p class="head">
      <span>{{ pieces }} {{ shape }}, split at {{ x }} = {{ breaks }}</span
      ><Tag class="family" value="in pieces" />
    </p>
    <p class="quiet">
      <template v-if="miss !== null"
        >typical miss <b>{{ miss }}</b>, the {{ split.breaks.length === 1 ? "break" : "breaks" }} taken from the same
        rows</template
      ><template v-else>goes through every row it must</template> · {{ split.fewest }} rows in the smallest piece
    </p>
    <Button link :disabled="split.breaks.length > 1 && !isFree" @click="emit('take')">
      {{ split.breaks.length === 1 ? `Split at ${breaks}` : `Use ${name}(${x}) in three pieces` }}
    </Button>
  </section>
</template>

<style scoped>
.split-candidate {
  border: 1px dashed var(--ink-3);
  border-radius: 8px;
  padding: 0.5rem 0.75rem;
  background: var(--paper);
  display: grid;
  gap: 0.15rem;
  justify-items: start;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  width: 100%;
}
b {
  color: var(--ink);
}
</style>
