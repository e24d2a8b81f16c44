import { formatInput, formatQuantity, inputNoun, isPercent } from "./quantity";
import { functionsOf, readAmount, type Amount, type Model, type Question, type Rounding } from "../model";
import { toDouble, type Rational } from "../numeric";
import type { Unit } from "../units";

/** A part of a question that can be changed in place, and where it stands in the question. */
export type Slot =
  | "functions.0"
  | "functions.1"
  | "function"
  | "value"
  | "relation"
  | "at"
  | "range"
  | "between"
  | "factor"
  | "start"
  | "given"
  | "givenRange"
  | "ask"
  | "round";
export interface QuestionPart {
  readonly text: string;
  readonly slot?: Slot;
}

/** The question as a sentence, in parts: those with a slot are underlined and can be changed. */
export function questionParts(q: Question, model: Model): QuestionPart[] {
  const words = new Words(q, model);
  return words.parts();
}

/** How a whole answer is rounded, in the words of the question. */
export const ROUNDINGS: readonly { readonly value: Rounding | ""; readonly text: string }[] = [
  { value: "", text: "rounded as it pays" },
  { value: "up", text: "rounded up" },
  { value: "down", text: "rounded down" },
  { value: "nearest", text: "rounded to the nearest" },
  { value: "none", text: "not rounded" },
];

/** The same with the rounding of whole answers, where there are such: for the card on which it can be changed. */
export function questionPartsWithRounding(q: Question, model: Model): QuestionPart[] {
  const parts = questionParts(q, model);
  const f = model.functions.get(functionsOf(q)[0] ?? "");
  const counts =
    f && model.variables.get(f.of)?.whole && (q.ask === "meet" || q.ask === "reach" || q.ask === "multiply");
  if (!counts && !q.round) return parts;
  const last = parts[parts.length - 1]!;
  const text = ROUNDINGS.find((r) => r.value === (q.round ?? ""))!.text;
  return [
    ...parts.slice(0, -1),
    { ...last, text: last.text.replace(/\?$/, ", ") },
    { text, slot: "round" },
    { text: "?" },
  ];
}
export const questionText = (q: Question, model: Model): string =>
  questionParts(q, model)
    .map((p) => p.text)
    .join("");

class Words {
  constructor(
    private readonly q: Question,
    private readonly model: Model,
  ) {}

  private named(name: string): string {
    const f = this.model.functions.get(name);
    return f?.label ? `${f.label} ${name}` : name;
  }
  private variable() {
    const name = "functions" in this.q ? this.q.functions[0] : this.q.function;
    const f = this.model.functions.get(name ?? "");
    return f ? this.model.variables.get(f.of) : undefined;
  }
  private unitOf(name: string | undefined): Unit | null {
    return this.model.functions.get(name ?? "")?.unit ?? null;
  }

  private amount(a: Amount, unit: Unit | null): string {
    if (typeof a === "object")
      return `the ${a.pick === "last" ? "last " : a.pick === "whole" ? "whole " : ""}answer of ${a.of}`;
    const read = readAmount(a, this.model.names);
    if (!read.ok) return String(a);
    const value = formatQuantity(read.value, unit);
    return typeof a === "string" && !/^[\d.\s-]+$/.test(a) ? `${a} = ${value}` : value;
  }

  private range(): QuestionPart[] {
    const v = this.variable();
    if (!v) return [];
    const own = isPercent(v.unit) ? v.unit : null;
    const end = (asked: Amount | undefined, ofVariable: Rational | null, open: string) =>
      asked !== undefined ? this.amount(asked, own) : ofVariable ? formatInput(toDouble(ofVariable), v.unit) : open;
    const from = end(this.q.from, v.from, "−∞");
    const to = end(this.q.to, v.to, "∞");
    const noun = inputNoun(v.name, v.unit);
    return [
      { text: ", for " },
      {
        text:
          noun === v.name
            ? `${v.name} = ${from} … ${to}${v.unit?.text && !own ? ` ${v.unit.text}` : ""}`
            : `${from} … ${to} ${noun}`,
        slot: "range",
      },
    ];
  }
  private givenRange(q: Question & { ask: "given" }): string {
    const unit = this.model.givens.get(q.given)?.unit ?? null;
    return `${this.amount(q.range[0], isPercent(unit) ? unit : null)} … ${this.amount(q.range[1], unit)}`;
  }
  private at(a: Amount): QuestionPart {
    const v = this.variable();
    return { text: this.amount(a, v?.unit ?? null), slot: "at" };
  }
  private between(b: readonly [Amount, Amount]): QuestionPart {
    const unit = this.variable()?.unit ?? null;
    return {
      text: `${this.amount(b[0], isPercent(unit) ? unit : null)} … ${this.amount(b[1], unit)}`,
      slot: "between",
    };
  }

