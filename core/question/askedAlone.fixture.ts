import { analysed, saidOf } from "./full.fixture";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** One question about one formula f in x: what is found, and the sentence that tells it. */
export function askAlone(text: string, range: { from?: number; to?: number }, q: Asked) {
  const { model, findings } = analysed(oneFunction(text, range, [q]));
  return { ...findings[0]!, told: saidOf(findings[0]!, model) };
}

export const greatest: Asked = { ask: "greatest", function: "f" };
export const least: Asked = { ask: "least", function: "f" };
export const reach = (value: number): Asked => ({ ask: "reach", function: "f", value });
export const atLeast = (value: number): Asked => ({ ask: "where", function: "f", relation: ">=", value });
