import { latexName, type Names } from "../formula";
import { formatQuantity, formatRate, relationShown } from "../explain";
import type { Plan } from "../model";
import { isZero, toDouble, type Rational } from "../numeric";
import { dot, readPlan, type Named, type PlanCorner, type PlanResult } from "../plan";
import { parseUnit, type Unit } from "../units";
import { bracketed, isPlainSign, objectiveLine, text } from "./planLines";
import { planProof } from "./planProof";
import { quantityLatex } from "./prelude";
import { written, type Shown, type WorkingStep } from "./statement";
import { latexSign, toldSign, toldSignOf } from "./toldSign";

/** Corners that are worked out one by one; more would be no working. */
const MOST_CORNERS = 12;

type Line = Named;
type Point = readonly [Rational, Rational];

/**
 * A plan of two variables by hand: each corner by elimination from the two lines that meet there, the objective at
 * each, and what one more of a binding constraint is worth. Every corner is worked out in fractions and is that of the
 * result.
 * With more variables, why nothing is better.
 * @returns an empty list where the plan has too many corners to be written out, or no best point
 */
export function planWorking(plan: Plan, result: PlanResult, names: Names): WorkingStep[] {
  if (plan.variables.length > 2) return planProof(plan, result, names);
  const { relations, form } = readPlan(plan, names);
  if (plan.variables.length !== 2 || result.corners.length === 0 || result.corners.length > MOST_CORNERS) return [];
  const unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const by = new Worker(plan, relations, unit);
  const corners = result.corners.map((c) => by.corner(c));
  if (corners.includes(null)) return [];
  const value = form && ((p: Point) => dot(form.coefficients, p).add(form.constant));
  return [
    ...(plan.objective ? [by.objective(plan.objective)] : []),
    ...(corners as Corner[]).flatMap((c) => c.steps),
    ...(value
      ? (corners as Corner[]).map((c) => by.valueRow(c.at, form.coefficients, form.constant, value(c.at)))
      : []),
    ...(value && result.best[0] ? [by.best(result), ...by.worth(result, form.coefficients)] : []),
  ];
}

interface Corner {
  readonly at: Point;
  readonly steps: readonly WorkingStep[];
}
const determinant = (l: Line, m: Line): Rational =>
  l.coefficients[0]!.mul(m.coefficients[1]!).sub(l.coefficients[1]!.mul(m.coefficients[0]!));
/** Where two lines cross (Cramer's rule). */
const crossing = (l: Line, m: Line): Point => {
  const d = determinant(l, m);
  const x = l.bound.mul(m.coefficients[1]!).sub(l.coefficients[1]!.mul(m.bound));
  const y = l.coefficients[0]!.mul(m.bound).sub(l.bound.mul(m.coefficients[0]!));
  return [x.div(d), y.div(d)];
};

class Worker {
  private readonly x: string;
  private readonly y: string;

  constructor(
    private readonly plan: Plan,
    private readonly relations: readonly Named[],
    private readonly unit: Unit | null,
  ) {
    [this.x, this.y] = plan.variables.map((v) => v.name) as [string, string];
  }

  objective({ text: of, sense }: NonNullable<Plan["objective"]>): WorkingStep {
    const much = sense === "least" ? "little" : "much";
    const says = `What is to be as ${much} as possible; its best value lies at a corner.`;
    return objectiveLine(of, says);
  }

  /** Two lines that meet at a corner, and the elimination; null where they do not give it. */
  corner({ at, on }: PlanCorner): Corner | null {
    const lines = this.relations.filter((r) => on.includes(r.id) && isOn(r, at));
    const first = lines[0];
    const second = first && lines.find((l) => !isZero(determinant(first, l)));
    if (!first || !second) return null;
    const place = crossing(first, second);
    if (place.some((r, j) => Math.abs(toDouble(r) - at[j]!) > 1e-9 * (1 + Math.abs(at[j]!)))) return null;
    return { at: place, steps: [this.pair(first, second), this.elimination(first, second, place), this.point(place)] };
  }

  private pair(l: Line, m: Line): WorkingStep {
    const both = [l, m].map((line) => this.lineShown(line));
    return written("corner", `${this.name(l)} meets ${this.name(m)}.`, {
      text: both.map((b) => b.text).join(" and "),
      latex: both.map((b) => b.latex).join(" \\quad\\text{and}\\quad "),
    });
  }
  private name({ id }: Line): string {
    const row = this.plan.constraints.find((c) => c.id === id);
    return row?.label ?? (row ? relationShown(row.text) : id);
  }

