import { toDouble } from "../numeric";
import type { Names } from "../formula";
import type { Plan } from "../model";
import { readConstraint, readForm } from "./linear";
import type { PlanResult } from "./planResult";

/** A point this near a line, as a part of its scale, is drawn on it. */
const ON_LINE = 1e-9;

/** The region of two variables for drawing, in doubles; all within the frame. */
export interface PlanPicture {
  readonly frame: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number };
  /** the region cut to the frame, empty when there is none */
  readonly region: readonly (readonly [number, number])[];
  readonly lines: readonly {
    readonly id: string;
    readonly from: readonly [number, number];
    readonly to: readonly [number, number];
    readonly equality: boolean;
  }[];
  /** slope of the objective: a x + b y */
  readonly objective: readonly [number, number] | null;
  /** whole points inside, when they can be told apart */
  readonly lattice: readonly (readonly [number, number])[];
}
interface Half {
  a: number;
  b: number;
  c: number;
}

/** Whole points drawn at most. */
const MOST_LATTICE = 900;

export function planPicture(plan: Plan, names: Names, result: PlanResult): PlanPicture | null {
  if (plan.variables.length !== 2) return null;
  const variables = plan.variables.map((v) => v.name);
  const relations = plan.constraints
    .filter((c) => !c.off)
    .flatMap((c) => {
      const r = readConstraint(c.text, variables, names);
      return r.ok
        ? r.relations.map((k) => ({
            id: c.id,
            a: toDouble(k.coefficients[0]!),
            b: toDouble(k.coefficients[1]!),
            c: toDouble(k.bound),
            sense: k.sense,
          }))
        : [];
    });
  const frame = frameOf(result, relations);
  const { x0, x1, y0, y1 } = frame;
  let region: [number, number][] =
    result.status === "infeasible"
      ? []
      : [
          [x0, y0],
          [x1, y0],
          [x1, y1],
          [x0, y1],
        ];
  for (const r of relations) {
    if (r.sense !== ">=") region = clipped(region, { a: r.a, b: r.b, c: r.c });
    if (r.sense !== "<=") region = clipped(region, { a: -r.a, b: -r.b, c: -r.c });
  }
  const lines = relations.flatMap((r) => {
    const s = segment(r, frame);
    return s ? [{ id: r.id, from: s[0], to: s[1], equality: r.sense === "=" }] : [];
  });
  const form = plan.objective ? readForm(plan.objective.text, variables, names) : null;
  const lattice: [number, number][] = [];
  if (plan.variables.every((v) => v.whole) && (x1 - x0) * (y1 - y0) <= MOST_LATTICE) {
    for (let x = Math.ceil(x0); x <= x1; x++)
      for (let y = Math.ceil(y0); y <= y1; y++)
        if (
          relations.every((r) => {
            const v = r.a * x + r.b * y - r.c;
            return r.sense === "<=" ? v <= ON_LINE : r.sense === ">=" ? v >= -ON_LINE : Math.abs(v) < ON_LINE;
          })
        )
          lattice.push([x, y]);
  }
  return {
    frame,
    region,
    lines,
    objective: form?.ok ? [toDouble(form.form.coefficients[0]!), toDouble(form.form.coefficients[1]!)] : null,
    lattice,
  };
}

/** Around the corners, the places where lines cross near them, and the axes where they are close. */
function frameOf(result: PlanResult, relations: readonly { a: number; b: number; c: number }[]): PlanPicture["frame"] {
  const own = [...result.corners, ...result.best].map((p) => p.at);
  const reach = Math.max(1, ...own.flat().map(Math.abs));
  const near = result.outside.filter((p) => own.length === 0 || p.every((v) => Math.abs(v) <= 1.6 * reach));
  const meets = relations
    .flatMap((r): number[][] => [...(r.a !== 0 ? [[r.c / r.a, 0]] : []), ...(r.b !== 0 ? [[0, r.c / r.b]] : [])])
    .filter((p) => p.every((v) => Number.isFinite(v) && Math.abs(v) <= (own.length > 0 ? 1.6 * reach : Infinity)));
  const all: (readonly number[])[] = [...own, ...near, ...meets];
  const ends = (k: 0 | 1): [number, number] => {
    const [down, up] = [result.directions.some((d) => d[k]! < 0), result.directions.some((d) => d[k]! > 0)];
    // Crossings below 0 say nothing of a region that never goes there.
    const above = own.length > 0 && own.every((p) => p[k]! >= 0) && !down;
    const v = all.map((p) => p[k]!).filter((x) => !above || x >= 0);
    let [lo, hi] = v.length > 0 ? [Math.min(...v), Math.max(...v)] : [0, 10];
    if (lo > 0 && lo < hi * 0.6) lo = 0;
    if (!(hi > lo)) {
      if (!above) lo -= 1;
      hi += 1;
    }
    // Where the region goes on for ever it gets as much room again as its corners take.
    const room = (hi - lo) * 0.1;
    const grown = Math.max((hi - lo) * 0.35, reach * 0.8);
    return [down ? lo - grown : lo < 0 ? lo - room : lo, hi + (up ? grown : room)];
  };
  const [[x0, x1], [y0, y1]] = [ends(0), ends(1)];
  return { x0, x1, y0, y1 };
}
/** The part of a polygon with a x + b y ≤ c. */
function clipped(polygon: readonly [number, number][], h: Half): [number, number][] {
  const out: [number, number][] = [];
  const off = (p: readonly [number, number]) => h.a * p[0] + h.b * p[1] - h.c;
  const eps = ON_LINE * (Math.abs(h.c) + Math.abs(h.a) + Math.abs(h.b));
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!;
    const [u, v] = [off(p), off(q)];
    if (u <= eps) out.push(p);
    if (u <= eps !== v <= eps) {
      const t = u / (u - v);
      out.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]);
    }
  });
  return out;
}
/** The part of a line a x + b y = c inside the frame. */
export function segment(h: Half, f: PlanPicture["frame"]): [[number, number], [number, number]] | null {
  const hits: [number, number][] = [];
  const put = (x: number, y: number) => {
    const e = ON_LINE;
    if (
      x >= f.x0 - e * (f.x1 - f.x0) &&
      x <= f.x1 + e * (f.x1 - f.x0) &&
      y >= f.y0 - e * (f.y1 - f.y0) &&
      y <= f.y1 + e * (f.y1 - f.y0) &&
      !hits.some((q) => Math.abs(q[0] - x) < ON_LINE * (f.x1 - f.x0) && Math.abs(q[1] - y) < ON_LINE * (f.y1 - f.y0))
    )
      hits.push([x, y]);
  };
  if (h.b !== 0) {
    put(f.x0, (h.c - h.a * f.x0) / h.b);
    put(f.x1, (h.c - h.a * f.x1) / h.b);
  }
  if (h.a !== 0) {
    put((h.c - h.b * f.y0) / h.a, f.y0);
    put((h.c - h.b * f.y1) / h.a, f.y1);
  }
  return hits.length >= 2 ? [hits[0]!, hits[1]!] : null;
}
