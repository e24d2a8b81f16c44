<script setup lang="ts">
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { readForm } from "#core/plan";
import { unitTrouble } from "#core/units";

/** What is made greatest or least, in which unit. */
const props = defineProps<{ plan: Plan; names: Names; errors: readonly string[] }>();
const store = useCaseStore();
const SENSES = ["greatest", "least"].map((sense) => ({ value: sense, text: sense }));
const check = (text: string): string | null => {
  const variables = props.plan.variables.map((v) => v.name);
  const read = readForm(text, variables, props.names);
  return read.ok ? null : read.problem.message;
};
</script>

<template>
  <div v-if="plan.objective" class="goal">
    <p>
      Make
      <EditText
        :value="plan.objective.sense"
        label="Greatest or least"
        :options="SENSES"
        @keep="store.apply({ kind: 'setObjective', sense: $event as 'greatest' })"
      />, in
      <EditText
        :value="plan.objective.unit ?? ''"
        placeholder="unit"
        label="Unit of the objective"
        :check="unitTrouble"
        @keep="store.apply({ kind: 'setObjectiveUnit', unit: $event })"
      />
    </p>
    <p class="plan-formula">
      <EditText
        :value="plan.objective.text"
        label="Objective"
        :check="check"
        @keep="store.apply({ kind: 'setObjective', text: $event })"
      />
    </p>
    <ProblemNote v-for="e in errors" :key="e" :text="e" />
  </div>
</template>

<style scoped>
.goal {
  background: var(--amber-soft);
  border: 1px solid var(--amber);
  border-radius: 8px;
  padding: 0.5rem 0.8rem;
  display: grid;
  gap: 0.2rem;
}
</style>
