import { ZERO, ratio, rationalOfDouble, toDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, BROKEN } from "../interval";
import {
  compileEnclosure,
  compileNumber,
  dependsOnVariable,
  differentiate,
  exactNumber,
  negate,
  parts,
  rebuild,
  subtract,
  type Expression,
} from "../formula";
import { exactRational, isExactlyZero } from "./constant";
import { rationalExact, type ExactForm } from "./exactForm";
import { singularParts } from "./singular";
import { encloseAt, exactValueAt, smoothParts, type SmoothPart } from "./stretches";
import type { FunctionTable } from "./table";
import { zerosOf } from "./zeros";
import type { Zero } from "./zeroSet";

/** An input at which the best value is taken. */
export interface Best {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  readonly kind: "interior" | "endpoint";
  readonly exact: ExactForm | null;
}

export type OptimumSearch =
  | {
      readonly status: "attained";
      /** every input with the best value; several are ties */
      readonly best: readonly Best[];
      /** the best value, with proven bounds */
      readonly value: number;
      readonly low: number;
      readonly high: number;
      readonly exactValue: Rational | null;
      /** stretches on which the best value is taken throughout */
      readonly flat: readonly { lo: number; hi: number }[];
      /** every turning point, end, kink and break, best or not: between neighbours the function only rises or only falls */
      readonly places: readonly number[];
      readonly complete: boolean;
    }
  /** no best value: it grows without bound near `near`, or comes ever closer to `limit` without reaching it */
  | { readonly status: "unbounded"; readonly near: number }
  | { readonly status: "approached"; readonly near: number; readonly limit: number }
  | { readonly status: "undefined" }
  | { readonly status: "unsettled"; readonly open: readonly { lo: number; hi: number }[] };

interface Candidate {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  readonly rational: Rational | null;
  readonly exact: ExactForm | null;
  readonly kind: "interior" | "endpoint";
  /** bounds of the value there */
  readonly low: number;
  readonly high: number;
  readonly exactValue: Rational | null;
  /** only a limit from one side: the function has no value, or another one, there */
  readonly open: boolean;
}

/** Values this close, relative to their size, are one value seen through rounding. */
const TIE_REL_TOL = 1e-13;

/** Level stretches as one where they meet at a place that takes the value too; `flats` of one value. */
function joined<F extends { lo: number; hi: number; low: number; high: number }>(
  flats: readonly F[],
  places: readonly { lo: number; hi: number }[],
): F[] {
  const out: F[] = [];
  for (const f of [...flats].sort((a, b) => a.lo - b.lo)) {
    const last = out[out.length - 1];
    if (last && (f.lo < last.hi || (f.lo === last.hi && places.some((c) => c.lo <= f.lo && c.hi >= f.lo))))
      out[out.length - 1] = {
        ...last,
        hi: Math.max(last.hi, f.hi),
        low: Math.min(last.low, f.low),
        high: Math.max(last.high, f.high),
      };
    else out.push(f);
  }
  return out;
}

/**
 * Greatest (sense 1) or least (sense −1) value on from…to: values at all zeros of the slope, ends, kinks, breaks and edges of the domain compared by proven
 * bounds. `complete` when every such place was found.
 */
