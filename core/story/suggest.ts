import { functionsOf, type Model, type ModelFunction, type Question } from "../model";
import { KINDS, questionText, roomOf, type Outline } from "../question";
import { toDouble } from "../numeric";
import { freshId } from "../entry";

/** A question that the model calls for and nobody has asked yet. */
export interface Suggestion {
  readonly question: Question;
  readonly says: string;
}

/** Most suggestions shown at once: an offer, not a list to work off. */
const MOST = 4;
/** Places looked at to see whether a function changes its sign or turns. */
const SAMPLES = 64;

/**
 * Questions the model suggests: two functions of one unit that are not made of each other (do they meet?), a function
 * that changes its sign (where is it 0?), one that turns inside the range (where is it greatest?), growth (when has it
 * doubled?), a speed (how far?).
 */
export function suggestions(model: Model): Suggestion[] {
  const asked = (model.source.questions ?? []).map((q) => key(q));
  const out: Question[] = [];
  const id = freshId(model.source);
  const offer = (q: Question) => {
    if (!asked.includes(key(q)) && !out.some((o) => key(o) === key(q))) out.push(q);
  };
  const functions = [...model.functions.values()].filter((f) => !f.trouble);
  const madeOf = (f: ModelFunction, name: string): boolean =>
    f.uses.some((u) => u === name || (model.functions.has(u) && madeOf(model.functions.get(u)!, name)));
  functions.forEach((f, i) =>
    functions.slice(i + 1).forEach((g) => {
      if (f.of === g.of && f.unit && f.unit.text === g.unit?.text && !madeOf(f, g.name) && !madeOf(g, f.name))
        offer({ id, ask: "meet", functions: [f.name, g.name] });
    }),
  );
  for (const f of [...functions].reverse()) {
    const outline = outlineOf(f, model);
    for (const kind of outline ? KINDS : []) {
      const question = kind.suggested(outline!, id);
      if (question) offer(question);
    }
  }
  return out.slice(0, MOST).map((question) => ({ question, says: questionText(question, model) }));
}

/** What a function looks like on its range; null where the range is open, or it has hardly a value there. */
function outlineOf({ name, unit, of }: ModelFunction, model: Model): Outline | null {
  const variable = model.variables.get(of);
  if (!variable?.from || !variable.to) return null;
  const [from, to] = [toDouble(variable.from), toDouble(variable.to)];
  const value = model.table.number(name);
  const values = Array.from({ length: SAMPLES + 1 }, (_, k) => value(from + ((to - from) * k) / SAMPLES)).filter((y) =>
    Number.isFinite(y),
  );
  return values.length < SAMPLES / 2 ? null : { name, unit, from, to, values };
}

/** What makes two questions the same, whatever their id or range. */
const key = (q: Question): string => `${roomOf(q).identity(q)}:${[...functionsOf(q)].sort().join(",")}`;
