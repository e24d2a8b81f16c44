import { rationalOfDouble, toDouble, type Rational } from "../numeric";
import { EMPTY, PARTIAL, containsZero, Enclosure } from "../interval";
import {
  compileEnclosure,
  dependsOnVariable,
  encloseRational,
  exactNumber,
  substitute,
  type Expression,
} from "../formula";
import { exactRational, isExactlyZero, vanishesAt } from "./constant";
import { encloseConstant, formOf, rationalExact, type ExactForm } from "./exactForm";
import { encloseAt, smoothParts, type SmoothPart } from "./stretches";
import type { FunctionTable } from "./table";
import { zerosOf } from "./zeros";
import type { Zero } from "./zeroSet";

export type RootKind = "crossing" | "touching" | "endpoint";

/** A place where the function is 0, with proven bounds. */
export interface Root {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  readonly kind: RootKind;
  readonly multiplicity: number | null;
  readonly exact: ExactForm | null;
}

export interface Stretch {
  readonly lo: number;
  readonly hi: number;
  readonly closedLo: boolean;
  readonly closedHi: boolean;
}

/** All roots on a range. Complete when `open` is empty and `searched` is null. */
export interface RootSearch {
  readonly roots: readonly Root[];
  /** stretches on which the function is 0 throughout */
  readonly everywhere: readonly Stretch[];
  /** stretches that could not be settled */
  readonly open: readonly { lo: number; hi: number }[];
  /** inputs where the function jumps over 0 without being 0 */
  readonly jumps: readonly number[];
  /** the part of an unbounded range that was looked at, where the rest is not proven free of roots */
  readonly searched: { from: number; to: number } | null;
  readonly algebraic: boolean;
}

export interface RootOptions {
  /** ends of the range that are no fractions (from and to then hold the nearest doubles): the range ends there exactly */
  readonly irrationalEnds?: readonly Expression[];
  /** interval work allowed for each smooth part; by default what a question may cost */
  readonly maxBoxes?: number;
}

/**
 * Every input in from…to at which `e` is 0 (null: unbounded). Ends belong to the range. Breaks between pieces are owned by the piece that holds
 * them; a jump over 0 is reported as a jump, never as a root.
 */
export function findRoots(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  options: RootOptions = {},
): RootSearch {
  const { irrationalEnds = [], maxBoxes } = options;
  const tails = from && to ? null : boundTails(e, table, from, to);
  const parts = smoothParts(e, table, tails?.from ?? from, tails?.to ?? to);
  const found: (Zero & { part: SmoothPart })[] = [];
  const everywhere: Stretch[] = [];
  const open: { lo: number; hi: number }[] = [];
  let algebraic = true;
  parts.forEach((part) => {
    if (!part.expression) return;
    if (part.isPoint) {
      const state = zeroAtPoint(part.expression, table, part.from!);
      if (state === "zero")
        found.push({
          at: toDouble(part.from!),
          ...near(part.from!),
          multiplicity: null,
          exact: rationalExact(part.from!),
          part,
        });
      else if (state === "open") {
        open.push(near(part.from!));
        algebraic = false;
      }
      return;
    }
    const set = zerosOf(part.expression, table, part.from, part.to, maxBoxes);
    algebraic &&= set.algebraic;
    if (set.everywhere) {
      everywhere.push({
        lo: part.from ? toDouble(part.from) : -Infinity,
        hi: part.to ? toDouble(part.to) : Infinity,
        closedLo: false,
        closedHi: false,
      });
      return;
    }
    for (const f of set.flat ?? []) everywhere.push({ lo: f.lo, hi: f.hi, closedLo: false, closedHi: false });
    for (const z of set.zeros)
      if (!isEnd(z, part.from, part.expression, table) && !isEnd(z, part.to, part.expression, table))
        found.push({ ...z, part });
    for (const o of set.open) {
      // Rounding near an end of the stretch: the end itself is judged as a point of its own.
      open.push(o);
    }
  });
  const wide = joinEverywhere(everywhere, found);
  const roots = found.filter((z) => !wide.some((s) => z.at >= s.lo && z.at <= s.hi)).sort((a, b) => a.at - b.at);
  const sided = atIrrationalEnds(classify(roots, parts, table, from, to), e, irrationalEnds);
  return {
    roots: sided,
    everywhere: wide,
    open: dropSettled(open, sided),
    jumps: jumpsOver(parts, table),
    searched: tails?.searched ?? null,
    algebraic,
  };
}

