<script setup lang="ts">
/** A row of the desk's lists: whatever points at it, by hand or by focus, lights its trail. */
defineProps<{
  /** what it stands for, as trails name it */
  id: string;
  dim: boolean;
}>();
const emit = defineEmits<{ point: [id: string | null] }>();
</script>

<template>
  <li
    :class="{ dim }"
    tabindex="-1"
    data-row
    @mouseenter="emit('point', id)"
    @mouseleave="emit('point', null)"
    @focusin="emit('point', id)"
    @focusout="emit('point', null)"
  >
    <slot />
  </li>
</template>
