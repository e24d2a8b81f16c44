<script setup lang="ts">
import { formatNumber } from "#core/explain";
import type { Owner } from "#core/data";
import type { RankedCard } from "~/workers/dataProtocol";
import { SIDES, type Side } from "~/composables/useSplit";

/** Where the data are split, which model each side has, and what can be made of it. */
defineProps<{
  x: string;
  name: string;
  cards: Record<Side, readonly RankedCard[]> | null;
  jump: string | null;
  meeting: number | null;
  canUse: { readonly left: boolean; readonly right: boolean };
}>();
const at = defineModel<number>("at", { required: true });
const owner = defineModel<Owner>("owner", { required: true });
const left = defineModel<string>("left", { required: true });
const right = defineModel<string>("right", { required: true });
const emit = defineEmits<{ use: []; useSide: [side: Side] }>();

const typed = ref("");
watch(
  at,
  (v) => {
    typed.value = String(v);
  },
  { immediate: true },
);
function keepTyped(): void {
  const v = Number(typed.value.replaceAll(",", ""));
  if (typed.value.trim() !== "" && Number.isFinite(v)) at.value = v;
  else typed.value = String(at.value);
}
const models = { left, right };
const usable = (cards: readonly RankedCard[]) => cards.filter((c) => c.reason === null);
</script>

<template>
  <div class="split">
    <label
      >Break at {{ x }} =
      <input
        v-model="typed"
        type="text"
        size="7"
        aria-label="Place of the break"
        @change="keepTyped"
        @keydown.enter="keepTyped"
    /></label>
    <label
      >owned by the
      <select v-model="owner" aria-label="Which side owns the break">
        <option v-for="side in SIDES" :key="side" :value="side">{{ side }}</option>
      </select>
      side</label
    >
    <label v-for="side in SIDES" :key="side"
      >{{ side }}
      <select
        :value="models[side].value"
        :aria-label="`Model of the ${side} side`"
        @change="models[side].value = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="c in usable(cards?.[side] ?? [])" :key="cardKey(c)" :value="cardKey(c)">
          {{ c.family }}{{ c.method === "logs" ? " on logs" : "" }}
        </option>
      </select></label
    >
    <p v-if="jump !== null" class="quiet">
      {{ jump }}
      <button
        v-if="meeting !== null && Math.abs(meeting - at) > 1e-9 * Math.max(1, Math.abs(at))"
        type="button"
        class="word-button"
        @click="at = meeting"
      >
        Join them at {{ x }} = {{ formatNumber(meeting, 5) }}
      </button>
    </p>
    <Button
      :label="`Use as ${name || 'N'}(${x}) in pieces`"
      size="small"
      :disabled="!canUse.left || !canUse.right"
      @click="emit('use')"
    />
    <span class="sides"
      >or only
      <button type="button" class="word-button" :disabled="!canUse.left" @click="emit('useSide', 'left')">
        the left side as {{ name || "…" }}({{ x }})
      </button>
      ·
      <button type="button" class="word-button" :disabled="!canUse.right" @click="emit('useSide', 'right')">
        the right side
      </button></span
    >
  </div>
</template>

<style scoped>
.split {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  border-top: 1px solid var(--hairline);
  padding-top: 0.6rem;
  font-size: 0.9rem;
}
input,
select {
  font: inherit;
  color: inherit;
  background: var(--paper);
  border-radius: 4px;
}
input {
  border: 1px solid var(--ink-3);
  padding: 1px 5px;
}
select {
  border: 1px solid var(--hairline);
  padding: 1px 4px;
}
</style>
