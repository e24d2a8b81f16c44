import type { Amount } from "../amount";
import type { Ask } from "../asks";
import type { FunctionRow } from "../../model";
import type { Asked, Draft } from "../draft";
import { escaped } from "../../entry";

/** Turns what is asked about functions that the story writes out into questions about them. */
export function askFormula(draft: Draft, ask: Ask): void {
  const made = draft.offers.flatMap((o) => (o.kind === "function" ? [o.row] : []));
  askAbout(draft, ask, made, meantBy(ask.text, made), (a, of) => isInput(a, of, draft));
}

/**
 * Turns what is asked about functions into a question about the one that is meant.
 * @param isInput  whether an amount is one of the variable of that name
 */
export function askAbout(draft: Draft, ask: Ask, made: readonly FunctionRow[], f: FunctionRow, isInput: IsInput): void {
  // What follows from the answer before is told with that.
  if (ask.intent === "then") return void draft.answered.add(ask.start);
  const question = questionOf(ask, made, f, isInput);
  if (!question) return;
  draft.use(...ask.amounts);
  draft.ask(question, ask);
}

type IsInput = (a: Amount, of: string) => boolean;
function questionOf(ask: Ask, made: readonly FunctionRow[], f: FunctionRow, isInput: IsInput): Asked | null {
  // What a profit is asked of is no answer of a cost.
  if (/\bprofit\b/i.test(ask.text) && f.label === "cost") return null;
  const numbers = ask.amounts.filter((a) => a.kind !== "times" && a.kind !== "percent");
  const input = numbers.find((a) => isInput(a, f.of)) ?? null;
  const level = numbers.find((a) => a !== input) ?? null;
  const reach = (value: number): Asked => ({ ask: "reach", function: f.name, value });
  switch (ask.intent) {
    case "break-even":
    case "same":
    case "cheaper":
      return betweenOf(ask, made, f);
    case "greatest":
    case "least":
      return { ask: ask.intent, function: f.name };
    case "zero":
      return reach(0);
    case "multiply":
      return ask.factor ? { ask: "multiply", function: f.name, factor: ask.factor } : null;
    case "rate":
    case "average": {
      const [first, second] = numbers.map((a) => a.value);
      if (first === undefined) return null;
      return {
        ask: "rate",
        function: f.name,
        ...(second === undefined ? { at: first } : { between: [first, second] }),
      };
    }
    case "value":
    case "total": {
      // "How deep … for a flow of 3": the value is told, and the input is asked for.
      if (!input && level && isTold(level, f)) return reach(level.value);
      const at = input ?? level;
      return at && { ask: "value", function: f.name, at: at.value };
    }
    case "where":
    case "reach": {
      const target = level ?? input;
      const isLimit = ask.intent === "where" && target?.limit && target.limit !== "=";
      if (isLimit) return { ask: "where", function: f.name, relation: target.limit as "<", value: target.value };
      return target && reach(target.value);
    }
    default:
      return null;
  }
}

/** Where functions meet, or which is less; of one alone, where it is 0 or least. */
function betweenOf(ask: Ask, made: readonly FunctionRow[], f: FunctionRow): Asked | null {
  const [cost, revenue] = [/^cost$/, /^(?:revenue|income)$/].map((label) =>
    made.find((x) => label.test(x.label ?? "")),
  );
  if (ask.intent === "break-even")
    return revenue && cost
      ? { ask: "meet", functions: [revenue.name, cost.name] }
      : { ask: "reach", function: f.name, value: 0 };
  if (made.length > 1)
    return { ask: ask.intent === "same" ? "meet" : "compare", functions: made.slice(0, 2).map((x) => x.name) };
  return /\bcheapest\b/i.test(ask.text) ? { ask: "least", function: f.name } : null;
}

/** "a flow of 3", "the height is 12 m" */
const isTold = (a: Amount, { label }: FunctionRow): boolean =>
  label !== undefined && new RegExp(String.raw`\b${escaped(label)}s?\s+(?:of|is|be|are)\s+$`, "iu").test(a.before);

/** The function that an ask speaks of: by its letter, as profit, by its name in words; else the last one. */
function meantBy(text: string, made: readonly FunctionRow[]): FunctionRow {
  return namedIn(text, made) ?? made[made.length - 1]!;
}
/** The function whose letter or meaning stands in an ask; null where none does. */
export function namedIn(text: string, made: readonly FunctionRow[]): FunctionRow | null {
  const symbol = (f: FunctionRow) => new RegExp(String.raw`(?<![\p{L}])${f.name}(?:\(|(?![\p{L}\p{N}']))`, "u");
  const isProfit = /\b(?:profit|earns?)\b/i.test(text);
  return (
    made.find((f) => symbol(f).test(text)) ??
    made.find((f) => isProfit && f.label === "profit") ??
    made.find((f) => f.label && new RegExp(String.raw`(?<!\p{L})${escaped(f.label)}`, "iu").test(text)) ??
    null
  );
}

/** An amount in the unit of the variable, or after "t = ". */
function isInput(a: Amount, of: string, draft: Draft): boolean {
  const unit = draft.unit(of);
  return (
    (unit !== undefined && a.unit === unit) || new RegExp(String.raw`(?<![\p{L}])${of}\s*=\s*$`, "u").test(a.before)
  );
}
