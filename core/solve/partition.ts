import { ratio, rationalOfDouble, spend } from "../numeric";
import { EMPTY, Enclosure } from "../interval";
import {
  compileEnclosure,
  dependsOnVariable,
  differentiate,
  exactNumber,
  subtract,
  wholeNumber,
  type Expression,
} from "../formula";
import { isStair, nextBreaking, resolveBreaking, splittersOf, type Breaking } from "./breaking";
import { inline } from "./inline";
import { compareSpots, spotOfRational, type Spot } from "./spot";
import { constantSign } from "./terms";
import { calledParts, replaced, slopedParts, summedParts, without, type Splitting } from "./calledParts";
import type { FunctionTable } from "./table";
import { branchAt, constantValue } from "./valueAt";
import { alsoOf, hullOf, innerPoints, signIn, zerosIn, type OpenStretch, type ZerosIn } from "./zerosIn";
import { MAX_BOXES } from "./branch";
import { withoutNothing } from "./withoutNothing";
import type { Budget } from "./zeros";
import {
  type Because,
  type PlacePart,
  type CellPart,
  type OpenPart,
  type Part,
  type Range,
  place,
  tidy,
  joinedStretches,
} from "./parts";
import { type Stair, bordersOf, stepAt } from "./stairSteps";

/** Work of one question: interval boxes, and cells. */
export interface Work extends Budget {
  cells: number;
}

export const newWork = (boxes = MAX_BOXES, cells = 1300): Work => ({ boxes, cells });

/** What a cell costs besides the enclosures made for it. */
const STEPS_OF_CELL = 300;

/** Steps of one stair that are taken apart one by one. */
export const MAX_STEPS = 600;

/**
 * Takes a range apart into places and the cells between them, for several functions at once.
 * @param mostSteps  stairs that have more steps on a cell are one part, for others to take apart
 */
export function partition(
  expressions: readonly Expression[],
  table: FunctionTable,
  range: Range,
  work: Work = newWork(),
  mostSteps = MAX_STEPS,
): Part[] {
  const { from, to } = range;
  const order = from && to ? compareSpots(from, to, table) : -1;
  if (from && order === 0) return [place(from, "range")];
  if (order === null) return [{ kind: "open", ...hullOf(range) }];
  const formulas = expressions.map((e) => inline(e, table));
  const inner = new Partitioner(table, work, mostSteps).settle({ kind: "cell", from, to, formulas }, new Set());
  return tidy([...(from ? [place(from, "range")] : []), ...inner, ...(to ? [place(to, "range")] : [])]);
}

/** Parts each cell at the zeros of what is asked of it; afterwards none of these changes its sign within a cell. */
export function refine(
  parts: readonly Part[],
  table: FunctionTable,
  work: Work,
  splitters: (cell: CellPart) => readonly Expression[],
): Part[] {
  const partitioner = new Partitioner(table, work);
  return tidy(parts.flatMap((p) => (p.kind === "cell" ? partitioner.splitAll(p, splitters(p), "zero") : [p])));
}

class Partitioner implements Splitting {
  constructor(
    readonly table: FunctionTable,
    readonly work: Work,
    private readonly mostSteps = MAX_STEPS,
  ) {}

  parts(e: Expression, range: Range): Part[] {
    return partition([e], this.table, range, this.work);
  }

  /** Resolves the breaking parts of a cell one by one, from the inside; each may split it. */
  settle(cell: CellPart, cleared: ReadonlySet<Expression>): Part[] {
    spend(STEPS_OF_CELL);
    if (--this.work.cells < 0) return [{ kind: "open", ...hullOf(cell) }];
    for (const f of cell.formulas) {
      const node = f && nextBreaking(f, cleared);
      if (node) return this.resolve(cell, cleared, node);
    }
    return [{ ...cell, formulas: cell.formulas.map((f) => f && withoutNothing(f)) }];
  }

