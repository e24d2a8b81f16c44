<script setup lang="ts">
import type { CaseFile } from "#core/model";
import { caseApi, type ShelfCase } from "~/utils/caseApi";

/** What to compare with: these numbers as they stand now, or another case of the shelf. */
const props = defineProps<{ document: CaseFile; ownId: string }>();
const visible = defineModel<boolean>("visible", { required: true });
const emit = defineEmits<{ choose: [ghost: { name: string; document: CaseFile }] }>();
const cards = shallowRef<ShelfCase[] | null>(null);
const problem = ref<string | null>(null);

watch(
  visible,
  async (now) => {
    if (!now) return;
    problem.value = null;
    try {
      cards.value = (await caseApi.list(200)).filter((c) => c.id !== props.ownId);
    } catch {
      cards.value = [];
      problem.value = "The shelf cannot be reached just now.";
    }
  },
  { immediate: true },
);
function hold(): void {
  const numbers = (props.document.givens ?? []).filter((g) => g.vary).map((g) => `${g.name} = ${g.value}`);
  emit("choose", {
    name: numbers.length > 0 && numbers.length < 4 ? `with ${numbers.join(", ")}` : "before",
    document: JSON.parse(JSON.stringify(props.document)) as CaseFile,
  });
  visible.value = false;
}
async function choose(card: ShelfCase): Promise<void> {
  try {
    const kept = await caseApi.get(card.id);
    emit("choose", { name: kept.title, document: kept.case });
    visible.value = false;
  } catch {
    problem.value = `“${card.title}” could not be opened.`;
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Compare with" :style="{ width: '32rem', maxWidth: '95vw' }">
    <div class="ways">
      <Button text class="way" @click="hold">
        <b>These numbers as they are now</b
        ><span class="quiet">Their curves stay as a pale band while you vary a given.</span>
      </Button>
      <template v-if="cards && cards.length > 0">
        <p class="panel-title">Another case</p>
        <Button v-for="c in cards" :key="c.id" text class="way" @click="choose(c)">
          <b>{{ c.title }}</b><span v-if="c.summary?.says" class="quiet">{{ c.summary.says }}</span>
        </Button>
        <p class="quiet">Functions of the same name and unit are drawn.</p>
      </template>
      <ProblemNote v-if="problem" role="alert" :text="problem" />
    </div>
  </Dialog>
</template>

<style scoped>
.ways {
  display: grid;
  gap: 0.5rem;
}
.way {
  display: grid;
  gap: 2px;
  text-align: left;
  padding: 0.5rem 0.8rem;
  border: 1px solid var(--hairline);
  border-radius: 8px;
  background: var(--paper);
  cursor: pointer;
}
.way:hover {
  border-color: var(--jade);
  background: var(--jade-soft);
}
</style>
