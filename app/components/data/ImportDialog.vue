<script setup lang="ts">
import { freeName, type ReadTable } from "#core/data";
import type { CaseFile } from "#core/model";
import { useDataWorker } from "~/composables/useData";

/** What was understood of a pasted text or a file is shown before it is kept. */
const props = defineProps<{ document: CaseFile }>();
const visible = defineModel<boolean>("visible", { required: true });
const emit = defineEmits<{ kept: [name: string] }>();
const store = useCaseStore();
const worker = useDataWorker();
const text = ref("");
const title = ref("");
const problem = ref<string | null>(null);
const read = shallowRef<ReadTable | null>(null);
const field = useTemplateRef<HTMLInputElement>("field");

function clear(): void {
  text.value = "";
  title.value = "";
  problem.value = null;
  read.value = null;
  worker.cancel();
}
watch(visible, (now) => {
  if (now) clear();
  else worker.cancel();
});
async function look(source: { text: string } | { file: File }): Promise<void> {
  problem.value = null;
  read.value = null;
  try {
    const reply = await worker.ask<"read">({ kind: "read", ...source });
    if (!reply) return;
    if (reply.result.ok) read.value = reply.result.table;
    else problem.value = reply.result.message;
  } catch (failure) {
    problem.value = failure instanceof Error ? failure.message : String(failure);
  }
}
let timer: ReturnType<typeof setTimeout> | undefined;
watch(text, (now) => {
  clearTimeout(timer);
  if (now.trim() === "") {
    read.value = null;
    problem.value = null;
    return;
  }
  timer = setTimeout(() => void look({ text: now }), 250);
});
function chosen(event: Event): void {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (file) takeFile(file);
}
function takeFile(file: File): void {
  if (file.size > 60_000_000) {
    problem.value = `“${file.name}” has ${Math.round(file.size / 1e6)} MB; up to 60 are read.`;
    return;
  }
  title.value ||= file.name.replace(/\.\w+$/, "");
  void look({ file });
}
function dropped(event: DragEvent): void {
  const file = event.dataTransfer?.files[0];
  if (file) takeFile(file);
}
function keep(): void {
  if (!read.value) return;
  const base = title.value.trim() || read.value.columns.find((c) => c.kind === "number")?.name || "data";
  const kept = freeName(base, props.document);
  store.apply({ kind: "addTable", read: toRaw(read.value), title: base, name: kept });
  visible.value = false;
  emit("kept", kept);
}
defineExpose({
  take: (pasted: string) => {
    text.value = pasted;
    void look({ text: pasted });
  },
  takeFile,
});
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Data from elsewhere" :style="{ width: '46rem', maxWidth: '96vw' }">
    <div class="rows" @dragover.prevent @drop.prevent="dropped">
      <label class="paste"
        >Paste a table: rows below each other, columns parted by tabs, commas or semicolons<Textarea
          v-model="text"
          rows="5"
          autofocus
          spellcheck="false"
          placeholder="price [$]	sold
6	240
9	150"
      /></label>
      <p class="file">
        <input
          ref="field"
          type="file"
          accept=".csv,.tsv,.txt,.xlsx,.json"
          class="sr-only"
          aria-label="File with a table"
          tabindex="-1"
          @change="chosen"
        /><Button label="Or choose a file" size="small" severity="secondary" outlined @click="field?.click()" />
        <span class="quiet">CSV, TSV, XLSX or JSON; it can be dropped here too</span>
      </p>
      <p v-if="worker.busy.value" class="busy" role="status">
        Reading … {{ Math.round(worker.progress.value * 100) }} %
        <Button link @click="worker.cancel()">cancel</Button>
      </p>
      <ProblemNote v-if="problem" role="alert" :text="problem" />
      <template v-if="read">
        <ReadShown :read="read" />
        <label class="name"
          >Name of the data
          <InputText
            v-model="title"
            size="small"
            :placeholder="read.columns.find((c) => c.kind === 'number')?.name ?? 'data'"
        /></label>
      </template>
    </div>
    <template #footer
      ><Button label="Leave" severity="secondary" text @click="visible = false" /><Button
        label="Keep the rows"
        :disabled="!read"
        @click="keep"
    /></template>
  </Dialog>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 0.7rem;
}
.paste {
  display: grid;
  gap: 0.3rem;
}
.paste textarea {
  font-family: inherit;
  width: 100%;
  tab-size: 12;
}
.file {
  display: flex;
  gap: 0.7rem;
  align-items: center;
  flex-wrap: wrap;
}
.name {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
</style>
