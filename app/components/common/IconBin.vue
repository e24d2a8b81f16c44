<script setup lang="ts">
import { Trash2 } from "@lucide/vue";
</script>

<template><Trash2 :size="15" aria-hidden="true" /></template>
