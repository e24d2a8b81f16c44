import fc from "fast-check";

const FUNCTIONS =
  "ln exp sqrt cbrt abs sin cos tan atan asin acos sinh cosh tanh floor ceil round step log10 log2".split(" ");

/** Formula texts of every shape the language has, in x: for properties that must hold of any formula. */
export const formulaText: fc.Arbitrary<string> = fc.letrec<{ expr: string; atom: string }>((tie) => ({
  atom: fc.oneof(
    { weight: 4, arbitrary: fc.constant("x") },
    { weight: 3, arbitrary: fc.integer({ min: 0, max: 9 }).map(String) },
    { weight: 2, arbitrary: fc.constantFrom("0.5", "2.25", "12.5%", "pi", "e", "1/3") },
  ),
  expr: fc.oneof(
    { depthSize: "small", withCrossShrink: true },
    tie("atom"),
    fc
      .tuple(tie("expr"), fc.constantFrom(" + ", " - ", " * ", "/"), tie("expr"))
      .map(([a, op, b]) => `(${a})${op}(${b})`),
    fc.tuple(tie("expr"), tie("expr")).map(([a, b]) => `(${a}) (${b})`),
    fc.tuple(tie("expr"), fc.constantFrom("2", "3", "4", "0.5", "-1", "1.5", "x")).map(([a, n]) => `(${a})^${n}`),
    fc.tuple(fc.constantFrom(...FUNCTIONS), tie("expr")).map(([f, a]) => `${f}(${a})`),
    fc.tuple(fc.constantFrom("min", "max"), tie("expr"), tie("expr")).map(([f, a, b]) => `${f}(${a}, ${b})`),
    fc.tuple(tie("expr"), fc.integer({ min: 2, max: 5 })).map(([a, n]) => `root(${a}, ${n})`),
    tie("expr").map((a) => `-(${a})`),
  ),
})).expr;
