import { analyse } from "#core/question";
import { readFileSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { picture } from "#core/graph";
import { trailOf, deskOf } from "#core/desk";
import { deskOption } from "../../app/charts/deskOption";
import { SMALL, markAt, toX, toY } from "../../app/charts/deskLayout";
import { openChart } from "../../app/charts/dataChart";
import type { Look } from "../../app/charts/look";
import { onePane } from "../../app/charts/onePane";
import type { Series, Shape } from "../../app/charts/option";

const LOOK: Look = {
  curves: ["c0", "c1", "c2", "c3", "c4", "c5", "c6"],
  ink: "ink",
  quiet: "quiet",
  hairline: "hairline",
  axis: "axis",
  paper: "paper",
  amber: "amber",
  amberSoft: "soft",
  amberDeep: "deep",
  brick: "brick",
  grey: "grey",
  face: "serif",
  onPaper: false,
};
const cases = readdirSync("demo")
  .filter((f) => f.endsWith(".pasear.json"))
  .map((f) => JSON.parse(readFileSync(`demo/${f}`, "utf8")) as CaseFile)
  .filter((c) => (c.functions ?? []).length > 0);
const [WIDTH, HEIGHT] = [860, 330];
const of = (source: CaseFile, lit: ReadonlySet<string> | null = null, [w, h] = [WIDTH, HEIGHT]) => {
  const analysis = analyse(source);
  const p = picture(analysis)!;
  return { p, analysis, ...deskOption(p, w, h, LOOK, { lit }) };
};
const stall = cases.find((c) => c.title === "Lantern stall")!;
type Made = ReturnType<typeof of>;
type Dot = { value: [number, number]; itemStyle: { borderColor?: string; opacity: number } };
const seriesOf = ({ option }: Pick<Made, "option">, id: string): Series => option.series.find((s) => s.id === id)!;
const flat = (shapes: readonly Shape[] = []): Shape[] =>
  shapes.flatMap((s) => (s.type === "group" ? flat(s.children) : [s]));
const textsOf = (made: Pick<Made, "option">) => flat(seriesOf(made, "words").shapes).filter((s) => s.type === "text");
const ringsOf = (made: Made): { x: number; y: number }[] =>
  made.rects.flatMap((rect, pane) =>
    (seriesOf(made, `points:${pane}`).data as Dot[])
      .filter((d) => d.itemStyle.borderColor === "amber")
      .map((d) => ({ x: toX(made.p, rect, d.value[0]), y: toY(made.p, pane, rect, d.value[1]) })),
  );
const pointsOf = (s: Shape): number[] =>
  s.type === "polyline" ? s.shape.points.flat() : s.type === "text" ? [s.x, s.y] : [];
/** The labels of answers have a halo, the names of curves none. */
const labelsOf = (made: Pick<Made, "option">) => textsOf(made).filter((t) => t.style.stroke === "paper");

describe.each(cases.map((c) => [c.title, c] as const))("the chart of %s", (_, source) => {
  const made = of(source);
  const { p, option, rects } = made;
  it("has no two series of one id", () => {
    expect(new Set(option.series.map((s) => s.id)).size).toBe(option.series.length);
  });
  it("has only numbers", () => {
    for (const s of option.series.flatMap((one) => flat(one.shapes)))
      expect(pointsOf(s).every(Number.isFinite), JSON.stringify(s)).toBe(true);
  });
  it("keeps its texts on the surface", () => {
    for (const { x, y, style } of textsOf(made))
      expect([x >= 0 && x <= WIDTH, y >= 0 && y <= HEIGHT], style.text).toEqual([true, true]);
  });
  it("draws every curve, cut off at its pane, and every answer inside the range above the curves", () => {
    for (const pane of rects.keys()) {
      const series = seriesOf(made, `curves:${pane}`);
      expect(series).toMatchObject({ type: "custom", xAxisIndex: pane, yAxisIndex: pane });
      expect(seriesOf(made, `points:${pane}`).z).toBeGreaterThan(series.z!);
      const own = p.curves.filter((c) => c.pane === pane);
      expect(series.shapes).toHaveLength(own.length);
      own.forEach((c, i) => {
        const { left, width } = rects[pane]!;
        expect(series.shapes![i]).toMatchObject({ clipPath: { shape: { x: left - 1, width: width + 3 } } });
        const runs = flat([series.shapes![i]!]);
        expect(runs).toHaveLength(c.runs.length);
        for (const run of runs) expect(run).toMatchObject({ type: "polyline", style: { stroke: `c${c.colour}` } });
      });
    }
    const answers = p.points.filter((q) => q.kind === "answer" && q.x >= p.x.min && q.x <= p.x.max);
    expect(ringsOf(made)).toHaveLength(answers.length);
  });
  it("panes share one axis to the pixel, and only the lowest has numbers at its foot", () => {
    expect(new Set(rects.map((r) => `${r.left} ${r.width}`)).size).toBe(1);
    const labelled = option.xAxis.map((x) => "customValues" in (x as { axisLabel: object }).axisLabel);
    expect(labelled).toEqual(rects.map((_r, i) => i === rects.length - 1));
    expect(option.xAxis.every((x) => (x as { min: number }).min === p.x.min)).toBe(true);
  });
  it("a level lies across its pane, and has a grip where it can be dragged", () => {
    for (const pane of rects.keys()) {
      const series = seriesOf(made, `points:${pane}`);
      const { data } = series.markLine as { data: { yAxis?: number }[] };
      const { min, max } = p.panes[pane]!.y;
      const own = p.thresholds.filter((t) => t.pane === pane && t.y >= min && t.y <= max);
      expect(data.flatMap((d) => d.yAxis ?? [])).toEqual(own.map((t) => t.y));
      const grips = (series.data as { symbol: string; value: number[] }[]).filter((d) => d.symbol === "roundRect");
      expect(grips.map((g) => g.value)).toEqual(own.filter((t) => t.moves).map((t) => [p.x.min, t.y]));
    }
  });
  it("is the same data when it is made again: what did not change is not drawn anew", () => {
    expect(of(source).option).toEqual(option);
    const formatters = (o: Made["option"]) =>
      [...o.xAxis, ...o.yAxis].map((a) => (a as { axisLabel: { formatter?: unknown } }).axisLabel.formatter);
    formatters(of(source).option).forEach((f, i) => expect(f).toBe(formatters(option)[i]));
  });
});

describe.each([
  [860, 330],
  [560, 300],
  [380, 280],
  [1280, 420],
])("labels on a surface of %i × %i", (width, height) => {
  it.each(cases.map((c) => [c.title, c] as const))(
    "%s: no label lies on another, on an answer or over the edge",
    (_, source) => {
      const made = of(source, null, [width, height]);
      const boxes = labelsOf(made).map(({ x, y, style: { text, align } }) => {
        // Of answers at one place each has a line.
        const written = text.split("\n");
        const w = Math.max(...written.map((l) => l.length)) * 6.2 + 4;
        const x0 = align === "left" ? x : align === "right" ? x - w : x - w / 2;
        const half = 7.5 * written.length;
        return { id: text, x0, x1: x0 + w, y0: y - half, y1: y + half };
      });
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1))
          expect(a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1, `${a.id} on ${b.id}`).toBe(false);
      });
      for (const b of boxes)
        expect([b.x0 >= 0, b.x1 <= width, b.y0 >= 0, b.y1 <= height], b.id).toEqual([true, true, true, true]);
      for (const r of ringsOf(made))
        for (const b of boxes)
          expect(r.x > b.x0 && r.x < b.x1 && r.y > b.y0 && r.y < b.y1, `${b.id} over an answer`).toBe(false);
      // Names at the ends of the curves keep apart within a pane.
      const names = textsOf(made)
        .filter((t) => t.style.font.startsWith("700"))
        .map((t) => ({ y: t.y, pane: made.p.curves.find((c) => c.name === t.style.text)!.pane }));
      expect(names).toHaveLength(made.p.curves.filter((c) => c.runs.length > 0).length);
      names.forEach((a, i) => {
        for (const b of names.slice(i + 1)) if (a.pane === b.pane) expect(Math.abs(a.y - b.y)).toBeGreaterThan(14);
      });
    },
  );
});

