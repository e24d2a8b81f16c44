import type { JSONContent } from "@tiptap/core";
import type { LiveNumber, WordsBlock, WordsRun } from "#core/model";

/** Own words as the case keeps them, and as the editor holds them. */
export const editorDocument = (blocks: readonly WordsBlock[]): JSONContent => ({
  type: "doc",
  content: blocks.length > 0 ? blocks.map(blockNode) : [{ type: "paragraph" }],
});

function blockNode(b: WordsBlock): JSONContent {
  if (b.kind !== "list") return { type: b.kind, content: b.runs.flatMap(runNode) };
  return {
    type: b.ordered ? "orderedList" : "bulletList",
    content: b.items.map((item) => ({
      type: "listItem",
      content: [{ type: "paragraph", content: item.flatMap(runNode) }],
    })),
  };
}
function runNode(r: WordsRun): JSONContent[] {
  if ("math" in r) return [{ type: "mathematics", attrs: { typed: r.math } }];
  if (!("text" in r)) return [{ type: "live", attrs: { live: r } }];
  const marks = [...(r.bold ? [{ type: "bold" }] : []), ...(r.italic ? [{ type: "italic" }] : [])];
  // The editor allows no empty text.
  return r.text ? [{ type: "text", text: r.text, marks }] : [];
}

/** What stands in the editor, as the case keeps it; the points of a list inside a list follow as points of it. */
export const keptWords = (document: JSONContent): WordsBlock[] => (document.content ?? []).flatMap(keptBlock);

function keptBlock(node: JSONContent): WordsBlock[] {
  if (node.type === "bulletList" || node.type === "orderedList") {
    const items = itemsOf(node);
    return [node.type === "orderedList" ? { kind: "list", ordered: true, items } : { kind: "list", items }];
  }
  return [{ kind: node.type === "heading" ? "heading" : "paragraph", runs: runsOf(node) }];
}
const itemsOf = (list: JSONContent): WordsRun[][] =>
  (list.content ?? []).flatMap((item) =>
    (item.content ?? []).flatMap((part) => (part.type === "paragraph" ? [runsOf(part)] : itemsOf(part))),
  );
const runsOf = (node: JSONContent): WordsRun[] =>
  (node.content ?? []).map((n): WordsRun => {
    if (n.type === "mathematics") return { math: String(n.attrs?.typed ?? "") };
    // A copy: what the page watches cannot be sent anywhere.
    if (n.type === "live") return { ...(n.attrs!.live as LiveNumber) };
    const has = (mark: string) => n.marks?.some((m) => m.type === mark) ?? false;
    return {
      text: n.type === "hardBreak" ? "\n" : (n.text ?? ""),
      ...(has("bold") ? { bold: true } : {}),
      ...(has("italic") ? { italic: true } : {}),
    };
  });
