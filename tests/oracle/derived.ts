import type { FunctionBy } from "#core/model";
import type { Chance } from "../shared/chance";
import { questions } from "./cases";
import { randomFormula, randomPieces, type Plain } from "./plain";
import type { World } from "./world";

interface Inner {
  readonly plain: Plain;
  readonly by: FunctionBy;
}

/**
 * A random function h that others are made of: one in so many by pieces, the rest by a formula.
 * @param most  parts of the formula
 */
export function randomInner(c: Chance, from: number, to: number, oneIn: number, most: number): Inner {
  if (c.once(oneIn)) {
    const { pieces, at } = randomPieces(c, from, to);
    return { plain: { text: "", at }, by: { kind: "pieces", pieces: pieces.map((p) => ({ ...p })) } };
  }
  const plain = randomFormula(c, c.whole(1, most));
  return { plain, by: { kind: "formula", text: plain.text } };
}

interface Derived {
  readonly from: number;
  readonly to: number;
  readonly whole: boolean;
  readonly h: Inner;
  /** what is made of h, and what holds it in a formula */
  readonly f: { readonly plain: Plain; readonly by: FunctionBy };
  readonly g: Plain;
}

/** A case of h, of f that is made of it, and of g that holds one of them, and questions of every kind about f and g. */
export function derivedWorld(c: Chance, { from, to, whole, h, f, g }: Derived): World {
  const value = (p: Plain) => (x: number) => p.at({ v: x, off: Number.isInteger(x) ? 0 : Math.abs(x) * 2.5e-16 });
  return {
    from,
    to,
    whole,
    isOpen: false,
    functions: { f: value(f.plain), g: value(g) },
    document: {
      format: "pasear-case",
      version: 1,
      title: "Derived",
      variables: [{ name: "x", from, to, ...(whole ? { whole: true } : {}) }],
      functions: [
        { name: "h", of: "x", by: h.by },
        { name: "f", of: "x", by: f.by },
        { name: "g", of: "x", by: { kind: "formula", text: g.text } },
      ],
      questions: questions(c, from, to, ["f", "g"]),
    },
  };
}
