import { describe, expect, it } from "vitest";
import { lowered, raised } from ".";

describe("raised numbers", () => {
  it.each([
    [16, "¹⁶"],
    [-7, "⁻⁷"],
    [0, "⁰"],
    [308, "³⁰⁸"],
    [-2459, "⁻²⁴⁵⁹"],
  ])("%i is %s, and back", (n, text) => {
    expect([raised(n), lowered(text)]).toEqual([text, n]);
  });
});
