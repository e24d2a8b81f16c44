import { InputRule, Node, mergeAttributes, type Extensions } from "@tiptap/core";
import { VueNodeViewRenderer } from "@tiptap/vue-3";
import Bold from "@tiptap/extension-bold";
import Document from "@tiptap/extension-document";
import Heading from "@tiptap/extension-heading";
import Italic from "@tiptap/extension-italic";
import { BulletList, ListItem, ListKeymap, OrderedList } from "@tiptap/extension-list";
import Paragraph from "@tiptap/extension-paragraph";
import Text from "@tiptap/extension-text";
import { Placeholder, UndoRedo } from "@tiptap/extensions";
import type { InjectionKey } from "vue";
import type { LiveNumber } from "#core/model";
import WordsLive from "~/components/brief/WordsLive.vue";
import WordsMath from "~/components/brief/WordsMath.vue";

/** What own words ask of the case they stand in. */
export interface WordsMeans {
  /** null: what the number refers to is gone */
  readonly says: (live: LiveNumber) => string | null;
  /** null: it cannot be read */
  readonly latex: (typed: string) => string | null;
}
export const WORDS_MEANS: InjectionKey<WordsMeans> = Symbol("what own words ask of the case");

/** A sign of equality that begins a word asks for a number of the case. */
const ASKS = /(^|\s)=$/;

/** A number of the case among own words: it is one thing, and follows the case. */
const Live = Node.create<{ ask: () => void }>({
  name: "live",
  addOptions: () => ({ ask: () => {} }),
  addInputRules() {
    const { ask } = this.options;
    return [
      new InputRule({
        find: ASKS,
        // The sign itself is not written: it comes back when no number is chosen.
        handler: ({ state, range, match }) => {
          state.tr.insertText(match[1]!, range.from, range.to);
          ask();
        },
      }),
    ];
  },
  group: "inline",
  inline: true,
  atom: true,
  addAttributes: () => ({
    live: {
      default: null,
      parseHTML: (element: HTMLElement) => readLive(element.dataset.live),
      renderHTML: ({ live }: { live?: unknown }) => ({ "data-live": JSON.stringify(live) }),
    },
  }),
  parseHTML: () => [{ tag: "span[data-live]" }],
  renderHTML: ({ HTMLAttributes }) => ["span", mergeAttributes(HTMLAttributes)],
  addNodeView: () => VueNodeViewRenderer(WordsLive),
});

/** What is pasted comes from anywhere: only what is one of our references becomes one. */
function readLive(text: string | undefined): LiveNumber | null {
  try {
    const read: unknown = JSON.parse(text ?? "null");
    if (typeof read !== "object" || read === null) return null;
    const { given, finding, show } = read as Record<string, unknown>;
    if (typeof given === "string") return { given };
    if (typeof finding !== "string") return null;
    return show === "at" || show === "value" || show === "whole" || show === "says" ? { finding, show } : null;
  } catch {
    return null;
  }
}

/** Mathematics among own words, typed as formulas are typed everywhere. */
const Mathematics = Node.create({
  name: "mathematics",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes: () => ({
    typed: {
      default: "",
      parseHTML: (element: HTMLElement) => element.dataset.math ?? "",
      renderHTML: ({ typed }: { typed?: unknown }) => ({ "data-math": String(typed ?? "") }),
    },
  }),
  parseHTML: () => [{ tag: "span[data-math]" }],
  renderHTML: ({ HTMLAttributes }) => ["span", mergeAttributes(HTMLAttributes)],
  addNodeView: () => VueNodeViewRenderer(WordsMath),
});

/** What own words may be made of: paragraphs, headings, lists, bold and italic, mathematics, numbers of the case. */
export const wordsExtensions = (placeholder: string, ask: () => void): Extensions => [
  Document,
  Paragraph,
  Text,
  Bold,
  Italic,
  Heading.configure({ levels: [3] }),
  BulletList,
  OrderedList,
  ListItem,
  ListKeymap,
  UndoRedo,
  Placeholder.configure({ placeholder }),
  Live.configure({ ask }),
  Mathematics,
];
