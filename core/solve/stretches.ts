import { ONE, ZERO, isInteger, isolateRealRoots, poly, ratio, signOf, toDouble, type Rational } from "../numeric";
import {
  Noted,
  compileEnclosure,
  dependsOnVariable,
  exactNumber,
  negate,
  parts,
  rebuild,
  same,
  size,
  substitute,
  wholeNumber,
  type Expression,
} from "../formula";
import { EMPTY, Enclosure, PARTIAL, down, up } from "../interval";
import { exactRational } from "./constant";
import { polynomialForm } from "./rationalForm";
import type { FunctionTable, Piece } from "./table";

/** Where a smooth stretch begins or ends: at the range's end, where a piece begins or ends, or at a kink or jump within one formula. */
export type BreakKind = "range" | "piece" | "kink";

/** A smooth part of a function: open between two breaks, or a single break (`from` equals `to`). Null expression: no value there. */
export interface SmoothPart {
  readonly from: Rational | null;
  readonly to: Rational | null;
  readonly expression: Expression | null;
  readonly isPoint: boolean;
  readonly kind: BreakKind;
}

/** Calls are written out until the whole grows past this; beyond, they stay calls. */
const MAX_SIZE = 1500;
/** Steps of a staircase that are taken apart one by one. */
const MAX_STEPS = 600;

/**
 * Writes calls of other functions out, so that algebra sees one formula. A call of a function by pieces stays, to be split at its breaks.
 */
export function inline(e: Expression, table: FunctionTable): Expression {
  let left = MAX_SIZE;
  const go = (x: Expression): Expression => {
    if (!hasCall(x)) return x;
    if (x.kind !== "call") return rebuild(x, go);
    const input = go(x.a);
    const definition = table.definition(x.name, x.order);
    if (definition?.kind !== "expression" || left <= 0) return { ...x, a: input };
    left -= size(definition.expression, MAX_SIZE);
    if (left <= 0) return { ...x, a: input };
    const body = go(definition.expression);
    return input.kind === "variable" ? body : substitute(body, input);
  };
  return go(e);
}

const callMemo = new Noted<boolean>();
function hasCall(e: Expression): boolean {
  if (e.kind === "number" || e.kind === "variable") return false;
  const known = callMemo.get(e);
  if (known !== undefined) return known;
  const found = e.kind === "call" || parts(e).some(hasCall);
  callMemo.set(e, found);
  return found;
}

/** Takes a function on from…to apart into smooth parts: points and open stretches in turn, each with its own formula. */
export function smoothParts(
  whole: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
): SmoothPart[] {
  const e = inline(whole, table);
  const breaks = new Map<string, { at: Rational; kind: BreakKind }>();
  const note = (at: Rational, kind: BreakKind) => {
    if ((from && at.compare(from) < 0) || (to && at.compare(to) > 0)) return;
    const k = at.toFraction();
    const before = breaks.get(k);
    if (!before || (before.kind === "kink" && kind === "piece")) breaks.set(k, { at, kind });
  };
  collectBreaks(e, table, from, to, note);
  if (from && !breaks.has(from.toFraction())) breaks.set(from.toFraction(), { at: from, kind: "range" });
  if (to && !breaks.has(to.toFraction())) breaks.set(to.toFraction(), { at: to, kind: "range" });
  const points = [...breaks.values()].sort((a, b) => a.at.compare(b.at));
  const out: SmoothPart[] = [];
  const open = (a: Rational | null, b: Rational | null): SmoothPart => {
    const sample = a && b ? a.add(b).div(ratio(2)) : a ? a.add(ONE) : b ? b.sub(ONE) : ZERO;
    const formula = specialise(e, table, sample);
    return {
      from: a,
      to: b,
      expression: formula && withoutLosers(formula, table, a, b),
      isPoint: false,
      kind: "range",
    };
  };
  if (points.length === 0) return [open(null, null)];
  if (!from) out.push(open(null, points[0]!.at));
  points.forEach((p, i) => {
    out.push({ from: p.at, to: p.at, expression: specialise(e, table, p.at), isPoint: true, kind: p.kind });
    const next = points[i + 1];
    if (next) out.push(open(p.at, next.at));
    else if (!to) out.push(open(p.at, null));
  });
  return out;
}

type Note = (at: Rational, kind: BreakKind) => void;

