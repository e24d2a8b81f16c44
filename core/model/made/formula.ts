import { latexOf } from "../../formula";
import type { Way } from "./way";
import { formulaUnits } from "./formulaUnits";

/** A function written as a formula. */
export const formula: Way<"formula"> = {
  texts: (by) => [{ text: by.text, path: "by.text" }],
  uses: () => [],
  make(by, bench) {
    const [expression] = bench.expressions();
    bench.shop.table.define(bench.name, { kind: "expression", expression: expression! });
    return { text: by.text.trim(), latex: latexOf(bench.resolved[0]!.syntax!) };
  },
  units: (by, bench, names) => formulaUnits(formula.texts(by), bench, names),
};
