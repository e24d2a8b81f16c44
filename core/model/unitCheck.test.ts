import { describe, expect, it } from "vitest";
import { RESERVED, parse } from "../formula";
import { parseUnit, type Unit } from "../units";
import { checkUnits, difference, unitName, type UnitNames } from "./unitCheck";

const unit = (text: string): Unit => parseUnit(text).unit!;
const GIVENS: Readonly<Record<string, string>> = {
  k: "$/lantern",
  F: "$",
  h: "hour",
  L: "m",
  A: "m^2",
  r: "%/year",
  y: "year",
  b: "month",
  p: "%",
  g: "m/s^2",
};
const FUNCTIONS: Readonly<Record<string, { value: string | null; input: string | null }>> = {
  C: { value: "$", input: "lantern" },
  v: { value: "m/s", input: "s" },
  w: { value: null, input: "lantern" },
  z: { value: "$", input: null },
};
const namesOf = (variable: UnitNames["variable"]): UnitNames => ({
  variable,
  givenUnit: (name) => (GIVENS[name] ? unit(GIVENS[name]) : null),
  functionUnits(name) {
    const f = FUNCTIONS[name];
    return f ? { value: f.value ? unit(f.value) : null, input: f.input ? unit(f.input) : null } : null;
  },
});
/** What is found in a formula of q lanterns (or of x, of which nobody said what it is measured in). */
function found(text: string, variable: UnitNames["variable"] = { name: "q", unit: unit("lantern") }) {
  const read = parse(text, (name) => name in FUNCTIONS || RESERVED.has(name));
  if (!read.ok) throw new Error(`${text}: ${JSON.stringify(read)}`);
  const check = checkUnits(read.syntax, text, namesOf(variable));
  return {
    unit: check.unit && unitName(check.unit),
    anything: check.anything,
    problems: check.problems.map((p) => [text.slice(p.start, p.end), p.message, ...(p.mend ? [p.mend] : [])]),
  };
}
const unitOf = (text: string) => {
  const { problems, ...rest } = found(text);
  expect(problems).toEqual([]);
  return rest.unit;
};

describe("the unit of a formula of q lanterns", () => {
  it.each([
    ["F", "$"],
    ["(F)", "$"],
    ["-F", "$"],
    ["F + F", "$"],
    ["F - F", "$"],
    ["k q", "$"],
    ["F + k q", "$"],
    ["F/k", "lantern"],
    ["L^2", "m^2"],
    ["L^(2)", "m^2"],
    ["L^(3-1)", "m^2"],
    ["L^(1+1)", "m^2"],
    ["L^(4/2)", "m^2"],
    ["L^-1", "1/m"],
    ["sqrt(A)", "m"],
    ["cbrt(L^3)", "m"],
    ["root(L^4, 4)", "m"],
    ["abs(F)", "$"],
    ["floor(F)", "$"],
    ["ceil(F)", "$"],
    ["round(F)", "$"],
    ["min(F, k q)", "$"],
    ["max(k q, F)", "$"],
    // A bare number takes any unit: the other side says which.
    ["F + 3", "$"],
    ["3 + F", "$"],
    ["min(3, F)", "$"],
    // Where a bare factor stands before a unit, the whole may be in any.
    ["3 F", null],
    ["F 3", null],
    ["F/3", null],
    ["3/F", null],
    ["3", null],
    ["3 + 4", null],
    // Somebody left out what u is measured in.
    ["u", null],
    ["u F", null],
    ["F/u", null],
    ["F + u", "$"],
    ["u + F", "$"],
    ["u^2", null],
    ["sqrt(u)", null],
    ["exp(u)", null],
    ["3 + u", null],
    ["u + 3", null],
    // A coefficient left out beside the variable is no claim: x² lanterns may be dollars; q itself is lanterns.
    ["q", "lantern"],
    ["q^2", null],
    ["q + q", "lantern"],
    ["q q", null],
    ["q/q", null],
    ["F + q^2", "$"],
    ["q^2 + F", "$"],
    ["q^2 + q^2", null],
    ["q - q^2", "lantern"],
    ["q^2 - q", "lantern"],
    ["q^3 - q^2", null],
    // A bare number beside them says what they are in, and nobody knows what that is.
    ["q - q^2 + 3", null],
    ["q + 3", null],
    // Half of a unit is none.
    ["sqrt(L)", null],
    ["root(L, 3)", null],
    ["cbrt(A)", null],
    ["L^0.5", null],
    // What has no unit.
    ["20%", "a plain number"],
    ["e", "a plain number"],
    ["pi", "a plain number"],
    ["exp(p)", "a plain number"],
    ["ln(F/F)", "a plain number"],
    ["sin(3)", "a plain number"],
    ["step(F)", "a plain number"],
    ["step(u)", "a plain number"],
    ["2^p", "a plain number"],
    ["u^q", "a plain number"],
    // Functions of the case, and their slopes.
    ["C(q)", "$"],
    ["C'(q)", "$/lantern"],
    ["C''(q)", "$/lantern^2"],
    ["C(u)", "$"],
    ["C(3)", "$"],
    ["w(q)", null],
    ["w'(q)", null],
    ["z(q)", "$"],
    ["z'(q)", null],
  ])("%s: %s", (text, wanted) => {
    const told = unitOf(text);
    const isAlike = wanted !== null && told !== null && /[/^]/.test(wanted);
    if (isAlike) expect(unit(told.replaceAll(/(\w) (\w)/g, "$1*$2")).powers).toEqual(unit(wanted).powers);
    else expect(told).toBe(wanted);
  });

  it.each([
    ["3 + 4", false],
    ["u", false],
    ["e", false],
    ["20%", false],
    ["w(q)", true],
    ["w(3)", false],
    ["F", true],
    ["q", true],
    ["C(3)", true],
  ])("whether anything in %s has a unit: %s", (text, wanted) => expect(found(text).anything).toBe(wanted));

  it("a variable nobody measures agrees with everything", () => {
    const x = { name: "x", unit: null };
    expect(found("F + x", x)).toEqual({ unit: "$", anything: true, problems: [] });
    expect(found("x^2", x)).toEqual({ unit: null, anything: false, problems: [] });
    expect(found("F + k", x).problems).toEqual([["F + k", "This adds $/lantern to $."]]);
    expect(found("F + k", null).problems).toEqual([["F + k", "This adds $/lantern to $."]]);
  });
});