/** Zeros exactly at an end of the range that is no fraction: sin x on 0…π. */
function atIrrationalEnds(roots: readonly Root[], e: Expression, ends: readonly Expression[]): readonly Root[] {
  let out = roots;
  for (const end of ends) {
    const { lo, hi } = encloseConstant(end);
    const same = out.find((r) => r.lo <= hi && r.hi >= lo);
    if (!vanishesAt(e, end)) continue;
    const root: Root = {
      at: lo + (hi - lo) / 2,
      lo,
      hi,
      kind: "endpoint",
      multiplicity: same?.multiplicity ?? null,
      exact: formOf(end),
    };
    out = [...out.filter((r) => r !== same), root].sort((a, b) => a.at - b.at);
  }
  return out;
}

function near(r: Rational): { lo: number; hi: number } {
  const { lo, hi } = encloseRational(r);
  return { lo, hi };
}

function zeroAtPoint(e: Expression, table: FunctionTable, at: Rational): "zero" | "nonzero" | "open" {
  const there = substitute(e, exactNumber(at));
  const value = encloseAt(e, table, at);
  if (value.flags & EMPTY) return "nonzero";
  if (!containsZero(value)) return "nonzero";
  if (!dependsOnVariable(there) && isExactlyZero(there)) return "zero";
  return value.flags & PARTIAL ? "nonzero" : "open";
}

/** Whether a zero is the end of its stretch, which is a point of its own and judged there. */
function isEnd(z: Zero, end: Rational | null, e: Expression, table: FunctionTable): boolean {
  if (!end) return false;
  const there = near(end);
  if (z.hi < there.lo || z.lo > there.hi) return false;
  const exact = z.exact && exactRational(z.exact.expression);
  if (exact) return exact.compare(end) === 0;
  // An enclosure that covers the end is the end only where the function is proven to be 0 there.
  return zeroAtPoint(e, table, end) === "zero";
}

/** Stretches of zeros take their end points in when the function is 0 there too. */
function joinEverywhere(list: Stretch[], points: readonly Zero[]): Stretch[] {
  const owned = (x: number) => points.some((p) => p.multiplicity === null && p.at === x);
  const out: Stretch[] = [];
  for (const s of list.sort((a, b) => a.lo - b.lo)) {
    const last = out[out.length - 1];
    if (last && last.hi === s.lo && owned(s.lo))
      out[out.length - 1] = { lo: last.lo, hi: s.hi, closedLo: last.closedLo, closedHi: owned(s.hi) };
    else out.push({ ...s, closedLo: owned(s.lo), closedHi: owned(s.hi) });
  }
  return out;
}

/** An open stretch that shrank to a root already proven there holds nothing more. */
function dropSettled(open: { lo: number; hi: number }[], roots: readonly Root[]): { lo: number; hi: number }[] {
  return open.filter(
    (o) =>
      !roots.some(
        (r) =>
          r.lo <= o.hi &&
          r.hi >= o.lo &&
          o.hi - o.lo <= Math.max(1e-9, Math.abs(r.at) * 1e-12) &&
          r.exact !== null &&
          r.multiplicity === null,
      ),
  );
}

function classify(
  roots: readonly (Zero & { part: SmoothPart })[],
  parts: readonly SmoothPart[],
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
): Root[] {
  return roots.map((z, i) => {
    const { part, ...zero } = z;
    const exact = zero.exact && exactRational(zero.exact.expression);
    const atRangeEnd =
      (from && (exact ? exact.compare(from) === 0 : false)) || (to && (exact ? exact.compare(to) === 0 : false));
    if (atRangeEnd || (part.isPoint && part.kind === "piece")) return { ...zero, kind: "endpoint" };
    if (zero.multiplicity !== null) return { ...zero, kind: zero.multiplicity % 2 === 0 ? "touching" : "crossing" };
    const left = signBeside(parts, table, z, roots[i - 1]?.hi ?? null, -1);
    const right = signBeside(parts, table, z, roots[i + 1]?.lo ?? null, 1);
    if (left === null || right === null) return { ...zero, kind: "endpoint" };
    return { ...zero, kind: left === right ? "touching" : "crossing" };
  });
}

