import {
  ONE,
  isInteger,
  isZero,
  denominator,
  numerator,
  ratio,
  rationalText,
  signOf,
  type Polynomial,
  type Rational,
} from "../numeric";
import { apply, divide, type Expression } from "./expression";
import { latexBrackets, latexName } from "./print";

/** Shortest decimal of a fraction that has one of at most `digits` places, else null. */
export function decimalText(r: Rational, digits = 6): string | null {
  const scaled = r.mul(ratio(10n ** BigInt(digits)));
  if (!isInteger(scaled)) return null;
  const n = numerator(scaled);
  const text = String(n < 0n ? -n : n).padStart(digits + 1, "0");
  const whole = text.slice(0, -digits);
  const rest = text.slice(-digits).replace(/0+$/, "");
  return `${n < 0n ? "-" : ""}${whole}${rest ? `.${rest}` : ""}`;
}

/**
 * `14 - q/30`, `2.5 q`, `-q^2/30 + 11.5 q - 180`; the order is from the constant up for lines, from the top down
 * otherwise.
 */
export function polynomialText(p: Polynomial, name: string): string {
  return writeTerms(p, (size, power) => {
    const x = power === 0 ? "" : power === 1 ? name : `${name}^${power}`;
    if (!x) return decimalText(size) ?? rationalText(size);
    if (size.compare(ONE) === 0) return x;
    const decimal = decimalText(size, 4);
    if (decimal) return `${decimal} ${x}`;
    return numerator(size) === 1n ? `${x}/${denominator(size)}` : `${numerator(size)} ${x}/${denominator(size)}`;
  });
}

export function polynomialLatex(p: Polynomial, name: string): string {
  const symbol = latexName(name);
  return writeTerms(p, (size, power) => {
    const x = power === 0 ? "" : power === 1 ? symbol : `${symbol}^{${power}}`;
    const decimal = decimalText(size, x ? 4 : 6);
    if (!x) return decimal ?? fractionLatex(size, "");
    if (size.compare(ONE) === 0) return x;
    return decimal ? `${decimal}\\,${x}` : fractionLatex(size, x);
  });
}

const fractionLatex = (size: Rational, x: string): string => {
  const top = numerator(size) === 1n && x ? x : `${numerator(size)}${x ? `\\,${x}` : ""}`;
  return isInteger(size) ? top : `\\frac{${top}}{${denominator(size)}}`;
};

function writeTerms(p: Polynomial, term: (size: Rational, power: number) => string): string {
  const order = p.map((_, power) => power);
  if (p.length > 2 || (p.length === 2 && isZero(p[0]!))) order.reverse();
  let text = "";
  for (const power of order) {
    const c = p[power]!;
    if (isZero(c)) continue;
    const body = term(c.abs(), power);
    text += text ? (signOf(c) < 0 ? ` - ${body}` : ` + ${body}`) : signOf(c) < 0 ? `-${body}` : body;
  }
  return text || "0";
}

const SUM = 1;
const PRODUCT = 2;
const POWER = 3;
const ATOM = 4;

/** An expression written out as formula text in `name`, for working steps and derivatives. */
export function expressionText(e: Expression, name: string): string {
  return write(e, name, 0, false);
}
/** The same as LaTeX. */
export function expressionLatex(e: Expression, name: string): string {
  return write(e, name, 0, true);
}

const isPi = (e: Expression): boolean => e.kind === "number" && e.value === Math.PI && !e.exact;
/** `pi/6`, `5 pi/6`, `2 pi`, `-pi`. */
function ofPi(r: Rational, tex: boolean): string {
  const n = numerator(r.abs());
  const top = `${n === 1n ? "" : `${n}${tex ? "" : " "}`}${tex ? "\\pi" : "pi"}`;
  const sign = signOf(r) < 0 ? "-" : "";
  return isInteger(r)
    ? sign + top
    : tex
      ? `${sign}\\frac{${top}}{${denominator(r)}}`
      : `${sign}${top}/${denominator(r)}`;
}

