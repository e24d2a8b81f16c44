import { formatInput, isPercent } from "../../explain";
import { functionsOf, type Amount, type Model, type Question } from "../../model";
import { ratio, rationalOfDouble, toDouble } from "../../numeric";
import { parseUnit, type Unit } from "../../units";
import type { Slot, SlotOf } from "./slots";

/** Digits of a number that is typed again. */
const DIGITS = 12;
const BARE = /^[−-]?\d[\d,]*(?:\.\d+)?$/;
const [PERCENT, BETWEEN] = [parseUnit("%").unit, /(\s*(?:…|\.\.\.?|\bto\b|,\s|\bor\b)\s*)/];

const number = (text: string): number => Number(text.replace("−", "-").replaceAll(",", ""));
/**
 * Whether bare numbers count hundredths where percentages are told: 6 is 6 %, while 0.06 is the share it says. So is
 * 0 … 1 the whole, but 1 by itself is 1 %.
 */
export const areHundredths = (list: readonly number[]): boolean =>
  list.some((x) => Math.abs(x) > 1) || (list.length === 1 && Math.abs(list[0]!) === 1);

/** The unit of what stands in a part of a question. */
function unitIn(q: Question, slot: Slot, model: Model): Unit | null {
  const f = model.functions.get(functionsOf(q)[0] ?? "");
  if (slot === "value" || slot === "values") return f?.unit ?? null;
  if (slot === "givenRange") return "given" in q ? (model.givens.get(q.given)?.unit ?? null) : null;
  const isInput = slot === "at" || slot === "range" || slot === "between" || slot === "start";
  return (isInput && f && model.variables.get(f.of)?.unit) || null;
}

/** `6` typed for what is told in percent is 6 %; beside one above 1, or with its sign, `0.5` is 0.5 % too. */
export function typedInPercent(q: Question, slot: Slot, typed: string, model: Model): string {
  if (!isPercent(unitIn(q, slot, model))) return typed;
  const parts = typed.split(BETWEEN);
  const isSigned = parts.some((p) => p.includes("%")) || areHundredths(parts.filter((p) => BARE.test(p)).map(number));
  return isSigned ? parts.map((p) => (BARE.test(p) ? `${p} %` : p)).join("") : typed;
}

/** What stands in the field of a part when it is opened; numbers that are told in percent are changed in percent. */
export function slotText<Q>(slot: SlotOf<Q>, q: Q, said: string): string {
  const shown = slot.shown(q, said);
  if (!said.includes("%")) return shown;
  const inPercent = (p: string) => (BARE.test(p) ? formatInput(number(p), PERCENT, DIGITS) : p);
  return shown.split(BETWEEN).map(inPercent).join("");
}

/**
 * A question whose line has no sign of percent, with its bare numbers in the units they are told in: `A at 6?` asks at
 * 6 % where inputs are percentages.
 */
export function withPercents(q: Question, model: Model): Question {
  const shared = (slot: Slot, list: readonly Amount[]): Amount[] => {
    const bare = list.filter((a) => typeof a === "number");
    const isPercents = isPercent(unitIn(q, slot, model)) && areHundredths(bare);
    return list.map((a) => (isPercents && typeof a === "number" ? toDouble(rationalOfDouble(a).div(ratio(100))) : a));
  };
  const one = (slot: Slot, a: Amount): Amount => shared(slot, [a])[0]!;
  const pair = (slot: Slot, [a, b]: readonly [Amount, Amount]) => shared(slot, [a, b]) as [Amount, Amount];
  const out = { ...q } as Record<string, unknown>;
  if ("at" in q && q.at !== undefined) out.at = one("at", q.at);
  if ("start" in q && q.start !== undefined) out.start = one("start", q.start);
  if ("value" in q) out.value = one("value", q.value);
  if ("values" in q) out.values = shared("values", q.values);
  if ("between" in q && q.between) out.between = pair("between", q.between);
  if (q.ask === "given") out.range = pair("givenRange", q.range);
  if (q.from !== undefined && q.to !== undefined) [out.from, out.to] = pair("range", [q.from, q.to]);
  else if (q.from !== undefined) out.from = one("range", q.from);
  else if (q.to !== undefined) out.to = one("range", q.to);
  return out as unknown as Question;
}
