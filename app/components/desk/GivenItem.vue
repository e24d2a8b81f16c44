<script setup lang="ts">
import { readAmountText, retypedAmount, parseUnit } from "#core/units";
import { formatQuantity } from "#core/explain";
import type { Given } from "#core/model";
import { trackOf, trackStep } from "#core/desk";
import type { Slip } from "#core/slips";

/** A given: its meaning and value, changed where they stand, and a track to vary it on. */
const props = defineProps<{ given: Given; warnings: readonly string[]; slips: readonly Slip[] }>();
const emit = defineEmits<{ remove: [] }>();
const store = useCaseStore();
const shown = computed(() => {
  const { value, unit } = props.given;
  return formatQuantity(value, unit ? parseUnit(unit).unit : null, 12);
});
const step = computed(() => trackStep(props.given.vary!));
const isSlip = (message: string) => props.slips.some((s) => s.message === message);

function check(text: string): string | null {
  const read = readAmountText(text);
  return read && read.rest.trim() === ""
    ? null
    : "A number should stand here, with its unit if it changes: 180, $180, 4.2 %.";
}
function setValue(text: string): void {
  const read = readAmountText(text);
  const { name, unit } = props.given;
  if (read) store.apply({ kind: "setGiven", name, ...retypedAmount(read, unit) });
}
/** Where the hand is now; while it drags, the rest of the row waits for its answers. */
const here = computed(
  () => store.document?.givens?.find((r) => r.name === props.given.name)?.value ?? props.given.value,
);
function slide(value: number | number[]): void {
  const v = Number((Array.isArray(value) ? value[0]! : value).toPrecision(12));
  store.apply({ kind: "slideGiven", name: props.given.name, value: v, in: "desk" });
}
/**
 * A handle that is held keeps the pointer: what lies under a hand that strays from the track neither answers nor lights
 * up.
 */
function hold(event: PointerEvent): void {
  const handle = (event.target as Element).closest('[role="slider"]');
  if (handle && event.button === 0) handle.setPointerCapture(event.pointerId);
}
function vary(): void {
  const { name, value, vary: track } = props.given;
  store.apply({ kind: "setTrack", name, track: track ? null : trackOf(value) });
}
</script>

<template>
  <NameShown class="name" :name="given.name" />
  <span class="what"
    ><EditText
      plain
      :value="given.label ?? ''"
      placeholder="what it is"
      :label="`Meaning of ${given.name}`"
      @keep="store.apply({ kind: 'describeGiven', name: given.name, label: $event })"
  /></span>
  <span class="value"
    ><EditText plain :value="shown" :label="`Value of ${given.name}`" :check="check" @keep="setValue"
      ><b>{{ shown }}</b></EditText
    ></span
  >
  <Button text class="icon-button" :aria-label="`Delete ${given.name}`" @click="emit('remove')">
    <IconBin />
  </Button>
  <div v-if="given.vary" class="track" @pointerdown="hold">
    <Slider
      :model-value="here"
      :min="given.vary.from"
      :max="given.vary.to"
      :step="step"
      :pt="{ handle: { 'aria-label': `Vary ${given.name}` } }"
      @update:model-value="slide"
    />
    <Button link class="small" :aria-label="`Stop varying ${given.name}`" @click="vary"> fix </Button>
  </div>
  <div v-else class="track bare">
    <Button link class="small" :aria-label="`Vary ${given.name}`" @click="vary">vary</Button>
  </div>
  <template v-for="w in warnings" :key="w"><ProblemNote v-if="!isSlip(w)" class="wide" :text="w" /></template>
  <SlipNote v-for="s in slips" :key="s.message" class="wide" :slip="s" />
</template>

<style scoped>
.track {
  grid-column: 2 / -1;
  display: flex;
  align-items: center;
  gap: 0.9rem;
  padding: 0.35rem 0 0.1rem 0.5rem;
}
.track .p-slider {
  flex: 1;
}
.small {
  font-size: 0.8rem;
  font-weight: 400;
}
</style>
