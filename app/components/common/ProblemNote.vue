<script setup lang="ts">
/**
 * What is wrong, or doubtful, in a sentence beside what it speaks of. It is read aloud as soon as it appears where it
 * answers something just done (`alert`), in its turn where it stands until it is mended (`status`), and never by itself
 * (`note`) where it comes and goes with every key.
 */
withDefaults(defineProps<{ text?: string; role?: "alert" | "status" | "note" }>(), { text: "", role: "note" });
const LOUDNESS = { alert: "assertive", status: "polite", note: "off" } as const;
</script>

<template>
  <Message severity="error" variant="simple" size="small" class="problem" :role="role" :aria-live="LOUDNESS[role]">
    <slot><PlainText :text="text" /></slot>
  </Message>
</template>