  private resolve(cell: CellPart, cleared: ReadonlySet<Expression>, node: Breaking): Part[] {
    if (!dependsOnVariable(node)) return this.constant(cell, cleared, node);
    if (isStair(node)) return this.stairs(cell, cleared, node);
    if (node.kind === "call") {
      const d = this.table.definition(node.name, node.order);
      if (d?.kind === "slope") return slopedParts(this, cell, cleared, node, d.of);
      if (d?.kind === "closures") return summedParts(this, cell, cleared, node, d);
      if (d?.kind === "expression") return calledParts(this, cell, cleared, node, d);
    }
    const because = node.kind === "call" ? "piece" : "break";
    return this.bySigns(cell, splittersOf(node, this.table), because, (sub, signs) => {
      const resolved = resolveBreaking(node, signs, this.table);
      switch (resolved.kind) {
        case "smooth":
          return this.settle(sub, new Set(cleared).add(node));
        case "replaced":
          return this.settle(replaced(sub, node, resolved.by), cleared);
        case "undefined":
          return this.settle(without(sub, node), cleared);
        case "open":
          return [{ kind: "open", ...hullOf(sub) }];
      }
    });
  }

  private constant(cell: CellPart, cleared: ReadonlySet<Expression>, node: Expression): Part[] {
    const value = constantValue(node, this.table);
    if (value.kind === "open") return [{ kind: "open", ...hullOf(cell) }];
    if (value.kind === "none") return this.settle(without(cell, node), cleared);
    const by = value.exact ? exactNumber(value.exact) : branchAt(node, spotOfRational(ratio(0)), this.table);
    return typeof by !== "string" && by !== node
      ? this.settle(replaced(cell, node, by), cleared)
      : this.settle(cell, new Set(cleared).add(node));
  }

  // ---- splitting -------------------------------------------------------------------------------------------

  /**
   * Splits a cell at the zeros of several expressions in turn, and goes on with each part and the signs it has there.
   */
  bySigns(
    cell: CellPart,
    splitters: readonly Expression[],
    because: Because,
    goOn: (cell: CellPart, signs: readonly (-1 | 0 | 1)[]) => Part[],
    signs: readonly (-1 | 0 | 1)[] = [],
  ): Part[] {
    const splitter = splitters[signs.length];
    if (!splitter) return goOn(cell, signs);
    const u = withoutNothing(splitter);
    if (!dependsOnVariable(u)) {
      const sign = constantSign(u);
      return sign === null
        ? [{ kind: "open", ...hullOf(cell) }]
        : this.bySigns(cell, splitters, because, goOn, [...signs, sign]);
    }
    const found = alsoOf(splitter, zerosIn(u, cell, this.table, this.work));
    if (found.everywhere) return this.bySigns(cell, splitters, because, goOn, [...signs, 0]);
    return this.cut(cell, found, because).flatMap((p) => {
      if (p.kind !== "cell") return [p];
      const sign = signIn(u, p, this.table);
      return sign === null
        ? [{ kind: "open" as const, ...hullOf(p) }]
        : this.bySigns(p, splitters, because, goOn, [...signs, sign]);
    });
  }

  /** Splits a cell at the zeros of several expressions, whatever their signs. */
  splitAll(cell: CellPart, splitters: readonly Expression[], because: Because): Part[] {
    return splitters.reduce<Part[]>(
      (parts, u) =>
        parts.flatMap((p) => (p.kind === "cell" ? this.cut(p, zerosIn(u, p, this.table, this.work), because) : [p])),
      [cell],
    );
  }