describe("the trail on the drawing", () => {
  it("what is off the trail fades, what is on it stays", () => {
    const { analysis } = of(stall);
    const lit = trailOf("given:F", deskOf(analysis).links);
    const made = of(stall, lit);
    const curve = (name: string) => {
      const { pane } = made.p.curves.find((c) => c.name === name)!;
      const place = made.p.curves.filter((c) => c.pane === pane).findIndex((c) => c.name === name);
      const [run] = flat([seriesOf(made, `curves:${pane}`).shapes![place]!]);
      return run?.type === "polyline" ? run.style.opacity : null;
    };
    expect([curve("C"), curve("P"), curve("R"), curve("p")]).toEqual([1, 1, 0.22, 0.22]);
  });
  it("an answer is found at its ring, a curve beside it, and nothing where nothing is", () => {
    const { p, rects } = of(stall);
    const answer = p.points.find((q) => q.kind === "answer" && q.question === "q1")!;
    const [x, y] = [toX(p, rects[answer.pane]!, answer.x), toY(p, answer.pane, rects[answer.pane]!, answer.y)];
    expect(markAt(p, rects, x, y)).toBe("question:q1");
    expect(markAt(p, rects, x + 6, y - 5)).toBe("question:q1");
    // C = 180 + 2.5 q at q = 250 is 805, far from R = 1,416.7 and P = 611.7
    expect(markAt(p, rects, toX(p, rects[0]!, 250), toY(p, 0, rects[0]!, 805) + 3)).toBe("function:C");
    expect(markAt(p, rects, toX(p, rects[0]!, 100), toY(p, 0, rects[0]!, 1400))).toBe(null);
    expect(markAt(p, rects, 2, 2)).toBe(null);
  });
  it("a threshold is found along its whole line", () => {
    const source: CaseFile = {
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "x", from: 0, to: 10 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x^2" } }],
      questions: [{ id: "q1", ask: "reach", function: "f", value: 50 }],
    };
    const { p, rects } = of(source);
    expect(markAt(p, rects, toX(p, rects[0]!, 2), toY(p, 0, rects[0]!, 50) + 2)).toBe("question:q1");
  });
});

