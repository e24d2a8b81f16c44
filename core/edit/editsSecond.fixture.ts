import type { FunctionRow } from "../model";
import { STARTERS } from "../starters";
import { FORM, SOURCE, planLine, at, type EditCase } from "./editSource.fixture";

export const SECOND: readonly EditCase[] = [
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
  [
    { kind: "writeWorking", id: "q1", lines: ["14q = 180", "q = 12.9", " ", ""] },
    "write working for q1",
    (c) => c.questions![0]!.working,
    ["14q = 180", "q = 12.9"],
  ],
  [
    { kind: "writeWorking", id: "q1", lines: ["", " "] },
    "write working for q1",
    (c) => c.questions![0]!.working,
    undefined,
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
      model: { family: "linear", method: "direct" },
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
      models: [
        { family: "linear", method: "direct" },
        { family: "linear", method: "direct" },
      ],
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
    { kind: "addPhrase", text: "b >= 1", label: "boxes", start: 2, end: 7 },
    "add a constraint from the story",
    (c) => [c.plan!.constraints.at(-1), c.story!.marks![0]],
    [
      { id: "C", text: "b >= 1", label: "boxes" },
      { start: 2, end: 7, role: "limit", of: "C" },
    ],
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
  [
    {
      kind: "takeOffers",
      offers: [{ kind: "given", from: { start: 2, end: 7 }, row: { name: "k", value: 3 } }],
    },
    "take what the story offers",
    (c) => [at(c.givens, "k"), c.story!.marks!.map((m) => m.of), c.title],
    [{ name: "k", value: 3 }, ["k", "F"], "Lantern stall"],
  ],
  [
    { kind: "leaveOffers", keys: ["given:k:stall", "given:k:stall"] },
    "leave 2 offers of the story",
    (c) => c.story!.left,
    ["given:k:stall"],
  ],
];
