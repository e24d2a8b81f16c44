<script setup lang="ts">
const store = useCaseStore();
const emit = defineEmits<{ choose: [] }>();
// Hours and minutes, 09:05; to ask for a language's own way takes the page 20 ms while a case opens.
const clock = (at: number) => new Date(at).toTimeString().slice(0, 5);
const text = computed(() => {
  const k = store.keeping;
  switch (k.state) {
    case "kept":
      return k.at ? `All changes kept · ${clock(k.at)}` : "All changes kept";
    case "waiting":
    case "sending":
      return "Keeping …";
    case "away":
      return `${k.why ?? "The server does not answer."} ${
        k.isHeld
          ? "Changes are held in this browser and sent when it can keep them."
          : "This browser's store is full: leave this page open, or what you changed is lost."
      }`;
    case "stale":
      return "Changed elsewhere: two versions";
    case "gone":
      return "This case was deleted elsewhere";
    case "refused":
      return `Not kept: ${k.message}`;
  }
  return "";
});
const trouble = computed(() => !["kept", "waiting", "sending"].includes(store.keeping.state));
</script>

<template>
  <span class="keep" :class="{ trouble }" role="status">{{ text }}</span>
  <Button v-if="store.keeping.state === 'stale'" link @click="emit('choose')"> Choose </Button>
  <Button v-if="store.keeping.state === 'gone'" link @click="store.bringBack()"> Bring it back </Button>
</template>

<style scoped>
.keep {
  max-width: 28rem;
}
.trouble {
  color: var(--amber);
  font-weight: 600;
}
.p-button-link {
  color: var(--amber);
  text-decoration: underline;
}
@media (max-width: 640px) {
  .keep:not(.trouble) {
    display: none;
  }
  .keep.trouble {
    order: 2;
    flex-basis: 100%;
    max-width: none;
    padding: 0.3rem 0 0.6rem;
  }
  .p-button-link {
    order: 3;
    padding-bottom: 0.6rem;
  }
}
</style>
