<script setup lang="ts">
/** Words for people in which the lines that are offered can be taken; those the words do not name stand after them. */
const props = defineProps<{ text: string; offers: readonly string[] }>();
const emit = defineEmits<{ take: [line: string] }>();
const parts = computed(() =>
  props.text.split("`").map((text, i) => ({
    text,
    look: i % 2 === 0 ? "plain" : props.offers.includes(text) ? "offer" : "name",
  })),
);
const others = computed(() => props.offers.filter((line) => !parts.value.some((p) => p.text === line)));
</script>

<template>
  <span>
    <template v-for="(p, i) in parts" :key="i">
      <Button v-if="p.look === 'offer'" link class="offer" @click="emit('take', p.text)">{{ p.text }}</Button>
      <b v-else-if="p.look === 'name'">{{ p.text }}</b>
      <template v-else>{{ p.text }}</template>
    </template>
    <Button v-for="line in others" :key="line" link class="offer after" @click="emit('take', line)">{{ line }}</Button>
  </span>
</template>

<style scoped>
.offer {
  display: inline;
}
.after {
  margin-left: 0.5rem;
}
</style>
