import { describe, expect, it } from "vitest";
import { mpsTrouble } from "./mpsLines";

const FILE = `NAME plan
* made by hand
ROWS
 N  Obj
 L  A
COLUMNS
    MARK      'MARKER'    'INTORG'
    a         Obj       3.5   A  2
RHS
    A         600
BOUNDS
 FR a
ENDATA
 what follows is nobody's
`;

describe("lines of MPS", () => {
  it("a sound file has no trouble, with either kind of line end", () => {
    expect(mpsTrouble(FILE)).toBeNull();
    expect(mpsTrouble(FILE.replaceAll("\n", "\r\n"))).toBeNull();
  });
  it.each([
    [" L  A", " A", "Line 5 of the file, under ROWS, should have a kind (N, L, G or E) and a name."],
    ["    A         600", "    600", "Line 10 of the file, under RHS, should have a row and a number."],
    // The solver's reader does not come back from this one.
    [
      "    a         Obj",
      "        5\n    a         Obj",
      "Line 8 of the file, under COLUMNS, should have a variable, a row",
    ],
    [" FR a", " FR", "Line 12 of the file, under BOUNDS, should have a kind and a variable."],
  ])("%s as %s", (sound, spoilt, message) => {
    expect(mpsTrouble(FILE.replace(sound, spoilt))).toContain(message);
  });
});
