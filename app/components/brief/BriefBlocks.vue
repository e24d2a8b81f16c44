<script setup lang="ts">
import type { BriefBlock } from "#core/brief";
import type { Sheet } from "~/paper/pictureFile";

/** The blocks of one part of the brief, as they stand on paper. */
defineProps<{
  blocks: readonly BriefBlock[];
  pictures: ReadonlyMap<string, Sheet>;
  keepCaption: (key: string, caption: string) => void;
}>();
</script>

<template>
  <template v-for="(b, i) in blocks" :key="i">
    <div v-if="b.kind === 'answer'" class="answer">
      <p v-for="(line, k) in b.lines" :key="k"><PlainText :text="line" /></p>
    </div>
    <h3 v-else-if="b.kind === 'heading'"><BriefRuns :runs="b.runs" /></h3>
    <p v-else-if="b.kind === 'paragraph'"><BriefRuns :runs="b.runs" /></p>
    <p v-else-if="b.kind === 'question'" class="asked"><BriefRuns :runs="b.runs" /></p>
    <p v-else-if="b.kind === 'quiet'" class="quiet"><BriefRuns :runs="b.runs" /></p>
    <component :is="b.ordered ? 'ol' : 'ul'" v-else-if="b.kind === 'list'">
      <li v-for="(item, k) in b.items" :key="k"><BriefRuns :runs="item" /></li>
    </component>
    <div v-else-if="b.kind === 'formulas'" class="formulas">
      <div v-for="(f, k) in b.lines" :key="k" class="formula">
        <MathText :latex="f.latex" :text="f.text" /><span v-if="f.note" class="note">{{ f.note }}</span>
      </div>
    </div>
    <div v-else-if="b.kind === 'table'" class="told">
      <p class="quiet">{{ b.caption }}</p>
      <RowsTable
        :label="b.caption"
        :columns="b.columns.map((c) => c.name)"
        :rows="b.rows.map((row, key) => ({ key: String(key), cells: row.map((text) => ({ text })) }))"
        :words="b.columns.filter((c) => !c.isNumber).length"
        :sorts="false"
        :page="Infinity"
      />
      <p v-if="b.more" class="quiet">{{ b.more }}</p>
    </div>
    <BriefPicture
      v-else-if="b.kind === 'picture'"
      :block="b"
      :sheet="pictures.get(b.key) ?? null"
      :keep="keepCaption"
    />
  </template>
</template>
