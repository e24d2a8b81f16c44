<script setup lang="ts">
/** Whether a case is one of those that are chosen together. */
defineProps<{ id: string; title: string }>();
const chosen = defineModel<string[]>({ required: true });
</script>

<template>
  <Checkbox v-model="chosen" size="small" :value="id" :aria-label="`Choose ${title}`" />
</template>
