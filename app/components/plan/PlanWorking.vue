<script setup lang="ts">
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import type { PlanResult } from "#core/plan";
import { planWorking } from "#core/working";

/** A plan worked by hand; made only while it is open. */
const props = defineProps<{ plan: Plan; result: PlanResult; names: Names }>();
const isOpen = ref(false);
const steps = computed(() => (isOpen.value ? planWorking(props.plan, props.result, props.names) : []));
</script>

<template>
  <details class="working" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>working</summary>
    <WorkingSteps v-if="steps.length > 0" :steps="steps" />
    <p v-else-if="isOpen" class="quiet">This plan is too large, or has no best point, to be worked by hand.</p>
  </details>
</template>
