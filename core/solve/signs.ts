import { rationalOfDouble, toDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, PARTIAL } from "../interval";
import { compileEnclosure, subtract, type Expression } from "../formula";
import { findRoots, type RootSearch } from "./roots";
import { encloseAt, smoothParts } from "./stretches";
import { singularParts } from "./singular";
import type { FunctionTable } from "./table";

export type Relation = "<" | "<=" | ">" | ">=";

/** A stretch with bounds, each with its enclosure when it is a root rather than an end. */
export interface SignedStretch {
  readonly from: number;
  readonly to: number;
  readonly closedFrom: boolean;
  readonly closedTo: boolean;
}

export interface RelationSearch {
  readonly stretches: readonly SignedStretch[];
  readonly search: RootSearch;
  /** stretches on which the sign could not be proven */
  readonly open: readonly { lo: number; hi: number }[];
}

/** Places that part a range into stretches of one sign: roots, ends of stretches of zeros, breaks, and edges of the domain. */
interface Cell {
  lo: number;
  hi: number;
  isPoint: boolean;
}

function cells(search: RootSearch, breaks: readonly number[], from: number, to: number): Cell[] {
  const marks = new Map<number, Cell>();
  for (const r of search.roots) marks.set(r.at, { lo: r.lo, hi: r.hi, isPoint: true });
  for (const s of search.everywhere)
    for (const x of [s.lo, s.hi]) if (Number.isFinite(x)) marks.set(x, { lo: x, hi: x, isPoint: true });
  for (const x of [...breaks, from, to])
    if (Number.isFinite(x) && !marks.has(x)) marks.set(x, { lo: x, hi: x, isPoint: true });
  const sorted = [...marks.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([, c]) => c)
    .filter((c) => c.hi >= from && c.lo <= to);
  const out: Cell[] = [];
  let at = from;
  for (const c of sorted) {
    if (c.lo > at) out.push({ lo: at, hi: c.lo, isPoint: false });
    out.push(c);
    at = c.hi;
  }
  if (to > at) out.push({ lo: at, hi: to, isPoint: false });
  return out;
}

/** All stretches of from…to on which `e` stands in the relation to 0. No sign is taken from sampling alone: between neighbouring roots and breaks it cannot change. */
export function whereRelation(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  relation: Relation,
): RelationSearch {
  const search = findRoots(e, table, from, to);
  const parts = smoothParts(e, table, from, to);
  const breaks = [...parts.filter((p) => p.isPoint).map((p) => toDouble(p.from!)), ...domainEdges(table, parts)];
  const lo = from ? toDouble(from) : (search.searched?.from ?? -Infinity);
  const hi = to ? toDouble(to) : (search.searched?.to ?? Infinity);
  const strict = relation === "<" || relation === ">";
  const wanted = relation.startsWith(">") ? 1 : -1;
  const open: { lo: number; hi: number }[] = [];
  const list: SignedStretch[] = [];
  for (const c of cells(search, breaks, lo, hi)) {
    const sign = signOfCell(c, search, parts, table);
    if (sign === null) continue;
    if (sign === "open") {
      open.push({ lo: c.lo, hi: c.hi });
      continue;
    }
    if (sign === wanted || (sign === 0 && !strict)) {
      const at = c.isPoint ? c.lo + (c.hi - c.lo) / 2 : null;
      const exact = c.isPoint ? (search.roots.find((r) => r.lo === c.lo && r.hi === c.hi)?.at ?? at!) : null;
      list.push(
        c.isPoint
          ? { from: exact!, to: exact!, closedFrom: true, closedTo: true }
          : { from: middleOf(c.lo, search), to: middleOf(c.hi, search), closedFrom: false, closedTo: false },
      );
    }
  }
  return { stretches: joinStretches(list), search, open: [...open, ...search.open] };
}

/** A cell's border is an enclosure's end; the stretch is reported with the root itself. */
function middleOf(x: number, search: RootSearch): number {
  return search.roots.find((r) => r.lo === x || r.hi === x)?.at ?? x;
}

function joinStretches(list: SignedStretch[]): SignedStretch[] {
  const out: SignedStretch[] = [];
  for (const s of list) {
    const last = out[out.length - 1];
    if (last && last.to === s.from && (last.closedTo || s.closedFrom))
      out[out.length - 1] = { from: last.from, to: s.to, closedFrom: last.closedFrom, closedTo: s.closedTo };
    else out.push(s);
  }
  return out;
}

