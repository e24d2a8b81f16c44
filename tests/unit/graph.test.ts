import { analyse } from "#core/question";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { axis, picture, sampleCurve, type Picture } from "#core/graph";
import { deskOf, trailOf } from "#core/desk";
import { compileEnclosure, compileNumber, resolve } from "#core/formula";
import { FunctionTable } from "#core/solve";
import { placeLabels } from "../../app/charts/answerLabels";
import { paneRects, placeNames, toX, toY } from "../../app/charts/deskLayout";

const stall = analyse(JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as CaseFile);
const drawn = picture(stall)!;
const table = new FunctionTable();
const sample = (text: string, from: number, to: number, height: number) => {
  const e = resolve(text, { variable: "x", givens: new Map(), functions: new Map(), variables: new Set() }).expression!;
  return sampleCurve(compileNumber(e, table.number), compileEnclosure(e, table.enclosure), from, to, height);
};

describe("axes", () => {
  it.each([
    [0, 1468, 5],
    [-180, 812, 5],
    [0.001, 0.0043, 6],
    [7, 7, 5],
    [-3e9, 8e9, 4],
  ])("%d … %d has round, even ticks inside", (lo, hi, count) => {
    const a = axis(lo, hi, count, true);
    expect(a.min <= lo && a.max >= hi && a.max > a.min).toBe(true);
    expect(a.ticks.length).toBeGreaterThanOrEqual(2);
    const step = a.ticks[1]! - a.ticks[0]!;
    expect([1, 2, 5, 10]).toContain(Math.round(step / 10 ** Math.floor(Math.log10(step) + 1e-9)));
  });
});

describe("the graph frames itself", () => {
  it("around the range, the limit and the answer beyond it, $ first, one pane a unit", () => {
    expect([drawn.x.min, drawn.x.max >= 328.56 && drawn.x.max < 400]).toEqual([0, true]);
    expect(drawn.panes.map((p) => [p.unit, p.functions])).toEqual([
      ["$", ["R", "C", "P"]],
      ["$/lantern", ["p"]],
    ]);
    expect(drawn.shades).toMatchObject([{ from: 320, label: "room on the square 320" }]);
    expect(drawn.points.filter((p) => p.kind === "aside")).toHaveLength(1);
    expect(drawn.points.filter((p) => p.kind === "reading").map((p) => [p.x, p.y])).toEqual([
      [240, 6],
      [150, 9],
    ]);
  });
  it("every answer is inside its pane", () => {
    for (const p of drawn.points) {
      const y = drawn.panes[p.pane]!.y;
      expect(p.y >= y.min && p.y <= y.max).toBe(true);
    }
  });
  it("a view set by hand is kept to", () =>
    expect(picture(stall, { from: 100, to: 150 })!.x).toMatchObject({ min: 100, max: 150 }));
  it("a pole does not squash the rest", () => {
    const a = analyse({
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "x", from: 0, to: 5 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "1/(x-2)" } }],
    });
    const y = picture(a)!.panes[0]!.y;
    expect(y.max - y.min).toBeLessThan(200);
  });
});

describe("curves", () => {
  it("no line runs through a pole, and a jump is a gap", () => {
    for (const run of sample("1/(x-2)", 0, 5, 20))
      for (let i = 0; i + 3 < run.length; i += 2) expect((run[i]! - 2) * (run[i + 2]! - 2)).toBeGreaterThan(0);
    expect(sample("floor(x)", 0.5, 3.5, 4).length).toBe(4);
    expect(sample("x^2", 0, 1, 1)).toHaveLength(1);
  });
  it("a domain ends where it ends", () => {
    const run = sample("sqrt(x - 1)", 0, 5, 2)[0]!;
    expect(run[0]).toBeCloseTo(1, 6);
  });
  it("40 wiggles still show", () => {
    const run = sample("sin(80 pi x)", 0, 1, 2)[0]!;
    let turns = 0;
    for (let i = 2; i + 3 < run.length; i += 2)
      if ((run[i + 1]! - run[i - 1]!) * (run[i + 3]! - run[i + 1]!) < 0) turns++;
    expect(turns).toBeGreaterThanOrEqual(78);
  });
});

