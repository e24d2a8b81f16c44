import { add, subtract } from "../formula/build";
import { exactNumber, wholeNumber } from "../formula/numbers";
import type { Expression } from "../formula";
import { ZERO, equal, poly, type Polynomial } from "../numeric";
import { courseOf, type Course } from "./course";
import { inline } from "./inline";
import type { Range } from "./parts";
import { commonTurn, firstPeriod, type Period } from "./period";
import { polynomialForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import { constantSign, signed, termsOf } from "./terms";

/**
 * The first period after which several functions stand to each other as before, on an unbounded range: each repeats by
 * itself, or all repeat about one polynomial, as x + sin x and x + cos x do, or ⌊x⌋ and x. Null where none does.
 */
export function commonPeriod(list: readonly Expression[], table: FunctionTable, range: Range): Period | null {
  if (range.from && range.to) return null;
  const all = list.map((e) => bentCourse(inline(e, table)));
  const first = all[0];
  if (!first || !all.every((one) => one && goesWith(one, first))) return null;
  const every = commonTurn(all.flatMap((one) => one!.turns));
  return every && firstPeriod(every, range);
}

/** A course about a polynomial: its powers above the first, since what is straight is part of the drift. */
interface BentCourse extends Course {
  readonly bent: Polynomial;
}

/** A sum as its polynomial and its terms that go on evenly; null where another term stands in it. */
function bentCourse(e: Expression): BentCourse | null {
  let middle: Polynomial = [];
  let drift = wholeNumber(0);
  const turns: Expression[] = [];
  for (const term of termsOf(e).map(signed)) {
    const p = polynomialForm(term);
    const course = p ? null : courseOf(term);
    if (p) middle = poly.add(middle, p);
    else if (!course) return null;
    else {
      drift = add(drift, course.drift);
      turns.push(...course.turns);
    }
  }
  return { bent: middle.slice(2), drift: add(exactNumber(middle[1] ?? ZERO), drift), turns };
}

/** Whether two functions keep their distance but for what turns: they have the same bend and the same drift. */
const goesWith = (a: BentCourse, b: BentCourse): boolean =>
  a.bent.length === b.bent.length &&
  a.bent.every((c, k) => equal(c, b.bent[k]!)) &&
  constantSign(subtract(a.drift, b.drift)) === 0;
