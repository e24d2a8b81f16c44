<script setup lang="ts">
import { GripVertical } from "@lucide/vue";
import { freeWordsId, isWords, partOf } from "#core/brief";
import type { BriefRow, CaseFile } from "#core/model";

/** The parts of the brief: switched, put in order by dragging and by keys, own words added between them. */
const props = defineProps<{ document: CaseFile; rows: readonly BriefRow[] }>();
const emit = defineEmits<{ go: [id: string] }>();
const store = useCaseStore();

const nameOf = (row: BriefRow): string => partOf(row.id)?.name ?? "Own words";
/** The beginning of own words, to tell them apart in the list. */
function begun({ blocks = [] }: BriefRow): string {
  const [first] = blocks.flatMap((b) => (b.kind === "list" ? b.items : [b.runs]));
  return (first ?? []).map((r) => ("text" in r ? r.text : "…")).join("");
}

const list = useTemplateRef<HTMLElement>("list");
const moveByKey = useSorting(list, (from, to) => {
  const { id } = props.rows[from]!;
  const others = props.rows.filter((r) => r.id !== id);
  store.apply({ kind: "movePart", id, before: others[to]?.id ?? null });
});
/** Own words come after the part that was last in focus, at first after the answer. */
const last = ref("answer");
function addWords(): void {
  const id = freeWordsId(props.document);
  const after = props.rows.some((r) => r.id === last.value) ? last.value : (props.rows.at(-1)?.id ?? null);
  store.apply({ kind: "addWords", id, after });
  last.value = id;
  emit("go", id);
}
</script>

<template>
  <section class="parts" aria-labelledby="parts-title">
    <h2 id="parts-title" class="panel-title">Parts</h2>
    <ul ref="list">
      <li
        v-for="(row, i) in rows"
        :key="row.id"
        class="part"
        tabindex="-1"
        data-row
        :data-id="row.id"
        @keydown.alt.up="moveByKey(i, -1, $event)"
        @keydown.alt.down="moveByKey(i, 1, $event)"
        @focusin="last = row.id"
      >
        <span class="handle" title="Drag to reorder; Alt and an arrow key move it too" aria-hidden="true"
          ><GripVertical :size="14"
        /></span>
        <label class="name" :for="`part-${row.id}`"
          >{{ nameOf(row) }}<small v-if="isWords(row)">{{ begun(row) }}</small></label
        >
        <Checkbox
          binary
          :input-id="`part-${row.id}`"
          :model-value="!row.off"
          @update:model-value="store.apply({ kind: 'switchPart', id: row.id, on: $event })"
        />
        <label v-if="row.id === 'findings' && !row.off" class="each"
          ><Checkbox
            binary
            size="small"
            :model-value="row.graphs ?? false"
            @update:model-value="store.apply({ kind: 'graphEach', id: row.id, graphs: $event })"
          />
          with a graph of each</label
        >
      </li>
    </ul>
    <Button link @click="addWords">+ Own words</Button>
    <p class="quiet">They come after the part that was touched last.</p>
  </section>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  gap: 0.2rem 0.6rem;
  min-height: 38px;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--hairline);
}
.handle {
  color: var(--ink-3);
  cursor: grab;
  display: flex;
}
.name small {
  display: block;
  color: var(--ink-2);
  max-width: 11rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.each {
  grid-column: 2 / -1;
  display: flex;
  align-items: center;
  gap: 0.45rem;
  font-size: 0.92rem;
  color: var(--ink-2);
}
.parts > .p-button-link {
  margin-top: 0.6rem;
}
</style>