export function findBest(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  sense: 1 | -1,
): OptimumSearch {
  const all = smoothParts(e, table, from, to);
  const seen: Candidate[] = [];
  const flatSeen: { lo: number; hi: number; low: number; high: number }[] = [];
  const doubt: { lo: number; hi: number }[] = [];
  let unbounded: number | null = null;
  all.forEach((part, i) => {
    if (!part.expression) return;
    if (part.isPoint) {
      const value = encloseAt(part.expression, table, part.from!);
      if (value.flags & EMPTY) return;
      seen.push(pointCandidate(part, value, table, all, i));
      return;
    }
    const inside = partCandidates(part, table, sense);
    seen.push(...inside.candidates);
    flatSeen.push(...inside.flat);
    doubt.push(...inside.doubt);
    if (inside.unbounded !== null) unbounded ??= inside.unbounded;
  });
  if (unbounded !== null) return { status: "unbounded", near: unbounded };
  if (seen.length === 0 && flatSeen.length === 0)
    return doubt.length > 0 ? { status: "unsettled", open: doubt } : { status: "undefined" };
  // A value beyond what doubles hold cannot be compared; the place stays in doubt.
  const bounded = (c: { low: number; high: number }) => Number.isFinite(c.low) && Number.isFinite(c.high);
  const candidates = seen.filter(bounded);
  const flat = flatSeen.filter(bounded);
  for (const c of [...seen, ...flatSeen]) if (!bounded(c)) doubt.push({ lo: c.lo, hi: c.hi });
  if (candidates.length === 0 && flat.length === 0) return { status: "unsettled", open: doubt };
  const worth = (c: { low: number; high: number }) => (sense > 0 ? c.low : -c.high);
  const hope = (c: { low: number; high: number }) => (sense > 0 ? c.high : -c.low);
  const level = Math.max(...candidates.map(worth), ...flat.map(worth));
  const slack = Math.abs(level) * TIE_REL_TOL;
  const winners = candidates.filter((c) => hope(c) >= level - slack);
  const exactBest =
    winners
      .map((c) => c.exactValue)
      .filter((v) => v !== null)
      .sort((a, b) => b.compare(a) * sense)[0] ?? null;
  const tied = winners.filter((c) => !exactBest || !c.exactValue || c.exactValue.compare(exactBest) === 0);
  const real = tied.filter((c) => !c.open);
  const flats = joined(
    flat.filter((f) => hope(f) >= level - slack),
    real,
  );
  const open = doubt.filter((d) => mayBeat(e, table, d, level + slack, sense));
  if (real.length === 0 && flats.length === 0) {
    const c = tied[0]!;
    return open.length > 0
      ? { status: "unsettled", open }
      : { status: "approached", near: c.at, limit: (c.low + c.high) / 2 };
  }
  // A kink in the middle of a level stretch is no answer of its own.
  const best = mergeBest(real).filter((c) => !flats.some((f) => f.lo < c.lo && c.hi < f.hi));
  const first = best[0];
  if (open.length > 0 && best.length === 0 && flats.length === 0) return { status: "unsettled", open };
  const low = Math.min(...(real.length > 0 ? real : flats).map((c) => c.low));
  const high = Math.max(...(real.length > 0 ? real : flats).map((c) => c.high));
  return {
    status: "attained",
    best: best.map(({ at, lo, hi, kind, exact }) => ({ at, lo, hi, kind, exact })),
    value: exactBest ? toDouble(exactBest) : first ? low + (high - low) / 2 : (flats[0]!.low + flats[0]!.high) / 2,
    low,
    high,
    exactValue: exactBest,
    flat: flats.map(({ lo, hi }) => ({ lo, hi })),
    places: [...seen, ...flatSeen].flatMap((c) => [c.lo, c.hi]).concat(doubt.flatMap((d) => [d.lo, d.hi])),
    complete: open.length === 0,
  };
}

function mayBeat(
  e: Expression,
  table: FunctionTable,
  box: { lo: number; hi: number },
  level: number,
  sense: 1 | -1,
): boolean {
  const value = compileEnclosure(e, table.enclosure);
  // A few splits are enough to see whether a doubtful stretch stays below the best value found.
  const stack = [{ ...box, depth: 0 }];
  while (stack.length > 0) {
    const b = stack.pop()!;
    const v = value(new Enclosure(b.lo, b.hi));
    if (v.flags & EMPTY || (sense > 0 ? v.hi <= level : -v.lo <= level)) continue;
    if (b.depth >= 12) return true;
    const mid = b.lo + (b.hi - b.lo) / 2;
    stack.push({ lo: b.lo, hi: mid, depth: b.depth + 1 }, { lo: mid, hi: b.hi, depth: b.depth + 1 });
  }
  return false;
}

function mergeBest(list: readonly Candidate[]): Candidate[] {
  const out: Candidate[] = [];
  for (const c of [...list].sort((a, b) => a.at - b.at)) {
    const last = out[out.length - 1];
    const same = last && c.lo <= last.hi && (!last.exact || !c.exact || sameExact(last.exact, c.exact));
    if (same) {
      if (last.kind === "interior" && c.kind === "endpoint")
        out[out.length - 1] = { ...c, exact: c.exact ?? last.exact };
    } else out.push(c);
  }
  return out;
}
function sameExact(a: ExactForm, b: ExactForm): boolean {
  const x = exactRational(a.expression);
  const y = exactRational(b.expression);
  return x && y ? x.compare(y) === 0 : isExactlyZero(subtract(a.expression, b.expression));
}

