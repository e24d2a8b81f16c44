import { describe, expect, it } from "vitest";
import type { CaseFile, Question } from "#core/model";
import { analyse, inFull, type FullFinding } from "#core/question";
import { Chance } from "../shared/chance";
import { stockOf } from "./stock";
import { randomFormula } from "./plain";

/** Random formulas whose case is told a second time, its inputs counted from elsewhere or the other way round. */
const CASES = Number(process.env.MOVED ?? 120);
const SEED = Number(process.env.PASEAR_SEED ?? 4_000_012);

interface Telling {
  readonly name: string;
  /** what stands in the place of x, and what x becomes */
  readonly input: string;
  readonly moved: (x: number) => number;
  readonly isMirrored: boolean;
}
const TELLINGS: readonly Telling[] = [
  { name: "from 3 on", input: "(x - 3)", moved: (x) => x + 3, isMirrored: false },
  { name: "mirrored", input: "(-x)", moved: (x) => -x, isMirrored: true },
  { name: "down from 5", input: "(5 - x)", moved: (x) => 5 - x, isMirrored: true },
];
const AS_IT_IS: Telling = { name: "as it is", input: "x", moved: (x) => x, isMirrored: false };

interface Told {
  readonly text: string;
  readonly from?: number;
  readonly to?: number;
  readonly level: number;
}

function randomTold(c: Chance): Told {
  const [from, to] = c.of(stockOf(c).ranges);
  const open = c.once(3) ? c.of(["from", "to"] as const) : null;
  return {
    text: randomFormula(c, c.whole(2, 7)).text,
    ...(open === "from" ? {} : { from }),
    ...(open === "to" ? {} : { to }),
    level: c.of([0, 1, 2, -1, 0.5]),
  };
}

function answers({ text, from, to, level }: Told, { input, moved, isMirrored }: Telling): FullFinding[] {
  const [low, high] = [from, to].map((x) => (x === undefined ? undefined : moved(x)));
  const [start, end] = isMirrored ? [high, low] : [low, high];
  const questions: Question[] = [
    { id: "reach", ask: "reach", function: "f", value: level },
    { id: "where", ask: "where", function: "f", relation: ">=", value: level },
    { id: "greatest", ask: "greatest", function: "f" },
    { id: "least", ask: "least", function: "f" },
  ];
  const document: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "Moved",
    variables: [
      { name: "x", ...(start === undefined ? {} : { from: start }), ...(end === undefined ? {} : { to: end }) },
    ],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: text.replace(/(?<![a-z])x(?![a-z])/g, input) } }],
    questions,
  };
  return analyse(document).findings.map(inFull);
}

const SWAPPED: Readonly<Record<string, string>> = { "[]": "[]", "()": "()", "[)": "(]", "(]": "[)" };
const digits = (x: number | null): string => (x === null ? "∞" : (x + 0).toPrecision(5));

/** All that is claimed of where something is, as one text; inputs of the first telling are moved to the second. */
function placesOf(f: FullFinding, { moved, isMirrored }: Telling): string {
  const at = (x: number | null) => digits(x === null ? null : moved(x));
  const places = f.solutions.map((s) => at(s.at));
  const stretches = f.stretches.map(({ from, to, ends }) =>
    isMirrored ? `${at(to)} ${at(from)} ${SWAPPED[ends]}` : `${at(from)} ${at(to)} ${ends}`,
  );
  const value = [f.value, f.bound?.value ?? null].map(digits);
  const [p, s] = isMirrored ? [places.reverse(), stretches.reverse()] : [places, stretches];
  return [f.status, ...value, ...p, ...s].join("; ");
}

describe("what is claimed does not depend on where inputs are counted from", () => {
  it.each(TELLINGS)("$name", (telling) => {
    let [claims, lost] = [0, 0];
    for (let i = 0; i < CASES; i++) {
      const told = randomTold(new Chance(SEED + i));
      const [first, second] = [answers(told, AS_IT_IS), answers(told, telling)];
      first.forEach((f, k) => {
        const other = second[k]!;
        if (f.complete !== other.complete) lost++;
        // Of what repeats, each telling shows a period of its own.
        if (!f.complete || !other.complete || f.repeats || other.repeats) return;
        claims++;
        expect(placesOf(other, AS_IT_IS), `${JSON.stringify(told)}, ${f.ask}`).toBe(placesOf(f, telling));
      });
    }
    expect(claims).toBeGreaterThan(CASES * 2);
    expect(lost / claims).toBeLessThan(0.02);
  });
});
