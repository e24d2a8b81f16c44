import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Plan } from "#core/model";
import { isFlat, openEdges, planPicture, solvePlan } from "#core/plan";
import { groundOf, placeCorners } from "../../app/charts/regionLayout";
import { regionOption, type RegionView } from "../../app/charts/regionOption";
import { PAPER } from "../../app/charts/look";
import type { Shape } from "../../app/charts/option";

const demo = (name: string) => JSON.parse(readFileSync(`demo/${name}.pasear.json`, "utf8")) as CaseFile;
function viewOf(source: CaseFile): RegionView {
  const { names } = buildModel(source);
  const { result } = solvePlan(source.plan!, names);
  const picture = planPicture(source.plan!, names, result!)!;
  return { plan: source.plan!, result: result!, picture, colours: {}, lit: [], ruledOut: false, line: null };
}
const planOf = (plan: Plan): CaseFile => ({ format: "pasear-case", version: 1, title: "T", plan });
const two = viewOf(demo("two-lanterns"));
const [WIDTH, HEIGHT] = [560, 560];
const seriesOf = (view: RegionView, id: string) =>
  regionOption(view, WIDTH, HEIGHT, PAPER).series.find((s) => s.id === id)!;
const textsOf = (view: RegionView) =>
  seriesOf(view, "words").shapes!.filter((s): s is Shape & { type: "text" } => s.type === "text");

describe("the region of a plan", () => {
  it("is filled, bounded by its lines, its corners and the best of them marked", () => {
    expect(seriesOf(two, "area").shapes).toMatchObject([{ type: "polygon", style: { opacity: 0.15 } }]);
    expect(seriesOf(two, "lines").shapes).toHaveLength(two.picture.lines.length);
    const corners = seriesOf(two, "corners").data as { value: number[]; symbolSize: number }[];
    expect(corners.filter((c) => c.symbolSize === 14).map((c) => c.value)).toEqual([[60, 40]]);
    expect(corners).toHaveLength(two.result.corners.length);
  });
  it("says the best corner and what it is worth, in strong letters, first", () => {
    const strong = textsOf(two).filter((t) => t.style.font.startsWith("700 14px"));
    expect(strong.map((t) => t.style.text)).toEqual(["(60, 40) $370"]);
  });
  it("keeps its words on the surface", () => {
    for (const { x, y, style } of textsOf(two))
      expect([x >= 0 && x <= WIDTH, y >= 0 && y <= HEIGHT], style.text).toEqual([true, true]);
  });
  it("shades what is ruled out instead, all but the region", () => {
    const shapes = seriesOf({ ...two, ruledOut: true }, "area").shapes!;
    expect(shapes).toMatchObject([{ style: { opacity: 0.14 } }, { style: { fill: PAPER.paper, opacity: 1 } }]);
  });
  it("a constraint that is pointed at stands out, the others fade", () => {
    const { id } = two.picture.lines[0]!;
    const styles = seriesOf({ ...two, lit: [id] }, "lines").shapes!.map((s) =>
      s.type === "polyline" ? s.style : null,
    );
    expect(styles[0]).toMatchObject({ lineWidth: 3.4, opacity: 1 });
    expect(styles.at(-1)).toMatchObject({ lineWidth: 2, opacity: 0.3 });
  });
  it("turns a place of the drawing into numbers, and back", () => {
    const ground = groundOf(two.picture, WIDTH, HEIGHT);
    const [x, y] = ground.at(ground.x(60), ground.y(40));
    expect([x, y]).toEqual([expect.closeTo(60, 9), expect.closeTo(40, 9)]);
    expect([ground.holds(ground.x(60), ground.y(40)), ground.holds(2, 2)]).toEqual([true, false]);
  });
});

describe("regions of other kinds", () => {
  const line = (constraints: string[]): RegionView =>
    viewOf(
      planOf({
        variables: [{ name: "x" }, { name: "y" }],
        constraints: constraints.map((text, i) => ({ id: `c${i}`, text })),
        objective: { text: "x + y", sense: "least" },
      }),
    );
  it("a segment has no area, and is a thick line", () => {
    const view = line(["x + y = 4", "x >= 0", "y >= 0"]);
    expect(isFlat(view.picture)).toBe(true);
    expect(seriesOf(view, "area").shapes).toMatchObject([{ type: "polyline", style: { lineWidth: 6 } }]);
  });
  it("one without end has open edges, and arrows along the ways it goes on", () => {
    const view = line(["x + y >= 4", "x >= 0", "y >= 0"]);
    expect(isFlat(view.picture)).toBe(false);
    // Two edges of the frame, above and to the right; the axes are constraints' own lines.
    expect(openEdges(view.picture)).toHaveLength(2);
    // Along x, along y, and between the two.
    expect(seriesOf(view, "lines").shapes!.filter((s) => s.type === "polygon")).toHaveLength(3);
  });
  it("labels give way to each other, and those with no place are left out", () => {
    const ground = groundOf(two.picture, 300, 300);
    const many = Array.from({ length: 12 }, (_, i) => ({
      at: [60, 40 + i / 10],
      text: `(60, ${i}) $1`,
      strong: false,
    }));
    const placed = placeCorners(many, ground);
    expect(placed.length).toBeGreaterThan(2);
    expect(placed.length).toBeLessThan(12);
    placed.forEach((a, i) => {
      for (const b of placed.slice(i + 1)) expect(a.align !== b.align || Math.abs(a.y - b.y) >= 16).toBe(true);
    });
  });
});
