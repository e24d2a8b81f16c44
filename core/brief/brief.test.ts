import { describe, expect, it } from "vitest";
import { deskOf } from "../desk";
import { modelOf, type CaseFile } from "../model";
import { analyse } from "../question";
import {
  briefPage,
  briefRows,
  choicesFor,
  filledRows,
  freeWordsId,
  liveChoices,
  mathLatex,
  runsText,
  type BriefBlock,
} from ".";
import { demo, ownWords, pageOf } from "./brief.fixture";

const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "New case" };
const idsOf = (rows: readonly { id: string }[]) => rows.map((r) => r.id);
const words = (b: BriefBlock): string =>
  "runs" in b
    ? runsText(b.runs)
    : b.kind === "answer"
      ? b.lines.join(" ")
      : b.kind === "table"
        ? [b.caption, ...b.rows.map((row) => row.join(" | ")), b.more].join("\n")
        : b.kind === "list"
          ? b.items.map(runsText).join("\n")
          : b.kind === "formulas"
            ? b.lines.map((f) => `${f.text} (${f.note})`).join("\n")
            : b.caption;
const textOf = (source: CaseFile, id: string) =>
  pageOf(source)
    .sections.find((s) => s.id === id)
    ?.blocks.map(words)
    .join("\n");

describe("the parts of a brief", () => {
  it("stand in their order, without those that the case has nothing for", () => {
    expect(idsOf(filledRows(EMPTY))).toEqual([]);
    expect(idsOf(filledRows(demo("two-lanterns")))).toEqual(["answer", "known", "plan", "working"]);
    expect(idsOf(filledRows({ ...demo("boat-fare"), brief: {} }))).not.toContain("plan");
  });
  it("a part that came since stands after the one it follows; unknown rows are passed over, own words stay", () => {
    const rows = [
      { id: "checks" },
      { id: "words1", blocks: [] },
      { id: "known", off: true },
      { id: "who knows" },
      { id: "checks", off: true },
    ];
    expect(idsOf(briefRows({ ...EMPTY, brief: { rows } }))).toEqual([
      "answer",
      "checks",
      "changes",
      "working",
      "words1",
      "known",
      "model",
      "graph",
      "plan",
      "data",
      "findings",
    ]);
    expect(freeWordsId({ ...EMPTY, brief: { rows } })).toBe("words2");
  });
  it("are left out where they are switched off, whatever stands in them", () => {
    const brief = {
      rows: [
        { id: "known", off: true },
        { id: "working", off: false },
      ],
    };
    const shown = idsOf(pageOf({ ...demo("lantern-stall"), brief }).sections);
    expect(shown).not.toContain("known");
    expect(shown).toContain("working");
  });
});

describe("the working", () => {
  const told = (source: CaseFile): string[] =>
    pageOf({ ...source, brief: { rows: [{ id: "working", off: false }] } })
      .sections.filter((s) => s.id === "working")
      .flatMap((s) => s.blocks)
      .flatMap((b) => (b.kind === "formulas" ? b.lines.map((l) => `${l.note} ${l.text}`) : []));
  it("of every finding, step by step", () => {
    const lines = told(demo("lantern-stall"));
    expect(lines).toContain("They meet where both have the same value. R(q) = C(q)");
    expect(lines).toContain("Set aside: outside the range 0 ≤ q ≤ 320. q ≈ 328.56489");
  });
  it("of a plan, corner by corner", () => {
    const plan = {
      variables: [{ name: "x" }, { name: "y" }],
      constraints: ["x + y <= 90", "x >= 0", "y >= 0"].map((text, i) => ({ id: `C${i}`, text })),
      objective: { text: "4x + 5y", sense: "greatest" as const },
    };
    expect(told({ ...EMPTY, plan })).toContain("The objective there. Z(0, 90) = 4*0 + 5*90 = 450");
  });
});

