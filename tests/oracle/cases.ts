import type { CaseFile, Question } from "#core/model";
import type { Chance } from "../shared/chance";
import { stockOf, written } from "./stock";
import type { World } from "./world";
import { plus, randomFormula, randomPieces, times, number, type Measured, type Plain } from "./plain";

/** How far out an endless range is looked at. */
const FAR = 3000;

/** A case with two random functions, and a question of every kind about them. */
export function randomWorld(c: Chance): World {
  const [from, to] = c.of(stockOf(c).ranges);
  const whole = c.once(4);
  const isPieces = c.once(5);
  const pieces = isPieces ? randomPieces(c, from, to) : null;
  const f = pieces ? null : randomFormula(c, c.whole(2, 8));
  const g = randomFormula(c, c.whole(1, 6));
  const functions: CaseFile["functions"] = [
    pieces
      ? { name: "f", of: "x", by: { kind: "pieces", pieces: pieces.pieces.map((p) => ({ ...p })) } }
      : { name: "f", of: "x", by: { kind: "formula", text: f!.text } },
    { name: "g", of: "x", by: { kind: "formula", text: g.text } },
  ];
  const first: Plain = pieces ? { text: "f", at: pieces.at } : f!;
  const plain: Record<string, Plain> = { f: first, g };
  if (c.once(5)) {
    const shift = c.whole(-3, 7);
    const isMirrored = c.once(2);
    const text = isMirrored ? `f(${shift} - x) + g` : `2 f(x + ${shift})`;
    functions.push({ name: "h", of: "x", by: { kind: "formula", text } });
    const moved = through(first, (x) => (isMirrored ? shift - x : x + shift));
    plain.h = isMirrored ? plus(moved, g) : times(number("2"), moved);
  }
  const values = Object.fromEntries(
    Object.entries(plain).map(([name, p]) => [
      name,
      (x: number) => p.at({ v: x, off: Number.isInteger(x) ? 0 : Math.abs(x) * 2.5e-16 }),
    ]),
  );
  const open = c.once(6) && !pieces ? c.of(["to", "from", "both"] as const) : null;
  const start = open === "from" || open === "both" ? undefined : from;
  const end = open === "to" || open === "both" ? undefined : to;
  return {
    from: start ?? -FAR,
    to: end ?? FAR,
    whole,
    isOpen: open !== null,
    functions: values,
    document: {
      format: "pasear-case",
      version: 1,
      title: "Random",
      variables: [
        {
          name: "x",
          ...(start === undefined ? {} : { from: start }),
          ...(end === undefined ? {} : { to: end }),
          ...(whole ? { whole: true } : {}),
        },
      ],
      functions,
      questions: questions(c, from, to, Object.keys(values)),
    },
  };
}

/** A function at a moved input, with the rounding of the move. */
export const through = (p: Plain, move: (x: number) => number): Plain => ({
  text: "",
  at: (x: Measured) => {
    const v = move(x.v);
    return p.at({
      v,
      off: x.off + (Number.isInteger(x.v) && x.off === 0 ? 0 : Math.abs(v) * 2.5e-16 + Math.abs(x.v) * 2.5e-16),
    });
  },
});

export function questions(c: Chance, from: number, to: number, names: readonly string[]): Question[] {
  const name = () => c.of(names);
  const { levels } = stockOf(c);
  const inside = () => written(from + Math.round((to - from) * c.next() * 4) / 4, to);
  const [a, b] = [inside(), inside()].sort((u, v) => u - v) as [number, number];
  const list: Question[] = [
    { id: "q1", ask: "reach", function: name(), value: c.of(levels) },
    { id: "q1b", ask: "reach-any", function: name(), values: [...new Set([c.of(levels), c.of(levels)])] },
    { id: "q2", ask: "where", function: name(), relation: c.of(["<", "<=", ">", ">="] as const), value: c.of(levels) },
    { id: "q3", ask: "greatest", function: name() },
    { id: "q4", ask: "least", function: name() },
    { id: "q5", ask: "compare", functions: ["f", "g"] },
    { id: "q6", ask: "meet", functions: ["f", "g"] },
    { id: "q7", ask: "value", function: name(), at: inside() },
    { id: "q8", ask: "multiply", function: name(), factor: c.of([2, 0.5, 3]), start: from },
  ];
  if (b > a) list.push({ id: "q9", ask: c.of(["total", "average"] as const), function: name(), between: [a, b] });
  if (b > a) list.push({ id: "q10", ask: "rate", function: name(), between: [a, b] });
  return list;
}
