<script setup lang="ts">
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { belowZero, type PlanResult } from "#core/plan";

/** What most plans mean and nobody wrote: nothing below 0, and whole numbers where the best has none. */
const props = defineProps<{ plan: Plan; names: Names; result: PlanResult | null }>();
const store = useCaseStore();
/** Of more variables an offer does not tell the names. */
const FEW = 4;

const below = computed(() => belowZero(props.plan, props.names));
const belowText = computed(() =>
  below.value.length > FEW ? `${below.value.length} variables` : below.value.join(", "),
);
/** Variables that the best point gives a part of one of. */
const broken = computed(() => {
  const at = props.result?.whole ? [] : (props.result?.best[0]?.at ?? []);
  return props.plan.variables.flatMap((v, j) =>
    at[j] !== undefined && !Number.isInteger(at[j]) && !v.whole ? v.name : [],
  );
});
</script>

<template>
  <p v-if="below.length > 0" class="quiet">
    <Button link @click="store.apply({ kind: 'keepNotNegative', names: below })">Nothing below 0</Button>
    ({{ belowText }})
  </p>
  <p v-if="broken.length > 0" class="quiet">
    <Button link @click="store.apply({ kind: 'onlyWhole', names: broken })">Only whole numbers</Button>
    ({{ broken.length > FEW ? `${broken.length} variables` : broken.join(", ") }})
  </p>
</template>
