import { add } from "../formula/build";
import { dependsOnVariable, type Expression } from "../formula";
import { equal, poly, type Polynomial } from "../numeric";
import { inline } from "./inline";
import type { Range } from "./parts";
import { basicPeriod, periodOf, type Period } from "./period";
import { polynomialForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import { signed, termsOf } from "./terms";

/**
 * The first period after which several functions stand to each other as before, on an unbounded range: each repeats by
 * itself, or all are waves about one polynomial, as x + sin x and x + cos x are. Null where that is not so.
 */
export function commonPeriod(list: readonly Expression[], table: FunctionTable, range: Range): Period | null {
  const all = list.map((e) => wavesOf(inline(e, table)));
  const middle = all[0]?.middle;
  if (!middle || !all.every((one) => one && isSame(one.middle, middle))) return null;
  const waves = all.flatMap((one) => one!.waves);
  return waves.length > 0 ? periodOf(waves.reduce(add), table, range) : null;
}

interface Waves {
  readonly middle: Polynomial;
  readonly waves: readonly Expression[];
}

/** A sum as its polynomial and its terms that repeat; null where another term stands in it. */
function wavesOf(e: Expression): Waves | null {
  let middle: Polynomial = [];
  const waves: Expression[] = [];
  for (const term of termsOf(e).map(signed)) {
    if (!dependsOnVariable(term)) continue;
    const p = polynomialForm(term);
    if (p) middle = poly.add(middle, p);
    else if (basicPeriod(term)) waves.push(term);
    else return null;
  }
  return { middle, waves };
}

/** But for a number, about which waves may differ. */
const isSame = (a: Polynomial, b: Polynomial): boolean =>
  Array.from({ length: Math.max(a.length, b.length) - 1 }, (_, i) => i + 1).every(
    (k) => (a[k] === undefined) === (b[k] === undefined) && (a[k] === undefined || equal(a[k], b[k]!)),
  );
