import type { Amount, Model, NumberText, Question } from "../../model";
import { earlierAnswer, plainAmount } from "../../units";

/** A part of a question that can be changed in place, and where it stands in the question. */
export type Slot =
  | "functions.0"
  | "functions.1"
  | "function"
  | "value"
  | "values"
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

export type SlotResult =
  { readonly ok: true; readonly question: Question } | { readonly ok: false; readonly message: string };

export interface Choice {
  readonly value: string;
  readonly text: string;
}

/** How one part of a question is shown in a field, what there is to choose from, and how what is typed is put in. */
export interface SlotOf<Q> {
  /** what stands in the field when it is opened; `said` is how the sentence shows the part */
  shown(q: Q, said: string): string;
  /** names of the case, or words to choose from; null for a field to type in */
  readonly choices: "functions" | "givens" | readonly Choice[] | null;
  /** @throws Unfit with what would be right */
  put(q: Q, typed: string, model: Model): Q;
}
export type Slots<Q> = { readonly [S in Slot]?: SlotOf<Q> };

/** What was typed does not fit the part, in a plain sentence. */
export class Unfit extends Error {}

/** An amount as it is typed. */
export const amountText = (a: Amount | undefined): string =>
  typeof a === "object" ? `${a.pick ? `${a.pick} ` : ""}answer of ${a.of}` : String(a ?? "");

/** A number with its unit left aside, a formula text in givens, or an earlier answer. */
export function typedAmount(text: string, model: Model): Amount {
  const t = text.trim();
  return earlierAnswer(t) ?? numberText(t, model);
}
function numberText(t: string, model: Model): NumberText {
  const plain = plainAmount(t, (w) => model.givens.has(w) || model.functions.has(w));
  if (plain !== null) return plain;
  const formula = model.amount(t);
  if (!formula.ok) throw new Unfit(formula.problem.message);
  return t;
}

export function typedPair(text: string, model: Model): [Amount, Amount] {
  const [from, to, ...more] = text.split(/\s*(?:…|\.\.\.?|\bto\b)\s*/);
  if (!from || !to || more.length > 0) throw new Unfit("A range has two ends, as in `0 … 100`.");
  return [typedAmount(from, model), typedAmount(to, model)];
}

/** A function of the case. */
export function functionSlot<Q>(read: (q: Q) => string, write: (q: Q, name: string) => Q): SlotOf<Q> {
  return {
    shown: read,
    choices: "functions",
    put(q, typed, model) {
      if (!model.functions.has(typed)) throw new Unfit(`\`${typed}\` is no function of this case.`);
      return write(q, typed);
    },
  };
}
/** The one function of a question. */
export const theFunction = <Q extends Question & { function: string }>(): SlotOf<Q> =>
  functionSlot(
    (q) => q.function,
    (q, name) => ({ ...q, function: name }),
  );

function amountSlot<Q>(read: (q: Q) => Amount | undefined, write: (q: Q, a: Amount) => Q): SlotOf<Q> {
  return {
    shown: (q) => amountText(read(q)),
    choices: null,
    put: (q, typed, model) => write(q, typedAmount(typed, model)),
  };
}
/** A number that stands in the question under its own name. */
export const theAmount = <K extends string, Q extends Question & { readonly [P in K]?: Amount | undefined }>(
  key: K,
): SlotOf<Q> =>
  amountSlot(
    (q) => q[key],
    (q, a) => ({ ...q, [key]: a }),
  );
export function pairSlot<Q>(
  read: (q: Q) => readonly [Amount, Amount],
  write: (q: Q, pair: [Amount, Amount]) => Q,
): SlotOf<Q> {
  return {
    shown: (q) => read(q).map(amountText).join(" … "),
    choices: null,
    put: (q, typed, model) => write(q, typedPair(typed, model)),
  };
}
/** One of a few words. */
export function choiceSlot<Q, V extends string>(
  choices: readonly { readonly value: V; readonly text: string }[],
  read: (q: Q) => V,
  write: (q: Q, value: V) => Q,
): SlotOf<Q> {
  return {
    shown: read,
    choices,
    put(q, typed) {
      const found = choices.find((c) => c.value === typed);
      if (!found) throw new Unfit(`One of ${choices.map((c) => `\`${c.value}\``).join(", ")} should stand here.`);
      return write(q, found.value);
    },
  };
}

/** The range of a question: without one of its own it has its variable's. */
export const range = <Q extends Question>(): SlotOf<Q> => ({
  shown: (q, said) =>
    q.from === undefined && q.to === undefined
      ? said.replace(/\s*[^\d…∞−.,%]+$/u, "").replace(/^.*=\s*/, "")
      : `${amountText(q.from)} … ${amountText(q.to)}`,
  choices: null,
  put(q, typed, model) {
    if (typed === "") {
      const { from: _from, to: _to, ...rest } = q;
      return rest as Q;
    }
    const [from, to] = typedPair(typed, model);
    return { ...q, from, to };
  },
});

/** How a whole answer is rounded, in the words of the question. */
const ROUNDINGS = [
  { value: "", text: "rounded as it pays" },
  { value: "up", text: "rounded up" },
  { value: "down", text: "rounded down" },
  { value: "nearest", text: "rounded to the nearest" },
  { value: "none", text: "not rounded" },
] as const;
export const rounding = <Q extends Question>(): SlotOf<Q> =>
  choiceSlot(
    ROUNDINGS,
    (q) => q.round ?? "",
    (q, value) => {
      const { round: _round, ...rest } = q;
      return (value === "" ? rest : { ...rest, round: value }) as Q;
    },
  );
export const roundingWords = (q: Question): string => ROUNDINGS.find((r) => r.value === (q.round ?? ""))!.text;
