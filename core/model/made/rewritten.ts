import type { FunctionBy, NumberText } from "../case";
import type { ByOf, WayKind } from "./way";

/** What names, numbers and formulas of a function are changed into. */
export interface Rewriting {
  name(name: string): string;
  number(value: NumberText): NumberText;
  text(formula: string): string;
}

/** Apart from the rooms: who renames need not know how a function is made. */
const REWRITTEN: { readonly [K in WayKind]: (by: ByOf<K>, to: Rewriting) => ByOf<K> } = {
  formula: (by, to) => ({ ...by, text: to.text(by.text) }),
  line: (by, to) => ({ ...by, through: by.through.map(([x, y]) => [to.number(x), to.number(y)]) }),
  pieces: (by, to) => ({
    ...by,
    pieces: by.pieces.map((p) => ({
      ...p,
      text: to.text(p.text),
      ...(p.from === undefined ? {} : { from: to.number(p.from) }),
      ...(p.to === undefined ? {} : { to: to.number(p.to) }),
    })),
  }),
  total: (by, to) => ({
    ...by,
    function: to.name(by.function),
    ...(by.from === undefined ? {} : { from: to.number(by.from) }),
  }),
  slope: (by, to) => ({ ...by, function: to.name(by.function) }),
  // The free constants of a formula of one's own are its own; the other names in it are those of the case.
  fit: (by, to) => (by.text === undefined ? by : { ...by, text: to.text(by.text) }),
};

/** How a function is made, with its names, numbers and formulas replaced. */
export const rewritten = (by: FunctionBy, to: Rewriting): FunctionBy =>
  (REWRITTEN[by.kind] as (by: FunctionBy, to: Rewriting) => FunctionBy)(by, to);
