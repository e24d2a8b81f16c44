import { describe, expect, it } from "vitest";
import { readPlanLine } from "../plan";
import { buildModel, type CaseFile, type FunctionRow, type Question } from "../model";
import { interpret, type Entry } from "../entry";
import { FORMS } from "../forms";
import { STARTERS } from "../starters";
import {
  dependentsOf,
  editGroup,
  editWords,
  edited,
  freeConstraintId,
  isDrag,
  type Edit,
  type EditKind,
} from "./index";

const FORM = FORMS[0]!;

/** A case with a little of everything, that nothing may change in place. */
const SOURCE: CaseFile = frozen({
  format: "pasear-case",
  version: 1,
  title: "Lantern stall",
  story: { text: "A stall costs $180.", marks: [{ start: 14, end: 18, role: "given", of: "F" }] },
  givens: [
    { name: "F", value: 180, unit: "$", vary: { from: 100, to: 200 } },
    { name: "c", value: 2 },
  ],
  variables: [{ name: "q", from: 0, to: "F" }],
  data: [
    {
      name: "sales",
      columns: [{ name: "q" }, { name: "y", unit: "$" }],
      rows: [
        [0, 1],
        [1, 3],
        [2, 5],
      ],
      left: [{ row: 2 }],
    },
  ],
  functions: [
    { name: "C", of: "q", by: { kind: "formula", text: "F + c q" } },
    { name: "D", of: "q", by: { kind: "formula", text: "2 C + 1" }, shown: false },
    {
      name: "L",
      of: "q",
      by: {
        kind: "line",
        through: [
          [0, 1],
          [1, 2],
          [2, 9],
        ],
      },
    },
    { name: "S", of: "q", by: { kind: "fit", data: "sales", x: "q", y: "y", model: "linear" } },
    {
      name: "P",
      of: "q",
      by: {
        kind: "pieces",
        pieces: [
          { text: "q", to: 1 },
          { text: "2 c", from: 1, ends: "(]" },
        ],
      },
    },
  ],
  questions: [
    { id: "q1", ask: "reach", function: "C", value: 300, from: 0, to: 90 },
    { id: "q2", ask: "value", function: "D", at: { of: "q1" } },
  ],
  plan: {
    variables: [{ name: "q" }, { name: "b", whole: true, label: "boxes" }],
    constraints: [
      { id: "A", text: "q + 2 b <= F" },
      { id: "B", text: "0 <= b <= 1" },
    ],
    objective: { text: "3 q + F b", sense: "greatest", unit: "$" },
  },
});
function frozen<T>(value: T): T {
  if (typeof value === "object" && value !== null) Object.values(Object.freeze(value)).forEach(frozen);
  return value;
}
const entryOf = (line: string): Entry => {
  const read = interpret(line, SOURCE);
  if (!read.ok) throw new Error(read.message);
  return read.entry;
};
const planLine = (text: string) => {
  const read = readPlanLine(text, SOURCE.plan!, buildModel(SOURCE).names);
  if (!read.ok) throw new Error(read.message);
  return read.line;
};
const G: FunctionRow = { name: "G", of: "q", by: { kind: "formula", text: "q^2" } };
const Q3: Question = { id: "q3", ask: "greatest", function: "C" };
const at = (list: readonly { name?: string; id?: string }[] | undefined, key: string) =>
  list?.find((r) => (r.name ?? r.id) === key);

