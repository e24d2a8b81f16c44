import type { Amount } from "../amount";
import type { Ask } from "../asks";
import type { FunctionRow } from "../../model";
import type { Draft } from "../draft";
import { escaped } from "../pattern";

/** Turns what is asked about functions that the story writes out into questions about them. */
export function askFormula(draft: Draft, ask: Ask): void {
  const made = draft.offers.flatMap((o) => (o.kind === "function" ? [o.row] : []));
  askAbout(draft, ask, made, meantBy(ask.text, made), (a, of) => isInput(a, of, draft));
}

/**
 * Turns what is asked about functions into a question about the one that is meant.
 * @param isInput  whether an amount is one of the variable of that name
 */
export function askAbout(
  draft: Draft,
  ask: Ask,
  made: readonly FunctionRow[],
  f: FunctionRow,
  isInput: (a: Amount, of: string) => boolean,
): void {
  const span = () => {
    draft.use(...ask.amounts);
    return ask;
  };
  const numbers = ask.amounts.filter((a) => a.kind !== "times" && a.kind !== "percent");
  const input = numbers.find((a) => isInput(a, f.of)) ?? null;
  const level = numbers.find((a) => a !== input) ?? null;
  const cost = made.find((x) => x.label === "cost");
  // What a profit is asked of is no answer of a cost.
  if (/\bprofit\b/i.test(ask.text) && f.label === "cost") return;
  const revenue = made.find((x) => x.label === "revenue" || x.label === "income");
  switch (ask.intent) {
    case "break-even":
      if (revenue && cost) draft.ask({ ask: "meet", functions: [revenue.name, cost.name] }, span());
      else draft.ask({ ask: "reach", function: f.name, value: 0 }, span());
      return;
    case "same":
    case "cheaper":
      if (made.length === 1 && /\bcheapest\b/i.test(ask.text)) draft.ask({ ask: "least", function: f.name }, span());
      else if (made.length > 1)
        draft.ask(
          { ask: ask.intent === "same" ? "meet" : "compare", functions: made.slice(0, 2).map((x) => x.name) },
          span(),
        );
      return;
    case "greatest":
    case "least":
      return void draft.ask({ ask: ask.intent, function: f.name }, span());
    case "then":
      return void draft.answered.add(ask.start);
    case "zero":
      return void draft.ask({ ask: "reach", function: f.name, value: 0 }, span());
    case "multiply":
      return void (ask.factor && draft.ask({ ask: "multiply", function: f.name, factor: ask.factor }, span()));
    case "rate":
    case "average": {
      if (numbers.length > 1)
        draft.ask({ ask: "rate", function: f.name, between: [numbers[0]!.value, numbers[1]!.value] }, span());
      else if (numbers[0]) draft.ask({ ask: "rate", function: f.name, at: numbers[0].value }, span());
      return;
    }
    case "value":
    case "total":
      // "How deep … for a flow of 3": the value is told, and the input is asked for.
      if (!input && level && isTold(level, f)) {
        draft.ask({ ask: "reach", function: f.name, value: level.value }, span());
        return;
      }
      if (input ?? level) draft.ask({ ask: "value", function: f.name, at: (input ?? level)!.value }, span());
      return;
    case "where":
    case "reach": {
      const target = level ?? input;
      if (target && target.limit && target.limit !== "=" && ask.intent === "where")
        draft.ask({ ask: "where", function: f.name, relation: target.limit, value: target.value }, span());
      else if (target) draft.ask({ ask: "reach", function: f.name, value: target.value }, span());
      return;
    }
    default:
  }
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
