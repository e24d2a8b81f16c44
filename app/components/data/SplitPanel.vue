<script setup lang="ts">
import { formatNumber } from "#core/explain";
import type { Owner } from "#core/data";
import { thinWords, type RankedCard } from "#core/choice";
import { SIDES, type Side } from "~/composables/useSplit";

/** Where the data are split, which model each side has, and what can be made of it. */
const props = defineProps<{
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
const choices = (side: Side) =>
  (props.cards?.[side] ?? [])
    .filter((c) => c.reason === null)
    .map((c) => ({ key: cardKey(c), text: `${c.family}${c.method === "logs" ? " on logs" : ""}` }));
/** A side with hardly more rows than constants says so. */
function thin(side: Side): string | null {
  const card = props.cards?.[side].find((c) => cardKey(c) === models[side].value);
  return card ? thinWords(card.n, card.constants.length) : null;
}
</script>

<template>
  <div class="split">
    <label
      >Break at {{ x }} =
      <InputText
        v-model="typed"
        size="small"
        class="short"
        aria-label="Place of the break"
        @change="keepTyped"
        @keydown.enter="keepTyped"
    /></label>
    <span
      >owned by the
      <Select v-model="owner" size="small" aria-label="Which side owns the break" :options="[...SIDES]" />
      side</span
    >
    <span v-for="side in SIDES" :key="side"
      >{{ side }}
      <Select
        size="small"
        option-label="text"
        option-value="key"
        :options="choices(side)"
        :model-value="models[side].value"
        :aria-label="`Model of the ${side} side`"
        @update:model-value="models[side].value = $event" /><ProblemNote v-if="thin(side)" :text="thin(side)!"
    /></span>
    <p v-if="jump !== null" class="quiet">
      {{ jump }}
      <Button
        v-if="meeting !== null && Math.abs(meeting - at) > 1e-9 * Math.max(1, Math.abs(at))"
        link
        @click="at = meeting"
      >
        Join them at {{ x }} = {{ formatNumber(meeting, 5) }}
      </Button>
    </p>
    <Button
      :label="`Use as ${name || 'N'}(${x}) in pieces`"
      size="small"
      :disabled="!canUse.left || !canUse.right"
      @click="emit('use')"
    />
    <span class="sides"
      >or only
      <Button link :disabled="!canUse.left" @click="emit('useSide', 'left')">
        the left side as {{ name || "…" }}({{ x }})
      </Button>
      ·
      <Button link :disabled="!canUse.right" @click="emit('useSide', 'right')"> the right side </Button></span
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
.short {
  width: 5.5rem;
}
</style>
