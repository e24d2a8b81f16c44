import { functionsOf, type Model, type ModelFunction, type Question } from "../model";
import { isMoney, questionText } from "../explain";
import { toDouble } from "../numeric";
import { freshId } from "./statement";

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
    const variable = model.variables.get(f.of);
    if (!variable?.from || !variable.to) continue;
    const [lo, hi] = [toDouble(variable.from), toDouble(variable.to)];
    const value = model.table.number(f.name);
    const ys = Array.from({ length: SAMPLES + 1 }, (_, k) => value(lo + ((hi - lo) * k) / SAMPLES)).filter((y) =>
      Number.isFinite(y),
    );
    if (ys.length < SAMPLES / 2) continue;
    const signChange = ys.some((y, k) => k > 0 && y * ys[k - 1]! < 0);
    const best = ys.indexOf(Math.max(...ys));
    const least = ys.indexOf(Math.min(...ys));
    if (signChange && isMoney(f.unit)) offer({ id, ask: "reach", function: f.name, value: 0 });
    if (best > 0 && best < ys.length - 1) offer({ id, ask: "greatest", function: f.name });
    else if (least > 0 && least < ys.length - 1) offer({ id, ask: "least", function: f.name });
    const rises = ys.every((y, k) => k === 0 || y > ys[k - 1]!);
    // Growth by a factor: the middle is near the geometric mean of the ends, not near their average.
    const [first, middle, last] = [ys[0]!, ys[ys.length >> 1]!, ys[ys.length - 1]!];
    if (rises && first > 0 && last > 2 * first && Math.sqrt(first * last) > 0.9 * middle && lo === 0)
      offer({ id, ask: "multiply", function: f.name, factor: 2 });
    if (f.unit && f.unit.powers.metre === 1 && f.unit.powers.second === -1)
      offer({ id, ask: "total", function: f.name, between: [lo, hi] });
  }
  return out.slice(0, MOST).map((question) => ({ question, says: questionText(question, model) }));
}

/** What makes two questions the same, whatever their id or range. */
const key = (q: Question): string => {
  const asked = q.ask === "reach" ? `reach ${JSON.stringify(q.value)}` : q.ask;
  return `${asked}:${[...functionsOf(q)].sort().join(",")}`;
};
