<script setup lang="ts">
import { isMuch } from "~/utils/writing";
import { offersAt, paintLine } from "#core/story";
import type { CaseFile } from "#core/model";
import type { CodeEditor } from "~/utils/codeEditor";

/**
 * One line of statement or formula. The editor is loaded apart from the page; until it is there a plain field takes the
 * keys.
 */
const props = withDefaults(
  defineProps<{
    label: string;
    document: CaseFile;
    placeholder?: string;
    describedBy?: string | null;
    /** part of the text that is wrong */
    wrong?: { from: number; to: number } | null;
    /** whether the line takes the focus when it appears, with all of it selected */
    opens?: boolean;
  }>(),
  { placeholder: "", describedBy: null, wrong: null, opens: false },
);
const text = defineModel<string>({ required: true });
const emit = defineEmits<{
  enter: [];
  leave: [];
  up: [];
  down: [];
  /** more was pasted than a piece of the line */
  much: [text: string];
  form: [id: string];
  focused: [now: boolean];
}>();

const home = useTemplateRef<HTMLElement>("home");
const plain = useTemplateRef<HTMLInputElement>("plain");
const editor = shallowRef<CodeEditor | null>(null);
let gone = false;

async function load(): Promise<void> {
  // While the server is away the editor cannot come; the plain field serves, and the next focus asks again.
  const { openCodeEditor } = await import("~/utils/codeEditor").catch(() => ({ openCodeEditor: null }));
  if (!openCodeEditor || gone || !home.value || editor.value) return;
  const selected = selectedInPlain();
  const made = openCodeEditor({
    parent: home.value,
    text: text.value,
    label: props.label,
    placeholder: props.placeholder,
    describedBy: props.describedBy,
    offers: (line, at, explicit) => offersAt(line, at, toRaw(props.document), explicit),
    paint: (line) => paintLine(line, toRaw(props.document)),
    onText: (line) => {
      if (line !== text.value) text.value = line;
    },
    onForm: (id) => emit("form", id),
    onKey: (key) => {
      if (key === "Enter") emit("enter");
      else if (key === "Escape") emit("leave");
      else if (key === "ArrowUp") emit("up");
      else emit("down");
      return true;
    },
    onPasteMuch: (much) => emit("much", much),
    onFocus: (now) => emit("focused", now),
  });
  editor.value = made;
  if (selected || props.opens) made.focus();
  made.select(...(selected ?? [0, props.opens ? text.value.length : 0]));
}
/** What is selected in the plain field while somebody is in it: typing over it must replace it in the editor too. */
function selectedInPlain(): [number, number] | null {
  const field = plain.value;
  if (!field || document.activeElement !== field) return null;
  return [field.selectionStart ?? 0, field.selectionEnd ?? 0];
}
watch(
  text,
  (now) => {
    editor.value?.setText(now, true);
  },
  { flush: "sync" },
);
watch(
  () => props.wrong,
  (span) => {
    editor.value?.setWrong(span);
  },
  { flush: "post" },
);
// What is coloured depends on the names of the case only.
const names = computed(() =>
  [props.document.variables, props.document.givens, props.document.functions, props.document.data]
    .map((list) => (list ?? []).map((row) => row.name).join(" "))
    .join("|"),
);
watch(names, () => {
  editor.value?.repaint();
});

onMounted(() => {
  if (props.opens) {
    plain.value?.focus();
    plain.value?.select();
    void load();
    return;
  }
  // The graph comes first; the editor follows when the browser has time, or as soon as somebody wants to write.
  const later = window.setTimeout(() => void load(), 2500);
  onScopeDispose(() => window.clearTimeout(later));
});
// Somebody may have gone to the plain field between the making of the editor and its appearing: the focus and what is
// written go over with it.
let left: [number, number] | null = null;
onBeforeUpdate(() => {
  left = selectedInPlain();
});
onUpdated(() => {
  if (!left || plain.value || !editor.value) return;
  editor.value.setText(text.value, false);
  editor.value.focus();
  editor.value.select(...left);
  left = null;
});
onBeforeUnmount(() => {
  gone = true;
  editor.value?.destroy();
});

function pasted(event: ClipboardEvent): void {
  const much = event.clipboardData?.getData("text") ?? "";
  if (!isMuch(much)) return;
  event.preventDefault();
  emit("much", much);
}
defineExpose({
  focus: () => {
    if (editor.value) editor.value.focus();
    else plain.value?.focus();
  },
  blur: () => (document.activeElement as HTMLElement | null)?.blur(),
});
</script>

<template>
  <span class="code-line">
    <input
      v-if="!editor"
      ref="plain"
      v-model="text"
      type="text"
      :aria-label="label"
      :aria-describedby="describedBy ?? undefined"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      :placeholder="placeholder"
      maxlength="2100"
      @focus="
        emit('focused', true);
        load();
      "
      @blur="editor || emit('focused', false)"
      @keydown.enter.stop.prevent="emit('enter')"
      @keydown.up.prevent="emit('up')"
      @keydown.down.prevent="emit('down')"
      @keydown.esc.stop="emit('leave')"
      @paste="pasted"
    />
    <span ref="home" class="editor" />
  </span>
</template>

<style>
.code-line {
  display: block;
  min-width: 0;
  flex: 1;
}
.code-line input {
  width: 100%;
  border: 0;
  outline: 0;
  background: none;
  font: inherit;
  color: inherit;
  padding: 4px 2px;
}
.code-line input::placeholder {
  color: var(--ink-3);
}
.cm-editor {
  font: inherit;
  color: inherit;
  background: none;
}
.cm-editor.cm-focused {
  outline: none;
}
.cm-editor .cm-scroller {
  font: inherit;
  line-height: 1.45;
  overflow-x: auto;
  scrollbar-width: thin;
}
.cm-editor .cm-content {
  padding: 4px 0;
  caret-color: var(--ink);
}
.cm-editor .cm-cursor {
  border-left-color: var(--ink);
}
.cm-editor .cm-placeholder {
  color: var(--ink-3);
}
.cm-editor .cm-given {
  color: var(--amber-deep);
}
.cm-editor .cm-variable {
  color: var(--violet);
  font-style: italic;
}
.cm-editor .cm-function {
  color: var(--jade);
  font-weight: 600;
}
.cm-editor .cm-built-in,
.cm-editor .cm-word {
  color: var(--ink-2);
}
.cm-editor .cm-sign {
  color: var(--ink-2);
}
.cm-editor .cm-wrong {
  text-decoration: underline wavy var(--brick) 1.5px;
  text-underline-offset: 4px;
}
body .cm-editor .cm-tooltip.cm-tooltip-autocomplete {
  margin-top: 5px;
  border: 1px solid var(--hairline);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  box-shadow: var(--float);
  overflow: hidden;
}
body .cm-editor .cm-tooltip.cm-tooltip-autocomplete > ul {
  font-family: var(--face);
  font-size: 0.9rem;
  max-height: 15rem;
}
body .cm-editor .cm-tooltip.cm-tooltip-autocomplete > ul > li {
  padding: 4px 12px;
  display: flex;
  justify-content: space-between;
  gap: 1.5rem;
}
body .cm-editor .cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected] {
  background: var(--jade-soft);
  color: var(--ink);
}
body .cm-editor .cm-completionDetail {
  color: var(--ink-2);
  font-style: normal;
  margin: 0;
}
</style>
