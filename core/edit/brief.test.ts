import { describe, expect, it } from "vitest";
import { mergeCases } from "../merge";
import type { CaseFile } from "../model";
import { editWords, edited, renamed, type Edit } from "./index";

const SOURCE: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Boats",
  givens: [{ name: "F", value: 90 }],
  brief: {
    heading: "Hire two",
    rows: [{ id: "known" }, { id: "words1", blocks: [{ kind: "paragraph", runs: [{ given: "F" }, { math: "2 F" }] }] }],
  },
};
const rows = (c: CaseFile) => c.brief?.rows ?? [];
const ids = (c: CaseFile) => rows(c).map((r) => r.id);
const row = (c: CaseFile, id: string) => rows(c).find((r) => r.id === id);
const PARAGRAPH = { kind: "paragraph", runs: [{ text: "So" }] } as const;

describe("changes of a brief", () => {
  it.each<[Edit, string, (c: CaseFile) => unknown, unknown]>([
    [{ kind: "headBrief", field: "author", text: " Ana " }, "change the author", (c) => c.brief?.author, "Ana"],
    [
      { kind: "headBrief", field: "heading", text: "  " },
      "change the heading of the brief",
      (c) => "heading" in c.brief!,
      false,
    ],
    [{ kind: "chooseSheet", sheet: "letter" }, "print on Letter", (c) => c.brief?.sheet, "letter"],
    [{ kind: "switchPart", id: "known", on: false }, "leave out “What we know”", (c) => row(c, "known")?.off, true],
    [{ kind: "switchPart", id: "words1", on: false }, "leave out own words", (c) => row(c, "words1")?.off, true],
    [
      { kind: "movePart", id: "words1", before: "answer" },
      "move own words",
      (c) => ids(c).slice(0, 3),
      ["words1", "answer", "known"],
    ],
    [{ kind: "movePart", id: "answer", before: null }, "move “The answer”", (c) => ids(c).at(-1), "answer"],
    [
      { kind: "captionPart", id: "graph", key: "graph", caption: " Money " },
      "change a caption",
      (c) => row(c, "graph")?.captions,
      { graph: "Money" },
    ],
    [
      { kind: "graphEach", id: "findings", graphs: true },
      "show the graph of each finding",
      (c) => row(c, "findings")?.graphs,
      true,
    ],
    [
      { kind: "addWords", id: "words2", after: "known" },
      "add own words",
      (c) => ids(c)[ids(c).indexOf("known") + 1],
      "words2",
    ],
    [{ kind: "addWords", id: "words2", after: null }, "add own words", (c) => ids(c)[0], "words2"],
    [
      { kind: "writeWords", id: "words1", blocks: [PARAGRAPH as never] },
      "change own words",
      (c) => row(c, "words1")?.blocks,
      [PARAGRAPH],
    ],
    [{ kind: "removeWords", id: "words1" }, "delete own words", (c) => ids(c).includes("words1"), false],
  ])("%j is called “%s”, and does that", (edit, says, look, wanted) => {
    const before = JSON.stringify(SOURCE);
    expect(editWords(edit)).toBe(says);
    expect(look(edited(SOURCE, edit))).toEqual(wanted);
    expect(JSON.stringify(SOURCE)).toBe(before);
  });
  it("what own words refer to keeps its name in them", () => {
    const [, words] = rows(renamed(SOURCE, "F", "fee"));
    expect(words!.blocks).toEqual([{ kind: "paragraph", runs: [{ given: "fee" }, { math: "2 fee" }] }]);
  });
});

describe("a brief changed in two places", () => {
  const write = (from: CaseFile, id: string, text: string) =>
    edited(from, { kind: "writeWords", id, blocks: [{ kind: "paragraph", runs: [{ text }] }] });
  it("own words here and the author there are both kept", () => {
    const mine = write(SOURCE, "words1", "mine");
    const theirs = edited(SOURCE, { kind: "headBrief", field: "author", text: "Ana" });
    const { merged, clashes } = mergeCases(SOURCE, mine, theirs);
    expect(clashes).toEqual([]);
    expect([merged.brief?.author, row(merged, "words1")?.blocks]).toEqual(["Ana", row(mine, "words1")?.blocks]);
  });
  it("the same words changed in both are told, and none is lost without a word", () => {
    const { merged, clashes } = mergeCases(SOURCE, write(SOURCE, "words1", "a"), write(SOURCE, "words1", "b"));
    expect(clashes).toEqual(["part of the brief words1"]);
    expect(row(merged, "words1")?.blocks).toEqual([{ kind: "paragraph", runs: [{ text: "a" }] }]);
  });
  it("a case without a brief gets none by bringing versions together", () => {
    const { brief: _none, ...plain } = SOURCE;
    const { merged } = mergeCases(plain, { ...plain, title: "A" }, { ...plain, givens: [] });
    expect("brief" in merged).toBe(false);
  });
});
