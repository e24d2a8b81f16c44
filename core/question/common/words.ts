import { formatInput, formatQuantity, inputNoun, isPercent } from "../../explain";
import { functionsOf, type Amount, type Model, type ModelVariable, type Question } from "../../model";
import { toDouble, type Rational } from "../../numeric";
import type { Unit } from "../../units";
import type { Slot } from "./slots";

export interface QuestionPart {
  readonly text: string;
  /** the part can be changed in place, and this is where it stands in the question */
  readonly slot?: Slot;
}

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
  /** Two ends; only the second shows the unit. */
  pair([from, to]: readonly [Amount, Amount], unit: Unit | null): string {
    return `${this.amount(from, isPercent(unit) ? unit : null)} … ${this.amount(to, unit)}`;
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
    const own = isPercent(v.unit) ? v.unit : null;
    const end = (asked: Amount | undefined, ofVariable: Rational | null, open: string) =>
      asked !== undefined ? this.amount(asked, own) : ofVariable ? formatInput(toDouble(ofVariable), v.unit) : open;
    const ends = `${end(this.q.from, v.from, "−∞")} … ${end(this.q.to, v.to, "∞")}`;
    const noun = inputNoun(v.name, v.unit);
    const text =
      noun === v.name ? `${v.name} = ${ends}${v.unit?.text && !own ? ` ${v.unit.text}` : ""}` : `${ends} ${noun}`;
    return [{ text: ", for " }, { text, slot: "range" }];
  }
}
