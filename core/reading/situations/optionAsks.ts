import type { Ask } from "../asks";
import type { Draft } from "../draft";
import { isTimeUnit } from "../spokenUnits";
import type { Told } from "../told";
import { inUnit, levelIn } from "./measure";

/** Turns what is asked about ways to pay, or about what changes evenly, into questions about their functions. */
export function askOptions(draft: Draft, ask: Ask, made: readonly string[], per: string, told: Told): void {
  const input = ask.amounts.find((a) => a.unit === per || (a.kind === "time" && isTimeUnit(per)));
  const at = input ? (input.unit === per ? input.value : inUnit(input, per)) : null;
  const level =
    ask.amounts.find(
      (a) => a !== input && (a.kind === "money" || a.kind === "measure" || a.kind === "count" || a.kind === "bare"),
    ) ?? null;
  const span = () => {
    draft.use(...ask.amounts);
    return ask;
  };
  const [a, b] = made;
  if (at !== null && made.length > 0 && ask.intent !== "reach") {
    for (const f of made) draft.ask({ ask: "value", function: f, at }, span());
    return;
  }
  if (level && (ask.intent === "reach" || ask.intent === "where" || ask.intent === "value")) {
    for (const f of made)
      draft.ask({ ask: "reach", function: f, value: levelIn(level, draft.unit(f) ?? null) }, span());
    return;
  }
  if (made.length === 1 && ask.intent === "multiply" && ask.factor !== null)
    return void draft.ask({ ask: "multiply", function: a!, factor: ask.factor }, span());
  if (made.length === 1) {
    if (ask.intent === "zero" || ask.intent === "break-even")
      draft.ask({ ask: "reach", function: a!, value: 0 }, span());
    const goal =
      ask.intent === "reach"
        ? told.stated.find(
            (s) =>
              !draft.used.has(s) &&
              s.per === null &&
              (s.kind === "money" || s.kind === "measure" || s.kind === "count"),
          )
        : undefined;
    if (goal) {
      draft.use(goal);
      draft.ask({ ask: "reach", function: a!, value: goal.value }, span());
    }
    return;
  }
  if (ask.intent === "then") return void draft.answered.add(ask.start);
  if (made.length === 2) draft.ask({ ask: "meet", functions: [a!, b!] }, span());
  if (made.length > 2 || ask.intent === "cheaper" || ask.intent === "least")
    draft.ask({ ask: "compare", functions: [...made] }, span());
}
