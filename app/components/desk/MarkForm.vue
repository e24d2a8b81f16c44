<script setup lang="ts">
import type { ComponentPublicInstance } from "vue";
import { likelyRole, markHint, nameMark, namesFor } from "#core/story";
import type { CaseFile, MarkRole } from "#core/model";
import { MARK_ROLES, type ChosenPhrase } from "~/utils/storyMarks";

/** What a phrase of the story is, and what it became; a new mark, or one that is changed. */
const props = defineProps<{ document: CaseFile; chosen: ChosenPhrase }>();
const emit = defineEmits<{ leave: [] }>();
const store = useCaseStore();
const role = ref<MarkRole>("given");
const name = ref("");
const problem = ref<string | null>(null);
const nameField = useTemplateRef<ComponentPublicInstance>("nameField");
const known = computed(() => namesFor(role.value, props.document));
const hint = computed(() => markHint(props.chosen.phrase, role.value, name.value.trim(), props.document));

watch(
  () => props.chosen,
  ({ phrase, existing }) => {
    const mark = existing === null ? null : props.document.story!.marks![existing]!;
    role.value = mark?.role ?? likelyRole(phrase);
    name.value = mark?.of ?? "";
    problem.value = null;
    void nextTick(() => (nameField.value?.$el as HTMLElement | undefined)?.focus());
  },
  { immediate: true },
);
function keep(): void {
  const { start, end, phrase, existing } = props.chosen;
  const of = name.value.trim();
  const named = nameMark(phrase, role.value, of, props.document);
  if ("fault" in named) {
    problem.value = named.fault;
    return;
  }
  const mark = { start, end, role: role.value, ...(of ? { of } : {}) };
  store.apply({ kind: "mark", mark, existing, entry: named.entry });
  emit("leave");
}
function remove(): void {
  store.apply({ kind: "unmark", index: props.chosen.existing! });
  emit("leave");
}
</script>

<template>
  <form
    class="choose"
    :style="{ left: `${chosen.x}px`, top: `${chosen.y}px` }"
    aria-label="Mark this phrase"
    @submit.prevent="keep"
    @keydown.esc.stop="emit('leave')"
    @mouseup.stop
  >
    <div class="roles" role="radiogroup" aria-label="What the phrase is">
      <label v-for="r in MARK_ROLES" :key="r" :class="['story-mark', r, { off: role !== r }]"
        ><RadioButton v-model="role" name="role" :value="r" class="sr-only" />{{ r }}</label
      >
    </div>
    <label class="naming"
      >name
      <InputText
        ref="nameField"
        v-model="name"
        size="small"
        list="known-names"
        spellcheck="false"
        autocomplete="off"
        @input="problem = null"
    /></label>
    <datalist id="known-names"><option v-for="k in known" :key="k" :value="k" /></datalist>
    <ProblemNote v-if="problem" role="alert" :text="problem" />
    <p v-else class="quiet">{{ hint }}</p>
    <div class="row">
      <Button type="submit" size="small" label="Mark" /><Button v-if="chosen.existing !== null" link @click="remove">
        Remove mark</Button
      ><Button link @click="emit('leave')">Leave</Button>
    </div>
  </form>
</template>

<style scoped>
.choose {
  position: absolute;
  z-index: 5;
  width: 300px;
  padding: 0.7rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
  box-shadow: var(--float);
  display: grid;
  gap: 0.5rem;
  font-size: 0.9rem;
}
.roles {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
}
.roles .story-mark {
  padding: 2px 7px;
}
.roles .off {
  opacity: 0.6;
}
.roles label:has(:focus-visible) {
  outline: 2px solid var(--jade);
  outline-offset: 2px;
}
.roles label:not(.off) {
  font-weight: 700;
}
.naming {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.naming input {
  flex: 1;
  min-width: 0;
}
.row {
  display: flex;
  gap: 0.8rem;
  align-items: center;
}
</style>
