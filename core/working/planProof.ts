import { latexName, type Names } from "../formula";
import { formatQuantity } from "../explain";
import type { Plan } from "../model";
import { ZERO, isZero, ratio, signOf, toDouble, type Rational } from "../numeric";
import { dot, multipliersAt, readPlan, type LinearForm, type Named, type PlanResult } from "../plan";
import { parseUnit, type Unit } from "../units";
import { bracketed, isPlainSign, objectiveLine, text } from "./planLines";
import { quantityLatex } from "./prelude";
import { written, type Shown, type WorkingStep } from "./statement";
import { latexSign, toldSign } from "./toldSign";

/** Larger plans are no working for a page. */
const MOST = { variables: 8, relations: 20, weighed: 8 } as const;

/** A relation with the factor it is taken by. */
interface Weighed {
  readonly relation: Named;
  readonly factor: Rational;
}

/**
 * Why nothing is better, for a plan of any number of variables: the constraints, each times what one more of it is
 * worth, add up to the objective, so no allowed point passes their bound; and the point takes it (weak duality, see
 * V. Chvátal, Linear Programming, 1983, chapter 5). Everything is worked out in fractions and held against them.
 * @returns an empty list where the plan is too large for a page, has no best point, or has multipliers that are not
 *   settled
 */
export function planProof(plan: Plan, result: PlanResult, names: Names): WorkingStep[] {
  const { relations, form, greatest } = readPlan(plan, names);
  const at = result.best[0]?.exact.map(rationalOf);
  if (!form || !at || at.length !== plan.variables.length || at.length > MOST.variables) return [];
  if (relations.length > MOST.relations) return [];
  const weighed = weighedOf(form, relations, at, greatest);
  if (!weighed || weighed.length === 0 || weighed.length > MOST.weighed) return [];
  const unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const page = new Page(plan, at, unit, greatest);
  return [
    page.objective(plan.objective!),
    page.tight(relations),
    ...relations.filter((r) => !isTight(r, at) && !isPlainSign(r)).map((r) => page.holds(r)),
    page.sum(weighed, form),
    page.bound(weighed, form),
    page.taken(form),
  ];
}

const isTight = (r: Named, at: readonly Rational[]): boolean => dot(r.coefficients, at).compare(r.bound) === 0;
const rationalOf = (text: string): Rational => {
  const [above, below = "1"] = text.split("/");
  return ratio(BigInt(above!), BigInt(below));
};

/** The constraints that carry the best point, with factors whose sum is the objective; null where it is not proven. */
function weighedOf(
  form: LinearForm,
  relations: readonly Named[],
  at: readonly Rational[],
  greatest: boolean,
): Weighed[] | null {
  const turned = (r: Rational): Rational => (greatest ? r : r.neg());
  const found = multipliersAt(form.coefficients.map(turned), relations, at);
  if (found.includes(null)) return null;
  const weighed = relations
    .map((relation, i) => ({ relation, factor: turned(found[i]!) }))
    .filter(({ factor }) => !isZero(factor));
  const isAllowed = relations.every(({ sense, coefficients, bound }) => {
    const order = dot(coefficients, at).compare(bound);
    return sense === "=" ? order === 0 : sense === "<=" ? order <= 0 : order >= 0;
  });
  const isRightWay = weighed.every(({ relation: { sense }, factor }) => {
    const sign = signOf(turned(factor));
    return sense === "=" || (sense === "<=" ? sign > 0 : sign < 0);
  });
  const isObjective = form.coefficients.every(
    (c, j) =>
      c.compare(weighed.reduce<Rational>((s, w) => s.add(w.factor.mul(w.relation.coefficients[j]!)), ZERO)) === 0,
  );
  const value = weighed.reduce<Rational>((sum, w) => sum.add(w.factor.mul(w.relation.bound)), ZERO);
  return isAllowed && isRightWay && isObjective && value.compare(dot(form.coefficients, at)) === 0 ? weighed : null;
}

const RELATIONS = { "<=": "≤", ">=": "≥", "=": "=" } as const;
const LATEX = { "≤": "\\le", "≥": "\\ge", "=": "=" } as const;

/** The lines of one such proof, in the names of the plan. */
class Page {
  private readonly names: readonly string[];
  constructor(
    private readonly plan: Plan,
    private readonly at: readonly Rational[],
    private readonly unit: Unit | null,
    private readonly greatest: boolean,
  ) {
    this.names = plan.variables.map((v) => v.name);
  }

