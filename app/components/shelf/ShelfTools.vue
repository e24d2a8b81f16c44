<script setup lang="ts">
import { caseApi } from "~/utils/caseApi";

/** The order of the shelf, and the tag its cases are seen by. */
const shelf = useShelfStore();
const { sort, tag, list } = storeToRefs(shelf);
const SORTS = [
  { id: "touched", says: "touched last" },
  { id: "made", says: "made last" },
  { id: "title", says: "by title" },
];
const tags = shallowRef<readonly { tag: string; cases: number }[]>([]);
async function load(): Promise<void> {
  tags.value = await caseApi.tags().catch(() => tags.value);
}
// Tags come and go with what is on the shelf.
watch(list, load, { immediate: true });
const choices = computed(() => [
  { tag: "", says: "all tags" },
  ...tags.value.map((t) => ({ tag: t.tag, says: `${t.tag} (${t.cases})` })),
]);
watch([sort, tag], shelf.search);
</script>

<template>
  <Select
    v-model="sort"
    size="small"
    aria-label="Order of the cases"
    :options="SORTS"
    option-label="says"
    option-value="id"
  />
  <Select
    v-if="tags.length > 0 || tag !== ''"
    v-model="tag"
    size="small"
    aria-label="Tag"
    :options="choices"
    option-label="says"
    option-value="tag"
  />
</template>
