import { anyCase } from "../../formula";
import { type PhraseReader, S, words, narrowed, EQUAL, MORE, LESS, BEST } from "./reader";

export const breakEven: PhraseReader = (line) => {
  if (!line.takes(/\bbreak(?:s|ing)?[\s-]*evens?(?:\s*points?)?\b/iu)) return null;
  const [revenue, cost, profit] = ["revenue", "cost", "profit"].map((kind) => line.ofKind(kind));
  if (revenue && cost && line.functions.length === 0) return [{ ask: "meet", functions: [revenue, cost] }];
  const pair = line.two();
  if (pair) return [{ ask: "meet", functions: pair }];
  return [{ ask: "reach", function: line.functions.length === 0 && profit ? profit : line.one(), value: 0 }];
};

/** Two functions set against each other: which is less, and where. */
export const compared: PhraseReader = (line) => {
  const sides = line.takes(anyCase(`(?<a>${S})(?:\\s+is)?\\s*(?:${MORE}|${LESS})\\s*(?:that of\\s*)?(?<b>${S})`));
  const difference = sides
    ? null
    : line.takes(anyCase(`(?<a>${S})\\s*[−-]\\s*(?<b>${S})\\s*(?:>=|≥|>|<=|≤|<)\\s*0\\b`));
  const asksWhich = words(
    "compare|cheaper|cheapest|dearer|better|bigger|larger|higher|lower|smaller|less|greater|versus|" +
      "vs|more expensive|less expensive|the better deal",
  );
  const isAsked = sides ?? difference ?? (line.has(/\d|\bthan\b/u) ? null : line.takes(asksWhich));
  if (isAsked) line.takes(words("or|and|with|to"));
  const pair = isAsked && line.two();
  if (!pair) return isAsked && line.functions.length > 2 ? [{ ask: "compare", functions: [...line.functions] }] : null;
  return [{ ask: "compare", functions: pair, ...narrowed(line) }];
};

export const meeting: PhraseReader = (line) => {
  const sides = line.takes(anyCase(`(?<a>${S})\\s*(?:${EQUAL})\\s*(?:that of\\s*)?(?<b>${S})`));
  const difference = sides ? null : line.takes(anyCase(`(?<a>${S})\\s*[−-]\\s*(?<b>${S})\\s*=\\s*0\\b`));
  const same = words(
    "cost the same|the same|same|equal|meet|intersect|cross|coincide|agree|intersection(?: " +
      "points?)?|points? of intersection",
  );
  if (!sides && !difference && !(line.functions.length !== 1 && line.takes(same))) return null;
  line.takes(words("and|with"));
  const pair = line.two();
  return pair && [{ ask: "meet", functions: pair, ...narrowed(line) }];
};

/** `where do we lose money`, `when is it profitable`. */
export const money: PhraseReader = (line) => {
  const profit = line.ofKind("profit");
  if (!profit || line.functions.some((f) => f !== profit)) return null;
  const loses = line.takes(
    anyCase(`\\b(?:lose|losing|loses|make a loss|at a loss|in the red|losses|loss)\\b(?:\\s*${S})?`),
  );
  if (loses) return [{ ask: "where", function: profit, relation: "<", value: 0, ...narrowed(line) }];
  const gains =
    line.takes(/\bprofitable\b|\bin the black\b|\bpays? off\b/iu) ??
    (line.has(/\d/) || line.has(BEST)
      ? null
      : line.takes(anyCase(`\\b(?:make|makes|making|turn|earn)\\s+(?:a\\s+|any\\s+)?${S}`)));
  return gains && [{ ask: "where", function: profit, relation: ">", value: 0, ...narrowed(line) }];
};
