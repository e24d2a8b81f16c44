<script setup lang="ts">
import type { Chip } from "#core/desk";

/** How sure an answer is, what was set aside, and what is still open, in a few words each. */
defineProps<{ chips: readonly Chip[] }>();
</script>

<template>
  <ul v-if="chips.length > 0" class="chips">
    <li v-for="(c, i) in chips" :key="i"><Tag :value="c.text" :class="c.tone" /></li>
  </ul>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.4rem;
  padding-top: 0.15rem;
}
.p-tag {
  font-size: 0.8rem;
  font-weight: 400;
  padding: 2px 9px;
  border-radius: 10px;
}
.sure {
  background: var(--jade-soft);
  color: var(--jade);
}
.aside {
  background: var(--brick-soft);
  color: var(--brick);
}
.open {
  background: var(--amber-soft);
  color: var(--amber-deep);
}
</style>
