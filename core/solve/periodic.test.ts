import { describe, expect, it } from "vitest";
import { expressionText, type Expression } from "../formula";
import { periodic } from "./periodic";
import { formulaOf, sixDigits } from "./reading.fixture";
import { FunctionTable } from "./table";
import { encloseConstant } from "./encloseConstant";
import { NONE, merge, type Stretch, type ZeroSet } from "./zeroSet";

const table = new FunctionTable();
/** `pi/6; 5 pi/6 twice`: every level that the inside is led back to; `?` where it is left to others. */
function ledBack(name: "sin" | "cos" | "tan", inside: string, level: string, lo: number, hi: number, boxes = 20_000) {
  const stretch: Stretch = { table, from: null, to: null, lo, hi, budget: { boxes, rewrites: 9 }, depth: 0 };
  const deeper = (v: Expression, d: Expression): ZeroSet => {
    expect(expressionText(v, "x")).toBe(inside);
    const { lo: a, hi: b } = encloseConstant(d);
    const zero = { at: (a + b) / 2, lo: a, hi: b, multiplicity: 1, exact: null };
    return { zeros: [zero], everywhere: false, open: [], algebraic: true };
  };
  const found = periodic(name, formulaOf(inside), formulaOf(level), stretch, deeper);
  if (found === null) return "?";
  if (found === NONE || found === merge([])) return "none";
  return found.zeros.map((z) => `${sixDigits(z.at)}${z.multiplicity === 2 ? " twice" : ""}`).join("; ");
}

describe("an equation of a sine, cosine or tangent is led back to every angle its inside can reach", () => {
  it.each([
    // multiples of π: 3.14159, 6.28319, 9.42478; of π/2: 1.5708, 4.71239, 7.85398
    ["sin", "x", "0", 0, 7, "0; 3.14159; 6.28319"],
    ["sin", "x", "0", -4, -1, "-3.14159"],
    ["sin", "x", "1", 0, 8, "1.5708 twice; 7.85398 twice"],
    ["sin", "x", "-1", 0, 8, "4.71239 twice"],
    ["cos", "x", "0", 0, 8, "1.5708; 4.71239; 7.85398"],
    ["cos", "x", "1", 0, 7, "0 twice; 6.28319 twice"],
    ["cos", "x", "-1", 0, 10, "3.14159 twice; 9.42478 twice"],
    ["tan", "x", "0", 0, 7, "0; 3.14159; 6.28319"],
    // π/4 and 5π/4; 3π/4
    ["tan", "x", "1", 0, 4, "0.785398; 3.92699"],
    ["tan", "x", "-1", 0, 4, "2.35619"],
    // arctan 2 = 1.10715
    ["tan", "x", "2", 0, 5, "1.10715; 4.24874"],
    // π/6, 5π/6; −π/6, 7π/6; π/3, 5π/3; 2π/3, 4π/3
    ["sin", "x", "1/2", 0, 7, "0.523599; 2.61799; 6.80678"],
    ["sin", "x", "-1/2", -1, 4, "-0.523599; 3.66519"],
    ["cos", "x", "1/2", 0, 7, "1.0472; 5.23599"],
    ["cos", "x", "-1/2", 0, 7, "2.0944; 4.18879"],
    // arcsin 0.3 = 0.304693, arccos 0.3 = 1.2661
    ["sin", "x", "0.3", 0, 7, "0.304693; 2.8369; 6.58788"],
    ["sin", "x", "-0.3", 0, 7, "3.44629; 5.97849"],
    ["cos", "x", "0.3", 0, 7, "1.2661; 5.01708"],
    ["cos", "x", "-0.3", 0, 4, "1.87549"],
    ["sin", "x", "sqrt(2)/2", 0, 3, "0.785398; 2.35619"],
    // beyond what they take
    ["sin", "x", "1.01", 0, 7, "none"],
    ["cos", "x", "-1.01", 0, 7, "none"],
    ["cos", "x", "sqrt(2)", 0, 7, "none"],
    // beside what they take most, nothing is said: sin²1 + cos²1 is 1
    ["sin", "x", "sin(1)^2 + cos(1)^2", 0, 7, "?"],
    ["cos", "x", "-sin(1)^2 - cos(1)^2", 0, 7, "?"],
    // what the inside reaches decides: 2x from 0 to 7, x² from 0 to 4
    ["sin", "2 x", "0", 0, 3.5, "0; 3.14159; 6.28319"],
    ["sin", "x^2", "0", 0, 2, "0; 3.14159"],
    ["sin", "exp(x)", "1", 0, 1.5, "1.5708 twice"],
    // no inside at all, and one that goes on for ever
    ["sin", "ln(x)", "0", -2, -1, "none"],
    ["sin", "x", "0", 0, Infinity, "?"],
    ["sin", "1/x", "0", 0, 1, "?"],
  ] as const)("%s(%s) = %s from %s to %s: %s", (name, inside, level, lo, hi, wanted) =>
    expect(ledBack(name, inside, level, lo, hi)).toBe(wanted),
  );
  it("more turns than there is work for are left to others", () => {
    expect(ledBack("sin", "x", "0", 0, 62, 100)).not.toBe("?");
    expect(ledBack("sin", "x", "0", 0, 64, 100)).toBe("?");
    expect(ledBack("tan", "x", "0", 0, 30, 100)).not.toBe("?");
    expect(ledBack("tan", "x", "0", 0, 33, 100)).toBe("?");
    expect(ledBack("sin", "x", "0", 0, 6200)).not.toBe("?");
    expect(ledBack("sin", "x", "0", 0, 6300)).toBe("?");
    expect(ledBack("sin", "x", "0", -62, 0, 100)).not.toBe("?");
  });
});
