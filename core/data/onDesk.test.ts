import { analyse } from "../question";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import type { CaseFile } from "../model";
import {
  meetingNear,
  nameTrouble,
  offeredName,
  rowRange,
  stretchesOf,
  unusedColumn,
  withModel,
  withPieces,
  type Model,
  type Source,
} from ".";

const LINE: Model = { family: "linear", method: "direct" };
/** Readings of a tent: up by 3 each hour to t = 4, down by 2 from there on. */
const tent = (): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Tent",
  data: [
    {
      name: "water",
      columns: [
        { name: "t", unit: "h" },
        { name: "level", unit: "cm", label: "level of the water" },
      ],
      rows: [
        [0, 1],
        [1, 4],
        [2, 7],
        [3, 10],
        [4, 13],
        [5, 11],
        [6, 9],
        [7, 7],
        [8, null],
        [9, 3],
      ],
      left: [{ row: 9, reason: "a wave" }],
    },
  ],
});
const from = (c: CaseFile): Source => ({ table: c.data![0]!, x: "t", y: "level" });
const at = (c: CaseFile, name: string, x: number) => analyse(c).model.table.number(name)(x);

describe("names for a new function", () => {
  it.each([
    ["level", "t", {}, "L"],
    ["y", "t", {}, "y"],
    ["p", "p", {}, "N"],
    ["élan", "t", {}, "É"],
    ["2nd", "t", {}, "N"],
    ["e", "t", {}, "N"],
    ["level", "t", { givens: [{ name: "L", value: 1 }] }, "N"],
    [
      "level",
      "t",
      {
        variables: [
          { name: "L", from: 0, to: 1 },
          { name: "N", from: 0, to: 1 },
        ],
      },
      "f",
    ],
    ["level", "t", { givens: ["L", "N", "f", "g", "h", "L1"].map((name) => ({ name, value: 1 })) }, "L2"],
  ] as [string, string, Partial<CaseFile>, string][])("%s over %s: offered is %#", (y, x, more, wanted) =>
    expect(offeredName(y, x, { ...tent(), ...more })).toBe(wanted),
  );
  it("what is offered can be used", () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 6 }), fc.subarray(["N", "f", "g", "h", "A", "A1"]), (y, used) => {
        const c = { ...tent(), givens: used.map((name) => ({ name, value: 1 })) };
        expect(nameTrouble(offeredName(y, "t", c), c)).toBeNull();
      }),
    ));
  it.each([
    ["2f", /starts with a letter/],
    ["a b", /starts with a letter/],
    ["", /starts with a letter/],
    ["q", null],
  ] as const)("%j", (name, wanted) => {
    const trouble = nameTrouble(name, tent());
    if (wanted) expect(trouble).toMatch(wanted);
    else expect(trouble).toBeNull();
  });
  it("a name that is there already is taken", () =>
    expect(nameTrouble("N", withModel(tent(), from(tent()), LINE, "N").source)).toBe("N is taken."));
});

describe("a model on the desk", () => {
  it("brings its variable, half a width beyond the rows that count, with the unit of its column", () => {
    const { source } = withModel(tent(), from(tent()), LINE, "L");
    // The row at 8 has no level and that at 9 is set aside: the rows reach from 0 to 7.
    expect(source.variables).toEqual([{ name: "t", unit: "h", from: 0, to: 10.5 }]);
    expect(source.functions).toEqual([
      {
        name: "L",
        of: "t",
        unit: "cm",
        label: "level of the water",
        by: { kind: "fit", data: "water", x: "t", y: "level", model: "linear" },
      },
    ]);
  });
  it("leaves a variable that is there alone, and the case it was given", () => {
    const before: CaseFile = { ...tent(), variables: [{ name: "t", from: 2, to: 3 }] };
    const copy = structuredClone(before);
    expect(withModel(before, from(before), LINE, "L").source.variables).toEqual([{ name: "t", from: 2, to: 3 }]);
    expect(before).toEqual(copy);
  });
  it("an own formula and the way through logarithms go along", () => {
    expect(
      withModel(tent(), from(tent()), { family: "own", method: "direct", text: "a t" }, "L").source.functions![0]!.by,
    ).toMatchObject({ model: "own", text: "a t" });
    expect(
      withModel(tent(), from(tent()), { family: "power", method: "logs" }, "L").source.functions![0]!.by,
    ).toMatchObject({ model: "power", method: "logs" });
  });
  it("a single input still has a range", () => {
    const c: CaseFile = {
      ...tent(),
      data: [{ name: "water", columns: [{ name: "t" }, { name: "level" }], rows: [[2, 5]] }],
    };
    expect(withModel(c, from(c), LINE, "L").source.variables).toEqual([{ name: "t", from: 2, to: 3 }]);
  });
});

