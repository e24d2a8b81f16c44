<script setup lang="ts">
import type { CaseFile } from "#core/model";

/** The Brief: the write-up as a page that writes itself, its parts at the left, the ways out below them. */
const props = defineProps<{ document: CaseFile }>();
const analysis = useAnalysisStore();
const document = computed(() => props.document);
const { page, rows, names, pictures } = useBrief(document);
const sheet = useTemplateRef<{ go: (id: string) => void }>("sheet");
</script>

<template>
  <main class="brief">
    <aside class="side" aria-label="What stands on the page">
      <BriefParts :document="document" :rows="rows" @go="sheet?.go($event)" />
      <TakeAway v-if="page" :document="document" :page="page" :pictures="pictures" />
    </aside>
    <div class="ground" tabindex="0" role="group" aria-label="The page">
      <BriefSheet
        v-if="page && analysis.desk"
        ref="sheet"
        :document="document"
        :desk="analysis.desk"
        :page="page"
        :names="names"
        :pictures="pictures"
      />
      <p v-else class="quiet waiting">{{ analysis.failure ?? "The brief is being written …" }}</p>
    </div>
  </main>
</template>

<style scoped>
.brief {
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr);
  height: calc(100vh - var(--head-height));
}
.side {
  padding: 0.85rem 1rem;
  display: grid;
  align-content: start;
  gap: 1.5rem;
  overflow-y: auto;
  background: var(--paper);
  border-right: 1px solid var(--hairline);
}
.ground {
  padding: 22px;
  overflow-y: auto;
  background: var(--ground);
}
.waiting {
  text-align: center;
  padding: 3rem 1rem;
}
@media (max-width: 800px) {
  .brief {
    display: block;
    height: auto;
  }
  .side {
    border-right: 0;
    border-bottom: 1px solid var(--hairline);
  }
  .ground {
    padding: 0;
  }
  .ground :deep(.brief-page) {
    padding: 24px 18px 40px;
    box-shadow: none;
  }
}
@media print {
  .brief {
    display: block;
    height: auto;
  }
  .side {
    display: none;
  }
  .ground {
    padding: 0;
    overflow: visible;
    background: none;
  }
}
</style>