/** Exact inputs at which a part of the expression bends, jumps or changes its piece. */
function collectBreaks(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  note: Note,
): void {
  if (!isSpecial(e)) return;
  for (const p of parts(e)) collectBreaks(p, table, from, to, note);
  const zeros = (u: Expression) => {
    for (const r of exactZeros(u) ?? []) note(r, "kink");
  };
  if (e.kind === "call" && e.a.kind === "variable") {
    for (const p of piecesOf(e, table) ?? []) {
      if (p.from) note(p.from, "piece");
      if (p.to) note(p.to, "piece");
      collectBreaks(inline(p.expression, table), table, from, to, note);
    }
  } else if (e.kind === "apply" && (e.name === "abs" || e.name === "step" || e.name === "sign")) zeros(e.a);
  else if (e.kind === "min" || e.kind === "max") zeros({ kind: "subtract", a: e.a, b: e.b });
  else if (e.kind === "choose") zeros({ kind: "subtract", a: e.p, b: e.q });
  else if (e.kind === "apply" && isStair(e.name))
    for (const r of stairBreaks(e.a, e.name === "round", from, to) ?? []) note(r, "kink");
}

const isStair = (name: string): boolean => name === "floor" || name === "ceil" || name === "round";

function piecesOf(e: Expression & { kind: "call" }, table: FunctionTable): readonly Piece[] | null {
  const d = table.definition(e.name, e.order);
  return d?.kind === "pieces" ? d.pieces : null;
}

const zeroMemo = new Noted<Rational[] | null>();
/** All real zeros of a polynomial part when every one is a fraction; null when it must be left to intervals. */
function exactZeros(u: Expression): Rational[] | null {
  const known = zeroMemo.get(u);
  if (known !== undefined) return known;
  const p = polynomialForm(u);
  const roots = p && poly.degree(p) >= 1 && poly.degree(p) <= 8 ? isolateRealRoots(p, null, null) : null;
  const exact = roots?.every((r) => r.exact) ? roots.map((r) => r.exact!) : null;
  zeroMemo.set(u, exact);
  return exact;
}

function stairBreaks(u: Expression, halves: boolean, from: Rational | null, to: Rational | null): Rational[] | null {
  const p = polynomialForm(u);
  if (!p || poly.degree(p) !== 1 || !from || !to) return null;
  const at = (level: Rational) => level.sub(p[0]!).div(p[1]!);
  const ends = [poly.valueAt(p, from), poly.valueAt(p, to)].sort((a, b) => a.compare(b));
  const shift = halves ? ratio(1, 2) : ZERO;
  const first = ends[0]!.sub(shift).ceil();
  const last = ends[1]!.sub(shift).floor();
  if (last.sub(first).compare(ratio(MAX_STEPS)) > 0) return null;
  const out: Rational[] = [];
  for (let k = first; k.compare(last) <= 0; k = k.add(ONE)) out.push(at(k.add(shift)));
  return out;
}

const specialMemo = new Noted<boolean>();
/** Whether anything in it depends on the place: kinks, stairs, pieces. */
function isSpecial(e: Expression): boolean {
  if (e.kind === "number" || e.kind === "variable") return false;
  const known = specialMemo.get(e);
  if (known !== undefined) return known;
  const special =
    e.kind === "call" ||
    e.kind === "min" ||
    e.kind === "max" ||
    e.kind === "choose" ||
    e.kind === "flat" ||
    (e.kind === "apply" && (e.name === "abs" || e.name === "step" || e.name === "sign" || isStair(e.name))) ||
    parts(e).some(isSpecial);
  specialMemo.set(e, special);
  return special;
}

