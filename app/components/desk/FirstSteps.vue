<script setup lang="ts">
import { firstSteps } from "#core/desk";
import type { CaseFile } from "#core/model";

/** Four things to try on a first visit, one after another over the desk; they are left for good at any time. */
const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ try: [line: string] }>();
const look = useLookStore();
// What the case has when it is opened decides: steps do not come up in the middle of work.
const steps = look.hasLeftSteps ? [] : (firstSteps(props.document) ?? []);
const at = ref(0);
const step = computed(() => (look.hasLeftSteps ? undefined : steps[at.value]));
const isLast = computed(() => at.value === steps.length - 1);
function next(): void {
  if (isLast.value) look.hasLeftSteps = true;
  else at.value += 1;
}
</script>

<template>
  <aside v-if="step" class="steps" aria-label="First steps">
    <p role="status">
      <span class="quiet">{{ at + 1 }} of {{ steps.length }}</span> {{ step.says }}
    </p>
    <Button v-if="step.line" link @click="emit('try', step.line)">Try {{ step.line }}</Button>
    <Button :label="isLast ? 'Done' : 'Next'" size="small" @click="next" />
    <Button v-if="!isLast" link @click="look.hasLeftSteps = true">Leave the steps</Button>
  </aside>
</template>

<style scoped>
.steps {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  padding: 0.4rem 1.1rem;
  background: var(--jade-soft);
  border-bottom: 1px solid var(--hairline);
}
.steps p {
  flex: 1;
  min-width: 16rem;
}
.quiet {
  margin-right: 0.5rem;
}
</style>
