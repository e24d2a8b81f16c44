import { describe, expect, it } from "vitest";
import { eachLine } from "./eachLine";

describe("the lines of a plan that stand in one", () => {
  it.each([
    ["x, y >= 0", ["x >= 0", "y >= 0"]],
    ["x, y and z ≥ 2M", ["x ≥ 2M", "y ≥ 2M", "z ≥ 2M"]],
    ["0 <= x, y <= 9", ["0 <= x <= 9", "0 <= y <= 9"]],
    ["max 6x + 4y; 2x + 3y <= 240; x, y >= 0", ["max 6x + 4y", "2x + 3y <= 240", "x >= 0", "y >= 0"]],
    [
      "maximize 6x + 4y subject to 2x + 3y <= 240, 4x + 2y <= 320, x, y >= 0",
      ["maximize 6x + 4y", "subject to 2x + 3y <= 240", "4x + 2y <= 320", "x >= 0", "y >= 0"],
    ],
    ["min 2x + y, s.t. x + y >= 3", ["min 2x + y", "s.t. x + y >= 3"]],
    ["paper: 2x + 3y <= 240, and time: 4x + 2y <= 320", ["paper: 2x + 3y <= 240", "time: 4x + 2y <= 320"]],
    ["x >= 0 and y >= 20", ["x >= 0", "y >= 20"]],
    ["max 6x + 4y, x + y <= 3", ["max 6x + 4y", "x + y <= 3"]],
    ["x >= 0;", ["x >= 0"]],
  ])("%s is %j", (text, wanted) => expect(eachLine(text)).toEqual(wanted));
  it.each([
    ["x + y >= 0"],
    // which of the two is meant to be compared is not said
    ["0 <= x, y"],
    ["greatest 3.5x + 4y in $"],
    // a decimal comma
    ["2,5x + 3y <= 240"],
    ["sand: x <= 5"],
    ["subject to 2x + 3y <= 240"],
    [""],
  ])("%s is one line", (text) => expect(eachLine(text)).toEqual([text]));
});