function write(e: Expression, name: string, wanted: number, tex: boolean): string {
  const w = (part: Expression, level: number) => write(part, name, level, tex);
  const wrap = (text: string, own: number) => (own < wanted ? (tex ? latexBrackets(text) : `(${text})`) : text);
  const applied = (f: string, ...args: Expression[]) =>
    tex ? `${f}${latexBrackets(args.map((a) => w(a, 0)).join(", "))}` : `${f}(${args.map((a) => w(a, 0)).join(", ")})`;
  switch (e.kind) {
    case "number": {
      if (e.exact) {
        // A long decimal out of data stays one; 347913/100000000 says less.
        const decimal = decimalText(e.exact) ?? (denominator(e.exact) > 1_000_000n ? decimalText(e.exact, 20) : null);
        if (decimal) return wrap(decimal, signOf(e.exact) < 0 ? SUM : ATOM);
        return tex
          ? wrap(
              `${signOf(e.exact) < 0 ? "-" : ""}${fractionLatex(e.exact.abs(), "")}`,
              signOf(e.exact) < 0 ? SUM : PRODUCT,
            )
          : wrap(rationalText(e.exact), PRODUCT - 0.5);
      }
      if (e.value === Math.PI) return tex ? "\\pi" : "pi";
      if (e.value === Math.E) return "e";
      return wrap(String(Number(e.value.toPrecision(10))), e.value < 0 ? SUM : ATOM);
    }
    case "variable":
      return tex ? latexName(name) : name;
    case "add":
      return wrap(`${w(e.a, SUM)} + ${w(e.b, SUM)}`, SUM);
    case "subtract":
      return wrap(`${w(e.a, SUM)} - ${w(e.b, PRODUCT)}`, SUM);
    case "negate":
      return wrap(`-${w(e.a, PRODUCT)}`, SUM);
    case "multiply": {
      if (isPi(e.b) && e.a.kind === "number" && e.a.exact) return wrap(ofPi(e.a.exact, tex), PRODUCT);
      const right = w(e.b, PRODUCT + 0.5);
      // A number at the start of the second factor needs its sign: 1500 1.034^x would be read as two numbers.
      const numeric = /^[\d.]/.test(right);
      return wrap(`${w(e.a, PRODUCT)}${tex ? (numeric ? " \\cdot " : "\\,") : numeric ? "*" : " "}${right}`, PRODUCT);
    }
    case "divide":
      return tex
        ? wrap(`\\frac{${w(e.a, 0)}}{${w(e.b, 0)}}`, POWER - 0.5)
        : wrap(`${w(e.a, PRODUCT)}/${w(e.b, POWER)}`, PRODUCT);
    case "power":
      return tex ? wrap(`${w(e.a, ATOM)}^{${w(e.b, 0)}}`, POWER) : wrap(`${w(e.a, ATOM)}^${w(e.b, ATOM)}`, POWER);
    case "apply":
      if (e.name === "exp" && e.a.kind === "number" && e.a.exact?.compare(ONE) === 0) return "e";
      if (tex && e.name === "exp") return wrap(`e^{${w(e.a, 0)}}`, POWER);
      if (tex && e.name === "sqrt") return `\\sqrt{${w(e.a, 0)}}`;
      if (tex && e.name === "abs") return `\\left|${w(e.a, 0)}\\right|`;
      // The slope of abs is a sign; people write it as a quotient, which has no value at 0 either.
      if (e.name === "sign") return w(divide(e.a, apply("abs", e.a)), wanted);
      return applied(
        tex
          ? e.name === "ln" || e.name === "sin" || e.name === "cos" || e.name === "tan"
            ? `\\${e.name}`
            : `\\operatorname{${e.name}}`
          : e.name,
        e.a,
      );
    case "root":
      return tex ? `\\sqrt[${e.n}]{${w(e.a, 0)}}` : `root(${w(e.a, 0)}, ${e.n})`;
    case "min":
    case "max":
      return applied(tex ? `\\${e.kind}` : e.kind, e.a, e.b);
    case "choose":
      return applied(tex ? "\\operatorname{choose}" : "choose", e.p, e.q, e.a, e.b);
    case "flat":
      return "0";
    case "call":
      return applied(`${tex ? latexName(e.name) : e.name}${"'".repeat(e.order)}`, e.a);
  }
}
