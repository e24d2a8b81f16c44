import { latexOf, resolve, type Expression, type NamedNumber, type Names } from "../formula";
import { inlineByRule } from "../solve";
import { bodyOf } from "../working";
import type { Model } from "../model";

/** What the names of a line mean: the unknown, and the case. */
export interface Reading {
  readonly x: string;
  readonly model: Model;
  /** a given that is looked for */
  readonly isGiven: boolean;
  /** numbers that lines above gave names of their own */
  readonly own: Map<string, NamedNumber>;
}

/** One side of a line, read. */
export interface Side {
  readonly expression: Expression;
  readonly latex: string;
}
/** @returns why it cannot be read, where it cannot */
export function readSide(text: string, reading: Reading): Side | string {
  const names = namesFor(reading);
  let first: string | null = null;
  for (const t of [text, withoutUnit(text, names)]) {
    const read = resolve(t, names, "writing");
    if (read.expression) return { expression: opened(read.expression, reading.model), latex: latexOf(read.syntax!) };
    first ??= read.problems[0]?.message ?? "This line could not be read.";
  }
  return first!;
}

/** `$12.50`, `17 lanterns`: the number alone, where what follows is no name of the case. */
function withoutUnit(text: string, names: Names): string {
  const plain = text.replace(/[$€£¥]/gu, "");
  const unit = /(?<=\d)\s*%?\s*(\p{L}[\p{L}/ ²³]*)$/u.exec(plain);
  const words = unit?.[1]!.split(/[^\p{L}]+/u) ?? [];
  const isName = (w: string) => w === names.variable || names.givens.has(w) || names.functions.has(w);
  return unit && !words.some(isName) ? plain.slice(0, unit.index) : plain;
}

function namesFor({ x, model, isGiven, own }: Reading): Names {
  const givens = new Map([...own, ...model.names.givens]);
  if (isGiven) givens.delete(x);
  return { ...model.names, givens, variable: x };
}

/** Functions of the case written out. */
function opened(e: Expression, model: Model): Expression {
  const replaced = inlineByRule(e, model.table);
  if (e.kind === "call" && e.order === 0 && e.a.kind === "variable") return bodyOf(e.name, model) ?? replaced;
  return replaced;
}
