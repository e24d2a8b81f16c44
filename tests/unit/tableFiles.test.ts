import { describe, expect, it } from "vitest";
import { cellsOfJson, cellsOfText, TableFileError } from "~/utils/tableFiles";
import { dataOption, type DataPicture } from "~/charts/dataOption";

describe("cells of a text", () => {
  it.each([
    [
      "a\tb\n1,5\t2",
      [
        ["a", "b"],
        ["1,5", "2"],
      ],
    ],
    [
      "a;b\n1,5;2",
      [
        ["a", "b"],
        ["1,5", "2"],
      ],
    ],
    [
      "a,b\n1.5,2\n",
      [
        ["a", "b"],
        ["1.5", "2"],
      ],
    ],
    [
      "x  y\n1  2\n3  4",
      [
        ["x", "y"],
        ["1", "2"],
        ["3", "4"],
      ],
    ],
    [
      '"a, b",c\n1,2',
      [
        ["a, b", "c"],
        ["1", "2"],
      ],
    ],
    [
      "price\tsold\n$1,200\t5",
      [
        ["price", "sold"],
        ["$1,200", "5"],
      ],
    ],
  ])("%j", (text, wanted) => {
    expect(cellsOfText(text)).toEqual(wanted);
  });
});
describe("cells of a JSON file", () => {
  it.each([
    [
      "[[1,2],[3,null]]",
      [
        ["1", "2"],
        ["3", ""],
      ],
    ],
    [
      '[{"t":0,"y":5},{"t":1,"z":7}]',
      [
        ["t", "y", "z"],
        ["0", "5", ""],
        ["1", "", "7"],
      ],
    ],
    [
      '{"t":[0,1],"y":[5,6]}',
      [
        ["t", "y"],
        ["0", "5"],
        ["1", "6"],
      ],
    ],
  ])("%s", (text, wanted) => {
    expect(cellsOfJson(text)).toEqual(wanted);
  });
  it.each([
    ["{", /is no JSON/],
    ["3", /holds no table/],
    ['{"a":1}', /holds no table/],
  ])("%s is refused in plain words", (text, message) => {
    expect(() => cellsOfJson(text)).toThrow(TableFileError);
    expect(() => cellsOfJson(text)).toThrow(message);
  });
});

describe("the graph of data", () => {
  const look = {
    curves: ["a", "b", "c", "d", "e", "f", "g"],
    ink: "",
    quiet: "",
    hairline: "",
    axis: "",
    paper: "",
    amber: "",
    amberSoft: "",
    amberDeep: "",
    brick: "",
    grey: "",
    face: "",
    onPaper: false,
  };
  const picture: DataPicture = {
    rows: [
      [0, 71],
      [4, 710],
      [9, 4009],
    ],
    leftOut: [[5, 9000]],
    curves: [{ key: "logistic", points: [0, 60, 9, 4000, 13.5, 5000], weight: "chosen" }],
    residuals: [0, 5, 4, -12, 9, 3],
    from: 0,
    to: 9,
    x: { name: "t", unit: "week" },
    y: { name: "people", unit: "person" },
    split: 4,
  };
  const made = dataOption(picture, 620, 700, look);
  it("both panes share one x axis to the pixel, and reach about a fifth beyond the data", () => {
    expect(made.rects.rest).toMatchObject({ left: made.rects.main.left, width: made.rects.main.width });
    const axes = made.option.xAxis as { min: number; max: number }[];
    expect(axes[0]).toMatchObject({ min: axes[1]!.min, max: axes[1]!.max });
    // Nine wide: a fifth is 1.8, and the axis ends at its next mark.
    expect(made.rects.max).toBeGreaterThanOrEqual(10.8);
    expect(made.rects.max).toBeLessThanOrEqual(12);
  });
  it("frames rows, also those left out", () => {
    const [y] = made.option.yAxis as { min: number; max: number }[];
    expect(y!.min).toBeLessThanOrEqual(60);
    expect(y!.max).toBeGreaterThanOrEqual(9000);
  });
  it("shades from the last row on, and draws the break", () => {
    const graphic = made.option.graphic as { id: string; shape?: { x?: number; x1?: number; width?: number } }[];
    const at = (v: number) =>
      made.rects.main.left + ((v - made.rects.min) / (made.rects.max - made.rects.min)) * made.rects.main.width;
    expect(graphic.find((g) => g.id === "beyond")!.shape!.x).toBeCloseTo(at(9), 6);
    expect(graphic.find((g) => g.id === "split")!.shape!.x1).toBeCloseTo(at(4), 6);
  });
  it("without residuals there is one pane", () => {
    expect(dataOption({ ...picture, residuals: [] }, 620, 700, look).rects.rest).toBeNull();
  });
});