describe("models in pieces", () => {
  it("two lines of a tent, by hand: 1 + 3t before the break, 21 − 2t from it on", () => {
    const { source } = withPieces(tent(), from(tent()), [LINE, LINE], [4], "left", "L");
    expect(source.functions!.map((f) => [f.name, f.shown ?? true])).toEqual([
      ["L_1", false],
      ["L_2", false],
      ["L", true],
    ]);
    for (const [x, wanted] of [
      [0, 1],
      [3.5, 11.5],
      [4, 13],
      [5, 11],
      [7, 7],
      [10, 1],
    ] as const)
      expect(at(source, "L", x)).toBeCloseTo(wanted, 9);
  });
  it.each([
    [
      "right",
      [
        ["[)", 0, 4],
        ["[]", 4, 10.5],
      ],
      [{ to: 3 }, { from: 4 }],
    ],
    [
      "left",
      [
        ["[]", 0, 4],
        ["(]", 4, 10.5],
      ],
      [{ to: 4 }, { from: 5 }],
    ],
  ] as const)("a break owned by the %s side", (owner, pieces, rows) => {
    const made = withPieces(tent(), from(tent()), [LINE, LINE], [4], owner, "L").source.functions!;
    const whole = made[2]!.by;
    expect(whole.kind === "pieces" && whole.pieces.map((p) => [p.ends, p.from, p.to])).toEqual(pieces);
    expect(made.slice(0, 2).map((f) => f.by.kind === "fit" && f.by.rows)).toEqual(rows);
  });
  it("three pieces, with names that are free", () => {
    const busy: CaseFile = {
      ...tent(),
      givens: [
        { name: "L_2", value: 1 },
        { name: "L_2_2", value: 1 },
      ],
    };
    const { source } = withPieces(busy, from(busy), [LINE, LINE, LINE], [2, 5], "right", "L");
    expect(source.functions!.map((f) => f.name)).toEqual(["L_1", "L_2_3", "L_3", "L"]);
    expect(source.functions!.slice(0, 3).map((f) => f.by.kind === "fit" && f.by.rows)).toEqual([
      { to: 1 },
      { from: 2, to: 4 },
      { from: 5 },
    ]);
    expect(analyse(source).model.errors).toEqual([]);
  });
  it("every row lies in just one stretch, in order, whatever the breaks", () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -9, max: 9 }), { maxLength: 20 }),
        fc.uniqueArray(fc.integer({ min: -9, max: 9 }), { maxLength: 3 }).map((b) => b.sort((p, q) => p - q)),
        fc.constantFrom("left" as const, "right" as const),
        (inputs, breaks, owner) => {
          const parts = stretchesOf(inputs, breaks, owner);
          expect(parts).toHaveLength(breaks.length + 1);
          expect(parts.flat().sort((p, q) => p - q)).toEqual([...inputs].sort((p, q) => p - q));
          parts.forEach((part, k) => {
            for (const x of part) {
              if (k > 0) expect(owner === "right" ? x >= breaks[k - 1]! : x > breaks[k - 1]!).toBe(true);
              if (k < breaks.length) expect(owner === "left" ? x <= breaks[k]! : x < breaks[k]!).toBe(true);
            }
          });
        },
      ),
    ));
  it("ranges of rows are open where nothing follows", () => {
    expect(rowRange([3, 1, 2], true, false)).toEqual({ from: 1 });
    expect(rowRange([3, 1, 2], false, false)).toEqual({});
    expect(rowRange([3, 1, 2], true, true)).toEqual({ from: 1, to: 3 });
  });
});

describe("where two sides meet near a break", () => {
  const inputs = [0, 1, 2, 3, 4, 5, 6, 7];
  // 1 + 3t = 21 − 2t at t = 4
  it("lines that cross beside it", () =>
    expect(
      meetingNear(
        4.5,
        inputs,
        (t) => 1 + 3 * t,
        (t) => 21 - 2 * t,
      ),
    ).toBeCloseTo(4, 9));
  it("none where they run side by side, cross far away or have no value", () => {
    expect(
      meetingNear(
        4,
        inputs,
        (t) => t,
        (t) => t + 1,
      ),
    ).toBeNull();
    expect(
      meetingNear(
        1,
        inputs,
        (t) => 1 + 3 * t,
        (t) => 21 - 2 * t,
      ),
    ).toBeNull();
    expect(
      meetingNear(
        4,
        inputs,
        () => NaN,
        (t) => t,
      ),
    ).toBeNull();
    expect(
      meetingNear(
        4,
        [4],
        (t) => t,
        (t) => -t,
      ),
    ).toBeNull();
  });
  it("a meeting is a meeting: both sides agree there", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -5, max: 5 }),
        fc.integer({ min: -9, max: 9 }),
        fc.integer({ min: -5, max: 5 }),
        fc.integer({ min: -9, max: 9 }),
        fc.integer({ min: 0, max: 14 }),
        (a, b, c, d, half) => {
          const [left, right] = [(t: number) => a * t + b, (t: number) => c * t + d];
          const m = meetingNear(half / 2, inputs, left, right);
          if (m !== null) expect(left(m)).toBeCloseTo(right(m), 9);
        },
      ),
    ));
});

describe("the next column", () => {
  const table = { name: "stalls", columns: [{ name: "q" }, { name: "cost" }, { name: "price" }], rows: [] };
  const fit = (y: string) => ({
    name: y.slice(0, 1),
    of: "q",
    by: { kind: "fit" as const, data: "stalls", x: "q", y, model: "linear" as const },
  });
  const source: CaseFile = { format: "pasear-case", version: 1, title: "Stalls", data: [table] };
  it.each([
    ["the first that nothing is read off", [], "price"],
    ["none when all are used", [fit("price")], null],
    [
      "one that only a table of another name uses",
      [{ ...fit("price"), by: { ...fit("price").by, data: "x" } }],
      "price",
    ],
  ])("is %s", (_, functions, next) =>
    expect(unusedColumn({ table, x: "q", y: "cost" }, { ...source, functions })).toBe(next),
  );
});