it("a pole leads nowhere far: points are cut before numbers grow wild", () => {
  const made = of({
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from: 0, to: 4 }],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: "1/(x-2)" } }],
  });
  const numbers = flat(seriesOf(made, "curves:0").shapes).flatMap(pointsOf);
  expect(numbers.length).toBeGreaterThan(20);
  expect(numbers.every((v) => Math.abs(v) <= 50_000)).toBe(true);
});

describe("a small graph", () => {
  const { p } = of(stall);
  it("shows the curves asked for and the answers of one question, without names and labels", () => {
    const part = onePane(p, ["R", "C"], "q1")!;
    const made = deskOption(part, 320, 130, LOOK, { margin: SMALL });
    expect(part.curves.map((c) => c.name).sort()).toEqual(["C", "R"]);
    expect(seriesOf(made, "curves:0").shapes).toHaveLength(2);
    expect(seriesOf(made, "points:0").data).toHaveLength(
      p.points.filter((q) => q.question === "q1" && q.kind === "answer").length,
    );
    expect(textsOf(made)).toEqual([]);
    expect(made.rects[0]).toMatchObject({ top: 8, height: 102 });
  });
  it("of curves that are not there is none", () => expect(onePane(p, ["nobody"], null)).toBeNull());
});

describe("panes that come and go", () => {
  const caseOf = (...units: string[]): CaseFile => ({
    format: "pasear-case",
    version: 1,
    title: "Panes",
    variables: [{ name: "x", unit: "hour", from: 0, to: 10 }],
    functions: units.map((unit, i) => ({ name: `f${i}`, of: "x", unit, by: { kind: "formula", text: `x + ${i}` } })),
  });
  const wordsOf = (svg: string) => [...svg.matchAll(/<text[^>]*>([^<]*)</g)].map((m) => m[1]!);
  it("only the lowest has numbers and a name at its foot, whatever there was before", () => {
    const [one, two] = [of(caseOf("$")).option, of(caseOf("$", "m")).option];
    const chart = openChart(null, WIDTH, HEIGHT);
    chart.show(one);
    const first = wordsOf(chart.svg());
    expect(first.filter((w) => w === "x, hours")).toHaveLength(1);
    chart.show(two);
    expect(wordsOf(chart.svg()).filter((w) => w === "x, hours")).toHaveLength(1);
    chart.show(one);
    expect(wordsOf(chart.svg())).toEqual(first);
    chart.dispose();
  });
});
