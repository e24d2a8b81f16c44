import { describe, expect, it } from "vitest";
import { exactNumber } from "../formula";
import { ratio } from "../numeric";
import { joinedStretches, place, tidy, type CellPart, type OpenPart, type Part } from "./parts";
import { spotOfRational } from "./spot";

const spot = (x: number) => spotOfRational(ratio(x));
const at = (x: number): Part => place(spot(x), "break");
const cell = (from: number | null, to: number | null): CellPart => ({
  kind: "cell",
  from: from === null ? null : spot(from),
  to: to === null ? null : spot(to),
  formulas: [exactNumber(ratio(1))],
});
const open = (lo: number, hi: number): OpenPart => ({ kind: "open", lo, hi });
/** `0 (0 5) [5 6] (6 …)`: places, cells and open stretches. */
const told = (parts: readonly Part[]): string =>
  parts
    .map((p) =>
      p.kind === "place"
        ? String(p.spot.at)
        : p.kind === "open"
          ? `[${p.lo} ${p.hi}]`
          : `(${p.from?.at ?? "…"} ${p.to?.at ?? "…"})`,
    )
    .join(" ");

describe("what is open takes in the places and the ends of cells it reaches into", () => {
  it.each<[string, Part[], string]>([
    ["nothing open", [at(0), cell(0, 5), at(5)], "0 (0 5) 5"],
    ["a place within", [cell(0, 5), open(4, 6), at(5), cell(5, 9)], "(0 4) [4 6] (6 9)"],
    ["a place at its end", [cell(0, 5), open(4, 5), at(5), cell(5, 9)], "(0 4) [4 5] (5 9)"],
    ["a place beyond it stays", [cell(0, 4), open(4, 5), at(6), cell(6, 9)], "(0 4) [4 5] 6 (6 9)"],
    ["two that touch are one", [cell(0, 3), open(3, 5), at(5), open(5, 7), cell(7, 9)], "(0 3) [3 7] (7 9)"],
    [
      "a cell that is wholly within",
      [cell(0, 3), open(3, 8), at(4), cell(4, 6), at(6), cell(6, 9)],
      "(0 3) [3 8] (8 9)",
    ],
    ["a cell without a start", [cell(null, 3), open(2, 4), at(3), cell(3, null)], "(… 2) [2 4] (4 …)"],
    ["open without end to the right", [cell(0, 5), open(4, Infinity), at(5), cell(5, null)], "(0 4) [4 Infinity]"],
    ["open without end to the left", [open(-Infinity, 4), at(3), cell(3, 9)], "[-Infinity 4] (4 9)"],
    [
      "open without end to the left, over a cell",
      [open(-Infinity, 4), cell(null, 3), at(3), cell(3, 9)],
      "[-Infinity 4] (4 9)",
    ],
    ["two, each said once", [open(0, 1), at(1), cell(1, 5), at(5), open(5, 6)], "[0 1] (1 5) [5 6]"],
  ])("%s", (_, parts, wanted) => expect(told(tidy(parts))).toBe(wanted));

  it("stretches are joined where they touch, in order", () => {
    expect(joinedStretches([open(5, 7), open(0, 1), open(1, 2), open(6, 9)])).toEqual([
      { lo: 0, hi: 2 },
      { lo: 5, hi: 9 },
    ]);
    expect(joinedStretches([open(0, 9), open(2, 3)])).toEqual([{ lo: 0, hi: 9 }]);
  });
});
