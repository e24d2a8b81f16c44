import { anyCase } from "../../formula";
import { type PhraseReader, S, words, narrowed, BEST, LEAST } from "./reader";

/** `minimum average cost`, `average cost at 100`: the cost of one, which becomes a function first. */
export const perPiece: PhraseReader = (line) => {
  const cost = line.ofKind("cost");
  const [only, second] = line.functions;
  if (!cost || only !== cost || second || !line.takes(anyCase(`\\b(?:average|mean|unit)\\s+(?=${S})`))) return null;
  const of = line.variable.name;
  const name = line.freeName(`A${cost}`);
  const made = { name, of, label: "average cost", by: { kind: "formula" as const, text: `${cost}(${of})/${of}` } };
  const ask = line.takes(LEAST) ? "least" : line.takes(BEST) ? "greatest" : null;
  if (ask) return [{ made }, { ask, function: name, ...narrowed(line) }];
  if (line.has(/\bbetween\b|\bfrom\b/iu)) return null;
  const at = line.place()?.at;
  return at === undefined ? null : [{ made }, { ask: "value", function: name, at }];
};

export const extreme: PhraseReader = (line) => {
  if (line.has(words("at most|at least"))) return null;
  const height = line.functions.length === 0 ? line.ofKind("height") : null;
  if (
    height &&
    line.takes(words("highest(?:\\s+point)?|how high (?:does|will|can) (?:it|the \\p{L}+) (?:go|fly|get|rise)"))
  )
    return [{ ask: "greatest", function: height, ...narrowed(line) }];
  if (line.functions[0] && line.takes(/\bhow\s+[\ue000-\ue0ff]\s+(?:does|will|can) it (?:go|fly|get|rise)\b/iu))
    return [{ ask: "greatest", function: line.one() }];
  const ask = line.takes(BEST) ? "greatest" : line.takes(LEAST) ? "least" : null;
  return ask && [{ ask, function: line.one(), ...narrowed(line) }];
};
