import { analyse } from "#core/question";
import { readFileSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "#core/model";
import { picture } from "#core/graph";
import { trailOf, deskOf } from "#core/desk";
import { graphMarks, type Look, type Mark } from "../../app/utils/graphMarks";
import { markAt, toX, toY } from "../../app/utils/graphLayout";

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
};
const cases = readdirSync("demo")
  .map((f) => JSON.parse(readFileSync(`demo/${f}`, "utf8")) as CaseFile)
  .filter((c) => (c.functions ?? []).length > 0);
const [WIDTH, HEIGHT] = [860, 330];
const of = (source: CaseFile, lit: ReadonlySet<string> | null = null) => {
  const analysis = analyse(source);
  const p = picture(analysis)!;
  return { p, analysis, ...graphMarks(p, WIDTH, HEIGHT, LOOK, lit) };
};
const stall = cases.find((c) => c.title === "Lantern stall")!;
const opacity = (m: Mark) => m.style.opacity ?? 1;

describe.each(cases.map((c) => [c.title, c] as const))("the drawing of %s", (_, source) => {
  const { p, marks, rects } = of(source);
  it("has no two marks of one id", () => expect(new Set(marks.map((m) => m.id)).size).toBe(marks.length));
  it("has only numbers", () => {
    for (const m of marks) {
      const numbers =
        m.kind === "runs" ? m.runs.flat() : m.kind === "rect" ? [m.x, m.y, m.width, m.height] : [m.x, m.y];
      expect(numbers.every(Number.isFinite), m.id).toBe(true);
    }
  });
  it("keeps its texts on the surface, those of the foot apart from each other", () => {
    const texts = marks.filter((m) => m.kind === "text");
    for (const m of texts) expect([m.x >= 0 && m.x <= WIDTH, m.y >= 0 && m.y <= HEIGHT], m.id).toEqual([true, true]);
    const foot = texts.filter((m) => m.id.startsWith("tickx:")).sort((a, b) => a.x - b.x);
    expect(foot.length).toBeGreaterThan(1);
    for (let i = 1; i < foot.length; i++)
      expect(foot[i]!.x - foot[i - 1]!.x).toBeGreaterThan(
        (6.2 * (foot[i]!.text.length + foot[i - 1]!.text.length)) / 2,
      );
  });
  it("draws every curve, cut off at its pane, and every answer inside the range above the curves", () => {
    for (const c of p.curves)
      expect(marks.find((m) => m.id === `curve:${c.name}`)).toMatchObject({
        kind: "runs",
        clip: c.pane,
        style: { stroke: `c${c.colour}` },
      });
    const answers = p.points.filter((q) => q.kind === "answer" && q.x >= p.x.min && q.x <= p.x.max);
    const rings = marks.filter((m) => m.kind === "dot" && m.style.stroke === "amber");
    expect(rings).toHaveLength(answers.length);
    for (const ring of rings)
      expect(ring.z).toBeGreaterThan(Math.max(...marks.filter((m) => m.id.startsWith("curve:")).map((m) => m.z)));
  });
  it("panes share one axis to the pixel", () => expect(new Set(rects.map((r) => `${r.left} ${r.width}`)).size).toBe(1));
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
      const p = picture(analyse(source))!;
      const { marks } = graphMarks(p, width, height, LOOK, null);
      const boxes = marks
        .flatMap((m) =>
          m.kind === "text" && m.id.startsWith("label:") ? [{ id: m.id, w: m.text.length * 6.2 + 4, m }] : [],
        )
        .map(({ id, w, m }) => {
          const x0 = m.align === "left" ? m.x : m.align === "right" ? m.x - w : m.x - w / 2;
          return { id, x0, x1: x0 + w, y0: m.y - 7.5, y1: m.y + 7.5 };
        });
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1))
          expect(a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1, `${a.id} on ${b.id}`).toBe(false);
      });
      for (const b of boxes)
        expect([b.x0 >= 0, b.x1 <= width, b.y0 >= 0, b.y1 <= height], b.id).toEqual([true, true, true, true]);
      const rings = marks.filter((m) => m.kind === "dot" && m.style.stroke === "amber");
      for (const r of rings)
        if (r.kind === "dot")
          for (const b of boxes)
            expect(r.x > b.x0 && r.x < b.x1 && r.y > b.y0 && r.y < b.y1, `${b.id} over an answer`).toBe(false);
      // Names at the ends of the curves keep apart within a pane.
      const names = marks
        .filter((m) => m.kind === "text" && m.id.startsWith("name:"))
        .map((m) =>
          m.kind === "text"
            ? { y: m.y, pane: p.curves.find((c) => `name:${c.name}` === m.id)!.pane }
            : { y: 0, pane: 0 },
        );
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
    const { marks } = of(stall, lit);
    const curve = (name: string) => opacity(marks.find((m) => m.id === `curve:${name}`)!);
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
  const { marks } = of({
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from: 0, to: 4 }],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: "1/(x-2)" } }],
  });
  const runs = marks.find((m) => m.id === "curve:f")!;
  expect(runs.kind === "runs" && runs.runs.flat().every((v) => Math.abs(v) <= 50_000)).toBe(true);
});
