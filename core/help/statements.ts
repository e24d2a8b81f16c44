import type { HelpItem } from "./item";

/** What can be stated on the entry line; each line can be taken in a case that has nothing yet. */
export const STATEMENTS: readonly HelpItem[] = [
  { what: "A given", says: "A number with a name and a unit.", lines: ["rent = 180 $", "share = 4.2 %", "n_1 = 1/4"] },
  {
    what: "A variable and its range",
    says: "Where answers are looked for; an open end is ∞.",
    lines: ["w = 0 … 320 lanterns, whole", "0 <= w <= 250", "let w be the number of kites"],
  },
  {
    what: "A function",
    says: "A formula of a variable; a new variable comes with it.",
    lines: ["U(w) = 90 + 7w", "U = 90 + 7w"],
  },
  { what: "A line through two readings", says: "", lines: ["U(w) = line (240, 6), (150, 9)"] },
  {
    what: "Pieces",
    says: "One formula here, another there.",
    lines: ["U(w) = 3w if w < 6, 18 - 2(w - 6) otherwise"],
  },
  {
    what: "A slope or a running total",
    says: "Made from another function.",
    lines: ["V({x}) = slope of {f}", "V({x}) = total of {f} from 0"],
  },
  { what: "A calculation", says: "Its value shows while it is typed; Enter gives it a name.", lines: ["48 - 35"] },
  { what: "Several at once", says: "Pasted, or with semicolons.", lines: ["a_1 = 3; a_2 = 4"] },
];
