<script setup lang="ts">
import type { TypedPiece } from "#core/story";

/** A piece as it is typed: its formula, from where to where, and whether it owns these ends. */
const props = defineProps<{ piece: TypedPiece; index: number; of: string; isBad: boolean }>();
const emit = defineEmits<{ put: [TypedPiece]; turn: [side: "low" | "high"]; remove: [] }>();
const put = (part: Partial<TypedPiece>) => emit("put", { ...props.piece, ...part });
const words = computed(() => `piece ${props.index + 1}`);
const owners = computed(() =>
  (
    [
      ["low", "start"],
      ["high", "end"],
    ] as const
  ).map(([side, end]) => ({
    side,
    end,
    owns: props.piece[side],
    title: props.piece[side] ? `owns its ${end}` : `does not own its ${end}`,
  })),
);
</script>

<template>
  <li>
    <InputText
      :model-value="piece.text"
      size="small"
      class="formula"
      :autofocus="index === 0"
      :aria-label="`Formula of ${words}`"
      :invalid="isBad"
      placeholder="formula"
      @update:model-value="put({ text: $event ?? '' })"
    />
    <InputText
      :model-value="piece.from"
      size="small"
      class="short"
      :aria-label="`Start of ${words}`"
      placeholder="−∞"
      @update:model-value="put({ from: $event ?? '' })"
    />
    <template v-for="o in owners" :key="o.side">
      <span v-if="o.side === 'high'" class="var">{{ of }}</span>
      <Button
        text
        class="owner"
        :aria-pressed="o.owns"
        :aria-label="`Piece ${index + 1} owns its ${o.end}`"
        :title="o.title"
        @click="emit('turn', o.side)"
      >
        {{ o.owns ? "≤" : "<" }}
      </Button>
    </template>
    <InputText
      :model-value="piece.to"
      size="small"
      class="short"
      :aria-label="`End of ${words}`"
      placeholder="&infin;"
      @update:model-value="put({ to: $event ?? '' })"
    />
    <Button text class="icon-button" :aria-label="`Remove ${words}`" @click="emit('remove')">
      <IconBin />
    </Button>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 0.4rem;
  align-items: center;
  flex-wrap: wrap;
}
.formula {
  flex: 1 1 10rem;
  min-width: 8rem;
}
.short {
  width: 5.5rem;
}
.owner {
  width: 2rem;
  height: 2rem;
  border: 1px solid var(--ink-3);
  border-radius: 6px;
  background: var(--paper);
  cursor: pointer;
  font-size: 1.05rem;
}
.owner:hover {
  border-color: var(--jade);
  color: var(--jade);
}
.var {
  font-family: var(--book);
  font-style: italic;
}
</style>
