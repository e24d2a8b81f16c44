import { SOURCE, entryOf, G, Q3, at, type EditCase } from "./editSource.fixture";

export const FIRST: readonly EditCase[] = [
  [{ kind: "renameCase", title: " Stall " }, "rename the case", (c) => c.title, "Stall"],
  [
    { kind: "bringBack", document: { format: "pasear-case", version: 1, title: "Earlier" }, state: "“first try”" },
    "bring back “first try”",
    (c) => [c.title, c.givens],
    ["Earlier", undefined],
  ],
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
];
