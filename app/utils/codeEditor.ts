import { isMuch } from "~/utils/writing";
import {
  autocompletion,
  acceptCompletion,
  closeCompletion,
  completionStatus,
  moveCompletionSelection,
  selectedCompletion,
  startCompletion,
  type Completion,
} from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { EditorState, Prec, StateEffect, StateField, type Extension } from "@codemirror/state";
import { Decoration, EditorView, keymap, placeholder, type DecorationSet } from "@codemirror/view";
import type { Offers, Stroke } from "#core/story";

// What only the editor asks for comes with it.
export { offersAt, paintLine } from "#core/story";

export interface CodeSetup {
  readonly parent: HTMLElement;
  readonly text: string;
  readonly label: string;
  readonly placeholder: string;
  readonly describedBy: string | null;
  readonly offers: (text: string, at: number, explicit: boolean) => Offers | null;
  readonly paint: (text: string) => readonly Stroke[];
  readonly onText: (text: string) => void;
  readonly onForm: (id: string) => void;
  /** keys the editor does not use itself; true when taken */
  readonly onKey: (key: "Enter" | "Escape" | "ArrowUp" | "ArrowDown") => boolean;
  readonly onPasteMuch: (text: string) => void;
  readonly onFocus: (focused: boolean) => void;
}
export interface CodeEditor {
  setText(text: string, atEnd: boolean): void;
  setWrong(span: { from: number; to: number } | null): void;
  /** colours again, after the names of the case have changed */
  repaint(): void;
  focus(): void;
  select(from: number, to: number): void;
  hasFocus(): boolean;
  destroy(): void;
}

const wrongEffect = StateEffect.define<{ from: number; to: number } | null>();
const wrongMark = Decoration.mark({ class: "cm-wrong", attributes: { "aria-invalid": "true" } });

/** Times that Tab waits for offers that are just being renewed, and how long each time, in ms. */
const [TAB_TRIES, TAB_WAIT] = [8, 25];
/**
 * Takes the offer that is chosen, or the first. While the offers are being renewed the key waits for them instead of
 * leaving the line.
 */
function takeOffer(view: EditorView, tries: number): boolean {
  const status = completionStatus(view.state);
  if (status === null) return false;
  if (
    status === "active" &&
    (selectedCompletion(view.state)
      ? acceptCompletion(view)
      : moveCompletionSelection(true)(view) && acceptCompletion(view))
  )
    return true;
  if (tries < TAB_TRIES)
    setTimeout(() => {
      if (view.hasFocus) takeOffer(view, tries + 1);
    }, TAB_WAIT);
  return true;
}

function takeLine(view: EditorView, setup: CodeSetup): boolean {
  closeCompletion(view);
  setup.onKey("Enter");
  return true;
}

const repaintEffect = StateEffect.define<null>();

/** The colours of names, numbers and words. */
function coloured(setup: CodeSetup): StateField<DecorationSet> {
  const painted = (state: EditorState): DecorationSet =>
    Decoration.set(
      setup.paint(state.doc.toString()).map((s) => Decoration.mark({ class: `cm-${s.paint}` }).range(s.from, s.to)),
    );
  return StateField.define<DecorationSet>({
    create: painted,
    update: (set, tr) => (tr.docChanged || tr.effects.some((e) => e.is(repaintEffect)) ? painted(tr.state) : set),
    provide: (f) => EditorView.decorations.from(f),
  });
}

/** The part that is wrong, until something else is typed. */
const wrongPart = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (set, tr) => {
    let next = tr.docChanged ? Decoration.none : set;
    for (const e of tr.effects)
      if (e.is(wrongEffect))
        next =
          e.value && e.value.to > e.value.from && e.value.to <= tr.state.doc.length
            ? Decoration.set([wrongMark.range(e.value.from, e.value.to)])
            : Decoration.none;
    return next;
  },
  provide: (f) => EditorView.decorations.from(f),
});

