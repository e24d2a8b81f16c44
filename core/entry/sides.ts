import { namesTaken } from "../data";
import { anyCase, dependsOnVariable, parse, resolve } from "../formula";
import { inline } from "../solve";
import type { CaseFile, FunctionRow, Model } from "../model";
import { NAME } from "../question";
import type { BareQuestion } from "./asked";
import { Misread, type Entry } from "./entry";
import { SIGN, mentioned, numberOfSign } from "./mentions";
import type { QuestionLine } from "./questionLine";

const SIDES = /^([^<>=≤≥]+?)\s*(<=|>=|≤|≥|<|>|=)\s*([^<>=≤≥]+)$/;
/** Words before a relation that only ask for its answer. */
const ASKING = anyCase(
  String.raw`^(?:(?:solve|find|show|determine)\s+|` +
    String.raw`(?:when|where|for (?:which|what) \p{L}+|at (?:which|what) \p{L}+)\s+(?:is|are|does|do|will)?\s*)+` +
    String.raw`(?:the equation\s+)?`,
);
const TURNED = { "<": ">", "<=": ">=", ">": "<", ">=": "<=", "=": "=" } as const;
type Sign = keyof typeof TURNED;

/**
 * Two sides with a relation between them, where functions of the case stand: `P = 0` asks where, `R > C` compares,
 * `R - C = 0` and `P'(q) = 0` name a function first where they must.
 * @returns null where the line makes something of a name, or is no relation
 */
export function sidesAsked(
  body: string,
  asks: boolean,
  source: CaseFile,
  model: Model,
  reader: QuestionLine,
): Entry[] | null {
  const m = SIDES.exec(body.replace(ASKING, ""));
  if (!m) return null;
  const [left, right] = [withInput(m[1]!.trim(), source), m[3]!.trim()];
  const sign = ({ "≤": "<=", "≥": ">=" }[m[2]!] ?? m[2]!) as Sign;
  const [a, b] = [functionOf(left, model, source), functionOf(right, model, source)];
  // A name that is nothing yet is given a meaning, unless the line asks.
  const isHead = new RegExp(String.raw`^${NAME}(?:\s*\(\s*${NAME}\s*\))?$`, "u").test(left);
  if (!asks && sign === "=" && !a && isHead) return null;
  if (a && b)
    return [question(sign === "=" ? { ask: "meet", functions: [a, b] } : { ask: "compare", functions: [a, b] })];
  if (a ?? b) return withNumber((a ?? b)!, a ? right : left, a ? sign : TURNED[sign], reader, model);
  return asks || !isHead ? formulas(left, sign, right, source, model, reader) : null;
}

const BEST_OF = anyCase(
  String.raw`^(?:the\s+)?(?:(?<most>max(?:imum|imise|imize)?|greatest|highest|largest)|` +
    String.raw`min(?:imum|imise|imize)?|least|lowest|smallest)\s+(?:value\s+)?(?:of\s+)?(?<formula>.*[+*/^()−-].*)$`,
);
/** `maximum of R - C`: the formula becomes a function, and its best value is asked for. */
export function bestOfFormula(body: string, source: CaseFile, model: Model): Entry[] | null {
  const m = BEST_OF.exec(body)?.groups;
  const of = m && variableOf(m.formula!, source);
  if (!m || !of || functionOf(m.formula!, model, source) || !isFormulaOf(m.formula!, of, model)) return null;
  const name = freeName(source);
  const row: FunctionRow = { name, of, by: { kind: "formula", text: m.formula! } };
  return [{ kind: "function", replaces: false, row }, question({ ask: m.most ? "greatest" : "least", function: name })];
}

const question = (row: BareQuestion): Entry => ({
  kind: "question",
  replaces: false,
  row: { id: "q", ...row } as never,
});

function withNumber(name: string, other: string, sign: Sign, reader: QuestionLine, model: Model): Entry[] | null {
  const isFormula = isFormulaOfOwn(other, name, model);
  if (isFormula) return null;
  let value;
  try {
    value = reader.line(other).amount(zero(other));
  } catch (failure) {
    // The rooms of the questions know more: `f = 0, 3 or 5 ?`.
    if (failure instanceof Misread) return null;
    throw failure;
  }
  return [
    question(
      sign === "=" ? { ask: "reach", function: name, value } : { ask: "where", function: name, relation: sign, value },
    ),
  ];
}
const zero = (text: string): string => (/^(?:zero|nil|nothing)$/i.test(text) ? "0" : text);

