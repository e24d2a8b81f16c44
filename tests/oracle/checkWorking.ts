import { compileNumber, differentiate, isFunctionName, resolve, type Expression } from "#core/formula";
import type { Model } from "#core/model";
import { isStopped, solutionsOf, type Finding, type WorkingStep } from "#core/question";

/** Lines that say something else than an equation of the unknown. */
const NO_EQUATION = new Set(
  (
    "names definition givens check set_aside domain discriminant halving angles decimal signs candidate best slope " +
    "put_in antiderivative ends sum average percent least period whole_neighbours difference_quotient numerical_rule " +
    "identity value quadratic_formula substitution"
  )
    .split(" ")
    .map((rule) => rule.replace("_", " ")),
);
/** From here on a line is of one of several ways, or of another letter. */
const PARTED = /^(?:case|substitution)$/;

/** A line of working that plain values contradict; null where there is none. */
export function contradictedLine(steps: readonly WorkingStep[], f: Finding, x: string, model: Model): string | null {
  if (isStopped(f)) return null;
  // Of the others an equation is one of several, or that of a slope.
  const isOneEquation = f.ask === "meet" || f.ask === "reach" || f.ask === "multiply" || f.ask === "given";
  const answers = isOneEquation ? solutionsOf(f).map((s) => s.at) : [];
  let isParted = false;
  for (const step of steps.filter(({ rule }) => rule !== "sentence")) {
    isParted ||= PARTED.test(step.rule) || / or /.test(step.text);
    const says = plainly(step, x, model, isParted ? [] : answers);
    if (says) return `${step.rule}: ${step.text}: ${says}`;
  }
  return null;
}

function plainly({ rule, text }: WorkingStep, x: string, model: Model, answers: readonly number[]): string | null {
  if (text.includes("…")) return null;
  if (rule === "signs") return againstSigns(text, x, model);
  if (rule === "slope") return againstSlope(text, x, model);
  if (answers.length === 0 || NO_EQUATION.has(rule) || /[±≈≠<>:]/.test(text) || !/^[^=]+ = [^=]+$/.test(text))
    return null;
  const [left, right] = text.split(" = ").map((side) => valueOf(side, x, model));
  if (!left || !right) return `not to be read`;
  // Where the last digit of an input matters, plain values tell nothing.
  const isCalm = (a: number) => isNear(left(a), left(a * (1 + 1e-12) + 1e-13), 1e-7);
  const off = answers.find((a) => isCalm(a) && !isNear(left(a), right(a)));
  return off === undefined ? null : `${left(off)} and ${right(off)} at ${off}`;
}

type Values = (at: number) => number;
function valueOf(text: string, x: string, model: Model): Values | null {
  const read = resolve(text, { ...model.names, variable: x });
  return read.expression ? compiled(read.expression, model) : null;
}
const compiled = (e: Expression, model: Model): Values => compileNumber(e, model.table.number);
const isNear = (a: number, b: number, by = 1e-5): boolean =>
  !Number.isFinite(a + b) || Math.abs(a - b) <= by * (1 + Math.abs(a) + Math.abs(b));

/** `2 < x < 5: f(x) - 3 > 0`, at inputs between. */
function againstSigns(text: string, x: string, model: Model): string | null {
  const m = /^(?:(-?[\d.,]+) < )?[^<:]+?(?: < (-?[\d.,]+))?: (.+) ([<>=]) 0$/.exec(text);
  const value = m && valueOf(m[3]!.replaceAll("'", "'"), x, model);
  if (!m || !value || !m[1] || !m[2]) return null;
  const [from, to] = [m[1], m[2]].map((n) => Number(n.replaceAll(",", ""))) as [number, number];
  for (let i = 1; i < 12; i++) {
    const at = from + ((to - from) * i) / 12;
    const v = value(at);
    const holds = m[4] === "<" ? v < 1e-9 : m[4] === ">" ? v > -1e-9 : Math.abs(v) < 1e-9;
    if (Number.isFinite(v) && !holds) return `${v} at ${at}`;
  }
  return null;
}

/** `f'(x) = …` against the slope by rules, at some inputs. */
function againstSlope(text: string, x: string, model: Model): string | null {
  const [left, right] = text.split(" = ") as [string, string];
  const name = left.replace(/'.*$/, "");
  const told = valueOf(right, x, model);
  const definition = model.table.definition(name);
  if (!told || definition?.kind !== "expression" || !isFunctionName(name, model.names)) return null;
  const slope = compiled(differentiate(definition.expression), model);
  for (const at of [0.3, 1.7, 4.1, 9.3, -2.2]) {
    // Functions with kinks have a line of slope for each side.
    const isKinked = /abs|min|max|step|floor|ceil|round|\b[fgh]\b/.test(model.functions.get(name)!.text);
    if (!isKinked && !isNear(told(at), slope(at))) return `${told(at)}, and by the rules ${slope(at)}, at ${at}`;
  }
  return null;
}
