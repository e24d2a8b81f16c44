<script setup lang="ts">
import type { ShelfCase } from "~/utils/caseApi";

/** Asks before anything is cleared away for good: this is the one thing that nothing brings back. */
const props = defineProps<{ of: readonly ShelfCase[] | null }>();
const emit = defineEmits<{ clear: [of: readonly ShelfCase[]]; keep: [] }>();
const confirm = useConfirm();
watch(
  () => props.of,
  (of) => {
    if (!of) return;
    const what = of.length === 1 ? `“${of[0]!.title}”` : `${of.length} cases`;
    confirm.require({
      header: "Delete for good",
      message: `${what} and all earlier states go for good; nothing brings them back.`,
      acceptLabel: "Delete for good",
      rejectLabel: "Keep",
      rejectProps: { severity: "secondary", outlined: true },
      defaultFocus: "reject",
      accept: () => emit("clear", of),
      reject: () => emit("keep"),
      onHide: () => emit("keep"),
    });
  },
  { immediate: true },
);
</script>

<template>
  <ConfirmDialog :style="{ width: '30rem', maxWidth: '94vw' }" />
</template>
