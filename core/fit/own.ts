import {
  differentiate,
  resolve,
  tokenize,
  RESERVED,
  dependsOnVariable,
  isZeroNumber,
  problem,
  type Expression,
  type Names,
  type Problem,
} from "../formula";
import { Enclosure } from "../interval";
import type { Polynomial } from "../numeric";
import { polynomialForm } from "../solve";
import type { Curve } from "./curve";
import { compileMany, hasMark, turnedBack, turnedTo, Unknowns, type ManyFunction } from "./many";

/** A formula with free constants, ready for least squares. */
export interface OwnModel {
  readonly curve: Curve;
  readonly expression: Expression;
  readonly unknowns: Unknowns;
  /** the part beside each constant, when the formula is linear in its constants and has no other part */
  readonly linear: readonly ((x: number) => number)[] | null;
  /** the same as polynomials of x, where they all are */
  readonly polynomials: readonly Polynomial[] | null;
}
export type OwnResult =
  { readonly ok: true; readonly model: OwnModel } | { readonly ok: false; readonly problem: Problem };

/** Names of a formula that are neither its variable nor known otherwise: its free constants, in order of appearance. */
export function freeConstants(text: string, names: Names): string[] {
  const found: string[] = [];
  for (const t of tokenize(text).tokens)
    if (
      t.kind === "name" &&
      t.name !== names.variable &&
      t.name !== "π" &&
      !RESERVED.has(t.name) &&
      !names.givens.has(t.name) &&
      !names.functions.has(t.name) &&
      !found.includes(t.name)
    )
      found.push(t.name);
  return found;
}

/**
 * Reads a formula with free constants.
 * @param names  `variable` is the input of the data; givens keep their values
 */
export function ownModel(text: string, names: Names): OwnResult {
  const constants = freeConstants(text, names);
  const unknowns = new Unknowns(constants);
  const givens = new Map(names.givens);
  // Values only keep the constants apart; they are never worked with.
  constants.forEach((c, i) => givens.set(c, { value: Math.PI + i, exact: null, within: unknowns.marks[i]! }));
  const read = resolve(text, { ...names, givens });
  if (!read.expression) return { ok: false, problem: read.problems[0]! };
  if (constants.length === 0) return { ok: false, problem: nothingToFit(text, names) };
  const { expression } = read;
  const x = new Enclosure(-Infinity, Infinity);
  const slopes = constants.map((_, i) => differentiate(turnedTo(expression, i, unknowns, x)));
  const curve = ownCurve(expression, slopes, unknowns, x);
  const linear = isLinear(slopes, curve, unknowns) ? linearParts(slopes, curve, x) : NOT_LINEAR;
  return { ok: true, model: { curve, expression, unknowns, ...linear } };
}

const nothingToFit = (text: string, names: Names): Problem =>
  problem(
    "unknown-name",
    { start: 0, end: text.length },
    "The formula has no free constant to fit; write one by a name that is not used yet, " +
      `as in \`a (1 - exp(-b ${names.variable ?? "x"}))\`.`,
  );

/** The formula and its slope by each constant as functions of the input and all constants. */
function ownCurve(e: Expression, slopes: readonly Expression[], unknowns: Unknowns, x: Enclosure): Curve {
  const n = unknowns.names.length;
  // Slots: the constants, then x.
  const all = new Unknowns(unknowns.names);
  Object.assign(all, { marks: [...unknowns.marks, x] });
  const value = compileMany(e, all, n);
  const slopeFunctions: ManyFunction[] = slopes.map((s, i) => compileMany(s, all, i));
  const slots = new Float64Array(n + 1);
  const at = (input: number, p: Float64Array) => {
    slots.set(p);
    slots[n] = input;
    return slots;
  };
  return {
    names: unknowns.names,
    value: (input, p) => value(at(input, p)),
    slopes: (input, p, out) => {
      at(input, p);
      for (let j = 0; j < n; j++) out[j] = slopeFunctions[j]!(slots);
    },
  };
}

/** Inputs at which a formula that is 0 with all constants 0 shows it. */
const PROBES = [0.37, 1.9, 4.2, -0.8];
/** Linear in the constants: no slope has a constant in it, and the formula is 0 with all constants 0. */
function isLinear(slopes: readonly Expression[], curve: Curve, unknowns: Unknowns): boolean {
  if (slopes.some((s) => dependsOnVariable(s) || hasMark(s, unknowns.marks))) return false;
  const zeros = new Float64Array(slopes.length);
  return PROBES.every((input) => {
    const y = curve.value(input, zeros);
    return Number.isNaN(y) || y === 0;
  });
}
const NOT_LINEAR = { linear: null, polynomials: null };
/** The parts that the constants are factors of, and as polynomials where all of them are. */
function linearParts(
  slopes: readonly Expression[],
  curve: Curve,
  x: Enclosure,
): Pick<OwnModel, "linear" | "polynomials"> {
  const zeros = new Float64Array(slopes.length);
  const out = new Float64Array(slopes.length);
  const polynomials = slopes.map((s) => {
    const back = turnedBack(s, x);
    return isZeroNumber(back) ? null : polynomialForm(back);
  });
  return {
    linear: slopes.map((_, j) => (input: number) => {
      curve.slopes(input, zeros, out);
      return out[j]!;
    }),
    polynomials: polynomials.every((p) => p !== null && p.length > 0) ? (polynomials as Polynomial[]) : null,
  };
}