  /** The places and cells that zeros make of a cell; what is open is taken out of it. */
  private cut(cell: CellPart, found: ZerosIn, because: Because): Part[] {
    const opens = joinedStretches(found.open);
    const isCovered = (s: Spot) => opens.some((o) => o.lo <= s.hi && o.hi >= s.lo);
    const marks = [
      ...found.zeros.filter((z) => !isCovered(z.spot)).map((z) => place(z.spot, because, z.multiplicity)),
      ...opens.map((o): OpenPart => ({ kind: "open", ...o })),
    ].sort((a, b) => startOf(a) - startOf(b));
    const out: Part[] = [];
    /** where the next cell begins; undefined once nothing is left */
    let from: Spot | null | undefined = cell.from;
    for (const m of marks) {
      const start = m.kind === "place" ? m.spot : m.lo > -Infinity ? spotOfRational(rationalOfDouble(m.lo)) : null;
      const isAtStart = m.kind === "open" && (start === null || (from && m.lo <= from.hi));
      if (!isAtStart) out.push({ ...cell, from: from ?? null, to: start });
      out.push(m);
      from = m.kind === "place" ? m.spot : m.hi < Infinity ? spotOfRational(rationalOfDouble(m.hi)) : undefined;
      if (m.kind === "open" && cell.to && m.hi >= cell.to.lo) from = undefined;
    }
    if (from !== undefined) out.push({ ...cell, from, to: cell.to });
    return out;
  }

  // ---- stairs ----------------------------------------------------------------------------------------------

  /** A stair is constant between the inputs at which its argument takes a whole (or half) value. */
  private stairs(
    cell: CellPart,
    cleared: ReadonlySet<Expression>,
    node: Breaking & { kind: "apply" | "flat" },
  ): Part[] {
    const u = withoutNothing(node.a);
    if (u !== node.a) return this.stairs(...this.tidied(cell, cleared, node, u));
    return this.bySigns(cell, [differentiate(u)], "break", (sub, [slope]) => {
      if (slope === 0) return this.level(sub, cleared, node);
      const steps = this.stepsOf(node.name as Stair, u, sub);
      if (steps === "many") {
        if (cell.formulas.some((f) => f === null)) return [{ kind: "open", ...hullOf(sub) }];
        return [{ kind: "stairs", from: sub.from, to: sub.to, formulas: sub.formulas as readonly Expression[] }];
      }
      if (steps === "open") return [{ kind: "open", ...hullOf(sub) }];
      return this.cut(sub, steps, "break").flatMap((p) => (p.kind === "cell" ? this.level(p, cleared, node) : [p]));
    });
  }

  /** The same cell with the argument of a stair written without what comes to nothing. */
  private tidied(
    cell: CellPart,
    cleared: ReadonlySet<Expression>,
    node: Breaking & { kind: "apply" | "flat" },
    u: Expression,
  ): [CellPart, ReadonlySet<Expression>, Breaking & { kind: "apply" | "flat" }] {
    const shorter = { ...node, a: u };
    return [replaced(cell, node, shorter), cleared, shorter];
  }

  /** One step of a stair: its value, told by an inner point at which the argument is certainly on it. */
  private level(cell: CellPart, cleared: ReadonlySet<Expression>, node: Breaking & { kind: "apply" | "flat" }): Part[] {
    if (node.kind === "flat") return this.settle(replaced(cell, node, wholeNumber(0)), cleared);
    for (const x of innerPoints(cell)) {
      const k = stepAt(node.name as Stair, node.a, x, this.table);
      if (k) return this.settle(replaced(cell, node, exactNumber(k)), cleared);
    }
    return [{ kind: "open", ...hullOf(cell) }];
  }

  /** Where a monotone argument passes from one step to the next. */
  private stepsOf(name: Stair, u: Expression, cell: CellPart): ZerosIn | "many" | "open" {
    const reach = compileEnclosure(u, this.table.enclosure)(new Enclosure(hullOf(cell).lo, hullOf(cell).hi));
    if (reach.flags & EMPTY || !Number.isFinite(reach.lo) || !Number.isFinite(reach.hi)) return "many";
    if (reach.hi - reach.lo > this.mostSteps) return "many";
    const zeros: ZerosIn["zeros"][number][] = [];
    const open: OpenStretch[] = [];
    for (const border of bordersOf(name, reach)) {
      const found = zerosIn(subtract(u, exactNumber(border)), cell, this.table, this.work);
      zeros.push(...found.zeros);
      open.push(...found.open);
    }
    return { zeros: zeros.sort((a, b) => a.spot.at - b.spot.at), everywhere: false, open };
  }
}

const startOf = (p: PlacePart | OpenPart): number => (p.kind === "place" ? p.spot.at : p.lo);
