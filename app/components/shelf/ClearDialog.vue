<script setup lang="ts">
import type { ShelfCase } from "~/utils/caseApi";

/** Asks before anything is cleared away for good: this is the one thing that nothing brings back. */
const props = defineProps<{ of: readonly ShelfCase[] }>();
const emit = defineEmits<{ clear: [of: readonly ShelfCase[]]; keep: [] }>();
const confirm = useConfirm();
// The dialog below listens once it is there.
onMounted(() => {
  const { of } = props;
  const what = of.length === 1 ? `“${of[0]!.title}” goes with all its earlier states` : `${of.length} cases go`;
  confirm.require({
    header: "Delete for good",
    message: `${what}; nothing brings them back.`,
    acceptLabel: "Delete for good",
    rejectLabel: "Keep",
    rejectProps: { severity: "secondary", outlined: true },
    defaultFocus: "reject",
    accept: () => emit("clear", of),
    reject: () => emit("keep"),
    onHide: () => emit("keep"),
  });
});
</script>

<template>
  <ConfirmDialog :style="{ width: '30rem', maxWidth: '94vw' }" />
</template>
