<script setup lang="ts">
/** What can be done with several cases at once. */
defineProps<{ count: number }>();
const emit = defineEmits<{ save: []; tag: [tag: string]; remove: []; none: [] }>();
const tag = ref("");
function keep(): void {
  if (tag.value.trim()) emit("tag", tag.value);
  tag.value = "";
}
</script>

<template>
  <div class="chosen" role="group" aria-label="Chosen cases">
    <b>{{ count }} chosen</b>
    <Button link :disabled="count === 0" @click="emit('save')">Save in one file</Button>
    <form @submit.prevent="keep">
      <InputText v-model="tag" size="small" aria-label="Tag for the chosen cases" placeholder="a tag" /><Button
        type="submit"
        link
        :disabled="!tag.trim() || count === 0"
        >Tag them</Button
      >
    </form>
    <Button link :disabled="count === 0" @click="emit('remove')">Delete</Button>
    <Button link @click="emit('none')">Done</Button>
  </div>
</template>

<style scoped>
.chosen {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1.3rem;
  padding: 0.5rem 0.9rem;
  margin-bottom: 0.9rem;
  background: var(--jade-soft);
  border-radius: 6px;
}
form {
  display: flex;
  align-items: center;
  gap: 0.6rem;
}
form input {
  width: 9rem;
}
</style>
