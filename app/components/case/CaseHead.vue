<script setup lang="ts">
import { CircleHelp, History, Redo2, Undo2 } from "@lucide/vue";
import { CASE_VIEWS, type CaseViewId } from "~/utils/caseViews";

/** The head of an open case: its title, its views, how it is kept, back and forth through its changes. */
defineProps<{ title: string | null; where: CaseViewId; undoName: string | null; redoName: string | null }>();
const emit = defineEmits<{ go: [view: CaseViewId]; undo: []; redo: []; help: []; choose: []; versions: [] }>();
const store = useCaseStore();
const dataCount = computed(() => store.document?.data?.length ?? 0);
const checkTitle = (typed: string) => (typed.trim() ? null : "A case needs a title.");
</script>

<template>
  <AppHead :title="title">
    <template #title
      ><h1 class="title">
        <EditText
          v-if="title !== null"
          plain
          :value="title"
          label="Title of the case"
          :check="checkTitle"
          @keep="store.apply({ kind: 'renameCase', title: $event })"
        /></h1
    ></template>
    <template #views
      ><nav class="views" aria-label="Views">
        <Button
          v-for="(v, i) in CASE_VIEWS"
          :key="v.id"
          text
          class="view"
          :aria-current="where === v.id ? 'page' : undefined"
          :title="`${v.name} (${i + 1})`"
          @click="emit('go', v.id)"
        >
          {{ v.name }}<small v-if="v.id === 'data' && dataCount > 0">{{ dataCount }}</small
          ><i v-if="where === v.id" aria-hidden="true" />
        </Button></nav
    ></template>
    <template #side>
      <KeepState @choose="emit('choose')" />
      <Button
        text
        class="icon-button light"
        :disabled="undoName === null"
        :title="undoName === null ? 'Nothing to undo' : `Undo: ${undoName}`"
        aria-label="Undo"
        @click="emit('undo')"
      >
        <Undo2 :size="17" aria-hidden="true" />
      </Button>
      <Button
        text
        class="icon-button light"
        :disabled="redoName === null"
        :title="redoName === null ? 'Nothing to do again' : `Do again: ${redoName}`"
        aria-label="Redo"
        @click="emit('redo')"
      >
        <Redo2 :size="17" aria-hidden="true" />
      </Button>
      <Button text class="icon-button light" title="Versions" aria-label="Versions" @click="emit('versions')">
        <History :size="17" aria-hidden="true" />
      </Button>
      <Button text class="icon-button light" title="Help (?)" aria-label="Help" @click="emit('help')">
        <CircleHelp :size="17" aria-hidden="true" />
      </Button>
    </template>
  </AppHead>
</template>

<style scoped>
.title {
  font-size: 1rem;
  font-weight: 700;
  color: var(--river-ink);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.title :deep(input) {
  color: var(--ink);
}
.title :deep(.shown:hover) {
  color: var(--amber);
  border-bottom-color: var(--amber);
}
.views {
  display: flex;
  align-self: stretch;
  margin-left: 0.8rem;
  gap: 0.2rem;
}
.view {
  position: relative;
  border: 0;
  background: none;
  color: var(--river-soft);
  padding: 0 0.75rem;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 0.35rem;
}
.view:hover {
  color: var(--river-ink);
}
.view[aria-current] {
  color: var(--river-ink);
  font-weight: 700;
}
.view small {
  color: var(--river-soft);
  font-weight: 400;
}
.view i {
  position: absolute;
  left: 50%;
  bottom: 0;
  width: 9px;
  height: 9px;
  margin-left: -4px;
  border-radius: 3px 3px 0 0;
  background: var(--amber);
  box-shadow: 0 0 9px var(--amber);
}
.light {
  color: var(--river-ink);
}
.light:hover:not(:disabled) {
  color: var(--amber);
  background: none;
}
@media (max-width: 900px) {
  .views {
    margin-left: 0;
  }
  .view {
    padding: 0 0.4rem;
  }
}
</style>