/** The formula that holds at `sample` and up to the next break: kinks and stairs resolved, pieces chosen. Null: no value there. */
function specialise(e: Expression, table: FunctionTable, sample: Rational): Expression | null {
  if (!isSpecial(e)) return e;
  let missing = false;
  const signAt = (u: Expression): number | null => {
    const p = polynomialForm(u);
    return p && exactZeros(u) !== null ? signOf(poly.valueAt(p, sample)) : null;
  };
  const go = (x: Expression): Expression => {
    if (!dependsOnVariable(x)) return x;
    if (x.kind === "apply" && (x.name === "abs" || x.name === "step" || x.name === "sign")) {
      const sign = signAt(x.a);
      if (sign !== null) {
        if (x.name === "abs") return sign < 0 ? negate(go(x.a)) : go(x.a);
        if (x.name === "step") return wholeNumber(sign < 0 ? 0 : 1);
        if (sign === 0) missing = true;
        return wholeNumber(sign);
      }
    }
    if (x.kind === "min" || x.kind === "max") {
      const sign = signAt({ kind: "subtract", a: x.a, b: x.b });
      if (sign !== null) return go(sign <= 0 === (x.kind === "min") ? x.a : x.b);
    }
    if (x.kind === "choose") {
      const sign = signAt({ kind: "subtract", a: x.p, b: x.q });
      if (sign !== null) {
        if (sign === 0) missing = true;
        return go(sign <= 0 ? x.a : x.b);
      }
    }
    if (x.kind === "apply" && isStair(x.name)) {
      const p = polynomialForm(x.a);
      if (p && poly.degree(p) === 1) return exactNumber(stairValue(x.name, poly.valueAt(p, sample)));
    }
    if (x.kind === "flat") {
      const p = polynomialForm(x.a);
      if (p && poly.degree(p) === 1) {
        const u = poly.valueAt(p, sample);
        const shifted = x.name === "round" ? u.add(ratio(1, 2)) : u;
        if (x.name === "step" ? signOf(u) === 0 : isInteger(shifted)) missing = true;
        return wholeNumber(0);
      }
    }
    if (x.kind === "call" && x.a.kind === "variable") {
      const pieces = piecesOf(x, table);
      if (pieces) {
        const piece = pieces.find((p) => pieceHolds(p, sample));
        if (!piece) {
          missing = true;
          return wholeNumber(0);
        }
        return go(inline(piece.expression, table));
      }
    }
    return rebuild(x, go);
  };
  const result = go(e);
  return missing ? null : result;
}

/** Where one side of a min or max is never beaten on the whole stretch, or an abs never changes sign there, that side stands alone. */
function withoutLosers(e: Expression, table: FunctionTable, from: Rational | null, to: Rational | null): Expression {
  if (!isSpecial(e)) return e;
  const stretch = new Enclosure(from ? down(toDouble(from)) : -Infinity, to ? up(toDouble(to)) : Infinity);
  const values = (u: Expression) => compileEnclosure(u, table.enclosure)(stretch);
  const isWhole = (v: Enclosure) => !(v.flags & (EMPTY | PARTIAL));
  const go = (x: Expression): Expression => {
    if (!isSpecial(x)) return x;
    if (x.kind === "min" || x.kind === "max") {
      const a = go(x.a);
      const b = go(x.b);
      if (same(a, b)) return a;
      const [va, vb] = [values(a), values(b)];
      // Both sides must have a value everywhere: the value of min needs both.
      if (isWhole(va) && isWhole(vb)) {
        if (va.hi <= vb.lo) return x.kind === "min" ? a : b;
        if (vb.hi <= va.lo) return x.kind === "min" ? b : a;
      }
      return { kind: x.kind, a, b };
    }
    if (x.kind === "apply" && x.name === "abs") {
      const a = go(x.a);
      const v = values(a);
      return v.lo >= 0 ? a : v.hi <= 0 ? negate(a) : { ...x, a };
    }
    return rebuild(x, go);
  };
  return go(e);
}

function stairValue(name: string, u: Rational): Rational {
  if (name === "floor") return u.floor();
  if (name === "ceil") return u.ceil();
  const half = ratio(1, 2);
  return signOf(u) < 0 ? u.neg().add(half).floor().neg() : u.add(half).floor();
}

function pieceHolds(p: Piece, x: Rational): boolean {
  const low = p.from ? x.compare(p.from) : 1;
  const high = p.to ? x.compare(p.to) : -1;
  return (low > 0 || (low === 0 && p.closedFrom)) && (high < 0 || (high === 0 && p.closedTo));
}

/** The exact value of a formula at an exact input, where it has one. */
export function exactValueAt(e: Expression, x: Rational): Rational | null {
  const p = polynomialForm(e);
  if (p) return poly.valueAt(p, x);
  return exactRational(substitute(e, exactNumber(x)));
}

/** Bounds of a formula at an exact input. */
export function encloseAt(e: Expression, table: FunctionTable, x: Rational): Enclosure {
  const exact = exactValueAt(e, x);
  if (exact) {
    const v = exactNumber(exact);
    return v.kind === "number" ? v.within : new Enclosure(NaN, NaN, EMPTY);
  }
  const input = exactNumber(x);
  return compileEnclosure(
    e,
    table.enclosure,
  )(input.kind === "number" ? input.within : new Enclosure(toDouble(x), toDouble(x)));
}
