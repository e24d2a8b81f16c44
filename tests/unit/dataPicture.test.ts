import { describe, expect, it } from "vitest";
import { dataOption } from "../../app/charts/dataOption";
import { dataPicture, type Drawn } from "../../app/charts/dataPicture";
import type { Look } from "../../app/charts/look";
import type { RankedCard } from "#core/choice";

const card = (family: RankedCard["family"], reason: string | null = null): RankedCard =>
  ({ family, method: "direct", reason, curve: [0, 1], residuals: [0, 0.5, 1, -0.5] }) as unknown as RankedCard;
const TABLE = {
  name: "tent",
  columns: [{ name: "t", unit: "h" }, { name: "level", unit: "cm" }, { name: "note" }],
  rows: [
    [0, 3, null],
    [1, 5, null],
    [4, null, 1],
    [2, 90, null],
  ],
  left: [{ row: 3 }, { row: 2 }],
};
const drawn = (change: Partial<Drawn> = {}): Drawn => ({
  table: TABLE,
  x: "t",
  y: "level",
  rows: { x: [0, 1], y: [3, 5] },
  counting: null,
  cards: [],
  chosen: "",
  pointed: null,
  split: null,
  sides: [],
  ...change,
});

describe("what is drawn of a table", () => {
  it("rows, what was left out of the fits, and both units", () => {
    expect(dataPicture(drawn())).toMatchObject({
      from: 0,
      to: 1,
      leftOut: [[2, 90]],
      x: { name: "t", unit: "h" },
      y: { name: "level", unit: "cm" },
    });
    expect(dataPicture(drawn({ y: "note" }))?.y).toEqual({ name: "note", unit: "" });
  });
  it("nothing without rows", () => expect(dataPicture(drawn({ rows: { x: [], y: [] } }))).toBeNull());
  it("what counts time says since when", () =>
    expect(dataPicture(drawn({ counting: { unit: "week", since: "2031" } }))?.x.unit).toBe("weeks since 2031"));

  const six = ["linear", "quadratic", "cubic", "power", "logarithmic", "exponential"] as const;
  const cards = [card("proportional", "needs two rows"), ...six.map((f) => card(f))];
  it("four models, and the chosen and the pointed one wherever they stand", () => {
    const picture = dataPicture(drawn({ cards, chosen: "exponential direct", pointed: "quadratic direct" }));
    expect(picture?.curves.map((c) => [c.key, c.weight])).toEqual([
      ["linear direct", "other"],
      ["quadratic direct", "pointed"],
      ["cubic direct", "other"],
      ["power direct", "other"],
      ["exponential direct", "chosen"],
    ]);
    expect(picture?.residuals).toHaveLength(4);
  });
  it("split, the two sides in place of the models, without residuals", () => {
    const sides = [{ key: "side left", points: [0, 3, 1, 4] }];
    const picture = dataPicture(drawn({ cards, chosen: "linear direct", split: 1, sides }));
    expect(picture?.curves).toEqual([{ ...sides[0], weight: "chosen" }]);
    expect([picture?.residuals, picture?.split]).toEqual([[], 1]);
  });
});

describe("what stands over the misses", () => {
  it.each([
    ["person", "data − model, people"],
    ["lantern", "data − model, lanterns"],
    ["cm", "data − model, cm"],
    ["$", "data − model, $"],
    ["m/s", "data − model, m/s"],
    ["", "data − model"],
  ])("in %s: %s", (unit, words) => {
    const table = { ...TABLE, columns: [{ name: "t" }, { name: "level", unit }, { name: "note" }] };
    const p = dataPicture(drawn({ table, cards: [card("linear")], chosen: "linear direct" }))!;
    const { option } = dataOption({ ...p, residuals: [0, 0.5, 1, -0.5] }, 600, 600, { curves: [] } as unknown as Look);
    expect(JSON.stringify(option.graphic)).toContain(`"text":"${words}"`);
  });
});
