import { freeConstraintId } from "../plan";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { dependentsOf, editGroup, editWords, edited, isDrag, type Edit, type EditKind } from "./index";
import { SOURCE, frozen } from "./editSource.fixture";

import { FIRST } from "./editsFirst.fixture";
import { SECOND } from "./editsSecond.fixture";

const ALL = [...FIRST, ...SECOND];

describe("every change of a case", () => {
  it.each(ALL)("%j is called so", (edit, says) => expect(editWords(edit)).toBe(says));
  it.each(ALL)("%j does that, and leaves the case it was given as it was", (edit, _says, look, wanted) => {
    const before = JSON.stringify(SOURCE);
    expect(look(edited(SOURCE, edit))).toEqual(wanted);
    expect(JSON.stringify(SOURCE)).toBe(before);
  });
  it("works on a case that has none of it yet", () => {
    const empty: CaseFile = frozen({ format: "pasear-case", version: 1, title: "Empty" });
    for (const [edit] of ALL) {
      if ((["moveFunction"] as EditKind[]).includes(edit.kind)) continue;
      expect(edited(empty, edit)).toMatchObject({ format: "pasear-case", version: 1 });
    }
  });
  it("a row that is not written to stays itself", () => {
    const edit: Edit = { kind: "pasteRows", table: "sales", row: 1, column: 0, cells: [[7]] };
    const [first, second, third] = edited(SOURCE, edit).data![0]!.rows;
    expect([first, third].map((row, i) => row === SOURCE.data![0]!.rows[i * 2])).toEqual([true, true]);
    expect(second).toEqual([7, 3]);
  });
  it("quick changes of one thing are one step; a hand on a track drags", () => {
    const slide: Edit = { kind: "slideGiven", name: "c", value: 1, in: "desk" };
    expect([editGroup(slide), isDrag(slide)]).toEqual(["vary:c", true]);
    expect(editGroup({ ...slide, in: "plan" })).toBe("slide:c");
    expect([editGroup({ kind: "unmark", index: 0 }), isDrag({ kind: "unmark", index: 0 })]).toEqual([null, false]);
  });
});

describe("what hangs on what", () => {
  const links = [
    ["given:F", "function:C"],
    ["function:C", "function:D"],
    ["function:D", "question:q2"],
    ["question:q1", "question:q2"],
    ["variable:q", "function:C"],
  ] as const;
  it.each([
    [{ kind: "given", name: "F" }, ["C", "D", "q2"]],
    [{ kind: "question", name: "q1" }, ["q2"]],
    [{ kind: "question", name: "q2" }, []],
  ] as const)("%j is needed by %j", (thing, names) => {
    expect(dependentsOf(thing, links).map((t) => t.name)).toEqual(names);
  });
});

it("constraints are called by letters, then by C and a number", () => {
  expect(freeConstraintId([])).toBe("A");
  const letters = [..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"].map((id) => ({ id }));
  expect(freeConstraintId(letters)).toBe("C1");
  expect(freeConstraintId([...letters, { id: "C1" }])).toBe("C2");
});

describe("lines of a student's own working", () => {
  it("are renamed with the case", () => {
    const source = edited(SOURCE, {
      kind: "writeWorking",
      id: "q1",
      lines: ["F + 2 q = 9, so", "q = F or q ≈ 3.5", "\\frac{q}{2}"],
    });
    const lines = edited(source, { kind: "rename", from: "q", to: "n" }).questions![0]!.working;
    expect(lines).toEqual(["F + 2 n = 9, so", "n = F or n ≈ 3.5", "\\frac{q}{2}"]);
  });
});