describe("what the brief of the stall says", () => {
  const stall = demo("lantern-stall");
  it("over it all", () => {
    const { heading, about, byline } = pageOf(stall);
    expect([heading, about, byline]).toEqual([
      "Sell 172 lanterns at $8.25",
      "The lantern stall, for one evening in May",
      "The stall of the Lantern Walk · 2 May 2031",
    ]);
    expect(pageOf({ ...stall, brief: {} }).heading).toBe("Lantern stall");
  });
  it.each([
    // The price at the greatest profit comes after the greatest profit.
    [
      "answer",
      "17 lanterns is the first whole number that pays. 172 or 173 lanterns: $811.87. p(172.5) is $8.25/lantern.",
    ],
    ["known", "F | permit and workbench | $180"],
    ["model", "q is lanterns sold, from 0 to 320, whole numbers only."],
    ["model", "p(q) = 14 - q/30 (price, in $/lantern, line through 2 readings (240, $6) and (150, $9))"],
    ["graph", "Price p, revenue R, cost C and profit P against q."],
    ["findings", "Where is profit P greatest, for 0 … 320 lanterns?\n172 or 173 lanterns: $811.87."],
    ["findings", "What is price p at the q where profit P is greatest?"],
    ["checks", "the only crossing on 0 … 320; two methods agree; 328.56 set aside: over the limit"],
    ["checks", "Units agree in every function that has them."],
    // 345 − √97425 over 2 is 16.435; with F = 162 the root is 14.715, with F = 198 it is 18.175.
    ["changes", "F, permit and workbench | 14.715 lanterns | 18.175 lanterns"],
    ["changes", "With 10 % less or more of M, room on the square it is the same, to the digits shown."],
    ["words1", "We propose to ask $8.25/lantern and to make 172 lanterns. That leaves $811.87 after"],
    ["words2", "The price line p(q) = 14 - q/30 rests on two readings"],
  ])("%s: %s", (id, wanted) => expect(textOf(stall, id)).toContain(wanted));
  it("a graph of each finding, when wanted, with a caption of its own", () => {
    const rows = [{ id: "findings", graphs: true }];
    const blocks = pageOf({ ...stall, brief: { rows } }).sections.find((s) => s.id === "findings")!.blocks;
    const pictures = blocks.flatMap((b) => (b.kind === "picture" ? [[b.key, b.caption]] : []));
    expect(pictures).toEqual([
      ["finding:q1", "R and C. 17 lanterns is the first whole number that pays."],
      ["finding:q2", "P. 172 or 173 lanterns: $811.87."],
    ]);
  });
});

describe("other cases", () => {
  it("a plan: its answer, its constraints, its corners, its region", () => {
    const source = demo("two-lanterns");
    expect(textOf(source, "answer")).toBe("Make 60 river lanterns and 40 sky lanterns: $370.");
    const plan = textOf(source, "plan")!;
    expect(plan).toContain("3.5x + 4y (as much as can be, in $)");
    expect(plan).toContain("2x + 3y ≤ 240 (sheets of paper)");
    expect(plan).toContain("Corners of the region");
    expect(plan).toContain("What is allowed of river lanterns and sky lanterns.");
    expect(plan).toMatch(/One more of sheets of paper brings \$1.13/);
  });
  it("a long table shows its first rows, and says how many follow", () => {
    const rows = Array.from({ length: 40 }, (_, i) => [i, 2 * i]);
    const data = [{ name: "counts", columns: [{ name: "t", unit: "day" }, { name: "n" }], rows }];
    const [table] = pageOf({ ...EMPTY, data }).sections.find((s) => s.id === "data")!.blocks;
    expect(table).toMatchObject({ caption: "counts", more: "and 16 more rows", columns: [{ name: "t, days" }, {}] });
    expect(table).toHaveProperty("rows.length", 24);
  });
  it("what is not there yet is said", () => {
    const asked: CaseFile = { ...ownWords([]), brief: {}, functions: [] };
    expect(textOf(asked, "answer")).toBe("Nothing is answered yet.");
    expect(pageOf({ ...EMPTY, brief: {} }).sections).toEqual([]);
  });
});