/** Each kind of change, what undo calls it, and a part of the case after it. */
const ALL: readonly [Edit, string, (c: CaseFile) => unknown, unknown][] = [
  [{ kind: "renameCase", title: " Stall " }, "rename the case", (c) => c.title, "Stall"],
  // The mark stays on its words, two letters further on.
  [{ kind: "editStory", text: "A bigger stall costs $180." }, "edit the story", (c) => c.story!.marks![0]!.start, 21],
  [
    { kind: "mark", mark: { start: 2, end: 7, role: "relation", of: "C" }, existing: null },
    "mark a phrase",
    (c) => c.story!.marks!.map((m) => m.start),
    [2, 14],
  ],
  [
    { kind: "mark", mark: { start: 14, end: 18, role: "given", of: "k" }, existing: 0, entry: entryOf("k = 180 $") },
    "change a mark",
    (c) => [c.story!.marks, at(c.givens, "k")],
    [[{ start: 14, end: 18, role: "given", of: "k" }], { name: "k", value: 180, unit: "$" }],
  ],
  [{ kind: "unmark", index: 0 }, "remove a mark", (c) => c.story, { text: "A stall costs $180." }],
  [
    { kind: "enter", entries: [entryOf("k = 3"), entryOf("C = 0 ?")], saying: "paste 2 lines" },
    "paste 2 lines",
    (c) => [at(c.givens, "k"), c.questions!.length],
    [{ name: "k", value: 3 }, 3],
  ],
  [
    { kind: "setGiven", name: "F", value: 250 },
    "change F",
    (c) => at(c.givens, "F"),
    { name: "F", value: 250, unit: "$", vary: { from: 100, to: 250 } },
  ],
  [{ kind: "slideGiven", name: "c", value: 4, in: "desk" }, "vary c", (c) => c.givens![1]!.value, 4],
  [
    { kind: "setTrack", name: "F", track: null },
    "stop varying F",
    (c) => at(c.givens, "F"),
    { name: "F", value: 180, unit: "$" },
  ],
  [{ kind: "setTrack", name: "c", track: { from: 0, to: 4 } }, "vary c", (c) => c.givens![1]!.vary, { from: 0, to: 4 }],
  [{ kind: "describeGiven", name: "c", label: " a lantern " }, "describe c", (c) => c.givens![1]!.label, "a lantern"],
  [
    { kind: "markGiven", name: "k", value: 180, unit: "$", label: "", start: 14, end: 18 },
    "make k a given",
    (c) => [at(c.givens, "k"), c.story!.marks!.length],
    [{ name: "k", value: 180, unit: "$" }, 2],
  ],
  [{ kind: "setRange", name: "q", from: 1 }, "set the range of q", (c) => c.variables, [{ name: "q", from: 1 }]],
  [{ kind: "moveEnd", name: "q", end: "from", value: -5 }, "set the range of q", (c) => c.variables![0]!.to, "F"],
  [{ kind: "setWhole", name: "q", whole: true }, "whole numbers of q", (c) => c.variables![0]!.whole, true],
  [{ kind: "describeVariable", name: "q", label: "lanterns" }, "describe q", (c) => c.variables![0]!.label, "lanterns"],
  // A new name is a new name everywhere.
  [
    { kind: "retype", name: "C", row: { ...G, name: "K", by: { kind: "formula", text: "F + 3 q" } } },
    "change C",
    (c) => [c.functions![0]!.by, c.functions![1]!.by, c.questions![0]],
    [
      { kind: "formula", text: "F + 3 q" },
      { kind: "formula", text: "2 K + 1" },
      { id: "q1", ask: "reach", function: "K", value: 300, from: 0, to: 90 },
    ],
  ],
  [
    { kind: "retype", name: "C", row: { ...G, name: "L" } },
    "change C",
    (c) => [c.functions!.map((f) => f.name), at(c.functions, "L")],
    [["C", "D", "L", "S", "P"], { ...G, name: "L" }],
  ],
  [{ kind: "putFunction", row: G, before: null }, "add the function G", (c) => c.functions!.at(-1), G],
  [
    { kind: "putFunction", row: { ...G, name: "K" }, before: "C" },
    "change K",
    (c) => [c.functions![0]!.name, c.functions![1]!.by],
    ["K", { kind: "formula", text: "2 K + 1" }],
  ],
  [
    { kind: "putTwin", row: { ...G, name: "P" }, before: "P", twin: { ...G, name: "P_s" }, question: Q3 },
    "write P in another form",
    (c) => [c.functions!.length, c.questions!.at(-1)],
    [6, Q3],
  ],
  [
    { kind: "setText", name: "P", piece: 1, text: "3 c" },
    "change P",
    (c) => at(c.functions, "P"),
    {
      ...SOURCE.functions![4],
      by: {
        kind: "pieces",
        pieces: [
          { text: "q", to: 1 },
          { text: "3 c", from: 1, ends: "(]" },
        ],
      },
    },
  ],
  [
    { kind: "setText", name: "C", piece: null, text: "F" },
    "change C",
    (c) => c.functions![0]!.by,
    { kind: "formula", text: "F" },
  ],
  [
    { kind: "dropReading", name: "L", index: 2 },
    "leave a reading of L out",
    (c) => c.functions![2]!.by,
    {
      kind: "line",
      through: [
        [0, 1],
        [1, 2],
      ],
    },
  ],
  [{ kind: "setFunctionUnit", name: "C", unit: "$" }, "set the unit of C", (c) => c.functions![0]!.unit, "$"],
  [{ kind: "describeFunction", name: "C", label: "cost" }, "describe C", (c) => c.functions![0]!.label, "cost"],
  [
    { kind: "moveFunction", name: "S", to: 0, looks: [0, 1, 2, 3, 4] },
    "move S",
    (c) => c.functions!.map((f) => [f.name, f.look]),
    [
      ["S", 3],
      ["C", 0],
      ["D", 1],
      ["L", 2],
      ["P", 4],
    ],
  ],
  [{ kind: "colour", name: "C", look: 3, as: "plum" }, "colour C plum", (c) => c.functions![0]!.look, 3],
  [{ kind: "showFunction", name: "D", shown: true }, "show D", (c) => "shown" in c.functions![1]!, false],
  [{ kind: "showFunction", name: "C", shown: false }, "hide C", (c) => c.functions![0]!.shown, false],
  [
    { kind: "rename", from: "q", to: "n" },
    "call q n",
    (c) => [c.functions![0]!.by, c.functions![3]!.of, c.plan!.constraints[0]!.text, c.plan!.objective!.text],
    [{ kind: "formula", text: "F + c n" }, "n", "n + 2 b <= F", "3 n + F b"],
  ],
  [
    { kind: "rename", from: "F", to: "K" },
    "call F K",
    (c) => [c.story!.marks![0]!.of, c.variables![0]!.to, c.plan!.constraints[0]!.text, c.plan!.objective!.text],
    ["K", "K", "q + 2 b <= K", "3 q + K b"],
  ],
  [{ kind: "ask", question: Q3 }, "ask a suggested question", (c) => c.questions!.at(-1), Q3],
  [
    { kind: "changeQuestion", question: { ...Q3, id: "q1" } },
    "change a question",
    (c) => c.questions![0],
    { ...Q3, id: "q1" },
  ],
  [
    { kind: "clearRange", id: "q1" },
    "ask on the whole range",
    (c) => c.questions![0],
    { id: "q1", ask: "reach", function: "C", value: 300 },
  ],
  [
    { kind: "askAt", id: "q2", at: 7 },
    "ask at another input",
    (c) => c.questions![1],
    { id: "q2", ask: "value", function: "D", at: 7 },
  ],
  [
    { kind: "moveThreshold", id: "q1", value: 310, given: null },
    "move the threshold of q1",
    (c) => c.questions![0],
    { ...SOURCE.questions![0], value: 310 },
  ],
  [
    { kind: "moveThreshold", id: "q1", value: 190, given: "F" },
    "move the threshold of q1",
    (c) => c.givens![0]!.value,
    190,
  ],
  // Four rows: the third, which does not exist yet, is empty.
  [
    { kind: "writeCell", table: "sales", row: 4, column: 1, value: 9 },
    "change a row of sales",
    (c) => c.data![0]!.rows.slice(3),
    [
      [null, null],
      [null, 9],
    ],
  ],
  [
    { kind: "writeCell", table: "sales", row: 1, column: 1, value: 4 },
    "change a row of sales",
    (c) => c.data![0]!.rows[1],
    [1, 4],
  ],
  [
    { kind: "pasteRows", table: "sales", row: 2, column: 1, cells: [[7, 99], [8], [null]] },
    "paste 3 rows",
    (c) => c.data![0]!.rows.slice(2),
    [
      [2, 7],
      [null, 8],
    ],
  ],
  [{ kind: "useRow", table: "sales", row: 2 }, "use row 3 again", (c) => "left" in c.data![0]!, false],
  [
    { kind: "leaveRow", table: "sales", row: 0, reason: " a storm " },
    "leave out row 1",
    (c) => c.data![0]!.left,
    [{ row: 2 }, { row: 0, reason: "a storm" }],
  ],
  [
    { kind: "beginTable", name: "readings", columns: ["x", "y"] },
    "begin a table",
    (c) => c.data![1],
    { name: "readings", columns: [{ name: "x" }, { name: "y" }], rows: [] },
  ],
  [
    { kind: "renameTable", from: "sales", to: "takings" },
    "rename the data",
    (c) => [c.data![0]!.name, (c.functions![3]!.by as { data: string }).data],
    ["takings", "takings"],
  ],
  [
    { kind: "setColumn", table: "sales", from: "y", name: "z", unit: undefined },
    "rename a column",
    (c) => [c.data![0]!.columns[1], (c.functions![3]!.by as { y: string }).y],
    [{ name: "z" }, "z"],
  ],
  // Weeks since 6 January 2031 counted in days: seven times the number; half as far again is the end of the range.
  [
    {
      kind: "recount",
      table: "sales",
      column: "q",
      from: { unit: "week", since: "2031-01-06" },
      to: { unit: "day", since: "2031-01-06" },
    },
    "count q in days since 2031-01-06",
    (c) => [c.data![0]!.rows.map((r) => r[0]), c.variables![0]],
    [[0, 7, 14], { name: "q", unit: "day", since: "2031-01-06", from: 0, to: 21 }],
  ],
  [
    {
      kind: "useModel",
      from: { table: SOURCE.data![0]!, x: "q", y: "y" },
      model: { family: "linear" },
      name: "T",
    },
    "use the linear model as T",
    (c) => (at(c.functions, "T") as FunctionRow).by.kind,
    "fit",
  ],
  [
    {
      kind: "usePieces",
      from: { table: SOURCE.data![0]!, x: "q", y: "y" },
      models: [{ family: "linear" }, { family: "linear" }],
      breaks: [1],
      owner: "right",
      name: "T",
    },
    "split sales at 1",
    (c) => (at(c.functions, "T") as FunctionRow).by.kind,
    "pieces",
  ],
  [
    {
      kind: "addTable",
      read: { columns: [{ name: "u", kind: "number" }], rows: [[4]] } as never,
      title: "more",
      name: "more",
    },
    "add the data more",
    (c) => at(c.data, "more"),
    { name: "more", columns: [{ name: "u" }], rows: [[4]] },
  ],
  [
    { kind: "putForm", form: FORM },
    `put the form “${FORM.title}” on the desk`,
    (c) => [c.givens!.length - SOURCE.givens!.length, c.functions!.length - SOURCE.functions!.length],
    [FORM.givens.length, FORM.functions.length],
  ],
  [{ kind: "begin", starter: STARTERS[0]! }, "begin with “A table of lanterns”", (c) => c, SOURCE],
  [
    {
      kind: "addPlanLines",
      lines: [
        { kind: "constraint", text: "3 s + b <= 8", label: undefined, fresh: ["s"] },
        { kind: "objective", sense: "greatest", text: "2 s + b", unit: null, fresh: [] },
      ],
    },
    "add 2 lines to the plan",
    (c) => [c.plan!.variables.at(-1), c.plan!.constraints.at(-1), c.plan!.objective!.text],
    [{ name: "s" }, { id: "C", text: "3 s + b <= 8" }, "2 s + b"],
  ],
  [
    { kind: "addPlanLine", line: planLine("paper: 2 s + b <= 9") },
    "add a constraint",
    (c) => [c.plan!.variables.at(-1), c.plan!.constraints.at(-1)],
    [{ name: "s" }, { id: "C", text: "2 s + b <= 9", label: "paper" }],
  ],
  [
    { kind: "addPlanLine", line: planLine("least q + b") },
    "set the objective",
    (c) => c.plan!.objective,
    { text: "q + b", sense: "least", unit: "$" },
  ],
  [
    { kind: "addPhrase", text: "b >= 1", label: "boxes" },
    "add a constraint from the story",
    (c) => c.plan!.constraints.at(-1),
    { id: "C", text: "b >= 1", label: "boxes" },
  ],
  [{ kind: "setObjective", sense: "least" }, "change the objective", (c) => c.plan!.objective!.sense, "least"],
  [{ kind: "setObjectiveUnit", unit: " " }, "set the unit", (c) => "unit" in c.plan!.objective!, false],
  [{ kind: "setConstraint", id: "A", text: "q <= 3" }, "change A", (c) => c.plan!.constraints[0]!.text, "q <= 3"],
  [
    { kind: "describeConstraint", id: "A", label: "room" },
    "describe a constraint",
    (c) => c.plan!.constraints[0]!.label,
    "room",
  ],
  [{ kind: "forceConstraint", id: "A", inForce: false }, "leave out A", (c) => c.plan!.constraints[0]!.off, true],
  [
    { kind: "removeConstraint", id: "A" },
    "delete the constraint A",
    (c) => c.plan!.constraints.map((r) => r.id),
    ["B"],
  ],
  [
    { kind: "describePlanVariable", name: "b", label: "" },
    "describe a variable",
    (c) => c.plan!.variables[1],
    { name: "b", whole: true },
  ],
  [{ kind: "setPlanWhole", name: "q", whole: true }, "make q whole", (c) => c.plan!.variables[0]!.whole, true],
  [
    { kind: "setYesNo", name: "q", yesNo: true },
    "make q yes or no",
    (c) => c.plan!.constraints.at(-1),
    { id: "C", text: "0 <= q <= 1", label: "q: yes or no" },
  ],
  [{ kind: "setYesNo", name: "b", yesNo: false }, "let b be more than yes or no", (c) => c.plan!.constraints.length, 1],
  [{ kind: "removePlanVariable", name: "b" }, "delete the variable b", (c) => c.plan!.variables, [{ name: "q" }]],
  [
    { kind: "readPlan", plan: { variables: [], constraints: [] }, from: "a.lp" },
    "read the plan of a.lp",
    (c) => c.plan,
    { variables: [], constraints: [] },
  ],
  [{ kind: "remove", thing: { kind: "given", name: "c" } }, "delete c", (c) => c.givens!.map((g) => g.name), ["F"]],
  [
    { kind: "remove", thing: { kind: "question", name: "q1" }, with: [{ kind: "question", name: "q2" }] },
    "delete a question and what needs it",
    (c) => c.questions,
    [],
  ],
  [{ kind: "removeTable", name: "sales" }, "delete the data sales", (c) => c.data, []],
];

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
