import { VARIABLE, call, latexName } from "../../formula";
import { times } from "../../units";
import { told } from "./units";
import type { Way } from "./way";

/** The slope of another function. */
export const slope: Way<"slope"> = {
  texts: () => [],
  uses: (by) => [by.function],
  make(by, bench) {
    const { name } = bench.requireFunction(by.function);
    bench.shop.table.define(bench.name, { kind: "expression", expression: call(name, 1, VARIABLE) });
    return { text: `${name}'(${bench.of})`, latex: `${latexName(name)}'(${latexName(bench.of)})` };
  },
  units(by, bench) {
    const unit = bench.shop.functions.get(by.function)?.unit;
    return told(unit && bench.inputUnit ? times(unit, bench.inputUnit, -1) : null);
  },
};
