<script setup lang="ts">
import { isMuch } from "~/utils/writing";
import type { CaseFile } from "#core/model";

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
const { editor, load, focus } = useCodeEditor(home, plain, text, {
  label: props.label,
  placeholder: props.placeholder,
  describedBy: props.describedBy,
  opens: props.opens,
  document: () => toRaw(props.document),
  wrong: () => props.wrong,
  onForm: (id) => emit("form", id),
  onKey(key) {
    if (key === "Enter") emit("enter");
    else if (key === "Escape") emit("leave");
    else if (key === "ArrowUp") emit("up");
    else emit("down");
    return true;
  },
  onPasteMuch: (much) => emit("much", much),
  onFocus: (now) => emit("focused", now),
});

function pasted(event: ClipboardEvent): void {
  const much = event.clipboardData?.getData("text") ?? "";
  if (!isMuch(much)) return;
  event.preventDefault();
  emit("much", much);
}
defineExpose({ focus, blur: () => (document.activeElement as HTMLElement | null)?.blur() });
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

<style src="./codeLine.css" />
