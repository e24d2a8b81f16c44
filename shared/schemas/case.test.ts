import { describe, expect, it } from "vitest";
import { readCase } from "./case";

const CASE = { format: "pasear-case", version: 1, title: "Boats" };
const errors = (document: unknown) => {
  const read = readCase(document);
  return read.ok ? [] : read.errors.map((e) => `${e.path}: ${e.message}`);
};
const rows = (...list: unknown[]) => ({ ...CASE, brief: { rows: list } });
const words = (...runs: unknown[]) => rows({ id: "words1", blocks: [{ kind: "paragraph", runs }] });

describe("the shape of a case", () => {
  it.each([
    [CASE, []],
    [rows({ id: "answer" }, { id: "graph", off: true, captions: { graph: "Money" } }), []],
    [words({ text: "a", bold: true }, { math: "P(n)" }, { given: "F" }, { finding: "q1", show: "whole" }), []],
  ])("%j is well", (document, wanted) => expect(errors(document)).toEqual(wanted));

  it.each([
    [
      { ...CASE, version: 2, whatever: [] },
      "version: This case is of version 2 of the format, and this Pasear reads version 1: a newer one does.",
    ],
    // no version that anybody could have written
    [{ ...CASE, version: Infinity }, "version: This should be `1`."],
    [{ ...CASE, version: 1.5 }, "version: This should be `1`."],
    [{ ...CASE, version: "1" }, "version: This should be `1`."],
    [{ ...CASE, brief: { colour: 1 } }, "brief.colour: The key `colour` is not known here."],
    [{ ...CASE, brief: { sheet: "a3" } }, "brief.sheet: This should be `a4` or `letter`."],
    [
      words({ given: "F" }, { colour: "red" }),
      'brief.rows[0].blocks[0].runs[1]: This should be `{ "text": "…" }`, `{ "math": "…" }`, ' +
        'or a number of the case such as `{ "given": "F" }`.',
    ],
    [
      rows({ id: "words1", blocks: [{ kind: "table" }] }),
      "brief.rows[0].blocks[0].kind: `table` is not a known `kind`.",
    ],
  ])("%j is told what is wrong", (document, wanted) => expect(errors(document)).toEqual([wanted]));
});