describe("what is not sure, and what is not there yet", () => {
  const growth = (questions: CaseFile["questions"], text = "k t"): CaseFile => ({
    ...EMPTY,
    givens: [{ name: "k", value: 2 }],
    variables: [{ name: "t", label: "time in the mill", unit: "m" }],
    functions: [{ name: "N", of: "t", by: { kind: "formula", text } }],
    questions,
  });
  const reach = (id: string) => ({ id, ask: "reach", function: "N", value: 1 }) as const;
  it("an answer that is not proven complete says so in the answer itself", () => {
    // The waves come ever closer to each other: on all t they cannot be listed.
    const source = growth([reach("q1")], "k sin(t^2)");
    const [open] = deskOf(analyse(source)).findings[0]!.chips.filter((c) => c.tone === "open");
    expect(open).toBeDefined();
    expect(textOf(source, "answer")!.toLowerCase()).toContain(open!.text);
  });
  it("findings that are still worked out stand there as such", () => {
    const source = growth([reach("q1"), reach("q2")]);
    const desk = deskOf(analyse(source));
    const waiting = [{ id: "q2", question: desk.findings[1]!.question }];
    const page = briefPage({
      source,
      desk: { ...desk, findings: desk.findings.slice(0, 1), waiting },
      names: modelOf(source).names,
      plan: null,
      influences: null,
      graph: null,
    });
    const found = page.sections.find((s) => s.id === "findings")!.blocks.map(words);
    expect(found.slice(-2)).toEqual([expect.stringMatching(/^Where is N equal to 1/), "It is being worked out …"]);
  });
  it("a unit that is only a letter of the label is told, and an open range is not", () => {
    expect(textOf(growth([]), "model")).toMatch(/^t is time in the mill, in m\.\n/);
  });
  it("what was not weighed is counted", () => {
    const rows = [{ id: "changes" }];
    const source = { ...growth(["q1", "q2", "q3", "q4", "q5", "q6"].map(reach)), brief: { rows } };
    // The page here weighs the first two of six.
    expect(textOf(source, "changes")).toMatch(
      /\nOf 4 findings no number was followed here\. The first 4 findings were looked at\.$/,
    );
  });
  it("a caption belongs to one picture", () => {
    const rows = [{ id: "findings", graphs: true, captions: { "finding:q1": "Break-even" } }];
    const blocks = pageOf({ ...demo("lantern-stall"), brief: { rows } }).sections.find(
      (s) => s.id === "findings",
    )!.blocks;
    const captions = blocks.flatMap((b) => (b.kind === "picture" ? [b.caption] : []));
    expect(captions).toEqual(["Break-even", "P. 172 or 173 lanterns: $811.87."]);
  });
});

describe("numbers that follow the case", () => {
  it.each([
    [{ given: "F" }, "$90"],
    // 7 n = 90 at n = 12.857…; the first whole number of boats that pays is 13.
    [{ finding: "q1", show: "at" }, "about 13 boats"],
    [{ finding: "q1", show: "whole" }, "13 boats"],
    [{ finding: "q1", show: "says" }, "13 boats is the first whole number that pays."],
    [{ given: "G" }, "[no longer in the case]"],
    [{ finding: "q7", show: "at" }, "[no longer in the case]"],
  ] as const)("%j: %s", (live, wanted) => expect(textOf(ownWords([live]), "words1")).toBe(wanted));
  it("another value of the given is another number, and the words around it stay", () => {
    const source = ownWords([{ text: "The mooring costs " }, { given: "F" }, { text: "." }]);
    const dearer = { ...source, givens: [{ ...source.givens![0]!, value: 120 }] };
    expect(textOf(source, "words1")).toBe("The mooring costs $90.");
    expect(textOf(dearer, "words1")).toBe("The mooring costs $120.");
  });
  it("are found by words of their name and by what they are", () => {
    const all = liveChoices(deskOf(analyse(ownWords([]))));
    expect(choicesFor("moor", all).map((c) => c.text)).toEqual(["$90"]);
    expect(choicesFor("13 whole", all).map((c) => c.live)).toContainEqual({ finding: "q1", show: "whole" });
    expect(choicesFor("", all)).toHaveLength(all.length);
    expect(choicesFor("nothing of that", all)).toEqual([]);
  });
});

describe("mathematics in own words", () => {
  const { names } = modelOf(ownWords([]));
  it.each([
    ["P(n) = 7 n - F", "P(n) = 7\\, n - F"],
    ["n >= 13", "n \\ge 13"],
    ["a/b < 2", "\\frac{a}{b} < 2"],
    ["Q(t)", "Q(t)"],
    ["7 n -", null],
    ["= 3", null],
  ])("%s", (typed, wanted) => expect(mathLatex(typed, names)).toBe(wanted));
  it("what cannot be read stands as it was typed", () => {
    expect(textOf(ownWords([{ math: "7 n - " }]), "words1")).toBe("7 n - ");
  });
});
