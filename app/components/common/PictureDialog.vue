<script setup lang="ts">
import { watchDebounced } from "@vueuse/core";
import type { Picture } from "#core/graph";
import type { RegionView } from "~/charts/regionOption";
import { withOwnLetters } from "~/paper/ownLetters";
import { graphSheet, regionSheet, sheetFile, sheetPng, sheetSvg, type Sheet } from "~/paper/pictureFile";
import { fileName, saveFile } from "~/paper/saveFile";
import { graphChoices, regionChoices, type PaperChoices, type PaperForm } from "~/paper/paperForm";

/** A graph set for a document: its size on paper, its words and its ink, seen before it is saved or copied. */
const props = defineProps<{
  /** the graph of the desk, or the region of a plan, as it stands when it is asked for */
  of: () => { readonly graph: Picture } | { readonly region: RegionView };
  caseTitle: string;
}>();
const visible = defineModel<boolean>("visible", { required: true });
const toast = useToast();
function sheetOf(form: PaperForm): Promise<Sheet> {
  const of = props.of();
  return "graph" in of ? graphSheet(of.graph, form) : regionSheet(of.region, form);
}
function choicesNow(): PaperChoices {
  const of = props.of();
  return "graph" in of ? graphChoices(of.graph) : regionChoices(of.region);
}
/** Sides of a picture that a page takes, in cm. */
const SIDE = { least: 4, most: 60 };

/** What there is to choose, as it was when the dialog was opened last. */
const offered = shallowRef<PaperChoices | null>(null);
const form = ref({
  kind: "png" as PaperForm["kind"],
  clear: false,
  title: props.caseTitle,
  width: 0,
  height: 0,
  ink: "colour" as PaperForm["ink"],
  across: "",
  upwards: [] as string[],
  names: true,
  named: [] as string[],
});
/** What is chosen stays for the next time; what the case says is said anew. */
function fill(): void {
  const now = choicesNow();
  const before = offered.value;
  const wasThere = (key: string) => before?.answers.some((a) => a.key === key) ?? false;
  const own = form.value;
  own.named = now.answers.map((a) => a.key).filter((key) => !wasThere(key) || own.named.includes(key));
  own.upwards = now.upwards.map((text, i) => (before ? (own.upwards[i] ?? text) : text));
  own.title = props.caseTitle;
  if (!before) Object.assign(own, { across: now.across, width: now.width, height: now.height });
  offered.value = now;
}
watch(visible, (now) => now && fill(), { immediate: true });

const chosen = (): PaperForm => ({
  ...form.value,
  title: form.value.title.trim(),
  upwards: [...form.value.upwards],
  named: [...form.value.named],
});
/** The picture as it will be, drawn again a moment after a change, in ms. */
const REST = 150;
const preview = ref("");
async function draw(): Promise<void> {
  if (!visible.value) return;
  const now = chosen();
  const svg = await withOwnLetters(sheetSvg(await sheetOf(now), now));
  preview.value = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
}
watchDebounced([form, visible], draw, { debounce: REST, deep: true, immediate: true });

const name = () => `${fileName(form.value.title, "graph")}.${form.value.kind}`;
async function attempt(work: () => Promise<void>, done: string): Promise<void> {
  try {
    await work();
    toast.add({ severity: "info", summary: done, life: 2500 });
  } catch (failure) {
    const detail = failure instanceof Error ? failure.message : "";
    toast.add({ severity: "warn", summary: "The picture was not made.", detail, life: 5000 });
  }
}
const picture = async (): Promise<Blob> => {
  const now = chosen();
  const sheet = await sheetOf(now);
  return now.kind === "svg" ? sheetFile(sheet, now) : sheetPng(sheet, now);
};
const save = () =>
  attempt(async () => {
    saveFile(name(), await picture());
    visible.value = false;
  }, `${name()} is saved.`);
const copy = () =>
  attempt(async () => {
    const now = chosen();
    const png = sheetOf(now).then((sheet) => sheetPng(sheet, now));
    await navigator.clipboard.write([new ClipboardItem({ "image/png": png })]);
  }, "The picture is copied.");
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Graph for a document" :style="{ width: '58rem', maxWidth: '96vw' }">
    <div class="sides">
      <PaperSettings v-if="offered" v-model="form" :choices="offered" :least="SIDE.least" :most="SIDE.most" />
      <figure class="seen">
        <img
          v-if="preview"
          :src="preview"
          :alt="`The graph as it will be: ${form.title}`"
          :class="{ clear: form.clear }"
        />
        <figcaption class="quiet">
          {{ form.width }} × {{ form.height }} cm{{ form.title.trim() ? ", and the title" : ""
          }}{{ form.kind === "png" ? "; 300 pixels an inch" : "" }}
        </figcaption>
      </figure>
    </div>
    <div class="ways">
      <Button label="Save" @click="save" /><Button label="Copy as a picture" severity="secondary" @click="copy" />
    </div>
  </Dialog>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 19rem minmax(0, 1fr);
  gap: 1.4rem;
  align-items: start;
}
.seen {
  margin: 0;
  display: grid;
  gap: 0.4rem;
}
/* As large as on paper, as far as there is room. */
.seen img {
  max-width: 100%;
  max-height: 62vh;
  border: 1px solid var(--hairline);
}
.seen img.clear {
  background: repeating-conic-gradient(#e9edf1 0% 25%, #ffffff 0% 50%) 0 0 / 16px 16px;
}
.ways {
  display: flex;
  gap: 0.7rem;
  margin-top: 1rem;
}
@media (max-width: 760px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
