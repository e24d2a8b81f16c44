<script setup lang="ts">
import { ChevronDown } from "@lucide/vue";
import { until } from "@vueuse/core";
import { caseApi } from "~/utils/caseApi";

/** The order of the shelf, and the tag its cases are seen by. */
const shelf = useShelfStore();
const { sort, tag, list } = storeToRefs(shelf);
const SORTS = { touched: "touched last", made: "made last", title: "by title" } as const;
const ALL = "all tags";
const tags = shallowRef<readonly { tag: string; cases: number }[]>([]);
async function load(): Promise<void> {
  tags.value = await caseApi.tags().catch(() => tags.value);
}
// Tags come and go with what is on the shelf.
watch(() => list.value.map((c) => c.tags.join()).join(), load, { immediate: true });
watch([sort, tag], shelf.search);

const orders = (Object.keys(SORTS) as (keyof typeof SORTS)[]).map((id) => ({
  label: SORTS[id],
  command: () => void (sort.value = id),
}));
const choices = computed(() => [
  { label: ALL, command: () => void (tag.value = "") },
  ...tags.value.map((t) => ({ label: `${t.tag} (${t.cases})`, command: () => void (tag.value = t.tag) })),
]);

/** The menu comes with the first press: the shelf is light without it. */
const LazyMenu = later(() => import("primevue/menu"));
const opened = shallowRef<"order" | "tag" | null>(null);
const menu = useTemplateRef<{ show: (event: Pick<Event, "currentTarget">) => void }>("menu");
async function open(which: "order" | "tag", { currentTarget }: Event): Promise<void> {
  opened.value = which;
  await until(menu).toBeTruthy();
  await nextTick();
  menu.value?.show({ currentTarget });
}
</script>

<template>
  <Button
    severity="secondary"
    outlined
    aria-haspopup="menu"
    :aria-label="`Order of the cases: ${SORTS[sort]}`"
    @click="open('order', $event)"
    >{{ SORTS[sort] }} <ChevronDown :size="15" aria-hidden="true" />
  </Button>
  <Button
    v-if="tags.length > 0 || tag !== ''"
    severity="secondary"
    outlined
    aria-haspopup="menu"
    :aria-label="`Tag: ${tag || ALL}`"
    @click="open('tag', $event)"
    >{{ tag || ALL }} <ChevronDown :size="15" aria-hidden="true" />
  </Button>
  <LazyMenu
    v-if="opened"
    ref="menu"
    popup
    :model="opened === 'order' ? orders : choices"
    :aria-label="opened === 'order' ? 'Order of the cases' : 'Tag'"
  />
</template>
