import { anyCase } from "../../formula";
import { FACTORS_BY_WORD } from "./factors";
import { type PhraseReader, S, words, narrowed, both } from "./reader";

/** `when does it hit the ground?` */
export const ground: PhraseReader = (line) => {
  const falls = words(
    String.raw`(?:hits?|reach(?:es)?|touch(?:es)?|strikes?|on|to|back (?:on|to|at)|meets?)\s+(?:the\s+)?` +
      "(?:ground|earth|floor|water|sea)|lands?",
  );
  const height = line.ofKind("height") ?? (line.functions.length === 1 ? line.functions[0]! : null);
  return height && line.takes(falls) ? [{ ask: "reach", function: height, value: 0, ...narrowed(line) }] : null;
};

export const growth: PhraseReader = (line) => {
  for (const [pattern, factor] of FACTORS_BY_WORD) {
    if (!line.takes(pattern)) continue;
    line.takes(/\b(?:becomes?|grows?|increases?|falls?|shrinks?)\b/iu);
    const start = line.place();
    return [{ ask: "multiply", function: line.one(), factor, ...(start?.at === undefined ? {} : { start: start.at }) }];
  }
  const times = line.takes(
    anyCase(
      `(?<=${S}.*|\\b(?:grow|increase|multipl)\\w*.*)\\b(?<n>\\d+(?:\\.\\d+)?)[\\s-]*(?:times(?:\\s+as\\s+(?:much|` +
        `many|large|big|high|fast))?|fold)\\b`,
    ),
  );
  if (times) line.takes(/\b(?:becomes?|grows?|grown|increases?|multipl(?:y|ies)|by|to)\b/iu);
  return times && [{ ask: "multiply", function: line.one(), factor: Number(times.groups!.n) }];
};

const SLOPE = words(
  "slope|derivative|gradient|steepness|marginal|(?:instantaneous\\s+)?rate(?:\\s+of\\s+(?:change|" +
    "growth))?|how fast|how quickly",
);

const MEAN_RATE = words(
  "(?:average|mean)\\s+(?:rate(?:\\s+of\\s+(?:change|growth))?|growth|change|increase|" +
    "decrease|slope)|growth per \\p{L}+",
);

export const rate: PhraseReader = (line) => {
  const speed = line.functions.length === 0 ? line.speed() : null;
  if (speed && line.takes(/\bacceleration\b/iu)) {
    const at = line.place()?.at;
    return at === undefined ? null : [{ ask: "rate", function: speed, at }];
  }
  const isMean = line.takes(MEAN_RATE) !== null;
  if (!isMean && !line.takes(SLOPE)) return null;
  line.takes(
    words(
      "cool(?:s|ing)?|chang(?:e|es|ing)|grow(?:s|ing)?|fall(?:s|ing)?|ris(?:e|es|ing)|" +
        "increas(?:e|es|ing)|mov(?:e|es|ing)",
    ),
  );
  const over = line.stretch();
  if (over?.from !== undefined && over.to !== undefined)
    return [{ ask: "rate", function: line.one(), between: [over.from, over.to] }];
  const at = isMean ? null : line.place();
  if (at?.at !== undefined) return [{ ask: "rate", function: line.one(), at: at.at }];
  return null;
};

const TOTAL = words(
  "(?:the\\s+)?area(?:\\s+(?:under|below))?|integral|total|sum|accumulated|how far|" +
    "how much in all|displacement|distance(?: (?:covered|travelled|driven))?",
);

export const total: PhraseReader = (line) => {
  const isDistance = line.has(words("how far|distance|displacement"));
  if (!line.takes(TOTAL)) return null;
  line.takes(words("distance"));
  const function_ = isDistance && line.functions.length === 0 ? (line.speed() ?? line.one()) : line.one();
  const between = both(line);
  return between && [{ ask: "total", function: function_, between }];
};

export const average: PhraseReader = (line) => {
  if (!line.takes(words("average|mean"))) return null;
  const between = both(line);
  return between && [{ ask: "average", function: line.one(), between }];
};
