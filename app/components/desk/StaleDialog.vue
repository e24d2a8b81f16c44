<script setup lang="ts">
import type { CaseFile } from "#core/model";

const visible = defineModel<boolean>("visible", { required: true });
const store = useCaseStore();
const theirs = computed(() => (store.keeping.state === "stale" ? store.keeping.theirs : null));

/** What differs, part by part, in a few words. */
function differences(mine: CaseFile, other: CaseFile): string[] {
  const out: string[] = [];
  const say = (word: string, a: unknown, b: unknown) => {
    if (JSON.stringify(a ?? null) !== JSON.stringify(b ?? null)) out.push(word);
  };
  say("the title", mine.title, other.title);
  say("the story", mine.story, other.story);
  const rows = (word: string, a: { name?: string; id?: string }[] = [], b: { name?: string; id?: string }[] = []) => {
    const key = (r: { name?: string; id?: string }) => r.name ?? r.id ?? "";
    const all = [...new Set([...a, ...b].map(key))].filter(
      (k) =>
        JSON.stringify(a.find((r) => key(r) === k) ?? null) !== JSON.stringify(b.find((r) => key(r) === k) ?? null),
    );
    if (all.length > 0) out.push(`${word} ${all.join(", ")}`);
  };
  rows("given", mine.givens, other.givens);
  rows("variable", mine.variables, other.variables);
  rows("function", mine.functions, other.functions);
  rows("question", mine.questions, other.questions);
  return out;
}
const differing = computed(() =>
  theirs.value && store.document ? differences(store.document, theirs.value.case) : [],
);
function mine(): void {
  store.keepMine();
  visible.value = false;
}
function other(): void {
  store.takeTheirs();
  visible.value = false;
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Two versions of this case"
    :style="{ width: '34rem', maxWidth: '94vw' }"
  >
    <p>
      This case was changed elsewhere since it was opened here, so the change made here was not kept over it. Both
      versions are still there.
    </p>
    <p v-if="differing.length > 0" class="differ">They differ in: {{ differing.join("; ") }}.</p>
    <div class="ways">
      <Button label="Keep what is here" @click="mine" />
      <Button label="Take the other version" severity="secondary" @click="other" />
    </div>
    <p class="quiet">
      Keeping what is here replaces the other version. Taking the other drops the changes made here since.
    </p>
  </Dialog>
</template>

<style scoped>
.differ {
  margin-top: 0.6rem;
  font-weight: 600;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.7rem;
  margin: 1rem 0 0.7rem;
}
</style>
