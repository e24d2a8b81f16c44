<script setup lang="ts">
import type { CaseFile } from "#core/model";
import type { Desk } from "#core/desk";
import type { Slip } from "#core/slips";

/** What the case knows: variables with their ranges, and givens. */
const props = defineProps<{
  document: CaseFile;
  desk: Desk | null;
  lit: ReadonlySet<string> | null;
  slips: readonly Slip[];
  ghostName: string | null;
}>();
const emit = defineEmits<{ point: [key: string | null]; begin: [text: string]; ghost: [] }>();
const takeOff = useTakeOff();
const givens = computed(() => props.document.givens ?? []);
const variables = computed(() => props.document.variables ?? []);
const NONE: readonly string[] = [];
const warningsOf = (name: string) => props.desk?.givens.find((g) => g.name === name)?.warnings ?? NONE;
const rangeOf = (name: string) => props.desk?.variables.find((v) => v.name === name)?.range;
const slipsOf = useSlipsByKey(() => props.slips);
const isDim = (key: string) => props.lit !== null && !props.lit.has(key);
const remove = (kind: "given" | "variable", name: string): void => takeOff({ kind, name }, props.desk?.links ?? []);
</script>

<template>
  <section class="panel" aria-labelledby="givens-title">
    <div class="panel-head">
      <h2 id="givens-title" class="panel-title" tabindex="-1">
        Givens<span class="panel-count">{{ givens.length + variables.length }}</span>
      </h2>
      <Button
        v-if="givens.length > 0"
        link
        class="compare"
        :title="ghostName ? `Compared with ${ghostName}` : 'Keep these numbers as a faint curve to compare with'"
        @click="emit('ghost')"
      >
        {{ ghostName ? "End comparing" : "Compare" }}
      </Button>
      <Button link @click="emit('begin', '')">+ Given</Button>
    </div>
    <p v-if="givens.length + variables.length === 0 && !$slots.default" class="quiet">
      Nothing is given yet. Write a variable (<code>q = 0 … 320 lanterns, whole</code>) or a number (<code
        >F = 180 $</code
      >) on the entry line, or select a number in the story.
    </p>
    <ul>
      <PointedRow
        v-for="v in variables"
        :key="`v:${v.name}`"
        v-memo="[v, rangeOf(v.name), slipsOf(`variable:${v.name}`), isDim(`variable:${v.name}`)]"
        :id="`variable:${v.name}`"
        class="row"
        :dim="isDim(`variable:${v.name}`)"
        :data-variable="v.name"
        @point="emit('point', $event)"
      >
        <VariableItem
          :variable="v"
          :range="rangeOf(v.name)"
          :slips="slipsOf(`variable:${v.name}`)"
          @remove="remove('variable', v.name)"
        />
      </PointedRow>
      <PointedRow
        v-for="g in givens"
        :key="`g:${g.name}`"
        v-memo="[g, warningsOf(g.name), slipsOf(`given:${g.name}`), isDim(`given:${g.name}`)]"
        :id="`given:${g.name}`"
        class="row"
        :dim="isDim(`given:${g.name}`)"
        :data-given="g.name"
        @point="emit('point', $event)"
      >
        <GivenItem
          :given="g"
          :warnings="warningsOf(g.name)"
          :slips="slipsOf(`given:${g.name}`)"
          @remove="remove('given', g.name)"
        />
      </PointedRow>
    </ul>
    <slot />
  </section>
</template>

<style scoped>
.compare {
  margin-left: auto;
}
.row {
  display: grid;
  grid-template-columns: 2.2rem minmax(0, 1fr) auto 1.4rem;
  column-gap: 0.5rem;
  align-items: baseline;
  padding: 0.45rem 0;
  border-bottom: 1px solid var(--hairline);
}
.row :deep(.name) {
  font-family: var(--book);
  font-style: italic;
  font-size: 1.1rem;
  overflow-wrap: anywhere;
}
.row :deep(.what) {
  color: var(--ink-2);
  min-width: 0;
}
.row :deep(.value) {
  text-align: right;
}
.row :deep(.wide) {
  grid-column: 1 / -1;
}
.row :deep(.icon-button) {
  align-self: center;
}
/* What is seldom wanted appears where the hand or the focus is. */
.row :deep(.icon-button),
.row :deep(.tag.off),
.row :deep(.bare) {
  opacity: 0;
}
.row :deep(.bare) {
  justify-content: flex-end;
  padding: 0;
  height: 0;
}
.row:is(:hover, :focus-within) :deep(:is(.icon-button, .tag.off, .bare)) {
  opacity: 1;
}
.row:is(:hover, :focus-within) :deep(.bare) {
  height: auto;
}
</style>
