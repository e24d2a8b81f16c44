<script setup lang="ts">
import { runsText, type BriefPage } from "#core/brief";
import type { BriefField } from "#core/edit";
import type { Desk } from "#core/desk";
import type { Names } from "#core/formula";
import type { CaseFile } from "#core/model";
import type { Sheet } from "~/paper/pictureFile";

/** The brief as a page of paper; what is the person's own is changed where it stands. */
const props = defineProps<{
  document: CaseFile;
  desk: Desk;
  page: BriefPage;
  names: Names;
  pictures: ReadonlyMap<string, Sheet>;
}>();
const store = useCaseStore();
const brief = computed(() => props.document.brief ?? {});
const keep = (field: BriefField, text: string) => store.apply({ kind: "headBrief", field, text });
const blocksOf = (id: string) => brief.value.rows?.find((row) => row.id === id)?.blocks ?? [];
const today = () => new Intl.DateTimeFormat("en-GB", { dateStyle: "long" }).format(new Date());
/** Own words are told apart by their first words, or by their place. */
const labelOf = (id: string) => {
  const [first] = props.page.sections.find((s) => s.id === id)?.blocks ?? [];
  const text = first && "runs" in first ? runsText(first.runs).slice(0, 40) : "";
  return text ? `own words “${text}”` : "own words";
};

const sheet = useTemplateRef<HTMLElement>("sheet");
/** Own words that were just put there are written at once. */
const begun = ref<string | null>(null);
/** Brings a part into sight. */
async function go(id: string): Promise<void> {
  begun.value = id;
  await nextTick();
  sheet.value?.querySelector(`[data-part="${CSS.escape(id)}"]`)?.scrollIntoView({ block: "nearest" });
}
defineExpose({ go });
</script>

<template>
  <article ref="sheet" class="brief-page" :class="brief.sheet ?? 'a4'" aria-label="Brief">
    <h1>
      <EditText :value="page.heading" label="Heading of the brief" plain @keep="keep('heading', $event)">{{
        page.heading
      }}</EditText>
    </h1>
    <p class="quiet head-line">
      <EditText
        :value="brief.about ?? ''"
        label="What the brief is about"
        placeholder="what it is about"
        plain
        @keep="keep('about', $event)"
        ><span :class="{ unset: !brief.about }">{{ brief.about ?? "what it is about" }}</span></EditText
      ><EditText :value="brief.author ?? ''" label="Author" placeholder="author" plain @keep="keep('author', $event)"
        ><span :class="{ unset: !brief.author }">{{ brief.author ?? "author" }}</span></EditText
      ><EditText :value="brief.date ?? ''" label="Date" :placeholder="today()" plain @keep="keep('date', $event)"
        ><span :class="{ unset: !brief.date }">{{ brief.date ?? "date" }}</span></EditText
      ><Button v-if="!brief.date" link class="today" @click="keep('date', today())">today</Button>
    </p>
    <section
      v-for="s in page.sections"
      :key="s.id"
      :data-part="s.id"
      :aria-label="s.title ?? (s.isOwn ? labelOf(s.id) : 'The answer')"
    >
      <WordsEditor
        v-if="s.isOwn"
        :blocks="blocksOf(s.id)"
        :desk="desk"
        :names="names"
        :label="labelOf(s.id)"
        :begun="begun === s.id"
        @keep="store.apply({ kind: 'writeWords', id: s.id, blocks: $event })"
        @remove="store.apply({ kind: 'removeWords', id: s.id })"
      />
      <template v-else
        ><h2 v-if="s.title !== null">{{ s.title }}</h2>
        <BriefBlocks
          :blocks="s.blocks"
          :pictures="pictures"
          :keep-caption="(key, caption) => store.apply({ kind: 'captionPart', id: s.id, key, caption })"
      /></template>
    </section>
    <p v-if="page.sections.length === 0" class="quiet">
      Nothing is on the page yet: it writes itself from what is in the case. Own words can stand here already.
    </p>
  </article>
</template>

<style>
@import "./brief.css";

.brief-page {
  max-width: 690px;
  margin: 0 auto;
  padding: 40px 52px 60px;
  color: var(--ink);
  background: var(--paper);
  box-shadow: var(--float);
}
.brief-page .head-line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 1rem;
}
.brief-page .unset {
  color: var(--ink-3);
}
.brief-page .today {
  font-size: 0.92rem;
}
@page {
  margin: 22mm 22mm 20mm;

  @bottom-center {
    content: counter(page) " / " counter(pages);
    font-family: "Atkinson Hyperlegible Next Variable", sans-serif;
    font-size: 9pt;
    color: #556070;
  }
}
@page brief-a4 {
  size: A4;
}
@page brief-letter {
  size: letter;
}
@media print {
  /* What stands beside the page on the screen is on the same paper, and takes no sheet of its own. */
  :root:has(.brief-page) {
    page: brief-a4;
  }
  :root:has(.brief-page.letter) {
    page: brief-letter;
  }
  .brief-page {
    max-width: none;
    padding: 0;
    box-shadow: none;
    background: none;
    font-size: 11pt;
  }
  .brief-page :is(.unset, .today) {
    display: none;
  }
  .brief-page .edit-text .shown {
    border: 0;
    text-decoration: none;
  }
}
</style>
