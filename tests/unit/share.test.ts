import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shareParts } from "../../app/utils/share";

const plain = () =>
  fc.letrec((tie) => ({
    node: fc.oneof(
      { depthSize: "small" },
      fc.integer(),
      fc.string(),
      fc.constant(null),
      fc.boolean(),
      fc.array(tie("node"), { maxLength: 4 }),
      fc.dictionary(fc.string({ maxLength: 3 }), tie("node"), { maxKeys: 4 }),
    ),
  })).node;

describe("old parts are kept where nothing changed", () => {
  it("the result always equals the new value", () =>
    fc.assert(
      fc.property(plain(), plain(), (before, next) => {
        const wanted = structuredClone(next);
        expect(shareParts(before, next)).toEqual(wanted);
      }),
    ));
  it("a copy becomes the old value itself", () =>
    fc.assert(
      fc.property(plain(), (before) => {
        expect(shareParts(before, structuredClone(before))).toBe(before);
      }),
    ));
  it.each([
    [
      "a changed text keeps its neighbours",
      { a: { x: [1, 2] }, b: "old" },
      { a: { x: [1, 2] }, b: "new" },
      ["a"],
      ["b"],
    ],
    ["a longer list keeps its first rows", [{ n: 1 }, { n: 2 }], [{ n: 1 }, { n: 2 }, { n: 3 }], ["0", "1"], []],
    ["a key that is gone is gone", { a: { x: 1 }, b: 1 }, { a: { x: 1 } }, ["a"], []],
  ])("%s", (_, before, next, kept, changed) => {
    const out = shareParts<unknown>(before, next) as Record<string, unknown>;
    expect(out).not.toBe(before);
    for (const k of kept) expect(out[k]).toBe((before as unknown as Record<string, unknown>)[k]);
    for (const k of changed) expect(out[k]).not.toBe((before as unknown as Record<string, unknown>)[k]);
  });
  it("a list and an object are never mixed", () => expect(shareParts({ 0: "a" }, ["a"])).toEqual(["a"]));
  it("a missing key is not the same as undefined", () =>
    expect(Object.keys(shareParts<object>({ a: undefined }, {}))).toEqual([]));
});
