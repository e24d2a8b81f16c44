import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile } from ".";
import { caseOf, formula, saidOf } from "./made/making.fixture";

/** What is said of a case that has this in it beside a function f(x) = x. */
const said = (more: Partial<CaseFile>) => saidOf(buildModel(caseOf({ f: formula("x") }, more)));
const modelOf = (more: Partial<CaseFile>) => buildModel(caseOf({ f: formula("x") }, more));

describe("givens", () => {
  it("are exact as they were typed, and enclosed", () => {
    const { givens } = modelOf({
      givens: [
        { name: "k", value: 0.1, unit: "$" },
        { name: "p", value: 0.2, unit: "%" },
      ],
    });
    expect(givens.get("k")!.exact!.toFraction()).toBe("1/10");
    expect(givens.get("k")!.within.lo).toBeLessThanOrEqual(0.1);
    expect(givens.get("k")!.within.hi).toBeGreaterThanOrEqual(0.1);
    expect(givens.get("k")).not.toHaveProperty("written");
    expect(givens.get("k")!.unit!.text).toBe("$");
    expect(givens.get("p")).toMatchObject({ value: 0.2, written: "20%" });
  });
  it("of more than one, in percent, may be a slip; of one they are none", () => {
    const percent = (value: number, unit = "%") => said({ givens: [{ name: "r", value, unit }] }).warnings;
    expect(percent(5)).toEqual([["givens[0].value", "r is 500 %. If 5 % was meant, the value is 0.05."]]);
    expect(percent(-4.5, "%/year")).toEqual([
      ["givens[0].value", "r is −450 %. If −4.5 % was meant, the value is −0.045."],
    ]);
    expect([percent(1), percent(-1), percent(0.5), percent(5, "$")]).toEqual([[], [], [], []]);
  });
  it("that are no numbers are told and left out", () => {
    for (const value of [NaN, Infinity]) {
      const model = modelOf({ givens: [{ name: "k", value }] });
      expect(saidOf(model).errors).toEqual([["givens[0].value", "The value of `k` is not a number."]]);
      expect(model.givens.has("k")).toBe(false);
    }
  });
  it("one that is looked for stands for any number", () => {
    const source = caseOf(
      { f: formula("k x") },
      {
        givens: [
          { name: "k", value: 2 },
          { name: "m", value: 3 },
        ],
      },
    );
    const { givens } = buildModel(source, "k");
    expect(givens.get("k")).toMatchObject({ value: 2, exact: null, within: { lo: -Infinity, hi: Infinity } });
    expect(givens.get("m")!.exact!.toFraction()).toBe("3");
  });
  it("with a unit that is none are told at its place", () =>
    expect(said({ givens: [{ name: "k", value: 1, unit: "$$/" }] }).errors.map(([path]) => path)).toEqual([
      "givens[0].unit",
    ]));
});

describe("variables", () => {
  const read = (v: Partial<NonNullable<CaseFile["variables"]>[number]>) => {
    const model = modelOf({ variables: [{ name: "x", ...v }], givens: [{ name: "k", value: 3 }] });
    const { from, to, ...rest } = model.variables.get("x")!;
    return { ...rest, from: from?.toFraction() ?? null, to: to?.toFraction() ?? null, ...saidOf(model) };
  };
  it("have no ends, no unit, and are not whole, unless it is said", () =>
    expect(read({})).toEqual({
      name: "x",
      unit: null,
      label: "",
      whole: false,
      since: null,
      from: null,
      to: null,
      start: null,
      end: null,
      errors: [],
      warnings: [],
    }));
  it("take what is said", () =>
    expect(read({ from: "1/3", to: "2k", whole: true, label: "lanterns", since: 2031, unit: " " })).toMatchObject({
      from: "1/3",
      to: "6",
      whole: true,
      label: "lanterns",
      since: 2031,
      unit: null,
      start: { at: 1 / 3 },
      end: { at: 6 },
      errors: [],
    }));
  it("with an end that is no fraction keep it as it is", () => {
    const { end } = read({ from: 0, to: "2pi" });
    expect(end).toMatchObject({ at: 2 * Math.PI, rational: null });
  });
  it("the wrong way round are told, and turned", () => {
    expect(read({ from: 5, to: -2 })).toMatchObject({
      from: "-2",
      to: "5",
      start: { at: -2 },
      end: { at: 5 },
      errors: [["variables[0].from", "The range of `x` starts at 5, after its end −2; exchange the two."]],
    });
    expect(read({ from: 5, to: 5 }).errors).toEqual([]);
    expect(read({ from: 5 })).toMatchObject({ from: "5", to: null, errors: [] });
  });
  it.each<[string | number, boolean]>([
    [2031, true],
    ["2031", true],
    ["2031-01-06", true],
    ["6 January", false],
    ["2031-13-06", false],
  ])("counting from %s: %s", (since, isDate) =>
    expect(read({ since }).errors).toEqual(
      isDate
        ? []
        : [
            [
              "variables[0].since",
              `\`${since}\` is no date; write a year such as 2031 or a date such as \`2031-01-06\`.`,
            ],
          ],
    ),
  );
  it.each<[string | number, string]>([
    ["nothing", "`nothing` is not known here. Write it as a given first, for example `nothing = 12`."],
    [NaN, "This is not a number."],
    [Infinity, "This number is larger than any that can be worked with (about 1.8 × 10³⁰⁸)."],
    ["ln(0)", "`ln` of a number that is not above 0 has no value."],
    ["exp(1000)", "`exp(1000)` has no value."],
  ])("with the end %s", (to, message) =>
    expect(read({ from: 0, to })).toMatchObject({ to: null, errors: [["variables[0].to", message]] }),
  );
  it("with a start that is none", () => expect(read({ from: "ln(-1)" }).errors[0]![0]).toBe("variables[0].from"));
});

