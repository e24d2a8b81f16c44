<script setup lang="ts">
import { rangeTrouble, readRangeText } from "#core/entry";
import { rangeTyped } from "#core/explain";
import type { Variable } from "#core/model";
import type { Slip } from "#core/slips";

/** A variable: its meaning, its range, and whether only whole numbers count. */
const props = defineProps<{ variable: Variable; range: string | undefined; slips: readonly Slip[] }>();
const emit = defineEmits<{ remove: [] }>();
const store = useCaseStore();
const written = computed(() => rangeTyped(props.variable));
function setRange(text: string): void {
  const ends = readRangeText(text, store.document?.givens ?? [], props.variable.unit);
  store.apply({ kind: "setRange", name: props.variable.name, from: ends.from, to: ends.to });
}
function toggleWhole(): void {
  store.apply({ kind: "setWhole", name: props.variable.name, whole: props.variable.whole !== true });
}
</script>

<template>
  <NameShown class="name" :name="variable.name" />
  <span class="what"
    ><EditText
      plain
      :value="variable.label ?? ''"
      placeholder="what it is"
      :label="`Meaning of ${variable.name}`"
      @keep="store.apply({ kind: 'describeVariable', name: variable.name, label: $event })"
    />
    <Button
      text
      class="tag"
      :class="{ off: !variable.whole }"
      :aria-pressed="variable.whole === true"
      :title="variable.whole ? 'Only whole numbers count' : 'Any number counts'"
      @click="toggleWhole"
    >
      whole
    </Button></span
  >
  <span class="value"
    ><EditText plain :value="written" :label="`Range of ${variable.name}`" :check="rangeTrouble" @keep="setRange"
      ><b>{{ range ?? written.replaceAll("-", "−") }}</b></EditText
    ></span
  >
  <Button text class="icon-button" :aria-label="`Delete ${variable.name}`" @click="emit('remove')">
    <IconBin />
  </Button>
  <SlipNote v-for="s in slips" :key="s.message" class="wide" :slip="s" />
</template>

<style scoped>
.tag {
  border: 0;
  border-radius: 9px;
  padding: 1px 8px;
  margin-left: 0.4rem;
  background: var(--hairline);
  color: var(--ink);
  font-size: 0.78rem;
  cursor: pointer;
}
.tag.off {
  background: none;
  color: var(--ink-2);
  text-decoration: line-through;
}
</style>
