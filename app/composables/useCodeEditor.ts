import type { CaseFile } from "#core/model";
import type { CodeEditor, CodeSetup } from "~/utils/codeEditor";

/** The graph comes first; the editor follows when the browser has time, or as soon as somebody writes; in ms. */
const LATER = 2500;

export interface CodeLineSetup extends Pick<
  CodeSetup,
  "label" | "placeholder" | "describedBy" | "onForm" | "onKey" | "onPasteMuch" | "onFocus"
> {
  /** whether the line takes the focus when it appears, with all of it selected */
  readonly opens: boolean;
  readonly document: () => CaseFile;
  /** part of the text that is wrong */
  readonly wrong: () => { from: number; to: number } | null;
}

/** The editor of a line, loaded apart from the page; until it is there a plain field takes the keys. */
export function useCodeEditor(
  home: Readonly<Ref<HTMLElement | null>>,
  plain: Readonly<Ref<HTMLInputElement | null>>,
  text: Ref<string>,
  setup: CodeLineSetup,
) {
  const editor = shallowRef<CodeEditor | null>(null);
  let isGone = false;
  const selected = () => selectedIn(plain.value);

  async function load(): Promise<void> {
    // While the server is away the editor cannot come; the plain field serves, and the next focus asks again.
    const come = await import("~/utils/codeEditor").catch(() => null);
    if (!come || isGone || !home.value || editor.value) return;
    const { openCodeEditor, offersAt, paintLine } = come;
    const before = selected();
    const { document, opens } = setup;
    const made = openCodeEditor({
      ...setup,
      parent: home.value,
      text: text.value,
      offers: (line, at, explicit) => offersAt(line, at, document(), explicit),
      paint: (line) => paintLine(line, document()),
      onText: (line) => {
        if (line !== text.value) text.value = line;
      },
    });
    editor.value = made;
    if (before || opens) made.focus();
    made.select(...(before ?? [0, opens ? text.value.length : 0]));
  }
  watch(text, (now) => editor.value?.setText(now, true), { flush: "sync" });
  watch(setup.wrong, (span) => editor.value?.setWrong(span), { flush: "post" });
  // What is coloured depends on the names of the case only.
  watch(
    () => namesIn(setup.document()),
    () => editor.value?.repaint(),
  );
  onMounted(() => {
    if (setup.opens) {
      plain.value?.focus();
      plain.value?.select();
      void load();
      return;
    }
    const later = window.setTimeout(() => void load(), LATER);
    onScopeDispose(() => window.clearTimeout(later));
  });
  carriedOver(editor, plain, text);
  onBeforeUnmount(() => {
    isGone = true;
    editor.value?.destroy();
  });
  const focus = () => (editor.value ?? plain.value)?.focus();
  return { editor, load, focus };
}

const namesIn = ({ variables, givens, functions, data }: CaseFile): string =>
  [variables, givens, functions, data].map((list) => (list ?? []).map((row) => row.name).join(" ")).join("|");

/** What is selected in the plain field while somebody is in it: typing over it must replace it in the editor too. */
function selectedIn(field: HTMLInputElement | null): [number, number] | null {
  if (!field || document.activeElement !== field) return null;
  return [field.selectionStart ?? 0, field.selectionEnd ?? 0];
}
/**
 * Somebody may have gone to the plain field between the making of the editor and its appearing: the focus and what is
 * written go over with it.
 */
function carriedOver(
  editor: Readonly<Ref<CodeEditor | null>>,
  plain: Readonly<Ref<HTMLInputElement | null>>,
  text: Readonly<Ref<string>>,
): void {
  let left: [number, number] | null = null;
  onBeforeUpdate(() => {
    left = selectedIn(plain.value);
  });
  onUpdated(() => {
    if (!left || plain.value || !editor.value) return;
    editor.value.setText(text.value, false);
    editor.value.focus();
    editor.value.select(...left);
    left = null;
  });
}
