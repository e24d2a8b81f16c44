<script setup lang="ts">
const props = defineProps<{ error: { statusCode?: number; message?: string } }>();
const missing = computed(() => props.error.statusCode === 404);
useHead({ title: "Pasear" });
</script>

<template>
  <div>
    <AppHead />
    <main class="fault">
      <h1>{{ missing ? "There is no page at this address." : "Something went wrong on this page." }}</h1>
      <p class="quiet">
        {{ missing ? "It may have been mistyped." : "What you typed is kept. Opening the case again usually helps." }}
      </p>
      <a href="/">To the shelf of cases</a>
    </main>
  </div>
</template>

<style scoped>
.fault {
  display: grid;
  gap: 0.7rem;
  justify-items: start;
  padding: 3rem 1.5rem;
}
h1 {
  font-family: var(--book);
  font-size: 1.4rem;
}
</style>
