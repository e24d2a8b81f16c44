import { init, registerPainter } from "zrender/lib/zrender.js";
import SVGPainter from "zrender/lib/svg/Painter.js";
import Group from "zrender/lib/graphic/Group.js";
import Path from "zrender/lib/graphic/Path.js";
import Rect from "zrender/lib/graphic/shape/Rect.js";
import TSpan from "zrender/lib/graphic/TSpan.js";
import type { Mark } from "./graphMarks";
import type { Rect as Area } from "./graphLayout";
import { shareParts } from "./share";

registerPainter("svg", SVGPainter);

type Pen = Parameters<Path["buildPath"]>[0];

class Runs extends Path {
  override buildPath(pen: Pen, shape: { runs?: number[][] }): void {
    for (const run of shape.runs ?? [])
      for (let i = 0; i + 1 < run.length; i += 2) {
        if (i === 0) pen.moveTo(run[0]!, run[1]!);
        else pen.lineTo(run[i]!, run[i + 1]!);
      }
  }
}
class Dot extends Path {
  override buildPath(pen: Pen, { kind, x, y, size }: { kind?: string; x?: number; y?: number; size?: number }): void {
    if (x === undefined || y === undefined || size === undefined) return;
    const r = size / 2;
    if (kind === "circle") {
      pen.moveTo(x + r, y);
      pen.arc(x, y, r, 0, Math.PI * 2, false);
      return;
    }
    if (kind === "diamond") {
      pen.moveTo(x, y - r);
      pen.lineTo(x + r, y);
      pen.lineTo(x, y + r);
      pen.lineTo(x - r, y);
    } else {
      pen.moveTo(x - r, y - r);
      pen.lineTo(x + r, y - r);
      pen.lineTo(x + r, y + r);
      pen.lineTo(x - r, y + r);
    }
    pen.closePath();
  }
}

/** A surface that marks are painted on, as SVG. */
export interface Drawing {
  paint(marks: readonly Mark[], panes: readonly Area[]): void;
  resize(size: { width: number; height: number }): void;
  svg(): string;
  dispose(): void;
}

/**
 * Opens a surface in an element. Between two paintings the marks of one id are moved, not made anew: while a given is
 * dragged most of a drawing stays as it is, and the rest only changes its place (ADR 0006).
 */
export function openDrawing(element: HTMLElement, width: number, height: number): Drawing {
  const surface = init(element, { renderer: "svg", width, height });
  const open = new Group();
  surface.add(open);
  const cut: { group: Group; area: Rect }[] = [];
  const shown = new Map<string, { mark: Mark; made: Path | TSpan; home: Group }>();

  const home = (clip: number | null): Group => {
    if (clip === null) return open;
    while (cut.length <= clip) {
      const area = new Rect();
      const group = new Group();
      group.setClipPath(area);
      surface.add(group);
      cut.push({ group, area });
    }
    return cut[clip]!.group;
  };
  return {
    paint(marks, panes) {
      const left = new Set(shown.keys());
      for (const mark of marks) {
        const key = `${mark.kind}/${mark.clip}/${mark.id}`;
        left.delete(key);
        const held = shown.get(key);
        const now = shareParts(held?.mark, mark);
        if (held && now === held.mark) continue;
        if (held) {
          change(held.made, now);
          held.mark = now;
          continue;
        }
        const made =
          now.kind === "text"
            ? new TSpan({ silent: true })
            : now.kind === "rect"
              ? new Rect({ silent: true })
              : now.kind === "dot"
                ? new Dot({ silent: true })
                : new Runs({ silent: true });
        change(made, now);
        const group = home(now.clip);
        group.add(made);
        shown.set(key, { mark: now, made, home: group });
      }
      for (const key of left) {
        const { made, home: group } = shown.get(key)!;
        group.remove(made);
        shown.delete(key);
      }
      // A little more than the pane, so that a curve along its edge keeps its full width.
      cut.forEach(({ area }, i) => {
        const p = panes[i];
        if (p) area.setShape({ x: p.left - 1, y: p.top - 2, width: p.width + 3, height: p.height + 4 });
      });
      surface.refreshImmediately();
    },
    resize: (size) => {
      surface.resize(size);
    },
    svg: () => (surface.painter as SVGPainter).renderToString(),
    dispose: () => {
      surface.dispose();
    },
  };
}

function change(made: Path | TSpan, mark: Mark): void {
  const { style } = mark;
  made.z = mark.z;
  if (made instanceof TSpan) {
    if (mark.kind !== "text") return;
    made.useStyle({
      text: mark.text,
      x: mark.x,
      y: mark.y,
      font: mark.font,
      textAlign: mark.align,
      textBaseline: "middle",
      fill: style.fill ?? "#000",
      opacity: style.opacity ?? 1,
      ...(mark.halo ? { stroke: mark.halo, lineWidth: 3, strokeFirst: true } : {}),
    });
    return;
  }
  if (mark.kind === "runs") made.setShape({ runs: mark.runs });
  else if (mark.kind === "rect")
    made.setShape({ x: mark.x, y: mark.y, width: mark.width, height: mark.height, r: mark.radius });
  else if (mark.kind === "dot") made.setShape({ kind: mark.shape, x: mark.x, y: mark.y, size: mark.size });
  made.useStyle({
    fill: style.fill ?? "none",
    stroke: style.stroke ?? "none",
    lineWidth: style.width ?? 1,
    opacity: style.opacity ?? 1,
    lineCap: "butt",
    ...(style.dash ? { lineDash: [...style.dash] } : {}),
  });
}
