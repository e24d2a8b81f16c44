<script setup lang="ts">
import type { KeptVersion } from "~/utils/caseApi";

/** The kept states of a case, newest first: one is chosen, and each can be given a name. */
defineProps<{ list: readonly KeptVersion[]; when: (v: KeptVersion) => string }>();
const emit = defineEmits<{ rename: [revision: number, name: string | null] }>();
const chosen = defineModel<number | null>({ required: true });
const naming = ref("");
const row = (v: KeptVersion) => ({ ...v });
</script>

<template>
  <div class="list">
    <Listbox
      v-model="chosen"
      :options="list.slice(1).map(row)"
      option-value="revision"
      :option-label="(v: KeptVersion) => v.name ?? when(v)"
      list-style="max-height: 21rem"
      aria-label="Kept states, newest first"
      empty-message="No earlier state yet."
    >
      <template #option="{ option }: { option: KeptVersion }">
        <span class="state"
          ><b v-if="option.name">{{ option.name }}</b
          ><span :class="{ quiet: option.name !== null }">{{ when(option) }}</span
          ><span v-if="option.title !== list[0]?.title" class="quiet">{{ option.title }}</span></span
        >
      </template>
    </Listbox>
    <form
      v-if="chosen !== null"
      class="naming"
      @submit.prevent="
        emit('rename', chosen, naming.trim() || null);
        naming = '';
      "
    >
      <InputText
        v-model="naming"
        size="small"
        fluid
        aria-label="Name of the state"
        placeholder="name it, and it stays"
      />
      <Button type="submit" link>{{ naming.trim() ? "Name it" : "No name" }}</Button>
    </form>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}
.state {
  display: grid;
}
/* Also on the colour of the chosen one. */
.state .quiet {
  color: inherit;
}
.naming {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
.naming .p-button {
  white-space: nowrap;
}
</style>
