import { anyCase } from "../formula";
import type { CaseFile } from "../model";
import { NAME } from "../question";
import { piecesBody } from "./cases";
import { mentioned } from "./mentions";
import { unitWord } from "./ranges";

/** Ways to give something a name, in the form `name = …`. */
export function assigned(body: string, source: CaseFile): string {
  let t = body.replace(/^(?:let|set|change|define|put|say|suppose|assume|given)\s+(?=\S)/i, "");
  const wording = anyCase(
    String.raw`^(?!(?:what|it|this|that|there|where|when|how|which|who)\b)(${NAME})\s+(?:to|is|` +
      String.raw`equals|as|be)\s+(?=[−\-$€£¥\d.(])`,
  ).exec(t);
  if (wording && !t.includes("=") && mentioned(wording[1]!, source).text === wording[1])
    t = `${wording[1]} = ${t.slice(wording[0].length)}`;
  const turned = new RegExp(String.raw`^([^=<>]+)=\s*(${NAME})$`, "u").exec(t);
  if (
    turned &&
    !new RegExp(String.raw`^${NAME}(?:\s*\(\s*${NAME}\s*\))?$`, "u").test(turned[1]!.trim()) &&
    !isKnown(turned[2]!, source)
  )
    t = `${turned[2]} = ${turned[1]!.trim()}`;
  const head = new RegExp(String.raw`^(${NAME})\s*(?:\(\s*(${NAME})\s*\)\s*)?=\s*(.+)$`, "u").exec(t);
  if (!head) return t;
  const of = head[2] ?? source.functions?.find((f) => f.name === head[1])?.of ?? variableIn(head[3]!, source);
  const paid = /^([−-]?[\d.,]+)\s*(dollars?|euros?|pounds?)$/iu.exec(head[3]!);
  if (paid && !head[2]) return `${head[1]} = ${paid[1]} ${unitWord(paid[2]!)}`;
  const worded = anyCase(String.raw`^(.*[\d)\p{L}])\s+(?:in\s+)?(dollars|euros|pounds)$`).exec(head[3]!);
  if (worded && (head[2] || /\p{L}/u.test(worded[1]!)))
    return `${head[1]}${head[2] ? `(${head[2]})` : ""} = ${worded[1]} in ${unitWord(worded[2]!)}`;
  const single = /^[−-]?\d[\d.,]*([\p{L}])$/u.exec(head[3]!);
  if (single && !head[2] && !UNIT_LETTERS.has(single[1]!)) return `${head[1]}(${single[1]}) = ${head[3]}`;
  const share = bareShare(head[1]!, head[3]!, source);
  if (share) return `${head[1]} = ${share}`;
  const rate = ratedAmount(head[3]!);
  if (rate && !head[2]) return `${head[1]} = ${rate}`;
  const line = linePoints(head[3]!);
  if (line) return `${head[1]}${head[2] ? `(${head[2]})` : ""} = ${line}`;
  const pieces = of && piecesBody(head[3]!, of);
  return pieces ? `${head[1]}(${of}) = ${pieces}` : t;
}

const isKnown = (name: string, source: CaseFile): boolean =>
  [...(source.givens ?? []), ...(source.variables ?? [])].some((r) => r.name === name);

/** A name beside a sign that compares. */
const COMPARED = new RegExp(
  String.raw`(?<![\p{L}\d])(${NAME})\s*(?:<|>|≤|≥)|` + String.raw`(?:<=|<|≤|>=|>|≥)\s*(${NAME})`,
  "gu",
);
/** The variable that the conditions of pieces are about. */
const variableIn = (body: string, source: CaseFile): string | null => {
  const names = (source.variables ?? []).map((v) => v.name);
  const words = [...body.matchAll(COMPARED)].map((m) => m[1] ?? m[2]!);
  return words.find((w) => names.includes(w)) ?? words[0] ?? null;
};

/** Letters that stand for a unit right behind a number: 5m, 3s. */
const UNIT_LETTERS = new Set("m s h g l L d K".split(" "));

/**
 * `0.06` for a given that is a percentage, told as a fraction: where that is nearer to what it was than 0.06 % is.
 */
function bareShare(name: string, body: string, source: CaseFile): string | null {
  const before = source.givens?.find((g) => g.name === name);
  const value = /^\d*\.\d+$/.test(body) ? Number(body) : NaN;
  if (!before?.unit?.startsWith("%") || !(value > 0 && value < 1) || before.value <= 0) return null;
  const off = (v: number) => Math.abs(Math.log(v / before.value));
  return off(value) < off(value / 100) ? `${Number((value * 100).toPrecision(12))} %` : null;
}

/** A sign of money. */
const SIGN = "[$€£¥₹]";
/** An amount for each of something: a currency on either side of its number, or a unit. */
const RATED = new RegExp(
  String.raw`^(${SIGN}\s?[\d.,]+|[\d.,]+\s?(?:${SIGN}|\p{L}+)?)\s+(?:per|an?|each|every)\s+(\p{L}+)$`,
  "u",
);
/** `$7 per kite` as `$7/kite`. */
function ratedAmount(body: string): string | null {
  const m = RATED.exec(body);
  return m && `${m[1]}/${m[2]}`;
}

/** `line through (240, 6) and (150, 9)` as the readings of a line. */
function linePoints(body: string): string | null {
  const m = /^(?:(?:a|the|straight)\s+)*line\s+(?:through|from|between|by|with)?\s*(\(.+\))(.*)$/i.exec(body);
  return m && `line ${m[1]!.replace(/\)\s*(?:,?\s*and|to|,)?\s*\(/gi, "), (")}${m[2]}`;
}
