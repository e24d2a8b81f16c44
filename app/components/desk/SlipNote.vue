<script setup lang="ts">
import type { Slip } from "#core/slips";

/** A likely mistake with the change that would mend it. */
const props = defineProps<{ slip: Slip }>();
const store = useCaseStore();
function mend(): void {
  const { mend: offered } = props.slip;
  if (offered) store.apply(offered.change, `mend: ${offered.says.charAt(0).toLowerCase()}${offered.says.slice(1)}`);
}
</script>

<template>
  <p class="slip">
    <PlainText :text="slip.message" />
    <Button v-if="slip.mend" text class="mend" @click="mend">{{ slip.mend.says }}</Button>
  </p>
</template>

<style scoped>
.slip {
  color: var(--brick);
  font-size: 0.87rem;
  line-height: 1.5;
}
.mend {
  border: 1px solid var(--jade);
  border-radius: 10px;
  background: var(--paper);
  color: var(--jade);
  padding: 0 9px;
  font-size: 0.85rem;
  font-weight: 600;
  cursor: pointer;
  white-space: normal;
  text-align: left;
}
.mend:hover {
  background: var(--jade-soft);
}
</style>
