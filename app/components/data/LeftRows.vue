<script setup lang="ts">
import type { DataTable } from "#core/model";

/** Rows that are left out, with their reasons; and the question why, when one is to be. */
const props = defineProps<{ table: DataTable }>();
/** the row that is about to be left out */
const asked = defineModel<number | null>("asked", { required: true });
const store = useCaseStore();
const reason = ref("");
/** Rows told by name; more of them stand in the table. */
const TOLD = 6;
const told = computed(() => (props.table.left ?? []).slice(0, TOLD));
watch(asked, () => (reason.value = ""));
function leave(): void {
  if (asked.value === null) return;
  store.apply({ kind: "leaveRow", table: props.table.name, row: asked.value, reason: reason.value });
  asked.value = null;
}
</script>

<template>
  <form v-if="asked !== null" class="why" @submit.prevent="leave">
    <label
      >Why is row {{ asked + 1 }} left out?
      <InputText v-model="reason" size="small" placeholder="a storm that day" maxlength="300" /></label
    ><Button type="submit" size="small" label="Leave it out" /><Button link @click="asked = null"> keep it </Button>
  </form>
  <ul v-if="told.length > 0" class="out">
    <li v-for="l in told" :key="l.row" class="quiet">
      row {{ l.row + 1 }} left out{{ l.reason ? `: ${l.reason}` : "" }}
    </li>
  </ul>
</template>

<style scoped>
.why {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.5rem 0;
  font-size: 0.9rem;
}
.why input {
  width: 100%;
}
</style>
