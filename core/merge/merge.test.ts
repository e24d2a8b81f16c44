import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { differingParts, mergeCases } from "./index";

const BASE: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Stall",
  story: { text: "The permit costs $180.", marks: [{ start: 17, end: 21, role: "given", of: "F" }] },
  givens: [
    { name: "F", value: 180, unit: "$" },
    { name: "k", value: 2.5, unit: "$", label: "materials" },
  ],
  variables: [{ name: "q", from: 0, to: 300 }],
  data: [
    {
      name: "sold",
      columns: [{ name: "t" }, { name: "n" }],
      rows: [
        [0, 1],
        [1, 2],
        [2, 4],
      ],
    },
  ],
  functions: [
    { name: "C", of: "q", by: { kind: "formula", text: "F + k q" } },
    { name: "R", of: "q", by: { kind: "formula", text: "6 q" } },
  ],
  questions: [{ id: "q1", ask: "meet", functions: ["R", "C"] }],
};
const changed = (recipe: (d: CaseFile) => void, from = BASE): CaseFile => {
  const copy = structuredClone(from);
  recipe(copy);
  return copy;
};
const value = (d: CaseFile, name: string) => d.givens!.find((g) => g.name === name)?.value;
const names = (rows: readonly { name?: string; id?: string }[] | undefined) => rows?.map((r) => r.id ?? r.name);

describe("two versions of a case", () => {
  it("changed in different parts are one, with both changes", () => {
    const mine = changed((d) => {
      d.givens![0]!.value = 200;
      d.questions!.push({ id: "q2", ask: "value", function: "C", at: 10 });
    });
    const theirs = changed((d) => {
      d.title = "Stall by the bridge";
      d.givens![1]!.value = 3;
      d.functions!.splice(1, 0, { name: "L", of: "q", by: { kind: "formula", text: "2 q" } });
      d.data![0]!.rows[1] = [1, 3];
    });
    const { merged, clashes } = mergeCases(BASE, mine, theirs);
    expect(clashes).toEqual([]);
    expect([merged.title, value(merged, "F"), value(merged, "k")]).toEqual(["Stall by the bridge", 200, 3]);
    expect([names(merged.functions), names(merged.questions)]).toEqual([
      ["C", "L", "R"],
      ["q1", "q2"],
    ]);
    expect(merged.data![0]!.rows).toEqual([
      [0, 1],
      [1, 3],
      [2, 4],
    ]);
    expect("plan" in merged).toBe(false);
  });
  it("a label and a number of one row are different parts; a number and its unit are one", () => {
    const mine = changed((d) => {
      d.givens![0]!.label = "permit";
    });
    const theirs = changed((d) => {
      d.givens![0]!.value = 190;
    });
    expect(mergeCases(BASE, mine, theirs)).toMatchObject({
      clashes: [],
      merged: { givens: [{ value: 190, label: "permit" }, {}] },
    });
    const unit = changed((d) => {
      d.givens![0]!.unit = "€";
    });
    expect(mergeCases(BASE, unit, theirs).clashes).toEqual(["given F"]);
  });
  it("where both changed one part it is named, and the preferred one stands beside all the rest", () => {
    const mine = changed((d) => {
      d.givens![0]!.value = 200;
      d.title = "Mine";
    });
    const theirs = changed((d) => {
      d.givens![0]!.value = 210;
      d.givens![1]!.value = 3;
    });
    for (const [prefer, f] of [
      ["mine", 200],
      ["theirs", 210],
    ] as const) {
      const { merged, clashes } = mergeCases(BASE, mine, theirs, prefer);
      expect(clashes).toEqual(["given F"]);
      expect([merged.title, value(merged, "F"), value(merged, "k")]).toEqual(["Mine", f, 3]);
    }
  });
  it("a row that one deleted and the other changed is a clash; one that nobody changed is deleted", () => {
    const gone = changed((d) => {
      d.givens!.pop();
      d.functions![0]!.by = { kind: "formula", text: "F" };
    });
    const other = changed((d) => {
      d.givens![1]!.value = 3;
    });
    expect(mergeCases(BASE, gone, other).clashes).toEqual(["given k"]);
    const titled = changed((d) => {
      d.title = "T";
    });
    expect(mergeCases(BASE, gone, titled)).toMatchObject({
      clashes: [],
      merged: { title: "T", givens: [{ name: "F" }] },
    });
  });
  it("a name that one changed and the other uses is a clash, though no row was changed by both", () => {
    const renamed = changed((d) => {
      d.givens![0]!.name = "permit";
      d.functions![0]!.by = { kind: "formula", text: "permit + k q" };
    });
    const uses = changed((d) => {
      d.functions!.push({ name: "D", of: "q", by: { kind: "formula", text: "2 F q" } });
    });
    expect(mergeCases(BASE, renamed, uses)).toEqual({
      merged: renamed,
      clashes: ["names that one version changed and the other uses"],
    });
  });
  it("two new questions under one id are two questions, unless an answer of mine is used", () => {
    const asks = (at: number) =>
      changed((d) => {
        d.questions!.push({ id: "q2", ask: "value", function: "C", at });
        d.story!.marks!.push({ start: 0, end: 3, role: "question", of: "q2" });
      });
    const theirs = changed((d) => {
      d.questions!.push({ id: "q2", ask: "greatest", function: "R" });
    });
    const { merged, clashes } = mergeCases(BASE, asks(10), theirs);
    expect([clashes, names(merged.questions)]).toEqual([[], ["q1", "q3", "q2"]]);
    expect(merged.story!.marks![1]!.of).toBe("q3");
    const used = changed((d) => {
      d.questions!.push({ id: "q3", ask: "value", function: "C", at: { of: "q2" } });
    }, asks(10));
    expect(mergeCases(BASE, used, theirs).clashes).toEqual(["question q2"]);
  });
  it("rows that one moved stay moved, with what the other added", () => {
    const moved = changed((d) => {
      d.functions!.reverse();
    });
    const added = changed((d) => {
      d.functions!.push({ name: "L", of: "q", by: { kind: "formula", text: "q" } });
    });
    expect(names(mergeCases(BASE, moved, added).merged.functions)).toEqual(["R", "L", "C"]);
  });
  it("a plan that one made anew comes in; its parts are parts like others", () => {
    const plan = (right: number) => ({
      variables: [{ name: "x" }],
      constraints: [{ id: "A", text: `x <= ${right}` }],
      objective: { text: "2 x", sense: "greatest" as const },
    });
    const planned = changed((d) => {
      d.plan = plan(4);
    });
    const titled = changed((d) => {
      d.title = "T";
    });
    expect(mergeCases(BASE, planned, titled).merged).toMatchObject({ title: "T", plan: plan(4) });
    expect(mergeCases(BASE, titled, planned).merged).toMatchObject({ title: "T", plan: plan(4) });
    const less = changed((d) => {
      d.plan!.objective!.sense = "least";
    }, planned);
    const more = changed((d) => {
      d.plan!.constraints[0]!.text = "x <= 9";
    }, planned);
    expect(mergeCases(planned, less, more)).toMatchObject({
      clashes: [],
      merged: { plan: { objective: { sense: "least" }, constraints: [{ text: "x <= 9" }] } },
    });
    const none = changed((d) => {
      delete d.plan;
    }, planned);
    expect(mergeCases(planned, none, titled).merged.plan).toBeUndefined();
    expect(mergeCases(planned, none, more)).toMatchObject({ clashes: ["constraint A"] });
    expect(mergeCases(planned, none, more).merged.plan).toBeUndefined();
    expect(mergeCases(planned, none, more, "theirs").merged.plan).toBeDefined();
  });
  it("what differs is told part by part", () => {
    const other = changed((d) => {
      d.title = "T";
      d.givens![0]!.value = 1;
      d.givens!.pop();
      d.plan = { variables: [], constraints: [{ id: "A", text: "x <= 1" }] };
    });
    expect(differingParts(BASE, other)).toEqual(["the title", "given F, k", "constraint A"]);
    expect(differingParts(BASE, structuredClone(BASE))).toEqual([]);
    const moved = changed((d) => {
      d.functions!.reverse();
    });
    expect(differingParts(BASE, moved)).toEqual(["the order of every function"]);
  });
});