describe("names", () => {
  const CANNOT = "cannot be a name: a name starts with a letter and goes on with letters, digits or `_`.";
  it.each<[string, string]>([
    ["2k", `\`2k\` ${CANNOT}`],
    ["a b", `\`a b\` ${CANNOT}`],
    ["_k", `\`_k\` ${CANNOT}`],
    ["", `\`\` ${CANNOT}`],
    ["e", "`e` is the name of a number; choose another name."],
    ["pi", "`pi` is the name of a number; choose another name."],
    ["sin", "`sin` is the name of a built-in function; choose another name."],
  ])("%s is none", (name, message) =>
    expect(said({ givens: [{ name, value: 1 }] }).errors).toContainEqual(["givens[0].name", message]),
  );
  it.each(["k", "k2", "k_max", "größe", "λ"])("%s is one", (name) =>
    expect(said({ givens: [{ name, value: 1 }] })).toEqual({ errors: [], warnings: [] }),
  );
  const twice = (name: string, before: string) =>
    `The name \`${name}\` is used twice: here and at ${before}. Each name stands for one thing.`;
  it("stand for one thing", () => {
    expect(said({ givens: [{ name: "f", value: 1 }] }).errors).toContainEqual([
      "functions[0].name",
      twice("f", "givens[0].name"),
    ]);
    expect(said({ givens: [{ name: "x", value: 1 }] }).errors).toContainEqual([
      "variables[0].name",
      twice("x", "givens[0].name"),
    ]);
    expect(said({ variables: [{ name: "x" }, { name: "x" }] }).errors).toEqual([
      ["variables[1].name", twice("x", "variables[0].name")],
    ]);
  });
  it("of a plan may be those of variables, and of nothing else", () => {
    const plan = (name: string): Partial<CaseFile> => ({ plan: { variables: [{ name }], constraints: [] } });
    expect(said(plan("x")).errors).toEqual([]);
    expect(said(plan("f")).errors).toEqual([["plan.variables[0].name", twice("f", "functions[0].name")]]);
    expect(said({ ...plan("y"), variables: undefined, functions: [] })).toEqual({ errors: [], warnings: [] });
  });
  it("that differ only in capitals are told, unless both say what they mean", () => {
    const told = (first: string | undefined, second: string | undefined) =>
      said({
        givens: [
          { name: "k", value: 1, label: first },
          { name: "K", value: 2, label: second },
        ],
      }).warnings;
    const message = "`K` and `k` differ only in capitals; a slip between them would go unseen.";
    expect(told(undefined, undefined)).toEqual([["givens[1].name", message]]);
    expect(told("price", undefined)).toEqual([["givens[1].name", message]]);
    expect(told(undefined, "stalls")).toEqual([["givens[1].name", message]]);
    expect(told("price", "stalls")).toEqual([]);
  });
  it("of questions are their own", () =>
    expect(
      said({
        questions: [
          { id: "q1", ask: "greatest", function: "f" },
          { id: "q2", ask: "greatest", function: "f" },
          { id: "q1", ask: "least", function: "f" },
        ],
      }).errors,
    ).toEqual([["questions[2].id", "The id `q1` is used twice; every question has its own."]]));
});

describe("marks of the story", () => {
  it.each<[number, number, boolean]>([
    [0, 4, true],
    [3, 10, true],
    [3, 11, false],
    [4, 4, false],
    [5, 4, false],
  ])("%d to %d of ten characters: %s", (start, end, fits) =>
    expect(said({ story: { text: "0123456789", marks: [{ start, end, role: "given" }] } }).errors).toEqual(
      fits ? [] : [["story.marks[0]", `This mark covers ${start} to ${end}, but the story has 10 characters.`]],
    ),
  );
});

describe("tables of data", () => {
  const table = (name: string, columns: string[], rows: (number | null)[][]) => ({
    name,
    columns: columns.map((c) => ({ name: c })),
    rows,
  });
  it("have names of their own, as their columns have", () => {
    const data = [table("d", ["t", "y"], []), table("d", ["t", "t"], []), table("g", ["t"], [])];
    expect(said({ data }).errors).toEqual([
      ["data[1].name", "Two tables are named `d`; each needs a name of its own."],
      ["data[1].columns[1].name", "Two columns of `d` are named `t`."],
    ]);
  });
  it("have a number, or none, for every column of every row", () => {
    expect(said({ data: [table("d", ["t", "y"], [[1, null], [1], [1, 2, 3]])] }).errors).toEqual([
      [
        "data[0].rows[1]",
        "Row 2 of `d` has 1 numbers, but there are 2 columns; write null for a number that is missing.",
      ],
    ]);
  });
  it("have columns in units", () => {
    const spoilt = {
      ...table("d", ["t"], []),
      columns: [
        { name: "t", unit: "s" },
        { name: "y", unit: "m/" },
      ],
    };
    expect(said({ data: [spoilt] }).errors.map(([path]) => path)).toEqual(["data[0].columns[1].unit"]);
  });
});
