import { formatCount, formatInput, formatUnitElsewhere, formatNumber, formatQuantity } from "../explain";
import { latexName } from "../formula";
import type { Model, Question } from "../model";
import {
  MAX_EXACT,
  isShortDecimal,
  isStopped,
  questionPartsWithRounding,
  roomOf,
  sentenceOf,
  solutionsOf,
  type AnyAnswer,
  type Card,
  type Finding,
  type QuestionPart,
  type Solution,
  type WorkingStep,
} from "../question";
import { chipsOf, type Chip } from "./chips";

export interface DeskFinding {
  readonly id: string;
  readonly status: AnyAnswer["status"] | "error";
  /** cut short; it may be looked at longer */
  readonly isCut: boolean;
  readonly question: readonly QuestionPart[];
  readonly says: string;
  /** exact form as LaTeX, one for each solution that has one */
  readonly exact: readonly { latex: string; text: string; near: string }[];
  readonly details: readonly string[];
  readonly chips: readonly Chip[];
  readonly message: string | null;
  readonly solutions: readonly { at: number; value: number | null }[];
  /** what it came to, written as its sentence writes it: the first input, its whole reading, the value; null: none */
  readonly numbers: { readonly at: string | null; readonly whole: string | null; readonly value: string | null };
  /** the steps a student would write, where there are such; null as long as nobody looks at them */
  readonly working: readonly WorkingStep[] | null;
}
/** Answers listed as decimals where there are more than the sentence tells. */
const MAX_LISTED = 60;

/** @param working  the steps, where they are looked at */
export function findingCard(
  q: Question,
  f: Finding,
  model: Model,
  working: readonly WorkingStep[] | null = null,
): DeskFinding {
  const common = { id: f.id, question: questionPartsWithRounding(q, model), says: sentenceOf(f, model) };
  if (isStopped(f)) {
    const isCut = f.status === "cut";
    const chips: Chip[] = isCut ? [{ tone: "open", text: "not settled" }] : [];
    const nothing = { exact: [], details: [], message: null, solutions: [], numbers: NO_NUMBERS };
    return { ...common, ...nothing, status: isCut ? "unsettled" : "error", isCut, chips, working };
  }
  const card = cardOf(f, model, common.says);
  const solutions = solutionsOf(f);
  return {
    ...common,
    status: f.status,
    isCut: false,
    exact: exactForms(solutions, card.unknown),
    details: [...listed(solutions, card), ...roomOf(f).details(f, card)],
    chips: chipsOf(f, model, card),
    message: f.message && !common.says.includes(f.message) ? f.message : null,
    solutions: solutions.map((s) => ({ at: s.at, value: s.value })),
    numbers: numbersOf(f, model, card),
    working,
  };
}

const NO_NUMBERS: DeskFinding["numbers"] = { at: null, whole: null, value: null };

/** The numbers of an answer that others may refer to, with their units. */
function numbersOf(f: AnyAnswer, model: Model, card: Card): DeskFinding["numbers"] {
  const [first] = solutionsOf(f);
  const unit = (model.givens.get(card.unknown) ?? model.variables.get(card.unknown))?.unit ?? null;
  const input = (x: number) => formatCount(x, unit);
  if (first)
    return {
      at: input(first.at),
      whole: first.whole ? input(first.whole.at) : null,
      value: valueOf(f, first, card),
    };
  const followed = roomOf(f).followed(f, model);
  return { ...NO_NUMBERS, value: followed ? formatCount(followed.value, followed.unit) : null };
}

/** Of a best value that is read off at a whole input, the value there: the sentence tells that one. */
function valueOf(f: AnyAnswer, { value, whole }: Solution, card: Card): string | null {
  const isBest = f.ask === "greatest" || f.ask === "least";
  const told = isBest && whole ? whole.value : value;
  return told === null ? null : formatCount(told, card.outputUnit);
}

/** What the notes on a card are written with: the unknown is the variable, or the given that is looked for. */
function cardOf(f: AnyAnswer, model: Model, says: string): Card {
  const unknown = "given" in f ? f.given : f.about.variable;
  const input = (model.givens.get(unknown) ?? model.variables.get(unknown))?.unit ?? null;
  const outputUnit = model.functions.get(f.about.functions[0] ?? "")?.unit ?? null;
  return {
    unknown,
    input: (x, digits) => formatInput(x, input, digits),
    end: (x) => formatUnitElsewhere(x, input),
    output: (y, digits) => formatQuantity(y, outputUnit, digits),
    outputUnit,
    showsExact: exactForms(solutionsOf(f), unknown).length > 0,
    says,
  };
}

/** Exact forms of few answers, where they say more than a short decimal. */
function exactForms(solutions: readonly Solution[], unknown: string): DeskFinding["exact"] {
  if (solutions.length > MAX_EXACT) return [];
  return solutions.flatMap((s) =>
    s.exactLatex && s.exact && !isShortDecimal(s.exact)
      ? [
          {
            latex: `${latexName(unknown)} = ${s.exactLatex}`,
            text: `${unknown} = ${s.exact}`,
            near: formatNumber(s.at, 10),
          },
        ]
      : [],
  );
}

/** The sentence tells only the first and last of many; here stands every one. */
function listed(solutions: readonly Solution[], card: Card): string[] {
  if (solutions.length <= MAX_EXACT) return [];
  const shown = solutions.slice(0, MAX_LISTED).map((s) => card.input(s.at, 8));
  const more = solutions.length > MAX_LISTED ? ` and ${solutions.length - MAX_LISTED} more` : "";
  return [`${card.unknown} ≈ ${shown.join(", ")}${more}`];
}