/** A case of givens alone: which of them are there, and their numbers. */
const givens = fc
  .uniqueArray(fc.constantFrom("a", "b", "c", "d", "e"), { minLength: 0, maxLength: 5 })
  .chain((list) => fc.tuple(...list.map((name) => fc.integer({ min: 0, max: 3 }).map((v) => ({ name, value: v })))))
  .map((list): CaseFile => ({ format: "pasear-case", version: 1, title: "T", givens: list }));
const asMap = (d: CaseFile) => new Map((d.givens ?? []).map((g) => [g.name, g.value]));

describe("any two versions", () => {
  it("every part is that of the side that changed it, and a clash where both did", () => {
    fc.assert(
      fc.property(givens, givens, givens, fc.constantFrom("mine", "theirs"), (base, mine, theirs, prefer) => {
        const { merged, clashes } = mergeCases(base, mine, theirs, prefer as "mine");
        const [b, m, t, r] = [base, mine, theirs, merged].map(asMap) as [
          Map<string, number>,
          Map<string, number>,
          Map<string, number>,
          Map<string, number>,
        ];
        for (const key of "abcde") {
          const [was, here, there] = [b.get(key), m.get(key), t.get(key)];
          const clash = here !== there && was !== here && was !== there;
          expect(clashes.includes(`given ${key}`)).toBe(clash);
          expect(r.get(key)).toBe(clash ? (prefer === "mine" ? here : there) : was === here ? there : here);
        }
        expect(new Set(names(merged.givens)).size).toBe(merged.givens!.length);
      }),
      { seed: 20, numRuns: 2000 },
    );
  });
});