/** `P'` as `P'(q)`. */
function withInput(text: string, source: CaseFile): string {
  const m = new RegExp(String.raw`^(${NAME})(['’′]+)$`, "u").exec(text);
  const of = m && source.functions?.find((f) => f.name === m[1])?.of;
  return of ? `${text}(${of})` : text;
}

/** `P` or `P(q)`: a function by its name, or by a word for it. */
function functionOf(text: string, model: Model, source: CaseFile): string | null {
  const m = new RegExp(String.raw`^(${NAME})(?:\s*\(\s*(${NAME})\s*\))?$`, "u").exec(text);
  const f = m && model.functions.get(m[1]!);
  if (f && (!m[2] || m[2] === f.of)) return f.name;
  // A word for a function: `profit > 500`.
  if (text.length < 3) return null;
  const said = mentioned(text.replace(/^the\s+/i, ""), source);
  return said.text.length === 1 && new RegExp(`^${SIGN}$`, "u").test(said.text)
    ? said.functions[numberOfSign(said.text)]!
    : null;
}

function isFormulaOfOwn(text: string, name: string, model: Model): boolean {
  const of = model.functions.get(name)!.of;
  const words = text.match(new RegExp(NAME, "gu")) ?? [];
  return words.some((w) => w === of || model.functions.has(w)) && parse(text, (w) => model.functions.has(w)).ok;
}

/** Formulas on the sides: each that is no number becomes a function that the question is about. */
function formulas(
  left: string,
  sign: Sign,
  right: string,
  source: CaseFile,
  model: Model,
  reader: QuestionLine,
): Entry[] | null {
  const difference = new RegExp(String.raw`^(${NAME})\s*[−-]\s*(${NAME})$`, "u").exec(left);
  if (difference && /^0(?:\.0*)?$/.test(right) && difference.slice(1).every((n) => model.functions.has(n))) {
    const pair = [difference[1]!, difference[2]!];
    return [question(sign === "=" ? { ask: "meet", functions: pair } : { ask: "compare", functions: pair })];
  }
  const of = variableOf(`${left} ${right}`, source);
  if (!of) return null;
  const moving = [left, right].map((side) => isFormulaOf(side, of, model));
  if (moving.every((m) => !m)) return null;
  const [f, other, relation] = moving[0] ? [left, right, sign] : [right, left, TURNED[sign]];
  // A variable alone is no function to ask about.
  if (f.trim() === of) return null;
  const isDifference = moving[0] && moving[1];
  const name = freeName(source);
  const row: FunctionRow = { name, of, by: { kind: "formula", text: isDifference ? `(${left}) - (${right})` : f } };
  const value = isDifference ? 0 : reader.line(other).amount(other);
  const asked: BareQuestion =
    relation === "=" ? { ask: "reach", function: name, value } : { ask: "where", function: name, relation, value };
  return [{ kind: "function", replaces: false, row }, question(asked)];
}

function variableOf(text: string, source: CaseFile): string | null {
  const words = new Set(text.match(new RegExp(NAME, "gu")) ?? []);
  const named = (source.variables ?? []).map((v) => v.name).filter((v) => words.has(v));
  const through = (source.functions ?? []).filter((f) => words.has(f.name)).map((f) => f.of);
  const all = [...new Set([...named, ...through])];
  return all.length === 1 ? all[0]! : null;
}
function isFormulaOf(text: string, of: string, model: Model): boolean {
  const { expression } = resolve(text, { ...model.names, variable: of });
  return expression !== null && dependsOnVariable(inline(expression, model.table));
}
function freeName(source: CaseFile): string {
  const taken = namesTaken(source);
  for (const name of ["D", "f", "g", "h"]) if (!taken.has(name)) return name;
  for (let i = 1; ; i++) if (!taken.has(`f${i}`)) return `f${i}`;
}
