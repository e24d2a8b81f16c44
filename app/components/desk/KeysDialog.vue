<script setup lang="ts">
const visible = defineModel<boolean>("visible", { required: true });
const keys: [string, string][] = [
  ["/", "to the entry line"],
  ["s g f n", "to Story, Givens, Functions, Findings"],
  ["↑ ↓", "within a list"],
  ["Enter", "change what is focused, in place"],
  ["Esc", "leave"],
  ["t", "the trail of what is focused, as a list"],
  ["Alt+↑ Alt+↓", "move a function in the list"],
  ["Ctrl+Space, Tab", "completions while writing; take the first"],
  ["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
  ["← → on the graph", "move the reading line; with Shift to the next answer"],
  ["+ − 0 on the graph", "closer, wider, reframe"],
  ["?", "this list"],
];
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Keys" :style="{ width: '30rem', maxWidth: '94vw' }">
    <dl>
      <template v-for="[key, what] in keys" :key="key"
        ><dt>{{ key }}</dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.4rem 1.2rem;
  margin: 0;
}
dt {
  font-weight: 600;
  white-space: nowrap;
}
dd {
  margin: 0;
  color: var(--ink-2);
}
</style>
