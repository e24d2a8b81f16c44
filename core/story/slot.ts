import { readAmount, type Amount, type Model, type NumberText, type Question } from "../model";
import type { Slot } from "../explain";
import { earlierAnswer, plainAmount } from "./amountText";

export type SlotResult =
  { readonly ok: true; readonly question: Question } | { readonly ok: false; readonly message: string };

/** Reads what was typed in place of one part of a question and puts it in. The question passed in is not changed. */
export function changeSlot(q: Question, slot: Slot, text: string, model: Model): SlotResult {
  const t = text.trim();
  const fail = (message: string): SlotResult => ({ ok: false, message });
  const amount = (side: string): Amount | string => {
    const earlier = earlierAnswer(side);
    if (earlier) return earlier;
    return numberText(side, model);
  };
  const pair = (side: string): [Amount, Amount] | string => {
    const parts = side.split(/\s*(?:…|\.\.\.?|\bto\b)\s*/);
    if (parts.length !== 2 || !parts[0] || !parts[1]) return "A range has two ends, as in `0 … 100`.";
    const both = parts.map((p) => amount(p));
    const bad = both.find((b, i) => typeof b === "string" && isComplaint(b, parts[i]!));
    return bad !== undefined ? (bad as string) : [both[0] as Amount, both[1] as Amount];
  };
  if (slot === "functions.0" || slot === "functions.1" || slot === "function") {
    if (!model.functions.has(t)) return fail(`\`${t}\` is no function of this case.`);
    if ("functions" in q) {
      const functions = [...q.functions];
      functions[slot === "functions.1" ? 1 : 0] = t;
      return { ok: true, question: { ...q, functions } };
    }
    return { ok: true, question: { ...q, function: t } };
  }
  if (slot === "relation")
    return q.ask === "where" && /^(?:<=?|>=?)$/.test(t)
      ? { ok: true, question: { ...q, relation: t as "<" } }
      : fail("One of `<`, `<=`, `>`, `>=` should stand here.");
  if (slot === "ask")
    return (q.ask === "greatest" || q.ask === "least") && (t === "greatest" || t === "least")
      ? { ok: true, question: { ...q, ask: t } }
      : fail("`greatest` or `least` should stand here.");
  if (slot === "given")
    return q.ask === "given" && model.givens.has(t)
      ? { ok: true, question: { ...q, given: t } }
      : fail(`\`${t}\` is no given of this case.`);
  if (slot === "round") {
    if (t === "") {
      const { round: _round, ...rest } = q;
      return { ok: true, question: rest as Question };
    }
    return t === "up" || t === "down" || t === "nearest" || t === "none"
      ? { ok: true, question: { ...q, round: t } }
      : fail("One of `up`, `down`, `nearest`, `none` should stand here.");
  }
  if (slot === "range") {
    if (t === "") {
      const { from: _from, to: _to, ...rest } = q;
      return { ok: true, question: rest as Question };
    }
    const both = pair(t);
    return typeof both === "string" ? fail(both) : { ok: true, question: { ...q, from: both[0], to: both[1] } };
  }
  if (slot === "between" || slot === "givenRange") {
    const both = pair(t);
    if (typeof both === "string") return fail(both);
    return { ok: true, question: (slot === "between" ? { ...q, between: both } : { ...q, range: both }) as Question };
  }
  const value = amount(t);
  if (typeof value === "string" && isComplaint(value, t)) return fail(value);
  return { ok: true, question: { ...q, [slot]: value } as Question };
}

/** `amount` gives back a formula text, or a complaint about it; a complaint is a sentence. */
const isComplaint = (value: string, typed: string): boolean => value !== typed.trim() && /\.$/.test(value);

function numberText(side: string, model: Model): NumberText {
  const t = side.trim();
  const plain = plainAmount(t, (w) => model.givens.has(w) || model.functions.has(w));
  if (plain !== null) return plain;
  const formula = readAmount(t, model.names);
  return formula.ok ? t : formula.problem.message;
}