function signOfCell(
  c: Cell,
  search: RootSearch,
  parts: ReturnType<typeof smoothParts>,
  table: FunctionTable,
): -1 | 0 | 1 | null | "open" {
  if (c.isPoint) {
    if (search.roots.some((r) => r.lo <= c.hi && r.hi >= c.lo)) return 0;
    if (
      search.everywhere.some(
        (s) => (c.lo > s.lo || (c.lo === s.lo && s.closedLo)) && (c.hi < s.hi || (c.hi === s.hi && s.closedHi)),
      )
    )
      return 0;
    const part =
      parts.find((p) => p.isPoint && toDouble(p.from!) === c.lo) ??
      parts.find((p) => !p.isPoint && (!p.from || toDouble(p.from) < c.lo) && (!p.to || toDouble(p.to) > c.hi));
    if (!part?.expression) return null;
    return decided(encloseAt(part.expression, table, rationalOfDouble(c.lo)));
  }
  if (search.everywhere.some((s) => c.lo >= s.lo && c.hi <= s.hi)) return 0;
  if (search.open.some((o) => o.lo <= c.hi && o.hi >= c.lo && o.hi - o.lo >= (c.hi - c.lo) * 0.5)) return "open";
  const a = Number.isFinite(c.lo) ? c.lo : c.hi - 2;
  const b = Number.isFinite(c.hi) ? c.hi : c.lo + 2;
  let last: -1 | 0 | 1 | null | "open" = null;
  for (const t of [0.5, 0.371, 0.713, 0.11]) {
    const x = Number.isFinite(a) && Number.isFinite(b) ? a + (b - a) * t : t;
    const part = parts.find((p) => !p.isPoint && (!p.from || toDouble(p.from) <= x) && (!p.to || toDouble(p.to) >= x));
    if (!part?.expression) return null;
    last = decided(compileEnclosure(part.expression, table.enclosure)(new Enclosure(x, x)));
    if (last !== "open") return last;
  }
  return last;
}

function decided(v: Enclosure): -1 | 0 | 1 | null | "open" {
  if (v.flags & EMPTY) return null;
  if (v.lo > 0) return 1;
  if (v.hi < 0) return -1;
  return v.lo === 0 && v.hi === 0 ? 0 : v.flags & PARTIAL ? null : "open";
}

/** Zeros of divisors, logarithms and roots inside: a sign may change there without a root. */
function domainEdges(table: FunctionTable, parts: ReturnType<typeof smoothParts>): number[] {
  const out: number[] = [];
  for (const p of parts) {
    if (p.isPoint || !p.expression) continue;
    for (const { inner, edge } of singularParts(p.expression)) {
      if (!edge) continue;
      for (const r of findRoots(inner, table, p.from, p.to).roots) out.push(r.at);
    }
  }
  return out;
}

export interface Leader {
  readonly from: number;
  readonly to: number;
  readonly closedFrom: boolean;
  readonly closedTo: boolean;
  /** index of the least function; null where several share it throughout */ readonly least: number | null;
}

/** Which of several functions is least, stretch by stretch; changes only where two of them meet. */
export function leastOf(
  list: readonly Expression[],
  table: FunctionTable,
  from: Rational,
  to: Rational,
): { leaders: Leader[]; complete: boolean; meets: { at: number; a: number; b: number }[] } {
  const marks = new Set<number>([toDouble(from), toDouble(to)]);
  const meets: { at: number; a: number; b: number }[] = [];
  let complete = true;
  for (let i = 0; i < list.length; i++) {
    for (const p of smoothParts(list[i]!, table, from, to)) if (p.isPoint) marks.add(toDouble(p.from!));
    for (let j = i + 1; j < list.length; j++) {
      const search = findRoots(subtract(list[i]!, list[j]!), table, from, to);
      complete &&= search.open.length === 0 && search.searched === null;
      for (const r of search.roots) {
        marks.add(r.at);
        meets.push({ at: r.at, a: i, b: j });
      }
      for (const s of search.everywhere) {
        marks.add(s.lo);
        marks.add(s.hi);
      }
    }
  }
  const xs = [...marks].sort((a, b) => a - b);
  const values = list.map((e) => compileEnclosure(e, table.enclosure));
  const leaders: Leader[] = [];
  for (let k = 0; k + 1 < xs.length; k++) {
    const x = xs[k]! + (xs[k + 1]! - xs[k]!) * 0.4871;
    const here = values.map((f) => f(new Enclosure(x, x)));
    let best: number[] = [];
    here.forEach((v, i) => {
      if (v.flags & EMPTY) return;
      const top = best.length > 0 ? here[best[0]!]! : null;
      if (!top || v.hi < top.lo) best = [i];
      else if (v.lo <= top.hi) best.push(i);
    });
    const least = best.length === 1 ? best[0]! : null;
    const last = leaders[leaders.length - 1];
    if (last && last.least === least) leaders[leaders.length - 1] = { ...last, to: xs[k + 1]!, closedTo: true };
    else leaders.push({ from: xs[k]!, to: xs[k + 1]!, closedFrom: true, closedTo: true, least });
  }
  return { leaders, complete, meets: meets.sort((a, b) => a.at - b.at) };
}
