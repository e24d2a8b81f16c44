<script setup lang="ts">
import type { StoryReading } from "~/composables/useReading";

/** One line over what a story offers: how much it is, what was left aside, and how it is taken. */
defineProps<{ reading: StoryReading }>();
const emit = defineEmits<{ each: [] }>();
</script>

<template>
  <section class="entry" aria-label="What the story offers">
    <div class="told">
      <p role="status">
        <b>Read: {{ reading.shown.length }} {{ reading.shown.length === 1 ? "offer" : "offers" }}.</b>
        Nothing counts before it is taken.
      </p>
      <p v-for="note in reading.notes" :key="note" class="quiet">{{ note }}</p>
    </div>
    <Button label="Accept all" aria-keyshortcuts="a" @click="reading.takeAll()" />
    <Button link label="one by one" @click="emit('each')" />
    <Button link label="not now" @click="reading.putOff(true)" />
  </section>
</template>

<style scoped>
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.1rem;
  align-items: center;
  min-height: 53px;
  padding: 0.5rem 1.1rem;
  background: var(--paper);
  border-block: 1px solid var(--hairline);
}
.told {
  flex: 1 1 20rem;
  max-height: 4.4rem;
  overflow-y: auto;
}
.told .quiet {
  font-size: 0.87rem;
}
</style>