  objective({ text: of }: NonNullable<Plan["objective"]>): WorkingStep {
    const isWhole = this.plan.variables.some((v) => v.whole);
    const parts = isWhole ? ", parts of one allowed" : "";
    const says = `What is to be as ${this.greatest ? "much" : "little"} as possible${parts}.`;
    return objectiveLine(of, says);
  }
  tight(relations: readonly Named[]): WorkingStep {
    const place = this.names.map((name, j) => `${name} = ${text(this.at[j]!)}`).join(", ");
    const lines = relations.filter((r) => isTight(r, this.at)).map((r) => this.line(r, "="));
    return written("tight", `At ${place} these hold with nothing left:`, {
      text: lines.map((l) => l.text).join(" and "),
      latex: lines.map((l) => l.latex).join(" \\quad\\text{and}\\quad "),
    });
  }
  holds(r: Named): WorkingStep {
    const label = this.plan.constraints.find((c) => c.id === r.id)?.label;
    const left = this.sideOf(r.coefficients);
    const tail = (sign: string) => ` = ${text(dot(r.coefficients, this.at))} ${sign} ${text(r.bound)}`;
    const sign = RELATIONS[r.sense];
    return written("holds", label ? `${label}: it holds there.` : "This holds there.", {
      text: left.text + tail(sign),
      latex: left.latex + tail(LATEX[sign]),
    });
  }
  sum(weighed: readonly Weighed[], form: LinearForm): WorkingStep {
    const sides = weighed.map(({ relation, factor }) => ({ factor, side: this.sideOf(relation.coefficients) }));
    const whole = this.sideOf(form.coefficients);
    const write = (of: keyof Shown, times: string) =>
      `${signedSum(sides.map(({ factor, side }) => ({ factor, part: `${times}(${side[of]})` })))} = ${whole[of]}`;
    return written("sum", "Each of these times what one more of it is worth: the sum is the objective.", {
      text: write("text", "*"),
      latex: write("latex", "\\,"),
    });
  }
  bound(weighed: readonly Weighed[], { constant }: LinearForm): WorkingStep {
    const sign = this.greatest ? "≤" : "≥";
    const sums = signedSum(weighed.map(({ relation, factor }) => ({ factor, part: `*${bracketed(relation.bound)}` })));
    const rest = isZero(constant) ? "" : ` ${signOf(constant) < 0 ? "-" : "+"} ${text(constant.abs())}`;
    const value = weighed.reduce<Rational>((s, w) => s.add(w.factor.mul(w.relation.bound)), constant);
    const [told, said] = this.told(value);
    const says = `So no allowed point gives ${this.greatest ? "more" : "less"} than their bounds do together.`;
    return written("bound", says, {
      text: `Z ${sign} ${sums}${rest} ${told} ${said}`,
      latex: `Z ${LATEX[sign]} ${(sums + rest).replace(/\*/g, " \\cdot ")} ${latexSign(told)} ${quantityLatex(said)}`,
    });
  }
  taken({ coefficients, constant }: LinearForm): WorkingStep {
    const sums = signedSum(coefficients.map((factor, j) => ({ factor, part: `*${bracketed(this.at[j]!)}` })));
    const rest = isZero(constant) ? "" : ` ${signOf(constant) < 0 ? "-" : "+"} ${text(constant.abs())}`;
    const [told, said] = this.told(dot(coefficients, this.at).add(constant));
    const place = this.at.map(text).join(", ");
    return written("best", "This point takes it: nothing is better.", {
      text: `Z(${place}) = ${sums}${rest} ${told} ${said}`,
      latex: `Z(${place}) = ${(sums + rest).replace(/\*/g, " \\cdot ")} ${latexSign(told)} ${quantityLatex(said)}`,
    });
  }

  private told(value: Rational): [ReturnType<typeof toldSign>, string] {
    const said = formatQuantity(toDouble(value), this.unit, 10);
    return [toldSign(said, value), said];
  }
  private line(r: Named, sign: "="): Shown {
    const side = this.sideOf(r.coefficients);
    return { text: `${side.text} ${sign} ${text(r.bound)}`, latex: `${side.latex} ${sign} ${text(r.bound)}` };
  }
  /** `2 x + 3 y - z` */
  private sideOf(coefficients: readonly Rational[]): Shown {
    const parts = (of: (name: string) => string) =>
      signedSum(
        coefficients.map((factor, j) => ({ factor, part: ` ${of(this.names[j]!)}` })),
        true,
      );
    return { text: parts((n) => n), latex: parts(latexName) };
  }
}

/** Parts each with its factor, a sign between them; a factor of 1 may be left out, one of 0 is. */
function signedSum(of: readonly { readonly factor: Rational; readonly part: string }[], dropsOne = false): string {
  return of
    .filter(({ factor }) => !isZero(factor))
    .map(({ factor, part }, i) => {
      const size = factor.abs();
      const written = dropsOne && size.compare(1) === 0 ? part.trim() : `${bracketed(size)}${part}`;
      const isNegative = signOf(factor) < 0;
      return i === 0 ? `${isNegative ? "-" : ""}${written}` : ` ${isNegative ? "-" : "+"} ${written}`;
    })
    .join("");
}