function pointCandidate(
  part: SmoothPart,
  value: Enclosure,
  table: FunctionTable,
  all: readonly SmoothPart[],
  i: number,
): Candidate {
  const at = part.from!;
  const e = exactNumber(at);
  const within = e.kind === "number" ? e.within : value;
  const isEnd = part.kind === "range" || (part.kind === "piece" && !continuousAt(all, i, table));
  return {
    at: toDouble(at),
    lo: within.lo,
    hi: within.hi,
    rational: at,
    exact: rationalExact(at),
    kind: isEnd ? "endpoint" : "interior",
    low: value.lo,
    high: value.hi,
    exactValue: exactValueAt(part.expression!, at),
    open: false,
  };
}

function continuousAt(all: readonly SmoothPart[], i: number, table: FunctionTable): boolean {
  const at = all[i]!.from!;
  const values = [all[i - 1], all[i], all[i + 1]].map((p) =>
    p?.expression ? encloseAt(p.expression, table, at) : null,
  );
  return values.every((v) => v !== null && !(v.flags & EMPTY) && v.lo <= values[1]!.hi && v.hi >= values[1]!.lo);
}

interface PartResult {
  candidates: Candidate[];
  flat: { lo: number; hi: number; low: number; high: number }[];
  doubt: { lo: number; hi: number }[];
  unbounded: number | null;
}

