<script setup lang="ts">
import type { Progress } from "#core/question";

/** How far the questions are worked out, with a way to stop; or that they were stopped. */
defineProps<{ progress: Progress | null }>();
const emit = defineEmits<{ stop: []; resume: [] }>();
</script>

<template>
  <div class="quiet pace" role="status">
    <template v-if="progress">
      <ProgressBar :value="(100 * progress.done) / progress.of" :show-value="false" aria-label="Questions worked out" />
      <span>Working out question {{ progress.done + 1 }} of {{ progress.of }} …</span>
      <Button link @click="emit('stop')">Stop</Button>
    </template>
    <template v-else>
      <span>Stopped. What stands here may be of the case as it was before.</span>
      <Button link @click="emit('resume')">Work it out</Button>
    </template>
  </div>
</template>

<style scoped>
.pace {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.6rem;
  padding-bottom: 0.5rem;
}
.pace :deep(.p-progressbar) {
  flex: 1 0 100%;
  height: 4px;
}
</style>
