<script setup lang="ts">
import type { CaseFile } from "#core/model";

/**
 * A function by pieces: each row its formula and its ends, who owns each break, a small picture, and the same written
 * with unit steps.
 */
const props = defineProps<{ document: CaseFile; edited: string | null }>();
const visible = defineModel<boolean>("visible", { required: true });
const { pieces, name, of, before, begin, row, tried, step, isBad, put, turn, add, remove, keep, keepWithSteps } =
  usePieces(
    () => props.document,
    () => props.edited,
  );
const isReady = computed(() => tried.value.problems.length === 0);
watch(visible, (now) => now && begin(), { immediate: true });

function keepBy(way: () => void): void {
  if (!isReady.value) return;
  way();
  visible.value = false;
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="before ? `Pieces of ${before.name}` : 'A function by pieces'"
    :style="{ width: '44rem', maxWidth: '96vw' }"
  >
    <div class="pieces">
      <div class="line">
        <label
          >Name
          <InputText
            v-model="name"
            :disabled="before !== null"
            size="small"
            aria-label="Name of the function"
            class="short"
        /></label>
        <span
          >of
          <Select
            v-model="of"
            size="small"
            aria-label="Variable"
            :disabled="before !== null"
            :options="(document.variables ?? []).map((v) => v.name)"
        /></span>
      </div>
      <ol>
        <PieceLine
          v-for="(p, i) in pieces"
          :key="i"
          :piece="p"
          :index="i"
          :of="of"
          :is-bad="isBad(p.text)"
          @put="put(i, $event)"
          @turn="turn(i, $event)"
          @remove="remove(i)"
        />
      </ol>
      <Button link @click="add">+ Piece</Button>
      <MiniGraph
        v-if="tried.picture"
        :picture="tried.picture"
        :names="[row.name]"
        label="Small picture of the pieces"
      />
      <ProblemNote v-for="p in tried.problems" :key="p" :text="p" />
      <p v-for="n in tried.notes" :key="n" class="quiet"><PlainText :text="n" /></p>
      <p v-if="isReady" class="quiet">
        <template v-if="step.ok"
          >With unit steps: <code>{{ name }}({{ of }}) = {{ step.text }}</code></template
        ><PlainText v-else :text="step.message" />
      </p>
    </div>
    <template #footer>
      <Button label="Leave" severity="secondary" text @click="visible = false" />
      <Button
        v-if="step.ok"
        label="Also write it with unit steps"
        severity="secondary"
        outlined
        :disabled="!isReady"
        @click="keepBy(keepWithSteps)"
      />
      <Button label="Keep the pieces" :disabled="!isReady" @click="keepBy(keep)" />
    </template>
  </Dialog>
</template>

<style scoped>
.pieces {
  display: grid;
  gap: 0.7rem;
  justify-items: start;
}
.line {
  display: flex;
  gap: 1.2rem;
  align-items: center;
}
ol {
  display: grid;
  gap: 0.4rem;
  width: 100%;
}
.short {
  width: 5.5rem;
}
code {
  color: var(--ink);
}
</style>