function partCandidates(part: SmoothPart, table: FunctionTable, sense: 1 | -1): PartResult {
  const e = part.expression!;
  const out: PartResult = { candidates: [], flat: [], doubt: [], unbounded: null };
  const lo = part.from ? toDouble(part.from) : -Infinity;
  const hi = part.to ? toDouble(part.to) : Infinity;
  if (!dependsOnVariable(e)) {
    const v = encloseAt(e, table, part.from ?? part.to ?? ZERO);
    if (!(v.flags & EMPTY)) out.flat.push({ lo, hi, low: v.lo, high: v.hi });
    return out;
  }
  const pieces = splitAtKinks(part, e, table);
  if (pieces) {
    for (const p of pieces) {
      if (p.isPoint) {
        const v = compileEnclosure(e, table.enclosure)(new Enclosure(p.lo, p.hi));
        if (!(v.flags & EMPTY))
          out.candidates.push({
            at: p.at,
            lo: p.lo,
            hi: p.hi,
            rational: null,
            exact: p.exact,
            kind: "interior",
            low: v.lo,
            high: v.hi,
            exactValue: null,
            open: false,
          });
        continue;
      }
      const inside = partCandidates(p.part, table, sense);
      out.candidates.push(...inside.candidates);
      out.flat.push(...inside.flat);
      out.doubt.push(...inside.doubt);
      out.unbounded ??= inside.unbounded;
    }
    return out;
  }
  const slope = differentiate(e);
  const turning = zerosOf(slope, table, part.from, part.to);
  const value = compileEnclosure(e, table.enclosure);
  if (turning.everywhere) {
    const v = value(
      new Enclosure(Number.isFinite(lo) ? lo : Math.min(0, hi), Number.isFinite(hi) ? hi : Math.max(0, lo)),
    );
    out.flat.push({ lo, hi, low: v.lo, high: v.hi });
    return out;
  }
  out.doubt.push(...turning.open);
  const add = (at: number, zlo: number, zhi: number, exact: ExactForm | null) => {
    const v =
      exact && exactRational(exact.expression)
        ? encloseAt(e, table, exactRational(exact.expression)!)
        : value(new Enclosure(zlo, zhi));
    if (v.flags & EMPTY) return;
    const rational = exact && exactRational(exact.expression);
    out.candidates.push({
      at,
      lo: zlo,
      hi: zhi,
      rational,
      exact,
      kind: "interior",
      low: v.lo,
      high: v.hi,
      exactValue: rational ? exactValueAt(e, rational) : null,
      open: false,
    });
  };
  const addLimit = (at: number, side: 1 | -1, room: number) => {
    const limit = limitNear(e, table, at, side, room);
    if (limit !== null)
      out.candidates.push({
        at,
        lo: at,
        hi: at,
        rational: null,
        exact: null,
        kind: "endpoint",
        low: limit,
        high: limit,
        exactValue: null,
        open: true,
      });
  };
  for (const f of turning.flat ?? []) {
    const v = value(new Enclosure(f.lo, f.hi));
    if (!(v.flags & EMPTY)) out.flat.push({ lo: f.lo, hi: f.hi, low: v.lo, high: v.hi });
  }
  for (const z of turning.zeros) if (z.at > lo && z.at < hi) add(z.at, z.lo, z.hi, z.exact);
  for (const u of singularParts(e)) {
    const set = zerosOf(u.inner, table, part.from, part.to);
    out.doubt.push(...set.open);
    for (const z of set.zeros) {
      if (z.at <= lo || z.at >= hi) continue;
      const v = value(new Enclosure(z.lo, z.hi));
      const exactThere = z.exact && exactRational(z.exact.expression);
      const defined = exactThere ? !(encloseAt(e, table, exactThere).flags & EMPTY) : !(v.flags & EMPTY);
      if ((u.pole && !defined) || (u.pole && v.flags & BROKEN)) {
        for (const side of [-1, 1] as const)
          if (growsNear(e, table, z.at, side, side > 0 ? hi - z.at : z.at - lo, sense)) out.unbounded ??= z.at;
      }
      if (defined && Number.isFinite(v.lo) && Number.isFinite(v.hi)) add(z.at, z.lo, z.hi, z.exact);
      else for (const side of [-1, 1] as const) addLimit(z.at, side, side > 0 ? hi - z.at : z.at - lo);
    }
  }
  for (const [end, side] of [
    [part.from, 1],
    [part.to, -1],
  ] as const) {
    const other = side > 0 ? hi : lo;
    if (!end) {
      const far = limitFar(e, table, side > 0 ? -1 : 1);
      if (far !== null) {
        if (far === sense * Infinity) out.unbounded ??= side > 0 ? -Infinity : Infinity;
        else if (Number.isFinite(far))
          out.candidates.push({
            at: side > 0 ? -Infinity : Infinity,
            lo: NaN,
            hi: NaN,
            rational: null,
            exact: null,
            kind: "endpoint",
            low: far,
            high: far,
            exactValue: null,
            open: true,
          });
      } else out.doubt.push({ lo, hi });
      continue;
    }
    const v = encloseAt(e, table, end);
    const at = toDouble(end);
    if (v.flags & EMPTY || !Number.isFinite(v.lo) || !Number.isFinite(v.hi)) {
      if (growsNear(e, table, at, side, Math.abs(other - at), sense)) out.unbounded ??= at;
      else addLimit(at, side, Math.abs(other - at));
    } else if (!(v.flags & PARTIAL)) {
      out.candidates.push({
        at,
        lo: at,
        hi: at,
        rational: end,
        exact: rationalExact(end),
        kind: "endpoint",
        low: v.lo,
        high: v.hi,
        exactValue: exactValueAt(e, end),
        open: true,
      });
    }
  }
  return out;
}

type KinkPiece =
  | {
      readonly isPoint: true;
      readonly at: number;
      readonly lo: number;
      readonly hi: number;
      readonly exact: ExactForm | null;
    }
  | { readonly isPoint: false; readonly part: SmoothPart };

/** Cuts a part at the irrational kinks of abs, min and max, each side with its own smooth formula; null when there are none, or not all are known. */
function splitAtKinks(part: SmoothPart, e: Expression, table: FunctionTable): KinkPiece[] | null {
  if (!part.from || !part.to) return null;
  const inner = kinkParts(e);
  if (inner.length === 0) return null;
  const marks: Zero[] = [];
  for (const u of inner) {
    const set = zerosOf(u, table, part.from, part.to);
    if (set.open.length > 0) return null;
    // Equal throughout: either side will do, and nothing bends.
    if (!set.everywhere) marks.push(...set.zeros, ...(set.flat ?? []).flatMap((f) => [edgeOf(f.lo), edgeOf(f.hi)]));
  }
  marks.sort((a, b) => a.at - b.at);
  const out: KinkPiece[] = [];
  let from = part.from;
  const stretch = (to: Rational) => {
    if (from.compare(to) >= 0) return;
    const sample = toDouble(from.add(to).div(ratio(2)));
    out.push({ isPoint: false, part: { ...part, from, to, expression: withoutKinks(e, table, sample) } });
  };
  for (const z of marks) {
    const lo = rationalOfDouble(z.lo);
    const hi = rationalOfDouble(z.hi);
    if (hi.compare(from) <= 0) continue;
    stretch(lo);
    out.push({ isPoint: true, at: z.at, lo: z.lo, hi: z.hi, exact: z.exact });
    if (hi.compare(from) > 0) from = hi;
  }
  stretch(part.to);
  return out;
}