describe("the layout in pixels", () => {
  const rects = paneRects(drawn, 860, 320);
  it("stacked panes share one x axis to the pixel and do not overlap", () => {
    expect(new Set(rects.map((r) => `${r.left} ${r.width}`)).size).toBe(1);
    expect(rects[1]!.top).toBeGreaterThan(rects[0]!.top + rects[0]!.height);
    expect(toX(drawn, rects[0]!, drawn.x.max)).toBe(rects[0]!.left + rects[0]!.width);
  });
  it("labels cover neither each other nor a point", () => {
    for (const [w, h] of [
      [860, 320],
      [500, 260],
      [1200, 420],
    ] as const) {
      const at = paneRects(drawn, w, h);
      const labels = placeLabels(drawn, at);
      expect(labels.length).toBeGreaterThan(0);
      const boxes = labels.map((l) => {
        const width = l.text.length * 6.2 + 4;
        const x0 = l.align === "left" ? l.x : l.align === "right" ? l.x - width : l.x - width / 2;
        return { x0, x1: x0 + width, y0: l.y - 7.5, y1: l.y + 7.5 };
      });
      boxes.forEach((a, i) =>
        boxes.forEach((b, j) => {
          if (i < j) expect(a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1).toBe(false);
        }),
      );
      for (const p of drawn.points) {
        const [x, y] = [toX(drawn, at[p.pane]!, p.x), toY(drawn, p.pane, at[p.pane]!, p.y)];
        for (const b of boxes) expect(x > b.x0 && x < b.x1 && y > b.y0 && y < b.y1).toBe(false);
      }
    }
  });
  it("names at the ends keep apart, even of curves that end together", () => {
    const close: Picture = { ...drawn, curves: drawn.curves.map((c) => ({ ...c, pane: 0, runs: [[0, 0, 350, 100]] })) };
    const ys = placeNames(close, rects)
      .map((n) => n.y)
      .sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++) expect(ys[i]! - ys[i - 1]!).toBeGreaterThanOrEqual(15);
  });
});

describe("the trail", () => {
  const { links } = deskOf(stall);
  it("leads from a given to all that comes of it, and back", () => {
    expect(trailOf("given:F", links)).toEqual(
      new Set(["given:F", "function:C", "function:P", "question:q1", "question:q2", "question:q3"]),
    );
    expect([...trailOf("question:q1", links)].sort()).toEqual(
      ["function:C", "function:R", "function:p", "given:F", "given:M", "given:k", "question:q1", "variable:q"].sort(),
    );
  });
});

it("the trail of a fitted function leads to its table, and the table to all that is read off it", () => {
  const demand = JSON.parse(readFileSync("demo/lantern-demand.pasear.json", "utf8")) as CaseFile;
  const { links } = deskOf(analyse(demand));
  const fitted = (demand.functions ?? []).flatMap((f) => (f.by.kind === "fit" ? [[f.name, f.by.data]] : []));
  expect(fitted.length).toBeGreaterThan(2);
  for (const [name, table] of fitted) {
    expect(trailOf(`function:${name}`, links).has(`data:${table}`)).toBe(true);
    expect(trailOf(`data:${table}`, links).has(`function:${name}`)).toBe(true);
  }
});

it("a label that stands far from its point has a short line to it, from the ring to the box", () => {
  // Ten curves through one place leave no room beside it.
  const crowded = analyse({
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from: 0, to: 10 }],
    functions: Array.from({ length: 7 }, (_, i) => ({
      name: `f${i}`,
      of: "x",
      by: { kind: "formula" as const, text: `${i - 3} (x - 5) + 5 + ${i}` },
    })),
    questions: [
      { id: "q1", ask: "reach", function: "f3", value: 8 },
      { id: "q2", ask: "meet", functions: ["f1", "f5"] },
    ],
  });
  const p = picture(crowded)!;
  const rects = paneRects(p, 700, 320);
  for (const l of placeLabels(p, rects))
    if (l.leader) {
      expect(Math.hypot(l.leader.x2 - l.leader.x1, l.leader.y2 - l.leader.y1)).toBeGreaterThan(5);
      expect(
        p.points.some(
          (q) =>
            Math.abs(Math.hypot(toX(p, rects[0]!, q.x) - l.leader!.x1, toY(p, 0, rects[0]!, q.y) - l.leader!.y1) - 8) <
            0.01,
        ),
      ).toBe(true);
    }
});

it("a label stands beside a straight line, whose one stretch passes far above and below it", () => {
  const bridge = JSON.parse(readFileSync("demo/lit-bridge.pasear.json", "utf8")) as CaseFile;
  const p = picture(analyse(bridge))!;
  expect(placeLabels(p, paneRects(p, 880, 290)).map((l) => l.text)).toEqual(["break-even 10", "B(20) = $430"]);
});

it("answers at one place have one ring and one label with all of them", () => {
  const f = (name: string, text: string) => ({ name, of: "q", unit: "$", by: { kind: "formula" as const, text } });
  const p = picture(
    analyse({
      format: "pasear-case",
      version: 1,
      title: "Same",
      variables: [{ name: "q", unit: "lantern", from: 0, to: 100 }],
      functions: [f("R", "6q"), f("C", "100 + 2q"), f("P", "150 - (q - 25)^2/10")],
      questions: [
        { id: "q1", ask: "meet", functions: ["R", "C"] },
        { id: "q2", ask: "reach", function: "R", value: 150 },
        { id: "q3", ask: "greatest", function: "P" },
        { id: "q4", ask: "greatest", function: "R" },
        { id: "q5", ask: "compare", functions: ["R", "C"] },
      ],
    }),
  )!;
  const at = paneRects(p, 880, 290);
  // 6·25 = 150 = 100 + 2·25, which is the greatest value of P too. What another line ends with is not said twice.
  expect(placeLabels(p, at).map((l) => [l.text.split("\n"), l.questions])).toEqual([
    [
      ["break-even 25", "greatest $150 at 25"],
      ["q1", "q2", "q3", "q5"],
    ],
    [["greatest $600 at 100"], ["q4"]],
  ]);
});