/** An offer as the library's list takes it. */
const completion = (offer: Offers["list"][number], setup: CodeSetup): Completion => ({
  label: offer.label,
  detail: offer.detail,
  type: offer.kind,
  apply: (view, _c, from, to) => {
    if (offer.form !== null) {
      setup.onForm(offer.form);
      view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: "" } });
      return;
    }
    view.dispatch({ changes: { from, to, insert: offer.write }, selection: { anchor: from + offer.write.length } });
  },
});
const offered = (setup: CodeSetup): Extension =>
  autocompletion({
    defaultKeymap: false,
    selectOnOpen: false,
    interactionDelay: 0,
    icons: false,
    aboveCursor: false,
    override: [
      (context) => {
        const offers = setup.offers(context.state.doc.toString(), context.pos, context.explicit);
        return (
          offers && { from: offers.from, filter: false, options: offers.list.map((offer) => completion(offer, setup)) }
        );
      },
    ],
  });

const keysOf = (setup: CodeSetup): Extension => [
  Prec.highest(
    keymap.of([
      { key: "Ctrl-Space", run: startCompletion },
      { key: "Tab", run: (view) => takeOffer(view, 0) },
      // Enter takes the line; it takes a completion only where one was chosen with the arrows.
      {
        key: "Enter",
        run: (view) => (selectedCompletion(view.state) ? acceptCompletion(view) : takeLine(view, setup)),
      },
      {
        key: "Escape",
        run: (view) => (completionStatus(view.state) !== null ? closeCompletion(view) : setup.onKey("Escape")),
      },
      {
        key: "ArrowDown",
        run: (view) =>
          completionStatus(view.state) === "active" ? moveCompletionSelection(true)(view) : setup.onKey("ArrowDown"),
      },
      {
        key: "ArrowUp",
        run: (view) =>
          completionStatus(view.state) === "active" && selectedCompletion(view.state)
            ? moveCompletionSelection(false)(view)
            : setup.onKey("ArrowUp"),
      },
    ]),
  ),
  keymap.of([...historyKeymap, ...defaultKeymap.filter((b) => b.key !== "Enter" && b.key !== "Escape")]),
];

/** One line: a line break that slips in becomes a space. */
const oneLine: Extension = EditorState.transactionFilter.of((tr) =>
  tr.docChanged && tr.newDoc.lines > 1
    ? [
        {
          changes: {
            from: 0,
            to: tr.startState.doc.length,
            insert: tr.newDoc.toString().replace(/\s*\n\s*/g, " "),
          },
        },
      ]
    : tr,
);

const heard = (setup: CodeSetup): Extension => [
  EditorView.updateListener.of((u) => {
    if (u.docChanged) setup.onText(u.state.doc.toString());
    if (u.focusChanged) setup.onFocus(u.view.hasFocus);
  }),
  EditorView.domEventHandlers({
    paste: (event) => {
      const much = event.clipboardData?.getData("text") ?? "";
      if (!isMuch(much)) return false;
      event.preventDefault();
      setup.onPasteMuch(much);
      return true;
    },
  }),
];

const described = (setup: CodeSetup): Extension =>
  EditorView.contentAttributes.of({
    "aria-label": setup.label,
    "aria-multiline": "false",
    autocapitalize: "off",
    autocorrect: "off",
    spellcheck: "false",
    ...(setup.describedBy ? { "aria-describedby": setup.describedBy } : {}),
  });

/** A one-line editor for statements and formulas: coloured, completed, with the wrong part marked under it. */
export function openCodeEditor(setup: CodeSetup): CodeEditor {
  const nonce = document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce;
  const extensions: Extension[] = [
    history(),
    coloured(setup),
    wrongPart,
    offered(setup),
    placeholder(setup.placeholder),
    keysOf(setup),
    oneLine,
    heard(setup),
    described(setup),
    ...(nonce ? [EditorView.cspNonce.of(nonce)] : []),
  ];
  const view = new EditorView({
    parent: setup.parent,
    state: EditorState.create({ doc: setup.text, selection: { anchor: setup.text.length }, extensions }),
  });
  return {
    setText(text, atEnd) {
      if (text === view.state.doc.toString()) return;
      const kept = Math.min(view.state.selection.main.head, text.length);
      view.dispatch({
        changes: { from: 0, to: view.state.doc.length, insert: text },
        selection: { anchor: atEnd ? text.length : kept },
      });
    },
    setWrong: (span) => view.dispatch({ effects: wrongEffect.of(span) }),
    repaint: () => view.dispatch({ effects: repaintEffect.of(null) }),
    focus: () => view.focus(),
    select: (from, to) => view.dispatch({ selection: { anchor: from, head: to } }),
    hasFocus: () => view.hasFocus,
    destroy: () => view.destroy(),
  };
}