const SCALE = "measure the same at another scale;";

describe("what disagrees, at its place, and what would mend it", () => {
  it.each([
    ["F + L", [["F + L", "This adds m to $."]]],
    ["F + q", [["F + q", "This adds lantern to $."]]],
    ["q - F", [["q - F", "This subtracts $ from lantern."]]],
    ["F - L", [["F - L", "This subtracts m from $."]]],
    ["F + 20%", [["F + 20%", "This adds a plain number to $."]]],
    // An amount for one of something beside the whole: the quantity was forgotten.
    ["F + k", [["k", "This adds $/lantern to $; did you mean k·q?", "k q"]]],
    ["F - k", [["k", "This subtracts $/lantern from $; did you mean k·q?", "k q"]]],
    ["k + F", [["k", "This adds $ to $/lantern; did you mean k·q?", "k q"]]],
    ["F + (k)", [["(k)", "This adds $/lantern to $; did you mean (k)·q?", "(k) q"]]],
    // The same kind of thing at another scale.
    ["y + b", [["b", `This adds month to year: month and year ${SCALE} divide the month side by 12.`, "b/12"]]],
    ["b - y", [["y", `This subtracts year from month: year and month ${SCALE} multiply the year side by 12.`, "12 y"]]],
    ["y + b u/u", []],
    [
      "y + (b + b)",
      [["(b + b)", `This adds month to year: month and year ${SCALE} divide the month side by 12.`, "(b + b)/12"]],
    ],
    [
      "y - abs(b)",
      [["abs(b)", `This subtracts month from year: month and year ${SCALE} divide the month side by 12.`, "abs(b)/12"]],
    ],
    ["y + -b", [["-b", `This adds month to year: month and year ${SCALE} divide the month side by 12.`, "(-b)/12"]]],
    // Varying powers.
    ["F^q", [["F", "A varying power of $ has no unit; the base should be a plain number."]]],
    ["F^u", [["F", "A varying power of $ has no unit; the base should be a plain number."]]],
    ["p^q", []],
    ["(1 + r)^b", [["b", "The exponent is in month, and the rate in %/year; they do not go together.", "b/12"]]],
    ["(1 + r)^y", []],
    ["(1 + r)^L", []],
    ["(1 + r)^3", []],
    // What functions take.
    ["exp(L)", [["L", "exp takes a plain number, not m; divide by a given in m."]]],
    ["ln(F)", [["F", "ln takes a plain number, not $; divide by a given in $."]]],
    ["exp(p)", []],
    ["min(F, L)", [["min(F, L)", "min compares $ with m."]]],
    ["max(3, L, F)", [["max(3, L, F)", "max compares m with $."]]],
    ["max(F, u, 3, F)", []],
    ["C(F)", [["F", "C takes lantern: $ is not lantern."]]],
    ["v(h)", [["h", "v takes s: hour and s measure the same at another scale; multiply the hour side by 3600."]]],
    ["z(F)", []],
    // Two things wrong are told both.
    [
      "exp(L) + ln(F)",
      [
        ["L", "exp takes a plain number, not m; divide by a given in m."],
        ["F", "ln takes a plain number, not $; divide by a given in $."],
      ],
    ],
  ])("%s", (text, problems) => expect(found(text).problems).toEqual(problems));

  it("after a disagreement the first side goes on", () => {
    expect(found("F + L").unit).toBe("$");
    expect(found("F + k").unit).toBe("$");
    expect(found("F + L + F").problems).toHaveLength(1);
  });
});

describe("how two units differ", () => {
  it.each([
    ["$", "m", "$ is not m"],
    ["km", "m", "km and m measure the same at another scale; multiply the km side by 1000"],
    ["m", "km", "m and km measure the same at another scale; divide the m side by 1000"],
    ["minute", "day", "minute and day measure the same at another scale; divide the minute side by 1440"],
  ])("%s for %s", (a, b, says) => expect(difference(unit(a), unit(b))).toBe(says));
});

describe("the name of a unit", () => {
  const bare = (powers: Unit["powers"]): Unit => ({ ...unit("m"), text: "", powers });
  it.each([
    [{}, "a plain number"],
    [{ meter: 1 }, "meter"],
    [{ meter: 2, second: -1 }, "meter^2 second^-1"],
  ])("%o without a text", (powers, name) => expect(unitName(bare(powers))).toBe(name));
});
