import { floorOf, ratio, rationalOfDouble, toDouble, type Rational } from "../../numeric";
import { VARIABLE, call, decimalText, nearName, quoted, type Expression } from "../../formula";
import {
  compareSpots,
  inline,
  newWork,
  numberOfSpot,
  spotOfEnd,
  spotOfRational,
  type FunctionTable,
  type Range,
  type Spot,
  type Work,
} from "../../solve";
import { isPercent } from "../../explain";
import type { Unit } from "../../units";
import {
  functionsOf,
  type Amount,
  type Model,
  type ModelFunction,
  type ModelVariable,
  type Question,
} from "../../model";
import { solutionsOf, type About, type Answered, type Finding } from "../finding";

/** Why a question cannot be answered, in a plain sentence. */
export class Refusal extends Error {}

/** Findings already made, for questions that use an earlier answer. */
export type Answers = (id: string) => Finding | null;

/** A question with its names and numbers looked up: what every kind of answer begins with. */
export class Asking<Q extends Question = Question> {
  readonly functions: readonly ModelFunction[];
  readonly variable: ModelVariable;
  readonly range: Range;
  /** the question has a range of its own */
  readonly isNarrowed: boolean;
  /** earlier questions whose answers are used here, though they are not proven complete */
  readonly doubtful = new Set<string>();
  /** all interval work of this question */
  readonly work: Work = newWork();

  constructor(
    readonly q: Q,
    readonly model: Model,
    private readonly answers: Answers,
  ) {
    const names = functionsOf(q);
    if (names.length === 0) throw new Refusal("This question names no function yet.");
    this.functions = names.map((name) => this.requireFunction(name));
    const of = this.functions[0]!.of;
    const other = this.functions.find((f) => f.of !== of);
    if (other)
      throw new Refusal(
        `${this.functions[0]!.name} is a function of ${of}, but ${other.name} is of ` +
          `${other.of}; only functions of one variable can be set against each other.`,
      );
    this.variable = model.variables.get(of)!;
    const from = q.from === undefined ? null : this.amount(q.from, "the start of the range");
    const to = q.to === undefined ? null : this.amount(q.to, "the end of the range");
    this.isNarrowed = from !== null || to !== null;
    this.range = { from: from ?? this.variable.start, to: to ?? this.variable.end };
    const ends = this.range;
    if (ends.from && ends.to && compareSpots(ends.from, ends.to, model.table) === 1)
      throw new Refusal(
        `The range asked for starts at ${this.shown(ends.from)}, after its end ${this.shown(ends.to)}.`,
      );
  }

  private requireFunction(name: string): ModelFunction {
    const f = this.model.functions.get(name);
    if (!f) {
      const near = nearName(name, [...this.model.functions.keys()]);
      throw new Refusal(`${quoted(name)} is no function of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`);
    }
    if (f.trouble) throw new Refusal(f.trouble);
    return f;
  }

  get table(): FunctionTable {
    return this.model.table;
  }
  get name(): string {
    return this.functions[0]!.name;
  }
  /** A function of the question, written out. */
  body(i = 0): Expression {
    return inline(call(this.functions[i]!.name, 0, VARIABLE), this.table);
  }

  /** A number of the question as it is: a fraction, a closed form, or an earlier answer with its proven bounds. */
  amount(a: Amount, what: string): Spot {
    if (typeof a === "object") return this.earlier(a, what);
    const read = this.model.amount(a);
    if (!read.ok) throw new Refusal(`For ${what}: ${read.problem.message}`);
    return spotOfEnd(read.exact, read.irrational)!;
  }

  private earlier(a: { of: string; pick?: "first" | "last" | "whole" | undefined }, what: string): Spot {
    const finding = this.answers(a.of);
    const wanted = `For ${what} the ${a.pick === "whole" ? "whole " : ""}answer of ${quoted(a.of)} is wanted`;
    if (!finding) throw new Refusal(`${wanted}, but there is no such question before this one.`);
    const found = pickedOf(finding, a.pick);
    if (!found) throw new Refusal(`${wanted}, but ${whyNone(finding)}.`);
    // Before the first that is known may lie another.
    if (!finding.complete) this.doubtful.add(a.of);
    return found;
  }

  /** What every answer of this question begins with: found, and nothing proven yet. */
  answered(range: { from: number | null; to: number | null } = this.ends()): Answered {
    const about: About = {
      functions: this.functions.map((f) => f.name),
      variable: this.variable.name,
      round: this.q.round ?? null,
      ...range,
    };
    return { id: this.q.id, status: "found", complete: false, open: [], secondWay: null, message: null, about };
  }
  private ends = () => ({ from: this.range.from?.at ?? null, to: this.range.to?.at ?? null });

  /** An input as it is told. */
  shown(s: Pick<Spot, "at" | "rational">): string {
    return showSpot(s, this.variable.unit);
  }
  /** Whether an input lies on the range; one that cannot be told from an end counts as on it. */
  isOnRange(s: Spot): boolean {
    const { from, to } = this.range;
    return !(from && compareSpots(s, from, this.table) === -1) && !(to && compareSpots(s, to, this.table) === 1);
  }
}

/** The answer of an earlier question that is wanted; null where it has none. */
function pickedOf(finding: Finding, pick: "first" | "last" | "whole" | undefined): Spot | null {
  const solutions = solutionsOf(finding);
  const s = pick === "last" ? solutions[solutions.length - 1] : solutions[0];
  if (pick !== "whole") return s?.spot ?? null;
  const whole = s?.whole ?? ("wholeTies" in finding ? finding.wholeTies?.[0] : null);
  return whole ? spotOfRational(whole.n ?? rationalOfDouble(whole.at)) : null;
}

const whyNone = (f: Finding): string =>
  f.status === "error" ? "it could not be answered" : f.complete ? "it has none" : "that is not settled";

/** The number a spot stands for, as an expression without variable. */
export const numberOf = (s: Spot): Expression => numberOfSpot(s);

/** A fraction of a spot: itself, or its nearest double. */
export const fractionOf = (s: Spot): Rational => s.rational ?? rationalOfDouble(s.at);

export const show = (r: Rational): string => decimalText(r)?.replace("-", "−") ?? short(toDouble(r));
/** A place as it is told; one of percents in percent, as it is typed. @param unit  of what lies there */
export function showSpot(s: Pick<Spot, "at" | "rational">, unit: Unit | null): string {
  if (isPercent(unit)) return `${s.rational ? show(s.rational.mul(ratio(100))) : short(s.at * 100)} %`;
  return s.rational ? show(s.rational) : short(s.at);
}
export const short = (x: number): string => String(Number(x.toPrecision(6))).replace(/^-/, "−");

/** First whole number at or above a spot; above it where the spot itself is not meant. */
export function wholeFrom(s: Spot, isClosed: boolean): Rational {
  if (s.rational) {
    const n = floorOf(s.rational.neg()).neg();
    return n.compare(s.rational) === 0 && !isClosed ? n.add(ratio(1)) : n;
  }
  return floorOf(rationalOfDouble(s.hi)).add(ratio(1));
}
