import { VARIABLE, exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import type { Expression } from "../formula";
import { rationalOfDouble, rationalOfTyped } from "../numeric";
import type { Curve } from "./curve";

export type Family =
  "linear" | "proportional" | "quadratic" | "cubic" | "power" | "exponential" | "logarithmic" | "logistic";
export const FAMILIES: readonly Family[] = [
  "proportional",
  "linear",
  "quadratic",
  "cubic",
  "power",
  "exponential",
  "logarithmic",
  "logistic",
];
export const FAMILY_CONSTANTS: Readonly<Record<Family, readonly string[]>> = {
  linear: ["a", "b"],
  proportional: ["b"],
  quadratic: ["a", "b", "c"],
  cubic: ["a", "b", "c", "d"],
  power: ["a", "b"],
  exponential: ["a", "b"],
  logarithmic: ["a", "b"],
  logistic: ["L", "k", "m"],
};
/** Powers of x beside the constants, for those that are polynomials. */
export const POWERS: Readonly<Partial<Record<Family, readonly number[]>>> = {
  linear: [0, 1],
  proportional: [1],
  quadratic: [0, 1, 2],
  cubic: [0, 1, 2, 3],
};

const logisticPart = (x: number, k: number, m: number) => 1 / (1 + Math.exp(-k * (x - m)));

/**
 * Power and exponential around a centre (a is the value there), so that years far from 0 do no harm; logistic as it is.
 */
export function centredCurve(family: "power" | "exponential" | "logistic", centre: number): Curve {
  switch (family) {
    case "exponential":
      return {
        names: ["a", "b"],
        value: (x, p) => p[0]! * Math.exp(p[1]! * (x - centre)),
        slopes: (x, p, out) => {
          const e = Math.exp(p[1]! * (x - centre));
          out[0] = e;
          out[1] = p[0]! * e * (x - centre);
        },
      };
    case "power":
      return {
        names: ["a", "b"],
        value: (x, p) => p[0]! * (x / centre) ** p[1]!,
        // x^b ln x goes to 0 with x where b is above 0.
        slopes: (x, p, out) => {
          const e = (x / centre) ** p[1]!;
          out[0] = e;
          out[1] = x === 0 ? 0 : p[0]! * e * Math.log(x / centre);
        },
      };
    case "logistic":
      return {
        names: ["L", "k", "m"],
        value: (x, p) => p[0]! * logisticPart(x, p[1]!, p[2]!),
        slopes: (x, p, out) => {
          const g = logisticPart(x, p[1]!, p[2]!);
          out[0] = g;
          out[1] = p[0]! * g * (1 - g) * (x - p[2]!);
          out[2] = -p[0]! * g * (1 - g) * p[1]!;
        },
      };
  }
}
/** Value of a family with its constants in the order of `FAMILY_CONSTANTS`. */
export function familyValue(family: Family, p: ArrayLike<number>, x: number): number {
  switch (family) {
    case "linear":
      return p[0]! + p[1]! * x;
    case "proportional":
      return p[0]! * x;
    case "quadratic":
      return p[0]! + x * (p[1]! + x * p[2]!);
    case "cubic":
      return p[0]! + x * (p[1]! + x * (p[2]! + x * p[3]!));
    case "power":
      return p[0]! * x ** p[1]!;
    case "exponential":
      return p[0]! * Math.exp(p[1]! * x);
    case "logarithmic":
      return p[0]! + p[1]! * Math.log(x);
    case "logistic":
      return p[0]! * logisticPart(x, p[1]!, p[2]!);
  }
}
export function familySlopes(family: Family, p: ArrayLike<number>, x: number): number[] {
  switch (family) {
    case "linear":
      return [1, x];
    case "proportional":
      return [x];
    case "quadratic":
      return [1, x, x * x];
    case "cubic":
      return [1, x, x * x, x ** 3];
    case "power": {
      const e = x ** p[1]!;
      return [e, x === 0 ? 0 : p[0]! * e * Math.log(x)];
    }
    case "exponential": {
      const e = Math.exp(p[1]! * x);
      return [e, p[0]! * e * x];
    }
    case "logarithmic":
      return [1, Math.log(x)];
    case "logistic": {
      const g = logisticPart(x, p[1]!, p[2]!);
      return [g, p[0]! * g * (1 - g) * (x - p[2]!), -p[0]! * g * (1 - g) * p[1]!];
    }
  }
}
/** All digits of a constant, as a decimal that reads back as the same double. */
export const constantOf = (value: number): Expression => exactNumber(rationalOfTyped(value) ?? rationalOfDouble(value));

/** The fitted function as an expression of its variable. */
export function familyExpression(family: Family, p: readonly number[]): Expression {
  const c = p.map(constantOf);
  const x = VARIABLE;
  // A negative coefficient is taken off, as it would be written by hand.
  const term = (v: number, part: Expression): Expression => multiply(constantOf(Math.abs(v)), part);
  const plus = (sum: Expression, v: number, part: Expression) =>
    v < 0 ? subtract(sum, term(v, part)) : add(sum, term(v, part));
  const steep = (k: number, part: Expression) => (k < 0 ? term(k, part) : negate(term(k, part)));
  const powersOf = (k: number) => (k === 1 ? x : power(x, wholeNumber(k)));
  const polynomial = () => p.slice(1).reduce((sum, v, k) => plus(sum, v, powersOf(k + 1)), c[0]!);
  switch (family) {
    case "linear":
    case "quadratic":
    case "cubic":
      return polynomial();
    case "proportional":
      return multiply(c[0]!, x);
    case "power":
      return multiply(c[0]!, power(x, c[1]!));
    case "exponential":
      return multiply(c[0]!, apply("exp", multiply(c[1]!, x)));
    case "logarithmic":
      return plus(c[0]!, p[1]!, apply("ln", x));
    case "logistic":
      return divide(
        c[0]!,
        add(wholeNumber(1), apply("exp", steep(p[1]!, p[2]! < 0 ? add(x, constantOf(-p[2]!)) : subtract(x, c[2]!)))),
      );
  }
}

const signed = (text: string) => (text.startsWith("-") ? ` - ${text.slice(1)}` : ` + ${text}`);
/** The fitted function as formula text; `digits` 17 keeps all of them. */
export function familyText(family: Family, p: readonly number[], x: string, digits = 17): string {
  const n = (v: number) => plain(v, digits);
  const [a = 0, b = 0, c = 0, d = 0] = p;
  switch (family) {
    case "linear":
      return `${n(a)}${signed(`${n(b)} ${x}`)}`;
    case "proportional":
      return `${n(a)} ${x}`;
    case "quadratic":
      return `${n(a)}${signed(`${n(b)} ${x}`)}${signed(`${n(c)} ${x}^2`)}`;
    case "cubic":
      return `${n(a)}${signed(`${n(b)} ${x}`)}${signed(`${n(c)} ${x}^2`)}${signed(`${n(d)} ${x}^3`)}`;
    case "power":
      return `${n(a)} ${x}^${b < 0 ? `(${n(b)})` : n(b)}`;
    case "exponential":
      return `${n(a)} exp(${n(b)} ${x})`;
    case "logarithmic":
      return `${n(a)}${signed(`${n(b)} ln(${x})`)}`;
    case "logistic":
      return `${n(a)}/(1 + exp(${n(-b)} (${x}${signed(n(-c))})))`;
  }
}
/** A double in plain decimals: no exponent notation, which formulas do not know. */
export function plain(value: number, digits: number): string {
  const short = digits >= 17 ? String(value) : String(Number(value.toPrecision(digits)));
  const m = /^(-?)(\d)(?:\.(\d+))?e([+-]\d+)$/.exec(short);
  if (!m) return short;
  const [, sign = "", first = "", rest = "", exponent = "0"] = m;
  const shift = Number(exponent);
  if (Math.abs(shift) > 40) return `${sign}${first}${rest ? `.${rest}` : ""}*10^${shift < 0 ? `(${shift})` : shift}`;
  const all = first + rest;
  return shift < 0
    ? `${sign}0.${"0".repeat(-shift - 1)}${all}`
    : `${sign}${all.padEnd(shift + 1, "0")}${all.length > shift + 1 ? `.${all.slice(shift + 1)}` : ""}`;
}
