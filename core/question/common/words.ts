import {
  formatNumber,
  formatQuantity,
  formatUnitElsewhere,
  hasSign,
  inputNoun,
  rangeInUnit,
  rangeTyped,
} from "../../explain";
import { functionsOf, type Amount, type Model, type ModelVariable, type Question } from "../../model";
import { toDouble, type Rational } from "../../numeric";
import type { Unit } from "../../units";
import type { Slot } from "./slots";

export interface QuestionPart {
  readonly text: string;
  /** the part can be changed in place, and this is where it stands in the question */
  readonly slot?: Slot;
}

/** A unit that has a sign at its number; null of any other. */
const signOf = (unit: Unit | null): Unit | null => (hasSign(unit?.text) ? unit : null);

/** Names and numbers of a question in the words and units of its case. */
export class QuestionWords {
  constructor(
    private readonly q: Question,
    readonly model: Model,
    /** what holds where an earlier question is answered, by its room */
    private readonly placeOf: (earlier: Question) => string | null = () => null,
  ) {}

  named(name: string): string {
    const f = this.model.functions.get(name);
    return f?.label ? `${f.label} ${name}` : name;
  }
  /** The first function of the question. */
  function(): QuestionPart {
    return { text: this.named(functionsOf(this.q)[0] ?? "?"), slot: "function" };
  }
  variable(): ModelVariable | undefined {
    const f = this.model.functions.get(functionsOf(this.q)[0] ?? "");
    return f && this.model.variables.get(f.of);
  }
  private unitOf(name: string): Unit | null {
    return this.model.functions.get(name)?.unit ?? null;
  }

  /** A number in a unit; of a formula, what it comes to as well. */
  amount(a: Amount, unit: Unit | null): string {
    if (typeof a === "object") return this.earlier(a);
    const read = this.model.amount(a);
    if (!read.ok) return String(a);
    const value = formatQuantity(read.value, unit);
    return typeof a === "string" && !/^[\d.\s-]+$/.test(a) ? `${a} = ${value}` : value;
  }
  /** "the q where profit P is greatest": an earlier answer by what holds there. */
  private earlier({ of, pick }: Extract<Amount, object>): string {
    const which = pick === "last" ? "last " : pick === "whole" ? "whole " : "";
    const question = this.model.source.questions?.find((q) => q.id === of);
    const input = question && this.model.functions.get(functionsOf(question)[0] ?? "")?.of;
    const place = question && this.placeOf(question);
    return place && input ? `the ${which}${input} where ${place}` : `the ${which}answer of ${of}`;
  }
  /** Two ends: the second shows the unit, and a sign stands at both. */
  pair([from, to]: readonly [Amount, Amount], unit: Unit | null): string {
    const start = typeof from === "number" ? formatUnitElsewhere(from, unit) : this.amount(from, signOf(unit));
    return `${start} … ${this.amount(to, unit)}`;
  }

  /** A value of the first function. */
  value(a: Amount): QuestionPart {
    return { text: this.amount(a, this.unitOf(functionsOf(this.q)[0] ?? "")), slot: "value" };
  }
  at(a: Amount): QuestionPart {
    return { text: this.amount(a, this.variable()?.unit ?? null), slot: "at" };
  }
  between(b: readonly [Amount, Amount]): QuestionPart {
    return { text: this.pair(b, this.variable()?.unit ?? null), slot: "between" };
  }
  /** ", for 0 … 250 lanterns" */
  range(): QuestionPart[] {
    const v = this.variable();
    if (!v) return [];
    const number = (x: number) => (signOf(v.unit) ? x : formatNumber(x));
    const end = (asked: Amount | undefined, ofVariable: Rational | null) => {
      if (asked === undefined) return ofVariable ? number(toDouble(ofVariable)) : undefined;
      return typeof asked === "number" ? number(asked) : this.amount(asked, signOf(v.unit));
    };
    const ends = { from: end(this.q.from, v.from), to: end(this.q.to, v.to) };
    const [noun, unit] = [inputNoun(v.name, v.unit), v.unit?.text];
    const isNamed = noun === v.name || hasSign(unit);
    const text = isNamed ? `${v.name} = ${rangeInUnit({ ...ends, unit })}` : `${rangeTyped(ends)} ${noun}`;
    return [{ text: ", for " }, { text, slot: "range" }];
  }
}