  private elimination(l: Line, m: Line, [x, y]: Point): WorkingStep {
    const one = [l, m].find((line) => line.coefficients.some(isZero));
    if (one) {
      const isX = isZero(one.coefficients[1]!);
      const [name, value, other] = isX ? [this.x, x, this.y] : [this.y, y, this.x];
      return this.told(
        "elimination",
        `The one tells ${name}; put into the other it leaves ${other} alone.`,
        name,
        value,
      );
    }
    const [a, b] = [l.coefficients[0]!, m.coefficients[0]!];
    const says = `The first times ${text(b)} less the second times ${text(a)}: ${this.x} falls out.`;
    const factor = b.mul(l.coefficients[1]!).sub(a.mul(m.coefficients[1]!));
    const right = b.mul(l.bound).sub(a.mul(m.bound));
    const isOne = factor.compare(1) === 0;
    return written("elimination", says, {
      text: `${isOne ? "" : `${text(factor)} `}${this.y} = ${text(right)}`,
      latex: `${isOne ? "" : `${text(factor)}\\,`}${latexName(this.y)} = ${text(right)}`,
    });
  }
  private point([x, y]: Point): WorkingStep {
    return written("corner", "So the corner is", {
      text: `${this.x} = ${text(x)}, ${this.y} = ${text(y)}`,
      latex: `${latexName(this.x)} = ${text(x)},\\; ${latexName(this.y)} = ${text(y)}`,
    });
  }
  private told(rule: string, says: string, name: string, value: Rational): WorkingStep {
    return written(rule, says, { text: `${name} = ${text(value)}`, latex: `${latexName(name)} = ${text(value)}` });
  }

  valueRow([x, y]: Point, [a, b]: readonly Rational[], constant: Rational, value: Rational): WorkingStep {
    const terms = [`${text(a!)}*${bracketed(x)}`, `${text(b!)}*${bracketed(y)}`];
    const rest = isZero(constant) ? [] : [text(constant)];
    const sum = [...terms, ...rest].join(" + ").replace(/\+ -/g, "- ");
    const said = formatQuantity(toDouble(value), this.unit, 10);
    const sign = toldSign(said, value);
    return written("table", "The objective there.", {
      text: `Z(${text(x)}, ${text(y)}) = ${sum} ${sign} ${said}`,
      latex: `Z(${text(x)}, ${text(y)}) = ${sum.replace(/\*/g, " \\cdot ")} ${latexSign(sign)} ${quantityLatex(said)}`,
    });
  }
  best({ best, status }: PlanResult): WorkingStep {
    const [first] = best;
    const value = first!.value ?? NaN;
    const said = formatQuantity(value, this.unit, 10);
    const sign = toldSignOf(said, value);
    const at = best.map((b) => `(${b.exact.join(", ")})`).join(" and ");
    const sense = this.plan.objective!.sense;
    const says =
      status === "tied" ? `The ${sense} of these, at ${at} and between.` : `The ${sense} of these, at ${at}.`;
    return written("best", says, { text: `Z ${sign} ${said}`, latex: `Z ${latexSign(sign)} ${quantityLatex(said)}` });
  }

  /** The right-hand side of each line at the best corner one more: where the lines cross then, and what Z gains. */
  worth(result: PlanResult, objective: readonly Rational[]): WorkingStep[] {
    const corner = result.corners.find((c) => c.at.join() === result.best[0]!.at.join());
    const lines = corner ? this.relations.filter((r) => corner.on.includes(r.id) && isOn(r, corner.at)) : [];
    const [l, m] = lines;
    if (lines.length !== 2 || !l || !m || isZero(determinant(l, m))) return [];
    const now = dot(objective, crossing(l, m));
    return [
      [l, m],
      [m, l],
    ].flatMap(([moved, still]) => {
      const more = { ...moved!, bound: moved!.bound.add(1n) };
      const place = crossing(more, still!);
      const gain = dot(objective, place).sub(now);
      const known = result.multipliers[moved!.id];
      if (known == null || Math.abs(toDouble(gain) - known) > 1e-9 * (1 + Math.abs(known)) || isPlainSign(moved!))
        return [];
      const said = formatRate(toDouble(gain), this.unit);
      const sign = toldSign(said, gain);
      const says = `One more of ${this.name(moved!)}: the corner moves to (${place.map(text).join(", ")}).`;
      return [
        written("worth", says, {
          text: `change of Z ${sign} ${said}`,
          latex: `\\Delta Z ${latexSign(sign)} ${quantityLatex(said)}`,
        }),
      ];
    });
  }

  private lineShown({ coefficients, bound }: Line): Shown {
    const side = [this.x, this.y]
      .map((name, j) => ({ name, c: coefficients[j]! }))
      .filter(({ c }) => !isZero(c))
      .map(({ name, c }) => ({ sign: toDouble(c) < 0 ? "-" : "+", size: c.abs(), name }));
    const write = (of: (name: string) => string) =>
      side
        .map(({ sign, size, name }, i) => {
          const term = size.compare(1) === 0 ? of(name) : `${text(size)} ${of(name)}`;
          return i === 0 ? (sign === "-" ? `-${term}` : term) : ` ${sign} ${term}`;
        })
        .join("");
    return { text: `${write((n) => n)} = ${text(bound)}`, latex: `${write(latexName)} = ${text(bound)}` };
  }
}

/** Whether a corner lies on a line, as doubles: what is worked out from it is held against the exact corner. */
const isOn = (r: Line, at: readonly number[]): boolean => {
  const left = r.coefficients.reduce((sum, c, j) => sum + toDouble(c) * at[j]!, 0);
  const bound = toDouble(r.bound);
  return Math.abs(left - bound) <= 1e-9 * (1 + Math.abs(left) + Math.abs(bound));
};
