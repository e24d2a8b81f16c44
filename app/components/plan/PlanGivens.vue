<script setup lang="ts">
import { trackOf, trackStep, type CornerTrail } from "#core/desk";
import { formatQuantity } from "#core/explain";
import type { Given } from "#core/model";
import { parseUnit } from "#core/units";

/** The givens that a plan uses, varied where the plan is seen. */
defineProps<{ givens: readonly Given[]; trail: CornerTrail | null }>();
const store = useCaseStore();
const textOf = ({ value, unit }: Given) => formatQuantity(value, unit ? parseUnit(unit).unit : null, 12);
const vary = ({ name, value, vary: track }: Given): void =>
  store.apply({ kind: "setTrack", name, track: track ? null : trackOf(value) });
function slide(name: string, value: number | number[]): void {
  if (typeof value === "number") store.apply({ kind: "slideGiven", name, value, in: "plan" });
}
</script>

<template>
  <ul>
    <li
      v-for="g in givens"
      :key="g.name"
      class="given"
      :class="{ dim: trail !== null && !trail.givens.includes(g.name) }"
    >
      <i>{{ g.name }}</i><span class="quiet">{{ g.label ?? "" }}</span
      ><b
        >{{ textOf(g) }}
        <Button link class="kind" :aria-label="g.vary ? `Stop varying ${g.name}` : `Vary ${g.name}`" @click="vary(g)">
          {{ g.vary ? "fix" : "vary" }}
        </Button></b
      ><Slider
        v-if="g.vary"
        class="track"
        :model-value="g.value"
        :min="g.vary.from"
        :max="g.vary.to"
        :step="trackStep(g.vary)"
        :pt="{ handle: { 'aria-label': `Vary ${g.name}` } }"
        @update:model-value="slide(g.name, $event)"
      />
    </li>
  </ul>
</template>

<style scoped>
.given {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0.2rem 0.6rem;
  align-items: baseline;
  padding: 0.25rem 0 0.6rem;
}
.given i {
  font-family: var(--book);
}
.track {
  grid-column: 1 / -1;
  margin: 0.3rem 0.6rem;
}
.kind {
  font-weight: 400;
  font-size: 0.85rem;
}
</style>
