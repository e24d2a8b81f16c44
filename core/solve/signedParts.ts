import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import { compileEnclosure, dependsOnVariable, type Expression } from "../formula";
import { FEW_STEPS, openStairs } from "./openStairs";
import { newWork, partition, refine, type Work } from "./partition";
import type { CellPart, Part, Range } from "./parts";
import { constantSign } from "./terms";
import type { FunctionTable } from "./table";
import { signOfValue, valueAt } from "./valueAt";
import { signIn, zerosIn } from "./zerosIn";

/** The sign of a function on a part of a range: proven, or that it has no value there, or that this is open. */
export type PartSign = -1 | 0 | 1 | "none" | "open";

export interface SignedPart {
  readonly part: Exclude<Part, { kind: "stairs" }>;
  readonly sign: PartSign;
  /** the formula that holds on a cell */
  readonly formula: Expression | null;
}

/** Zeros alone, or the signs of all values: then it matters, too, whether there is a value. */
export type Wanted = "zeros" | "signs";

/** A range taken apart into places and stretches, on each of which the function has one sign throughout. */
export function signedParts(
  e: Expression,
  table: FunctionTable,
  range: Range,
  work: Work = newWork(),
  wanted: Wanted = "signs",
): SignedPart[] {
  const whole = partition([e], table, range, work, FEW_STEPS);
  const listed = openStairs(whole, table, work, (v) =>
    wanted === "zeros" ? containsZero(v) : signOfQuiet(v) === "open",
  );
  const parts = refine(listed, table, work, (cell) => (cell.formulas[0] ? [cell.formulas[0]] : []));
  return parts.map((part, i): SignedPart => {
    switch (part.kind) {
      case "open":
        return { part, sign: "open", formula: null };
      case "stairs":
        return {
          part: { kind: "open", lo: part.from?.lo ?? -Infinity, hi: part.to?.hi ?? Infinity },
          sign: "open",
          formula: null,
        };
      case "quiet":
        return { part, sign: signOfQuiet(part.values), formula: null };
      case "place": {
        // A zero found inside a cell is a zero of the formula that holds on both sides of it.
        if (part.because === "zero") return { part, sign: 0, formula: formulaOf(parts[i - 1] ?? parts[i + 1]) };
        const value = valueAt(e, part.spot, table);
        const sign = value.kind === "value" ? (signOfValue(value) ?? "open") : value.kind;
        return { part, sign, formula: null };
      }
      case "cell":
        return { part, sign: signOfCell(part, table, work), formula: part.formulas[0] ?? null };
    }
  });
}

const formulaOf = (p: Part | undefined): Expression | null => (p?.kind === "cell" ? (p.formulas[0] ?? null) : null);

function signOfQuiet(v: Enclosure): PartSign {
  if (v.flags & (EMPTY | PARTIAL)) return "open";
  return v.lo > 0 ? 1 : v.hi < 0 ? -1 : "open";
}

/** The sign of a formula throughout a cell in which it has no zero, unless it is 0 on all of it. */
function signOfCell(cell: CellPart, table: FunctionTable, work: Work): PartSign {
  const f = cell.formulas[0];
  if (!f) return "none";
  if (!dependsOnVariable(f)) return constantSign(f) ?? "open";
  const sign = signIn(f, cell, table);
  if (sign !== null) return sign;
  return zerosIn(f, cell, table, work).everywhere ? 0 : "open";
}

/** Bounds of what a formula comes to at a spot; null where they are not finite. */
export function boundsAtSpot(f: Expression, lo: number, hi: number, table: FunctionTable): Enclosure | null {
  const v = compileEnclosure(f, table.enclosure)(new Enclosure(lo, hi));
  return v.flags & (EMPTY | PARTIAL | BROKEN) || !Number.isFinite(v.lo) || !Number.isFinite(v.hi) ? null : v;
}
