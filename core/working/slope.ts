import {
  dependsOnVariable,
  differentiate,
  expressionLatex,
  expressionText,
  latexName,
  parts,
  polynomialLatex,
  polynomialText,
  same,
  subtract,
  wholeExponent,
  type Expression,
} from "../formula";
import { isIdenticallyZero, polynomialForm, tidied } from "../solve";
import { list } from "../explain";
import { written, type Shown, type WorkingStep } from "./statement";

/** The name of each rule a slope goes by. */
const RULES = {
  power: "(x^n)' = n x^(n − 1)",
  product: "(u v)' = u' v + u v'",
  quotient: "(u/v)' = (u' v − u v')/v²",
  chain: "f(u)' = f'(u) u'",
  exponential: "(e^u)' = e^u u'",
  base: "(a^u)' = a^u ln(a) u'",
  logarithm: "(ln u)' = u'/u",
  root: "(√u)' = u'/(2 √u)",
  sine: "(sin u)' = cos(u) u'",
  cosine: "(cos u)' = −sin(u) u'",
} as const;
type Rule = keyof typeof RULES;

/** The slope of a function by the rules it takes, as one line; null where it has no formula to be written. */
export function slopeStep(body: Expression, name: string, x: string): WorkingStep | null {
  const slope = shortSlope(body);
  if (holdsCalls(body) || holdsCalls(slope)) return null;
  const rules = [...rulesOf(body)].map((r) => RULES[r]);
  const shown = sideShown(slope, x);
  const left = `${name}'(${x})`;
  const leftTex = `${latexName(name)}'(${latexName(x)})`;
  const says = rules.length > 0 ? `The slope, term by term, by ${list(rules)}.` : "The slope, term by term.";
  const line = { text: `${left} = ${shown.text}`, latex: `${leftTex} = ${shown.latex}` };
  return { ...written("slope", says, line), follows: { before: expressionText(body, x), how: "slope", on: null } };
}

/** The slope of a function, written shortly. */
export const shortSlope = (body: Expression): Expression => shortly(differentiate(body));

/** An expression written shortly where that is proven to be the same, else as it stands. */
export function shortly(e: Expression): Expression {
  const short = tidied(e);
  return same(e, short) || isIdenticallyZero(subtract(e, short)) ? short : e;
}

/** One side of an equation, brackets cleared where it is a polynomial. */
export function sideShown(e: Expression, x: string): Shown {
  const p = polynomialForm(e);
  return p
    ? { text: polynomialText(p, x), latex: polynomialLatex(p, x) }
    : { text: expressionText(e, x), latex: expressionLatex(e, x) };
}

export function holdsCalls(e: Expression): boolean {
  if (e.kind === "number" || e.kind === "variable") return false;
  return e.kind === "call" || e.kind === "choose" || e.kind === "flat" || parts(e).some(holdsCalls);
}

function rulesOf(e: Expression, out = new Set<Rule>()): Set<Rule> {
  if (!dependsOnVariable(e)) return out;
  if (polynomialForm(e)) return out.add("power");
  for (const rule of ruleAt(e)) out.add(rule);
  for (const part of parts(e)) rulesOf(part, out);
  return out;
}

function ruleAt(e: Expression): readonly Rule[] {
  switch (e.kind) {
    case "multiply":
      return dependsOnVariable(e.a) && dependsOnVariable(e.b) ? ["product"] : [];
    case "divide":
      return dependsOnVariable(e.b) ? ["quotient"] : [];
    case "power":
      if (!dependsOnVariable(e.b))
        return wholeExponent(e.b) !== null && e.a.kind === "variable" ? ["power"] : ["power", "chain"];
      return ["base"];
    case "apply":
      return ofFunction(e.name);
    default:
      return [];
  }
}
function ofFunction(name: string): readonly Rule[] {
  const known: Readonly<Record<string, Rule>> = {
    exp: "exponential",
    ln: "logarithm",
    sqrt: "root",
    sin: "sine",
    cos: "cosine",
  };
  return Object.hasOwn(known, name) ? [known[name]!] : ["chain"];
}