  parts(): QuestionPart[] {
    const q = this.q;
    switch (q.ask) {
      case "meet":
        return [
          { text: "Where do " },
          { text: this.named(q.functions[0] ?? "?"), slot: "functions.0" },
          { text: " and " },
          { text: this.named(q.functions[1] ?? "?"), slot: "functions.1" },
          { text: " meet" },
          ...this.range(),
          { text: "?" },
        ];
      case "reach":
        return [
          { text: "Where is " },
          { text: this.named(q.function), slot: "function" },
          { text: " equal to " },
          { text: this.amount(q.value, this.unitOf(q.function)), slot: "value" },
          ...this.range(),
          { text: "?" },
        ];
      case "where":
        return [
          { text: "Where is " },
          { text: this.named(q.function), slot: "function" },
          { text: " " },
          { text: { "<": "below", "<=": "at most", ">": "above", ">=": "at least" }[q.relation], slot: "relation" },
          { text: " " },
          { text: this.amount(q.value, this.unitOf(q.function)), slot: "value" },
          ...this.range(),
          { text: "?" },
        ];
      case "greatest":
      case "least":
        return [
          { text: "Where is " },
          { text: this.named(q.function), slot: "function" },
          { text: " " },
          { text: q.ask, slot: "ask" },
          ...this.range(),
          { text: "?" },
        ];
      case "value":
        return [
          { text: "What is " },
          { text: this.named(q.function), slot: "function" },
          { text: " at " },
          this.at(q.at),
          { text: "?" },
        ];
      case "rate":
        return q.between
          ? [
              { text: "How fast does " },
              { text: this.named(q.function), slot: "function" },
              { text: " change on average over " },
              this.between(q.between),
              { text: q.as === "percent" ? ", in percent?" : "?" },
            ]
          : [
              { text: "How fast does " },
              { text: this.named(q.function), slot: "function" },
              { text: " change at " },
              this.at(q.at ?? 0),
              { text: q.as === "percent" ? ", in percent?" : "?" },
            ];
      case "total":
        return [
          { text: "What is the total of " },
          { text: this.named(q.function), slot: "function" },
          { text: " over " },
          this.between(q.between),
          { text: "?" },
        ];
      case "average":
        return [
          { text: "What is the average of " },
          { text: this.named(q.function), slot: "function" },
          { text: " over " },
          this.between(q.between),
          { text: "?" },
        ];
      case "multiply":
        return [
          { text: "When has " },
          { text: this.named(q.function), slot: "function" },
          { text: " become " },
          { text: this.amount(q.factor, null), slot: "factor" },
          { text: " times what it is at " },
          {
            text: q.start === undefined ? "the start" : this.amount(q.start, this.variable()?.unit ?? null),
            slot: "start",
          },
          { text: "?" },
        ];
      case "compare":
        return [
          { text: `Which of ${q.functions.map((n) => this.named(n)).join(", ")} is least` },
          ...this.range(),
          { text: "?" },
        ];
      case "given":
        return [
          { text: "What must " },
          { text: q.given, slot: "given" },
          { text: " be (" },
          {
            text: this.givenRange(q),
            slot: "givenRange",
          },
          { text: ") so that " },
          { text: this.named(q.function), slot: "function" },
          { text: " at " },
          this.at(q.at),
          { text: " is " },
          { text: this.amount(q.value, this.unitOf(q.function)), slot: "value" },
          { text: "?" },
        ];
    }
  }
}