/** The edge of a stretch of zeros, as a place to cut at. */
const edgeOf = (x: number): Zero => ({ at: x, lo: x, hi: x, multiplicity: null, exact: null });

/** What changes sign at the innermost kinks; the outer ones follow when these are resolved. */
function kinkParts(e: Expression, out: Expression[] = []): Expression[] {
  if (!dependsOnVariable(e)) return out;
  const before = out.length;
  for (const p of parts(e)) kinkParts(p, out);
  if (out.length > before) return out;
  if (e.kind === "apply" && e.name === "abs") out.push(e.a);
  if (e.kind === "min" || e.kind === "max") out.push(subtract(e.a, e.b));
  return out;
}
const hasKinks = (e: Expression): boolean => kinkParts(e).length > 0;

/** The formula that holds around `sample`, where none of its innermost kinks is. */
function withoutKinks(e: Expression, table: FunctionTable, sample: number): Expression {
  if (!dependsOnVariable(e)) return e;
  const at = (u: Expression) => compileNumber(u, table.number)(sample);
  if (e.kind === "apply" && e.name === "abs" && !hasKinks(e.a)) return at(e.a) < 0 ? negate(e.a) : e.a;
  if ((e.kind === "min" || e.kind === "max") && !hasKinks(e.a) && !hasKinks(e.b))
    return at(e.a) <= at(e.b) === (e.kind === "min") ? e.a : e.b;
  return rebuild(e, (p) => withoutKinks(p, table, sample));
}

/** Steps by which a pole or infinity is approached, as powers of two; the gain of equal steps tells growth from a limit. */
const NEAR_STEPS = [20, 30, 40] as const;

/** Whether the values go to sense·∞ as the input comes to `at` from one side. */
function growsNear(
  e: Expression,
  table: FunctionTable,
  at: number,
  side: 1 | -1,
  room: number,
  sense: 1 | -1,
): boolean {
  const f = compileNumber(e, table.number);
  const reach = Number.isFinite(room) && room > 0 ? Math.min(room, 1) : 1;
  const scale = Math.max(Math.abs(at), reach);
  const [a, b, c] = NEAR_STEPS.map((k) => sense * f(at + side * Math.max(reach * 2 ** -k, scale * 2 ** -46)));
  return b! - a! > 0 && c! - b! >= 0.9 * (b! - a!);
}

/** The finite limit from one side at a place without a value, read off close by; null when none shows. */
function limitNear(e: Expression, table: FunctionTable, at: number, side: 1 | -1, room: number): number | null {
  const f = compileNumber(e, table.number);
  const reach = Number.isFinite(room) && room > 0 ? Math.min(room, 1) : 1;
  const scale = Math.max(Math.abs(at), reach);
  const [b, c] = [22, 30].map((k) => f(at + side * Math.max(reach * 2 ** -k, scale * 2 ** -46))) as [number, number];
  return Number.isFinite(b) && Number.isFinite(c) && Math.abs(c - b) <= 1e-5 * Math.max(1, Math.abs(c)) ? c : null;
}

/** The limit far out on one side: ±∞, a number, or null when none shows. */
function limitFar(e: Expression, table: FunctionTable, side: 1 | -1): number | null {
  const f = compileNumber(e, table.number);
  const [a, b, c] = NEAR_STEPS.map((k) => f(side * 2 ** k));
  if (a === undefined || b === undefined || c === undefined || Number.isNaN(a) || Number.isNaN(b) || Number.isNaN(c))
    return null;
  if (!Number.isFinite(c)) return c;
  if (Math.abs(c - b) >= 0.9 * Math.abs(b - a) && c !== b) return c > b ? Infinity : -Infinity;
  return Math.abs(c - b) <= 1e-6 * Math.max(1, Math.abs(c)) ? c : null;
}
