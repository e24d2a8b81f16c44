import { describe, expect, it } from "vitest";
import { takenCase } from "./mended";

const bare = { format: "pasear-case", version: 1, title: "Kites" };
const NAMED = "it had no title and is called “kites”";
const f = { name: "C", of: "q", by: { kind: "formula", text: "90 + 7 q" } };

describe("a case from elsewhere", () => {
  it.each<[string, object, string[]]>([
    ["that is whole is taken as it is", { ...bare, functions: [f] }, []],
    ["without a title takes the file's name", { ...bare, title: undefined }, [NAMED]],
    ["with a blank one too", { ...bare, title: "  " }, [NAMED]],
    [
      "with keys of its own leaves them out, each with its place, however deep",
      { ...bare, colour: "red", functions: [{ ...f, by: { ...f.by, author: "me" } }] },
      ["functions[0].by.author is not of the format and was left out", "colour is not of the format and was left out"],
    ],
    [
      "with questions without an id numbers them, and takes no number twice",
      {
        ...bare,
        functions: [f],
        questions: [
          { ask: "value", function: "C", at: 3 },
          { id: "q1", ask: "value", function: "C", at: 4 },
        ],
      },
      ["questions[0] had no id and is q2"],
    ],
  ])("%s", (_, document, mended) => {
    const taken = takenCase(document, "kites");
    expect(taken).toMatchObject({ ok: true });
    expect(taken.ok && [...taken.mended].sort()).toEqual([...mended].sort());
  });

  it.each<[string, unknown, string]>([
    ["a number that is missing", { ...bare, givens: [{ name: "F" }] }, "givens[0].value"],
    ["a title that is no text", { ...bare, title: 7 }, "title"],
    ["a newer version", { ...bare, version: 2, colour: "red" }, "version"],
    ["a list", [1, 2], ""],
    ["what does not say that it is a case", { version: 1, title: "Kites" }, "format"],
  ])("%s is refused whole, with its place", (_, document, path) => {
    const taken = takenCase(document, "kites");
    expect(taken.ok).toBe(false);
    expect(!taken.ok && taken.errors.map((e) => e.path)).toContain(path);
  });

  it("what was given is left as it was", () => {
    const document = { ...bare, title: "", colour: "red" };
    takenCase(document, "kites");
    expect(document).toEqual({ ...bare, title: "", colour: "red" });
  });
});