/** Sign of the function between a root and its neighbour (or the end); null where it has no value there. */
function signBeside(
  parts: readonly SmoothPart[],
  table: FunctionTable,
  z: Zero,
  next: number | null,
  side: -1 | 1,
): -1 | 1 | null {
  for (const share of [0.5, 0.05, 0.003]) {
    const limit = next ?? partLimit(parts, z, side);
    const edge = side > 0 ? z.hi : z.lo;
    const x = Number.isFinite(limit) ? edge + (limit - edge) * share : edge + side * (1 + Math.abs(edge)) * share;
    const part = parts.find(
      (p) => !p.isPoint && (p.from === null || toDouble(p.from) < x) && (p.to === null || toDouble(p.to) > x),
    );
    if (!part?.expression || x === edge) continue;
    const v = compileEnclosure(part.expression, table.enclosure)(new Enclosure(x, x));
    if (v.flags & EMPTY) return null;
    if (v.lo > 0) return 1;
    if (v.hi < 0) return -1;
  }
  return null;
}

function partLimit(parts: readonly SmoothPart[], z: Zero, side: -1 | 1): number {
  const beside = parts
    .filter((p) => !p.isPoint)
    .find((p) => {
      const lo = p.from ? toDouble(p.from) : -Infinity;
      const hi = p.to ? toDouble(p.to) : Infinity;
      return side > 0 ? lo <= z.hi && hi > z.hi : hi >= z.lo && lo < z.lo;
    });
  if (!beside) return NaN;
  const end = side > 0 ? beside.to : beside.from;
  return end ? toDouble(end) : side * Infinity;
}

/** Breaks at which the sides have different signs and the function is not 0: it jumps over the level. */
function jumpsOver(parts: readonly SmoothPart[], table: FunctionTable): number[] {
  const out: number[] = [];
  parts.forEach((p, i) => {
    const before = parts[i - 1];
    const after = parts[i + 1];
    if (!p.isPoint || !before?.expression || !after?.expression || p.kind === "range") return;
    const l = encloseAt(before.expression, table, p.from!);
    const r = encloseAt(after.expression, table, p.from!);
    if ((l.hi < 0 && r.lo > 0) || (l.lo > 0 && r.hi < 0)) {
      const own = p.expression ? encloseAt(p.expression, table, p.from!) : null;
      if (!own || own.flags & EMPTY || !containsZero(own)) out.push(toDouble(p.from!));
    }
  });
  return out;
}

// ---- unbounded ranges ----------------------------------------------------------------------------------------

/** Powers of two tried as the place from which the tail is proven free of roots. */
const TAIL_STEPS = 80;
/** What is looked at when no tail can be proven. */
const REACH = 1e6;

/** Finds where an unbounded side can be cut off with proof, or says which range was searched instead. Polynomials need no cut. */
function boundTails(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
): { from: Rational | null; to: Rational | null; searched: { from: number; to: number } | null } | null {
  const plain = smoothParts(e, table, from, to);
  const last = plain[plain.length - 1]!;
  const first = plain[0]!;
  let proven = true;
  const cut = (part: SmoothPart, side: -1 | 1): Rational | null => {
    if (!part.expression || isAlgebraic(part.expression, table)) return null;
    const value = compileEnclosure(part.expression, table.enclosure);
    const start = side > 0 ? (part.from ? toDouble(part.from) : 0) : part.to ? toDouble(part.to) : 0;
    for (let k = 0; k < TAIL_STEPS; k++) {
      const edge = start + side * 2 ** (k - 2);
      const tail = value(side > 0 ? new Enclosure(edge, Infinity) : new Enclosure(-Infinity, edge));
      if (tail.flags & EMPTY || !containsZero(tail)) return rationalOfDouble(edge);
    }
    proven = false;
    return rationalOfDouble(start + side * REACH);
  };
  const right = to ? null : cut(last, 1);
  const left = from ? null : cut(first, -1);
  const range = { from: from ?? left, to: to ?? right };
  return {
    ...range,
    searched: proven
      ? null
      : { from: range.from ? toDouble(range.from) : -REACH, to: range.to ? toDouble(range.to) : REACH },
  };
}

/** Solved without any interval search, so that an unbounded stretch is no difficulty. */
function isAlgebraic(e: Expression, table: FunctionTable): boolean {
  const set = zerosOf(e, table, null, null, 40);
  return set.algebraic && set.open.length === 0;
}
