<script setup lang="ts">
import { fileName, saveFile, sheetPng, sheetSvg, type PictureChoice, type Sheet } from "~/utils/pictureFile";

const props = defineProps<{ sheet: () => Promise<Sheet> | Sheet; caseTitle: string }>();
const visible = defineModel<boolean>("visible", { required: true });
const toast = useToast();
const title = ref("");
const kind = ref<"svg" | "png">("png");
const clear = ref(false);
const scale = ref<PictureChoice["scale"]>(2);
watch(
  visible,
  (now) => {
    if (now) title.value = props.caseTitle;
  },
  { immediate: true },
);

const choice = (): PictureChoice => ({
  kind: kind.value,
  clear: clear.value,
  scale: scale.value,
  title: title.value.trim(),
});
const name = () => `${fileName(title.value, "graph")}.${kind.value}`;
async function attempt(work: () => Promise<void>, done: string): Promise<void> {
  try {
    await work();
    toast.add({ severity: "info", summary: done, life: 2500 });
  } catch (failure) {
    toast.add({
      severity: "warn",
      summary: "The picture was not made.",
      detail: failure instanceof Error ? failure.message : "",
      life: 5000,
    });
  }
}
const save = () =>
  attempt(async () => {
    saveFile(
      name(),
      kind.value === "svg"
        ? new Blob([sheetSvg(await props.sheet(), choice())], { type: "image/svg+xml" })
        : await sheetPng(await props.sheet(), choice()),
    );
    visible.value = false;
  }, `${name()} is saved.`);
const copy = () =>
  attempt(async () => {
    await navigator.clipboard.write([
      new ClipboardItem({ "image/png": Promise.resolve(props.sheet()).then((s) => sheetPng(s, choice())) }),
    ]);
  }, "The picture is copied.");
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Picture file" :style="{ width: '28rem', maxWidth: '96vw' }">
    <div class="rows">
      <label>title <InputText v-model="title" fluid /></label>
      <fieldset>
        <legend class="panel-title">Kind</legend>
        <label><RadioButton v-model="kind" size="small" name="kind" value="png" /> PNG, for documents</label>
        <label><RadioButton v-model="kind" size="small" name="kind" value="svg" /> SVG, sharp at any size</label>
      </fieldset>
      <fieldset>
        <legend class="panel-title">Ground</legend>
        <label><RadioButton v-model="clear" size="small" name="ground" :value="false" /> white</label>
        <label><RadioButton v-model="clear" size="small" name="ground" :value="true" /> clear</label>
      </fieldset>
      <fieldset v-if="kind === 'png'">
        <legend class="panel-title">Size</legend>
        <label v-for="s in [1, 2, 3, 4] as const" :key="s"
          ><RadioButton v-model="scale" size="small" name="size" :value="s" /> {{ s }}×</label
        >
      </fieldset>
      <div class="ways">
        <Button label="Save" @click="save" /><Button label="Copy" severity="secondary" @click="copy" />
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 0.9rem;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
}
legend {
  margin-bottom: 0.2rem;
}
.ways {
  display: flex;
  gap: 0.7rem;
}
</style>
