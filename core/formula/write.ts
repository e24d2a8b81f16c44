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
import { exactNumber } from "./numbers";
import { apply, divide } from "./build";
import type { Expression, Unary } from "./expression";
import { latexBrackets, latexName, latexStair } from "./print";
import { byRule, type Rules, type Two } from "./rules";

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

/**
 * The powers of a polynomial in the order they are written, those with no coefficient left out: from the top down, but
 * lines from the constant up (14 − q/30), unless they would begin with a sign they need not (2 t − 10).
 */
export function powersInOrder(p: Polynomial): number[] {
  const order = p.map((_, power) => power);
  const isFirstNegative = p.length === 2 && signOf(p[0]!) < 0 && signOf(p[1]!) > 0;
  if (p.length > 2 || isFirstNegative || (p.length === 2 && isZero(p[0]!))) order.reverse();
  return order.filter((power) => !isZero(p[power]!));
}

function writeTerms(p: Polynomial, term: (size: Rational, power: number) => string): string {
  let text = "";
  for (const power of powersInOrder(p)) {
    const c = p[power]!;
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

const BINDS = { sum: SUM, product: PRODUCT, number: ATOM } as const;

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

/** How an expression is written: as text or LaTeX, with this name for the variable, in brackets below this level. */
interface Writing {
  readonly name: string;
  readonly wanted: number;
  readonly tex: boolean;
}
const write = (e: Expression, name: string, wanted: number, tex: boolean): string =>
  byRule(RULES, e, { name, wanted, tex });
const part = (e: Expression, level: number, { name, tex }: Writing): string => write(e, name, level, tex);
const bracketed = (text: string, { tex }: Writing): string => (tex ? latexBrackets(text) : `(${text})`);
/** In brackets, where what is around binds closer than `own`. */
const wrap = (text: string, own: number, w: Writing): string => (own < w.wanted ? bracketed(text, w) : text);
const applied = (f: string, args: readonly Expression[], w: Writing): string =>
  f + bracketed(args.map((a) => part(a, 0, w)).join(", "), w);

function number(e: Extract<Expression, { readonly kind: "number" }>, w: Writing): string {
  const { exact, value, written } = e;
  if (written) return wrap(w.tex ? written.latex : written.text, BINDS[written.binds], w);
  if (!exact) {
    if (value === Math.PI) return w.tex ? "\\pi" : "pi";
    if (value === Math.E) return "e";
    return wrap(String(Number(value.toPrecision(10))), value < 0 ? SUM : ATOM, w);
  }
  const isNegative = signOf(exact) < 0;
  // A long decimal out of data stays one; 347913/100000000 says less.
  const decimal = decimalText(exact) ?? (denominator(exact) > 1_000_000n ? decimalText(exact, 20) : null);
  if (decimal) return wrap(decimal, isNegative ? SUM : ATOM, w);
  if (!w.tex) return wrap(rationalText(exact), PRODUCT - 0.5, w);
  return wrap(`${isNegative ? "-" : ""}${fractionLatex(exact.abs(), "")}`, isNegative ? SUM : PRODUCT, w);
}
function product({ a, b }: Two, w: Writing): string {
  if (isPi(b) && a.kind === "number" && a.exact) return wrap(ofPi(a.exact, w.tex), PRODUCT, w);
  // A sign in front stands before the whole product: -0.05 x, not (-0.05) x.
  if (a.kind === "number" && a.exact && signOf(a.exact) < 0 && !a.written)
    return RULES.negate({ kind: "negate", a: { kind: "multiply", a: exactNumber(a.exact.neg()), b } }, w);
  const right = part(b, PRODUCT + 0.5, w);
  // A number at the start of the second factor needs its sign: 1500 1.034^x would be read as two numbers.
  const isNumeric = /^[\d.]/.test(right);
  const sign = w.tex ? (isNumeric ? " \\cdot " : "\\,") : isNumeric ? "*" : " ";
  return wrap(part(a, PRODUCT, w) + sign + right, PRODUCT, w);
}
/** Functions that LaTeX has a name of its own for. */
const LATEX_NAMED: Readonly<Partial<Record<Unary, string>>> = {
  ln: "\\ln",
  sin: "\\sin",
  cos: "\\cos",
  tan: "\\tan",
  asin: "\\arcsin",
  acos: "\\arccos",
  atan: "\\arctan",
  log10: "\\log_{10}",
  log2: "\\log_{2}",
};
function application(e: Extract<Expression, { readonly kind: "apply" }>, w: Writing): string {
  if (e.name === "exp" && e.a.kind === "number" && e.a.exact?.compare(ONE) === 0) return "e";
  // The slope of abs is a sign; people write it as a quotient, which has no value at 0 either.
  if (e.name === "sign") return part(divide(e.a, apply("abs", e.a)), w.wanted, w);
  if (!w.tex) return applied(e.name, [e.a], w);
  if (e.name === "exp") return wrap(`e^{${part(e.a, 0, w)}}`, POWER, w);
  if (e.name === "sqrt") return `\\sqrt{${part(e.a, 0, w)}}`;
  if (e.name === "cbrt") return `\\sqrt[3]{${part(e.a, 0, w)}}`;
  if (e.name === "abs") return `\\left|${part(e.a, 0, w)}\\right|`;
  if (e.name === "floor" || e.name === "ceil") return latexStair(e.name, part(e.a, 0, w));
  return applied(LATEX_NAMED[e.name] ?? `\\operatorname{${e.name}}`, [e.a], w);
}
const extreme = (e: Two & { readonly kind: "min" | "max" }, w: Writing): string =>
  applied(w.tex ? `\\${e.kind}` : e.kind, [e.a, e.b], w);

const RULES: Rules<Writing, string> = {
  number,
  variable: (_e, { tex, name }) => (tex ? latexName(name) : name),
  add: ({ a, b }, w) => {
    const right = part(b, SUM, w);
    // x + −10 y is x − 10 y.
    return wrap(
      right.startsWith("-") ? `${part(a, SUM, w)} - ${right.slice(1)}` : `${part(a, SUM, w)} + ${right}`,
      SUM,
      w,
    );
  },
  subtract: ({ a, b }, w) => wrap(`${part(a, SUM, w)} - ${part(b, PRODUCT, w)}`, SUM, w),
  negate: ({ a }, w) => wrap(`-${part(a, PRODUCT, w)}`, SUM, w),
  multiply: product,
  divide: ({ a, b }, w) =>
    w.tex
      ? wrap(`\\frac{${part(a, 0, w)}}{${part(b, 0, w)}}`, POWER - 0.5, w)
      : wrap(`${part(a, PRODUCT, w)}/${part(b, POWER, w)}`, PRODUCT, w),
  power: ({ a, b }, w) => wrap(`${part(a, ATOM, w)}^${w.tex ? `{${part(b, 0, w)}}` : part(b, ATOM, w)}`, POWER, w),
  apply: application,
  root: ({ a, n }, w) => (w.tex ? `\\sqrt[${n}]{${part(a, 0, w)}}` : `root(${part(a, 0, w)}, ${n})`),
  min: extreme,
  max: extreme,
  choose: ({ p, q, a, b }, w) => applied(w.tex ? "\\operatorname{choose}" : "choose", [p, q, a, b], w),
  flat: () => "0",
  call: ({ name, order, a }, w) => applied(`${w.tex ? latexName(name) : name}${"'".repeat(order)}`, [a], w),
};
