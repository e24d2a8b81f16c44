<script setup lang="ts">
import { Bold, Heading, Italic, List, ListOrdered, SquareFunction } from "@lucide/vue";
import { useDebounceFn } from "@vueuse/core";
import { EditorContent, useEditor } from "@tiptap/vue-3";
import { liveChoices, liveText, mathLatex, type LiveChoice } from "#core/brief";
import type { Desk } from "#core/desk";
import type { Names } from "#core/formula";
import { same } from "#core/merge";
import type { WordsBlock } from "#core/model";
import { editorDocument, keptWords } from "~/brief/wordsDocument";
import { WORDS_MEANS, wordsExtensions } from "~/brief/wordsEditor";

/** Own words of the brief, written where they stand. */
const props = defineProps<{ blocks: readonly WordsBlock[]; desk: Desk; names: Names; label: string; begun: boolean }>();
const emit = defineEmits<{ keep: [blocks: WordsBlock[]]; remove: [] }>();
/** What is typed is kept after this long without a key, in ms. */
const CALM = 300;

provide(WORDS_MEANS, {
  says: (live) => liveText(live, props.desk),
  latex: (typed) => mathLatex(typed, props.names),
});
/** What was last handed on: only what comes from elsewhere is put into the editor. */
let kept: readonly WordsBlock[] = props.blocks;
const picker = useTemplateRef<{ open: () => void }>("picker");
const editor = useEditor({
  content: editorDocument(props.blocks),
  extensions: wordsExtensions("Own words. Type = for a number of the case.", () => pick(true)),
  injectCSS: false,
  autofocus: props.begun ? "end" : false,
  editorProps: {
    attributes: () => ({ role: "textbox", "aria-multiline": "true", "aria-label": props.label, class: "written" }),
  },
  onUpdate: () => void keepSoon(),
  onBlur: () => keep(),
});
function keep(): void {
  if (!editor.value) return;
  const now = keptWords(editor.value.getJSON());
  if (same(now, kept)) return;
  kept = now;
  emit("keep", now);
}
const keepSoon = useDebounceFn(keep, CALM);
onBeforeUnmount(keep);
watch(
  () => props.blocks,
  (blocks) => {
    if (same(blocks, kept)) return;
    kept = blocks;
    editor.value?.commands.setContent(editorDocument(blocks), { emitUpdate: false });
  },
);

const choices = computed(() => liveChoices(props.desk));
function choose({ live }: LiveChoice): void {
  editor.value?.chain().focus().insertContent({ type: "live", attrs: { live } }).run();
}
let isTyped = false;
function pick(typed: boolean): void {
  isTyped = typed;
  picker.value?.open();
}
/** Left without a number: what was typed stands. */
function leave(): void {
  const back = editor.value?.chain().focus();
  (isTyped ? back?.insertContent("=") : back)?.run();
}
const tools = computed(() => {
  const e = editor.value;
  if (!e) return [];
  const run = () => e.chain().focus();
  return [
    { icon: Bold, name: "Bold", on: e.isActive("bold"), act: () => run().toggleBold().run() },
    { icon: Italic, name: "Italic", on: e.isActive("italic"), act: () => run().toggleItalic().run() },
    { icon: Heading, name: "Heading", on: e.isActive("heading"), act: () => run().toggleHeading({ level: 3 }).run() },
    { icon: List, name: "List", on: e.isActive("bulletList"), act: () => run().toggleBulletList().run() },
    {
      icon: ListOrdered,
      name: "Numbered list",
      on: e.isActive("orderedList"),
      act: () => run().toggleOrderedList().run(),
    },
    {
      icon: SquareFunction,
      name: "Mathematics",
      on: false,
      // It takes the focus itself, to be written at once.
      act: () => e.commands.insertContent({ type: "mathematics", attrs: { typed: "" } }),
    },
  ];
});
</script>

<template>
  <div class="words">
    <div class="tools" role="toolbar" :aria-label="`Write ${label}`">
      <Button
        v-for="t in tools"
        :key="t.name"
        text
        class="icon-button"
        :aria-label="t.name"
        :title="t.name"
        :aria-pressed="t.on"
        @click="t.act"
        ><component :is="t.icon" :size="15" aria-hidden="true"
      /></Button>
      <Button link @click="pick(false)">Number of the case</Button>
      <Button text class="icon-button" :aria-label="`Delete ${label}`" title="Delete own words" @click="emit('remove')"
        ><IconBin
      /></Button>
    </div>
    <EditorContent :editor="editor" />
    <NumberPicker ref="picker" :choices="choices" @choose="choose" @leave="leave" />
  </div>
</template>

<style>
.words {
  position: relative;
  margin: 0.4rem 0;
}
.words .tools {
  position: absolute;
  right: 0;
  bottom: 100%;
  z-index: 2;
  display: none;
  align-items: center;
  gap: 0.15rem;
  padding: 0.15rem 0.4rem;
  font-family: var(--face);
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
}
.words:focus-within .tools {
  display: flex;
}
.words .tools [aria-pressed="true"] {
  color: var(--jade);
  background: var(--jade-soft);
}
.words .written {
  outline: none;
  border-radius: 4px;
  min-height: 1.5em;
}
.words .written:focus-visible {
  box-shadow: 0 0 0 2px var(--jade-soft);
}
.words .written .is-editor-empty:first-child::before {
  content: attr(data-placeholder);
  float: left;
  height: 0;
  color: var(--ink-2);
  pointer-events: none;
}
.words .ProseMirror-selectednode {
  background: var(--jade-soft);
}
@media print {
  .words .tools,
  .words .written .is-editor-empty:first-child::before {
    display: none !important;
  }
}
</style>
