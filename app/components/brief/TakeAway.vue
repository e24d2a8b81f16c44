<script setup lang="ts">
import type { BriefPage } from "#core/brief";
import { separated } from "#core/data";
import { findingRows } from "#core/desk";
import type { CaseFile } from "#core/model";
import type { BriefFileKind } from "~/workers/briefProtocol";
import type { Sheet } from "~/paper/pictureFile";
import { fileName, saveFile, saveText } from "~/paper/saveFile";

/** The ways out of a brief: to the printer, and as files. */
const props = defineProps<{ document: CaseFile; page: BriefPage; pictures: ReadonlyMap<string, Sheet> }>();
const store = useCaseStore();
const toast = useToast();
const files = useBriefFiles();
const analysis = useAnalysisStore();
const FILES: readonly { kind: BriefFileKind; name: string; says: string }[] = [
  { kind: "docx", name: "Text document", says: "a .docx file with headings, tables, equations and pictures" },
  { kind: "markdown", name: "Markdown", says: "a zip with the text and its pictures" },
  { kind: "html", name: "Web page", says: "one file that needs nothing else" },
  { kind: "latex", name: "LaTeX", says: "a zip with the source and its pictures" },
];
const SHEETS = [
  { value: "a4", name: "A4" },
  { value: "letter", name: "Letter" },
];
const sheet = computed(() => props.document.brief?.sheet ?? "a4");
async function make(kind: BriefFileKind): Promise<void> {
  try {
    const { title } = props.document;
    const name = await files.make({ kind, title, page: props.page, sheet: sheet.value }, props.pictures);
    if (name) toast.add({ severity: "info", summary: `${name} is saved.`, life: 2500 });
  } catch (failure) {
    const detail = failure instanceof Error ? failure.message : "";
    toast.add({ severity: "warn", summary: "The file was not made.", detail, life: 6000 });
  }
}
const print = (): void => window.print();
/** The case itself, for somebody else to go on with. */
function saveCase(): void {
  const name = `${fileName(props.document.title, "case")}.pasear.json`;
  saveFile(name, new Blob([JSON.stringify(props.document, null, 2)], { type: "application/json" }));
  toast.add({ severity: "info", summary: `${name} is saved.`, life: 2500 });
}
/** All findings with all their digits, for another program. */
function saveFindings(): void {
  const name = `${fileName(props.document.title, "case")}-findings.csv`;
  saveText(name, separated(findingRows(analysis.desk?.findings ?? []), ","), "text/csv");
  toast.add({ severity: "info", summary: `${name} is saved.`, life: 2500 });
}
/** The formulas as mathematics that browsers and office programs take over as such. */
async function saveFormulas(): Promise<void> {
  const { formulaPage } = await import("~/brief/formulaPage");
  const name = `${fileName(props.document.title, "case")}-formulas.html`;
  saveText(name, formulaPage(props.document.title, analysis.desk?.functions ?? []), "text/html");
  toast.add({ severity: "info", summary: `${name} is saved.`, life: 2500 });
}
const hasFunctions = computed(() => (analysis.desk?.functions.length ?? 0) > 0);
const hasFindings = computed(() => (analysis.desk?.findings.length ?? 0) > 0);
</script>

<template>
  <section class="take" aria-labelledby="take-title">
    <h2 id="take-title" class="panel-title">Take it with you</h2>
    <div class="ways">
      <Button outlined severity="secondary" size="small" label="Print or PDF" @click="print" />
      <Button
        v-for="f in FILES"
        :key="f.kind"
        outlined
        severity="secondary"
        size="small"
        :label="f.name"
        :title="f.says"
        :disabled="files.working.value !== null"
        @click="make(f.kind)"
      />
      <Button
        outlined
        severity="secondary"
        size="small"
        label="Case file"
        title="the case itself, to be dropped on another shelf"
        @click="saveCase"
      />
      <Button
        v-if="hasFindings"
        outlined
        severity="secondary"
        size="small"
        label="Findings as CSV"
        title="every answer with all its digits"
        @click="saveFindings"
      />
      <Button
        v-if="hasFunctions"
        outlined
        severity="secondary"
        size="small"
        label="Formulas"
        title="MathML and LaTeX of every function"
        @click="saveFormulas"
      />
    </div>
    <div v-if="files.working.value" class="making" role="status">
      <span>{{ files.says.value }}</span>
      <ProgressBar :value="files.share.value" :show-value="false" aria-label="How far the file is" />
      <Button link @click="files.cancel()">Cancel</Button>
    </div>
    <label class="paper"
      >Paper
      <Select
        size="small"
        aria-label="Paper"
        :options="SHEETS"
        option-label="name"
        option-value="value"
        :model-value="sheet"
        @update:model-value="store.apply({ kind: 'chooseSheet', sheet: $event })"
    /></label>
  </section>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0.5rem 0 0.8rem;
}
.making {
  display: grid;
  gap: 0.3rem;
  margin-bottom: 0.7rem;
  font-size: 0.92rem;
}
.making :deep(.p-progressbar) {
  height: 6px;
}
.paper {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  font-size: 0.92rem;
  color: var(--ink-2);
}
</style>
